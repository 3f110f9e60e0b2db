import type { DraftFacts } from '../../../core/documents/draft'
import type { Day } from '../../../core/documents/days'
import type { DepositFacts } from '../../../core/documents/facts'
import { sumsOf, type PaperSource } from '../../../core/documents/issue'
import { groupBy } from '../../../core/group'
import { issuedParts } from './queries'

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
  const found = await issuedParts(orderIds)
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
