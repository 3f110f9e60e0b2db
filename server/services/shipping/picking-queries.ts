import { draftStatus } from '../../../core/orders/statuses'
import { rows } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'

/* The statements of picking.ts. */

export const ordersToPick = (orderIds: readonly number[], who: Principal) =>
  rows<{ id: number; number: string; customerName: string; status: string; isStopped: boolean }>(
    `select o.id, o.number, c.name "customerName", o.status,
      o.status = $draftStatus or exists (
        select from stopped_source ss where ss.source_id = o.id
      ) "isStopped"
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = any($orderIds::int[]) and ${within(who, 'o.brand_id')}
    order by o.number`,
    { orderIds, draftStatus },
  )
