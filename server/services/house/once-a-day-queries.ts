import { one } from '../../db/connection'

/* The statements of once-a-day.ts. */

/** Until the transaction ends, nobody else does what has this name. @returns false where somebody does it already */
export const holdAlone = (name: string) =>
  one<{ held: boolean }>('select pg_try_advisory_xact_lock(hashtext($name)) held', { name })
