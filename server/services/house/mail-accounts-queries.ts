import { config } from '../../config'
import { byWorker } from '../../db/by-worker'
import { one, rows, run } from '../../db/connection'
import type { MailAccountView } from './mail-accounts'

/* The statements of mail-accounts.ts. */

const columns = `
  a.id, a.name, a.host, a.port, a.security, a.user_name "userName", a.version,
  a.most_megabytes "mostMegabytes", a.per_minute "perMinute", a.per_hour "perHour", a.per_day "perDay"`

export const accountViews = () =>
  rows<MailAccountView>(
    `select ${columns}, a.sealed_password <> '' "hasPassword",
      (select coalesce(jsonb_agg(b.id order by b.id), '[]') from brand b where b.mail_account_id = a.id) "brandIds"
    from mail_account a
    order by a.id`,
  )

/** An account, or the first one. */
export const accountToUse = (id: number | null) =>
  one<{
    id: number
    name: string
    host: string
    port: number
    security: 'tls' | 'starttls' | 'none'
    userName: string
    version: number
    sealedPassword: string
  }>(
    `select ${columns}, a.sealed_password "sealedPassword"
    from mail_account a
    where a.id = coalesce($id::int, (select min(id) from mail_account))`,
    { id },
  )

export const keepCertificateUntil = async (id: number, until: Date | null): Promise<void> => {
  await run(
    `update mail_account set certificate_until = $until
    where id = $id and certificate_until is distinct from $until::timestamptz`,
    { id, until },
  )
}

/** Emails that could not be handed over because no server was there. */
export const emailsAway = () =>
  rows<{ id: number }>(
    `select id from dispatch where state = 'waiting' and away and ${byWorker('channel')} order by id`,
  )

export const bringAwayForward = (now: Date) =>
  run(
    `update dispatch set next_try_at = $now
    where state = 'waiting' and away and ${byWorker('channel')} and next_try_at > $now`,
    { now },
  )

/** Emails that wait for the turn that their account's limits gave them. */
export const emailsPaced = () =>
  rows<{ id: number }>(`select id from dispatch where state = 'waiting' and slot_at is not null order by id`)

/** Takes every turn back that has not come yet. */
export async function forgetTurns(now: Date): Promise<void> {
  await run('delete from mail_slot where minute > $now', { now })
  await run(
    `update dispatch set slot_at = null, next_try_at = least(next_try_at, greatest(not_before, $now))
    where state = 'waiting' and slot_at > $now`,
    { now },
  )
}

/** In whose name the house itself writes: its first brand. */
export const houseSender = () =>
  one<{ senderName: string; senderAddress: string }>(
    'select sender_name "senderName", sender_address "senderAddress" from brand order by id limit 1',
  )

/** Whether there is a server that mail can be handed to. */
export async function canMail(): Promise<boolean> {
  if (config.smtpUrl) return true
  return (await one<{ there: boolean }>('select exists (select from mail_account) there'))!.there
}
