import { sendDispatches } from '../../services/dispatch/send'
import type { Jobs } from '../add'

export const run = ({ dispatchIds }: Jobs['send-dispatches'], workerId: string): Promise<void> =>
  sendDispatches(dispatchIds, workerId)
