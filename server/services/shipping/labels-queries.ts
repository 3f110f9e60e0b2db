import type { LabelFacts } from '../../../core/documents/label'
import type { GoesOn, LabelState } from '../../../core/shipping/labels'
import type { Size } from '../../../core/shipping/parcels'
import { one, rows, run } from '../../db/connection'
import type { LabelView } from './labels'

/* The statements of labels.ts, book-labels.ts and label-documents.ts. */

const standing = `('asked', 'booking', 'unclear', 'made', 'cancelling')`

/** What is asked of a carrier for a shipment. */
export interface ShipmentToLabel {
  id: number
  label: string
  state: string
  service: string
  delivery: { name: string; attention?: string; lines: string[]; country: string }
  orderId: number
  order: string
  total: string
  customer: string
  customerName: string
  brandId: number
  stopped: string | null
}

export const shipmentToLabel = (id: number) =>
  one<ShipmentToLabel>(
    `select s.id, s.label, s.state, s.service, s.delivery, o.id "orderId", o.number "order",
      o.total::text total, c.number customer, c.name "customerName", s.brand_id "brandId",
      (select ss.status from stopped_source ss where ss.source_id = s.id) stopped
    from shipment s
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

export const parcelsToLabel = (shipmentId: number) =>
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
    where p.shipment_id = $shipmentId
    order by p.number`,
    { shipmentId },
  )

export const labelViews = (shipmentIds: readonly number[]) =>
  rows<LabelView & { shipmentId: number }>(
    `select l.id, l.shipment_id "shipmentId", l.parcel_id "parcelId", l.parcel, l.parcels, l.state,
      c.name carrier, l.service_name service, l.service_source "serviceSource", l.failure, l.reply,
      trim_scale(l.price)::text price, l.currency, l.tracking, l.tracking_url "trackingUrl", l.asked_at "askedAt",
      l.asked_by "askedBy", l.tries, l.next_try_at "nextTryAt", l.made_at "madeAt", l.way, l.way_at "wayAt",
      d.id "documentId", d.number "documentNumber"
    from label l
    join carrier c on c.id = l.carrier_id
    left join document d on d.id = l.document_id
    where l.shipment_id = any($shipmentIds::int[]) and l.state <> 'closed'
    order by l.parcel, l.id desc`,
    { shipmentIds },
  )

/** Refused ones of parcels that are asked for again: they are done with. */
export const refusedOf = (parcelIds: readonly number[]) =>
  rows<{ id: number }>(
    `select id from label where parcel_id = any($parcelIds::int[]) and state = 'refused'`,
    { parcelIds },
  )

export interface LabelToBook {
  id: number
  shipmentId: number
  shipment: string
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
  /** Its order is held or withdrawn now, whatever it was when it was asked for. */
  stopped: 'held' | 'withdrawn' | null
  despite: boolean
  asked: {
    to: string[]
    country: string
    weight: string
    size: Size | null
    order: string
    isReturn: boolean
  }
}

/** Locks one that is due in a state, unless somebody else has it. */
export const lockDueLabel = (id: number, state: LabelState, now: Date) =>
  one<LabelToBook>(
    `select l.id, l.shipment_id "shipmentId", s.label shipment, s.order_id "orderId", l.carrier_id "carrierId",
      c.name carrier, l.service, l.key, l.state, l.parcel, l.parcels, l.tries, l.tracking, l.asked,
      (select ss.how from stopped_source ss where ss.source_id = l.shipment_id) stopped,
      coalesce((l.goes_on ->> 'despite')::boolean, false) despite
    from label l
    join shipment s on s.id = l.shipment_id
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

/** Documents of its labels that have no number yet. */
export const preparedLabelDocuments = (shipmentId: number) =>
  rows<{ id: number }>(
    `select id
    from prepared_document
    where source_id = $shipmentId and kind = 'shipping label' and state in ('due', 'prepared')`,
    { shipmentId },
  )

/** Labels of shipments that are bought and on no document yet. */
export const unprintedLabels = (shipmentIds: readonly number[]) =>
  rows<LabelFacts & { shipmentId: number; goesOn: GoesOn; askedBy: string }>(
    `select l.id, l.shipment_id "shipmentId", l.parcel, l.parcels "of", l.asked ->> 'weight' weight,
      c.name carrier, l.service_name service, l.tracking, l.tracking_url "trackingUrl", l.barcode, l.sscc,
      trim_scale(l.price)::text price, l.currency, l.file, l.goes_on "goesOn", l.asked_by "askedBy"
    from label l
    join carrier c on c.id = l.carrier_id
    where l.shipment_id = any($shipmentIds::int[]) and l.state = 'made' and l.document_id is null
    order by l.shipment_id, l.parcel`,
    { shipmentIds },
  )

/** Whether another label of the shipment may come within moments. */
export const isLabelComing = (shipmentId: number) =>
  one<{ coming: boolean }>(
    `select exists (
      select from label
      where shipment_id = $shipmentId
        and (state = 'booking' or (state in ('asked', 'unclear') and tries = 0))
    ) coming`,
    { shipmentId },
  )

export const printedOn = (documentId: number, labelIds: readonly number[]) =>
  run(`update label set document_id = $documentId where id = any($labelIds::int[]) and document_id is null`, {
    documentId,
    labelIds,
  })

/** Labels whose document was voided are on none. */
export async function unprintVoided(shipmentId: number): Promise<void> {
  await run(
    `update label l
    set document_id = null
    where l.shipment_id = $shipmentId and exists (
      select from document_void v where v.document_id = l.document_id
    )`,
    { shipmentId },
  )
}

export const lockLabels = (ids: readonly number[]) =>
  rows<{ id: number; state: LabelState; shipmentId: number; parcel: number; tracking: string }>(
    `select id, state, shipment_id "shipmentId", parcel, tracking
    from label
    where id = any($ids::int[])
    order by id
    for update`,
    { ids },
  )

/** Labels that stand for parcels of a shipment. */
export const standingLabels = (shipmentId: number) =>
  rows<{ id: number; state: LabelState; parcel: number; parcelId: number | null; tracking: string }>(
    `select id, state, parcel, parcel_id "parcelId", tracking
    from label
    where shipment_id = $shipmentId and state in ${standing}
    order by parcel`,
    { shipmentId },
  )
