import type { ContactFacts, Preferences } from '../../../core/preferences/recipients'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { EventFacts } from '../../../core/routines/routine'
import { type RoutineEvent, type RoutineSentence, type Trust } from '../../../core/routines/sentence'
import { rows, one, run } from '../../db/connection'
import { ownFields } from '../fields/own-fields'
import { company } from '../house/house'
import { houseServices } from '../shipping/carriers-queries'
import { type Principal, theHouse } from '../people/principal'
import { buysWithin, within } from '../people/brand-queries'
import type { RoutineChoices } from './choices'

/* The statements of routines that have no file of their own. */

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
    customerFields: (await ownFields('customer')).map(({ name }) => name),
    roles: contactRoles,
    services: [...new Set((await houseServices()).map(({ name }) => name))],
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
  'shipment packed': 'shipment',
  'shipment delivered': 'shipment delivered',
  'order delivered': 'order delivered',
  'parcel held': 'parcel held',
  'document issued': 'posted',
  'payment recorded': 'payment',
  account: 'time',
} as const satisfies Record<string, RoutineEvent>

/** What an event is called that a routine waits for. */
export const eventKindOf = Object.fromEntries(
  Object.entries(eventKinds).map(([kind, event]) => [event, kind]),
) as Record<RoutineEvent, keyof typeof eventKinds>

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

/** `subject`: the order, the document that was posted, the payment, the account. */
export interface PastEvent {
  subject: number
  facts: EventFacts
  at: Date
  customerId: number
  /** What a routine takes once only. */
  once: string
}

export interface CustomerRow {
  id: number
  name: string
  billing: unknown
  preferences: Preferences
  contacts: ContactFacts[]
}

const happenings: Record<
  Exclude<RoutineEvent, 'time'>,
  { kind: string; what: string; subject: string; of: string }
> = {
  'order status': { kind: 'order status', what: 'to', subject: 'source_id', of: 'source' },
  shipment: { kind: 'shipment packed', what: 'shipment', subject: 'source_id', of: 'source' },
  'shipment delivered': { kind: 'shipment delivered', what: 'shipment', subject: 'source_id', of: 'source' },
  'order delivered': { kind: 'order delivered', what: 'shipment', subject: 'source_id', of: 'source' },
  'parcel held': { kind: 'parcel held', what: 'shipment', subject: 'source_id', of: 'source' },
  posted: { kind: 'document issued', what: 'posted', subject: 'document_id', of: 'document' },
  payment: { kind: 'payment recorded', what: 'receipt', subject: 'source_id', of: 'source' },
}

/**
 * What routines of a kind would have looked at: the statuses reached, the moments of goods, the kinds posted, the
 * receipts called for.
 */
export function eventsSince(
  since: Date,
  event: Exclude<RoutineEvent, 'time'>,
  what: readonly string[],
  who: Principal,
): Promise<PastEvent[]> {
  const { kind, what: fact, subject, of } = happenings[event]
  return rows<PastEvent>(
    `select e.${subject} subject, e.${subject}::text once, e.facts, e.at, o.customer_id "customerId"
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
