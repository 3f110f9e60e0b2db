import { billedBy, remaining, type DraftFacts, type DraftLine } from '../../../core/documents/draft'
import { creditable, creditOf, type CreditAsk } from '../../../core/documents/credit'
import type { OrderLineFacts } from '../../../core/documents/facts'
import { sumsOf } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import { paperWords } from '../../../core/documents/words'
import { Refusal } from '../../../core/errors'
import { Decimal, moneyText } from '../../../core/money/decimal'
import { formatPercent } from '../../../core/money/format'
import { totals } from '../../../core/money/totals'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Draft } from '../../db/models'
import type { Addressing } from '../documents/found-settings'
import { makeAll, keepDraft, type MadeDocument } from '../documents/prepare'
import { markStale } from '../outbox/stale'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { basisOf, creditedInvoices } from './context'
import { partsOfOrders } from './parts'
import {
  draftRow,
  customerTerms,
  brandExists,
  orderHead,
  invoiceOfOrder,
  linesToInvoice,
  type OrderHead,
  creditsOfInvoice,
  documentToCredit,
  lockDocument,
  openCreditDraft,
  linePositions,
  lockDraft,
  updateDraft,
  markOwnChange,
} from './drafts-queries'

/*
 * Drafts: invoices and credit notes that a person writes, without an order, for a part of one, or against an invoice.
 * Called from the Register, an order and a document. A draft that is kept is a prepared paper on To check;
 * sending it issues and books it.
 * Refuses: a draft that is issued already or was changed by somebody else, billing an order twice, crediting
 * more than is left.
 */

export interface DraftView {
  id: number
  kind: 'invoice' | 'credit note'
  brandId: number
  customerId: number
  customerName: string
  orderId: number | null
  orderNumber: string
  version: number
  state: 'open' | 'issued' | 'dropped'
  facts: DraftFacts
  /** The invoice that a credit note answers, or that an invoice is issued anew for. */
  credits: { id: number; number: string } | null
  replaces: { id: number; number: string } | null
  paper: { id: number; state: string; problem: string | null; earlierDateOk: boolean; total: string } | null
  document: { id: number; number: string } | null
}

/** @throws Refusal "no-such-draft" */
export async function draftView(id: number): Promise<DraftView> {
  const found = await draftRow(id)
  if (!found) throw new Refusal('no-such-draft', 'That draft does not exist.', { status: 404 })
  return found
}

interface NewDraft {
  kind: 'invoice' | 'credit note'
  brandId: number
  customerId: number
  orderId?: number
  creditsId?: number
  replacesId?: number
  facts: DraftFacts
}

/**
 * Keeps new drafts and prepares their papers, in one transaction: a credit and its new invoice come together
 * or not at all, and no draft is without its paper.
 */
async function keepNew(wanted: readonly NewDraft[], actor: string): Promise<number[]> {
  for (const draft of wanted) await checkFacts(draft.facts)
  return inTransaction(async () => {
    const ids: number[] = []
    for (const draft of wanted) {
      const { id } = await Draft.create({
        kind: draft.kind,
        brandId: draft.brandId,
        customerId: draft.customerId,
        orderId: draft.orderId ?? null,
        creditsId: draft.creditsId ?? null,
        replacesId: draft.replacesId ?? null,
        facts: draft.facts,
        madeAt: clock.now(),
        madeBy: actor,
      })
      ids.push(id)
    }
    const laidOut = await makeAll('invoice', ids, noAddressing)
    for (const [, made] of [...laidOut].sort(([a], [b]) => a - b)) await keepPaper(made, actor)
    return ids
  })
}

/** A draft says itself what it is, and its kind whom it goes to. */
const noAddressing: Addressing = { role: 'billing', copyTo: [] }

const keepPaper = (made: MadeDocument, actor: string) =>
  keepDraft(
    {
      kind: made.context.source.kind,
      addressing: { role: kindFacts[made.context.source.kind].to, copyTo: [] },
      trust: 'after a check',
      delayMinutes: 0,
      hours: null,
      routine: null,
      actor,
    },
    made,
  )

/** @throws Refusal with the field, for sums that cannot be worked out */
async function checkFacts(facts: DraftFacts): Promise<void> {
  const { taxRates } = await company()
  facts.lines.forEach((line, index) => {
    if (taxRates[line.taxCode] === undefined)
      throw new Refusal(
        'unknown-tax-code',
        `Line ${index + 1} has the tax code “${line.taxCode}”, which the company does not have.`,
        { status: 400, about: { field: `lines.${index}.taxCode` } },
      )
  })
}

/** An empty invoice for a customer. @throws Refusal "no-such-customer", "no-such-brand" */
export async function newInvoice(customerId: number, brandId: number, actor: string): Promise<number> {
  const customer = await customerTerms(customerId, brandId)
  if (!customer)
    throw new Refusal('no-such-customer', 'That customer does not exist.', {
      status: 404,
      about: { field: 'customerId' },
    })
  if (!(await brandExists(brandId)))
    throw new Refusal('no-such-brand', 'That brand does not exist.', {
      status: 404,
      about: { field: 'brandId' },
    })
  const facts: DraftFacts = {
    ...customer,
    reference: null,
    customerNote: null,
    suppliedOn: null,
    date: null,
    lines: [],
    adjustments: [],
  }
  return (await keepNew([{ kind: 'invoice', brandId, customerId, facts }], actor))[0]!
}

