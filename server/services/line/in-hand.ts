import { Refusal } from '../../../core/errors'
import type { PaperChange } from '../../../core/documents/issue'
import type { Paper } from '../../../core/documents/paper'
import type { Design } from '../../../core/designs/design'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { SourceRef } from '../../../core/documents/sources'
import { type Recipient } from '../../../core/preferences/recipients'
import { fillLetter, type Letter } from '../dispatch/compose'
import { voidRefusal } from '../documents/void'
import { historyOf, type HistoryEntry } from '../history/history'
import type { Principal } from '../people/principal'
import { letterOf, wordsOf, type EmailWords } from './own-email'
import {
  preparedRow,
  preparedPage,
  documentRow,
  dispatchesOfDocument,
  mailCopyOf,
  recipientsOfDispatch,
  letterToCome,
} from './queries'

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
  /** What the email says, as a person can write it anew for this once; null without an email. */
  words: EmailWords | null
}

/**
 * A paper that is not issued yet.
 * @param who looks at it, and would have it sent
 * @throws Refusal "no-such-paper"
 */
export async function preparedView(id: number, who: Principal): Promise<PreparedView> {
  const row = await preparedRow(id, who.name)
  if (!row) throw new Refusal('no-such-paper/any-more', { status: 404 })
  const letter = letterOf(row)
  const {
    content: _content,
    role: _role,
    copyTo: _copyTo,
    toAddresses: _toAddresses,
    ownEmail,
    preferences: _preferences,
    subject,
    text,
    colours: _colours,
    emailLook: _emailLook,
    brandName: _brandName,
    senderName: _senderName,
    senderAddress: _senderAddress,
    replyTo: _replyTo,
    contacts: _contacts,
    ...view
  } = row
  return {
    ...view,
    email: letter ? preview(letter) : null,
    words: letter ? wordsOf(letter, { subject, text }, ownEmail) : null,
    history: await historyOf({
      preparedId: id,
      sourceId: view.sourceId,
    }),
  }
}

function preview(letter: Letter): EmailView {
  const { paper, brand, recipients, others = [] } = letter
  const filled = fillLetter({ ...letter, paper: paper.issued ? paper : { ...paper, number: '…' } })
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
  const row = await preparedPage(id)
  if (!row) throw new Refusal('no-such-paper/any-more', { status: 404 })
  if (!row.content)
    throw new Refusal('no-paper', { values: { words: row.problem ?? 'There is no document yet.' } })
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
  /** From the program before this one; its PDF is there only where it was brought. */
  takenOver: boolean
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
  const document = await documentRow(id)
  if (!document) throw new Refusal('no-such-document', { status: 404 })
  const dispatches = await dispatchesOfDocument(id)
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
  const copy = await mailCopyOf(dispatchId)
  const outcomes = await recipientsOfDispatch(dispatchId)
  if (copy) return { ...copy, sent: true, to: outcomes, files: copy.files.map((file) => file.name) }
  const gathered = await letterToCome(dispatchId)
  const row = gathered[0]
  if (!row) return null
  const letter = letterOf(row)!
  const view = preview({
    ...letter,
    others: gathered.slice(1).map((other) => other.content),
  })
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
