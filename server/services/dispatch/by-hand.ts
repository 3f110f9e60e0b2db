import { badInput, Refusal } from '../../../core/errors'
import { channelFacts } from '../../../core/dispatch/channels'
import { isAddress } from '../../../core/preferences/recipients'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJob, addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { deliver } from './deliver'
import { moveDispatches } from './move'
import {
  emailsAmong,
  forgetRefusedRecipients,
  unpaintedOf,
  printable,
  insertUndelivered,
  holdWaiting,
  notWaiting,
  stoppedAmong,
  postponeDispatches,
  documentStop,
  undeliveredRoutine,
} from './by-hand-queries'
import type { Principal } from '../people/principal'

/*
 * What a person does with dispatches: send stuck ones again, say an unclear one arrived, print instead, close
 * with a reason. Refuses what the transition table does not allow.
 */

/**
 * Sends stuck dispatches again, to whoever is the right contact now, or this once to one address. Answers the
 * ids that go. @throws Refusal "bad-address"
 */
export async function sendAgain(ids: readonly number[], who: Principal, once?: string): Promise<number[]> {
  if (once !== undefined && !isAddress(once)) throw badInput('bad-address', 'to', { address: once })
  return inTransaction(async () => {
    const going = await moveDispatches(
      'send again',
      (await emailsAmong(ids)).map(({ id }) => ({
        id,
        set: {
          attempts: 0,
          away: false,
          held: false,
          reply: null,
          nextTryAt: clock.now(),
          ...(once && { toAddresses: [once], sendTo: once }),
        },
      })),
      {
        who,
        what: () => (once ? told('sent/again-to', { address: once }) : told('sent/again')),
      },
    )
    const goingIds = going.map((dispatch) => dispatch.id)
    await forgetRefusedRecipients(goingIds)
    const unpainted = await unpaintedOf(goingIds)
    if (unpainted.length > 0)
      await addJob('paint-documents', { documentIds: unpainted.map((document) => document.id) })
    await addJobs(
      'send-dispatches',
      going.filter((dispatch) => dispatch.ready).map((dispatch) => dispatch.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    return goingIds
  })
}

type Settle = 'confirm' | 'print' | 'close'

/** Says that an unclear dispatch arrived, that it was posted on paper, or that it is given up, with a reason. */
export async function decideByHand(
  ids: readonly number[],
  act: Settle,
  reason: string,
  who: Principal,
): Promise<number[]> {
  if (act === 'close' && !reason.trim()) throw badInput('no-reason', 'reason')
  const how = { confirm: 'a person said so', print: 'posted on paper', close: null }[act]
  const what = act === 'close' ? told('sent/close', { reason }) : told(`sent/${act}`)
  return inTransaction(async () => {
    const may = act === 'print' ? (await printable(ids)).map(({ id }) => id) : ids
    const settled = await moveDispatches(
      act,
      may.map((id) => ({ id, set: { how, ...(act === 'print' && { channel: 'paper' as const }) } })),
      { who, what: () => what },
    )
    const settledIds = settled.map((dispatch) => dispatch.id)
    if (act === 'close') await insertUndelivered(settledIds, clock.now())
    return settledIds
  })
}

/**
 * What is just being handed over cannot be kept back any more; what is kept back already stays so.
 * @throws Refusal "on-its-way" where nothing was done because of that
 */
async function doneOf(ids: readonly number[], done: readonly { id: number }[]): Promise<number[]> {
  if (done.length === 0 && (await notWaiting(ids))) throw new Refusal('on-its-way')
  return done.map(({ id }) => id)
}

/** Keeps waiting emails back, or lets them go again. Answers the ids. @throws Refusal "on-its-way" */
export async function hold(
  ids: readonly number[],
  held: boolean,
  who: Principal,
  despite = false,
): Promise<number[]> {
  return inTransaction(async () => {
    const now = clock.now()
    if (!held) await lookBeforeLettingGo(ids, despite)
    const done = await holdWaiting({ ids, held, despite })
    if (!held)
      await addJobs(
        'send-dispatches',
        done.filter((one) => one.nextTryAt <= now).map((one) => one.id),
        10,
        (dispatchIds) => ({ dispatchIds }),
      )
    await noteAll(
      done.map((one) => ({
        dispatchId: one.id,
        actor: who.name,
        ...told(held ? 'sent/held' : 'sent/let-go'),
      })),
    )
    publish('line')
    return doneOf(ids, done)
  })
}

/**
 * Emails of held or withdrawn orders go one by one, once somebody has read why. @throws Refusal
 * "order-stopped", "one-by-one"
 */
async function lookBeforeLettingGo(ids: readonly number[], despite: boolean): Promise<void> {
  const stopped = await stoppedAmong(ids)
  const first = stopped[0]
  if (!first) return
  if (!despite)
    throw stopped.length === 1
      ? new Refusal('order-stopped/email', { values: { number: first.number, stopped: first.stopped } })
      : new Refusal('order-stopped/several', {
          values: { number: first.number, stopped: first.stopped, count: stopped.length },
        })
  if (ids.length > 1) throw new Refusal('one-by-one/emails', { status: 400 })
}

/**
 * Lets waiting emails go at a time of the clerk's choice. @throws Refusal "bad-time" for one that is past or
 * more than 60 days off; "on-its-way"
 */
export async function sendLater(ids: readonly number[], at: Date, who: Principal): Promise<number[]> {
  const now = clock.now()
  if (at <= now || at.getTime() - now.getTime() > 60 * 86_400_000) throw badInput('bad-time', 'at')
  return inTransaction(async () => {
    await lookBeforeLettingGo(ids, false)
    const done = await postponeDispatches(ids, at)
    for (const { id } of done) await addJob('send-dispatches', { dispatchIds: [id] }, { runAt: at })
    await noteAll(
      done.map((one) => ({
        dispatchId: one.id,
        actor: who.name,
        ...told('sent/later'),
        detail: { at: at.toISOString() },
      })),
    )
    publish('line')
    return doneOf(ids, done)
  })
}

/** Sends stuck emails to the print queue instead. */
export async function printInstead(ids: readonly number[], who: Principal): Promise<number[]> {
  return inTransaction(async () => {
    const done = await moveDispatches(
      'print instead',
      ids.map((id) => ({ id, set: { channel: 'paper' as const, sendTo: channelFacts.paper.sendTo } })),
      { who, what: () => told('sent/print-instead') },
    )
    return done.map((one) => one.id)
  })
}

/**
 * Puts documents on their way that have no dispatch that lives: as the routine says that wanted them looked
 * at, else as their kind is sent. @throws Refusal "not-unsent"
 */
export async function sendDocuments(
  documentIds: readonly number[],
  who: Principal,
  despite = false,
): Promise<void> {
  await inTransaction(async () => {
    for (const documentId of documentIds) {
      const stop = await documentStop(documentId)
      if (stop?.stopped && !despite)
        throw new Refusal('order-stopped', { values: { order: stop.number, status: stop.stopped } })
      const waiting = await undeliveredRoutine(documentId)
      if (!(await deliver(documentId, waiting?.sentence ?? null, who, despite)))
        throw new Refusal('not-unsent')
    }
  })
}
