import type { LabelFacts } from '../../../core/documents/label'
import type { Address } from '../../../core/documents/facts'
import type { AskedOfCarrier, GoesOn, LabelState } from '../../../core/shipping/labels'
import type { Size } from '../../../core/shipping/parcels'
import type { ParcelWay } from '../../../core/shipping/tracking'
import { one, rows, run } from '../../db/connection'
import type { LabelView } from './labels'

/* The statements of labels.ts, book-labels.ts and label-documents.ts. */

const standing = `('asked', 'booking', 'unclear', 'made', 'cancelling')`

/** What is asked of a carrier for a shipment or a return. */
export interface ConsignmentToLabel {
  id: number
  label: string
  /** Labels may be bought for it: it was not taken back, withdrawn or taken in. */
  stands: boolean
  isReturn: boolean
  service: string
  delivery: Address
  /** Who sends it where the house does not. */
  sender: Address | null
  /** The customer's end of the way. */
  country: string
  /** How its document goes on where nobody says otherwise: of a return that was agreed so. */
  goesOn: GoesOn | null
  orderId: number
  order: string
  total: string
  customer: string
  customerName: string
  brandId: number
  stopped: string | null
}

export const consignmentToLabel = (id: number) =>
  one<ConsignmentToLabel>(
    `select s.id, s.label, s.stands, s.is_return "isReturn", s.service, s.delivery, s.sender, s.country,
      s.goes_on "goesOn", o.id "orderId", o.number "order",
      o.total::text total, c.number customer, c.name "customerName", s.brand_id "brandId",
      (select ss.status from stopped_source ss where ss.source_id = s.id) stopped
    from consignment s
    join sales_order o on o.id = s.order_id
    join customer c on c.id = s.customer_id
    where s.id = $id`,
    { id },
  )

export interface ParcelToLabel {
  id: number
  number: number
  box: string
  weight: string | null
  /** Of its box, as Settings have it. */
  size: Size | null
  /** One stands for it. */
  hasLabel: boolean
}

export const parcelsToLabel = (sourceId: number) =>
  rows<ParcelToLabel>(
    `select p.id, p.number, p.box, trim_scale(p.weight)::text weight,
      (
        select jsonb_build_object('length', b -> 'length', 'width', b -> 'width', 'height', b -> 'height')
        from company c, jsonb_array_elements(c.boxes) b
        where b ->> 'name' = p.box
        limit 1
      ) size,
      exists (select from label l where l.parcel_id = p.id and l.state in ${standing}) "hasLabel"
    from parcel p
    where p.source_id = $sourceId
    order by p.number`,
    { sourceId },
  )

export const labelViews = (sourceIds: readonly number[]) =>
  rows<LabelView & { sourceId: number }>(
    `select l.id, l.source_id "sourceId", l.parcel_id "parcelId", l.parcel, l.parcels, l.state,
      c.name carrier, l.service_name service, l.service_source "serviceSource", l.failure, l.reply,
      trim_scale(l.price)::text price, l.currency, l.tracking, l.tracking_url "trackingUrl", l.asked_at "askedAt",
      l.asked_by "askedBy", l.tries, l.next_try_at "nextTryAt", l.made_at "madeAt", l.way, l.way_at "wayAt",
      coalesce((l.asked ->> 'isReturn')::boolean, false) "isReturn", d.id "documentId", d.number "documentNumber"
    from label l
    join carrier c on c.id = l.carrier_id
    left join document d on d.id = l.document_id
    where l.source_id = any($sourceIds::int[]) and l.state <> 'closed'
    order by l.parcel, l.id desc`,
    { sourceIds },
  )

/** Refused ones of parcels that are asked for again: they are done with. */
export const refusedOf = (parcelIds: readonly number[]) =>
  rows<{ id: number }>(
    `select id from label where parcel_id = any($parcelIds::int[]) and state = 'refused'`,
    { parcelIds },
  )

export interface LabelToBook {
  id: number
  sourceId: number
  orderId: number
  carrierId: number
  carrier: string
  service: string
  key: string
  state: LabelState
  parcel: number
  parcels: number
  tries: number
  tracking: string
  /** What it is printed on. */
  documentId: number | null
  /** Its order is held or withdrawn now, whatever it was when it was asked for. */
  stopped: 'held' | 'withdrawn' | null
  despite: boolean
  asked: AskedOfCarrier
}

