import { bookWaiting } from '../../services/receivables/bank-booking'
import type { Jobs } from '../add'

export const run = ({ fileId }: Jobs['book-bank-entries']): Promise<void> => bookWaiting(fileId)
