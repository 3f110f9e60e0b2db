import { Decimal, currencyDigits, sum, type Currency, type Numeric } from './decimal'

/**
 * Spreads an amount over weights by largest remainder: the parts have the currency's digits and add up to the
 * amount exactly.
 * Equal remainders go to the earlier weight. With no weight at all (all zero) everything goes to the first.
 * @throws RangeError when there is nothing to spread over.
 */
export function spread(amount: Numeric, weights: readonly Numeric[], currency: Currency): Decimal[] {
  if (weights.length === 0) throw new RangeError('nothing to spread the amount over')
  const whole = new Decimal(amount)
  const unit = new Decimal(10).pow(-currencyDigits(currency))
  const total = sum(weights)
  if (total.isZero()) return weights.map((_, index) => (index === 0 ? whole : new Decimal(0)))

  const exact = weights.map((weight) => whole.times(weight).div(total))
  const parts = exact.map((share) => share.div(unit).trunc().times(unit))
  let missing = whole.minus(sum(parts))
  const step = missing.isNegative() ? unit.neg() : unit
  const order = exact
    .map((share, index) => ({ index, remainder: share.minus(parts[index]!).abs() }))
    .sort((a, b) => b.remainder.comparedTo(a.remainder) || a.index - b.index)
  for (let turn = 0; !missing.isZero(); turn++) {
    const index = order[turn % order.length]!.index
    parts[index] = parts[index]!.plus(step)
    missing = missing.minus(step)
  }
  return parts
}