/** Locks one that is due in a state, unless somebody else has it. */
export const lockDueLabel = (id: number, state: LabelState, now: Date) =>
  one<LabelToBook>(
    `select l.id, l.source_id "sourceId", s.order_id "orderId", l.carrier_id "carrierId",
      c.name carrier, l.service, l.key, l.state, l.parcel, l.parcels, l.tries,
      l.tracking, l.document_id "documentId", l.asked,
      case
        when not s.is_return then (select ss.how from stopped_source ss where ss.source_id = l.source_id)
      end stopped,
      coalesce((l.goes_on ->> 'despite')::boolean, false) despite
    from label l
    join consignment s on s.id = l.source_id
    join carrier c on c.id = l.carrier_id
    where l.id = $id and l.state = $state and l.next_try_at <= $now
    for update of l skip locked`,
    { id, state, now },
  )

/** Whether a booking is still ours; locks it. */
export const lockClaimed = (id: number, claim: string) =>
  one<{ id: number; state: LabelState }>(
    'select id, state from label where id = $id and claim = $claim for update',
    { id, claim },
  )

/** By what a carrier follows it. */
export const trackingOf = (id: number) =>
  one<{ tracking: string }>('select tracking from label where id = $id', { id })

/** Parcels of shipments whose labels are bought: by what they are followed. */
export const trackedParcels = (sourceIds: readonly number[]) =>
  rows<{ sourceId: number; parcel: number; number: string; url: string }>(
    `select l.source_id "sourceId", p.number parcel, l.tracking number, l.tracking_url url
    from label l
    join parcel p on p.id = l.parcel_id
    where l.source_id = any($sourceIds::int[]) and l.state = 'made'
    order by l.source_id, p.number`,
    { sourceIds },
  )

/** Labels of shipments and returns that are bought and on no document yet. */
export const unprintedLabels = (sourceIds: readonly number[]) =>
  rows<LabelFacts & { sourceId: number; goesOn: GoesOn; askedBy: string }>(
    `select l.id, l.source_id "sourceId", l.parcel, l.parcels "of", l.asked ->> 'weight' weight,
      c.name carrier, l.service_name service, l.tracking, l.tracking_url "trackingUrl", l.barcode, l.sscc,
      trim_scale(l.price)::text price, l.currency, l.file, l.goes_on "goesOn", l.asked_by "askedBy"
    from label l
    join carrier c on c.id = l.carrier_id
    where l.source_id = any($sourceIds::int[]) and l.state = 'made' and l.document_id is null
    order by l.source_id, l.parcel`,
    { sourceIds },
  )

/** Whether another label of the same goods may come within moments. */
export const isLabelComing = (sourceId: number) =>
  one<{ coming: boolean }>(
    `select exists (
      select from label
      where source_id = $sourceId
        and (state = 'booking' or (state in ('asked', 'unclear') and tries = 0))
    ) coming`,
    { sourceId },
  )

export const printedOn = (documentId: number, labelIds: readonly number[]) =>
  run(`update label set document_id = $documentId where id = any($labelIds::int[]) and document_id is null`, {
    documentId,
    labelIds,
  })

/** Labels whose document was voided are on none. */
export async function unprintVoided(sourceId: number): Promise<void> {
  await run(
    `update label l
    set document_id = null
    where l.source_id = $sourceId and exists (
      select from document_void v where v.document_id = l.document_id
    )`,
    { sourceId },
  )
}

export const lockLabels = (ids: readonly number[]) =>
  rows<{ id: number; state: LabelState; sourceId: number; parcel: number; tracking: string }>(
    `select id, state, source_id "sourceId", parcel, tracking
    from label
    where id = any($ids::int[])
    order by id
    for update`,
    { ids },
  )

export interface StandingLabel {
  id: number
  state: LabelState
  parcel: number
  parcelId: number | null
  tracking: string
  way: ParcelWay | null
}

/** Labels that stand for parcels of a shipment or a return. */
export const standingLabels = (sourceId: number) =>
  rows<StandingLabel>(
    `select id, state, parcel, parcel_id "parcelId", tracking, way
    from label
    where source_id = $sourceId and state in ${standing}
    order by parcel`,
    { sourceId },
  )
