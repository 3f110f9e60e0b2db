import { planTurns } from '../../services/routines/turns'

export const run = (): Promise<void> => planTurns()
