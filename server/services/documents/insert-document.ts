import type { Day } from '../../../core/documents/days'
import type { PaymentMethod } from '../../../core/documents/facts'
import { issuePaper, type PaperSource } from '../../../core/documents/issue'
import { capital, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { Decimal, moneyText, type DecimalText } from '../../../core/money/decimal'
import type { EventFacts } from '../../../core/routines/routine'
import { sendingTime } from '../../../core/routines/sending-time'
import type { SendingHours } from '../../../core/routines/sentence'
import type { Channel, ContactRole } from '../../../core/preferences/recipients'
import { json, run } from '../../db/connection'
import { HouseEvent, IssuedDocument, OpenItem, Undelivered, Unpainted } from '../../db/models'
import { noAddress, planSending } from '../../../core/dispatch/plan'
import { Refusal } from '../../../core/errors'
import { addToDispatch, gatheringDispatch, newDispatch } from '../dispatch/create'
import { note, noteAll } from '../history/history'
import type { BuiltFrom } from './found-settings'
import { engineHooks, sourceOf, type SourceKind } from './sources'

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
  problem: string | null
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
  delayMinutes: number
  hours: SendingHours | null
  /** The customer wants several documents of one Send in one email. */
  gathered?: boolean
  /** What routines on posting may test of the customer. */
  customerFacts: Pick<EventFacts, 'group' | 'country' | 'salesperson'>
}

/** The number that was drawn for a document, and its date. */
export interface Drawn {
  number: string
  counter: number
  period: string
  seriesId: number
  date: Day
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
  actor: string
  timeZone: string
  /** Nothing goes on its way. */
  postOnly: boolean
  /** Invoices are paid at once. */
  paidBy: PaymentMethod | null
  /** Some routine waits for posting; the events it is to look at. */
  listens: boolean
  posted: number[]
}

/**
 * Inserts a document with all that stands on it, in the caller's transaction and behind its savepoint.
 * @returns its id, and the event that a routine on posting is to look at; throws what keeps it from being
 * issued
 */
export async function insertDocument(
  paper: PaperRow,
  drawn: Drawn,
  issuing: IssuingRun,
): Promise<{ documentId: number; eventId: number | null }> {
  const { moved, now, actor } = issuing
  if (moved.has(paper.sourceId))
    throw new Refusal(
      'billed-meanwhile',
      'A part of its order has just been invoiced. Look at it again, then send it.',
    )
  const from = sourceOf(paper.sourceKind)
  await from.check?.(paper)
  const asked = issuePaper(paper.source, drawn.date, drawn.number)
  const { paidBy } = issuing
  const paidNow =
    paidBy !== null && kindFacts[paper.kind].asksForPayment && new Decimal(asked.amounts.toPay).gt(0)
      ? asked.amounts.toPay
      : null
  const issued: Paper =
    paidNow === null
      ? asked
      : issuePaper(
          {
            ...paper.source,
            order: {
              ...paper.source.order,
              prepaid: new Decimal(paper.source.order.prepaid).plus(paidNow).toString(),
            },
          },
          drawn.date,
          drawn.number,
        )
  const { amounts } = issued
  const words = [
    drawn.number,
    paper.orderNumber,
    paper.customerName,
    paper.source.order.reference ?? '',
    paper.source.credit?.number ?? '',
  ]
  const { id: documentId } = await IssuedDocument.create({
    kind: paper.kind,
    number: drawn.number,
    seriesId: drawn.seriesId,
    period: drawn.period,
    counter: drawn.counter,
    date: drawn.date,
    dueDate: issued.dueDate,
    sourceId: paper.sourceId,
    orderNumber: paper.orderNumber,
    customerId: paper.customerId,
    customerName: paper.customerName,
    brandId: paper.brandId,
    language: issued.language,
    currency: issued.currency,
    ...amounts,
    paper: issued,
    designId: paper.designId,
    emailTextId: paper.emailTextId,
    preparedId: paper.id,
    issuedAt: now,
    issuedBy: actor,
    search: words.filter(Boolean).join(' ').toLowerCase(),
    creditsId: paper.creditsId,
    replacesId: paper.replacesId,
    earlierThan: drawn.earlierThan,
  })
  if (kindFacts[paper.kind].books !== null) {
    const owed =
      kindFacts[paper.kind].books === 'debit'
        ? (paidNow ?? amounts.toPay)
        : moneyText(new Decimal(amounts.total).neg(), issued.currency)
    await OpenItem.create({
      documentId,
      customerId: paper.customerId,
      currency: issued.currency,
      amount: owed,
      open: owed,
      dueDate: issued.dueDate ?? drawn.date,
    })
  }
  await Unpainted.create({ documentId })
  await run(`update prepared_document set state = 'issued' where id = $1`, [paper.id])
  const claimed = await run(
    `update claim
    set document_id = $1
    where source_id = $2 and document_kind = $3 and occasion = $4 and prepared_id = $5`,
    [documentId, paper.sourceId, paper.kind, paper.occasion, paper.id],
  )
  if (claimed !== 1) throw new Error('the claim of a prepared document is not its own')
  const toBeLookedAt = issuing.listens && kindFacts[paper.kind].books !== null
  const event = await HouseEvent.create({
    kind: 'document issued',
    sourceId: paper.sourceId,
    documentId,
    facts: postedFacts(paper, drawn.number, amounts),
    schemaVersion: 3,
    at: now,
    actor,
    lookedAt: toBeLookedAt ? null : now,
  })
  await noteAll([
    {
      sourceId: paper.sourceId,
      preparedId: paper.id,
      documentId,
      actor,
      words: `${capital(paper.kind)} ${drawn.number} was issued over ${amounts.total} ${issued.currency}.`,
    },
  ])
  await from.issued?.(paper, documentId, { now, actor, moved })
  if (paidNow !== null) {
    await engineHooks().paidAtOnce(
      {
        customerId: paper.customerId,
        date: drawn.date,
        method: paidBy!,
        amount: paidNow,
        currency: issued.currency,
        number: drawn.number,
        documentId,
      },
      actor,
    )
  }
  await putOnItsWay(
    paper,
    { documentId, number: drawn.number, total: amounts.total, currency: issued.currency },
    issuing,
  )
  return { documentId, eventId: toBeLookedAt ? event.id : null }
}

