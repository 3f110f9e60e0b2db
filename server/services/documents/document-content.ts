import { issuePaper } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { Decimal } from '../../../core/money/decimal'
import type { EventFacts } from '../../../core/routines/routine'
import type { Numbered, IssuingRun, PaperRow } from './insert-document'

/** What a document says once it has its number, and what of it is paid at once. */
export function contentOf(
  { paper, drawn }: Numbered,
  { paidBy }: IssuingRun,
): { paper: Paper; paidNow: string | null } {
  const asked = issuePaper(paper.source, drawn.date, drawn.number)
  if (paidBy === null || !kindFacts[paper.kind].asksForPayment || !new Decimal(asked.amounts.toPay).gt(0))
    return { paper: asked, paidNow: null }
  const { order } = paper.source
  const prepaid = new Decimal(order.prepaid).plus(asked.amounts.toPay).toString()
  const paid = { ...paper.source, order: { ...order, prepaid } }
  return { paper: issuePaper(paid, drawn.date, drawn.number), paidNow: asked.amounts.toPay }
}

export const searchWords = ({ paper, drawn }: Numbered) =>
  [
    drawn.number,
    paper.orderNumber,
    paper.customerName,
    paper.source.order.reference ?? '',
    paper.source.credit?.number ?? '',
  ]
    .filter(Boolean)
    .join(' ')
    .toLowerCase()

/** What routines on posting may test. */
export function postedFacts(
  { kind, source, customerFacts }: PaperRow,
  number: string,
  amounts: Paper['amounts'],
): EventFacts {
  const { order } = source
  return {
    ...customerFacts,
    posted: kind,
    number,
    order: order.number,
    total: amounts.total,
    net: amounts.net,
    currency: order.currency,
    brand: source.brand.code,
    customer: source.customer.number,
    items: [...new Set(order.lines.map((line) => line.item).filter(Boolean))],
  }
}
