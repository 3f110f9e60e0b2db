import { addDays, dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { badInput, Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { Decimal } from '../../../core/money/decimal'
import type { Language } from '../../../core/money/format'
import { draftStatus } from '../../../core/orders/statuses'
import type { HouseService } from '../../../core/shipping/carriers'
import type { GoesOn } from '../../../core/shipping/labels'
import { checkParcels, proposeParcels, type Box, type ParcelFacts } from '../../../core/shipping/parcels'
import type { LinePart } from '../../../core/shipping/quantities'
import {
  checkReturned,
  heldBy,
  returnable,
  toCredit,
  usualReturnDays,
  wentOut,
  type LineToReturn,
  type ReturnState,
} from '../../../core/shipping/returns'
import { counted, told, toldDay, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { GoodsReturn } from '../../db/models'
import { addJob } from '../../queue/add'
import { historyOf, noteAll, type HistoryEntry } from '../history/history'
import { brands, company } from '../house/house'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { houseServices } from './carriers-queries'
import { askLabels, labelsOf, type LabelView } from './labels'
import { servicesFor } from './offers'
import { standingOfOrders, type StandingLine } from './parts'
import { keepParcels, lockOrderToShip, papersOf, parcelsOf } from './queries'
import {
  creditsOfReturn,
  insertReturnLines,
  nextReturnNumber,
  orderToReturn,
  returnedLines,
  returnRow,
  type OrderToReturn,
} from './returns-queries'

/*
 * Goods that come back: what could, agreeing on it, and a return as its screen shows it. Called by the order, a
 * return's own screen and the demo's loader; what becomes of it is in return-changes, what came back is credited by
 * drafts/credit-return. Agreed under the order's lock, so that two people agree on nothing twice. Refuses more than
 * was shipped.
 */

/** A line of an order as returns show it. */
export interface LineReturned extends LineToReturn {
  item: string
  description: string
  detail: string | null
  unit: string
  /** Kilograms of one; null where nobody said. */
  each: string | null
}

export interface ReturnPlan {
  orderId: number
  orderNumber: string
  customerName: string
  /** Why nothing of it can come back; null where it can. */
  refused: string | null
  sender: Address | null
  delivery: Address
  until: Day
  lines: LineReturned[]
  /** What the house packs into. */
  boxes: Box[]
  /** By which goods come back, for what it would cost. */
  services: HouseService[]
}

export interface NewReturn {
  lines: (LinePart & { reason: string })[]
  /** Left out, as they are proposed. */
  parcels?: ParcelFacts[]
  until: Day
  sender: Address
  delivery: Address
  remarks: string
  /** Labels are bought for it, by the service that is named or the cheapest. */
  withLabels: boolean
  service?: string
  /** The note goes to the customer once it is there; else a person prepares it. */
  write: boolean
}

export interface ReturnView {
  id: number
  label: string
  number: number
  state: ReturnState
  day: Day
  until: Day
  sender: Address
  delivery: Address
  service: string
  remarks: string
  /** The day on which it was taken in. */
  backOn: Day | null
  version: number
  madeAt: Date
  madeBy: string
  /** Its note goes to the customer by itself. */
  isWritten: boolean
  orderId: number
  orderNumber: string
  orderStatus: string
  customerId: number
  customerName: string
  brand: string
  language: Language
  lines: (LineReturned & { quantity: string; reason: string; cameBack: string | null })[]
  parcels: (ParcelFacts & { id: number })[]
  /** What the house packs into. */
  boxes: Box[]
  papers: {
    id: number
    kind: DocumentKind
    state: string
    revision: number
    problem: Told | null
    documentId: number | null
    number: string | null
    voided: boolean
  }[]
  labels: LabelView[]
  /** Credit notes for what came back: drafts, and those that are issued. */
  credits: {
    draftId: number
    state: string
    invoiceId: number
    invoice: string
    documentId: number | null
    number: string | null
  }[]
  /** What came back and is in no credit note yet. */
  toCredit: LinePart[]
  history: HistoryEntry[]
}

const shown = (line: StandingLine, to: LineToReturn): LineReturned => {
  const { item, description, detail, unit, each } = line
  return { ...to, item, description, detail, unit, each }
}

/** What of an order could come back; what one return holds of it is not counted where it is named. */
export async function linesToReturn(orderId: number, besides?: number): Promise<LineReturned[]> {
  const standing = (await standingOfOrders([orderId])).get(orderId)!
  const { hasLeft } = (await orderToReturn(orderId))!
  const held = [...groupBy(await returnedLines([orderId]), (line) => line.returnId)]
    .filter(([id]) => id !== besides)
    .flatMap(([, lines]) => heldBy(lines[0]!.state, lines))
  return returnable(wentOut(standing, hasLeft), held).map((line, place) => shown(standing[place]!, line))
}

function refusalOf({ number, status }: OrderToReturn): Refusal | undefined {
  return status === draftStatus
    ? new Refusal('not-shipped', { values: { order: number, status } })
    : undefined
}

/** What of an order could come back now, from whom and where to. @throws Refusal "no-such-order" */
export async function planReturn(orderId: number): Promise<ReturnPlan> {
  const order = await orderToReturn(orderId)
  if (!order) throw new Refusal('no-such-order', { status: 404 })
  const { timeZone, boxes } = await company()
  const brand = (await brands()).find(({ id }) => id === order.brandId)!
  return {
    orderId,
    orderNumber: order.number,
    customerName: order.customerName,
    refused: refusalOf(order)?.message ?? null,
    sender: order.sender,
    delivery: order.lastDelivery ?? {
      name: brand.name,
      lines: brand.addressLines,
      country: brand.country,
    },
    until: addDays(dayInZone(clock.now(), timeZone), usualReturnDays),
    lines: await linesToReturn(orderId),
    boxes,
    services: servicesFor({ isReturn: true }, await houseServices()),
  }
}

/** Its note goes to the customer by itself. */
const toTheCustomer: GoesOn = {
  routine: null,
  role: kindFacts['return note'].to,
  copyTo: [],
  trust: 'automatic',
  delayMinutes: 0,
  hours: null,
}
const eachOf = (lines: readonly LineReturned[], position: number) =>
  lines.find((line) => line.position === position)?.each ?? null

export const nameIn = (lines: readonly LineReturned[]) => (position: number) =>
  lines.find((line) => line.position === position)?.description ?? `line ${position}`

/**
 * Agrees that goods of an order come back, has labels bought for them where that is wanted, and their note made.
 * @returns the return's id
 * @throws Refusal "no-such-order", "not-shipped", "over-shipped", "nothing-returns", "return-until"; those of askLabels
 */
export async function agreeReturn(orderId: number, wanted: NewReturn, who: Principal): Promise<number> {
  const { boxes, timeZone } = await company()
  return inTransaction(async () => {
    if (!(await lockOrderToShip(orderId))) throw new Refusal('no-such-order', { status: 404 })
    const order = (await orderToReturn(orderId))!
    const refused = refusalOf(order)
    if (refused) throw refused
    const today = dayInZone(clock.now(), timeZone)
    if (wanted.until < today) throw badInput('return-until', 'until')
    const lines = await linesToReturn(orderId)
    const coming = wanted.lines.filter(({ quantity }) => new Decimal(quantity).gt(0))
    checkReturned(lines, coming, nameIn(lines))
    const weighed = coming.map((part) => ({ ...part, each: eachOf(lines, part.position) }))
    const parcels = wanted.parcels ?? proposeParcels(weighed, boxes)
    checkParcels(parcels, coming, nameIn(lines))
    const { number } = (await nextReturnNumber(orderId))!
    const { id, label } = await GoodsReturn.create({
      orderId,
      brandId: order.brandId,
      customerId: order.customerId,
      number,
      label: `${order.number}/R${number}`,
      day: today,
      until: wanted.until,
      sender: wanted.sender,
      delivery: wanted.delivery,
      service: wanted.service?.trim() ?? '',
      remarks: wanted.remarks.trim(),
      goesOn: wanted.write ? toTheCustomer : null,
      madeAt: clock.now(),
      madeBy: who.name,
    })
    await insertReturnLines(
      id,
      coming.map((line) => ({ ...line, reason: line.reason.trim() })),
    )
    await keepParcels(id, parcels)
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        ...told('back/agreed', {
          goods: label,
          lines: counted(coming.length, 'line'),
          until: toldDay(wanted.until),
        }),
      },
    ])
    if (wanted.withLabels) await askLabels(id, {}, who)
    else if (wanted.write) await addJob('label-documents', { sourceIds: [id] }, { key: `labels of ${id}` })
    publish('order', [orderId])
    return id
  })
}

/** @throws Refusal "no-such-return" */
export async function returnView(id: number): Promise<ReturnView> {
  const found = await returnRow(id)
  if (!found) throw new Refusal('no-such-return', { status: 404 })
  const { brandId: _, customerNumber: __, ...row } = found
  const lines = await linesToReturn(row.orderId, id)
  const own = (await returnedLines([row.orderId])).filter(({ returnId }) => returnId === id)
  const credits = await creditsOfReturn(id)
  return {
    ...row,
    lines: own.flatMap(({ position, quantity, reason, cameBack }) => {
      const line = lines.find((one) => one.position === position)
      return line ? [{ ...line, quantity, reason, cameBack }] : []
    }),
    parcels: (await parcelsOf([id])).map(({ sourceId: _of, ...parcel }) => parcel),
    boxes: (await company()).boxes,
    papers: await papersOf(id),
    labels: await labelsOf(id),
    credits: credits.map(({ contents: _contents, ...credit }) => credit),
    toCredit: toCredit(
      own,
      credits.flatMap(({ contents }) => contents),
    ),
    history: await historyOf({ sourceId: id }),
  }
}
