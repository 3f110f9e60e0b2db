import type { LineStanding, OrderedLine } from '../../../core/shipping/quantities'
import { rows } from '../../db/connection'
import { pictureAt } from '../items/queries'

/* The statements of parts.ts. */

export interface ShippedPart {
  orderId: number
  shipmentId: number
  position: number
  quantity: LineStanding['shipped']
}

/** What shipments that stand hold of orders. */
export const shippedParts = (orderIds: readonly number[]) =>
  rows<ShippedPart>(
    `select s.order_id "orderId", s.id "shipmentId", l.position, trim_scale(l.quantity)::text quantity
    from shipment s
    join shipment_line l on l.shipment_id = s.id
    where s.order_id = any($orderIds::int[]) and s.state = 'packed'
    order by s.id, l.position`,
    { orderIds },
  )

/** A line of an order with what is said of its item for packing. */
export interface OrderLineToShip extends OrderedLine {
  orderId: number
  item: string
  description: string
  detail: string | null
  unit: string
  /** Kilograms of one; null where nobody said. */
  each: string | null
  place: string
  gtin: string
  /** Where the picture of its item is shown. */
  pictureAt: string | null
  commodityCode: string
  origin: string
}

export const linesToShip = (orderIds: readonly number[]) =>
  rows<OrderLineToShip>(
    `select l.order_id "orderId", l.position, l.item_code item, l.description, l.detail, l.unit,
      trim_scale(l.quantity)::text quantity, trim_scale(l.cancelled)::text cancelled,
      trim_scale(i.weight)::text each, coalesce(i.place, '') place, coalesce(i.gtin, '') gtin,
      ${pictureAt('i')} "pictureAt",
      coalesce(i.commodity_code, '') "commodityCode", coalesce(i.origin, '') origin
    from order_line l
    left join item i on i.code = l.item_code
    where l.order_id = any($orderIds::int[])
    order by l.order_id, l.position`,
    { orderIds },
  )
