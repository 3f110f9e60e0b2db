import type { Day } from '../../../core/documents/days'
import { one, run, rows } from '../../db/connection'
import type { Voidable } from './void'

/* The statements of void.ts. */

export const documentToVoid = (id: number) =>
  one<Voidable>(
    `select d.id, d.number, d.kind, d.date::text date, d.source_id "sourceId", s.kind "sourceKind",
      s.root_id "rootId", d.credits_id "creditsId"
    from document d
    join source s on s.id = d.source_id
    where d.id = $id`,
    { id },
  )

export const lockDispatchesOf = (id: number) =>
  run(
    `select s.id
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $id
    order by s.id
    for update of s`,
    { id },
  )

export const dispatchesOf = (id: number) =>
  rows<{ id: number; state: string }>(
    `select s.id, s.state
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $id`,
    { id },
  )

export const deleteUndeliveredOf = (id: number) =>
  run('delete from undelivered where document_id = $id', { id })

export const clearOpenItem = (id: number) =>
  run('update open_item set open = 0 where document_id = $id', { id })

export const triedDispatchesOf = (id: number) =>
  rows<{ id: number; state: string; attempted: boolean }>(
    `select s.id, s.state,
      exists (
        select from dispatch_recipient r where r.dispatch_id = s.id and r.outcome in ('accepted', 'delivered')
      ) attempted
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $id`,
    { id },
  )

export const isVoided = (id: number) =>
  one('select document_id from document_void where document_id = $id', { id })

export const standingCreditOf = (id: number) =>
  one(
    `select d.id
    from document d
    where d.credits_id = $id and not exists (select from document_void v where v.document_id = d.id)`,
    { id },
  )

export const settledBy = (id: number, creditsId: number | null) =>
  one(
    `select 1
    from allocation
    where (to_document_id = $id and kind <> 'credit') or (from_document_id = $id and $creditsId::int is null)
    group by to_document_id
    having sum(amount) <> 0`,
    { id, creditsId },
  )

export const lockClosedUntil = () =>
  one<{ closedUntil: Day | null }>('select closed_until::text "closedUntil" from company for share')

export const reverseAllocations = (given: { documentId: number; now: Date; actor: string }) =>
  rows<{ amount: string }>(
    `insert into allocation (from_document_id, to_document_id, amount, currency, at, by)
    select from_document_id, to_document_id, -sum(amount), currency, $now, $actor
    from allocation
    where from_document_id = $documentId
    group by from_document_id, to_document_id, currency
    having sum(amount) <> 0
    returning (-amount)::text amount`,
    given,
  )

export const raiseOpen = (creditsId: number, amount: string) =>
  run('update open_item set open = open + $amount::numeric where document_id = $creditsId', {
    creditsId,
    amount,
  })
