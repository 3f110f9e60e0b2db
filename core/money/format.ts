import { Decimal, currencyDigits, type Currency, type DecimalText } from './decimal'

/** A language of papers, as a BCP 47 tag that Intl knows. */
export const languages = ['en', 'de', 'fr'] as const
export type Language = (typeof languages)[number]

/** The CLDR locale behind a paper language; papers in English follow Irish habit (day before month, comma groups). */
export const localeOf: Record<Language, string> = { en: 'en-IE', de: 'de-DE', fr: 'fr-FR' }

const formats = new Map<string, Intl.NumberFormat>()
function format(locale: string, minimum: number, maximum: number): Intl.NumberFormat {
  const key = `${locale}/${minimum}/${maximum}`
  let found = formats.get(key)
  if (!found) {
    found = new Intl.NumberFormat(locale, { minimumFractionDigits: minimum, maximumFractionDigits: maximum })
    formats.set(key, found)
  }
  return found
}

/**
 * An amount in words of the language, without currency sign: "1,284.46", "1.284,46". Exact: Intl formats the
 * decimal text itself.
 */
export function formatMoney(amount: DecimalText, currency: Currency, language: Language): string {
  const digits = currencyDigits(currency)
  const exact = new Decimal(amount).toFixed(digits)
  return tidy(format(localeOf[language], digits, digits).format(exact as `${number}`))
}

/** A unit price: at least the currency's digits, up to four. */
export function formatPrice(price: DecimalText, currency: Currency, language: Language): string {
  const value = new Decimal(price)
  const digits = Math.max(currencyDigits(currency), Math.min(4, value.decimalPlaces()))
  return tidy(format(localeOf[language], digits, digits).format(value.toFixed(digits) as `${number}`))
}

/** A quantity: as many digits as it has, up to three. */
export function formatQuantity(quantity: DecimalText, language: Language): string {
  return tidy(format(localeOf[language], 0, 3).format(new Decimal(quantity).toFixed() as `${number}`))
}

/** An exchange rate: as many digits as it has, up to six. */
export function formatRate(rate: DecimalText, language: Language): string {
  return tidy(format(localeOf[language], 2, 6).format(new Decimal(rate).toFixed() as `${number}`))
}

/** A percentage: "23 %", "13.5 %". The space never breaks. */
export function formatPercent(percent: DecimalText, language: Language): string {
  return `${tidy(format(localeOf[language], 0, 2).format(new Decimal(percent).toFixed() as `${number}`))}\u00A0%`
}

/**
 * French groups digits with U+202F, which many text fonts lack; U+00A0 looks the same on paper and is in
 * every font. A minus is U+2212, as wide as the digits.
 */
function tidy(text: string): string {
  return text.replaceAll('\u202F', '\u00A0').replaceAll('-', '\u2212')
}
