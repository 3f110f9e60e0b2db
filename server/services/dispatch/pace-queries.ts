import type { Pace } from '../../../core/dispatch/pace'
import { json, rows, run } from '../../db/connection'

/* The statements of pace.ts. */

/** Mail accounts with a limit, locked, so that one batch after the other takes its minutes. */
export const lockPacedAccounts = () =>
  rows<Pace & { id: number; name: string }>(
    `select id, name, per_minute "perMinute", per_hour "perHour", per_day "perDay"
    from mail_account
    where num_nonnulls(per_minute, per_hour, per_day) > 0
    order by id
    for no key update`,
  )

/** The emails among dispatches whose minute has not come, or that have none, with the account that each goes by. */
export const emailsToPace = (ids: readonly number[], accountIds: readonly number[], now: Date) =>
  rows<{ id: number; accountId: number; slotAt: Date | null }>(
    `select s.id, a.id "accountId", s.slot_at "slotAt"
    from dispatch s
    join brand b on b.id = s.brand_id
    join lateral (select min(document_id) id from dispatch_document where dispatch_id = s.id) first on true
    join document d on d.id = first.id
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, s.created_by, d.source_id, s.own_email) sender
    join mail_account a on a.id = sender.mail_account_id
    where s.id = any($ids::int[]) and s.channel = 'email' and (s.slot_at is null or s.slot_at > $now)
      and a.id = any($accountIds::int[])
    order by s.id`,
    { ids, accountIds, now },
  )

/** What was given out of the last day and of the time to come, by minutes since 1970. */
export const slotsGiven = (accountId: number, since: Date) =>
  rows<{ minute: number; emails: number }>(
    `select (extract(epoch from minute) / 60)::int "minute", emails
    from mail_slot
    where mail_account_id = $accountId and minute > $since`,
    { accountId, since },
  )

export const keepSlots = (accountId: number, slots: readonly { minute: Date; emails: number }[]) =>
  run(
    `insert into mail_slot (mail_account_id, minute, emails)
    select $accountId, g.minute, g.emails
    from jsonb_to_recordset($slots::jsonb) as g (minute timestamptz, emails int)
    on conflict (mail_account_id, minute) do update set emails = mail_slot.emails + excluded.emails`,
    { accountId, slots: json(slots) },
  )

export const forgetSlots = (accountId: number, before: Date) =>
  run('delete from mail_slot where mail_account_id = $accountId and minute < $before', { accountId, before })

export const giveSlots = (given: readonly { id: number; at: Date }[]) =>
  run(
    `update dispatch d
    set slot_at = g.at, next_try_at = greatest(d.next_try_at, g.at)
    from jsonb_to_recordset($given::jsonb) as g (id int, at timestamptz)
    where d.id = g.id`,
    { given: json(given) },
  )
