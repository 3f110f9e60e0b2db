import { continueRun } from '../../services/documents/send-run'
import type { Jobs } from '../add'

export const run = ({ runId }: Jobs['send-run']): Promise<void> => continueRun(runId)
