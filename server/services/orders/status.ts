import { badInput, Refusal } from '../../../core/errors'
import { dayInZone } from '../../../core/documents/days'
import { mayFollow, stepRefusal, suppliedStatus } from '../../../core/orders/statuses'
import { joined, told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction, takenBack } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { applyStatus, type StatusEffects, type StatusTurn } from '../dispatch/stopped'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { markStale, markTold } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { insertStatusEvents, lockOrders, ordersJustFrom, orderStates, updateStatus } from './orders-queries'

/*
 * What changes the status of orders, one or many at once. Called by the Orders screens, by imports and by the demo's
 * loader. Each call is one transaction: orders, events, jobs and history together. Refuses an unknown status.
 */

export interface StatusChange {
  changed: number[]
  unchanged: number[]
  before: { id: number; status: string }[]
  /** Whether the new status stops documents or lets them back, and what was written of them. */
  turn: StatusTurn
  effects: StatusEffects
}

export interface StatusHow {
  /** On return from a status that holds, the emails taken out of Waiting go again. */
  letGo?: boolean
  /** When false the events are kept and no routine looks at them: old orders that are brought in mail nobody. */
  tellRoutines?: boolean
  /** The order begins with it: no other status goes before. */
  anyStep?: boolean
  /** What one has just set is set back, whatever may follow what. */
  undo?: boolean
}

/** So long what was set can be set back. */
const undoMinutes = 60

/** Whether this person has just set all of the orders from that status. */
async function cameJustFrom(
  status: string,
  orders: readonly { id: number }[],
  now: Date,
  who: Principal,
): Promise<boolean> {
  const since = new Date(now.getTime() - undoMinutes * 60_000)
  const ids = orders.map((order) => order.id)
  const { count } = (await ordersJustFrom({ ids, status, since, actor: who.name }))!
  return count === orders.length
}

/**
 * Sets orders to a status and tells the routines through one event each. Orders already there are left alone.
 * A status that holds or withdraws takes their documents out of every Send and of Waiting.
 * @throws Refusal "unknown-status", "no-such-order", "status-step" where the house lets none follow the other
 */
export async function setStatus(
  orderIds: readonly number[],
  status: string,
  who: Principal,
  { letGo = true, tellRoutines = true, anyStep = false, undo = false }: StatusHow = {},
): Promise<StatusChange> {
  const { orderStatuses, statusSteps, timeZone, ...stopping } = await company()
  if (!orderStatuses.includes(status)) {
    throw badInput('unknown-status/set', 'status', { status, statuses: orderStatuses.join(', ') })
  }
  return inTransaction(async () => {
    const now = clock.now()
    // looked at once they are locked: their lines may have changed while this waited
    await lockOrders(orderIds)
    const orders = await orderStates(orderIds, status)
    if (orders.length < new Set(orderIds).size) throw new Refusal('no-such-order/one', { status: 404 })
    const moving = orders.filter((order) => order.from !== status)
    const ids = moving.map((order) => order.id)
    const against = moving.filter((order) => !mayFollow(statusSteps, order.from, status))
    if (against.length > 0 && !anyStep && !(undo && (await cameJustFrom(status, against, now, who)))) {
      const [{ order: number, from }] = against as [(typeof against)[0]]
      const sentences = [
        stepRefusal(statusSteps, { number, from }, status),
        ...(against.length > 1 ? [told('status/more', { n: against.length - 1 })] : []),
      ]
      throw new Refusal('status-step', {
        values: { sentence: joined(sentences, 'list/sentences') },
        about: { field: 'status' },
      })
    }
    const supplies =
      status === suppliedStatus
        ? moving.filter((order) => order.suppliedOn === null).map((order) => order.id)
        : []
    await updateStatus({ ids, status, now, supplies, today: dayInZone(now, timeZone) })
    const events = await insertStatusEvents({ moving, now, actor: who.name, tellRoutines })
    if (tellRoutines)
      await addJobs(
        'look-at-events',
        events.map((event) => event.id),
        25,
        (eventIds) => ({ eventIds }),
      )
    await noteAll(
      moving.map((order) => ({
        sourceId: order.id,
        actor: who.name,
        ...told('order/went', { from: order.from, to: status }),
      })),
    )
    for (const id of supplies) await markStale('source', id)
    await markTold(moving.map(({ id }) => id))
    const { turn, effects } = await applyStatus(moving, status, stopping, letGo, who)
    publish('order', ids)
    if (turn !== 'nothing') publish('line')
    return {
      turn,
      effects,
      changed: ids,
      unchanged: orders.filter((order) => order.from === status).map((order) => order.id),
      before: moving.map((order) => ({ id: order.id, status: order.from })),
    }
  })
}

/**
 * What `setStatus` would do, found by doing it and taking it back, so that the question and the act cannot
 * differ.
 */
export const trySetStatus = (
  orderIds: readonly number[],
  status: string,
  who: Principal,
  how: StatusHow = {},
): Promise<StatusChange> => takenBack(() => setStatus(orderIds, status, who, how))
