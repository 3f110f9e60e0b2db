import type { Body, Line } from '../../../../core/emailtexts/nodes'
import type { DocumentKind } from '../../../../core/documents/kinds'
import type { Paper } from '../../../../core/documents/paper'
import type { CopiedDocument } from '../../../../core/enclosures/copies'
import type { EmailPart } from '../../../../core/enclosures/parts'
import type { OwnEmail } from '../../../../core/emailtexts/own-email'
import type { EmailLook } from '../../../../core/emailtexts/email-look'
import type {
  ContactFacts,
  ContactRole,
  Preferences,
  Recipient,
} from '../../../../core/preferences/recipients'
import { rows, run, json } from '../../../db/connection'
import { senderColumns } from '../../house/senders-queries'
import type { Letter } from '../compose'

/* The statements of email.ts. */

export interface EmailToSend {
  id: number
  messageId: string
  attempts: number
  emailTextId: number
  toRole: ContactRole
  toAddresses: string[] | null
  ownEmail: OwnEmail | null
  /** What it says is still open of its invoice, where it reminds of that. */
  unpaid: string | null
  copyTo: string[]
  /** Which one it is of several over which its files were spread. */
  part: EmailPart | null
  customerId: number
  customerName: string
  kind: DocumentKind
  documentId: number
  documents: number
  subject: Line
  text: Body
  brandId: number
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  mailAccountId: number | null
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  preferences: Preferences
  contacts: ContactFacts[]
  paper: Paper
  fileName: string
  sha256: string
  bytes: Buffer
  reached: string[]
}

export interface Enclosed {
  documentId: number
  paper: Paper
  name: string
  sha256: string
  bytes: Buffer
}

/** A file that went with an email; how, where it was not only in it. */
export interface FileKept {
  name: string
  size: number
  /** Of what went along with documents. */
  sha256?: string
  by?: 'link' | 'both' | 'body'
  /** Of a file of copies: the documents whose stored bytes are in it. */
  of?: CopiedDocument[]
}

/** Emails with everything that is in them. */
export const emailsToSend = (ids: readonly number[]) =>
  rows<EmailToSend>(
    `select m.id, m.message_id "messageId", m.attempts, m.email_text_id "emailTextId", m.to_role "toRole",
      m.to_addresses "toAddresses", m.own_email "ownEmail", m.unpaid::text unpaid, m.copy_to "copyTo", m.part,
      m.customer_id "customerId", m.customer_name "customerName", d.kind,
      d.id "documentId", dd.documents, coalesce(m.own_email -> 'subject', n.subject) subject,
      coalesce(m.own_email -> 'text', n.text) text, b.id "brandId", b.name "brandName",
      ${senderColumns}, sender.mail_account_id "mailAccountId",
      s.design -> 'colours' colours, b.email_look "emailLook",
      preferences_for(c, d.source_id, array[d.kind]) preferences, d.paper, f.file_name "fileName",
      f.sha256, file.bytes,
      contacts_of(c.id) contacts,
      coalesce(
        (
          select jsonb_agg(lower(r.address))
          from dispatch_recipient r
          where r.dispatch_id = m.id and r.outcome in ('accepted', 'delivered')
        ),
        '[]'
      ) reached
    from dispatch m
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
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, m.created_by, d.source_id, m.own_email) sender
    where m.id = any($ids::int[])
    order by m.id`,
    { ids },
  )

export const enclosedDocuments = (dispatchId: number, documentId: number) =>
  rows<Enclosed>(
    `select d.id "documentId", d.paper, f.file_name "name", f.sha256, file.bytes
    from dispatch_document dd
    join document d on d.id = dd.document_id
    join document_file f on f.document_id = d.id
    join file on file.sha256 = f.sha256
    where dd.dispatch_id = $dispatchId and d.id <> $documentId
    order by d.id`,
    { dispatchId, documentId },
  )

/**
 * What reminders ask for and on which something was booked since: the items of letters, and invoices that were sent
 * again. By email; a copy of a letter asks for nothing.
 */
export const overtakenReminders = (ids: readonly number[]) =>
  rows<{ id: number; numbers: string[] }>(
    `select m.id, array_agg(item ->> 'number' order by o.document_id) numbers
    from dispatch m
    join dispatch_document dd on dd.dispatch_id = m.id
    join document d on d.id = dd.document_id and d.kind = 'payment reminder'
    cross join jsonb_array_elements(d.paper #> '{exact,reminder,items}') item
    join open_item o on o.document_id = (item ->> 'documentId')::int
    where m.id = any($ids::int[]) and (not m.is_copy or m.part is not null)
      and o.open <> (item ->> 'open')::numeric
    group by m.id
    union all
    select m.id, array[m.number]
    from dispatch m
    join dispatch_document dd on dd.dispatch_id = m.id
    join open_item o on o.document_id = dd.document_id
    where m.id = any($ids::int[]) and o.open <> m.unpaid`,
    { ids },
  )

export const keepRecipientOutcomes = (given: {
  id: number
  outcomes: readonly (Recipient & { outcome: string; reply: string })[]
  now: Date
}) =>
  run(
    `insert into dispatch_recipient (dispatch_id, address, name, placed, source, outcome, reply, at)
    select $id, lower(o.address), o.name, o."as", o.source, o.outcome, o.reply, $now
    from jsonb_to_recordset($outcomes::jsonb) as o (
      address text, name text, "as" text, source jsonb, outcome text, reply text
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
  files: readonly FileKept[]
  now: Date
}) =>
  run(
    `insert into mail_copy (
      dispatch_id, message_id, sender, reply_to, recipients, subject, text, html, files, sent_at, email_revision
    )
    select $dispatchId, $messageId, $sender, $replyTo, $recipients, $subject, $text, $html, $files::jsonb, $now,
      email_revision
    from dispatch
    where id = $dispatchId
    on conflict (dispatch_id) do update
    set sender = excluded.sender, reply_to = excluded.reply_to, recipients = excluded.recipients,
      subject = excluded.subject, text = excluded.text, html = excluded.html, files = excluded.files,
      sent_at = excluded.sent_at, email_revision = excluded.email_revision`,
    { ...given, files: json(given.files) },
  )
