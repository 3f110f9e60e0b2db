import { paintDocuments } from '../../services/documents/paint'
import type { Jobs } from '../add'

export const run = ({ documentIds }: Jobs['paint-documents']): Promise<void> => paintDocuments(documentIds)
