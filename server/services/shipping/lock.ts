import { lockShipment } from './queries'
import { lockReturn } from './returns-queries'

/** Nobody else has labels asked for or bought for these goods before the caller's transaction ends. */
export async function lockConsignment(sourceId: number): Promise<void> {
  if (!(await lockShipment(sourceId))) await lockReturn(sourceId)
}
