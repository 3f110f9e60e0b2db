import { run } from '../../db/connection'

/* The statements of set-up. */

/** One begins, others wait for it. */
export const lockHouseToBegin = () => run('lock table staff in share row exclusive mode')
