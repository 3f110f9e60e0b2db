import type { Currency, DecimalText } from '../money/decimal'
import { formatQuantity, type Language } from '../money/format'
import type { LabelPrinting } from '../shipping/label-formats'
import { Refusal } from '../errors'
import { accountFor } from './bank'
import { formatDay } from './days'
import { exactShipment } from './exact'
import type { PaperInput } from './from-order'
import { kindFacts } from './kinds'
import { labelWords } from './label-words'
import type { Paper, PaperFact, PaperLabel } from './paper'
import { addressLines, printedBrand, fixedWords } from './printed'
import type { ShipmentFacts } from './shipment'
import { shipmentWords } from './shipment-words'
import { paperWords } from './words'

/** A label that was bought of a carrier. */
export interface LabelFacts {
  id: number
  /** Which parcel of how many. */
  parcel: number
  of: number
  /** Kilograms; null where nobody weighed it. */
  weight: DecimalText | null
  carrier: string
  service: string
  tracking: string
  /** Where its way is shown; '' where the carrier has no page. */
  trackingUrl: string
  /** What the carrier's scanners read (Code 128). */
  barcode: string
  /** Serial Shipping Container Code, 18 digits; '' where the house has no company prefix of GS1. */
  sscc: string
  price: DecimalText
  currency: Currency
  /** SHA-256 of the carrier's own label, a PDF; null where ours is printed. */
  file: string | null
}

/**
 * The Paper of shipping labels: one page a parcel, or several on a sheet.
 * @throws Refusal "no-label" where nothing was bought yet
 */
export function labelPaper(
  input: PaperInput,
  facts: ShipmentFacts,
  labels: readonly LabelFacts[],
  printing: LabelPrinting,
): Paper {
  const { kind, order, brand, language, number, date } = input
  const words = paperWords[language]
  const own = labelWords[language]
  if (labels.length === 0) throw new Refusal('no-label')
  const count = formatQuantity(String(labels.length), language)
  const printed: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(date, language) },
    { key: 'order', label: words.order, value: order.number },
    { key: 'reference', label: words.reference, value: order.reference ?? '' },
    { key: 'service', label: shipmentWords[language].service, value: labels[0]!.service },
  ]
  const to = addressLines({ billing: facts.delivery }, words.attention, brand)
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
    recipient: { lines: to },
    facts: printed.filter((fact) => fact.value !== ''),
    columns: {
      item: '',
      description: own.parcel,
      quantity: own.weight,
      price: '',
      rate: '',
      amount: own.tracking,
    },
    lines: labels.map((label) => ({
      item: '',
      description: shipmentWords[language].parcel(label.parcel, label.of),
      detail: null,
      quantity: weightWords(label.weight, language),
      price: '',
      rate: '',
      amount: label.tracking,
      ...(label.trackingUrl ? { href: label.trackingUrl } : {}),
    })),
    adjustments: [],
    taxes: [],
    sums: [],
    toPay: { label: own.labels, amount: count },
    payment: null,
    customerNote: null,
    legal: [],
    labels: {
      printing,
      of: labelsOnPaper(input, to, labels, order.number),
    },
    words: fixedWords(language),
    amounts: { net: '0', tax: '0', total: '0', toPay: '0' },
    exact: exactShipment(input, facts),
  }
}

const weightWords = (weight: DecimalText | null, language: Language) =>
  weight === null ? '' : `${formatQuantity(weight, language)}\u00A0kg`

/** Labels as they are printed. @param code what they are of: an order by its number, or a return */
export const labelsOnPaper = (
  { order, language }: PaperInput,
  to: string[],
  labels: readonly LabelFacts[],
  code: string,
  from?: string,
): PaperLabel[] => labels.map((label) => onePaperLabel(label, { to, order, code, language, from }))

interface On {
  to: string[]
  /** Who sends it, where the house does not. */
  from: string | undefined
  order: PaperInput['order']
  code: string
  language: Language
}

function onePaperLabel(label: LabelFacts, { to, order, code, language, from }: On): PaperLabel {
  const words = paperWords[language]
  return {
    to,
    ...(from ? { from } : {}),
    service: label.service,
    carrier: label.carrier,
    parcel: shipmentWords[language].parcel(label.parcel, label.of),
    weight: weightWords(label.weight, language),
    rows: [
      { label: words.order, value: code },
      ...(order.reference ? [{ label: words.reference, value: order.reference }] : []),
    ],
    tracking: { label: labelWords[language].tracking, value: label.tracking, bars: label.barcode },
    sscc: label.sscc,
    file: label.file,
  }
}
