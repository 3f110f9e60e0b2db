import type { DraftFacts } from '../../../core/documents/draft'
import type { OrderLineFacts } from '../../../core/documents/facts'
import { one, rows, run } from '../../db/connection'

/* The statements of source.ts. */

export const draftToIssue = (draftId: number) =>
  one<{ facts: DraftFacts; state: string }>('select facts, state from draft where id = $draftId', { draftId })

export const isVoided = (documentId: number) =>
  one('select document_id from document_void where document_id = $documentId', { documentId })

export const orderLines = (orderId: number) =>
  rows<OrderLineFacts & { position: number }>(
    `select position, item_code item, description, detail, unit, quantity, unit_price "unitPrice",
      discount_percent "discountPercent", tax_code "taxCode"
    from order_line
    where order_id = $orderId`,
    { orderId },
  )

export const invoiceNumberOfOrder = (orderId: number) =>
  one<{ number: string }>(
    `select d.number
    from claim c
    join document d on d.id = c.document_id
    where c.source_id = $orderId and c.document_kind = 'invoice'`,
    { orderId },
  )

export const raiseOrderVersion = (orderId: number) =>
  run('update sales_order set version = version + 1 where id = $orderId', { orderId })

export const lockOpenItem = (documentId: number | null) =>
  one<{ open: string; currency: string }>(
    'select open::text, currency from open_item where document_id = $documentId for update',
    { documentId },
  )

export const lowerOpen = (documentId: number | null, amount: string) =>
  run('update open_item set open = open - $amount::numeric where document_id = $documentId', {
    documentId,
    amount,
  })

export const raiseOpen = (documentId: number, amount: string) =>
  run('update open_item set open = open + $amount::numeric where document_id = $documentId', {
    documentId,
    amount,
  })

export const documentNumber = (creditId: number) =>
  one<{ number: string }>('select number from document where id = $creditId', { creditId })

export const raiseOrderVersionOf = (draftId: number) =>
  run(
    `update sales_order set version = version + 1 where id = (select order_id from draft where id = $draftId)`,
    { draftId },
  )
