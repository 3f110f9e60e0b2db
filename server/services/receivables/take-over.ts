import type { Day } from '../../../core/documents/days'
import type { DraftFacts } from '../../../core/documents/draft'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { Decimal, type DecimalText } from '../../../core/money/decimal'
import type { Language } from '../../../core/money/format'
import { compareBalance, type Comparison, type TrialBalance } from '../../../core/receivables/trial-balance'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Company, Draft, Payment } from '../../db/models'
import { insertDocuments } from '../documents/insert-document'
import { lockCustomersOf, lockPrepared } from '../documents/issue-queries'
import { makeAll } from '../documents/make-papers'
import { keepDrafts } from '../documents/prepare'
import { houseCalendar } from '../house/calendar'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { bookPayment } from './payments'
import { onAccountKey, takenOverByCustomer, takenOverDocuments, takenOverSums } from './take-over-queries'

/*
 * What was open in the program before this one: invoices and credits under their old numbers and dates, and payments
 * on account. They are owed, paid and credited like any other; they are of no number series, have no PDF but the one
 * that they bring, and count as sent earlier.
 * Called by imports and from Accounts. Dies half-way: everything is undone.
 */

export interface OldDocument {
  kind: Extract<DocumentKind, 'invoice' | 'credit note'>
  number: string
  date: Day
  dueDate: Day | null
  customerId: number
  language: Language
  brandId: number
  currency: string
  /** What it came to, with tax; over zero. */
  total: DecimalText
  /** What is still open of it; over zero. */
  open: DecimalText
  taxCode: string
  reference: string | null
}

/** As its draft: one line that names it, and what was paid before it came over. */
function factsOf({ kind, number, language, total, open, ...old }: OldDocument): DraftFacts {
  return {
    currency: old.currency,
    pricesIncludeTax: true,
    reference: old.reference,
    customerNote: null,
    suppliedOn: old.date,
    date: old.date,
    lines: [
      {
        item: '',
        description: `${kindFacts[kind].heading[language]} ${number}`,
        detail: null,
        unit: '',
        quantity: '1',
        unitPrice: total,
        discountPercent: '0',
        taxCode: old.taxCode,
      },
    ],
    adjustments: [],
    prepaid: new Decimal(total).minus(open).toString(),
  }
}

/**
 * Takes documents over, in the caller's transaction.
 * @throws Refusal where one cannot stand on a document, like a customer without a billing address
 */
export async function takeOver(olds: readonly OldDocument[], who: Principal): Promise<void> {
  const now = clock.now()
  const drafts = await Draft.bulkCreate(
    olds.map((old) => ({
      kind: old.kind,
      brandId: old.brandId,
      customerId: old.customerId,
      orderId: null,
      creditsId: null,
      replacesId: null,
      facts: factsOf(old),
      madeAt: now,
      madeBy: who.name,
    })),
    { returning: ['id'] },
  )
  const oldOf = new Map(drafts.map((draft, index) => [draft.id, olds[index]!]))
  const made = await makeAll('invoice', [...oldOf.keys()], { role: 'billing', copyTo: [] })
  const wrong = [...made.values()].find((one) => one.paper === null)
  if (wrong) throw new Refusal('not-to-be-made', { values: { words: wrong.problem! } })
  const kept = await keepDrafts(
    [...made.values()].map((one) => ({
      asked: {
        kind: one.context.source.kind,
        addressing: { role: 'billing', copyTo: [] },
        trust: 'after a check',
        delayMinutes: 0,
        hours: null,
        routine: null,
        who,
      },
      made: one,
    })),
  )
  const ids = kept.map((one) => one.preparedId!)
  const factsOfCustomer = new Map((await lockCustomersOf(null, ids)).map((row) => [row.id, row.facts]))
  const papers = await lockPrepared(ids)
  await insertDocuments(
    papers.map((paper) => {
      const old = oldOf.get(paper.sourceId)!
      return {
        paper: { ...paper, rehearseTo: '', customerFacts: factsOfCustomer.get(paper.customerId)! },
        drawn: {
          number: old.number,
          counter: null,
          period: '',
          seriesId: null,
          date: old.date,
          dueDate: old.dueDate,
          earlierThan: null,
        },
      }
    }),
    {
      gatherAs: '',
      despite: false,
      moved: new Set(),
      now,
      who,
      calendar: await houseCalendar(now),
      postOnly: true,
      paidBy: null,
      listens: false,
      posted: [],
    },
  )
  publish('register')
}

export interface OldPayment {
  number: string
  date: Day
  customerId: number
  currency: string
  /** What of it is on account; over zero. */
  amount: DecimalText
  reference: string | null
}

/** Takes a payment on account over: no receipt is made of it, since it was receipted then. */
export async function takeOverPayment(old: OldPayment, who: Principal): Promise<void> {
  const { date, customerId, currency, amount } = old
  const id = await bookPayment(
    {
      direction: 'in',
      customerId,
      date,
      method: 'bank transfer',
      amount,
      currency,
      reference: old.reference ?? old.number,
      settle: [],
      another: true,
    },
    who,
    { tellRoutines: false },
  )
  await Payment.update({ externalKey: onAccountKey(old.number) }, { where: { id } })
}

export interface TakenOverRow {
  id: number
  number: string
  name: string
  currency: string
  count: number
  sum: DecimalText
}

export interface TakenOverView {
  comparison: Comparison[]
  customers: TakenOverRow[]
  documents: number
  withPdf: number
}

/** What came over beside what the earlier program says. */
export async function takenOverView(who: Principal): Promise<TakenOverView> {
  const { trialBalance } = (await Company.findByPk(1))!
  const documents = await takenOverDocuments(who)
  return {
    documents: documents.length,
    withPdf: documents.filter((one) => one.hasFile).length,
    comparison: compareBalance(await takenOverSums(who), trialBalance),
    customers: await takenOverByCustomer(who),
  }
}

/** Keeps what the earlier program says, for good: the comparison can be shown later. */
export async function keepTrialBalance(balance: TrialBalance): Promise<void> {
  await inTransaction(async () => {
    await Company.update({ trialBalance: balance }, { where: { id: 1 } })
    publish('payment')
  })
}
