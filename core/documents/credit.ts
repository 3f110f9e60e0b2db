import { badInput, Refusal } from '../errors'
import { Decimal, moneyText, roundMoney, sum, type DecimalText } from '../money/decimal'
import { spread } from '../money/spread'
import { totals, type LineCharge, type Totals, type TotalsInput } from '../money/totals'
import { adjustmentShares, portion, summed } from './credit-shares'

/*
 * What of an invoice can be credited, and the sums of a credit note. Works on the invoice's own lines and
 * rates as they were frozen at issue:
 * never more is credited than is left per line and per rate, and the credit that empties a rate takes its
 * rounding rest, so that all credits
 * of an invoice together mirror it to the cent.
 */

/** An invoice's part of one tax rate, or what of it is credited or left. */
export interface CreditGroup {
  taxCode: string
  rate: DecimalText
  base: DecimalText
  tax: DecimalText
}

/** One line of a credit note that takes back a quantity of an invoice's line. */
export interface CreditedLine {
  /** Index of the invoice's line, from 0. */
  line: number
  quantity: DecimalText
}

/** What a credit note took back, kept with it, so that the next one knows what is left. */
export interface Credited {
  lines: CreditedLine[]
  groups: CreditGroup[]
}

/** What is asked for: everything that is left, quantities of lines, or an amount with tax. */
export type CreditAsk =
  { kind: 'whole' } | { kind: 'lines'; lines: CreditedLine[] } | { kind: 'amount'; amount: DecimalText }

/** The numbers of an invoice that credits are worked out from. */
export type CreditBasis = Omit<TotalsInput, 'prepaid'>

/** What is still uncredited of an invoice. */
export interface Creditable {
  /** Per line of the invoice: the quantity that is left. */
  quantities: DecimalText[]
  groups: CreditGroup[]
  /** With tax. */
  total: DecimalText
}

/** A credit note's lines and sums, and what it takes back. */
export interface Credit {
  /** The lines to print; `from` is the invoice's line, null for an amount of a rate. */
  lines: (LineCharge & { from: number | null })[]
  sums: Totals
  credited: Credited
}

/** What is left of an invoice after the credits so far. */
export function creditable(basis: CreditBasis, before: readonly Credited[]): Creditable {
  const whole = totals({ ...basis, prepaid: '0' })
  const quantities = basis.lines.map((line, index) =>
    new Decimal(line.quantity).minus(
      sum(
        before.flatMap((credit) =>
          credit.lines.filter((one) => one.line === index).map((one) => one.quantity),
        ),
      ),
    ),
  )
  const groups = whole.groups.map((group) => {
    const taken = before.flatMap((credit) => credit.groups.filter((one) => one.taxCode === group.taxCode))
    return {
      ...group,
      base: moneyText(new Decimal(group.base).minus(sum(taken.map((one) => one.base))), basis.currency),
      tax: moneyText(new Decimal(group.tax).minus(sum(taken.map((one) => one.tax))), basis.currency),
    }
  })
  return {
    quantities: quantities.map((quantity) => quantity.toString()),
    groups,
    total: moneyText(sum(groups.flatMap((group) => [group.base, group.tax])), basis.currency),
  }
}

/**
 * The lines and sums of a credit note.
 * @param words what a line without quantity is called, and the row of a line's share of the invoice's
 * discounts and charges
 * @throws Refusal "nothing-left", "no-lines", "over-credit"
 */
export function creditOf(
  basis: CreditBasis,
  before: readonly Credited[],
  ask: CreditAsk,
  shareLabel: string,
): Credit {
  const left = creditable(basis, before)
  if (new Decimal(left.total).lte(0)) throw new Refusal('nothing-left')
  if (ask.kind === 'whole' && before.length === 0) return mirror(basis)
  if (ask.kind === 'lines') return ofLines(basis, left, ask.lines, shareLabel)
  return ofAmount(basis, left, ask.kind === 'whole' ? left.total : ask.amount)
}

/** The whole invoice with its discounts and charges, to the cent. */
function mirror(basis: CreditBasis): Credit {
  const whole = totals({ ...basis, prepaid: '0' })
  return {
    lines: basis.lines.map((line, from) => ({ ...line, from })),
    sums: whole,
    credited: { lines: basis.lines.map(({ quantity }, line) => ({ line, quantity })), groups: whole.groups },
  }
}

