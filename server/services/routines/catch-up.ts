import { Refusal } from '../../../core/errors'
import { judge, occasionOf, type OrderEventFacts } from '../../../core/routines/routine'
import type { RoutineSentence } from '../../../core/routines/sentence'
import { clock } from '../../clock'
import { inTransaction, json, one, rows } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../trail/trail'

/*
 * Catching up: older orders that a routine would have taken, offered in a range and after a look, then prepared in number order.
 * Called from the routine's page. What was caught up always waits for a check: nobody is surprised by old mail.
 * Dies half-way: the chosen orders' events are one transaction with their jobs; each is then looked at like any event.
 * Refuses: an order that already has its paper, one the sentence does not take.
 */

export interface Missed { orderId: number, number: string, customerName: string, total: string, currency: string, reachedAt: Date }

interface MissedRow extends Missed { facts: OrderEventFacts, revision: number, occasions: string[] | null }

const most = 2000

async function routineOf(id: number): Promise<{ name: string, sentence: RoutineSentence }> {
  const routine = await one<{ name: string, sentence: RoutineSentence }>('select name, sentence from routine where id = $1', [id])
  if (!routine) throw new Refusal('no-such-routine', 'That routine does not exist.', { status: 404 })
  return routine
}

/** Orders that reached the routine's statuses within the days and have no such paper, by order number. */
async function missed(sentence: RoutineSentence, from: string, to: string): Promise<MissedRow[]> {
  const { timeZone } = await company()
  const found = await rows<MissedRow>(`select distinct on (e.order_id) e.order_id "orderId", o.number, c.name "customerName", o.total::text total, o.currency, e.at "reachedAt", e.facts, o.revision,
      (select jsonb_agg(k.occasion) from claim k where k.source_kind = 'order' and k.source_id = o.id and k.document_kind = $4) occasions
    from event e join sales_order o on o.id = e.order_id join customer c on c.id = o.customer_id
    where e.kind = 'order status' and e.facts ->> 'to' = any($3::text[]) and e.only_routine is null
      and e.at >= ($1::date::timestamp at time zone $5) and e.at < (($2::date + 1)::timestamp at time zone $5)
    order by e.order_id, e.id`, [from, to, sentence.statuses, sentence.issue, timeZone])
  return found.filter(row => judge(sentence, row.facts).applies && !row.occasions?.includes(occasionOf(sentence.issue, row.revision)))
    .sort((a, b) => a.number.localeCompare(b.number, 'en', { numeric: true }))
}

/** What catching up would prepare. */
export async function lookBack(id: number, from: string, to: string): Promise<Missed[]> {
  const { sentence } = await routineOf(id)
  return (await missed(sentence, from, to)).slice(0, most).map(({ orderId, number, customerName, total, currency, reachedAt }) => ({ orderId, number, customerName, total, currency, reachedAt }))
}

/** Has the routine take the chosen older orders. @returns how many it will look at */
export async function catchUp(id: number, range: { from: string, to: string }, orderIds: readonly number[], actor: string): Promise<number> {
  return inTransaction(async () => {
    const { name, sentence } = await routineOf(id)
    const chosen = new Set(orderIds)
    const taken = (await missed(sentence, range.from, range.to)).filter(row => chosen.has(row.orderId))
    if (taken.length === 0) throw new Refusal('nothing-missed', `None of these orders still lacks its ${sentence.issue}. Look again.`)
    const events = await rows<{ id: number }>(`insert into event (kind, order_id, facts, schema_version, at, actor, only_routine)
      select 'order status', f."orderId", f.facts, 2, $2, $3, $4 from jsonb_to_recordset($1::jsonb) as f ("orderId" int, facts jsonb, place int) order by f.place returning id`,
    [json(taken.map(({ orderId, facts }, place) => ({ orderId, facts, place }))), clock.now(), actor, id])
    await addJobs('look-at-events', events.map(event => event.id), 25, eventIds => ({ eventIds }))
    await noteAll(taken.map(row => ({ orderId: row.orderId, actor, words: `“${name}” was asked to catch up on this order's ${sentence.issue}.` })))
    publish('line')
    return taken.length
  })
}
