import { Refusal } from '../../../core/errors'
import { rows } from '../../db/connection'

/*
 * Who acts or looks, and of which brands that may be. Every list narrows by it; whatever is named by an id is
 * looked at by `refuseForeign`, which routes call before they do anything.
 */

/** A person, or another program for one. A person limited to brands sees and does only what is of them. */
export interface Principal {
  name: string
  /** Null for all brands. */
  brands: readonly number[] | null
}

/** The house itself, and what works for it in the background. */
export const theHouse: Principal = { name: 'Clothespin', brands: null }

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

/** Those of the brands that this one may see. */
export const brandsOf = <Brand extends { id: number }>(who: Principal, brands: readonly Brand[]): Brand[] =>
  brands.filter((brand) => who.brands === null || who.brands.includes(brand.id))

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

/** What a call names by ids. */
export interface Named {
  sources?: readonly number[]
  prepared?: readonly number[]
  documents?: readonly number[]
  dispatches?: readonly number[]
  customers?: readonly number[]
  runs?: readonly number[]
  series?: readonly number[]
  brands?: readonly number[]
}

const isOwn: Record<keyof Named, (who: Principal) => string> = {
  sources: (who) => `select from source x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  prepared: (who) => `select from prepared_document x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  documents: (who) => `select from document x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  dispatches: (who) => `select from dispatch x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  customers: (who) => `select from customer x where x.id = n.id and ${buysWithin(who, 'x.id')}`,
  runs: (who) => `select where ${runsWithin(who, 'n.id')}`,
  series: (who) => `select from number_series x where x.id = n.id and ${within(who, 'x.brand_id')}`,
  brands: (who) => `select where ${within(who, 'n.id')}`,
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

/** @throws Refusal "whole-house" */
export function refuseLimited(who: Principal): void {
  if (who.brands !== null)
    throw new Refusal(
      'whole-house',
      'This is about the whole house, and you work for some of its brands. Ask somebody who works for all.',
      { status: 403 },
    )
}

/** @throws Refusal "not-there", in the same words for what is of another brand and for what does not exist */
export async function refuseForeign(who: Principal, named: Named): Promise<void> {
  if (who.brands === null) return
  for (const [what, ids] of Object.entries(named) as [keyof Named, readonly number[] | undefined][]) {
    if (!ids || ids.length === 0) continue
    const own = await ownIds(who, what, ids)
    if (own.length < ids.length)
      throw new Refusal('not-there', 'That does not exist, or is not of your brands.', { status: 404 })
  }
}
