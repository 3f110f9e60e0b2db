import DecimalBase from 'decimal.js'

/**
 * The one decimal type of the house. 40 digits are enough for quantity × price × rate without an intermediate loss;
 * rounding is half away from zero, so that a credit note mirrors its invoice to the cent.
 */
export const Decimal = DecimalBase.clone({
  precision: 40,
  rounding: DecimalBase.ROUND_HALF_UP,
  toExpNeg: -30,
  toExpPos: 30,
})
export type Decimal = InstanceType<typeof Decimal>

/** What a decimal can be made of: a number's text, another decimal, or a whole number. */
export type Numeric = DecimalBase.Value

/** An exact decimal number as text, e.g. "1284.46". Money, quantities and rates travel and are stored like this. */
export type DecimalText = string

/** ISO 4217 code. */
export type Currency = string

const digitsByCurrency = new Map<Currency, number>()

/** Number of minor digits of a currency (CLDR through Intl): 2 for EUR, 0 for JPY, 3 for TND. */
export function currencyDigits(currency: Currency): number {
  let digits = digitsByCurrency.get(currency)
  if (digits === undefined) {
    digits =
      new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ??
      2
    digitsByCurrency.set(currency, digits)
  }
  return digits
}

/** Rounds half away from zero to the currency's digits. */
export function roundMoney(value: Numeric, currency: Currency): Decimal {
  return new Decimal(value).toDecimalPlaces(currencyDigits(currency), Decimal.ROUND_HALF_UP)
}

/** An amount as stored and sent: always with the currency's digits, "-0.00" never occurs. */
export function moneyText(value: Numeric, currency: Currency): DecimalText {
  const rounded = roundMoney(value, currency)
  return (rounded.isZero() ? new Decimal(0) : rounded).toFixed(currencyDigits(currency))
}

/** Σ of amounts, exactly. */
export function sum(values: Iterable<Numeric>): Decimal {
  let total = new Decimal(0)
  for (const value of values) total = total.plus(value)
  return total
}
