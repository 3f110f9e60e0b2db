import type { Currency, DecimalText } from '../money/decimal'
import type { Exchange } from '../money/exchange'
import type { TaxCategory } from '../money/tax-codes'
import type { Totals } from '../money/totals'
import { accountFor, type BankAccount } from './bank'
import type { Day } from './days'
import type { Address, PaymentFacts } from './facts'
import type { ReminderFacts } from '../receivables/reminders'
import type { StatementFacts } from '../receivables/statement'
import type { ReturnFacts } from './return'
import type { ShipmentFacts } from './shipment'
import type { PaperInput } from './from-order'
import { ratesFor, type TaxTreatment } from './treatment'

/*
 * What a document says, in exact values: decimals, days and codes, frozen with its printed texts. Forms that machines
 * read (XML, CSV, labels) are made from this, never from the printed texts.
 */

/** Why tax is or is not charged: letters of UNTDID 5305, as EN 16931 uses them. */
export type ExactCategory = TaxCategory | 'AE' | 'K' | 'G'

export interface ExactLine {
  item: string
  description: string
  detail: string | null
  quantity: DecimalText
  unit: string
  /** In the mode of the prices. */
  unitPrice: DecimalText
  discountPercent: DecimalText
  taxCode: string
  category: ExactCategory
  /** Percent as charged. */
  rate: DecimalText
  /** Rounded; net, or with tax where prices include it. */
  amount: DecimalText
}

export interface ExactTax {
  taxCode: string
  category: ExactCategory
  rate: DecimalText
  base: DecimalText
  tax: DecimalText
}

export interface PaperExact {
  seller: {
    legalName: string
    addressLines: string[]
    country: string
    taxNumber: string
    registration: string
    account: BankAccount | null
  }
  buyer: { number: string; name: string; address: Address; taxNumber: string | null }
  orderNumber: string
  reference: string | null
  suppliedOn: Day | null
  treatment: TaxTreatment
  pricesIncludeTax: boolean
  lines: ExactLine[]
  /** A discount is positive here and subtracted. */
  adjustments: { kind: 'discount' | 'charge'; label: string; amount: DecimalText }[]
  taxes: ExactTax[]
  sums: {
    lines: DecimalText
    net: DecimalText
    tax: DecimalText
    total: DecimalText
    prepaid: DecimalText
    toPay: DecimalText
  }
  /** Deposit invoices that are deducted. */
  deposits: { number: string; date: Day; total: DecimalText }[]
  /** Of a credit note: the invoice, and why. */
  credits: { number: string; date: Day; reason: string } | null
  /** Of a revision: the confirmation that it replaces. */
  replaces: { number: string; date: Day } | null
  /** The rate to the house's own currency, where the document's is another. */
  exchange: Exchange | null
  /** Of a receipt: the payment and what it settles. */
  payment: PaymentFacts | null
  /** Of a statement: the books that it is made from. */
  statement?: StatementFacts
  /** Of a reminder: its level and the items that it asks for. */
  reminder?: ReminderFacts
  /** Of a packing slip or a delivery note: what goes, and how it is packed. */
  shipment?: ShipmentFacts
  /** Of a return note. */
  goodsReturn?: ReturnFacts
}

const categoryOf: Readonly<Record<Exclude<TaxTreatment, 'domestic'>, ExactCategory>> = {
  'reverse charge': 'AE',
  'intra-Community supply': 'K',
  export: 'G',
  exempt: 'E',
}

/** The exact values of an order's or a draft's document, with the sums that were worked out for it. */
export function exactOf(input: PaperInput, sums: Totals): PaperExact {
  const { order, credit, replaces } = input
  const treatment = input.customer.treatment ?? 'domestic'
  const rates = ratesFor(input.rates, treatment)
  const category = (code: string): ExactCategory =>
    treatment === 'domestic' ? (input.taxWords?.[code]?.category ?? 'S') : categoryOf[treatment]
  return {
    ...parties(input, order.currency),
    orderNumber: order.number,
    reference: order.reference,
    suppliedOn: order.suppliedOn,
    treatment,
    pricesIncludeTax: order.pricesIncludeTax,
    lines: order.lines.map(({ item, description, detail, unit, ...line }, index) => ({
      item,
      description,
      detail,
      quantity: line.quantity,
      unit,
      unitPrice: line.unitPrice,
      discountPercent: line.discountPercent,
      taxCode: line.taxCode,
      category: category(line.taxCode),
      rate: rates[line.taxCode]!,
      amount: sums.lineAmounts[index]!,
    })),
    adjustments: sums.adjustments,
    taxes: sums.groups.map((group) => ({ ...group, category: category(group.taxCode) })),
    sums: {
      lines: sums.linesSum,
      net: sums.net,
      tax: sums.tax,
      total: sums.total,
      prepaid: sums.prepaid,
      toPay: sums.toPay,
    },
    deposits: (order.deposits ?? []).map(({ number, date, total }) => ({ number, date, total })),
    credits: credit ? { number: credit.number, date: credit.date, reason: credit.reason } : null,
    replaces: replaces ? { number: replaces.number, date: replaces.date } : null,
    exchange: input.exchange ?? null,
    payment: null,
  }
}

/** The exact values of a receipt. */
export const exactReceipt = (input: PaperInput, payment: PaymentFacts): PaperExact => ({
  ...exactMoney(input, payment.currency, payment.amount),
  reference: payment.reference || null,
  payment,
})

/** The exact values of a statement, its closing balance as its sum. */
export const exactStatement = (
  input: PaperInput,
  statement: StatementFacts,
  closing: DecimalText,
): PaperExact => ({
  ...exactMoney(input, statement.currency, closing),
  statement,
  ...(input.reminder ? { reminder: input.reminder } : {}),
})

/** The exact values of what goes out: no money. */
export const exactShipment = (input: PaperInput, shipment: ShipmentFacts): PaperExact => ({
  ...exactMoney(input, input.order.currency, '0'),
  orderNumber: input.order.number,
  reference: input.order.reference,
  shipment,
})

export const exactReturn = (input: PaperInput, goodsReturn: ReturnFacts): PaperExact => ({
  ...exactMoney(input, input.order.currency, '0'),
  orderNumber: input.order.number,
  reference: input.order.reference,
  goodsReturn,
})

/** What is said of money without any goods. */
function exactMoney(input: PaperInput, currency: Currency, amount: DecimalText): PaperExact {
  return {
    ...parties(input, currency),
    orderNumber: '',
    reference: null,
    suppliedOn: null,
    treatment: 'domestic',
    pricesIncludeTax: true,
    lines: [],
    adjustments: [],
    taxes: [],
    sums: { lines: '0', net: amount, tax: '0', total: amount, prepaid: '0', toPay: amount },
    deposits: [],
    credits: null,
    replaces: null,
    exchange: null,
    payment: null,
  }
}

function parties({ brand, customer }: PaperInput, currency: Currency): Pick<PaperExact, 'seller' | 'buyer'> {
  return {
    seller: {
      legalName: brand.legalName,
      addressLines: brand.addressLines,
      country: brand.country,
      taxNumber: brand.taxNumber,
      registration: brand.registration,
      account: accountFor(brand.banks, currency),
    },
    buyer: {
      number: customer.number,
      name: customer.name,
      address: customer.billing!,
      taxNumber: customer.taxNumber,
    },
  }
}
