import { isDeepStrictEqual } from 'node:util'
import { badInput, Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import type { Day } from '../../../core/documents/days'
import { totals, type Adjustment } from '../../../core/money/totals'
import type { Address } from '../../../core/documents/facts'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { CustomerAddress } from '../../db/models'
import { markStale } from '../outbox/stale'
import { checkFields } from '../fields/own-fields'
import { refuseOtherBranch } from '../house/branches'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { standingOfOrders, type StandingLine } from '../shipping/parts'
import { editableLines } from './list-queries'
import { lockOrder, updateOrder, deleteLines, insertOrderLines, insertOrders } from './orders-queries'
import type { Principal } from '../people/principal'

/*
 * Takes orders in, and changes what is written of one: lines, texts, addresses. Called by the Orders screens, by
 * imports and by the demo's loader. Each call is one transaction: orders and history together.
 * Refuses an order that somebody else changed meanwhile, and lines that make no sense.
 */

export interface LineEdit {
  item: string
  description: string
  detail: string | null
  unit: string
  quantity: string
  unitPrice: string
  discountPercent: string
  taxCode: string
  /** The house's own line fields. */
  fields?: Record<string, string>
}

export interface OrderEdit {
  /** The version that was on the screen. */
  version: number
  reference: string | null
  customerNote: string | null
  /** The house's own order fields; left out, they stay as they are. */
  fields?: Record<string, string>
  lines: LineEdit[]
  /** Charges and discounts on the whole order; left out, they stay. */
  adjustments?: Adjustment[]
  /** Another of the customer's billing addresses, null for its own; left out, it stays. */
  billToId?: number | null
  /** Where the goods go, null for the address that is billed; left out, it stays. */
  delivery?: Address | null
  internalNote?: string
  /** A branch of the order's brand, null for the brand's own address; left out, it stays. */
  branchId?: number | null
}

/**
 * Replaces an order's lines and texts. Papers prepared from it are marked and built anew. @returns the new
 * version
 */
export async function editOrder(orderId: number, edit: OrderEdit, who: Principal): Promise<number> {
  const { taxRates } = await company()
  const given = edit.fields && (await checkFields('order', edit.fields))
  await checkLines(edit.lines)
  return inTransaction(async () => {
    const order = await lockOrder(orderId)
    if (!order) throw new Refusal('no-such-order', { status: 404 })
    if (order.version !== edit.version)
      throw new Refusal('changed-meanwhile/order', { values: { order: order.number } })
    const adjustments = edit.adjustments ?? order.adjustments
    const sums = totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: taxRates,
      lines: edit.lines,
      adjustments,
      prepaid: order.prepaid,
    })
    const billToId = edit.billToId === undefined ? order.billToId : edit.billToId
    await refuseForeignAddress(order.customerId, billToId)
    const branchId = edit.branchId === undefined ? order.branchId : edit.branchId
    if (branchId !== order.branchId) await refuseOtherBranch(order.brandId, branchId)
    const delivery = edit.delivery === undefined ? order.delivery : edit.delivery
    const fields = given ?? order.fields
    const shown = !isDeepStrictEqual(
      [edit.lines, edit.reference, edit.customerNote, fields, adjustments, billToId, delivery, branchId],
      [
        await editableLines(orderId),
        order.reference,
        order.customerNote,
        order.fields,
        order.adjustments,
        order.billToId,
        order.delivery,
        order.branchId,
      ],
    )
    const standing = (await standingOfOrders([orderId])).get(orderId)!
    refuseShippedLines(standing, edit.lines)
    await replaceLines(orderId, keptCancelled(standing, edit.lines))
    await updateOrder({
      shown,
      adjustments,
      billToId,
      delivery,
      internalNote: edit.internalNote ?? order.internalNote,
      branchId,
      orderId,
      reference: edit.reference,
      customerNote: edit.customerNote,
      net: sums.net,
      total: sums.total,
      search: searchText(order.number, order.customerName, edit.reference, fields),
      fields,
    })
    if (shown) await markStale('source', orderId)
    await noteAll([
      {
        sourceId: orderId,
        actor: who.name,
        ...(shown
          ? told('order/changed', { sum: `${sums.total} ${order.currency}` })
          : told('order/note-changed')),
      },
    ])
    publish('order', [orderId])
    return order.version + 1
  })
}

