import { Decimal, moneyText, roundMoney, sum, type DecimalText } from '../money/decimal'
import { formatMoney, formatPrice, formatQuantity, type Language } from '../money/format'
import type { ParcelFacts } from '../shipping/parcels'
import type { LabelPrinting } from '../shipping/label-formats'
import { usualSlip, type SlipDetail, type SlipShows } from '../shipping/slip'
import { accountFor } from './bank'
import { formatDay, type Day } from './days'
import { exactShipment } from './exact'
import type { Address, OrderLineFacts } from './facts'
import { type PaperInput } from './from-order'
import { kindFacts } from './kinds'
import type { LabelFacts } from './label'
import type { Paper, PaperFact, PaperLine } from './paper'
import { addressedTo, addressLines, printedBrand, textsOf, fixedWords } from './printed'
import { shipmentWords, type ShipmentWordList } from './shipment-words'
import { unitWords } from './units'
import { paperWords } from './words'

/** A line of a shipment: what of the order's line goes with it. */
export interface ShippedLine {
  position: number
  quantity: DecimalText
  ordered: DecimalText
  /** What went with shipments before this one, and what is left after it. */
  earlier: DecimalText
  later: DecimalText
  /** Where it lies in the warehouse; '' where nobody said. */
  place: string
  /** Of its item, for customs; '' and null where nobody said. */
  commodityCode?: string
  /** ISO 3166-1 alpha-2. */
  origin?: string
  /** Kilograms of one. */
  each?: DecimalText | null
}

/** A shipment as its documents are made from it. Its lines' items and words are those of the order. */
export interface ShipmentFacts {
  day: Day
  delivery: Address
  service: string
  remarks: string
  lines: ShippedLine[]
  parcels: ParcelFacts[]
  /** For its shipping labels: those that were bought and are on no document yet. */
  labels?: LabelFacts[]
  printing?: LabelPrinting
  /** Parcels whose labels are bought, by their number from 1. */
  tracking?: { parcel: number; number: string; url: string }[]
  /** For its packing slip: what the house's slips show, and whom of the customer's the goods are for. */
  slip?: SlipShows
  contact?: string
}

/**
 * The Paper of a packing slip or a delivery note: what goes, without prices, to where it goes, whoever is billed.
 */
export function shipmentPaper(given: PaperInput, facts: ShipmentFacts): Paper {
  const input = addressedTo(facts.delivery, given)
  const { kind, order, customer, brand, language, number, date } = input
  const words = paperWords[language]
  const own = shipmentWords[language]
  const isSlip = kind === 'packing slip'
  const { details, prices } = isSlip ? (facts.slip ?? usualSlip) : usualSlip
  const shows = (detail: SlipDetail, value: string) => (details.includes(detail) ? value : '')
  const withPlaces = isSlip && !prices && facts.lines.some(({ place }) => place !== '')
  const printed: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(date, language) },
    { key: 'shipped', label: own.shipped, value: facts.day === date ? '' : formatDay(facts.day, language) },
    { key: 'order', label: words.order, value: order.number },
    { key: 'reference', label: words.reference, value: shows('reference', order.reference ?? '') },
    { key: 'customer', label: words.customer, value: shows('customer', customer.number) },
    { key: 'taxNumber', label: words.taxNumber, value: shows('tax number', customer.taxNumber ?? '') },
    { key: 'contact', label: own.contact, value: shows('contact', facts.contact ?? '') },
    { key: 'service', label: own.service, value: shows('service', facts.service) },
  ]
  const priced = prices ? pricesOf(input, facts) : undefined
  const weights = facts.parcels.map(({ weight }) => weight)
  const weight = weights.includes(null) ? null : sum(weights as DecimalText[])
  const count = formatQuantity(String(facts.parcels.length), language)
  const isComplete = facts.lines.every(({ later }) => new Decimal(later).isZero())
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
    recipient: { lines: addressLines({ billing: facts.delivery }, words.attention, brand) },
    facts: printed.filter((fact) => fact.value !== ''),
    columns: {
      item: words.item,
      description: words.description,
      quantity: priced ? own.packed : withPlaces ? own.place : '',
      price: priced ? words.price : own.ordered,
      rate: '',
      amount: priced
        ? order.pricesIncludeTax
          ? words.gross
          : words.net
        : isSlip
          ? own.packed
          : own.delivered,
    },
    lines: facts.lines.map((line) => {
      const of = order.lines.find((one) => one.position === line.position)!
      const plain = printedLine(line, of, withPlaces, { language, own })
      const cost = priced?.lines.get(line.position)
      return cost ? { ...plain, quantity: plain.amount, ...cost } : plain
    }),
    adjustments: [],
    taxes: [],
    sums: [
      ...(priced || weight !== null ? [{ label: own.parcels, amount: count, strong: false }] : []),
      ...(priced && weight !== null
        ? [{ label: own.weight, amount: formatQuantity(weight.toString(), language), strong: false }]
        : []),
    ],
    toPay: priced
      ? { label: own.goods(order.currency), amount: priced.total }
      : weight === null
        ? { label: own.parcels, amount: count }
        : { label: own.weight, amount: formatQuantity(weight.toString(), language) },
    payment: null,
    customerNote: isSlip ? null : order.customerNote,
    ...textsOf(input, [
      ...(facts.parcels.length > 1 ? [parcelWords(facts.parcels, { language, own })] : []),
      ...(facts.remarks ? [facts.remarks] : []),
      ...(isSameAddress(customer.billing!, facts.delivery) || !details.includes('billed to')
        ? []
        : [own.billedTo(addressLines({ billing: customer.billing }, words.attention, brand).join(', '))]),
      isComplete ? own.complete : own.inPart,
    ]),
    legal: [],
    peelOff: peelOffOf(input, facts),
    ...(facts.tracking?.length ? { parcels: trackedOf(facts, { language, own }) } : {}),
    ...(facts.printing?.offset ? { offset: facts.printing.offset } : {}),
    barcode: { text: order.number, caption: `${own.code} ${order.number}` },
    ...(isSlip
      ? {}
      : { signature: { title: own.received, fields: [own.receivedOn, own.name, own.signature] } }),
    words: fixedWords(language),
    amounts: { net: '0', tax: '0', total: '0', toPay: '0' },
    exact: exactShipment(input, facts),
  }
}

