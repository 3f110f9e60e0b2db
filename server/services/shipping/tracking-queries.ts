import type { ParcelWay } from '../../../core/shipping/tracking'
import { rows, run } from '../../db/connection'

/* The statements of tracking.ts. */

export interface Followed {
  id: number
  carrierId: number
  tracking: string
  madeAt: Date
}

export const followedLabels = (ids: readonly number[], now: Date) =>
  rows<Followed>(
    `select id, carrier_id "carrierId", tracking, made_at "madeAt"
    from label
    where id = any($ids::int[]) and state = 'made' and ask_way_at <= $now
    order by id`,
    { ids, now },
  )

export const askWayAgain = (ids: readonly number[], at: Date | null) =>
  run('update label set ask_way_at = $at where id = any($ids::int[]) and ask_way_at is not null', { ids, at })

/** How far parcels are, where that is news. */
export const keepWays = (
  carrierId: number,
  ways: readonly { tracking: string; way: ParcelWay }[],
  now: Date,
  last: readonly ParcelWay[],
) =>
  rows<{ id: number; shipmentId: number; orderId: number; parcel: number; tracking: string; way: ParcelWay }>(
    `update label l
    set way = n.way, way_at = $now, ask_way_at = case when n.way = any($last::text[]) then null else ask_way_at end
    from jsonb_to_recordset($ways::jsonb) as n (tracking text, way text), shipment s
    where l.carrier_id = $carrierId and l.tracking = n.tracking and l.state = 'made' and l.way <> n.way
      and l.way <> all($last::text[]) and s.id = l.shipment_id
    returning l.id, l.shipment_id "shipmentId", s.order_id "orderId", l.parcel, l.tracking, l.way`,
    { carrierId, ways: JSON.stringify(ways), now, last },
  )
