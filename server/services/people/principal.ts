import { Refusal } from '../../../core/errors'
import { ownIds } from './brand-queries'

/*
 * Who acts or looks, and of which brands that may be. Every list narrows by it; whatever is named by an id is
 * looked at by `refuseForeign`, which routes call before they do anything.
 */

/** A person, or another program for one. A person limited to brands sees and does only what is of them. */
export interface Principal {
  /** A person's; nothing for what works in the background. */
  id?: number
  name: string
  /** Null for all brands. */
  brands: readonly number[] | null
}

/** The house itself, and what works for it in the background. */
export const theHouse: Principal = { name: 'Clothespin', brands: null }

/** Who acts in the background in somebody's name: a routine, or the person who began what is gone on with. */
export const inTheNameOf = (name: string): Principal => ({ name, brands: null })

/** Those of the brands that this one may see. */
export const brandsOf = <Brand extends { id: number }>(who: Principal, brands: readonly Brand[]): Brand[] =>
  brands.filter((brand) => who.brands === null || who.brands.includes(brand.id))

/** What a call names by ids. */
export interface Named {
  sources?: readonly number[]
  prepared?: readonly number[]
  documents?: readonly number[]
  dispatches?: readonly number[]
  customers?: readonly number[]
  runs?: readonly number[]
  labels?: readonly number[]
  series?: readonly number[]
  brands?: readonly number[]
  enclosures?: readonly number[]
}

/** @throws Refusal "whole-house" */
export function refuseLimited(who: Principal): void {
  if (who.brands !== null) throw new Refusal('whole-house', { status: 403 })
}

/** @throws Refusal "not-there", in the same words for what is of another brand and for what does not exist */
export async function refuseForeign(who: Principal, named: Named): Promise<void> {
  if (who.brands === null) return
  for (const [what, ids] of Object.entries(named) as [keyof Named, readonly number[] | undefined][]) {
    if (!ids || ids.length === 0) continue
    const own = await ownIds(who, what, ids)
    if (own.length < ids.length) throw new Refusal('not-there', { status: 404 })
  }
}
