import { makeLabelDocuments } from '../../services/shipping/label-documents'
import type { Jobs } from '../add'

export const run = ({ sourceIds }: Jobs['label-documents']): Promise<void> => makeLabelDocuments(sourceIds)
