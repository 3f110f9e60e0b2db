import { Refusal } from '../../../core/errors'
import { judge, occasionOf, type EventFacts } from '../../../core/routines/routine'
import { eventOf, type RoutineSentence } from '../../../core/routines/sentence'
import { clock } from '../../clock'
import { inTransaction, json, one, rows } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { theHouse, within, type Principal } from '../people/principal'

/*
 * Catching up: older orders or payments that a routine would have taken, offered in a range and after a look,
 * then prepared in order.
 * Called from the routine's page. What was caught up always waits for a check: nobody is surprised by old mail.
 * Dies half-way: the chosen orders' events are one transaction with their jobs; each is then looked at like
 * any event.
 * Refuses: an order that already has its paper, one the sentence does not take.
 */

/** `id` is the order's or the payment's. */
export interface Missed {
  id: number
  number: string
  customerName: string
  total: string
  currency: string
  reachedAt: Date
}

interface MissedRow extends Missed {
  facts: EventFacts
  revision: number
  occasions: string[] | null
}

const most = 2000

async function routineOf(id: number): Promise<{ name: string; sentence: RoutineSentence }> {
  const routine = await one<{ name: string; sentence: RoutineSentence }>(
    'select name, sentence from routine where id = $1',
    [id],
  )
  if (!routine) throw new Refusal('no-such-routine', 'That routine does not exist.', { status: 404 })
  return routine
}

/**
 * Orders that reached the routine's statuses within the days and have no such document, by order number; not
 * those held or withdrawn, nor those of which somebody said that none is wanted.
 */
async function missed(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  if (eventOf(sentence) === 'posted') return [] // what is posted and not sent lies on To send
  if (eventOf(sentence) === 'payment') return missedReceipts(sentence, from, to, who)
  const { timeZone } = await company()
  const found = await rows<MissedRow>(
    `select distinct on (e.source_id) e.source_id id, o.number, c.name "customerName", o.total::text total,
      o.currency, e.at "reachedAt", e.facts, o.revision,
      (
        select jsonb_agg(k.occasion)
        from claim k
        where k.source_id = o.id and k.document_kind = $4
      ) occasions
    from event e
    join sales_order o on o.id = e.source_id
    join customer c on c.id = o.customer_id
    where e.kind = 'order status'
      and e.facts ->> 'to' = any($3::text[])
      and e.only_routine is null
      and ${within(who, 'o.brand_id')}
      and not exists (select from stopped_source ss where ss.source_id = o.id)
      and not exists (select from prepared_document p where p.source_id = o.id and p.kind = $4 and p.state = 'dropped')
      and e.at >= ($1::date::timestamp at time zone $5)
      and e.at < (($2::date + 1)::timestamp at time zone $5)
    order by e.source_id, e.id`,
    [from, to, sentence.statuses, sentence.issue, timeZone],
  )
  return found
    .filter(
      (row) =>
        judge(sentence, row.facts).applies &&
        !row.occasions?.includes(occasionOf(sentence.issue, row.revision)),
    )
    .sort((a, b) => a.number.localeCompare(b.number, 'en', { numeric: true }))
}

/** Payments or refunds of days that have no receipt and were not taken back, by day. */
async function missedReceipts(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const found = await rows<MissedRow>(
    `select p.id, p.date::text || ', ' || p.method number, c.name "customerName", p.amount::text total,
      p.currency, e.at "reachedAt", e.facts, 1 revision, null occasions
    from payment p
    join customer c on c.id = p.customer_id
    join event e on e.source_id = p.id and e.kind = 'payment recorded' and e.only_routine is null
    where p.date between $1::date and $2::date
      and p.reverses_id is null
      and ${within(who, 'p.brand_id')}
      and not exists (select from payment r where r.reverses_id = p.id)
      and not exists (select from prepared_document d where d.source_id = p.id and d.kind = $3 and d.state = 'dropped')
      and not exists (
        select from claim k where k.source_id = p.id and k.document_kind = $3
      )
    order by p.date, p.id
    limit ${most}`,
    [from, to, sentence.issue],
  )
  return found.filter((row) => judge(sentence, row.facts).applies)
}

/** What catching up would prepare. */
export async function lookBack(id: number, from: string, to: string, who = theHouse): Promise<Missed[]> {
  const { sentence } = await routineOf(id)
  return (await missed(sentence, from, to, who))
    .slice(0, most)
    .map(({ id, number, customerName, total, currency, reachedAt }) => ({
      id,
      number,
      customerName,
      total,
      currency,
      reachedAt,
    }))
}

/** Has the routine take the chosen older orders. @returns how many it will look at */
export async function catchUp(
  id: number,
  range: { from: string; to: string },
  ids: readonly number[],
  actor: string,
): Promise<number> {
  return inTransaction(async () => {
    const { name, sentence } = await routineOf(id)
    const chosen = new Set(ids)
    const taken = (await missed(sentence, range.from, range.to, theHouse)).filter((row) => chosen.has(row.id))
    if (taken.length === 0)
      throw new Refusal('nothing-missed', `None of these still lacks its ${sentence.issue}. Look again.`)
    const ofPayment = eventOf(sentence) === 'payment'
    const events = await rows<{ id: number }>(
      `insert into event (kind, source_id, facts, schema_version, at, actor, only_routine)
      select '${ofPayment ? 'payment recorded' : 'order status'}', f.id, f.facts, 3, $2, $3, $4
      from jsonb_to_recordset($1::jsonb) as f (id int, facts jsonb, place int)
      order by f.place
      returning id`,
      [
        json(taken.map(({ id: subject, facts }, place) => ({ id: subject, facts, place }))),
        clock.now(),
        actor,
        id,
      ],
    )
    await addJobs(
      'look-at-events',
      events.map((event) => event.id),
      25,
      (eventIds) => ({ eventIds }),
    )
    if (!ofPayment)
      await noteAll(
        taken.map((row) => ({
          sourceId: row.id,
          actor,
          words: `“${name}” was asked to catch up on this order's ${sentence.issue}.`,
        })),
      )
    publish('line')
    return taken.length
  })
}
