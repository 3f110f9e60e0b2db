import { followParcels } from '../../services/shipping/tracking'
import type { Jobs } from '../add'

export const run = ({ labelIds }: Jobs['follow-parcels']): Promise<void> => followParcels(labelIds)
