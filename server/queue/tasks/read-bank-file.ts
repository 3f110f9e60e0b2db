import { readBankFile } from '../../services/receivables/bank'
import type { Jobs } from '../add'

export const run = ({ fileId }: Jobs['read-bank-file']): Promise<void> => readBankFile(fileId)
