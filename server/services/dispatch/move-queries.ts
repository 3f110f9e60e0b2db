import type { DispatchState } from '../../../core/dispatch/states'
import { json, rows, run } from '../../db/connection'
import type { DispatchChange } from './move'

/* The statements of move.ts. */

/** A dispatch that was moved, as it is now. */
export interface MovedDispatch {
  id: number
  before: DispatchState
  state: DispatchState
  channel: string
  ready: boolean
  nextTryAt: Date
}

/** In the order of their ids, as everywhere, so that two who move the same ones do not wait for each other. */
export const lockDispatches = (ids: readonly number[]) =>
  run('select id from dispatch where id = any($ids::int[]) order by id for update', { ids })

/**
 * Moves each dispatch by the step that begins at its state, where the claim is still the one that is named. What a
 * move does not say stays, but for what a step does to every dispatch: a claim ends with its states, a cause
 * and a time of arrival stand only while they hold.
 */
export const moveDispatchRows = (given: {
  moves: readonly { id: number; token?: string; set: DispatchChange }[]
  steps: unknown
  now: Date
}) =>
  rows<MovedDispatch>(
    `update dispatch d
    set state = s.after,
      since = case when s.turns then $now else d.since end,
      stuck_cause = case when s.after = 'stuck' then m.set ->> 'cause'
        when s.after = 'closed' then d.stuck_cause end,
      noticed = d.noticed and s.after <> 'stuck',
      last_reply = case when m.set ? 'reply' then m.set ->> 'reply' else d.last_reply end,
      next_try_at = coalesce((m.set ->> 'nextTryAt')::timestamptz, d.next_try_at),
      attempts = case when m.set ? 'attempts' then (m.set ->> 'attempts')::int
        else d.attempts + coalesce((m.set ->> 'tries')::int, 0) end,
      away = coalesce((m.set ->> 'away')::boolean, d.away),
      held = coalesce((m.set ->> 'held')::boolean, d.held),
      held_for = case when (m.set ->> 'held')::boolean is false then null else d.held_for end,
      channel = coalesce(m.set ->> 'channel', d.channel),
      send_to = coalesce(m.set ->> 'sendTo', d.send_to),
      to_addresses = coalesce(m.set -> 'toAddresses', d.to_addresses),
      claim_token = case when s.claimed then coalesce((m.set ->> 'claimToken')::uuid, d.claim_token) end,
      claimed_by = case when s.claimed then coalesce(m.set ->> 'claimedBy', d.claimed_by) end,
      lease_until = case when s.claimed then coalesce((m.set ->> 'leaseUntil')::timestamptz, d.lease_until) end,
      -- a minute is used up by what was handed over, and kept by what never came so far
      slot_at = case when s.before <> 'handing over' then d.slot_at end,
      handed_over_at = case when s.accepted then $now else d.handed_over_at end,
      arrived_at = case when s.after = 'arrived' then $now end,
      arrived_how = case when s.after = 'arrived' then m.set ->> 'how' end
    from jsonb_to_recordset($moves::jsonb) as m (id int, token uuid, set jsonb),
      jsonb_to_recordset($steps::jsonb) as s (
        before text, after text, turns boolean, claimed boolean, accepted boolean
      )
    where d.id = m.id and d.state = s.before and (m.token is null or d.claim_token = m.token)
    returning d.id, s.before, d.state, d.channel, d.ready, d.next_try_at "nextTryAt"`,
    { ...given, moves: json(given.moves), steps: json(given.steps) },
  )
