import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import type { Told } from '../../../core/said/told'
import { json, one, run, rows } from '../../db/connection'

/* The statements of reports.ts. */

export const lockState = (dispatchId: number) =>
  one<{ state: DispatchState; cause: StuckCause | null }>(
    'select state, stuck_cause cause from dispatch where id = $dispatchId for update',
    { dispatchId },
  )

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

/**
 * Of an email of which nobody knows whether it left, nobody was kept who got it: its one recipient is, once a report
 * says so. One that went to several stays unclear.
 */
export const keepUnclearRecipient = (given: {
  dispatchId: number
  recipient: string
  source: Told
  outcome: string
  reply: string
  now: Date
}) =>
  run(
    `insert into dispatch_recipient (dispatch_id, address, name, placed, source, outcome, reply, at)
    select s.id, lower($recipient), '', 'to', $source::jsonb, $outcome, $reply, $now::timestamptz
    from dispatch s
    where s.id = $dispatchId and s.state = 'stuck' and s.stuck_cause = 'unclear'
      and lower(s.send_to) = lower($recipient)
      and not exists (select from dispatch_recipient r where r.dispatch_id = s.id)
    on conflict do nothing`,
    { ...given, source: json(given.source) },
  )

export const recipientsNotDelivered = (dispatchId: number) =>
  one<{ open: number }>(
    `select count(*)::int open from dispatch_recipient where dispatch_id = $dispatchId and outcome <> 'delivered'`,
    { dispatchId },
  )

/** What has been on the way since before then, locked; what another one has in hand is left out. */
export const lockSilent = (before: Date) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where state = 'on the way' and handed_over_at <= $before
    order by handed_over_at
    limit 500
    for update skip locked`,
    { before },
  )
