import { one, run } from '../../db/connection'

/* The statements of add-customer.ts. */

/** Numbers are given one after another. */
export const lockCustomerNumbers = () => run(`select pg_advisory_xact_lock(hashtext('customer numbers'))`)

/** The highest number of digits only, else the newest. */
export async function lastCustomerNumber(): Promise<string | undefined> {
  const row = await one<{ number: string }>(
    `select number
    from customer
    order by number !~ '^\\d{1,15}$', case when number ~ '^\\d{1,15}$' then number::bigint end desc, id desc
    limit 1`,
  )
  return row?.number
}
