import type { OpenItem } from '../../../core/emailtexts/letter-fields'
import { rows } from '../../db/connection'

/* The statements of compose.ts. */

/** A customer's account with a brand. */
export interface AccountOf {
  customerId: number
  brandId: number
}

/** What is open on an account now: documents by due date, then money that settles nothing yet. */
export const openItemsNow = (account: AccountOf & { currency: string }) =>
  rows<OpenItem>(
    `select x.kind, x.number, x.due_date::text "dueDate", x.open::text open
    from (
      select d.kind, d.number, i.due_date, i.open, d.id place
      from open_item i
      join document d on d.id = i.document_id
      where i.customer_id = $customerId and d.brand_id = $brandId and i.currency = $currency and i.open <> 0
      union all
      select case min(p.direction) when 'in' then 'payment' else 'refund' end, '', null,
        sum(case p.direction when 'in' then -p.open else p.open end), min(p.id)
      from payment p
      where p.customer_id = $customerId and p.brand_id = $brandId and p.currency = $currency
      group by coalesce(p.reverses_id, p.id)
    ) x
    where x.open <> 0
    order by x.due_date nulls last, x.place`,
    { ...account },
  )
