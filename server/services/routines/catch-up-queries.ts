import { kindFacts } from '../../../core/documents/kinds'
import { type EventFacts, judge, occasionOf } from '../../../core/routines/routine'
import { eventOf, goodsMoments, isOfGoods, type RoutineSentence } from '../../../core/routines/sentence'
import { rows, one, json } from '../../db/connection'
import { company } from '../house/house'
import type { Principal } from '../people/principal'
import { within } from '../people/brand-queries'
import type { Missed } from './catch-up'
import type { eventKinds } from './queries'

/* The statements of catch-up.ts. */

export interface MissedRow extends Missed {
  facts: EventFacts
  revision: number
  /** Of an order, as it is now; '' of anything else. */
  status: string
  occasions: string[] | null
}

export const most = 2000

/**
 * Orders that reached the routine's statuses within the days and have no such document, by order number; not
 * those held or withdrawn, nor those of which somebody said that none is wanted.
 */
export async function missedOrders(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const { timeZone } = await company()
  const found = await rows<MissedRow>(
    `select distinct on (e.source_id) e.source_id id, o.number, c.name "customerName", o.total::text total,
      o.currency, e.at "reachedAt", e.facts, o.revision, o.status,
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
        // an update of a status that is past tells nobody anything
        !(kindFacts[sentence.issue].isUpdate && row.facts.to !== row.status) &&
        !row.occasions?.includes(occasionOf(sentence.issue, row)),
    )
    .sort((a, b) => a.number.localeCompare(b.number, 'en', { numeric: true }))
}

/** Shipments of days that have no such document and stand, by day; not those of orders held or withdrawn. */
export async function missedShipments(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const found = await rows<MissedRow>(
    `select s.id, s.label number, c.name "customerName", e.facts ->> 'total' total, e.facts ->> 'currency' currency,
      e.at "reachedAt", e.facts, 1 revision, '' status, null occasions
    from shipment s
    join customer c on c.id = s.customer_id
    join lateral (
      select e.at, e.facts
      from event e
      where e.source_id = s.id and e.facts ->> 'shipment' = $4 and e.only_routine is null
      order by e.id
      limit 1
    ) e on true
    where s.day between $1::date and $2::date
      and s.state = 'packed'
      and ${within(who, 's.brand_id')}
      and not exists (select from stopped_source ss where ss.source_id = s.id)
      and not exists (select from prepared_document d where d.source_id = s.id and d.kind = $3 and d.state = 'dropped')
      and not exists (
        select from claim k where k.source_id = s.id and k.document_kind = $3
      )
    order by s.day, s.id
    limit ${most}`,
    [from, to, sentence.issue, momentOf(sentence)],
  )
  return found.filter((row) => judge(sentence, row.facts).applies)
}

const momentOf = (sentence: RoutineSentence): string => {
  const event = eventOf(sentence)
  return isOfGoods(event) ? goodsMoments[event] : ''
}

/** Orders that were delivered whole within the days and have no such document; not those held or withdrawn. */
export async function missedDelivered(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const { timeZone } = await company()
  const found = await rows<MissedRow>(
    `select o.id, o.number, c.name "customerName", o.total::text total, o.currency, e.at "reachedAt", e.facts,
      o.revision, o.status,
      (
        select jsonb_agg(k.occasion)
        from claim k
        where k.source_id = o.id and k.document_kind = $3
      ) occasions
    from event e
    join sales_order o on o.id = e.source_id
    join customer c on c.id = o.customer_id
    where e.kind = 'order delivered'
      and e.only_routine is null
      and ${within(who, 'o.brand_id')}
      and not exists (select from stopped_source ss where ss.source_id = o.id)
      and not exists (select from prepared_document p where p.source_id = o.id and p.kind = $3 and p.state = 'dropped')
      and e.at >= ($1::date::timestamp at time zone $4)
      and e.at < (($2::date + 1)::timestamp at time zone $4)
    order by e.id
    limit ${most}`,
    [from, to, sentence.issue, timeZone],
  )
  return found.filter(
    (row) => judge(sentence, row.facts).applies && !row.occasions?.includes(occasionOf(sentence.issue, row)),
  )
}

/** Payments or refunds of days that have no receipt and were not taken back, by day. */
export async function missedReceipts(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const found = await rows<MissedRow>(
    `select p.id, p.date::text || ', ' || p.method number, c.name "customerName", p.amount::text total,
      p.currency, e.at "reachedAt", e.facts, 1 revision, '' status, null occasions
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

export const routineSentence = (id: number) =>
  one<{ name: string; sentence: RoutineSentence }>('select name, sentence from routine where id = $id', {
    id,
  })

export const insertCatchUpEvents = (
  kind: keyof typeof eventKinds,
  given: {
    taken: readonly { id: number; facts: EventFacts; place: number }[]
    now: Date
    actor: string
    routineId: number
  },
) =>
  rows<{ id: number }>(
    `insert into event (kind, source_id, facts, schema_version, at, actor, only_routine)
    select $kind, f.id, f.facts, 4, $now, $actor, $routineId
    from jsonb_to_recordset($taken::jsonb) as f (id int, facts jsonb, place int)
    order by f.place
    returning id`,
    { ...given, kind, taken: json(given.taken) },
  )
