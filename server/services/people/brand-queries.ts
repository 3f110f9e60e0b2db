import { rows } from '../../db/connection'
import type { Principal, Named } from './principal'

/* The statements of brand.ts. */

/** SQL: that a row is of a brand which this one may see. `column` holds the brand's id. */
export function within(who: Principal, column: string): string {
  if (who.brands === null) return 'true'
  const ids = who.brands.filter(Number.isInteger)
  return ids.length === 0 ? 'false' : `${column} in (${ids.join(', ')})`
}

/** SQL: that a customer buys of such a brand, or has bought of none yet. `column` holds the customer's id. */
export function buysWithin(who: Principal, column: string): string {
  if (who.brands === null) return 'true'
  return `(
    exists (select from source ws where ws.customer_id = ${column} and ${within(who, 'ws.brand_id')})
      or not exists (select from source ws where ws.customer_id = ${column})
  )`
}

/** SQL: the brands that a person of `staff` is limited to, as a list; null for all. */
export const brandsOfStaff = (staff: string): string =>
  `(select jsonb_agg(sb.brand_id order by sb.brand_id) from staff_brand sb where sb.staff_id = ${staff}.id)`

/** SQL: that a Send is of such brands only. `column` holds its id. */
export function runsWithin(who: Principal, column: string): string {
  if (who.brands === null) return 'true'
  return `not exists (
    select
    from send_run_document wr
    join prepared_document wp on wp.id = wr.prepared_id
    where wr.run_id = ${column} and not ${within(who, 'wp.brand_id')}
  )`
}

const isOwn: Record<keyof Named, (who: Principal) => string> = {
  sources: (who) => `select from source x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  prepared: (who) => `select from prepared_document x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  documents: (who) => `select from document x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  dispatches: (who) => `select from dispatch x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  customers: (who) => `select from customer x where x.id = n.id and ${buysWithin(who, 'x.id')}`,
  runs: (who) => `select where ${runsWithin(who, 'n.id')}`,
  labels: (who) =>
    `select from label x join source xs on xs.id = x.source_id where x.id = n.id and ${within(who, 'xs.brand_id')}`,
  series: (who) => `select from number_series x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  brands: (who) => `select where ${within(who, 'n.id')}`,
  enclosures: (who) => `select
    from enclosure x
    left join source xo on xo.id = x.source_id
    left join prepared_document xp on xp.id = x.prepared_id
    where x.id = n.id
      and (
        coalesce(x.brand_id, xo.brand_id, xp.brand_id) is null
        or ${within(who, 'coalesce(x.brand_id, xo.brand_id, xp.brand_id)')}
      )
      and (x.customer_id is null or ${buysWithin(who, 'x.customer_id')})`,
}

/** Those of the ids that are there and of the brands of this one. */
export async function ownIds(who: Principal, what: keyof Named, ids: readonly number[]): Promise<number[]> {
  if (who.brands === null || ids.length === 0) return [...ids]
  const own = await rows<{ id: number }>(
    `select n.id from unnest($1::int[]) n(id) where exists (${isOwn[what](who)})`,
    [ids],
  )
  return own.map(({ id }) => id)
}
