import { provokedReport } from '../../../core/dispatch/provoked'
import { keepReport } from '../../services/dispatch/reports'
import type { Jobs } from '../add'

export const run = async ({ dispatchId, address }: Jobs['provoke-bounce']): Promise<void> => {
  await keepReport(dispatchId, provokedReport(address))
}
