import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import type { DocumentKind } from '../../../core/documents/kinds'
import { one, rows } from '../../db/connection'
import type { FileKept } from '../dispatch/channels/email-queries'

/* The statements of proof.ts. */

export interface Sending {
  id: number
  channel: string
  state: DispatchState
  cause: StuckCause | null
  isCopy: boolean
  createdAt: Date
  createdBy: string
  since: Date
  how: string | null
  reply: string | null
  attempts: number
  recipients: { placed: string; address: string; outcome: string; reply: string; at: string }[]
  /** What was sent, while its personal data are kept. */
  copy: {
    messageId: string
    sender: string
    subject: string
    sentAt: string
    files: FileKept[]
  } | null
  /** The files that its email leads to. */
  links: { name: string; until: string; opened: number; first: string | null; last: string | null }[]
}

/** Every email and print job that carries a document, oldest first. */
export const sendingsOf = (documentId: number) =>
  rows<Sending>(
    `select s.id, s.channel, s.state, s.stuck_cause "cause", s.is_copy "isCopy", s.created_at "createdAt",
      s.created_by "createdBy", s.since, s.arrived_how how, s.last_reply reply, s.attempts,
      coalesce(
        (
          select jsonb_agg(
            jsonb_build_object(
              'placed', r.placed, 'address', r.address, 'outcome', r.outcome, 'reply', r.reply, 'at', r.at
            )
            order by r.placed desc, r.address
          )
          from dispatch_recipient r
          where r.dispatch_id = s.id
        ),
        '[]'
      ) recipients,
      (
        select jsonb_build_object(
          'messageId', m.message_id, 'sender', m.sender, 'subject', m.subject, 'sentAt', m.sent_at, 'files', m.files
        )
        from mail_copy m
        where m.dispatch_id = s.id
      ) copy,
      coalesce(
        (
          select jsonb_agg(
            jsonb_build_object(
              'name', l.name, 'until', l.until, 'opened', l.opened, 'first', l.first_opened_at,
              'last', l.last_opened_at
            )
            order by l.id
          )
          from signed_link l
          where l.dispatch_id = s.id
        ),
        '[]'
      ) links
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $documentId
    order by s.id`,
    { documentId },
  )

/** What a proof says of the document itself, with its very bytes. */
export const documentToProve = (id: number) =>
  one<{
    kind: DocumentKind
    number: string
    issuedAt: Date
    issuedBy: string
    customerName: string
    total: string
    currency: string
    voided: string | null
    fileName: string | null
    sha256: string | null
    size: number | null
    bytes: Buffer | null
  }>(
    `select d.kind, d.number, d.issued_at "issuedAt", d.issued_by "issuedBy", d.customer_name "customerName",
      d.total::text total, d.currency, (select v.reason from document_void v where v.document_id = d.id) voided,
      df.file_name "fileName", f.sha256, f.size, f.bytes
    from document d
    left join document_file df on df.document_id = d.id
    left join file f on f.sha256 = df.sha256
    where d.id = $id`,
    { id },
  )
