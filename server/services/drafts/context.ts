import type { DraftFacts } from '../../../core/documents/draft'
import { creditOf, type CreditBasis, type Credited } from '../../../core/documents/credit'
import type { Day } from '../../../core/documents/days'
import type { CreditFacts, OrderLineFacts } from '../../../core/documents/facts'
import type { PaperSource } from '../../../core/documents/issue'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { ratesFor } from '../../../core/documents/treatment'
import { paperWords } from '../../../core/documents/words'
import { Decimal } from '../../../core/money/decimal'
import { groupBy } from '../../../core/group'
import { totals } from '../../../core/money/totals'
import { contextOf, houseContext } from '../documents/found-settings'
import { type Addressing, type PaperContext, type SubjectRow } from '../documents/paper-context'
import { draftRows, creditedDocuments, standingCredits, fieldsOfItems } from './queries'
import { contactsOfCustomers } from '../customers/queries'

/** The invoice that a credit note answers, with what was credited of it before. */
export interface CreditedInvoice {
  id: number
  number: string
  date: Day
  source: PaperSource
  before: Credited[]
}

/** Loads what the papers of drafts are made of, with a fixed number of queries. */
export async function loadDraftContexts(
  _kind: DocumentKind,
  draftIds: readonly number[],
  { asOnce }: Pick<Addressing, 'asOnce'>,
): Promise<Map<number, PaperContext>> {
  const drafts = await draftRows(draftIds)
  const contacts = groupBy(
    await contactsOfCustomers([...new Set(drafts.map((draft) => draft.customerId))]),
    (contact) => contact.customerId,
  )
  const invoices = await creditedInvoices(drafts.flatMap((draft) => draft.creditsId ?? []))
  const itemFields = await fieldsOfItems(drafts.flatMap(({ facts }) => facts.lines.map(({ item }) => item)))
  const contexts = new Map<number, PaperContext>()
  for (const [kind, own] of groupBy(drafts, (draft) => draft.kind)) {
    const house = await houseContext(kind)
    for (const draft of own) {
      const { facts } = draft
      const invoice = draft.creditsId === null ? undefined : invoices.get(draft.creditsId)
      const credit =
        invoice && facts.credit
          ? creditFacts(invoice, facts, asOnce?.language ?? draft.customerLanguage ?? house.company.language)
          : undefined
      // a credit note's lines are its invoice's, with what was printed at them
      const lines =
        credit?.lines ??
        facts.lines.map(({ fields, ...line }) => ({
          ...line,
          own: fields,
          ofItem: itemFields.get(line.item),
        }))
      const subject: SubjectRow = {
        ...draft,
        currency: facts.currency,
        pricesIncludeTax: facts.pricesIncludeTax,
        reference: facts.reference,
        customerNote: facts.customerNote,
        suppliedOn: facts.suppliedOn ?? (facts.deposit ? draft.date : null),
        adjustments: facts.adjustments,
        ...(credit ? { credit: credit.credit } : {}),
        ...(invoice?.source.customer.treatment ? { treatment: invoice.source.customer.treatment } : {}),
      }
      const context = contextOf(
        kind,
        { ...subject, total: credit?.credit.sums.total ?? totalOf(facts, house.company.taxRates) },
        lines,
        contacts.get(draft.customerId) ?? [],
        { role: kindFacts[kind].to, copyTo: [], asOnce },
        house,
      )
      // a credit note mirrors its invoice: at the rates that were in force then
      contexts.set(
        draft.sourceId,
        invoice ? { ...context, source: { ...context.source, rates: invoice.source.rates } } : context,
      )
    }
  }
  return contexts
}

function totalOf(facts: DraftFacts, rates: Record<string, string>): string {
  try {
    return totals({ ...facts, rates, prepaid: '0' }).total
  } catch {
    return '0'
  }
}

/** Invoices by id with the credits that stand against each. */
export async function creditedInvoices(
  ids: readonly number[],
  notCounting?: number,
): Promise<Map<number, CreditedInvoice>> {
  const found = await creditedDocuments(ids)
  const credits = await standingCredits(ids)
  const before = groupBy(
    credits.filter((credit) => credit.id !== notCounting),
    (credit) => credit.creditsId,
  )
  return new Map(
    found.map((invoice) => [
      invoice.id,
      { ...invoice, before: (before.get(invoice.id) ?? []).map((credit) => credit.credited) },
    ]),
  )
}

/** The numbers an invoice's credits are worked out from: at the tax rates it was issued with. */
export function basisOf({ source }: Pick<CreditedInvoice, 'source'>): CreditBasis {
  const { order, rates, customer } = source
  return {
    currency: order.currency,
    pricesIncludeTax: order.pricesIncludeTax,
    rates: ratesFor(rates, customer.treatment ?? 'domestic'),
    lines: order.lines,
    adjustments: order.adjustments,
  }
}

/** @throws Refusal "over-credit", "nothing-left", "no-lines" */
export function creditFacts(
  invoice: CreditedInvoice,
  facts: DraftFacts,
  language: PaperSource['language'],
): { credit: CreditFacts; lines: OrderLineFacts[] } {
  const words = paperWords[language]
  const made = creditOf(basisOf(invoice), invoice.before, facts.credit!.ask, words.share)
  const lines = made.lines.map(({ from, ...charge }): OrderLineFacts =>
    from === null
      ? { ...charge, item: '', description: words.creditOn(invoice.number), detail: null, unit: '' }
      : { ...invoice.source.order.lines[from]!, quantity: new Decimal(charge.quantity).toString() },
  )
  return {
    credit: {
      number: invoice.number,
      date: invoice.date,
      reason: facts.credit!.reason,
      sums: made.sums,
      credited: made.credited,
    },
    lines,
  }
}
