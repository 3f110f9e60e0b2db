import { formatDay, type Day } from '../documents/days'
import { kindFacts } from '../documents/kinds'
import { labelWords } from '../documents/label-words'
import type { Paper, PaperFact } from '../documents/paper'
import { openTable, type OpenItem } from '../documents/open-table'
import { Decimal, type DecimalText } from '../money/decimal'
import { statementOf } from '../receivables/statement'
import { formatMoney, type Language } from '../money/format'
import { isOwnFieldName, type EmailFacts, type EmailTable, type MergeFields } from './fields'

/** Words of the list that an email with several documents carries, in the document's language. */
const listWords = {
  en: { of: 'of', due: 'due on', paid: 'paid already', nothing: 'nothing to pay' },
  de: { of: 'vom', due: 'fällig am', paid: 'bereits bezahlt', nothing: 'nichts zu zahlen' },
  fr: { of: 'du', due: 'à régler au plus tard le', paid: 'déjà réglée', nothing: 'rien à régler' },
} as const satisfies Record<Language, object>

/** Headings of that list where it is a table. */
const headings = {
  en: { document: 'Document', date: 'Date', amount: 'Amount', due: 'Due' },
  de: { document: 'Dokument', date: 'Datum', amount: 'Betrag', due: 'Fällig' },
  fr: { document: 'Document', date: 'Date', amount: 'Montant', due: 'Échéance' },
} as const satisfies Record<Language, object>

/** Headings of the files that are had by a link. */
const linkHeadings = {
  en: { file: 'To download', until: 'Until' },
  de: { file: 'Zum Herunterladen', until: 'Bis' },
  fr: { file: 'À télécharger', until: 'Jusqu’au' },
} as const satisfies Record<Language, object>

/** A file of an email that is had by a link. */
export interface LetterLink {
  name: string
  url: string
  /** The last day of the link. */
  until: Day
}

function linksTable(links: readonly LetterLink[], language: Language): EmailTable {
  const words = linkHeadings[language]
  return {
    columns: [
      { heading: words.file, right: false },
      { heading: words.until, right: false },
    ],
    rows: links.map((link) => [link.name, formatDay(link.until, language)]),
    hrefs: links.map((link) => link.url),
  }
}

/** How somebody is addressed without knowing more of them than a name. */
const greetings = {
  en: (name: string) => `Dear ${name || 'customer'}`,
  de: (name: string) => (name ? `Guten Tag, ${name}` : 'Guten Tag'),
  fr: (name: string) => (name ? `Bonjour ${name}` : 'Bonjour'),
} as const satisfies Record<Language, (name: string) => string>

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

/** Several documents as a table: what each is, its day, its sum, and until when it is to be paid. */
function documentsTable(papers: readonly [Paper, ...Paper[]]): EmailTable {
  const words = headings[papers[0].language]
  const columns = [
    { heading: words.document, right: false },
    { heading: words.date, right: false },
    { heading: words.amount, right: true },
    { heading: words.due, right: false },
  ]
  const rows = papers.map((paper) => {
    const day = (date: string) => formatDay(date, paper.language)
    const due = payingOf(paper) === 'due' && paper.dueDate ? day(paper.dueDate) : ''
    return [`${paper.heading} ${paper.number}`, day(paper.date), withCurrency(sumOf(paper), paper), due]
  })
  return { columns, rows: papers.length > 1 ? rows : [] }
}

/** The lines of a document, or of several one after another. @param withSums where no file says them */
function linesTable(papers: readonly [Paper, ...Paper[]], withSums: boolean): EmailTable {
  const { columns } = papers[0]
  const hrefs = papers.flatMap((paper) => paper.lines.map(({ href }) => href ?? ''))
  return {
    ...(hrefs.some(Boolean) ? { hrefs } : {}),
    columns: [
      { heading: columns.description, right: false },
      { heading: columns.quantity, right: true },
      { heading: columns.amount, right: true },
    ],
    rows: papers.flatMap((paper) => [
      ...paper.lines.map((line) => [line.description, line.quantity, line.amount]),
      ...(withSums ? [...paper.sums, paper.toPay].map((sum) => [sum.label, '', sum.amount]) : []),
    ]),
  }
}

