import { sum, type DecimalText } from '../money/decimal'
import { formatQuantity } from '../money/format'
import { accountFor } from './bank'
import { formatDay, type Day } from './days'
import { exactReturn } from './exact'
import type { Address } from './facts'
import type { PaperInput } from './from-order'
import { kindFacts } from './kinds'
import { labelsOnPaper, type LabelFacts } from './label'
import type { Paper, PaperFact, PaperLine } from './paper'
import { addressedTo, addressLines, fixedWords, printedBrand, textsOf } from './printed'
import { returnWords } from './return-words'
import { shipmentWords } from './shipment-words'
import { unitWords } from './units'
import { paperWords } from './words'

/** Goods that come back as their note is made from them. Their items and words are those of the order. */
export interface ReturnFacts {
  /** "SO-20931/R1". */
  label: string
  day: Day
  /** The last day on which they may be sent. */
  until: Day
  /** Who sends them, and where they come to. */
  sender: Address
  delivery: Address
  remarks: string
  lines: { position: number; quantity: DecimalText; reason: string }[]
  /** Labels that were bought for it and are on no document yet: they follow the note on sheets of their own. */
  labels: LabelFacts[]
}

/** Customers print on the sheets they have: A4, each label in its first free quarter. */
const printing = { format: 'A4', from: 1 } as const

/**
 * The Paper of a return note: what goes back and why, how and until when, with the labels for it behind. It is
 * addressed to who sends the goods back, whoever is billed.
 */
export function returnPaper(given: PaperInput, facts: ReturnFacts): Paper {
  const input = addressedTo(facts.sender, given)
  const { kind, order, customer, brand, language, number, date } = input
  const words = paperWords[language]
  const own = returnWords[language]
  const until = formatDay(facts.until, language)
  const printed: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(date, language) },
    { key: 'until', label: own.until, value: until },
    { key: 'order', label: words.order, value: order.number },
    { key: 'reference', label: words.reference, value: order.reference ?? '' },
    { key: 'customer', label: words.customer, value: customer.number },
    { key: 'service', label: shipmentWords[language].service, value: facts.labels[0]?.service ?? '' },
  ]
  const to = addressLines({ billing: facts.delivery }, words.attention, { ...brand, ...from(facts.sender) })
  const sender = addressLines({ billing: facts.sender }, words.attention, brand)
  return {
    schema: 1,
    kind,
    language,
    currency: order.currency,
    heading: kindFacts[kind].heading[language],
    number,
    issued: input.issued,
    date,
    dueDate: null,
    brand: printedBrand(brand, accountFor(brand.banks, order.currency), language),
    recipient: { lines: sender },
    facts: printed.filter(({ value }) => value !== ''),
    columns: {
      item: words.item,
      description: words.description,
      quantity: '',
      price: '',
      rate: '',
      amount: own.goesBack,
    },
    lines: facts.lines.map((line): PaperLine => {
      const of = order.lines.find((one) => one.position === line.position)!
      const unit = of.unit ? [unitWords(of.unit, line.quantity, language)] : []
      const reason = line.reason ? `${own.reason}: ${line.reason}` : ''
      return {
        item: of.item,
        ...(of.codes ? { codes: of.codes } : {}),
        description: of.description,
        detail: [of.detail, reason].filter(Boolean).join(' · ') || null,
        quantity: '',
        price: '',
        rate: '',
        amount: [formatQuantity(line.quantity, language), ...unit].join('\u00A0'),
      }
    }),
    adjustments: [],
    taxes: [],
    sums: [],
    toPay: {
      label: own.goesBack,
      amount: formatQuantity(sum(facts.lines.map(({ quantity }) => quantity)).toString(), language),
    },
    payment: null,
    customerNote: null,
    ...textsOf(input, [
      facts.labels.length > 0 ? own.withLabel(until) : own.withoutLabel(until),
      own.sendTo(to.join(', ')),
      ...(facts.remarks ? [facts.remarks] : []),
    ]),
    legal: [],
    barcode: { text: facts.label, caption: `${own.code} ${facts.label}` },
    ...(facts.labels.length > 0
      ? {
          labels: {
            printing,
            follow: true,
            of: labelsOnPaper(input, to, facts.labels, facts.label, sender.join(' · ')),
          },
        }
      : {}),
    words: fixedWords(language),
    amounts: { net: '0', tax: '0', total: '0', toPay: '0' },
    exact: exactReturn(input, facts),
  }
}

/** Whose post office reads the address: that of the country it is sent from. */
const from = ({ country }: Address) => ({ country })
