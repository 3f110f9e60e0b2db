import { randomUUID } from 'node:crypto'
import { addressLines } from '../../../core/documents/printed'
import { kindFacts } from '../../../core/documents/kinds'
import { paperWords } from '../../../core/documents/words'
import { Refusal } from '../../../core/errors'
import { misfitOf, type ChosenService, type HouseService } from '../../../core/shipping/carriers'
import {
  labelLifecycle,
  type GoesOn,
  type LabelFailure,
  type LabelState,
} from '../../../core/shipping/labels'
import type { ParcelWay } from '../../../core/shipping/tracking'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Label } from '../../db/models'
import { moveRows, type Living } from '../../db/move'
import { addJob } from '../../queue/add'
import { brands, company } from '../house/house'
import { refuseKindOff } from '../house/kinds'
import { gate } from '../house/queries'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { houseServices } from './carriers-queries'
import {
  labelViews,
  parcelsToLabel,
  refusedOf,
  shipmentToLabel,
  type ParcelToLabel,
  type ShipmentToLabel,
} from './labels-queries'
import { countWords } from './pack'
import { chooseService } from './offers'
import { lockOrderToShip, lockShipment } from './queries'

/*
 * Labels of parcels: asked for, given back, given up. Called by a shipment's screen, the bench, many picked shipments
 * and the routines. What a carrier is told is decided here and written down; book-labels calls the carrier.
 * Refuses a second label for a parcel that has one that stands, whoever asks.
 */

export interface LabelView {
  id: number
  /** Null once the parcel is packed otherwise. */
  parcelId: number | null
  /** Which parcel of how many it was. */
  parcel: number
  parcels: number
  state: LabelState
  carrier: string
  service: string
  /** Where the service was said. */
  serviceSource: string
  failure: LabelFailure | null
  /** What the carrier said to it. */
  reply: string
  price: string | null
  currency: string | null
  tracking: string
  trackingUrl: string
  askedAt: Date
  askedBy: string
  tries: number
  nextTryAt: Date
  madeAt: Date | null
  way: ParcelWay | null
  wayAt: Date | null
  documentId: number | null
  documentNumber: string | null
}

export const labelTable: Living<LabelState, Parameters<typeof labelLifecycle.next>[1]> = {
  table: 'label',
  lifecycle: labelLifecycle,
}

/** What came of asking, as it was written. */
export interface AskedLabels {
  /** Labels that are being bought now. */
  asked: number
  /** Parcels that get none, with why. */
  refused: { parcel: number; failure: LabelFailure }[]
  /** The other way by which it goes, so that no label is bought; null where one is. */
  otherwise: string | null
  service: string | null
}

/** How the document of labels goes on that a person made: at once, to the printer unless the house wants otherwise. */
export const madeByHand: GoesOn = {
  routine: null,
  role: kindFacts['shipping label'].to,
  copyTo: [],
  trust: 'automatic',
  delayMinutes: 0,
  hours: null,
}

export interface HowToLabel {
  /** By name or code; left out, the one of the shipment. */
  service?: string
  goesOn?: GoesOn
  /** Somebody read that the order is held or withdrawn. */
  despite?: boolean
}

/**
 * Has labels bought for the parcels of a shipment that have none.
 * @throws Refusal "no-such-shipment", "shipment-taken-back", "order-stopped", "label-in-rehearsal", "no-carrier",
 * "no-parcel-to-label"
 */
export async function askLabels(
  shipmentId: number,
  { service, goesOn = madeByHand, despite = false }: HowToLabel,
  who: Principal,
): Promise<AskedLabels> {
  const services = await houseServices()
  if (services.length === 0) throw new Refusal('no-carrier')
  refuseKindOff('shipping label', (await company()).kindsOff)
  return inTransaction(async () => {
    const before = await shipmentToLabel(shipmentId)
    if (!before) throw new Refusal('no-such-shipment', { status: 404 })
    if ((await gate(true)).rehearsalSince) throw new Refusal('label-in-rehearsal')
    // the order first, as everybody does who ships of it; then the shipment, so that two ask one after the other
    await lockOrderToShip(before.orderId)
    await lockShipment(shipmentId)
    const shipment = (await shipmentToLabel(shipmentId))!
    if (shipment.state !== 'packed')
      throw new Refusal('shipment-taken-back', { values: { shipment: shipment.label } })
    if (shipment.stopped !== null && !despite)
      throw new Refusal('order-stopped', { values: { order: shipment.order, status: shipment.stopped } })
    const all = await parcelsToLabel(shipmentId)
    const parcels = all.filter(({ hasLabel }) => !hasLabel)
    if (parcels.length === 0)
      throw new Refusal('no-parcel-to-label', { values: { shipment: shipment.label } })
    const { chosen } = await chooseService(shipment, services, parcels, service ?? shipment.service)
    if (chosen?.carrierId === null) return skipped(shipment, chosen.name, who)
    const how = despite ? { ...goesOn, despite } : goesOn
    return write({ shipment, parcels, of: all.length, services, chosen, goesOn: how }, who)
  })
}

