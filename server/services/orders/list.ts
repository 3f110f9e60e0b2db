import type { Address } from '../../../core/documents/facts'
import type { Adjustment } from '../../../core/money/totals'
import type { Language } from '../../../core/money/format'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import type { ConditionSeen } from '../../../core/routines/routine'
import { historyOf, type HistoryEntry } from '../history/history'
import type { LineStanding } from '../../../core/shipping/quantities'
import type { Told } from '../../../core/said/told'
import { standingOfOrders, type StandingLine } from '../shipping/parts'
import { shipmentsOfOrder } from '../shipping/queries'
import { returnsOfOrder } from '../shipping/returns-queries'
import type { LineEdit } from './orders'
import { orderRow, editableLines, papersOfOrder, evaluationsOfOrder } from './list-queries'

export interface OrderRow {
  id: number
  number: string
  date: string
  customerName: string
  groupName: string
  brand: string
  /** The place it is sold from; '' for the brand itself. */
  branch: string
  status: string
  statusSince: Date
  total: string
  currency: string
  reference: string | null
  salesperson: string
  invoice: string | null
  /** Values of the house's own order fields. */
  fields: Record<string, string>
}

export type OrderSort = 'date' | 'number' | 'customer' | 'total' | 'status'

export interface OrderFilter {
  search?: string
  statuses: string[]
  brand?: string
  over?: string
  /** A kind of document that they have none of, prepared or issued. */
  without?: DocumentKind
  /** Those of which something was shipped and something is left. */
  shipped?: 'in part' | ''
  /** The first date. */
  from?: string
  sort: OrderSort
  descending: boolean
  after?: string
  limit: number
}

export interface OrderView extends Omit<OrderRow, 'invoice' | 'branch'> {
  version: number
  customerId: number
  /** The customer's: items of a new line come in it. */
  language: Language
  customerNote: string | null
  net: string
  prepaid: string
  suppliedOn: string | null
  /** The status that holds its documents back; null when they may leave. */
  stopped: string | null
  pricesIncludeTax: boolean
  adjustments: Adjustment[]
  billToId: number | null
  delivery: Address | null
  internalNote: string
  branchId: number | null
  lines: LineEdit[]
  /** Of its lines, in their order: what was shipped and cancelled, and is left. */
  standing: LineStanding[]
  shipments: Awaited<ReturnType<typeof shipmentsOfOrder>>
  returns: Awaited<ReturnType<typeof returnsOfOrder>>
  papers: {
    id: number
    /** The source that it is made of: the order itself, or a draft of a part of it. */
    sourceId: number
    kind: DocumentKind
    state: string
    revision: number
    voided: boolean
    documentId: number | null
    number: string | null
    total: string
    since: Date
    problem: Told | null
  }[]
  evaluations: {
    routine: string
    outcome: string
    reason: Told | null
    seen: ConditionSeen[]
    at: Date
    version: number
  }[]
  history: HistoryEntry[]
}

/**
 * One order with its lines, papers, what the routines thought of it, and its history. @throws Refusal
 * "no-such-order"
 */
export async function orderView(id: number): Promise<OrderView> {
  const order = await orderRow(id)
  if (!order) throw new Refusal('no-such-order', { status: 404 })
  const lines = await editableLines(id)
  const standing = (await standingOfOrders([id])).get(id)!.map(standingOnly)
  const shipments = await shipmentsOfOrder(id)
  const papers = await papersOfOrder(id)
  const evaluations = await evaluationsOfOrder(id)
  return {
    ...order,
    lines,
    standing,
    shipments,
    returns: await returnsOfOrder(id),
    papers,
    evaluations,
    history: await historyOf({ sourceId: id }),
  }
}

const standingOnly = ({ position, ordered, shipped, cancelled, left }: StandingLine): LineStanding => ({
  position,
  ordered,
  shipped,
  cancelled,
  left,
})
