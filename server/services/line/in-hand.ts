import type { StuckCause } from '../../../core/dispatch/states'
import type { Asked } from '../../../core/documents/second-look'
import { Refusal } from '../../../core/errors'
import type { PaperChange } from '../../../core/documents/issue'
import type { Paper } from '../../../core/documents/paper'
import type { Design } from '../../../core/designs/design'
import { goesWithGoods, type DocumentKind } from '../../../core/documents/kinds'
import type { ContactFacts } from '../../../core/preferences/recipients'
import type { Language } from '../../../core/money/format'
import type { AsOnce } from '../../../core/preferences/variants'
import type { SourceRef } from '../../../core/documents/sources'
import { told, type Told } from '../../../core/said/told'
import { voidRefusal } from '../documents/void'
import { filesOfPrepared } from '../enclosures/going'
import { historyOf, type HistoryEntry } from '../history/history'
import type { Principal } from '../people/principal'
import { linksOfDocument } from '../links/links'
import type { LinkView } from '../links/queries'
import { emailOf, preview, type EmailView } from './email-view'
import { letterOf, wordsOf, type EmailWords } from './own-email'
import { waitingEmail, type WaitingEmail } from './waiting-email'
import { preparedRow, preparedPage, documentRow, dispatchesOfDocument } from './queries'

/*
 * The one in hand: a paper not yet issued, or a document, with its email as it will be or was sent, and its history.
 */

export interface PreparedView extends SourceRef {
  id: number
  kind: DocumentKind
  revision: number
  orderNumber: string
  customerId: number
  customerName: string
  state: string
  problem: Told | null
  /** What is missing is the address at which its customer is billed. */
  lacksAddress: boolean
  /** It is held until its order has what its customer needs: what follows then. */
  onceComplete: 'check' | 'go' | null
  changes: PaperChange[] | null
  /** Why a second person has to send it, and who asked for one. */
  secondLook: Told | null
  asked: Asked | null
  channel: string
  email: EmailView | null
  history: HistoryEntry[]
  total: string
  currency: string
  /** The customer's people, to choose from. */
  contacts: ContactFacts[]
  /** What the email says, as a person can write it anew for this once; null without an email. */
  words: EmailWords | null
  /** What was chosen for this one document; null where it is made as its customer has it. */
  asOnce: AsOnce | null
  brandId: number
  textLanguage: Language
  /** The variants whose email text and whose design it has, by name; null for the brand's own. */
  textVariant: string | null
  designVariant: string | null
  /** Their ids; null for the brand's own. */
  textVariantId: number | null
  designVariantId: number | null
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
    billed,
    ...view
  } = row
  return {
    ...view,
    lacksAddress: view.problem !== null && !billed && !goesWithGoods(view.kind),
    email: letter ? await preview(letter, (await filesOfPrepared([id], who.name)).get(id)) : null,
    words: letter ? await wordsOf(letter, { subject, text, brandId: view.brandId }, ownEmail) : null,
    history: await historyOf({
      preparedId: id,
      sourceId: view.sourceId,
    }),
  }
}

/** The content and design of a paper, for its PDF as it will be. */
export async function paperForPdf(id: number): Promise<{ paper: Paper; design: Design }> {
  const row = await preparedPage(id)
  if (!row) throw new Refusal('no-such-paper/any-more', { status: 404 })
  if (!row.content)
    throw new Refusal('no-paper', { values: { words: row.problem ?? told('problem/not-made') } })
  return { paper: row.content, design: row.design }
}

export interface DispatchView {
  id: number
  channel: string
  state: string
  cause: StuckCause | null
  reply: string | null
  since: Date
  nextTryAt: Date | null
  how: string | null
  isCopy: boolean
  attempts: number
  sendTo: string
}

/** What was booked on a document; a counter-entry is below zero. */
export interface Booked {
  on: string
  amount: string
  kind: 'credit' | 'payment' | 'discount' | 'write-off'
  how: string
  /** Waived by itself, without a payment. */
  waiver: boolean
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
  /** What was booked as owed by it: of a reminder its fee and interest. Null where nothing was. */
  owed: string | null
  /** Oldest first. */
  booked: Booked[]
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
  /** Files that its emails lead to. */
  fileLinks: LinkView[]
  email: EmailView | null
  /** Its email, as long as it can be written anew. */
  waiting: WaitingEmail | null
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
    fileLinks: await linksOfDocument(id),
    email: shown ? await emailOf(shown.id) : null,
    waiting: shown ? await waitingEmail(shown.id) : null,
    history: await historyOf({
      documentId: id,
      sourceId: document.sourceId,
    }),
  }
}