/** What came of each shipment, as it was written or why it was refused. */
export interface AskedOfMany extends Partial<AskedLabels> {
  shipmentId: number
  reason: string | null
}

/** The same for many shipments, one after the other: one that is refused never keeps the others back. */
export async function askLabelsOfMany(
  shipmentIds: readonly number[],
  how: HowToLabel,
  who: Principal,
): Promise<AskedOfMany[]> {
  const found: AskedOfMany[] = []
  for (const shipmentId of new Set(shipmentIds))
    try {
      found.push({ shipmentId, reason: null, ...(await askLabels(shipmentId, how, who)) })
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      found.push({ shipmentId, reason: error.message })
    }
  return found
}

async function skipped({ id, label }: ShipmentToLabel, name: string, who: Principal): Promise<AskedLabels> {
  await noteAll([
    {
      sourceId: id,
      actor: who.name,
      words: `No label is bought: ${label} goes by “${name}”, none of a carrier’s.`,
    },
  ])
  return { asked: 0, refused: [], otherwise: name, service: null }
}

interface ToWrite {
  shipment: ShipmentToLabel
  parcels: ParcelToLabel[]
  of: number
  services: HouseService[]
  chosen: ChosenService | null
  goesOn: GoesOn
}

async function write(
  { shipment, parcels, of, services, chosen, goesOn }: ToWrite,
  who: Principal,
): Promise<AskedLabels> {
  const now = clock.now()
  const brand = (await brands()).find(({ id }) => id === shipment.brandId)!
  const { attention } = paperWords[brand.homeLanguage]
  const to = addressLines({ billing: shipment.delivery }, attention, brand)
  const service =
    services.find(
      (one) => one.carrierId === chosen?.carrierId && 'code' in chosen && one.code === chosen.code,
    ) ?? services[0]!
  const failureOf = (parcel: ParcelToLabel): LabelFailure | null =>
    chosen === null
      ? failureOfAll(services, shipment, parcel)
      : misfitOf(service, shipment.delivery.country, parcel)
  await moveRows(
    labelTable,
    'close',
    (await refusedOf(parcels.map(({ id }) => id))).map(({ id }) => id),
  )
  const kept = await Label.bulkCreate(
    parcels.map((parcel) => {
      const failure = failureOf(parcel)
      return {
        shipmentId: shipment.id,
        parcelId: parcel.id,
        parcel: parcel.number,
        parcels: of,
        carrierId: service.carrierId,
        service: service.code,
        serviceName: chosen === null ? '' : service.name,
        serviceSource: chosen?.source ?? '',
        key: randomUUID(),
        state: failure === null ? ('asked' as const) : ('refused' as const),
        failure,
        asked: {
          to,
          country: shipment.delivery.country,
          weight: parcel.weight ?? '0',
          size: parcel.size,
          order: shipment.order,
          isReturn: false,
        },
        goesOn,
        askedAt: now,
        askedBy: who.name,
        nextTryAt: now,
      }
    }),
    { returning: true },
  )
  const asked = kept.filter(({ state }) => state === 'asked')
  if (asked.length > 0) await addJob('book-labels', { labelIds: asked.map(({ id }) => id) })
  const refused = kept.flatMap(({ parcel, failure }) => (failure ? [{ parcel, failure }] : []))
  await noteAll([
    { sourceId: shipment.id, actor: who.name, words: askedWords(asked.length, refused, service.name) },
  ])
  publish('order', [shipment.orderId])
  publish('line')
  return { asked: asked.length, refused, otherwise: null, service: chosen === null ? null : service.name }
}

function askedWords(asked: number, refused: AskedLabels['refused'], service: string): string {
  const parts = [
    ...(asked > 0
      ? [`${countWords(asked, 'label')} of “${service}” ${asked === 1 ? 'is' : 'are'} being bought.`]
      : []),
    ...refused.map(({ parcel, failure }) => `No label for parcel ${parcel}: ${failure}.`),
  ]
  return parts.join(' ')
}

/** Why no service takes a parcel: what they all say, or that none fits. */
function failureOfAll(
  services: readonly HouseService[],
  { delivery }: ShipmentToLabel,
  parcel: ParcelToLabel,
): LabelFailure {
  const misfits = new Set(services.map((service) => misfitOf(service, delivery.country, parcel)))
  const [only] = misfits
  return misfits.size === 1 && only ? only : 'no service'
}

/** Labels of shipments, by shipment. */
export const labelsOf = (shipmentId: number): Promise<LabelView[]> =>
  labelViews([shipmentId]).then((found) => found.map(({ shipmentId: _, ...label }) => label))
