import { billedBy } from '../../../core/documents/draft'
import { Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { totals } from '../../../core/money/totals'
import { counted, told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { invoiceOfOrder } from '../drafts/drafts-queries'
import { partsOfOrders } from '../drafts/parts'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { standingOfOrders } from '../shipping/parts'
import { editableLines } from './list-queries'
import { replaceLines, searchText } from './orders'
import { lockOrder, updateOrder } from './orders-queries'

/**
 * Cancels what is left of an order to ship: what was shipped or billed is ordered from now on and no more, and the sums
 * follow.
 * @returns the new version
 * @throws Refusal "no-such-order", "changed-meanwhile", "billed-already", "nothing-cancelled"
 */
export async function cancelRest(orderId: number, version: number, who: Principal): Promise<number> {
  const { taxRates } = await company()
  return inTransaction(async () => {
    const order = await lockOrder(orderId)
    if (!order) throw new Refusal('no-such-order', { status: 404 })
    if (order.version !== version)
      throw new Refusal('changed-meanwhile/order', { values: { order: order.number } })
    const whole = await invoiceOfOrder(orderId)
    if (whole)
      throw new Refusal('billed-already/whole', { values: { whole: whole.number!, order: order.number } })
    const standing = (await standingOfOrders([orderId])).get(orderId)!
    const parts = (await partsOfOrders([orderId])).get(orderId) ?? []
    const billed = billedBy(parts.map((part) => part.facts)).quantities
    const before = await editableLines(orderId)
    const lines = before.map((line, place) => {
      const { position, shipped, cancelled } = standing[place]!
      const kept = Decimal.max(shipped, billed.get(position) ?? 0)
      const off = Decimal.max(0, new Decimal(line.quantity).minus(kept))
      return {
        ...line,
        quantity: new Decimal(line.quantity).minus(off).toString(),
        cancelled: new Decimal(cancelled).plus(off).toString(),
      }
    })
    const count = lines.filter(({ quantity }, place) => quantity !== before[place]!.quantity).length
    if (count === 0) throw new Refusal('nothing-cancelled', { values: { order: order.number } })
    const sums = totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: taxRates,
      lines,
      adjustments: order.adjustments,
      prepaid: order.prepaid,
    })
    await replaceLines(orderId, lines)
    await updateOrder({
      ...order,
      shown: true,
      orderId,
      net: sums.net,
      total: sums.total,
      search: searchText(order.number, order.customerName, order.reference, order.fields),
    })
    await markStale('source', orderId)
    await noteAll([
      {
        sourceId: orderId,
        actor: who.name,
        ...told('order/cancelled', {
          lines: counted(count, 'line'),
          sum: `${sums.total} ${order.currency}`,
        }),
      },
    ])
    publish('order', [orderId])
    return order.version + 1
  })
}
