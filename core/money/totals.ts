import { Refusal } from '../errors'
import { Decimal, moneyText, roundMoney, sum, type Currency, type DecimalText, type Numeric } from './decimal'
import { spread } from './spread'

/** What is charged for one line of an order, before tax rules. */
export interface LineCharge {
  quantity: DecimalText
  /** Per unit, in the document's currency; with or without tax as the document says. */
  unitPrice: DecimalText
  /** 0–100, taken off quantity × price. */
  discountPercent: DecimalText
  /** Key into `TotalsInput.rates`, e.g. "standard". */
  taxCode: string
}

/**
 * A discount or charge on the whole document (freight, packing …): of a tax code of its own, or spread over
 * the rates of its lines.
 */
export interface Adjustment {
  kind: 'discount' | 'charge'
  label: string
  /** Either a positive amount in the currency or a percentage of the lines' sum. */
  amount?: DecimalText
  percent?: DecimalText
  /** Key into `TotalsInput.rates`; left out, it is spread over the lines. */
  taxCode?: string
}

export interface TotalsInput {
  currency: Currency
  pricesIncludeTax: boolean
  /** Percent by tax code, e.g. { standard: "23" }. */
  rates: Record<string, DecimalText>
  lines: readonly LineCharge[]
  adjustments: readonly Adjustment[]
  prepaid: DecimalText
}

export interface TaxGroup {
  taxCode: string
  /** Percent. */
  rate: DecimalText
  base: DecimalText
  tax: DecimalText
}

export interface Totals {
  /** Per line, quantity × price − discount, in the mode of the prices (net, or gross where prices include tax). */
  lineAmounts: DecimalText[]
  linesSum: DecimalText
  adjustments: { kind: 'discount' | 'charge'; label: string; amount: DecimalText }[]
  /** Highest rate first. */
  groups: TaxGroup[]
  net: DecimalText
  tax: DecimalText
  total: DecimalText
  prepaid: DecimalText
  /** total − prepaid: the open item at issue. */
  toPay: DecimalText
}

/** quantity × price − line discount, rounded to the currency. */
export function lineAmount(line: LineCharge, currency: Currency): Decimal {
  const full = new Decimal(line.quantity).times(line.unitPrice)
  return roundMoney(full.minus(full.times(line.discountPercent).div(100)), currency)
}

function adjustmentAmount(adjustment: Adjustment, linesSum: Decimal, currency: Currency): Decimal {
  if (adjustment.percent !== undefined)
    return roundMoney(linesSum.times(adjustment.percent).div(100), currency)
  return roundMoney(adjustment.amount ?? '0', currency)
}

/**
 * The sums of a document. Tax is worked out per rate on the group's sum (from the group's gross where prices
 * include tax).
 * Holds always: Σ bases + Σ tax = total, total − prepaid = to pay, and
 * Σ lines − discounts + charges = Σ bases (prices without tax) or = total (prices with tax).
 * @throws Refusal "no-lines", "unknown-tax-code"
 */
export function totals(input: TotalsInput): Totals {
  const { currency, pricesIncludeTax } = input
  if (input.lines.length === 0) throw new Refusal('no-lines/document')

  const amounts = input.lines.map((line) => lineAmount(line, currency))
  const linesSum = sum(amounts)
  const byCode = new Map<string, Decimal>()
  input.lines.forEach((line, index) => {
    if (input.rates[line.taxCode] === undefined) {
      throw new Refusal('unknown-tax-code/line', { values: { line: index + 1, taxCode: line.taxCode } })
    }
    byCode.set(line.taxCode, (byCode.get(line.taxCode) ?? new Decimal(0)).plus(amounts[index]!))
  })
  for (const { taxCode, label } of input.adjustments) {
    if (taxCode === undefined) continue
    if (input.rates[taxCode] === undefined)
      throw new Refusal('unknown-tax-code/charge', { values: { label, taxCode } })
    if (!byCode.has(taxCode)) byCode.set(taxCode, new Decimal(0))
  }
  const codes = [...byCode.keys()].sort(
    (a, b) => new Decimal(input.rates[b]!).comparedTo(input.rates[a]!) || a.localeCompare(b),
  )
  const groupSums = codes.map((code) => byCode.get(code)!)
  const weights = [...groupSums]

  const adjustments = input.adjustments.map((adjustment) => ({
    kind: adjustment.kind,
    label: adjustment.label,
    amount: adjustmentAmount(adjustment, linesSum, currency),
    taxCode: adjustment.taxCode,
  }))
  for (const adjustment of adjustments) {
    const signed = adjustment.kind === 'discount' ? adjustment.amount.neg() : adjustment.amount
    if (adjustment.taxCode !== undefined) {
      const index = codes.indexOf(adjustment.taxCode)
      groupSums[index] = groupSums[index]!.plus(signed)
      continue
    }
    spread(signed, weights, currency).forEach((part, index) => {
      groupSums[index] = groupSums[index]!.plus(part)
    })
  }

  const groups = codes.map((taxCode, index) => {
    const rate = new Decimal(input.rates[taxCode]!)
    const groupSum = groupSums[index]!
    const tax = pricesIncludeTax
      ? roundMoney(groupSum.times(rate).div(rate.plus(100)), currency)
      : roundMoney(groupSum.times(rate).div(100), currency)
    return { taxCode, rate, base: pricesIncludeTax ? groupSum.minus(tax) : groupSum, tax }
  })
  const net = sum(groups.map((group) => group.base))
  const tax = sum(groups.map((group) => group.tax))
  const total = net.plus(tax)
  const text = (value: Numeric) => moneyText(value, currency)
  return {
    lineAmounts: amounts.map(text),
    linesSum: text(linesSum),
    adjustments: adjustments.map(({ kind, label, amount }) => ({ kind, label, amount: text(amount) })),
    groups: groups.map((group) => ({
      taxCode: group.taxCode,
      rate: group.rate.toString(),
      base: text(group.base),
      tax: text(group.tax),
    })),
    net: text(net),
    tax: text(tax),
    total: text(total),
    prepaid: text(input.prepaid),
    toPay: text(total.minus(input.prepaid)),
  }
}
