import { bookLabels } from '../../services/shipping/book-labels'
import type { Jobs } from '../add'

export const run = ({ labelIds }: Jobs['book-labels']): Promise<void> => bookLabels(labelIds)
