import { Decimal, moneyText, type Currency, type DecimalText } from './decimal'

/** How much of a currency one unit of the house's currency is, on a day, as somebody published it. */
export interface Exchange {
  /** The house's currency. */
  home: Currency
  currency: Currency
  /** Units of `currency` for 1 of `home`. */
  rate: DecimalText
  /** ISO day it was published for. */
  day: string
  source: string
}

/** An amount in the house's currency, rounded to its digits. @throws RangeError for a rate that is not above zero */
export function inHomeCurrency(amount: DecimalText, exchange: Exchange): DecimalText {
  const rate = new Decimal(exchange.rate)
  if (rate.lte(0)) throw new RangeError('an exchange rate is above zero')
  return moneyText(new Decimal(amount).div(rate), exchange.home)
}
