import { totals, type Totals } from '../money/totals'
import type { Day } from './days'
import { buildPaper as fromOrder, type PaperInput } from './from-order'
import { receiptPaper } from './receipt'
import { usualPrinting } from '../shipping/label-formats'
import { customsPaper } from './customs'
import { labelPaper } from './label'
import { returnPaper } from './return'
import { shipmentPaper, type ShipmentFacts } from './shipment'
import { statementPaper } from './statement'
import { accountOn } from './open-table'
import { asWritten, told, type Told } from '../said/told'
import type { Paper } from './paper'
import { formatReference } from './payment-code'
import { ratesFor } from './treatment'

/** Everything a paper is made of, frozen when it is prepared, with the versions it was built from. */
export type PaperSource = Omit<PaperInput, 'number' | 'issued' | 'date'>

/** The exact sums of what a paper is made of. */
export function sumsOf({ order, customer, rates, credit }: PaperSource): Totals {
  return (
    credit?.sums ??
    totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: ratesFor(rates, customer.treatment ?? 'domestic'),
      lines: order.lines,
      adjustments: order.adjustments,
      prepaid: order.prepaid,
    })
  )
}

/** The Paper of whatever it is made from. @throws Refusal */
function buildPaper(input: PaperInput): Paper {
  const paper = input.statement
    ? statementPaper(input, input.statement)
    : input.payment
      ? receiptPaper(input, input.payment)
      : input.shipment
        ? ofShipment(input, input.shipment)
        : input.goodsReturn
          ? returnPaper(input, input.goodsReturn)
          : fromOrder(input)
  const { related, account } = input
  return {
    ...paper,
    ...(related && { related }),
    ...(account && { account: accountOn(account, paper.language, paper.currency) }),
  }
}

function ofShipment(input: PaperInput, shipment: ShipmentFacts): Paper {
  const { labels, printing = usualPrinting } = shipment
  if (input.kind === 'customs invoice') return customsPaper(input, shipment)
  return input.kind === 'shipping label'
    ? labelPaper(input, shipment, labels ?? [], printing)
    : shipmentPaper(input, shipment)
}

/** The paper as it will be: today's date and a number stand-in of final width. */
export function preparePaper(source: PaperSource, today: Day, numberStandIn: string): Paper {
  return buildPaper({ ...source, date: today, number: numberStandIn, issued: false })
}

/** The paper with what comes at issue: number, document date, due date, reference and payment code. */
export function issuePaper(source: PaperSource, date: Day, number: string): Paper {
  return buildPaper({ ...source, date, number, issued: true })
}

/**
 * A prepared paper as it is shown: what comes only at issue is dots of about its size, so that nobody copies
 * or scans a stand-in.
 */
export function asPreview(paper: Paper): Paper {
  if (paper.issued) return paper
  const dots = (text: string) => text.replace(/[A-Z0-9]/g, '·')
  const { payment, slip } = paper
  const number = paper.number.replace(/0(?=0*$)/g, '·')
  const inSlip = (value: string) => (value === paper.number ? number : value)
  return {
    ...paper,
    number,
    ...(slip && {
      slip: { ...slip, rows: slip.rows.map((row) => ({ ...row, value: inSlip(row.value) })) },
    }),
    payment: payment && {
      ...payment,
      lines: payment.lines.map((line) => line.replace(formatReference(payment.reference), dots)),
    },
  }
}

/** One difference between the paper that was looked at and the paper as it would be now. */
export interface PaperChange {
  what: Told
  before: Told
  now: Told
}

/** What changed between two papers of the same document; number, date and what follows from them do not count. */
export function comparePapers(before: Paper, now: Paper): PaperChange[] {
  const changes: PaperChange[] = []
  const printed = (words: string) => asWritten(words || '–')
  const say = (what: Told, a: string, b: string) => {
    if (a !== b) changes.push({ what, before: printed(a), now: printed(b) })
  }
  say(told('change/address'), before.recipient.lines.join(', '), now.recipient.lines.join(', '))
  for (const key of [
    'period',
    'supplied',
    'shipped',
    'until',
    'service',
    'contact',
    'order',
    'reference',
    'customer',
    'taxNumber',
  ] as const) {
    const of = (paper: Paper) => paper.facts.find((fact) => fact.key === key)
    const label = of(now)?.label ?? of(before)?.label ?? key
    say(printed(label), of(before)?.value ?? '', of(now)?.value ?? '')
  }
  const line = (paper: Paper, index: number) => {
    const row = paper.lines[index]
    return row
      ? [row.quantity, row.description, row.detail, `${row.price} = ${row.amount}`]
          .filter(Boolean)
          .join(' · ')
      : ''
  }
  for (let index = 0; index < Math.max(before.lines.length, now.lines.length); index++) {
    say(told('change/line', { n: index + 1 }), line(before, index), line(now, index))
  }
  const adjustments = (paper: Paper) =>
    paper.adjustments.map((row) => `${row.label} ${row.amount}`).join(', ')
  say(told('change/adjustments'), adjustments(before), adjustments(now))
  say(told('change/legal'), (before.legal ?? []).join(' '), (now.legal ?? []).join(' '))
  const texts = ({ paragraphs, foot, pages }: Paper) =>
    [...(paragraphs ?? []), ...(foot ?? []), ...(pages ?? []).map(({ text }) => text)].join(' ')
  say(told('change/texts'), texts(before), texts(now))
  say(told('change/note'), before.customerNote ?? '', now.customerNote ?? '')
  say(told('change/language'), before.language, now.language)
  say(
    told('change/sender'),
    [before.brand.legalName, before.brand.senderLine, ...before.brand.foot.flat()].join(' · '),
    [now.brand.legalName, now.brand.senderLine, ...now.brand.foot.flat()].join(' · '),
  )
  say(printed(now.toPay.label), before.toPay.amount, now.toPay.amount)
  return changes
}
