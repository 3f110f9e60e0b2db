import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import { one, run, rows } from '../../db/connection'

/* The statements of reports.ts. */

export const lockState = (dispatchId: number) =>
  one<{ state: DispatchState }>('select state from dispatch where id = $dispatchId for update', {
    dispatchId,
  })

export const keepRecipientOutcome = (given: {
  dispatchId: number
  recipient: string
  outcome: string
  reply: string
  now: Date
}) =>
  run(
    `update dispatch_recipient
    set outcome = $outcome, reply = $reply, at = $now
    where dispatch_id = $dispatchId and address = $recipient`,
    given,
  )

export const recipientsNotDelivered = (dispatchId: number) =>
  one<{ open: number }>(
    `select count(*)::int open from dispatch_recipient where dispatch_id = $dispatchId and outcome <> 'delivered'`,
    { dispatchId },
  )

export const moveReported = (given: {
  id: number
  state: string
  now: Date
  cause: StuckCause | null
  reply: string
}) =>
  run(
    `update dispatch
    set state = $state::text, since = $now::timestamptz, stuck_cause = $cause::text, noticed = false,
      last_reply = case when $cause::text is null then last_reply else $reply::text end,
      arrived_at = case when $state::text = 'arrived' then $now::timestamptz end,
      arrived_how = case when $state::text = 'arrived' then $reply::text end
    where id = $id`,
    given,
  )

export const presumeHandedOver = (now: Date, before: Date) =>
  rows<{ id: number }>(
    `update dispatch
    set state = 'arrived', arrived_at = $now, since = $now, arrived_how = 'presumed: no bounce'
    where id in (
      select id
      from dispatch
      where state = 'on the way' and handed_over_at <= $before
      order by handed_over_at
      limit 500
      for update skip locked
    )
    returning id`,
    { now, before },
  )

export const notePresumed = (given: { now: Date; ids: readonly number[]; words: string }) =>
  run(
    `insert into history (at, actor, dispatch_id, words)
    select $now, 'Clothespin', id, $words
    from unnest($ids::int[]) as id`,
    given,
  )
