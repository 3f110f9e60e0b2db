import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import { one, run, rows } from '../../db/connection'

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
