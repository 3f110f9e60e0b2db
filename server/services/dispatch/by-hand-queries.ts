import type { RoutineSentence } from '../../../core/routines/sentence'
import { rows, run, one } from '../../db/connection'
import { stopOfDispatch, stopOf } from './stopped-queries'

/* The statements of by-hand.ts. */

/** Those that go by email, locked. */
export const emailsAmong = (ids: readonly number[]) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where id = any($ids::int[]) and channel = 'email'
    order by id
    for update`,
    { ids },
  )

/** Those that a person may have printed and posted: print jobs that are not held, and what is stuck; locked. */
export const printable = (ids: readonly number[]) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where id = any($ids::int[]) and ((channel = 'paper' and not held) or state = 'stuck')
    order by id
    for update`,
    { ids },
  )

export const forgetRefusedRecipients = (goingIds: readonly number[]) =>
  run(
    `delete from dispatch_recipient where dispatch_id = any($goingIds::int[]) and outcome in ('bounced', 'refused')`,
    { goingIds },
  )

export const unpaintedOf = (goingIds: readonly number[]) =>
  rows<{ id: number }>(
    `select dd.document_id id
    from dispatch_document dd
    join unpainted u on u.document_id = dd.document_id
    where dd.dispatch_id = any($goingIds::int[])`,
    { goingIds },
  )

export const insertUndelivered = (settledIds: readonly number[], now: Date) =>
  run(
    `insert into undelivered (document_id, since)
    select distinct dd.document_id, $now::timestamptz
    from dispatch_document dd join dispatch s on s.id = dd.dispatch_id
    where dd.dispatch_id = any($settledIds::int[]) and not s.is_copy
      and not exists (select from document_void v where v.document_id = dd.document_id)
      and not exists (
        select from dispatch_document o join dispatch x on x.id = o.dispatch_id
        where o.document_id = dd.document_id and x.state <> 'closed' and not x.is_copy)
    on conflict do nothing`,
    { settledIds, now },
  )

export const holdWaiting = (given: { ids: readonly number[]; held: boolean; despite: boolean }) =>
  rows<{ id: number; nextTryAt: Date }>(
    `update dispatch
    set held = $held, held_for = null, despite = $despite
    where id = any($ids::int[]) and state = 'waiting' and held <> $held
    returning id, next_try_at "nextTryAt"`,
    given,
  )

/** Whether one of them waits no more. */
export const notWaiting = (ids: readonly number[]) =>
  one<{ id: number }>(
    `select id
    from dispatch
    where id = any($ids::int[]) and state <> 'waiting'
    limit 1`,
    { ids },
  )

export const stoppedAmong = (ids: readonly number[]) =>
  rows<{ number: string; stopped: string }>(
    `select x.number, x.stopped
    from (
      select s.number, ${stopOfDispatch('s')} stopped
      from dispatch s
      where s.id = any($ids::int[])
      order by s.id
    ) x
    where x.stopped is not null`,
    { ids },
  )

export const postponeDispatches = (ids: readonly number[], at: Date) =>
  rows<{ id: number }>(
    `update dispatch
    set not_before = $at, next_try_at = $at, held = false
    where id = any($ids::int[]) and state = 'waiting' and channel = 'email'
    returning id`,
    { ids, at },
  )

export const documentStop = (documentId: number) =>
  one<{ number: string; stopped: string | null }>(
    `select d.order_number number, ${stopOf('d')} stopped from document d where d.id = $documentId`,
    { documentId },
  )

export const undeliveredRoutine = (documentId: number) =>
  one<{ sentence: RoutineSentence | null }>(
    `select (select sentence from routine r where r.id = u.routine_id) sentence
    from undelivered u
    where u.document_id = $documentId`,
    { documentId },
  )