/** Parcels with their tracking numbers, each leading to where its way is seen. */
function parcelsTable(papers: readonly [Paper, ...Paper[]]): EmailTable {
  const words = labelWords[papers[0].language]
  const parcels = papers.flatMap(({ parcels: own = [] }) => own)
  return {
    columns: [
      { heading: words.parcel, right: false },
      { heading: words.tracking, right: false },
    ],
    rows: parcels.map(({ parcel, tracking }) => [parcel, tracking]),
    hrefs: parcels.map(({ href }) => href),
  }
}

/**
 * What is open on a statement, oldest due first; with any other document, what is open as the email is written. A long
 * list says how many more there are.
 */
function openList(
  [{ exact, language, currency }]: readonly [Paper, ...Paper[]],
  now: readonly OpenItem[],
): EmailTable {
  const { headings, rows } = openTable(exact.statement?.open ?? now, language, currency)
  return {
    columns: headings.map((heading, column) => ({ heading, right: column === 2 })),
    rows,
  }
}

/** What is past due of a statement; '' where nothing is. */
function overdueOf(paper: Paper): string {
  const { statement } = paper.exact
  const overdue = statement ? statementOf(statement).overdue : '0'
  return new Decimal(overdue).isZero() ? '' : withCurrency(overdue, paper)
}

/** Who is named in an email, and what of its invoice is still open where it reminds of that. */
interface Named {
  customer: string
  contact: string
  brand: string
  sender: string
  unpaid?: DecimalText | null
  /** What is open on the customer's account; left out where the text does not list it. */
  open?: readonly OpenItem[]
}

/**
 * What an email text can say about one document, or about several that go in one email.
 * @param links files that are had by a link @param inText the documents stand in the text alone
 */
export function letterFacts(
  papers: readonly [Paper, ...Paper[]],
  people: Named,
  links: readonly LetterLink[] = [],
  inText = false,
): EmailFacts {
  const [first] = papers
  const fact = (key: PaperFact['key']) =>
    all((paper) => paper.facts.find((one) => one.key === key)?.value ?? '')
  const all = (value: (paper: Paper) => string) =>
    [...new Set(papers.map(value).filter((text) => text !== ''))].join(', ')
  const paying = papers.map(payingOf)
  const owing = paying.includes('due')
  const total = papers.reduce(
    (sum, paper) => sum.plus(owing ? Decimal.max(0, paper.amounts.toPay) : paper.amounts.total),
    new Decimal(0),
  )
  const related = (key: string) => all((paper) => paper.related?.[key] ?? '')
  const own = [...new Set(papers.flatMap((paper) => Object.keys(paper.related ?? {})))].filter(isOwnFieldName)
  const { unpaid, open = [], ...named } = people
  const values: MergeFields = {
    ...named,
    ...Object.fromEntries(own.map((name) => [name, related(name)])),
    ordered: related('ordered'),
    status: related('status'),
    salesperson: related('salesperson'),
    delivery: related('delivery'),
    greeting: greetings[first.language](people.contact),
    customerNumber: fact('customer'),
    number: all((paper) => paper.number),
    document: all((paper) => paper.heading),
    order: fact('order'),
    reference: fact('reference'),
    supplied: fact('supplied'),
    invoice: fact('invoice'),
    period: fact('period'),
    overdue: all(overdueOf),
    unpaid: unpaid ? withCurrency(unpaid, first) : '',
    reminder: all((paper) => paper.exact.reminder?.words ?? ''),
    date: all((paper) => formatDay(paper.date, paper.language)),
    due: all((paper) => (paper.dueDate ? formatDay(paper.dueDate, paper.language) : '')),
    total: withCurrency(total.toString(), first),
    paying: owing ? 'due' : paying[0]!,
    several: papers.length > 1 ? 'yes' : '',
    documents: papers.length > 1 ? papers.map(lineOf).join('\n') : '',
  }
  const tables = {
    lines: linesTable(papers, inText),
    documents: documentsTable(papers),
    open: openList(papers, open),
    parcels: parcelsTable(papers),
    links: linksTable(links, first.language),
  }
  return { values, tables }
}
