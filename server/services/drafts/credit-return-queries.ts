import type { DraftFacts } from '../../../core/documents/draft'
import { rows } from '../../db/connection'

/* The statements of credit-return.ts. */

/** Invoices of an order that are not void, of the whole or of parts; what was asked for in advance bills no goods. */
export const invoicesOfOrder = (orderId: number) =>
  rows<{ id: number; number: string; draft: DraftFacts | null }>(
    `select d.id, d.number, b.facts draft
    from document d
    join source s on s.id = d.source_id
    left join draft b on b.id = d.source_id
    where s.root_id = $orderId and d.kind = 'invoice' and coalesce(b.facts ->> 'deposit', '') <> 'true'
      and not exists (select from document_void v where v.document_id = d.id)
    order by d.id`,
    { orderId },
  )

export const orderPositions = (orderId: number) =>
  rows<{ position: number; item: string; description: string }>(
    `select position, item_code item, description
    from order_line
    where order_id = $orderId
    order by position`,
    { orderId },
  )
