import { one, rows, run } from '../../db/connection'
import type { GroupChange } from './groups'

/* The statements of groups.ts. */

export interface GroupRow extends GroupChange {
  id: number
  version: number
  /** How many are in it. */
  customers: number
}

export const groupRows = () =>
  rows<GroupRow>(
    `select g.id, g.name, g.language, g.currency, g.terms, g.tax_treatment "taxTreatment",
      g.prices_include_tax "pricesIncludeTax", g.preferences, g.version,
      (select count(*)::int from customer c where c.group_name = g.name) customers
    from customer_group g
    order by lower(g.name), g.id`,
  )

export const usesOfRole = (role: string) =>
  one<{ contacts: number; routine: string | null }>(
    `select (select count(*)::int from contact where role = $role) contacts,
      (select name from routine where sentence ->> 'to' = $role order by id limit 1) routine`,
    { role },
  )

export const customerRenamedGroup = (from: string, to: string) =>
  run('update customer set group_name = $to where group_name = $from', { from, to })

/** Customers of a group, or all, whose documents are waiting: what those were built from has moved on. */
export const raiseVersions = (group: string | null) =>
  run(
    `update customer c
    set version = version + 1
    where ($group::text is null or c.group_name = $group)
      and exists (
        select
        from prepared_document p
        where p.customer_id = c.id and p.state in ('prepared', 'due', 'put back')
      )`,
    { group },
  )
