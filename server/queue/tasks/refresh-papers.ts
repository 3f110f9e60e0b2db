import { refreshPapers } from '../../services/documents/prepare'
import type { Jobs } from '../add'

export const run = ({ paperIds }: Jobs['refresh-papers']): Promise<void> => refreshPapers(paperIds)
