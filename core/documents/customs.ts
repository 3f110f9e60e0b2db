import { countryName } from '../countries'
import { Refusal } from '../errors'
import { Decimal, moneyText, roundMoney, sum, type DecimalText } from '../money/decimal'
import { formatMoney, formatPrice, formatQuantity } from '../money/format'
import { joined, told } from '../said/told'
import { accountFor } from './bank'
import { customsWords } from './customs-words'
import { formatDay } from './days'
import { exactShipment } from './exact'
import type { OrderLineFacts } from './facts'
import type { PaperInput } from './from-order'
import { kindFacts } from './kinds'
import type { Paper, PaperFact, PaperLine } from './paper'
import { addressLines, printedBrand, textsOf, fixedWords } from './printed'
import type { ShipmentFacts, ShippedLine } from './shipment'
import { shipmentWords } from './shipment-words'
import { unitWords } from './units'
import { paperWords } from './words'

/** What of a line customs asks for; values without tax, weights in kilograms. */
export interface CustomsLine {
  unitValue: DecimalText
  value: DecimalText
  weight: DecimalText
}

/** Percent that is in a price; nothing where prices are without tax. */
const includedRate = ({ order, rates }: PaperInput, { taxCode }: OrderLineFacts): Decimal =>
  order.pricesIncludeTax ? new Decimal(rates[taxCode] ?? 0) : new Decimal(0)

/**
 * What goods of a line are worth: quantity × price − discount, without tax, rounded to the currency.
 * @throws Refusal "customs-lacks" where its item has no commodity code, origin or weight
 */
export function customsLine(input: PaperInput, line: ShippedLine, of: OrderLineFacts): CustomsLine {
  const missing = [
    ...(line.commodityCode ? [] : [told('customs/code')]),
    ...(line.origin ? [] : [told('customs/origin')]),
    ...(line.each ? [] : [told('customs/weight')]),
  ]
  if (missing.length > 0)
    throw new Refusal('customs-lacks', {
      values: { item: of.description, what: joined(missing, 'list/and-no') },
    })
  const net = new Decimal(of.unitPrice)
    .times(new Decimal(100).minus(of.discountPercent))
    .div(includedRate(input, of).plus(100))
  return {
    unitValue: net.toDecimalPlaces(4).toString(),
    value: moneyText(roundMoney(net.times(line.quantity), input.order.currency), input.order.currency),
    weight: new Decimal(line.each!).times(line.quantity).toString(),
  }
}

/**
 * The Paper of a customs invoice: value, commodity code, origin and weight of each line, and of all.
 * @throws Refusal "no-address", "customs-lacks"
 */
export function customsPaper(input: PaperInput, facts: ShipmentFacts): Paper {
  const { kind, order, customer, brand, language, number, date } = input
  const words = paperWords[language]
  const own = customsWords[language]
  if (!customer.billing)
    throw new Refusal('no-address', {
      values: { customer: customer.name, kinds: kindFacts[kind].many },
      about: { record: { kind: 'customer', id: customer.number, label: customer.name } },
    })
  const lines = facts.lines.map((line) => {
    const of = order.lines.find((one) => one.position === line.position)!
    return { line, of, ...customsLine(input, line, of) }
  })
  const money = (amount: DecimalText) => formatMoney(amount, order.currency, language)
  const total = moneyText(sum(lines.map(({ value }) => value)), order.currency)
  const gross = facts.parcels.map(({ weight }) => weight)
  const printed: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(date, language) },
    { key: 'order', label: words.order, value: order.number },
    { key: 'reference', label: words.reference, value: order.reference ?? '' },
    { key: 'taxNumber', label: own.receiver, value: customer.taxNumber ?? '' },
    { key: 'service', label: shipmentWords[language].service, value: facts.service },
  ]
  const weights: [string, DecimalText][] = [
    [shipmentWords[language].parcels, String(facts.parcels.length)],
    [own.netWeight, sum(lines.map(({ weight }) => weight)).toString()],
    ...(gross.includes(null)
      ? []
      : [[own.grossWeight, sum(gross as DecimalText[]).toString()] as [string, DecimalText]]),
  ]
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
    facts: printed.filter(({ value }) => value !== ''),
    columns: {
      item: words.item,
      description: words.description,
      quantity: words.quantity,
      price: own.unitValue,
      rate: '',
      amount: own.value,
    },
    lines: lines.map(({ line, of, unitValue, value, weight }): PaperLine => {
      const quantity = formatQuantity(line.quantity, language)
      const each = formatQuantity(line.each!, language)
      return {
        item: of.item,
        ...(of.codes ? { codes: of.codes } : {}),
        description: of.description,
        detail: [
          `${own.commodityCode} ${line.commodityCode}`,
          `${own.origin} ${countryName(line.origin!, language)}`,
          own.weight(each, formatQuantity(weight, language)),
        ].join(' · '),
        quantity: [quantity, ...(of.unit ? [unitWords(of.unit, line.quantity, language)] : [])].join(
          '\u00A0',
        ),
        price: formatPrice(unitValue, order.currency, language),
        rate: '',
        amount: money(value),
      }
    }),
    adjustments: [],
    taxes: [],
    sums: weights.map(([label, amount]) => ({
      label,
      amount: formatQuantity(amount, language),
      strong: false,
    })),
    toPay: { label: own.totalValue(order.currency), amount: money(total) },
    payment: null,
    customerNote: null,
    ...textsOf(input, [own.onlyForCustoms, ...(facts.remarks ? [facts.remarks] : [])]),
    legal: [],
    words: fixedWords(language),
    amounts: { net: '0', tax: '0', total: '0', toPay: '0' },
    exact: exactShipment(input, facts),
  }
}
