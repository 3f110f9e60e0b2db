import type { AccountFacts } from './open-table'
import type { ReminderFacts } from '../receivables/reminders'
import type { StatementFacts } from '../receivables/statement'
import { Refusal } from '../errors'
import { Decimal, sum } from '../money/decimal'
import { type Exchange } from '../money/exchange'
import { formatMoney, formatPercent, formatPrice, formatQuantity, type Language } from '../money/format'
import type { TaxCategory } from '../money/tax-codes'
import { totals } from '../money/totals'
import { told } from '../said/told'
import { accountFor } from './bank'
import { formatDay, type Day } from './days'
import { exactOf } from './exact'
import type {
  BrandFacts,
  CreditFacts,
  ReplacedFacts,
  CustomerFacts,
  DepositFacts,
  OrderFacts,
  PaymentFacts,
} from './facts'
import { kindFacts, type DocumentKind } from './kinds'
import type { Paper } from './paper'
import type { RelatedFacts } from './related'
import type { ReturnFacts } from './return'
import type { ShipmentFacts } from './shipment'
import { printedBrand, addressLines, facts, paragraphs, payment, legal, textsOf, fixedWords } from './printed'
import type { StandingTextFacts } from './standing-texts'
import { dueDate } from './terms'
import { checkTreatment, ratesFor } from './treatment'
import { unitWords } from './units'
import { paperWords } from './words'

export interface PaperInput {
  kind: DocumentKind
  brand: BrandFacts
  order: OrderFacts
  customer: CustomerFacts
  language: Language
  /** Percent by tax code. */
  rates: Record<string, string>
  /** The document date: the day of issue, or today while it is prepared. */
  date: Day
  /** The number, or its stand-in. */
  number: string
  issued: boolean
  /** Words of the tax codes in the document's language, and what kind of supply each is for. */
  taxWords?: Readonly<Record<string, { name: string; reason: string; category?: TaxCategory }>>
  /** For a credit note. */
  credit?: CreditFacts
  /** For the revision of a confirmation: the one that it replaces. */
  replaces?: ReplacedFacts
  /** For a receipt. */
  payment?: PaymentFacts
  /** For a statement of account, or for a reminder: what it lists. */
  statement?: StatementFacts
  /** For a reminder. */
  reminder?: ReminderFacts
  /** For a packing slip or a delivery note. */
  shipment?: ShipmentFacts
  /** For a return note. */
  goodsReturn?: ReturnFacts
  /** Texts of the house; which stand on it, its date says. */
  standing?: StandingTextFacts[]
  /** What emails can say of it that no document prints. */
  related?: RelatedFacts
  /** What is open on the customer's account, where the design lists it. */
  account?: AccountFacts
  /** Where the currency is not the house's own; null when no rate is known. */
  exchange?: Exchange | null
}

/**
 * The Paper of an order or of a draft: its invoice, its confirmation, a credit note.
 * @throws Refusal "no-address", "no-date-of-supply", "no-lines", "unknown-tax-code", "negative-total",
 * "no-tax-number", "no-exchange-rate"
 */
