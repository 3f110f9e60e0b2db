import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { SavedFilter } from '../../db/models'
import type { Principal } from '../people/principal'
import { insertFilter } from './saved-filters-queries'

/*
 * What lists are narrowed to, kept by a name: everybody at the desk has them.
 * Called from the lists. One name of a list is one filter; whoever takes it anew says that the other goes.
 */

/** Lists whose filters can be kept, by the names of their pages. */
export const filteredPages = ['accounts', 'orders', 'register', 'customers'] as const
export type FilteredPage = (typeof filteredPages)[number]

export interface KeptFilter {
  id: number
  name: string
  /** By name as the page has them in its address; what is left out is not narrowed. */
  filters: Record<string, string>
  madeBy: string
}

export async function savedFilters(page: FilteredPage): Promise<KeptFilter[]> {
  const found = await SavedFilter.findAll({ where: { page }, order: ['name'] })
  return found.map(({ id, name, filters, madeBy }) => ({ id, name, filters, madeBy }))
}

export interface NewFilter {
  page: FilteredPage
  name: string
  filters: Record<string, string>
  /** Somebody read that there is one of that name. */
  replaces: boolean
}

/** @throws Refusal "filter-there" */
export async function keepFilter(
  { page, name, filters, replaces }: NewFilter,
  who: Principal,
): Promise<{ id: number }> {
  return inTransaction(async () => {
    const now = clock.now()
    const isNew = await insertFilter({ page, name, filters, now, actor: who.name })
    if (isNew) return isNew
    const kept = await SavedFilter.findOne({ where: { page, name }, lock: true })
    // whoever had it took it away at this very instant
    if (!kept) return (await insertFilter({ page, name, filters, now, actor: who.name }))!
    if (!replaces)
      throw new Refusal('filter-there', { values: { name, by: kept.madeBy }, about: { field: 'name' } })
    await kept.update({ filters, madeAt: now, madeBy: who.name })
    return { id: kept.id }
  })
}

/** Nothing where it is gone already. */
export async function dropFilter(id: number): Promise<void> {
  await inTransaction(() => SavedFilter.destroy({ where: { id } }))
}
