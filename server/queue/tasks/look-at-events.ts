import { lookAtEvents } from '../../services/routines/look-at-events'
import type { Jobs } from '../add'

export const run = ({ eventIds }: Jobs['look-at-events']): Promise<void> => lookAtEvents(eventIds)
