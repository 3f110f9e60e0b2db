import type { OpenItem } from '../../../core/documents/open-table'
import { json, rows } from '../../db/connection'

/* The statements of compose.ts. */

/** A customer's account with a brand. */
export interface AccountOf {
  customerId: number
  brandId: number
}

/** What is open on accounts now, of each: documents by due date, then money that settles nothing yet. */
export const openItemsOfAccounts = (accounts: readonly (AccountOf & { currency: string })[]) =>
  rows<OpenItem & AccountOf & { currency: string }>(
    `select a."customerId", a."brandId", a.currency, x.kind, x.number, x.due_date::text "dueDate", x.open::text open
    from (
      select distinct *
      from jsonb_to_recordset($accounts::jsonb) as r ("customerId" integer, "brandId" integer, currency text)
    ) a
    cross join lateral (
      select d.kind, d.number, i.due_date, i.open, d.id place
      from open_item i
      join document d on d.id = i.document_id
      where i.customer_id = a."customerId"
        and d.brand_id = a."brandId"
        and i.currency = a.currency
        and i.open <> 0
      union all
      select case min(p.direction) when 'in' then 'payment' else 'refund' end, '', null,
        sum(case p.direction when 'in' then -p.open else p.open end), min(p.id)
      from payment p
      where p.customer_id = a."customerId" and p.brand_id = a."brandId" and p.currency = a.currency
      group by coalesce(p.reverses_id, p.id)
    ) x
    where x.open <> 0
    order by x.due_date nulls last, x.place`,
    { accounts: json(accounts) },
  )

/** The same of one. */
export const openItemsNow = (account: AccountOf & { currency: string }): Promise<OpenItem[]> =>
  openItemsOfAccounts([account])