/** The dispatches of a document: one a channel, or one more document in an email that its customer wants gathered. */
async function putOnItsWay(
  paper: PaperRow,
  {
    documentId,
    number,
    total,
    currency,
  }: { documentId: number; number: string; total: DecimalText; currency: string },
  issuing: IssuingRun,
): Promise<void> {
  const { now, actor, timeZone, postOnly, despite, gatherAs } = issuing
  const plan = planSending({
    ...paper,
    hasAddress: paper.sendTo !== noAddress,
    issueOnly: postOnly,
    despite,
    withoutAddress: true,
  })
  if (!plan.goes) throw new Error(`a document was issued that does not go: ${plan.reason}`)
  const notBefore = sendingTime(now, paper.delayMinutes, paper.hours, timeZone)
  for (const channel of ['email', 'paper'] as const) {
    if (!(channel === 'email' ? plan.email : plan.print)) continue
    const alike = [paper.customerId, paper.brandId, paper.kind, paper.role, paper.copyTo, currency]
    const gatherKey =
      channel === 'email' && paper.gathered && paper.toAddresses === null
        ? `${gatherAs} ${json([...alike, paper.delayMinutes, paper.hours])}`
        : null
    const open = gatherKey && (await gatheringDispatch(gatherKey))
    if (open) {
      await addToDispatch(open, documentId)
      continue
    }
    await newDispatch({
      channel,
      documentId,
      number,
      customerId: paper.customerId,
      customerName: paper.customerName,
      brandId: paper.brandId,
      role: paper.role,
      emailTextId: paper.emailTextId,
      total,
      currency,
      sendTo: channel === 'paper' ? 'Paper, by post' : paper.sendTo,
      toAddresses: channel === 'email' ? paper.toAddresses : null,
      copyTo: paper.copyTo,
      isCopy: false,
      ready: false,
      notBefore,
      actor,
      despite,
      gatherKey,
    })
  }
  if (plan.email || plan.print) return
  if (paper.channel === 'nothing')
    await note(
      { sourceId: paper.sourceId, documentId },
      actor,
      `Not sent: ${paper.customerName} wants no ${kindFacts[paper.kind].many}.`,
    )
  else await Undelivered.create({ documentId, since: now })
}

/** What routines on posting may test. */
function postedFacts(
  { kind, source, customerFacts }: PaperRow,
  number: string,
  amounts: Paper['amounts'],
): EventFacts {
  const { order } = source
  return {
    ...customerFacts,
    posted: kind,
    number,
    order: order.number,
    total: amounts.total,
    net: amounts.net,
    currency: order.currency,
    brand: source.brand.code,
    customer: source.customer.number,
    items: [...new Set(order.lines.map((line) => line.item).filter(Boolean))],
  }
}
