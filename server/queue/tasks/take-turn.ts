import { takeTurn } from '../../services/routines/turns'
import type { Jobs } from '../add'

export const run = ({ routineId }: Jobs['take-turn']): Promise<void> => takeTurn(routineId)
