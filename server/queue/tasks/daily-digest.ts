import { sendDigest } from '../../services/dispatch/digest'

export const run = (): Promise<void> => sendDigest()
