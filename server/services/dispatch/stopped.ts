import { stopOfStatus } from '../../../core/orders/statuses'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { one, rows, run } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'

/*
 * Documents whose order is held or withdrawn: marked, out of every Send, and out of Waiting.
 * Called inside the transaction that sets orders to a status, and by everything that lists, issues or sends
 * (as SQL over the view stopped_source).
 * Dies half-way: the caller's transaction is undone. Refuses nothing: issuing and sending ask the view.
 */

const waitingKinds = documentKinds
  .filter((kind) => kindFacts[kind].waitsWithOrder)
  .map((kind) => `'${kind}'`)
  .join(', ')

/** SQL: orders by their ids, $1, with their parts. */
const ofOrders = 'select id from source where root_id = any($1::int[])'

/** SQL: the status that holds back a prepared or issued document `alias`, null when none does. */
export const stopOf = (alias: string): string =>
  `(
    select ss.status
    from stopped_source ss
    where ss.source_id = ${alias}.source_id and ${alias}.kind in (${waitingKinds})
  )`

/** SQL: the first status that holds back a document of dispatch `alias`, null when none does. */
export const stopOfDispatch = (alias: string): string =>
  `(select min(ss.status) from dispatch_document sd join document sdd on sdd.id = sd.document_id
      join stopped_source ss on ss.source_id = sdd.source_id
    where sd.dispatch_id = ${alias}.id and sdd.kind in (${waitingKinds}))`

/** What setting orders to a status does to their documents: counts of what the transaction wrote. */
export interface StatusEffects {
  /** Prepared documents that stay on To check, marked, and leave every Send; or, on return, can be sent again. */
  toCheck: number
  /** Of these, those that were to go automatically and now wait for a person. */
  nowByHand: number
  /** Emails and print jobs taken out of Waiting; on return, those that were let go or stay held. */
  emails: number
  prints: number
  /** Documents that have left already: nothing brings them back. */
  gone: number
}

const none: StatusEffects = { toCheck: 0, nowByHand: 0, emails: 0, prints: 0, gone: 0 }

/** Holds back what is prepared or waiting of orders that have just been set to a status that says so. */
async function holdBack(orderIds: readonly number[], status: string, actor: string): Promise<StatusEffects> {
  const byHand = await rows<{ id: number; sourceId: number; kind: string }>(
    `update prepared_document set automatic = false
    where source_id in (${ofOrders}) and state = 'prepared' and automatic and kind in (${waitingKinds})
    returning id, source_id "sourceId", kind`,
    [orderIds],
  )
  const held = await rows<{ id: number; channel: string }>(
    `update dispatch set held = true, held_for = 'order', despite = false
    where state = 'waiting' and not held and id in (
      select dd.dispatch_id from dispatch_document dd join document d on d.id = dd.document_id
      where d.source_id in (${ofOrders}) and d.kind in (${waitingKinds}))
    returning id, channel`,
    [orderIds],
  )
  const { toCheck, gone } = (await one<{ toCheck: number; gone: number }>(
    `select
      (
        select count(*)::int
        from prepared_document
        where source_id in (${ofOrders}) and state = 'prepared' and kind in (${waitingKinds})
      ) "toCheck",
      (
        select count(distinct d.id)::int
        from document d
        join dispatch_document dd on dd.document_id = d.id
        join dispatch s on s.id = dd.dispatch_id
        where d.source_id in (${ofOrders})
          and d.kind in (${waitingKinds})
          and not s.is_copy
          and s.state in ('claimed', 'handing over', 'on the way', 'arrived')
      ) gone`,
    [orderIds],
  ))!
  await noteAll([
    ...byHand.map((paper) => ({
      sourceId: paper.sourceId,
      preparedId: paper.id,
      actor,
      words: `The ${paper.kind} does not go automatically any more: its order is ${status}.`,
    })),
    ...held.map((dispatch) => ({
      dispatchId: dispatch.id,
      actor,
      words: `Taken out of Waiting: its order is ${status}.`,
    })),
  ])
  return { toCheck, nowByHand: byHand.length, ...byChannel(held), gone }
}

/** Lets what was held for its order's sake go again, or leaves it held for a person to let go. */
async function letBack(orderIds: readonly number[], letGo: boolean, actor: string): Promise<StatusEffects> {
  const back = await rows<{ id: number; channel: string; ready: boolean; nextTryAt: Date }>(
    `update dispatch s set held = not $2::boolean, held_for = null
    where s.held_for = 'order' and s.state = 'waiting' and s.id in (
      select dd.dispatch_id from dispatch_document dd join document d on d.id = dd.document_id
      where d.source_id in (${ofOrders}))
      and ${stopOfDispatch('s')} is null
    returning s.id, s.channel, s.ready, s.next_try_at "nextTryAt"`,
    [orderIds, letGo],
  )
  const due = back.filter((one) => one.channel === 'email' && one.ready && one.nextTryAt <= clock.now())
  if (letGo)
    await addJobs(
      'send-dispatches',
      due.map((one) => one.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
  const { toCheck } = (await one<{ toCheck: number }>(
    `select count(*)::int "toCheck"
    from prepared_document
    where source_id in (${ofOrders}) and state = 'prepared' and kind in (${waitingKinds})`,
    [orderIds],
  ))!
  await noteAll(
    back.map((dispatch) => ({
      dispatchId: dispatch.id,
      actor,
      words: letGo ? 'Let go again: its order came back.' : 'Its order came back; it stays held.',
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
  actor: string,
): Promise<{ turn: StatusTurn; effects: StatusEffects }> {
  if (stopOfStatus(status, stopping) !== null) {
    const ids = moving.map((order) => order.id)
    return { turn: 'stops', effects: await holdBack(ids, status, actor) }
  }
  const returning = moving.filter((order) => stopOfStatus(order.from, stopping) !== null)
  if (returning.length === 0) return { turn: 'nothing', effects: none }
  const effects = await letBack(
    returning.map((order) => order.id),
    letGo,
    actor,
  )
  return { turn: 'returns', effects }
}

/**
 * After the statuses that hold or withdraw were changed: marks and holds by the new ones. In the caller's
 * transaction.
 */
export async function applyStoppingStatuses(actor: string): Promise<void> {
  await run(
    `update prepared_document p
    set automatic = false
    where p.state = 'prepared' and p.automatic and ${stopOf('p')} is not null`,
  )
  const held = await rows<{ id: number }>(
    `update dispatch s
    set held = true, held_for = 'order'
    where s.state = 'waiting' and not s.held and not s.despite and ${stopOfDispatch('s')} is not null
    returning s.id`,
  )
  const stays = await rows<{ id: number }>(
    `update dispatch s set held_for = null where s.held_for = 'order' and s.state = 'waiting'
      and ${stopOfDispatch('s')} is null returning s.id`,
  )
  await noteAll([
    ...held.map(({ id }) => ({ dispatchId: id, actor, words: 'Taken out of Waiting: its order is held.' })),
    ...stays.map(({ id }) => ({ dispatchId: id, actor, words: 'It stays held until somebody lets it go.' })),
  ])
  publish('line')
}
