import { isByWorker } from '../../../core/dispatch/channels'
import { stopOfStatus } from '../../../core/orders/statuses'
import { told, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import {
  holdBackPrepared,
  holdBackDispatches,
  countUnheld,
  letBackDispatches,
  countToCheck,
  holdBackAllPrepared,
  holdBackAllDispatches,
  letBackNoLongerStopped,
} from './stopped-queries'
import type { Principal } from '../people/principal'

/*
 * Documents whose order is held or withdrawn: marked, out of every Send, and out of Waiting.
 * Called inside the transaction that sets orders to a status, and by everything that lists, issues or sends
 * (as SQL over the view stopped_source).
 * Dies half-way: the caller's transaction is undone. Refuses nothing: issuing and sending ask the view.
 */

/** What setting orders to a status does to their documents: counts of what the transaction wrote. */
export interface StatusEffects {
  /** Prepared documents that stay in To check, marked, and leave every Send; or, on return, can be sent again. */
  toCheck: number
  /** Of these, those that were to go automatically and now wait for a person. */
  nowByHand: number
  /** Emails and print jobs taken out of Waiting; on return, those that were let go or stay held. */
  emails: number
  prints: number
  /** Documents that have left already: nothing brings them back. */
  gone: number
  /** Labels that are bought and not used yet: they are given back by a person. */
  labels: number
}

const none: StatusEffects = { toCheck: 0, nowByHand: 0, emails: 0, prints: 0, gone: 0, labels: 0 }

/** Holds back what is prepared or waiting of orders that have just been set to a status that says so. */
async function holdBack(orderIds: readonly number[], status: string, who: Principal): Promise<StatusEffects> {
  const byHand = await holdBackPrepared(orderIds)
  const held = await holdBackDispatches(orderIds)
  const { toCheck, gone, labels } = (await countUnheld(orderIds))!
  await noteAll([
    ...byHand.map((paper) => ({
      sourceId: paper.sourceId,
      preparedId: paper.id,
      actor: who.name,
      ...told('sent/to-check', { kind: toldKind(paper.kind), status }),
    })),
    ...held.map((dispatch) => ({
      dispatchId: dispatch.id,
      actor: who.name,
      ...told('sent/stopped', { status }),
    })),
  ])
  return { toCheck, nowByHand: byHand.length, ...byChannel(held), gone, labels }
}

/** Lets what was held for its order's sake go again, or leaves it held for a person to let go. */
async function letBack(orderIds: readonly number[], letGo: boolean, who: Principal): Promise<StatusEffects> {
  const back = await letBackDispatches(orderIds, letGo)
  const due = back.filter((one) => isByWorker(one.channel) && one.ready && one.nextTryAt <= clock.now())
  if (letGo)
    await addJobs(
      'send-dispatches',
      due.map((one) => one.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
  const { toCheck } = (await countToCheck(orderIds))!
  await noteAll(
    back.map((dispatch) => ({
      dispatchId: dispatch.id,
      actor: who.name,
      ...told(letGo ? 'sent/back' : 'sent/back-held'),
    })),
  )
  return { ...none, toCheck, ...byChannel(back) }
}

const byChannel = (dispatches: readonly { channel: string }[]) => ({
  emails: dispatches.filter((one) => one.channel === 'email').length,
  prints: dispatches.filter((one) => one.channel === 'paper').length,
})

/** What a move between statuses means for documents. */
export type StatusTurn = 'stops' | 'returns' | 'nothing'

/**
 * Does to documents what the orders' move to a status asks for, in the caller's transaction. `moving` are the
 * orders that really change.
 * @returns what was written, and whether the move stops documents, brings them back, or neither
 */
export async function applyStatus(
  moving: readonly { id: number; from: string }[],
  status: string,
  stopping: { withdrawnStatuses: readonly string[]; heldStatuses: readonly string[] },
  letGo: boolean,
  who: Principal,
): Promise<{ turn: StatusTurn; effects: StatusEffects }> {
  if (stopOfStatus(status, stopping) !== null) {
    const ids = moving.map((order) => order.id)
    return { turn: 'stops', effects: await holdBack(ids, status, who) }
  }
  const returning = moving.filter((order) => stopOfStatus(order.from, stopping) !== null)
  if (returning.length === 0) return { turn: 'nothing', effects: none }
  const effects = await letBack(
    returning.map((order) => order.id),
    letGo,
    who,
  )
  return { turn: 'returns', effects }
}

/**
 * After the statuses that hold or withdraw were changed: marks and holds by the new ones. In the caller's
 * transaction.
 */
export async function applyStoppingStatuses(who: Principal): Promise<void> {
  await holdBackAllPrepared()
  const held = await holdBackAllDispatches()
  const stays = await letBackNoLongerStopped()
  await noteAll([
    ...held.map(({ id }) => ({
      dispatchId: id,
      actor: who.name,
      ...told('sent/stopped-held'),
    })),
    ...stays.map(({ id }) => ({
      dispatchId: id,
      actor: who.name,
      ...told('sent/stays-held'),
    })),
  ])
  publish('line')
}
