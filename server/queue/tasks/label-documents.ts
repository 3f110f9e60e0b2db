import { makeLabelDocuments } from '../../services/shipping/label-documents'
import type { Jobs } from '../add'

export const run = ({ shipmentIds }: Jobs['label-documents']): Promise<void> =>
  makeLabelDocuments(shipmentIds)
