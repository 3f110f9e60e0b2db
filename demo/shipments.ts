import { allLeft } from '../core/shipping/quantities'
import { Decimal } from '../core/money/decimal'
import { rows, run } from '../server/db/connection'
import { prepareByHand } from '../server/services/documents/prepare-by-hand'
import { inTheNameOf } from '../server/services/people/principal'
import { makeShipment, planShipment } from '../server/services/shipping/pack'
import { shipmentView, takeShipmentBack } from '../server/services/shipping/shipments'

const bench = inTheNameOf('Col Varley')
const services = ['Glenhaven Parcels, next day', 'Glenhaven Parcels, economy', 'Our own van']
const abroad = 'Glenhaven Parcels, abroad'

/** Goods that went out or are about to: whole and in part, in several parcels, and one that was taken back. */
export async function shipOrders(): Promise<void> {
  const orders = await rows<{ id: number; status: string }>(
    `select o.id, o.status
    from sales_order o
    where o.status in ('Packed', 'Shipped')
      and (select count(*) from order_line l where l.order_id = o.id) > 2
    order by o.status, o.id
    limit 22`,
  )
  await run(`update item set commodity_code = '4421 99 99', origin = 'IE' where commodity_code = ''`)
  let place = 0
  for (const { id } of orders) {
    const { lines, refused, delivery } = await planShipment(id)
    if (refused) continue
    const inPart = place % 5 === 1
    const going = allLeft(lines).map(({ position, quantity }) => ({
      position,
      quantity: inPart ? half(quantity) : quantity,
    }))
    const shipmentId = await makeShipment(
      id,
      {
        lines: going,
        service: delivery?.country === 'IE' ? services[place % services.length]! : abroad,
      },
      bench,
    )
    if (place % 3 === 0) await prepareByHand('packing slip', [shipmentId], bench)
    if (place % 3 === 1) await prepareByHand('delivery note', [shipmentId], bench)
    if (delivery?.country !== 'IE') await prepareByHand('customs invoice', [shipmentId], bench)
    if (place === 4) {
      const { version } = await shipmentView(shipmentId)
      await takeShipmentBack(shipmentId, { version, despite: false }, bench)
    }
    place++
  }
}

/** About the half of a quantity, in whole pieces where there are some. */
const half = (quantity: string) => new Decimal(quantity).div(2).ceil().toString()
