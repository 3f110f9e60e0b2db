import type { EmailLook } from '../../../core/emailtexts/email-look'
import { Refusal } from '../../../core/errors'
import type { PaperChange } from '../../../core/documents/issue'
import type { Paper } from '../../../core/documents/paper'
import type { Design } from '../../../core/designs/design'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { SourceRef } from '../../../core/documents/sources'
import {
  type ContactFacts,
  type ContactRole,
  type Recipient,
  type Preferences,
} from '../../../core/preferences/recipients'
import { one, rows } from '../../db/connection'
import { fillLetter, type Letter } from '../dispatch/compose'
import { sourceColumns, sourceJoins } from '../documents/sources'
import { voidRefusal } from '../documents/void'
import { historyOf, type HistoryEntry } from '../history/history'
import { deliveryOf } from '../../../core/dispatch/delivery'

/*
 * The one in hand: a paper not yet issued, or a document, with its email as it will be or was sent, and its history.
 */

export interface EmailView {
  /** Whether these are the words as sent, or as they would be now. */
  sent: boolean
  from: string
  replyTo: string
  to: { as: Recipient['as']; address: string; name: string; source: string; outcome: string; reply: string }[]
  subject: string
  html: string
  text: string
  files: string[]
  sentAt: Date | null
}

export interface PreparedView extends SourceRef {
  id: number
  kind: DocumentKind
  revision: number
  orderNumber: string
  customerId: number
  customerName: string
  state: string
  problem: string | null
  changes: PaperChange[] | null
  channel: string
  email: EmailView | null
  history: HistoryEntry[]
  total: string
  currency: string
}

interface PaperRow extends Omit<PreparedView, 'email' | 'history'> {
  content: Paper | null
  role: ContactRole
  copyTo: string[]
  toAddresses: string[] | null
  preferences: Preferences
  subject: string
  text: string
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  contacts: ContactFacts[]
}

const contactsOf = (customer: string) =>
  `coalesce(
    (
      select jsonb_agg(jsonb_build_object('name', k.name, 'email', k.email, 'role', k.role) order by k.id)
      from contact k
      where k.customer_id = ${customer}
    ),
    '[]'
  )`

/** A paper that is not issued yet. @throws Refusal "no-such-paper" */
export async function preparedView(id: number): Promise<PreparedView> {
  const row = await one<PaperRow>(
    `select p.id, p.kind, p.revision, ${sourceColumns}, p.order_number "orderNumber",
      p.customer_id "customerId", p.customer_name "customerName", p.state, p.problem, p.changes, p.channel,
      p.total::text total, p.currency, p.content, p.to_role role, p.copy_to "copyTo",
      p.to_addresses "toAddresses", c.preferences, n.subject, n.text, s.design -> 'colours' colours,
      b.email_look \"emailLook\", b.name "brandName", b.sender_name "senderName",
      b.sender_address "senderAddress", b.reply_to "replyTo", ${contactsOf('p.customer_id')} contacts
    from prepared_document p
    ${sourceJoins('p')}
    join customer c on c.id = p.customer_id
    join email_text n on n.id = p.email_text_id
    join brand b on b.id = p.brand_id
    join design s on s.id = p.design_id
    where p.id = $1`,
    [id],
  )
  if (!row) throw new Refusal('no-such-paper', 'That paper does not exist any more.', { status: 404 })
  const {
    content,
    role,
    copyTo,
    toAddresses,
    preferences,
    subject,
    text,
    colours,
    emailLook,
    brandName,
    senderName,
    senderAddress,
    replyTo,
    contacts,
    ...view
  } = row
  const byEmail = view.channel === 'email' || view.channel === 'both'
  const email =
    content && byEmail
      ? preview(
          content,
          view.customerName,
          { subject, text },
          { name: brandName, colours, emailLook, senderName, senderAddress, replyTo },
          deliveryOf({ contacts, role, copyTo, toAddresses, preference: preferences[view.kind] }).recipients,
        )
      : null
  return {
    ...view,
    email,
    history: await historyOf({
      preparedId: id,
      sourceId: view.sourceId,
    }),
  }
}

function preview(
  paper: Paper,
  customerName: string,
  note: { subject: string; text: string },
  brand: Letter['brand'],
  recipients: Recipient[],
  others: Paper[] = [],
): EmailView {
  const shown = paper.issued ? paper : { ...paper, number: '…' }
  const filled = fillLetter({ note, paper: shown, customerName, brand, recipients, others })
  return {
    sent: false,
    from: `${brand.senderName} <${brand.senderAddress}>`,
    replyTo: brand.replyTo,
    subject: filled.subject,
    html: filled.html,
    text: filled.text,
    to: recipients.map((recipient) => ({
      as: recipient.as,
      address: recipient.address,
      name: recipient.name,
      source: recipient.source,
      outcome: '',
      reply: '',
    })),
    files: [paper, ...others].map((one) => `${one.heading}${one.issued ? `-${one.number}` : ''}.pdf`),
    sentAt: null,
  }
}

/** The content and design of a paper, for its PDF as it will be. */
export async function paperForPdf(id: number): Promise<{ paper: Paper; design: Design }> {
  const row = await one<{ content: Paper | null; problem: string | null; design: Design }>(
    `select p.content, p.problem, s.design
    from prepared_document p
    join design s on s.id = p.design_id
    where p.id = $1`,
    [id],
  )
  if (!row) throw new Refusal('no-such-paper', 'That paper does not exist any more.', { status: 404 })
  if (!row.content) throw new Refusal('no-paper', row.problem ?? 'There is no paper yet.')
  return { paper: row.content, design: row.design }
}

