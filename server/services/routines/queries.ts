import type { ContactFacts, Preferences } from '../../../core/preferences/recipients'
import type { DocumentKind } from '../../../core/documents/kinds'
import { type EventFacts, judge, occasionOf } from '../../../core/routines/routine'
import { type RoutineEvent, type RoutineSentence, type Trust, eventOf } from '../../../core/routines/sentence'
import { rows, one, json, run } from '../../db/connection'
import { ownFields } from '../fields/own-fields'
import { company } from '../house/house'
import { type Principal, theHouse } from '../people/principal'
import { buysWithin, within } from '../people/brand-queries'
import type { Missed } from './catch-up'
import type { RoutineChoices } from './choices'

/* The statements of routines that have no file of their own. */

interface MissedRow extends Missed {
  facts: EventFacts
  revision: number
  occasions: string[] | null
}

export const most = 2000

/**
 * Orders that reached the routine's statuses within the days and have no such document, by order number; not
 * those held or withdrawn, nor those of which somebody said that none is wanted.
 */
export async function missed(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  if (eventOf(sentence) === 'posted') return [] // what is posted and not sent lies in To send
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

export const routineSentence = (id: number) =>
  one<{ name: string; sentence: RoutineSentence }>('select name, sentence from routine where id = $id', {
    id,
  })

export const insertCatchUpEvents = (
  ofPayment: boolean,
  given: {
    taken: readonly { id: number; facts: EventFacts; place: number }[]
    now: Date
    actor: string
    routineId: number
  },
) =>
  rows<{ id: number }>(
    `insert into event (kind, source_id, facts, schema_version, at, actor, only_routine)
    select '${ofPayment ? 'payment recorded' : 'order status'}', f.id, f.facts, 3, $now, $actor, $routineId
    from jsonb_to_recordset($taken::jsonb) as f (id int, facts jsonb, place int)
    order by f.place
    returning id`,
    { ...given, taken: json(given.taken) },
  )

const mostChoices = 2000

export async function routineChoices(who = theHouse): Promise<RoutineChoices> {
  const { orderStatuses, contactRoles } = await company()
  const found = (await one<Pick<RoutineChoices, 'groups' | 'countries' | 'currencies' | 'salespersons'>>(`
    select
      (select coalesce(jsonb_agg(name order by name), '[]') from customer_group) groups,
      (select coalesce(jsonb_agg(distinct country), '[]') from customer where country <> '') countries,
      (select coalesce(jsonb_agg(distinct currency), '[]') from customer) currencies,
      (
        select coalesce(jsonb_agg(distinct salesperson), '[]') from customer where salesperson <> ''
      ) salespersons`))!
  return {
    ...found,
    statuses: orderStatuses,
    fields: (await ownFields('order')).map(({ name }) => name),
    roles: contactRoles,
    brands: await rows(`select code value, name words from brand where ${within(who, 'id')} order by id`),
    customers: await rows(
      `select number value, name || ' (' || number || ')' words
      from customer
      where ${buysWithin(who, 'id')}
      order by name, id
      limit ${mostChoices}`,
    ),
    items: await rows(
      `select code value, code || ' ' || coalesce(names ->> 'en', '') words
      from item
      order by code
      limit ${mostChoices}`,
    ),
  }
}

export interface EventRow {
  id: number
  kind: keyof typeof eventKinds
  sourceId: number
  rootId: number
  documentId: number | null
  facts: EventFacts
  at: Date
  actor: string
  onlyRoutine: number | null
}

export interface RoutineRow {
  id: number
  name: string
  version: number
  trust: Trust
  sentence: RoutineSentence
  isOn: boolean
  appliesSince: Date | null
}

/** Which routines look at an event of a kind. */
export const eventKinds = {
  'order status': 'order status',
  'document issued': 'posted',
  'payment recorded': 'payment',
} as const satisfies Record<string, RoutineEvent>

export const lockEvents = (eventIds: readonly number[], kinds: readonly string[]) =>
  rows<EventRow>(
    `select e.id, e.kind, e.source_id "sourceId", s.root_id "rootId", e.document_id "documentId", e.facts, e.at,
      e.actor, e.only_routine "onlyRoutine"
    from event e
    join source s on s.id = e.source_id
    where e.id = any($eventIds::int[]) and e.looked_at is null and e.kind = any($kinds::text[])
    order by e.id`,
    { eventIds, kinds },
  )

export const routinesToAsk = () =>
  rows<RoutineRow>(
    `select id, name, version, trust, sentence, is_on "isOn", applies_since "appliesSince"
    from routine
    order by id`,
  )

export const markLookedAt = (eventIds: readonly number[], now: Date) =>
  rows<{ id: number }>(
    'update event set looked_at = $now where id = any($eventIds::int[]) and looked_at is null returning id',
    { eventIds, now },
  )

export const postedDocument = (documentId: number | null) =>
  one<{
    number: string
    kind: DocumentKind
    voided: boolean
    unsent: boolean
    customerName: string
    preferences: Preferences
  }>(
    `select d.number, d.kind, exists (select from document_void v where v.document_id = d.id) voided,
      exists (select from undelivered u where u.document_id = d.id) unsent, c.name "customerName",
      preferences_for(c, d.source_id, array[d.kind]) preferences
    from document d
    join customer c on c.id = d.customer_id
    where d.id = $documentId`,
    { documentId },
  )

export const keepUndeliveredRoutine = (documentId: number | null, routineId: number) =>
  run('update undelivered set routine_id = $routineId where document_id = $documentId', {
    documentId,
    routineId,
  })

/** `subject`: the order, the document that was posted, the payment. */
export interface EventRow {
  subject: number
  facts: EventFacts
  at: Date
  customerId: number
}

export interface CustomerRow {
  id: number
  name: string
  billing: unknown
  preferences: Preferences
  contacts: ContactFacts[]
}

const happenings: Record<RoutineEvent, { kind: string; what: string; subject: string; of: string }> = {
  'order status': { kind: 'order status', what: 'to', subject: 'source_id', of: 'source' },
  posted: { kind: 'document issued', what: 'posted', subject: 'document_id', of: 'document' },
  payment: { kind: 'payment recorded', what: 'receipt', subject: 'source_id', of: 'source' },
}

/** What routines of a kind would have looked at: the statuses reached, the kinds posted, the receipts called for. */
export function eventsSince(
  since: Date,
  event: RoutineEvent,
  what: readonly string[],
  who: Principal,
): Promise<EventRow[]> {
  const { kind, what: fact, subject, of } = happenings[event]
  return rows<EventRow>(
    `select e.${subject} subject, e.facts, e.at, o.customer_id "customerId"
    from event e
    join ${of} o on o.id = e.${subject}
    where e.kind = '${kind}'
      and e.at >= $1
      and e.only_routine is null
      and ${within(who, 'o.brand_id')}
      and e.facts ->> '${fact}' = any($2::text[])
    order by e.at, e.id`,
    [since, what],
  )
}

export const routinesSharing = (routineId: number | null) =>
  rows<{ name: string; sentence: RoutineSentence }>(
    'select name, sentence from routine where is_on and id is distinct from $routineId order by name',
    { routineId },
  )

export const customersWithContacts = (ids: readonly number[], kind: DocumentKind) =>
  rows<CustomerRow>(
    `select c.id, c.name, c.billing,
      preferences_for(c, null, array[$kind]) preferences,
      contacts_of(c.id) contacts
    from customer c
    where c.id = any($ids::int[])`,
    { ids, kind },
  )