export function buildPaper(input: PaperInput): Paper {
  const { kind, order, customer, brand, language, number, date } = input
  const is = kindFacts[kind]
  const words = paperWords[language]
  if (!customer.billing) {
    throw new Refusal('no-address', {
      values: { customer: customer.name, kinds: is.many },
      about: { record: { kind: 'customer', id: customer.number, label: customer.name } },
    })
  }
  if (is.needsSupply && !order.suppliedOn)
    throw order.number
      ? new Refusal('no-date-of-supply', { values: { order: order.number } })
      : new Refusal('no-date-of-supply/draft')
  const treatment = customer.treatment ?? 'domestic'
  checkTreatment(customer)
  if (is.books !== null && !brand.taxNumber.trim() && !brand.withoutTaxNumber?.[language]?.trim())
    throw new Refusal('no-own-tax-number', {
      values: { brand: brand.name, kinds: is.many },
      about: { record: { kind: 'brand', id: brand.id, label: brand.name } },
    })

  const rates = ratesFor(input.rates, treatment)
  const deposits = order.deposits ?? []
  const result =
    input.credit?.sums ??
    totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates,
      lines: order.lines,
      adjustments: order.adjustments,
      prepaid: sum([order.prepaid, ...deposits.map((deposit) => deposit.total)]).toString(),
    })
  if (new Decimal(result.total).isNegative()) {
    const says = is.books === null ? 'negative-total/lines' : 'negative-total'
    const of = order.number ? told('of/order', { number: order.number }) : told('of/draft')
    throw new Refusal(says, { values: { of, total: result.total, kind: is.one } })
  }
  if (is.books !== null && input.exchange === null && !new Decimal(result.tax).isZero()) {
    throw new Refusal('no-exchange-rate', { values: { currency: order.currency } })
  }
  const money = (amount: string) => formatMoney(amount, order.currency, language)
  const signed = (kind: 'discount' | 'charge', amount: string) =>
    kind === 'discount' ? money(new Decimal(amount).neg().toString()) : money(amount)
  const due = is.asksForPayment ? dueDate(date, customer.terms) : null
  const prepaid = is.asksForPayment ? order.prepaid : '0'

  const sums: Paper['sums'] = [
    ...(result.adjustments.length
      ? [{ key: 'lines' as const, label: words.lines, amount: money(result.linesSum), strong: false }]
      : []),
    ...result.adjustments.map((adjustment) => ({
      label: adjustment.label,
      amount: signed(adjustment.kind, adjustment.amount),
      strong: false,
    })),
    { key: 'net' as const, label: words.net, amount: money(result.net), strong: false },
    ...result.groups.map((group) => ({
      key: 'tax' as const,
      label: `${words.tax} ${formatPercent(group.rate, language)}`,
      amount: money(group.tax),
      strong: false,
    })),
    ...(new Decimal(prepaid).isZero() && (deposits.length === 0 || !is.asksForPayment)
      ? []
      : [{ label: words.total, amount: money(result.total), strong: true }]),
    ...(is.asksForPayment ? deposits.flatMap((deposit) => depositRows(deposit, input)) : []),
    ...(new Decimal(prepaid).isZero()
      ? []
      : [{ label: words.prepaid, amount: money(new Decimal(prepaid).neg().toString()), strong: false }]),
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
    dueDate: due,
    brand: printedBrand(brand, accountFor(brand.banks, order.currency), language),
    recipient: { lines: addressLines(customer, words.attention, brand) },
    facts: facts(input, due),
    columns: {
      item: words.item,
      description: words.description,
      quantity: words.quantity,
      price: words.price,
      rate: words.tax,
      amount: order.pricesIncludeTax ? words.gross : words.net,
    },
    lines: order.lines.map((line, index) => ({
      item: line.item,
      ...(line.codes ? { codes: line.codes } : {}),
      description: line.description,
      detail: new Decimal(line.discountPercent).isZero()
        ? line.detail
        : [line.detail, `−${formatPercent(line.discountPercent, language)}`].filter(Boolean).join(' · '),
      quantity: [
        formatQuantity(line.quantity, language),
        ...(line.unit ? [unitWords(line.unit, line.quantity, language)] : []),
      ].join('\u00A0'),
      price: formatPrice(line.unitPrice, order.currency, language),
      rate: formatPercent(rates[line.taxCode]!, language),
      amount: money(result.lineAmounts[index]!),
    })),
    adjustments: result.adjustments.map((adjustment) => ({
      label: adjustment.label,
      amount: signed(adjustment.kind, adjustment.amount),
    })),
    taxes: result.groups.map((group) => ({
      rate: rateWords(group, input),
      base: money(group.base),
      tax: money(group.tax),
    })),
    sums,
    toPay: is.asksForPayment
      ? { label: `${words.toPay}, ${order.currency}`, amount: money(result.toPay) }
      : {
          label: `${input.credit ? words.credited : words.total}, ${order.currency}`,
          amount: money(result.total),
        },
    payment: due ? payment(input, result.toPay, due) : null,
    customerNote: order.customerNote,
    ...textsOf(input, paragraphs(input)),
    legal: legal(input, result, treatment),
    words: fixedWords(language),
    amounts: {
      net: result.net,
      tax: result.tax,
      total: result.total,
      toPay: is.asksForPayment ? result.toPay : result.total,
    },
    exact: exactOf(input, result),
  }
}

/** "23 %"; a rate of nothing with what kind of supply it is for, since several may stand side by side. */
function rateWords(
  { rate, taxCode }: { rate: string; taxCode: string },
  { language, taxWords }: PaperInput,
): string {
  const percent = formatPercent(rate, language)
  const name = taxWords?.[taxCode]?.name
  return name && new Decimal(rate).isZero() ? `${percent} ${name}` : percent
}

/** Why no tax is charged at a rate of nothing, each reason once. */
export function reasonsOf(groups: readonly { rate: string; taxCode: string }[], input: PaperInput): string[] {
  const reasons = groups
    .filter((group) => new Decimal(group.rate).isZero())
    .map((group) => ({
      rate: rateWords(group, input),
      reason: input.taxWords?.[group.taxCode]?.reason ?? '',
    }))
    .filter(({ reason }) => reason !== '')
  return [...new Set(reasons.map(({ rate, reason }) => `${rate}: ${reason}`))]
}

/** A deposit that is deducted, and beneath it what of it is net and tax, per rate. */
function depositRows(deposit: DepositFacts, { order, language }: PaperInput): Paper['sums'] {
  const words = paperWords[language]
  const money = (amount: string) => formatMoney(amount, order.currency, language)
  return [
    {
      label: words.deposit(deposit.number, formatDay(deposit.date, language)),
      amount: money(new Decimal(deposit.total).neg().toString()),
      strong: false,
    },
    ...deposit.groups.map((group) => ({
      label: words.depositRate(formatPercent(group.rate, language), money(group.base), money(group.tax)),
      amount: '',
      strong: false,
    })),
  ]
}
