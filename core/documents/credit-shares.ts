import { badInput } from '../errors'
import { Decimal, moneyText, roundMoney, sum, type Currency } from '../money/decimal'
import { spread } from '../money/spread'
import type { Totals } from '../money/totals'
import type { CreditGroup, CreditBasis } from './credit'

/*
 * How a credit is shared out: over the rates of its invoice and the adjustments that stood on it.
 */

/** A part of what is left of a rate; all of it takes the rest as it is, and never more base or tax than is left. */
export function portion(
  group: CreditGroup,
  part: Decimal,
  basis: Pick<CreditBasis, 'currency' | 'pricesIncludeTax'>,
): CreditGroup {
  const { currency, pricesIncludeTax } = basis
  const left = { base: new Decimal(group.base), tax: new Decimal(group.tax) }
  const limit = pricesIncludeTax ? left.base.plus(left.tax) : left.base
  if (part.abs().gt(limit.abs()))
    throw badInput('over-credit/rate', 'lines', {
      rate: group.rate,
      amount: moneyText(limit, currency),
      currency,
    })
  if (part.eq(limit)) return group
  const rate = new Decimal(group.rate)
  let tax = Decimal.min(
    roundMoney(pricesIncludeTax ? part.times(rate).div(rate.plus(100)) : part.times(rate).div(100), currency),
    left.tax,
  )
  let base = pricesIncludeTax ? part.minus(tax) : part
  if (base.gt(left.base)) {
    base = left.base
    if (pricesIncludeTax) tax = part.minus(base)
  }
  return { ...group, base: moneyText(base, currency), tax: moneyText(tax, currency) }
}

/**
 * Each line's share of the document's discounts and charges, in the mode of the prices; all shares of a rate
 * add up to what was spread on it.
 */
export function adjustmentShares(basis: CreditBasis, whole: Totals): Decimal[] {
  const shares = basis.lines.map(() => new Decimal(0))
  for (const group of whole.groups) {
    const of = basis.lines
      .map((line, index) => (line.taxCode === group.taxCode ? index : -1))
      .filter((index) => index >= 0)
    if (of.length === 0) continue
    const lines = of.map((index) => whole.lineAmounts[index]!)
    const inMode = basis.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base)
    spread(inMode.minus(sum(lines)), lines, basis.currency).forEach((share, index) => {
      shares[of[index]!] = share
    })
  }
  return shares
}

export function summed(
  currency: Currency,
  lineAmounts: readonly Decimal[],
  adjustments: Totals['adjustments'],
  groups: CreditGroup[],
): Totals {
  const text = (value: Decimal) => moneyText(value, currency)
  const [net, tax] = [sum(groups.map((group) => group.base)), sum(groups.map((group) => group.tax))]
  return {
    lineAmounts: lineAmounts.map(text),
    linesSum: text(sum(lineAmounts)),
    adjustments,
    groups,
    net: text(net),
    tax: text(tax),
    total: text(net.plus(tax)),
    prepaid: text(new Decimal(0)),
    toPay: text(net.plus(tax)),
  }
}
