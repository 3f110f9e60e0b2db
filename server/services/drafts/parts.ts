import type { DraftFacts } from '../../../core/documents/draft'
import type { Day } from '../../../core/documents/days'
import type { DepositFacts } from '../../../core/documents/facts'
import { sumsOf, type PaperSource } from '../../../core/documents/issue'
import { groupBy } from '../../../core/group'
import { rows } from '../../db/connection'

/* The drafts that bill a part of an order. Called by the order's and the drafts' own sources. */

export interface OrderPart {
  orderId: number
  facts: DraftFacts
  number: string
  date: Day
  source: PaperSource
  total: string
}

/** The part and deposit invoices of orders that stand: issued, not void, not wholly credited. */
export async function partsOfOrders(orderIds: readonly number[]): Promise<Map<number, OrderPart[]>> {
  const found = await rows<OrderPart>(
    `select b.order_id "orderId", b.facts, d.number, d.date::text date, p.source, d.total::text total
    from draft b
    join document d on d.source_id = b.id
    join prepared_document p on p.id = d.prepared_id
    where b.order_id = any($1::int[])
      and b.kind = 'invoice'
      and not exists (select from document_void v where v.document_id = d.id)
      and coalesce(
        (
          select sum(c.total)
          from document c
          where c.credits_id = d.id and not exists (select from document_void v where v.document_id = c.id)
        ),
        0
      ) < d.total
    order by d.id`,
    [orderIds],
  )
  return groupBy(found, (draft) => draft.orderId)
}

export function depositOf({ number, date, source, total }: OrderPart): DepositFacts {
  return {
    number,
    date,
    total,
    groups: sumsOf(source).groups.map(({ rate, base, tax }) => ({ rate, base, tax })),
  }
}
