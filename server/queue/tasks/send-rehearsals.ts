import { sendRehearsals } from '../../services/documents/rehearse'
import type { Jobs } from '../add'

export const run = ({ rehearsalIds }: Jobs['send-rehearsals']): Promise<void> => sendRehearsals(rehearsalIds)
