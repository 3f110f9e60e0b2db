import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { Day } from '../../../core/documents/days'
import type { PaymentMethod } from '../../../core/documents/facts'
import { type PaperSource } from '../../../core/documents/issue'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { owedBy } from '../../../core/documents/owed'
import type { EventFacts } from '../../../core/routines/routine'
import type { SendingHours } from '../../../core/routines/sentence'
import type { Calendar } from '../../../core/routines/time'
import type { Channel, ContactRole, Preference } from '../../../core/preferences/recipients'
import { HouseEvent, IssuedDocument, OpenItem, Unpainted } from '../../db/models'
import { Refusal } from '../../../core/errors'
import { movePrepared } from './move'
import { noteAll } from '../history/history'
import type { BuiltFrom } from './paper-context'
import { engineHooks, sourceOf, type SourceKind } from './sources'
import { claimsIssued } from './queries'
import { putOnTheirWay } from './put-on-their-way'
import type { Principal } from '../people/principal'
import { contentOf, searchWords, postedFacts } from './document-content'
import type { Asked } from '../../../core/documents/second-look'
import { raised, told, toldKind, type Told } from '../../../core/said/told'
import type { Paper } from '../../../core/documents/paper'

/*
 * One paper becomes a document: its facts frozen, its open item booked, its claim settled, its event written,
 * its dispatches made.
 * Called by issuing, in its transaction. Dies half-way, or throws: its savepoint undoes it, and its number
 * goes to the next one.
 */

/** A paper as issuing locks it. */
export interface PaperRow {
  id: number
  sourceId: number
  sourceKind: SourceKind
  /** What the source is a part of, or itself. */
  rootId: number
  creditsId: number | null
  replacesId: number | null
  wantedDate: Day | null
  eventDay: Day | null
  earlierDateOk: boolean
  kind: DocumentKind
  occasion: string
  state: string
  revision: number
  problem: Told | null
  /** The status of its order that holds it back. */
  stopped: string | null
  changed: boolean
  stale: boolean
  source: PaperSource
  builtFrom: BuiltFrom
  designId: number
  emailTextId: number
  customerId: number
  customerName: string
  brandId: number
  orderNumber: string
  orderDate: Day
  channel: Channel
  sendTo: string
  role: ContactRole
  copyTo: string[]
  /** Whom a person chose for this one sending. */
  toAddresses: string[] | null
  /** What a person wrote for this one email. */
  ownEmail: OwnEmail | null
  delayMinutes: number
  hours: SendingHours | null
  /** Why a second person has to send it, and who asked for one. */
  secondLook: Told | null
  asked: Asked | null
  /** Where it goes as a rehearsal; '' for real. */
  rehearseTo: string
  /** What its customer wants of its kind. */
  wish?: Preference
  /** What routines on posting may test of the customer. */
  customerFacts: Pick<EventFacts, 'group' | 'country' | 'salesperson'>
}

/** The number that was drawn for a document, and its date; of no series where it was taken over with its own. */
export interface Drawn {
  number: string
  counter: number | null
  period: string
  seriesId: number | null
  date: Day
  /** Where it was taken over: when it was due; else its terms say that. */
  dueDate?: Day | null
  /** The newest date of its series, where this one was allowed before it. */ earlierThan: Day | null
}

/** What the papers of one issuing transaction share. */
export interface IssuingRun {
  /** What documents that go in one email are gathered by. */
  gatherAs: string
  /** Somebody read that the order is held or withdrawn. */
  despite: boolean
  /** Sources of which a part was issued in this transaction: their own papers were built before it. */
  moved: Set<number>
  now: Date
  who: Principal
  calendar: Calendar
  /** Nothing goes on its way. */
  postOnly: boolean
  /** Invoices are paid at once. */
  paidBy: PaymentMethod | null
  /** Some routine waits for posting; the events it is to look at. */
  listens: boolean
  posted: number[]
}

/** A prepared document with the number that was drawn for it. */
export interface Numbered {
  paper: PaperRow
  drawn: Drawn
}

export interface Inserted {
  documentId: number
  /** The event that a routine on posting is to look at. */
  eventId: number | null
}

/** Whether nothing of its issuing hangs on what was issued just before: then it goes with others at once. */
export const standsAlone = (paper: PaperRow, issuing: IssuingRun): boolean => {
  const { check, issued, issuedKinds } = sourceOf(paper.sourceKind)
  const follows = issued && (issuedKinds?.includes(paper.kind) ?? true)
  return !check && !follows && issuing.paidBy === null && !paper.wish?.gathered
}

/**
 * Inserts documents with all that stands on them, in the caller's transaction and behind its savepoint: all, or
 * none where one throws.
 * @returns what became of each, in their order; throws what keeps one from being issued
 */
