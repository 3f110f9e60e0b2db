import type { Body, Line } from '../../../core/emailtexts/nodes'
import type { Design } from '../../../core/designs/design'
import type { Paper } from '../../../core/documents/paper'
import type { EmailPart } from '../../../core/enclosures/parts'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { ContactRole, Preferences, ContactFacts } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
import { json, one, rows } from '../../db/connection'
import type { Letter } from '../dispatch/compose'
import { senderColumns } from '../house/senders-queries'
import { secondLookColumns } from '../documents/second-look-queries'
import { sourceColumns, sourceJoins } from '../documents/sources'
import type { FileKept } from '../dispatch/channels/email-queries'
import type { EmailView } from './email-view'
import type { PreparedView, DocumentView, DispatchView } from './in-hand'

/* The statements of line that have no file of their own. */

export interface PaperRow extends Omit<PreparedView, 'email' | 'history' | 'words' | 'lacksAddress'> {
  /** There is an address at which it is billed. */
  billed: boolean
  content: Paper | null
  role: ContactRole
  copyTo: string[]
  toAddresses: string[] | null
  ownEmail: OwnEmail | null
  /** Of an email that reminds of an invoice: what it says is still open. */
  unpaid?: string | null
  /** Of several emails over which the files of one were spread, which this is. */
  part?: EmailPart | null
  preferences: Preferences
  subject: Line
  text: Body
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  brandId: number
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  contacts: ContactFacts[]
}

/** @param who would have it sent */
export const preparedRow = (id: number, who: string) =>
  one<PaperRow>(
    `select p.id, p.kind, p.revision, ${sourceColumns}, p.order_number "orderNumber",
      p.customer_id "customerId", p.customer_name "customerName", p.state, p.problem, p.changes, p.channel,
      p.once_complete "onceComplete", ${secondLookColumns('p')},
      p.total::text total, p.currency, p.content, p.to_role role, p.copy_to "copyTo",
      p.to_addresses "toAddresses", p.own_email "ownEmail", p.as_once "asOnce", n.language "textLanguage",
      n.variant_id "textVariantId", s.variant_id "designVariantId",
      (select v.name from variant v where v.id = n.variant_id) "textVariant",
      (select v.name from variant v where v.id = s.variant_id) "designVariant",
      coalesce((billed_to(p.source_id)).address, c.billing) is not null billed,
      preferences_for(c, p.source_id, array[p.kind]) preferences, n.subject, n.text, s.design -> 'colours' colours,
      b.email_look "emailLook", b.id "brandId", b.name "brandName", ${senderColumns},
      contacts_of(p.customer_id) contacts
    from prepared_document p
    ${sourceJoins('p')}
    join customer c on c.id = p.customer_id
    join email_text n on n.id = p.email_text_id
    join brand b on b.id = p.brand_id
    join design s on s.id = p.design_id
    cross join lateral sender_for(b, p.kind, p.routine_id, $who, p.source_id, p.own_email) sender
    where p.id = $id`,
    { id, who },
  )

/** Keeps what a person wrote for one email; nothing where the document was changed since it was looked at. */
export const keepOwnEmail = (given: { id: number; revision: number; own: OwnEmail | null }) =>
  one<{ sourceId: number }>(
    `update prepared_document
    set own_email = $own::jsonb, revision = revision + 1
    where id = $id and revision = $revision and state = 'prepared'
    returning source_id "sourceId"`,
    { ...given, own: given.own && json(given.own) },
  )

export const preparedPage = (id: number) =>
  one<{ content: Paper | null; problem: Told | null; design: Design }>(
    `select p.content, p.problem, s.design
    from prepared_document p
    join design s on s.id = p.design_id
    where p.id = $id`,
    { id },
  )

