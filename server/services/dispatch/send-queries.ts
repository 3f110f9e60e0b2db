import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { ContactRole, Preferences, ContactFacts } from '../../../core/preferences/recipients'
import { rows, run, one, json } from '../../db/connection'
import type { Letter } from './compose'
import { stopOfDispatch } from './stopped-queries'

/* The statements of send.ts. */

export interface Claimed {
  id: number
  messageId: string
  attempts: number
  emailTextId: number
  toRole: ContactRole
  toAddresses: string[] | null
  copyTo: string[]
  customerName: string
  kind: DocumentKind
  documentId: number
  documents: number
  subject: string
  text: string
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  preferences: Preferences
  contacts: ContactFacts[]
  paper: Paper
  fileName: string
  bytes: Buffer
  reached: string[]
  rehearsal: string | null
}

export interface Enclosed {
  paper: Paper
  name: string
  bytes: Buffer
}

export const enclosedDocuments = (dispatchId: number, documentId: number) =>
  rows<Enclosed>(
    `select d.paper, f.file_name "name", file.bytes
    from dispatch_document dd
    join document d on d.id = dd.document_id
    join document_file f on f.document_id = d.id
    join file on file.sha256 = f.sha256
    where dd.dispatch_id = $dispatchId and d.id <> $documentId
    order by d.id`,
    { dispatchId, documentId },
  )

export const letGoClaims = (given: { ids: readonly number[]; token: string; state: string }) =>
  rows<{ id: number }>(
    `update dispatch
    set state = $state, claim_token = null, claimed_by = null, lease_until = null, attempts = attempts - 1
    where id = any($ids::int[]) and claim_token = $token and state = 'claimed'
    returning id`,
    given,
  )

export const endRehearsed = (given: {
  id: number
  token: string
  state: string
  held: boolean
  nextTry: Date
}) =>
  run(
    `update dispatch
    set state = $state, claim_token = null, claimed_by = null, lease_until = null, attempts = attempts - 1,
      held = $held, next_try_at = $nextTry
    where id = $id and claim_token = $token and state = 'claimed'`,
    given,
  )

export const lockDue = (ids: readonly number[], now: Date) =>
  rows<{ id: number; despite: boolean }>(
    `select id, despite from dispatch
    where id = any($ids::int[]) and state = 'waiting' and channel = 'email' and ready and not held
      and gather_key is null and next_try_at <= $now
      and not exists (select from company where paused_at is not null)
    order by id
    for update`,
    { ids, now },
  )

export const voidedAmong = (ids: readonly number[]) =>
  rows<{ dispatchId: number; documentId: number }>(
    `select dd.dispatch_id "dispatchId", v.document_id "documentId"
    from document_void v
    join dispatch_document dd on dd.document_id = v.document_id
    where dd.dispatch_id = any($ids::int[])`,
    { ids },
  )

export const claimable = (ids: readonly number[]) =>
  rows<{ id: number; stopped: string | null; despite: boolean }>(
    `select s.id, s.despite, ${stopOfDispatch('s')} stopped
    from dispatch s
    where s.id = any($ids::int[]) and s.state = 'waiting'
    order by s.id`,
    { ids },
  )

export const holdForOrder = (ids: readonly number[]) =>
  run(`update dispatch set held = true, held_for = 'order' where id = any($ids::int[])`, { ids })

