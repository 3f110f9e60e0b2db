import { formatMoney, type Language } from '../money/format'
import type { Currency } from '../money/decimal'
import type { OpenEntry } from '../receivables/statement'
import { formatDay, type Day } from './days'
import { statementWords } from './statement-words'

/** What a list of open items tells of each. */
export type OpenItem = Pick<OpenEntry, 'kind' | 'number' | 'dueDate' | 'open'>

/** A list of open items in words: a heading a column, and its cells. */
export interface OpenTable {
  headings: [string, string, string]
  rows: [string, string, string][]
}

/** What is open on a customer's account, on a day. */
export interface AccountFacts {
  day: Day
  open: readonly OpenItem[]
}

/** What is open on the account, as a document prints it. */
export interface PaperAccount extends OpenTable {
  title: string
}

/** So many are listed beside another document or in an email; the statement lists them all. */
const mostOpen = 15

const openWords = {
  en: {
    title: (day: string) => `Open on your account on ${day}`,
    document: 'Document',
    due: 'Due',
    open: 'Open',
    more: (count: number) => `and ${count} more on the statement`,
  },
  de: {
    title: (day: string) => `Auf Ihrem Konto am ${day} offen`,
    document: 'Beleg',
    due: 'Fällig',
    open: 'Offen',
    more: (count: number) => `und ${count} weitere auf dem Kontoauszug`,
  },
  fr: {
    title: (day: string) => `Reste dû sur votre compte au ${day}`,
    document: 'Pièce',
    due: 'Échéance',
    open: 'Reste dû',
    more: (count: number) => `et ${count} autres sur le relevé`,
  },
} as const satisfies Record<Language, object>

/** Open items in the order given; a long list says how many more there are. */
export function openTable(open: readonly OpenItem[], language: Language, currency: Currency): OpenTable {
  const words = openWords[language]
  const { entries } = statementWords[language]
  const most = open.length > mostOpen ? mostOpen - 1 : mostOpen
  const rest = open.length - most
  return {
    headings: [words.document, words.due, words.open],
    rows: [
      ...open
        .slice(0, most)
        .map((one): [string, string, string] => [
          one.kind === 'payment' || one.kind === 'refund' ? entries[one.kind] : one.number,
          one.dueDate ? formatDay(one.dueDate, language, 'short') : '',
          formatMoney(one.open, currency, language),
        ]),
      ...(rest > 0 ? [[words.more(rest), '', ''] as [string, string, string]] : []),
    ],
  }
}

/** What is open on the account as a document lists it; undefined where nothing is. */
export const accountOn = (
  { day, open }: AccountFacts,
  language: Language,
  currency: Currency,
): PaperAccount | undefined =>
  open.length === 0
    ? undefined
    : {
        title: openWords[language].title(formatDay(day, language)),
        ...inCurrency(openTable(open, language, currency), currency),
      }

const inCurrency = ({ headings: [document, due, open], rows }: OpenTable, currency: Currency): OpenTable => ({
  headings: [document, due, `${open} ${currency}`],
  rows,
})
