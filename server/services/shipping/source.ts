import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { ShipmentFacts, ShippedLine } from '../../../core/documents/shipment'
import { anyone, type ContactFacts } from '../../../core/preferences/recipients'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { Decimal, sum } from '../../../core/money/decimal'
import type { ParcelFacts } from '../../../core/shipping/parcels'
import { told, type Told } from '../../../core/said/told'
import { contactsOfCustomers } from '../customers/queries'
import { contextOf, houseContext } from '../documents/found-settings'
import type { Addressing, PaperContext } from '../documents/paper-context'
import type { Source } from '../documents/sources'
import { standingOfOrders, type StandingLine } from './parts'
import { shippedParts, type ShippedPart } from './parts-queries'
import { printedOn, trackedParcels, unprintedLabels, unprintVoided } from './labels-queries'
import { parcelsOf } from './queries'
import { shipmentSubjects, shipmentToRefuse, shipmentVersions, wordsOfLines } from './source-queries'

/*
 * A shipment as the source of its packing slip and its delivery note.
 * Called by the engine through the registry.
 */

/** Loads what the documents of shipments are made of, with a fixed number of queries. */
async function loadShipmentContexts(
  kind: DocumentKind,
  ids: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const shipments = await shipmentSubjects(ids)
  const orderIds = [...new Set(shipments.map((one) => one.orderId))]
  const standing = await standingOfOrders(orderIds)
  const parts = groupBy(await shippedParts(orderIds), (part) => part.orderId)
  const words = groupBy(await wordsOfLines(orderIds), (line) => line.orderId)
  const parcels = groupBy(await parcelsOf(ids), (parcel) => parcel.sourceId)
  const contacts = groupBy(
    await contactsOfCustomers([...new Set(shipments.map((one) => one.customerId))]),
    (contact) => contact.customerId,
  )
  const house = await houseContext(kind)
  const tracked = groupBy(kind === labelKind ? [] : await trackedParcels(ids), (parcel) => parcel.sourceId)
  const labels = groupBy(kind === labelKind ? await unprintedLabels(ids) : [], (label) => label.sourceId)
  return new Map(
    shipments.map(({ orderId, day, service, remarks, sentTo, shipmentState, ...subject }) => {
      const shipment: ShipmentFacts = {
        day,
        service,
        remarks,
        delivery: sentTo,
        lines: linesOf(subject.sourceId, parts.get(orderId) ?? [], standing.get(orderId) ?? []),
        parcels: (parcels.get(subject.sourceId) ?? []).map(packed),
        ...(kind === labelKind ? { labels: (labels.get(subject.sourceId) ?? []).map(bought) } : {}),
        printing: house.company.labelPrinting,
        ...(kind === labelKind
          ? {}
          : { tracking: (tracked.get(subject.sourceId) ?? []).map(({ sourceId: _, ...parcel }) => parcel) }),
        ...(kind === 'packing slip'
          ? { slip: house.company.slipShows, contact: goodsInOf(contacts.get(subject.customerId) ?? []) }
          : {}),
      }
      const context = contextOf(
        kind,
        { ...subject, shipment },
        (words.get(orderId) ?? []).filter(({ position }) =>
          shipment.lines.some((line) => line.position === position),
        ),
        contacts.get(subject.customerId) ?? [],
        addressing,
        house,
      )
      return [subject.sourceId, { ...context, ...nothingOf(shipmentState, shipment) }]
    }),
  )
}

/** Who takes the goods in, or who bought them; '' where nobody is named. */
function goodsInOf(contacts: readonly ContactFacts[]): string {
  const found = ['goods-in', 'buying', anyone].flatMap(
    (role) => contacts.find((one) => one.role === role) ?? [],
  )
  return found[0] ? [found[0].name, found[0].email].filter(Boolean).join(', ') : ''
}

/** Why no document is made of it. */
function nothingOf(state: string, { labels }: ShipmentFacts): { nothing?: Told } {
  if (state !== 'packed') return { nothing: told('problem/shipment-undone') }
  if (labels?.length === 0) return { nothing: told('problem/no-new-label') }
  return {}
}

/** A label that was bought, as it is printed. */
export const bought = ({
  sourceId: _,
  goesOn: __,
  askedBy: ___,
  ...label
}: Awaited<ReturnType<typeof unprintedLabels>>[number]) => label

const packed = ({ box, weight, contents }: ParcelFacts): ParcelFacts => ({ box, weight, contents })

/** What goes with a shipment, and what of the same lines went before it and is left after it. */
function linesOf(
  id: number,
  parts: readonly ShippedPart[],
  standing: readonly StandingLine[],
): ShippedLine[] {
  return parts
    .filter((part) => part.shipmentId === id)
    .flatMap(({ position, quantity }) => {
      const line = standing.find((one) => one.position === position)
      if (!line) return []
      const earlier = sum(
        parts
          .filter((part) => part.position === position && part.shipmentId < id)
          .map((part) => part.quantity),
      )
      const agreed = new Decimal(line.ordered).minus(line.cancelled)
      return [
        {
          position,
          quantity,
          ordered: agreed.toString(),
          earlier: earlier.toString(),
          later: Decimal.max(0, agreed.minus(earlier).minus(quantity)).toString(),
          place: line.place,
          commodityCode: line.commodityCode,
          origin: line.origin,
          each: line.each,
        },
      ]
    })
}

/** Why a document is not made of a shipment now, looked at once it is locked. */
async function refusal(kind: DocumentKind, id: number, despite: boolean): Promise<Refusal | undefined> {
  const shipment = (await shipmentToRefuse(id))!
  if (shipment.state !== 'packed')
    return new Refusal('shipment-taken-back', { values: { shipment: shipment.label } })
  if (shipment.stopped !== null && kindFacts[kind].waitsWithOrder && !despite)
    return new Refusal('order-stopped', {
      values: { order: shipment.order, status: shipment.stopped },
      about: { record: { kind: 'shipment', id, label: shipment.label } },
    })
  return undefined
}

const labelKind: DocumentKind = 'shipping label'

export const shipmentSource: Source = {
  table: 'shipment',
  load: loadShipmentContexts,
  versions: shipmentVersions,
  refusal,
  // labels that are bought later are another document
  occasion: (_kind, { source }) => {
    const first = source.shipment?.labels?.[0]
    return first ? `label ${first.id}` : ''
  },
  issuedKinds: [labelKind],
  issued: async ({ source }, documentId) => {
    const labels = source.shipment?.labels ?? []
    await printedOn(
      documentId,
      labels.map(({ id }) => id),
    )
  },
  voided: unprintVoided,
}
