import { continueStatements } from '../../services/receivables/statements'
import type { Jobs } from '../add'

export const run = ({ runId }: Jobs['make-statements']): Promise<void> => continueStatements(runId)