export async function insertDocuments(
  numbered: readonly Numbered[],
  issuing: IssuingRun,
): Promise<Inserted[]> {
  const { moved, now, who } = issuing
  for (const { paper } of numbered) {
    if (moved.has(paper.sourceId)) throw new Refusal('billed-meanwhile')
    await sourceOf(paper.sourceKind).check?.(paper)
  }
  const contents = numbered.map((one) => contentOf(one, issuing))
  const documents = await IssuedDocument.bulkCreate(
    numbered.map(({ paper, drawn }, index) => ({
      kind: paper.kind,
      number: drawn.number,
      seriesId: drawn.seriesId,
      period: drawn.period,
      counter: drawn.counter,
      date: drawn.date,
      dueDate: drawn.dueDate ?? contents[index]!.paper.dueDate,
      sourceId: paper.sourceId,
      orderNumber: paper.orderNumber,
      customerId: paper.customerId,
      customerName: paper.customerName,
      brandId: paper.brandId,
      language: contents[index]!.paper.language,
      currency: contents[index]!.paper.currency,
      ...contents[index]!.paper.amounts,
      paper: contents[index]!.paper,
      designId: paper.designId,
      emailTextId: paper.emailTextId,
      preparedId: paper.id,
      issuedAt: now,
      issuedBy: who.name,
      search: searchWords({ paper, drawn }),
      creditsId: paper.creditsId,
      replacesId: paper.replacesId,
      earlierThan: drawn.earlierThan,
    })),
    { returning: ['id'] },
  )
  const issued = numbered.map((one, index) => ({
    ...one,
    ...contents[index]!,
    from: one.paper,
    documentId: documents[index]!.id,
  }))
  await OpenItem.bulkCreate(
    issued.flatMap(({ from, drawn, documentId, paper, paidNow }) => {
      const owed = owedBy(paper, paidNow)
      if (owed === null) return []
      return {
        documentId,
        customerId: from.customerId,
        currency: paper.currency,
        amount: owed,
        open: owed,
        dueDate: drawn.dueDate ?? paper.dueDate ?? drawn.date,
      }
    }),
  )
  // what was taken over is drawn by nobody anew, was sent then, and its number is not ours
  const ours = issued.filter(({ drawn }) => drawn.seriesId !== null)
  await Unpainted.bulkCreate(ours.map(({ documentId }) => ({ documentId })))
  const nowIssued = await movePrepared(
    'issue',
    numbered.map(({ paper }) => paper.id),
  )
  if (nowIssued.length !== numbered.length) throw new Error('a document that is not prepared would be issued')
  const claimed = await claimsIssued(
    issued.map(({ from, documentId }) => ({
      document_id: documentId,
      source_id: from.sourceId,
      kind: from.kind,
      occasion: from.occasion,
      prepared_id: from.id,
    })),
  )
  if (claimed !== issued.length) throw new Error('the claim of a prepared document is not its own')
  const lookedAt = (kind: DocumentKind) => (issuing.listens && kindFacts[kind].books !== null ? null : now)
  const events = await HouseEvent.bulkCreate(
    issued.map(({ from, drawn, documentId, paper }) => ({
      kind: 'document issued',
      sourceId: from.sourceId,
      documentId,
      facts: postedFacts(from, drawn.number, paper.amounts),
      schemaVersion: 3,
      at: now,
      actor: who.name,
      lookedAt: lookedAt(from.kind),
    })),
    { returning: ['id'] },
  )
  await noteAll(
    issued.map(({ from, drawn, documentId, paper }) => ({
      sourceId: from.sourceId,
      preparedId: from.id,
      documentId,
      actor: who.name,
      ...toldIssued(from.kind, drawn, paper),
    })),
  )
  for (const { from, drawn, documentId, paper, paidNow } of issued) {
    await sourceOf(from.sourceKind).issued?.(from, documentId, { now, who, moved })
    if (paidNow !== null)
      await engineHooks().paidAtOnce(
        {
          customerId: from.customerId,
          date: drawn.date,
          method: issuing.paidBy!,
          amount: paidNow,
          currency: paper.currency,
          number: drawn.number,
          documentId,
        },
        who,
      )
  }
  await putOnTheirWay(
    ours.map(({ from, drawn, documentId, paper }) => ({
      from,
      documentId,
      number: drawn.number,
      total: paper.amounts.total,
      currency: paper.currency,
    })),
    issuing,
  )
  return issued.map(({ from, documentId }, index) => ({
    documentId,
    eventId: lookedAt(from.kind) === null ? events[index]!.id : null,
  }))
}

function toldIssued(kind: DocumentKind, { number, seriesId }: Drawn, { amounts, currency }: Paper): Told {
  const of = { kind: raised(toldKind(kind)), number }
  return seriesId === null
    ? told('issued/taken-over', of)
    : told('issued/over', { ...of, sum: `${amounts.total} ${currency}` })
}
