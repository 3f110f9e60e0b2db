import type { Paper } from '../../../core/documents/paper'
import { one, rows } from '../../db/connection'

/* The statements of orders that have no file of their own. */

export const confirmationPaper = (documentId: number) =>
  one<{ paper: Paper; waits: boolean }>(
    `select d.paper, exists (
      select from prepared_document p where p.source_id = d.source_id and p.kind = d.kind and p.state = 'prepared'
    ) waits
    from document d where d.id = $documentId`,
    { documentId },
  )

/** Invoices of withdrawn orders that still stand: not void, not wholly credited. SQL over document `d`. */
export const standsWithdrawn = `
  d.kind = 'invoice'
    and exists (
      select from stopped_source ss where ss.source_id = d.source_id and ss.how = 'withdrawn'
    )
    and not exists (select from document_void v where v.document_id = d.id)
    and coalesce(
      (
        select sum(k.total)
        from document k
        where k.credits_id = d.id and not exists (select from document_void v where v.document_id = k.id)
      ),
      0
    ) < d.total`

const chosenBy = {
  documents: 'd.id = any($ids::int[])',
  orders: 'd.source_id in (select id from source where root_id = any($ids::int[]))',
}

/** Of these orders, or these documents themselves, by number of making. */
export const standingOfWithdrawn = (of: 'documents' | 'orders', ids: readonly number[]) =>
  rows<{ id: number; number: string; order: string }>(
    `select d.id, d.number, d.order_number "order"
    from document d
    where ${chosenBy[of]} and ${standsWithdrawn}
    order by d.id`,
    { ids },
  )