/**
 * An invoice of what remains of an order, to be cut down to a part, or of a deposit in percent. @throws
 * Refusal "no-such-order", "billed-already"
 */
export async function draftFromOrder(
  orderId: number,
  what: { kind: 'part' } | { kind: 'deposit'; percent: string },
  actor: string,
): Promise<number> {
  const order = await orderHead(orderId)
  if (!order) throw new Refusal('no-such-order', 'That order does not exist.', { status: 404 })
  const whole = await invoiceOfOrder(orderId)
  if (whole)
    throw new Refusal(
      'billed-already',
      `Invoice ${whole.number} bills the whole of order ${order.number}. Credit it first.`,
    )
  const lines = await linesToInvoice(orderId)
  const drafts = (await partsOfOrders([orderId])).get(orderId) ?? []
  const left = remaining(lines, order.adjustments, billedBy(drafts.map((draft) => draft.facts)))
  if (left.lines.length === 0)
    throw new Refusal('billed-already', `Everything of order ${order.number} is billed in parts already.`)
  const common = {
    currency: order.currency,
    pricesIncludeTax: order.pricesIncludeTax,
    reference: order.reference,
    customerNote: order.customerNote,
    date: null,
  }
  const facts: DraftFacts =
    what.kind === 'deposit'
      ? {
          ...common,
          suppliedOn: null,
          deposit: true,
          adjustments: [],
          lines: await depositLines(order, lines, what.percent),
        }
      : {
          ...common,
          suppliedOn: order.suppliedOn,
          adjustments: left.adjustments,
          lines: left.lines.map(({ position, ...line }): DraftLine => ({ ...line, orderLine: position })),
        }
  return (
    await keepNew(
      [{ kind: 'invoice', brandId: order.brandId, customerId: order.customerId, orderId, facts }],
      actor,
    )
  )[0]!
}

/** One line a rate: the percentage of what the order comes to at that rate. */
async function depositLines(
  order: OrderHead,
  lines: readonly OrderLineFacts[],
  percent: string,
): Promise<DraftLine[]> {
  const share = new Decimal(percent)
  if (share.lte(0) || share.gt(100))
    throw new Refusal('bad-percent', 'A deposit is more than 0 and at most 100 percent.', {
      status: 400,
      about: { field: 'percent' },
    })
  const { taxRates } = await company()
  const { groups } = totals({ ...order, rates: taxRates, lines, prepaid: '0' })
  return groups.map((group) => ({
    item: '',
    description: paperWords[order.language].depositLine(formatPercent(percent, order.language)),
    detail: null,
    unit: '',
    quantity: '1',
    discountPercent: '0',
    taxCode: group.taxCode,
    unitPrice: moneyText(
      (order.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base))
        .times(share)
        .div(100),
      order.currency,
    ),
  }))
}

export interface CreditOffer {
  number: string
  currency: string
  lines: { item: string; description: string; quantity: string; left: string; unitPrice: string }[]
  left: string
  pricesIncludeTax: boolean
  credits: { id: number; number: string; total: string }[]
}

/** What of an invoice can still be credited. @throws Refusal "not-an-invoice" */
export async function creditOffer(documentId: number): Promise<CreditOffer> {
  const invoice = await invoiceToCredit(documentId)
  const basis = basisOf(invoice)
  const left = creditable(basis, invoice.before)
  const credits = await creditsOfInvoice(documentId)
  return {
    number: invoice.number,
    currency: basis.currency,
    pricesIncludeTax: basis.pricesIncludeTax,
    left: left.total,
    credits,
    lines: invoice.source.order.lines.map(({ item, description, quantity, unitPrice }, index) => ({
      item,
      description,
      quantity: new Decimal(quantity).toString(),
      unitPrice,
      left: left.quantities[index]!,
    })),
  }
}

async function invoiceToCredit(documentId: number) {
  const document = await documentToCredit(documentId)
  if (!document) throw new Refusal('no-such-document', 'That document does not exist.', { status: 404 })
  if (document.kind !== 'invoice')
    throw new Refusal(
      'not-an-invoice',
      `${document.number} is ${kindFacts[document.kind as 'invoice'].one}. Only an invoice can be credited.`,
    )
  if (document.voided)
    throw new Refusal('voided', `${document.number} was voided: there is nothing to credit.`)
  return { ...document, ...(await creditedInvoices([documentId])).get(documentId)! }
}

/**
 * A credit note for an invoice, whole, by line or by amount; with `anew` also the invoice that takes its
 * place, both linked, both on To check.
 * @throws Refusal "over-credit", "nothing-left", "open-credit"
 */