/** What stands on the label that is peeled off the sheet. */
const peelOffOf = ({ order, brand, language }: PaperInput, facts: ShipmentFacts) => ({
  to: addressLines({ billing: facts.delivery }, paperWords[language].attention, brand),
  rows: [
    `${paperWords[language].order} ${order.number}`,
    ...(order.reference ? [`${paperWords[language].reference} ${order.reference}`] : []),
    ...(facts.service ? [facts.service] : []),
  ],
})

/** What goods of a shipment cost as they are ordered: quantity × price − discount, rounded to the currency. */
function pricesOf({ order, language }: PaperInput, { lines }: ShipmentFacts) {
  const { currency } = order
  const amounts = lines.map(({ position, quantity }) => {
    const of = order.lines.find((one) => one.position === position)!
    const each = new Decimal(of.unitPrice).times(new Decimal(100).minus(of.discountPercent)).div(100)
    const amount = roundMoney(each.times(quantity), currency)
    const price = formatPrice(each.toDecimalPlaces(4).toString(), currency, language)
    return { position, amount, price }
  })
  return {
    lines: new Map(
      amounts.map(({ position, amount, price }) => [
        position,
        { price, amount: formatMoney(moneyText(amount, currency), currency, language) },
      ]),
    ),
    total: formatMoney(moneyText(sum(amounts.map(({ amount }) => amount)), currency), currency, language),
  }
}

interface Said {
  language: Language
  own: ShipmentWordList
}

function printedLine(
  line: ShippedLine,
  of: OrderLineFacts,
  withPlaces: boolean,
  { language, own }: Said,
): PaperLine {
  const amount = (quantity: DecimalText) =>
    [formatQuantity(quantity, language), ...(of.unit ? [unitWords(of.unit, quantity, language)] : [])].join(
      '\u00A0',
    )
  const some = (quantity: DecimalText, say: (words: string) => string) =>
    new Decimal(quantity).isZero() ? '' : say(amount(quantity))
  return {
    item: of.item,
    ...(of.codes ? { codes: of.codes } : {}),
    description: of.description,
    detail:
      [of.detail, some(line.earlier, own.earlier), some(line.later, own.later)].filter(Boolean).join(' · ') ||
      null,
    quantity: withPlaces ? line.place : '',
    price: amount(line.ordered),
    rate: '',
    amount: amount(line.quantity),
  }
}

/** "Parcel 1 of 3: 12.4 kg", each a line of its own. */
const parcelWords = (parcels: readonly ParcelFacts[], { language, own }: Said): string =>
  parcels
    .map(({ weight }, index) => {
      const said = weight === null ? '' : `: ${formatQuantity(weight, language)}\u00A0kg`
      return own.parcel(index + 1, parcels.length) + said
    })
    .join('\n')

/** Parcels whose labels are bought, for the email: what is printed does not change when they are. */
const trackedOf = ({ parcels, tracking = [] }: ShipmentFacts, { own }: Said) =>
  tracking.map(({ parcel, number, url }) => ({
    parcel: own.parcel(parcel, parcels.length),
    tracking: number,
    href: url,
  }))

const isSameAddress = (one: Address, other: Address): boolean =>
  one.name === other.name && one.country === other.country && one.lines.join('\n') === other.lines.join('\n')
