import { one } from '../../db/connection'
import type { UpdatesPage } from './updates-page'

/* The statements of updates-page.ts. */

export const updateEmail = (dispatchId: number) =>
  one<UpdatesPage>(
    `select m.id "dispatchId", m.customer_id "customerId", b.name "brandName", d.paper ->> 'language' "language",
      t.design #>> '{colours,brand}' colour,
      coalesce(c.preferences -> 'order update' ->> 'channel' = 'nothing', false) stopped
    from dispatch m
    join dispatch_document x on x.dispatch_id = m.id
    join document d on d.id = x.document_id and d.kind = 'order update'
    join customer c on c.id = m.customer_id
    join brand b on b.id = m.brand_id
    join design t on t.id = d.design_id
    where m.id = $dispatchId
    order by d.id
    limit 1`,
    { dispatchId },
  )
