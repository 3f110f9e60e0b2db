import { dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import { sum } from '../../../core/money/decimal'
import { checkParcels, type ParcelFacts } from '../../../core/shipping/parcels'
import type { LinePart } from '../../../core/shipping/quantities'
import { checkReturned, returnLifecycle, type ReturnState } from '../../../core/shipping/returns'
import { told, toldDay, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { GoodsReturn } from '../../db/models'
import { moveRows } from '../../db/move'
import { undoPrepared } from '../documents/prepare-by-hand'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { giveLabelsBack, refuseLabelled } from './give-back'
import { standingLabels } from './labels-queries'
import { keepParcels, lockOrderToShip } from './queries'
import { linesToReturn, nameIn, returnView } from './returns'
import {
  creditsOfReturn,
  endedReturnLabels,
  keepCameBack,
  lockReturn,
  returnedLines,
  returnRow,
} from './returns-queries'

/*
 * What becomes of a return that was agreed: changed, taken in, expected again, withdrawn, over. Called by its own
 * screen, the demo's loader and, for labels that nobody used, the sweeper. Each call is one transaction under the
 * order's lock.
 */

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
    const { until, sender, delivery } = change
    await refuseLabelled(
      id,
      { parcels: before.parcels, addresses: [before.sender, before.delivery] },
      { parcels: change.parcels, addresses: [sender, delivery] },
    )
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
      { sourceId: id, actor: who.name, ...told('back/changed', { goods: label, until: toldDay(until) }) },
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
    await undoPrepared([id], (kind) => told('back/paper-came', { kind: toldKind(kind), goods: label }))
    const pieces = sum(cameBack.map(({ quantity }) => quantity)).toString()
    await noteAll([{ sourceId: id, actor: who.name, ...told('back/came', { goods: label, pieces }) }])
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
        values: {
          goodsReturn: label,
          credit: credit.number ?? told('back/draft', { invoice: credit.invoice }),
        },
      })
    await moveRows(table, 'reopen', [id], { version: version + 1, back_on: null })
    await keepCameBack(id, null)
    await noteAll([{ sourceId: id, actor: who.name, ...told('back/again', { goods: label }) }])
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
    await undoPrepared([id], (kind) => told('back/paper-withdrawn', { kind: toldKind(kind), goods: label }))
    await noteAll([{ sourceId: id, actor: who.name, ...told('back/withdrawn', { goods: label }) }])
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