export const documentRow = (id: number) =>
  one<Omit<DocumentView, 'dispatches' | 'email' | 'waiting' | 'history' | 'notToVoid'>>(
    `select d.id, d.number, d.kind, d.date::text, coalesce(i.due_date, d.due_date)::text "dueDate", ${sourceColumns},
      d.credits_id "creditsId", d.order_number "orderNumber",
      (
        select jsonb_build_object('at', v.at, 'by', v.by, 'reason', v.reason)
        from document_void v
        where v.document_id = d.id
      ) voided,
      coalesce(
        (
          select jsonb_agg(jsonb_build_object('how', l.how, 'id', l.id, 'number', l.number) order by l.id)
          from (
            select 'credited with' how, o.id, o.number
            from document o
            where o.credits_id = d.id
            union all
            select 'takes back', o.id, o.number
            from document o
            where o.id = d.credits_id
            union all
            select 'issued anew as', o.id, o.number
            from document o
            where o.replaces_id = d.id
            union all
            select 'takes the place of', o.id, o.number
            from document o
            where o.id = d.replaces_id
          ) l
        ),
        '[]'
      ) links,
      coalesce(
        (
          select jsonb_agg(
            jsonb_build_object('on', x.day, 'amount', x.amount, 'kind', x.kind, 'how', x.how, 'waiver', x.waiver)
            order by x.id
          )
          from (
            select a.id, coalesce(p.date, k.date, a.waived_on)::text "day", a.amount::text amount, a.kind,
              coalesce(p.method, k.number, a.by) how, a.waived_on is not null waiver
            from allocation a
            left join payment p on p.id = a.payment_id
            left join document k on k.id = a.from_document_id
            where a.to_document_id = d.id
          ) x
        ),
        '[]'
      ) booked,
      coalesce(i.dispute, '') dispute, i.promised_on::text "promisedOn", d.customer_id "customerId",
      d.customer_name "customerName", d.tax::text, d.total::text, d.to_pay::text "toPay", d.currency,
      d.issued_at "issuedAt", d.issued_by "issuedBy", f.file_name "fileName", f.sha256, f.pages,
      d.series_id is null "takenOver", i.open::text, i.amount::text owed
    from document d
    ${sourceJoins('d')}
    left join document_file f on f.document_id = d.id
    left join open_item i on i.document_id = d.id
    where d.id = $id`,
    { id },
  )

export const dispatchesOfDocument = (id: number) =>
  rows<DispatchView>(
    `select s.id, s.channel, s.state, s.stuck_cause "cause", s.last_reply reply, s.since,
      s.next_try_at "nextTryAt", s.arrived_how how, s.is_copy "isCopy", s.attempts, s.send_to "sendTo"
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $id
    order by s.id desc`,
    { id },
  )

/** An email as it was sent; nothing where it was written anew since. */
export const mailCopyOf = (dispatchId: number) =>
  one<
    Omit<EmailView, 'sent' | 'to' | 'files' | 'size' | 'most' | 'problem'> & {
      files: FileKept[]
    }
  >(
    `select m.sender "from", m.reply_to "replyTo", m.subject, m.html, m.text, m.files, m.sent_at "sentAt",
      case
        when o.dispatch_id is not null then jsonb_build_object(
          'times', o.opened, 'byMachine', o.by_machine, 'first', o.first_opened_at
        )
      end opened,
      case
        when f.id is not null then jsonb_build_object(
          'times', f.followed, 'byMachine', f.by_machine, 'first', f.first_followed_at
        )
      end followed
    from mail_copy m
    join dispatch s on s.id = m.dispatch_id
    left join email_open o on o.dispatch_id = m.dispatch_id
    left join lateral (
      select * from followed_offer x where x.dispatch_id = m.dispatch_id order by x.id desc limit 1
    ) f
      on true
    where m.dispatch_id = $dispatchId and m.email_revision = s.email_revision`,
    { dispatchId },
  )

/** A file that went along in an email, by its SHA-256. */
export const fileSentWith = (dispatchId: number, sha256: string) =>
  one<{ name: string; mediaType: string; bytes: Buffer }>(
    `select kept ->> 'name' "name", f.media_type "mediaType", f.bytes
    from mail_copy m
    cross join lateral jsonb_array_elements(m.files) kept
    join file f on f.sha256 = kept ->> 'sha256'
    where m.dispatch_id = $dispatchId and f.sha256 = $sha256
    limit 1`,
    { dispatchId, sha256 },
  )

export const recipientsOfDispatch = (dispatchId: number) =>
  rows<EmailView['to'][number]>(
    `select placed "as", address, name, source, outcome, reply
    from dispatch_recipient
    where dispatch_id = $dispatchId
    order by address`,
    { dispatchId },
  )

export const letterToCome = (dispatchId: number) =>
  rows<PaperRow & { content: Paper }>(
    `select d.prepared_id id, d.kind, d.paper content, s.to_role role, s.copy_to "copyTo",
      preferences_for(c, d.source_id, array[d.kind]) preferences,
      s.to_addresses "toAddresses", s.own_email "ownEmail", s.unpaid::text unpaid, s.part, n.subject, n.text,
      t.design -> 'colours' colours,
      b.email_look "emailLook", b.id "brandId", b.name "brandName", ${senderColumns}, s.customer_name "customerName",
      s.customer_id "customerId", contacts_of(s.customer_id) contacts
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    join customer c on c.id = s.customer_id
    join email_text n on n.id = s.email_text_id
    join brand b on b.id = s.brand_id
    join design t on t.id = d.design_id
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, s.created_by, d.source_id, s.own_email) sender
    where s.id = $dispatchId and s.channel = 'email'
    order by d.id`,
    { dispatchId },
  )