function ofLines(
  basis: CreditBasis,
  left: Creditable,
  asked: readonly CreditedLine[],
  shareLabel: string,
): Credit {
  const { currency } = basis
  const wanted = asked.filter((one) => !new Decimal(one.quantity).isZero())
  if (wanted.length === 0) throw badInput('no-lines', 'lines')
  const whole = totals({ ...basis, prepaid: '0' })
  const shares = adjustmentShares(basis, whole)
  const amounts = wanted.map(({ line, quantity }) => {
    const charge = basis.lines[line]
    const rest = left.quantities[line]
    if (!charge || rest === undefined) throw badInput('no-such-line', 'lines', { line: line + 1 })
    if (
      new Decimal(quantity).abs().gt(new Decimal(rest).abs()) ||
      new Decimal(quantity).isNegative() !== new Decimal(charge.quantity).isNegative()
    ) {
      throw badInput('over-credit/line', 'lines', { line: line + 1, quantity, rest })
    }
    const part = new Decimal(quantity).div(charge.quantity)
    return {
      charge,
      line,
      quantity,
      amount: roundMoney(new Decimal(whole.lineAmounts[line]!).times(part), currency),
      share: roundMoney(shares[line]!.times(part), currency),
    }
  })
  const byCode = new Map<string, Decimal>()
  for (const { charge, amount, share } of amounts)
    byCode.set(charge.taxCode, (byCode.get(charge.taxCode) ?? new Decimal(0)).plus(amount).plus(share))
  const everything = left.quantities.every((rest, line) =>
    new Decimal(rest).eq(wanted.find((one) => one.line === line)?.quantity ?? 0),
  )
  const groups = left.groups
    .filter((group) => byCode.has(group.taxCode) || everything)
    .map((group) => {
      const rest = basis.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base)
      const emptied = basis.lines.every(
        (charge, line) =>
          charge.taxCode !== group.taxCode ||
          new Decimal(left.quantities[line]!).eq(wanted.find((one) => one.line === line)?.quantity ?? 0),
      )
      return portion(group, emptied || everything ? rest : byCode.get(group.taxCode)!, basis)
    })
  const linesSum = sum(amounts.map((one) => one.amount))
  const inMode = sum(
    groups.map((group) =>
      basis.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base),
    ),
  )
  const rest = inMode.minus(linesSum)
  // without discounts and charges a rest is rounding alone: the largest line takes it, and no row is made of it
  const rounding = basis.adjustments.length === 0 ? rest : new Decimal(0)
  const printed = withRounding(
    amounts.map((one) => one.amount),
    rounding,
  )
  const share = rest.minus(rounding)
  return {
    lines: amounts.map(({ charge, line, quantity }) => ({ ...charge, quantity, from: line })),
    sums: summed(
      currency,
      printed,
      share.isZero()
        ? []
        : [
            {
              kind: share.isNegative() ? 'discount' : 'charge',
              label: shareLabel,
              amount: moneyText(share.abs(), currency),
            },
          ],
      groups,
    ),
    credited: { lines: wanted.map(({ line, quantity }) => ({ line, quantity })), groups },
  }
}

/** The amounts with a rounding rest put into the largest of them. */
function withRounding(amounts: readonly Decimal[], rest: Decimal): Decimal[] {
  const largest = Decimal.max(...amounts.map((amount) => amount.abs()))
  const at = amounts.findIndex((amount) => amount.abs().eq(largest))
  return amounts.map((amount, index) => (index === at ? amount.plus(rest) : amount))
}

/** An amount with tax, spread over what is left of the rates. */
function ofAmount(basis: CreditBasis, left: Creditable, asked: DecimalText): Credit {
  const { currency } = basis
  const amount = new Decimal(asked)
  if (amount.lte(0)) throw badInput('bad-amount', 'amount')
  if (!roundMoney(amount, currency).eq(amount))
    throw badInput('bad-amount/digits', 'amount', { asked, currency })
  if (amount.gt(left.total))
    throw badInput('over-credit/amount', 'amount', { asked, left: left.total, currency })
  const gross = left.groups.map((group) => new Decimal(group.base).plus(group.tax))
  const parts = spread(amount, gross, currency)
  const groups = left.groups
    .map((group, index) => portion(group, parts[index]!, { ...basis, pricesIncludeTax: true }))
    .filter((group) => !new Decimal(group.base).isZero() || !new Decimal(group.tax).isZero())
  const inMode = groups.map((group) =>
    basis.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base),
  )
  return {
    lines: groups.map((group, index) => ({
      quantity: '1',
      unitPrice: inMode[index]!.toString(),
      discountPercent: '0',
      taxCode: group.taxCode,
      from: null,
    })),
    sums: summed(currency, inMode, [], groups),
    credited: { lines: [], groups },
  }
}
