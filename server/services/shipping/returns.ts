import { isDeepStrictEqual } from 'node:util'
import { addDays, dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { badInput, Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { Decimal, sum } from '../../../core/money/decimal'
import type { Language } from '../../../core/money/format'
import { draftStatus } from '../../../core/orders/statuses'
import type { HouseService } from '../../../core/shipping/carriers'
import type { GoesOn } from '../../../core/shipping/labels'
import {
  checkParcels,
  isSameParcel,
  proposeParcels,
  type Box,
  type ParcelFacts,
} from '../../../core/shipping/parcels'
import type { LinePart } from '../../../core/shipping/quantities'
import {
  checkReturned,
  heldBy,
  returnable,
  returnLifecycle,
  toCredit,
  usualReturnDays,
  wentOut,
  type LineToReturn,
  type ReturnState,
} from '../../../core/shipping/returns'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { GoodsReturn } from '../../db/models'
import { moveRows } from '../../db/move'
import { addJob } from '../../queue/add'
import { markStale } from '../outbox/stale'
import { undoPrepared } from '../documents/prepare-by-hand'
import { historyOf, noteAll, type HistoryEntry } from '../history/history'
import { brands, company } from '../house/house'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { houseServices } from './carriers-queries'
import { giveLabelsBack, refuseLabelled } from './give-back'
import { askLabels, labelsOf, type LabelView } from './labels'
import { standingLabels } from './labels-queries'
import { servicesFor } from './offers'
import { countWords } from './pack'
import { standingOfOrders, type StandingLine } from './parts'
import { keepParcels, lockOrderToShip, papersOf, parcelsOf } from './queries'
import {
  creditsOfReturn,
  endedReturnLabels,
  insertReturnLines,
  keepCameBack,
  lockReturn,
  nextReturnNumber,
  orderToReturn,
  returnedLines,
  returnRow,
  type OrderToReturn,
} from './returns-queries'

/*
 * Goods that come back: agreed on, taken in, withdrawn. Called by the order, a return's own screen and the demo's
 * loader; what came back is credited by drafts/credit-return. Each call is one transaction under the order's lock, so
 * that two people agree on nothing twice. Refuses more than was shipped.
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
    problem: string | null
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
async function linesToReturn(orderId: number, besides?: number): Promise<LineReturned[]> {
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

const nameIn = (lines: readonly LineReturned[]) => (position: number) =>
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
        words: `${label} was agreed: ${countWords(coming.length, 'line')} to come back by ${wanted.until}.`,
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

/** @throws Refusal "no-such-return", "return-state", "changed-meanwhile" */
async function lockToChange(id: number, version: number, state: ReturnState) {
  const found = await returnRow(id)
  if (!found) throw new Refusal('no-such-return', { status: 404 })
  await lockOrderToShip(found.orderId)
  const locked = (await lockReturn(id))!
  if (locked.state !== state)
    throw new Refusal('return-state', { values: { goodsReturn: locked.label, state: locked.state } })
  if (locked.version !== version)
    throw new Refusal('changed-meanwhile/return', { values: { goodsReturn: locked.label } })
  return locked
}

const table = { table: 'goods_return', lifecycle: returnLifecycle }

export interface ReturnChange {
  version: number
  until: Day
  service: string
  remarks: string
  sender: Address
  delivery: Address
  parcels: ParcelFacts[]
}

/**
 * Changes how goods come back; what comes stays. Its note, where it is not issued, is built anew. @returns the version
 * @throws Refusal "no-such-return", "return-state", "changed-meanwhile", "parcels-differ", "label-of-parcel"
 */
export async function changeReturn(id: number, change: ReturnChange, who: Principal): Promise<number> {
  return inTransaction(async () => {
    const { label, orderId } = await lockToChange(id, change.version, 'expected')
    const before = await returnView(id)
    checkParcels(change.parcels, before.lines, nameIn(before.lines))
    const stays = isDeepStrictEqual([before.sender, before.delivery], [change.sender, change.delivery])
    await refuseLabelled(id, (number) => {
      const [one, now] = [before.parcels[number - 1], change.parcels[number - 1]]
      return (
        stays && !!one && !!now && before.parcels.length === change.parcels.length && isSameParcel(one, now)
      )
    })
    const { until, sender, delivery } = change
    await GoodsReturn.update(
      {
        until,
        sender,
        delivery,
        service: change.service.trim(),
        remarks: change.remarks.trim(),
        version: change.version + 1,
      },
      { where: { id } },
    )
    await keepParcels(id, change.parcels)
    await markStale('source', id)
    await noteAll([
      { sourceId: id, actor: who.name, words: `${label} was changed; it may be sent by ${until}.` },
    ])
    publish('order', [orderId])
    return change.version + 1
  })
}

export interface CameBack {
  version: number
  /** What came of each line; a line that is left out did not come. */
  lines: LinePart[]
  day: Day
}

/**
 * Takes in what came back. Its label is done with: what is not used is given back, and a note that waits goes. In the
 * caller's transaction or one of its own.
 * @throws Refusal "no-such-return", "return-state", "changed-meanwhile", "over-shipped", "nothing-returns"
 */
export async function takeReturnIn(
  id: number,
  { version, lines: came, day }: CameBack,
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    const { label, orderId } = await lockToChange(id, version, 'expected')
    const lines = await linesToReturn(orderId, id)
    const own = (await returnedLines([orderId])).filter(({ returnId }) => returnId === id)
    const cameBack = own.map(({ position }) => ({
      position,
      quantity: came.find((line) => line.position === position)?.quantity ?? '0',
    }))
    checkReturned(lines, cameBack, nameIn(lines))
    await moveRows(table, 'come back', [id], { version: version + 1, back_on: day })
    await keepCameBack(id, cameBack)
    await giveUnusedBack(id, who)
    await undoPrepared([id], (kind) => `The ${kind} was taken off: ${label} came back.`)
    const pieces = sum(cameBack.map(({ quantity }) => quantity)).toString()
    await noteAll([{ sourceId: id, actor: who.name, words: `${label} came back: ${pieces} in all.` }])
    publish('order', [orderId])
    publish('line')
  })
}

