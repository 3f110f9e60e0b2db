import type { Body, Line } from '../../../core/emailtexts/nodes'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Recipient, Preferences, ContactFacts } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
import { one, rows, run } from '../../db/connection'
import type { renderPaper } from '../../render/pool'
import type { Letter } from '../dispatch/compose'
import { textColumns } from '../house/house-queries'
import type { TextQuestion } from '../house/text-for'
import { senderColumns } from '../house/senders-queries'
import type { Rehearsable } from './rehearse'

/* The statements of rehearse.ts. */

interface Unsent {
  id: number
  number: string
  content: Paper
  wouldGoTo: Recipient[]
  sentTo: string
  designId: number
  subject: Line
  text: Body
  customerId: number | null
  brandId: number
  customerName: string
  preparedId: number | null
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  /** The very PDF, where it is a document's. */
  stored: Buffer | null
  fileName: string | null
  design: Parameters<typeof renderPaper>[1]
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  mailAccountId: number | null
}

export const nextRehearsalNumber = () =>
  one<{ next: string }>(`select nextval('rehearsal_number')::text next`)

export const contactsOfCustomer = (customerId: number, sourceId: number, kind: DocumentKind) =>
  one<{ preferences: Preferences; contacts: ContactFacts[] }>(
    `select preferences_for(c, $sourceId, array[$kind]) preferences,
      contacts_of(c.id) contacts
    from customer c
    where id = $customerId`,
    { customerId, sourceId, kind },
  )

export const preparedToRehearse = (preparedId: number) =>
  one<Rehearsable & { problem: Told | null }>(
    `select id, source_id "sourceId", kind, source, design_id "designId", email_text_id "emailTextId",
      customer_id "customerId", customer_name "customerName", brand_id "brandId", to_role role,
      copy_to "copyTo", problem
    from prepared_document
    where id = $preparedId and state in ('prepared', 'due', 'put back')`,
    { preparedId },
  )

export const documentToRehearse = (documentId: number) =>
  one<
    TextQuestion & {
      paper: Paper
      customerName: string
      designId: number
      issuedNumber: string
      takenOver: boolean
    }
  >(
    `select d.number "issuedNumber", d.series_id is null "takenOver",
      d.paper, d.customer_name "customerName", d.design_id "designId", ${textColumns}
    from document d
    where d.id = $documentId`,
    { documentId },
  )

export const unsentRehearsals = (rehearsalIds: readonly number[]) =>
  rows<Unsent>(
    `select r.id, r.number, r.content, r.would_go_to "wouldGoTo", r.sent_to "sentTo", s.design,
      s.design -> 'colours' colours, coalesce(r.email -> 'look', b.email_look) "emailLook",
      coalesce(r.email -> 'subject', p.own_email -> 'subject', n.subject) subject,
      coalesce(r.email -> 'text', p.own_email -> 'text', n.text) text,
      coalesce(p.customer_id, d.customer_id) "customerId", r.brand_id "brandId",
      r.customer_name "customerName", r.prepared_id "preparedId", f.file_name "fileName", file.bytes stored,
      b.name "brandName", ${senderColumns}, sender.mail_account_id "mailAccountId"
    from rehearsal r
    left join document_file f on f.document_id = r.document_id
    left join file on file.sha256 = f.sha256
    join design s on s.id = r.design_id
    join email_text n on n.id = r.email_text_id
    join brand b on b.id = r.brand_id
    left join document d on d.id = r.document_id
    left join prepared_document p on p.id = coalesce(r.prepared_id, d.prepared_id)
    cross join lateral sender_for(b, r.content ->> 'kind', p.routine_id, r.made_by, p.source_id, p.own_email) sender
    where r.id = any($rehearsalIds::int[]) and r.sent_at is null and r.given_up is null
    order by r.id`,
    { rehearsalIds },
  )

export const markRehearsed = (given: { id: number; now: Date; reply: string }) =>
  run('update rehearsal set sent_at = $now, last_reply = $reply where id = $id', given)

export const markRehearsalGivenUp = (id: number, reason: string) =>
  one<{ preparedId: number | null; documentId: number | null }>(
    `update rehearsal set given_up = $reason where id = $id and sent_at is null
    returning prepared_id "preparedId", document_id "documentId"`,
    { id, reason },
  )