export const claimDispatches = (given: {
  ids: readonly number[]
  token: string
  workerId: string
  leaseUntil: Date
}) =>
  rows<Claimed>(
    `with
      mine as (
        update dispatch
        set state = 'claimed', claim_token = $token, claimed_by = $workerId, lease_until = $leaseUntil,
          attempts = attempts + 1
        where id = any($ids::int[]) and state = 'waiting'
        returning *
      )
    select m.id, m.message_id "messageId", m.attempts, m.email_text_id "emailTextId", m.to_role "toRole",
      m.to_addresses "toAddresses", m.copy_to "copyTo", m.customer_name "customerName", d.kind,
      d.id "documentId", dd.documents, n.subject, n.text, b.name "brandName", b.sender_name "senderName",
      b.sender_address "senderAddress", b.reply_to "replyTo",
      (select rehearsal_address from company where rehearsal_since is not null) rehearsal,
      s.design -> 'colours' colours, b.email_look \"emailLook\", c.preferences, d.paper, f.file_name "fileName",
      file.bytes,
      coalesce(
        (
          select jsonb_agg(jsonb_build_object('name', k.name, 'email', k.email, 'role', k.role) order by k.id)
          from contact k
          where k.customer_id = c.id
        ),
        '[]'
      ) contacts,
      coalesce(
        (
          select jsonb_agg(lower(r.address))
          from dispatch_recipient r
          where r.dispatch_id = m.id and r.outcome in ('accepted', 'delivered')
        ),
        '[]'
      ) reached
    from mine m
    join lateral (
      select min(document_id) id, count(*)::int documents from dispatch_document where dispatch_id = m.id
    ) dd
      on true
    join document d on d.id = dd.id
    join document_file f on f.document_id = d.id
    join file on file.sha256 = f.sha256
    join email_text n on n.id = m.email_text_id
    join brand b on b.id = m.brand_id
    join customer c on c.id = m.customer_id
    join design s on s.id = d.design_id
    order by m.id`,
    given,
  )

export const beginHandingOver = (given: { id: number; token: string; leaseUntil: Date }) =>
  run(
    `update dispatch
    set state = 'handing over', lease_until = $leaseUntil
    where id = $id and claim_token = $token and state = 'claimed'`,
    given,
  )

export const lockClaimed = (id: number, token: string) =>
  one<{ state: DispatchState; attempts: number }>(
    'select state, attempts from dispatch where id = $id and claim_token = $token for update',
    { id, token },
  )

export const writeResult = (given: {
  id: number
  state: string
  cause: StuckCause | null
  reply: string | null
  nextTry: Date
  now: Date
  accepted: boolean
  uncounted: 0 | 1
  sendTo: string | null
  away: boolean
}) =>
  run(
    `update dispatch
    set state = $state::text, claim_token = null, claimed_by = null, lease_until = null, stuck_cause = $cause,
      last_reply = $reply, next_try_at = $nextTry, noticed = false, away = $away,
      since = case when $state::text = 'waiting' then since else $now::timestamptz end,
      handed_over_at = case when $accepted::boolean then $now::timestamptz else handed_over_at end,
      attempts = attempts - $uncounted::int, send_to = coalesce($sendTo::text, send_to)
    where id = $id`,
    given,
  )

export const keepRecipientOutcomes = (given: { id: number; outcomes: unknown; now: Date }) =>
  run(
    `insert into dispatch_recipient (dispatch_id, address, name, placed, source, outcome, reply, at)
    select $id, lower(o.address), o.name, o."as", o.source, o.outcome, o.reply, $now
    from jsonb_to_recordset($outcomes::jsonb) as o (
      address text, name text, "as" text, source text, outcome text, reply text
    )
    on conflict (dispatch_id, address) do update
    set outcome = excluded.outcome, reply = excluded.reply, at = excluded.at`,
    { ...given, outcomes: json(given.outcomes) },
  )

export const keepMailCopy = (given: {
  dispatchId: number
  messageId: string
  sender: string
  replyTo: string
  recipients: string
  subject: string
  text: string
  html: string
  files: unknown
  now: Date
}) =>
  run(
    `insert into mail_copy (
      dispatch_id, message_id, sender, reply_to, recipients, subject, text, html, files, sent_at
    )
    values ($dispatchId, $messageId, $sender, $replyTo, $recipients, $subject, $text, $html, $files::jsonb, $now)
    on conflict (dispatch_id) do update
    set recipients = excluded.recipients, sent_at = excluded.sent_at`,
    { ...given, files: json(given.files) },
  )
