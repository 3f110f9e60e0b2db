import { randomUUID } from 'node:crypto'
import { addressLines } from '../../../core/documents/printed'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { paperWords } from '../../../core/documents/words'
import { Refusal } from '../../../core/errors'
import { misfitOf, misfitOfAll, type ChosenService, type HouseService } from '../../../core/shipping/carriers'
import {
  labelLifecycle,
  type GoesOn,
  type LabelFailure,
  type LabelState,
} from '../../../core/shipping/labels'
import type { ParcelWay } from '../../../core/shipping/tracking'
import { asWritten, joined, told, toldRefusal, type Told } from '../../../core/said/told'
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
  consignmentToLabel,
  parcelsToLabel,
  refusedOf,
  type ConsignmentToLabel,
  type ParcelToLabel,
} from './labels-queries'
import { chooseService, servicesFor } from './offers'
import { lockConsignment } from './lock'
import { lockOrderToShip } from './queries'

/*
 * Labels of parcels: asked for, given back, given up. Called by the screens of shipments and returns, the bench, many
 * picked shipments and the routines. What a carrier is told is decided here and written down; book-labels calls the
 * carrier.
 * Refuses a second label for a parcel that has one that stands, whoever asks.
 */

export interface LabelView {
  id: number
  /** Goods come back with it: it costs only once it is used. */
  isReturn: boolean
  /** Null once the parcel is packed otherwise. */
  parcelId: number | null
  /** Which parcel of how many it was. */
  parcel: number
  parcels: number
  state: LabelState
  carrier: string
  service: string
  /** Where the service was said. */
  serviceSource: Told
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

/** The document that labels are printed on: of goods that come back it is their note. */
export const labelKindOf = ({ isReturn }: { isReturn: boolean }): DocumentKind =>
  isReturn ? 'return note' : 'shipping label'

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

/** Of a return whose note a person looks at first. */
const lookedAt: GoesOn = { ...madeByHand, role: kindFacts['return note'].to, trust: 'after a check' }

export interface HowToLabel {
  /** By name or code; left out, the one of the shipment or the return. */
  service?: string
  goesOn?: GoesOn
  /** Somebody read that the order is held or withdrawn. */
  despite?: boolean
}

/**
 * Has labels bought for the parcels of a shipment or a return that have none. Goods may come back of an order that is
 * held or withdrawn.
 * @throws Refusal "no-such-shipment", "shipment-taken-back", "return-not-expected", "order-stopped",
 * "label-in-rehearsal", "no-carrier", "no-parcel-to-label"
 */
export async function askLabels(
  sourceId: number,
  { service, despite = false, ...how }: HowToLabel,
  who: Principal,
): Promise<AskedLabels> {
  const before = await consignmentToLabel(sourceId)
  if (!before) throw new Refusal('no-such-shipment', { status: 404 })
  const services = servicesFor(before, await houseServices())
  if (services.length === 0) throw new Refusal(before.isReturn ? 'no-carrier/return' : 'no-carrier')
  refuseKindOff(labelKindOf(before), (await company()).kindsOff)
  return inTransaction(async () => {
    if ((await gate(true)).rehearsalSince) throw new Refusal('label-in-rehearsal')
    // the order first, as everybody does who ships of it; then the goods, so that two ask one after the other
    await lockOrderToShip(before.orderId)
    await lockConsignment(sourceId)
    const goods = (await consignmentToLabel(sourceId))!
    const { label, isReturn, stopped, order } = goods
    if (!goods.stands)
      throw isReturn
        ? new Refusal('return-not-expected', { values: { goodsReturn: label } })
        : new Refusal('shipment-taken-back', { values: { shipment: label } })
    if (stopped !== null && !isReturn && !despite)
      throw new Refusal('order-stopped', { values: { order, status: stopped } })
    const all = await parcelsToLabel(sourceId)
    const parcels = all.filter(({ hasLabel }) => !hasLabel)
    if (parcels.length === 0) throw new Refusal('no-parcel-to-label', { values: { shipment: label } })
    const { chosen } = await chooseService(goods, services, parcels, service ?? goods.service)
    if (chosen?.carrierId === null) return skipped(goods, chosen.name, who)
    const goesOn = how.goesOn ?? goods.goesOn ?? (isReturn ? lookedAt : madeByHand)
    return write(
      {
        goods,
        parcels,
        of: all.length,
        services,
        chosen,
        goesOn: despite ? { ...goesOn, despite } : goesOn,
      },
      who,
    )
  })
}

/** What came of each shipment or return, as it was written or why it was refused. */
export interface AskedOfMany extends Partial<AskedLabels> {
  sourceId: number
  reason: Told | null
}

/** The same for many, one after the other: one that is refused never keeps the others back. */
export async function askLabelsOfMany(
  sourceIds: readonly number[],
  how: HowToLabel,
  who: Principal,
): Promise<AskedOfMany[]> {
  const found: AskedOfMany[] = []
  for (const sourceId of new Set(sourceIds))
    try {
      found.push({ sourceId, reason: null, ...(await askLabels(sourceId, how, who)) })
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      found.push({ sourceId, reason: toldRefusal(error) })
    }
  return found
}

async function skipped(
  { id, label }: ConsignmentToLabel,
  name: string,
  who: Principal,
): Promise<AskedLabels> {
  await noteAll([
    {
      sourceId: id,
      actor: who.name,
      ...told('goods/no-carrier', { shipment: label, service: name }),
    },
  ])
  return { asked: 0, refused: [], otherwise: name, service: null }
}

interface ToWrite {
  goods: ConsignmentToLabel
  parcels: ParcelToLabel[]
  of: number
  services: HouseService[]
  chosen: ChosenService | null
  goesOn: GoesOn
}

async function write(
  { goods, parcels, of, services, chosen, goesOn }: ToWrite,
  who: Principal,
): Promise<AskedLabels> {
  const now = clock.now()
  const brand = (await brands()).find(({ id }) => id === goods.brandId)!
  const { attention } = paperWords[brand.homeLanguage]
  const { delivery, sender } = goods
  const to = addressLines(
    { billing: delivery },
    attention,
    sender ? { ...brand, country: sender.country } : brand,
  )
  const service =
    services.find(
      (one) => one.carrierId === chosen?.carrierId && 'code' in chosen && one.code === chosen.code,
    ) ?? services[0]!
  const failureOf = (parcel: ParcelToLabel): LabelFailure | null =>
    chosen === null ? misfitOfAll(services, goods.country, parcel) : misfitOf(service, goods.country, parcel)
  await moveRows(
    labelTable,
    'close',
    (await refusedOf(parcels.map(({ id }) => id))).map(({ id }) => id),
  )
  const kept = await Label.bulkCreate(
    parcels.map((parcel) => {
      const failure = failureOf(parcel)
      return {
        sourceId: goods.id,
        parcelId: parcel.id,
        parcel: parcel.number,
        parcels: of,
        carrierId: service.carrierId,
        service: service.code,
        serviceName: chosen === null ? '' : service.name,
        serviceSource: chosen?.source ?? asWritten(''),
        key: randomUUID(),
        state: failure === null ? ('asked' as const) : ('refused' as const),
        failure,
        asked: {
          to,
          ...(sender
            ? { from: addressLines({ billing: sender }, attention, { ...brand, country: sender.country }) }
            : {}),
          country: goods.country,
          weight: parcel.weight ?? '0',
          size: parcel.size,
          order: goods.isReturn ? goods.label : goods.order,
          isReturn: goods.isReturn,
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
  await noteAll([{ sourceId: goods.id, actor: who.name, ...toldAsked(asked.length, refused, service.name) }])
  publish('order', [goods.orderId])
  publish('line')
  return { asked: asked.length, refused, otherwise: null, service: chosen === null ? null : service.name }
}

function toldAsked(asked: number, refused: AskedLabels['refused'], service: string): Told {
  const parts = [
    ...(asked === 1 ? [told('goods/label-asked', { service })] : []),
    ...(asked > 1 ? [told('goods/labels-asked', { n: asked, service })] : []),
    ...refused.map(({ parcel, failure }) =>
      told('goods/no-label', { parcel, why: told(`failure/${failure}`) }),
    ),
  ]
  return joined(parts, 'list/sentences')
}

/** Labels of a shipment or a return. */
export const labelsOf = (sourceId: number): Promise<LabelView[]> =>
  labelViews([sourceId]).then((found) => found.map(({ sourceId: _, ...label }) => label))
