import { one, run } from '../../db/connection'

/* The statements of new-order.ts. */

/** Numbers are given one after another. */
export const lockOrderNumbers = () => run(`select pg_advisory_xact_lock(hashtext('order numbers'))`)

/** The number of the order that came in last. */
export async function lastOrderNumber(): Promise<string | undefined> {
  return (await one<{ number: string }>('select number from sales_order order by id desc limit 1'))?.number
}
