import { creditable, type CreditAsk, creditOf } from '../../../core/documents/credit'
import type { DraftFacts, DraftLine } from '../../../core/documents/draft'
import { kindFacts } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { inTransaction } from '../../db/connection'
import { basisOf, creditedInvoices } from './context'
import { type NewDraft, keepNew, type CreditSums } from './drafts'
import {
  creditsOfInvoice,
  documentToCredit,
  lockDocument,
  openCreditDraft,
  linePositions,
} from './drafts-queries'
import type { Principal } from '../people/principal'

/*
 * Crediting an invoice: what is left of it, what a credit would come to, and the draft of the credit note, with a
 * new invoice in its place where that is wanted.
 * Called from a document in hand. Refuses: more than is left, and a second draft beside one that is open.
 */

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
  if (!document) throw new Refusal('no-such-document', { status: 404 })
  if (document.kind !== 'invoice')
    throw new Refusal('not-an-invoice', {
      values: { document: document.number, kind: kindFacts[document.kind as 'invoice'].one },
    })
  if (document.voided) throw new Refusal('voided', { values: { document: document.number } })
  return { ...document, ...(await creditedInvoices([documentId])).get(documentId)! }
}

/**
 * A credit note for an invoice, whole, by line or by amount; with `anew` also the invoice that takes its
 * place, both linked, both in To check.
 * @throws Refusal "over-credit", "nothing-left", "open-credit"
 */
export async function creditDocument(
  documentId: number,
  wanted: { ask: CreditAsk; reason: string; anew: boolean },
  who: Principal,
): Promise<{ credit: number; anew: number | null }> {
  return inTransaction(async () => {
    // one at a time: of several people who credit one invoice at one instant, one gets the draft
    await lockDocument(documentId)
    return creditUnderLock(documentId, wanted, who)
  })
}

async function creditUnderLock(
  documentId: number,
  wanted: { ask: CreditAsk; reason: string; anew: boolean },
  who: Principal,
): Promise<{ credit: number; anew: number | null }> {
  const invoice = await invoiceToCredit(documentId)
  const waiting = await openCreditDraft(documentId)
  if (waiting) throw new Refusal('open-credit', { values: { invoice: invoice.number } })
  creditOf(basisOf(invoice), invoice.before, wanted.ask, '')
  const { order } = invoice.source
  const common = {
    currency: order.currency,
    pricesIncludeTax: order.pricesIncludeTax,
    reference: order.reference,
    suppliedOn: order.suppliedOn,
    date: null,
    branchId: invoice.draft?.branchId ?? null,
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
  const [creditId, anewId] = await keepNew(wanted.anew ? [credit, anew] : [credit], who)
  return { credit: creditId!, anew: anewId ?? null }
}

/** The invoice's own content, to be corrected; its lines keep the order's lines they draft. */
async function factsAnew(
  invoice: Awaited<ReturnType<typeof invoiceToCredit>>,
  common: Pick<
    DraftFacts,
    'currency' | 'pricesIncludeTax' | 'reference' | 'suppliedOn' | 'date' | 'branchId'
  >,
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

/** What a credit note would come to, while it is asked for. @throws Refusal "over-credit", "nothing-left" */
export async function creditSums(documentId: number, ask: CreditAsk): Promise<CreditSums> {
  const invoice = await invoiceToCredit(documentId)
  const basis = basisOf(invoice)
  const { net, tax, total } = creditOf(basis, invoice.before, ask, '').sums
  return { net, tax, total, currency: basis.currency }
}