export async function creditDocument(
  documentId: number,
  wanted: { ask: CreditAsk; reason: string; anew: boolean },
  actor: string,
): Promise<{ credit: number; anew: number | null }> {
  return inTransaction(async () => {
    // one at a time: of several people who credit one invoice at one instant, one gets the draft
    await lockDocument(documentId)
    return creditUnderLock(documentId, wanted, actor)
  })
}

async function creditUnderLock(
  documentId: number,
  wanted: { ask: CreditAsk; reason: string; anew: boolean },
  actor: string,
): Promise<{ credit: number; anew: number | null }> {
  const invoice = await invoiceToCredit(documentId)
  const waiting = await openCreditDraft(documentId)
  if (waiting)
    throw new Refusal(
      'open-credit',
      `A credit note for ${invoice.number} already waits on To check. Send it, or put it back, first.`,
    )
  creditOf(basisOf(invoice), invoice.before, wanted.ask, '')
  const { order } = invoice.source
  const common = {
    currency: order.currency,
    pricesIncludeTax: order.pricesIncludeTax,
    reference: order.reference,
    suppliedOn: order.suppliedOn,
    date: null,
  }
  const credit: NewDraft = {
    kind: 'credit note',
    brandId: invoice.brandId,
    customerId: invoice.customerId,
    orderId: invoice.orderId ?? undefined,
    creditsId: documentId,
    facts: {
      ...common,
      customerNote: null,
      lines: [],
      adjustments: [],
      credit: { ask: wanted.ask, reason: wanted.reason },
    },
  }
  const anew: NewDraft = {
    kind: 'invoice',
    brandId: invoice.brandId,
    customerId: invoice.customerId,
    orderId: invoice.orderId ?? undefined,
    replacesId: documentId,
    facts: await factsAnew(invoice, common),
  }
  const [creditId, anewId] = await keepNew(wanted.anew ? [credit, anew] : [credit], actor)
  return { credit: creditId!, anew: anewId ?? null }
}

/** The invoice's own content, to be corrected; its lines keep the order's lines they draft. */
async function factsAnew(
  invoice: Awaited<ReturnType<typeof invoiceToCredit>>,
  common: Pick<DraftFacts, 'currency' | 'pricesIncludeTax' | 'reference' | 'suppliedOn' | 'date'>,
): Promise<DraftFacts> {
  const { order } = invoice.source
  const before = invoice.draft
  const positions =
    invoice.orderId !== null && !before
      ? (await linePositions(invoice.orderId)).map((row) => row.position)
      : []
  return {
    ...common,
    customerNote: order.customerNote,
    adjustments: order.adjustments,
    lines:
      before?.lines ??
      order.lines.map((line, index): DraftLine => ({
        ...line,
        ...(positions[index] === undefined ? {} : { orderLine: positions[index] }),
      })),
    ...(before?.deposit ? { deposit: true } : {}),
  }
}

/** Changes an open draft; its paper is built anew. @throws Refusal "changed-meanwhile", "not-open" */
export async function changeDraft(
  id: number,
  change: { version: number; facts: DraftFacts; brandId: number; customerId: number; earlierDateOk: boolean },
  actor: string,
): Promise<void> {
  await checkFacts(change.facts)
  const { paper } = await draftView(id)
  await inTransaction(async () => {
    const draft = await lockDraft(id)
    if (!draft) throw new Refusal('no-such-draft', 'That draft does not exist.', { status: 404 })
    if (draft.state !== 'open')
      throw new Refusal(
        'not-open',
        draft.state === 'issued'
          ? 'It is issued: it cannot be changed any more. Credit it instead.'
          : 'This draft was thrown away.',
      )
    if (draft.version !== change.version)
      throw new Refusal('changed-meanwhile', 'Somebody changed this draft meanwhile. Open it again.')
    await updateDraft({ id, facts: change.facts, brandId: change.brandId, customerId: change.customerId })
    await markOwnChange(id, change.earlierDateOk)
    await markStale('source', id)
    publish('line', paper ? [paper.id] : [])
    if (paper && paper.state !== 'dropped') return
    const made = (await makeAll('invoice', [id], noAddressing)).get(id)!
    await keepPaper(made, actor)
  })
}

/** What a credit note would come to, while it is asked for. @throws Refusal "over-credit", "nothing-left" */
export async function creditSums(documentId: number, ask: CreditAsk): Promise<CreditSums> {
  const invoice = await invoiceToCredit(documentId)
  const basis = basisOf(invoice)
  const { net, tax, total } = creditOf(basis, invoice.before, ask, '').sums
  return { net, tax, total, currency: basis.currency }
}

export interface CreditSums {
  net: string
  tax: string
  total: string
  currency: string
}

/** What an open draft comes to, as it stands on the screen. @throws Refusal */
export async function draftSums(facts: DraftFacts): Promise<ReturnType<typeof sumsOf>> {
  await checkFacts(facts)
  return totals({ ...facts, rates: (await company()).taxRates, prepaid: '0' })
}
