import { orderKinds, type DocumentKind } from '../../../core/documents/kinds'
import type { Preferences, ContactFacts } from '../../../core/preferences/recipients'
import type { EventFacts } from '../../../core/routines/routine'
import type { RoutineSentence, Trust } from '../../../core/routines/sentence'
import { one, rows } from '../../db/connection'
import type { RoutineWhy } from './why'

/* The statements of why.ts. */

export interface RoutineRow {
  id: number
  name: string
  sentence: RoutineSentence
  isOn: boolean
  trust: Trust
  appliesSince: Date | null
}

export const whyOrder = (orderId: number) =>
  one<{
    status: string
    revision: number
    billing: unknown
    preferences: Preferences
    contacts: ContactFacts[]
    customerName: string
  }>(
    `select o.status, o.revision, coalesce((billed_to(o.id)).address, c.billing) billing,
      preferences_for(c, o.id, $kinds::text[]) preferences, c.name "customerName",
      contacts_of(c.id) contacts
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $orderId`,
    { orderId, kinds: orderKinds },
  )

export const routinesOfOrders = () =>
  rows<RoutineRow>(
    `select id, name, sentence, is_on "isOn", trust, applies_since "appliesSince"
    from routine
    where coalesce(sentence ->> 'on', 'order status') = 'order status'
    order by name`,
  )

export const statusEvents = (orderId: number) =>
  rows<{ facts: EventFacts; at: Date }>(
    `select facts, at
    from event
    where source_id = $orderId and kind = 'order status' and only_routine is null
    order by id desc`,
    { orderId },
  )

export const evaluationsOf = (orderId: number) =>
  rows<RoutineWhy['evaluations'][number] & { routineId: number }>(
    `select routine_id "routineId", outcome, reason, at, routine_version "version"
    from evaluation
    where source_id in (select id from source where root_id = $orderId)
    order by id desc
    limit 100`,
    { orderId },
  )

export const claimsOf = (orderId: number) =>
  rows<{ kind: DocumentKind; occasion: string; number: string | null }>(
    `select k.document_kind kind, k.occasion, d.number
    from claim k
    left join document d on d.id = k.document_id
    where k.source_id = $orderId`,
    { orderId },
  )

export const preparedStates = (orderId: number) =>
  rows<{ kind: DocumentKind; state: string }>(
    `select distinct on (kind) kind, state
    from prepared_document
    where source_id in (select id from source where root_id = $orderId)
    order by kind, id desc`,
    { orderId },
  )
