import { formatDay } from '../documents/days'
import { kindFacts } from '../documents/kinds'
import type { Paper } from '../documents/paper'
import { Decimal } from '../money/decimal'
import { formatMoney, type Language } from '../money/format'
import type { MergeFields } from './fields'

/** Words of the list that an email with several documents carries, in the document's language. */
const listWords: Record<Language, { of: string; due: string; paid: string; nothing: string }> = {
  en: { of: 'of', due: 'due on', paid: 'paid already', nothing: 'nothing to pay' },
  de: { of: 'vom', due: 'fällig am', paid: 'bereits bezahlt', nothing: 'nichts zu zahlen' },
  fr: { of: 'du', due: 'à régler au plus tard le', paid: 'déjà réglée', nothing: 'rien à régler' },
}

const withCurrency = (amount: string, paper: Paper) =>
  `${formatMoney(amount, paper.currency, paper.language)}\u00A0${paper.currency}`

/** Whether a document asks for money, was paid before, or comes to nothing. */
export function payingOf({ amounts }: Paper): 'due' | 'paid' | 'nothing' {
  if (new Decimal(amounts.toPay).gt(0)) return 'due'
  return new Decimal(amounts.total).isZero() ? 'nothing' : 'paid'
}

/** What is to be paid of it; its total where nothing is. */
const sumOf = (paper: Paper) => (payingOf(paper) === 'due' ? paper.amounts.toPay : paper.amounts.total)

/** "Invoice INV-7 of 24 November 2026: 612.54 EUR, due on 24 December 2026". */
function lineOf(paper: Paper): string {
  const words = listWords[paper.language]
  const day = (date: string) => formatDay(date, paper.language)
  const paying = payingOf(paper)
  const rest =
    paying === 'due' ? (paper.dueDate ? `, ${words.due} ${day(paper.dueDate)}` : '') : `, ${words[paying]}`
  return (
    `${paper.heading} ${paper.number} ${words.of} ${day(paper.date)}: ` +
    `${withCurrency(sumOf(paper), paper)}${kindFacts[paper.kind].asksForPayment ? rest : ''}`
  )
}

/** The values of all fields for one document, or for several that go in one email. */
export function letterFields(
  papers: readonly [Paper, ...Paper[]],
  people: { customer: string; contact: string; brand: string; sender: string },
): MergeFields {
  const [first] = papers
  const fact = (paper: Paper, key: string) => paper.facts.find((one) => one.key === key)?.value ?? ''
  const all = (value: (paper: Paper) => string) =>
    [...new Set(papers.map(value).filter((text) => text !== ''))].join(', ')
  const paying = papers.map(payingOf)
  const owing = paying.includes('due')
  const total = papers.reduce(
    (sum, paper) => sum.plus(owing ? Decimal.max(0, paper.amounts.toPay) : paper.amounts.total),
    new Decimal(0),
  )
  return {
    ...people,
    number: all((paper) => paper.number),
    order: all((paper) => fact(paper, 'order')),
    reference: all((paper) => fact(paper, 'reference')),
    date: all((paper) => formatDay(paper.date, paper.language)),
    due: all((paper) => (paper.dueDate ? formatDay(paper.dueDate, paper.language) : '')),
    total: withCurrency(total.toString(), first),
    paying: owing ? 'due' : paying[0]!,
    several: papers.length > 1 ? 'yes' : '',
    documents: papers.length > 1 ? papers.map(lineOf).join('\n') : '',
  }
}