/** @throws Refusal "no-such-address" where it is not one that this customer is billed at */
export async function refuseForeignAddress(customerId: number, billToId: number | null): Promise<void> {
  if (billToId === null) return
  if (!(await CustomerAddress.findOne({ where: { id: billToId, customerId, purpose: 'billing' } })))
    throw badInput('no-such-address', 'billToId')
}

/** @throws Refusal "unknown-field", "wrong-value" of an own field */
export async function checkLines(lines: readonly LineEdit[]): Promise<void> {
  const filled = lines.filter((line) => Object.keys(line.fields ?? {}).length > 0)
  for (const line of filled) await checkFields('line', line.fields!)
}

/** In the caller's transaction. */
export async function replaceLines(
  orderId: number,
  lines: readonly (LineEdit & { cancelled?: string })[],
): Promise<void> {
  await deleteLines(orderId)
  await insertLines(lines.map((line, index) => ({ ...line, orderId, position: index + 1 })))
}

/** @throws Refusal "shipped-line" where less would be ordered of a line than was shipped, or something else */
function refuseShippedLines(standing: readonly StandingLine[], lines: readonly LineEdit[]): void {
  for (const { position, item, description, shipped } of standing) {
    if (new Decimal(shipped).isZero()) continue
    const line = lines[position - 1]
    if (!line || line.item !== item || new Decimal(line.quantity).lt(shipped))
      throw badInput('shipped-line', `lines.${position - 1}`, { line: position, item: description, shipped })
  }
}

/** What was cancelled of a line stays known of it as long as it is the same item. */
const keptCancelled = (standing: readonly StandingLine[], lines: readonly LineEdit[]) =>
  lines.map((line, place) => {
    const before = standing[place]
    return before && before.item === line.item ? { ...line, cancelled: before.cancelled } : line
  })

async function insertLines(
  lines: readonly (LineEdit & { orderId: number; position: number; cancelled?: string })[],
): Promise<void> {
  await insertOrderLines(lines)
}

/** What the list of orders finds it by. */
export const searchText = (
  number: string,
  customer: string,
  reference: string | null,
  fields: Readonly<Record<string, string>>,
) => [number, customer, reference ?? '', ...Object.values(fields)].join(' ').trimEnd().toLowerCase()

export interface NewOrder {
  number: string
  brandId: number
  customerId: number
  customerName: string
  date: Day
  status: string
  currency: string
  pricesIncludeTax: boolean
  reference: string | null
  salesperson: string
  customerNote: string | null
  prepaid: string
  adjustments: Adjustment[]
  fields?: Record<string, string>
  lines: LineEdit[]
  billToId?: number | null
  delivery?: Address | null
  internalNote?: string
  branchId?: number | null
}

/** Takes an order into the house. @throws Refusal from `totals` */
export async function addOrder(order: NewOrder, who: Principal): Promise<number> {
  return (await addOrders([order], who))[0]!
}

/**
 * Takes orders into the house, all or none, with a few statements however many they are. @returns their ids
 * in the order given. @throws Refusal from `totals`
 */
export async function addOrders(orders: readonly NewOrder[], who: Principal): Promise<number[]> {
  if (orders.length === 0) return []
  const { taxRates } = await company()
  const now = clock.now()
  const given = orders.map((order) => {
    const { net, total } = totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: taxRates,
      lines: order.lines,
      adjustments: order.adjustments,
      prepaid: order.prepaid,
    })
    return {
      ...order,
      fields: order.fields ?? {},
      net,
      total,
      search: searchText(order.number, order.customerName, order.reference, order.fields ?? {}),
    }
  })
  return inTransaction(async () => {
    const made = new Map(
      (
        await insertOrders(
          given.map(({ lines: _, ...order }) => order),
          now,
        )
      ).map((row) => [row.number, row.id]),
    )
    const ids = orders.map((order) => made.get(order.number)!)
    await insertLines(
      orders.flatMap((order, index) =>
        order.lines.map((line, place) => ({ ...line, orderId: ids[index]!, position: place + 1 })),
      ),
    )
    await noteAll(
      orders.map((order, index) => ({
        sourceId: ids[index]!,
        actor: who.name,
        ...told('order/came-in', { status: order.status }),
      })),
    )
    publish('order', ids)
    return ids
  })
}