export interface DispatchView {
  id: number
  channel: string
  state: string
  cause: string | null
  reply: string | null
  since: Date
  nextTryAt: Date | null
  how: string | null
  isCopy: boolean
  attempts: number
  sendTo: string
}

export interface DocumentView extends SourceRef {
  id: number
  number: string
  kind: DocumentKind
  date: string
  dueDate: string | null
  orderNumber: string
  customerId: number
  customerName: string
  tax: string
  total: string
  toPay: string
  currency: string
  issuedAt: Date
  issuedBy: string
  fileName: string | null
  sha256: string | null
  pages: number | null
  open: string | null
  /** What was booked on it, oldest first; a counter-entry is below zero. */
  booked: { on: string; amount: string; kind: 'credit' | 'payment' | 'discount' | 'write-off'; how: string }[]
  dispute: string
  promisedOn: string | null
  /** Why it cannot be voided; null when it can. */
  notToVoid: string | null
  creditsId: number | null
  /** When and why it was voided. */
  voided: { at: Date; by: string; reason: string } | null
  /**
   * Documents it has to do with, each with how: "credited with", "takes back", "issued anew as", "takes the
   * place of".
   */
  links: { how: string; id: number; number: string }[]
  dispatches: DispatchView[]
  email: EmailView | null
  history: HistoryEntry[]
}

/** A document with everything that happened to it. @throws Refusal "no-such-document" */
export async function documentView(id: number, dispatchId?: number): Promise<DocumentView> {
  const document = await one<Omit<DocumentView, 'dispatches' | 'email' | 'history' | 'notToVoid'>>(
    `select d.id, d.number, d.kind, d.date::text, d.due_date::text "dueDate", ${sourceColumns},
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
            jsonb_build_object('on', x.day, 'amount', x.amount, 'kind', x.kind, 'how', x.how) order by x.id
          )
          from (
            select a.id, coalesce(p.date, k.date)::text "day", a.amount::text amount, a.kind,
              coalesce(p.method, k.number) how
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
      d.issued_at "issuedAt", d.issued_by "issuedBy", f.file_name "fileName", f.sha256, f.pages, i.open::text
    from document d
    ${sourceJoins('d')}
    left join document_file f on f.document_id = d.id
    left join open_item i on i.document_id = d.id
    where d.id = $1`,
    [id],
  )
  if (!document) throw new Refusal('no-such-document', 'That document does not exist.', { status: 404 })
  const dispatches = await rows<DispatchView>(
    `select s.id, s.channel, s.state, s.stuck_cause "cause", s.last_reply reply, s.since,
      s.next_try_at "nextTryAt", s.arrived_how how, s.is_copy "isCopy", s.attempts, s.send_to "sendTo"
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $1
    order by s.id desc`,
    [id],
  )
  const shown =
    dispatches.find((dispatch) => dispatch.id === dispatchId) ??
    dispatches.find((dispatch) => dispatch.channel === 'email' && !dispatch.isCopy) ??
    dispatches.find((dispatch) => dispatch.channel === 'email')
  return {
    ...document,
    notToVoid: (await voidRefusal(document))?.message ?? null,
    dispatches,
    email: shown ? await emailOf(shown.id) : null,
    history: await historyOf({
      documentId: id,
      sourceId: document.sourceId,
    }),
  }
}

/** The email of a dispatch: as sent, or as it would be now. */
async function emailOf(dispatchId: number): Promise<EmailView | null> {
  const copy = await one<Omit<EmailView, 'sent' | 'to' | 'files'> & { files: { name: string }[] }>(
    `select sender "from", reply_to "replyTo", subject, html, text, files, sent_at "sentAt"
    from mail_copy
    where dispatch_id = $1`,
    [dispatchId],
  )
  const outcomes = await rows<EmailView['to'][number]>(
    `select placed "as", address, name, source, outcome, reply
    from dispatch_recipient
    where dispatch_id = $1
    order by address`,
    [dispatchId],
  )
  if (copy) return { ...copy, sent: true, to: outcomes, files: copy.files.map((file) => file.name) }
  const gathered = await rows<PaperRow & { content: Paper }>(
    `select d.kind, d.paper content, s.to_role role, s.copy_to "copyTo", c.preferences,
      s.to_addresses "toAddresses", n.subject, n.text, t.design -> 'colours' colours,
      b.email_look \"emailLook\", b.name "brandName", b.sender_name "senderName",
      b.sender_address "senderAddress", b.reply_to "replyTo", s.customer_name "customerName",
      ${contactsOf('s.customer_id')} contacts
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    join customer c on c.id = s.customer_id
    join email_text n on n.id = s.email_text_id
    join brand b on b.id = s.brand_id
    join design t on t.id = d.design_id
    where s.id = $1 and s.channel = 'email'
    order by d.id`,
    [dispatchId],
  )
  const row = gathered[0]
  if (!row) return null
  const { recipients } = deliveryOf({ ...row, preference: row.preferences[row.kind] })
  const view = preview(
    row.content,
    row.customerName,
    { subject: row.subject, text: row.text },
    {
      name: row.brandName,
      colours: row.colours,
      emailLook: row.emailLook,
      senderName: row.senderName,
      senderAddress: row.senderAddress,
      replyTo: row.replyTo,
    },
    recipients,
    gathered.slice(1).map((other) => other.content),
  )
  const outcome = new Map(outcomes.map((one) => [one.address, one]))
  return {
    ...view,
    to: view.to.map((to) => ({
      ...to,
      outcome: outcome.get(to.address.toLowerCase())?.outcome ?? '',
      reply: outcome.get(to.address.toLowerCase())?.reply ?? '',
    })),
  }
}
