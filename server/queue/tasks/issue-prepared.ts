import { issueAutomatic } from '../../services/documents/issue'

/** A wake-up call: whatever waits to go automatically is issued, not only the papers that were named. */
export const run = (): Promise<void> => issueAutomatic()
