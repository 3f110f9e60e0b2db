import { renewCarrier } from '../../services/shipping/carriers'
import type { Jobs } from '../add'

export const run = ({ carrierId }: Jobs['renew-carrier']): Promise<void> => renewCarrier(carrierId)