/**
 * It is expected again: what was taken in was a mistake.
 * @throws Refusal "no-such-return", "return-state", "changed-meanwhile", "return-credited"
 */
export async function reopenReturn(id: number, version: number, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const { label, orderId } = await lockToChange(id, version, 'back')
    const [credit] = await creditsOfReturn(id)
    if (credit)
      throw new Refusal('return-credited', {
        values: { goodsReturn: label, credit: credit.number ?? `the draft on ${credit.invoice}` },
      })
    await moveRows(table, 'reopen', [id], { version: version + 1, back_on: null })
    await keepCameBack(id, null)
    await noteAll([{ sourceId: id, actor: who.name, words: `${label} is expected again.` }])
    publish('order', [orderId])
  })
}

/**
 * Nothing comes back after all: what was prepared for it goes, and its labels are given back.
 * @throws Refusal "no-such-return", "return-state", "changed-meanwhile"
 */
export async function withdrawReturn(id: number, version: number, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const { label, orderId } = await lockToChange(id, version, 'expected')
    await moveRows(table, 'withdraw', [id], { version: version + 1 })
    await giveUnusedBack(id, who)
    await undoPrepared([id], (kind) => `The ${kind} was taken off: ${label} was withdrawn.`)
    await noteAll([{ sourceId: id, actor: who.name, words: `${label} was withdrawn: nothing comes back.` }])
    publish('order', [orderId])
    publish('line')
  })
}

async function giveUnusedBack(id: number, who: Principal): Promise<void> {
  const labels = (await standingLabels(id)).filter(
    ({ state, way }) => state === 'asked' || (state === 'made' && way === 'announced'),
  )
  if (labels.length > 0)
    await giveLabelsBack(
      labels.map((one) => one.id),
      who,
    )
}

/** Labels of returns whose last day is over, and that nobody used, are given back: they would cost once used. */
export async function endReturnLabels(who: Principal): Promise<void> {
  const { timeZone } = await company()
  const ended = await endedReturnLabels(dayInZone(clock.now(), timeZone))
  if (ended.length > 0)
    await giveLabelsBack(
      ended.map(({ id }) => id),
      who,
    )
}
