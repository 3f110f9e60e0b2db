import { countrySpecs, isValidIBAN, validateIBAN, ValidationErrorsIBAN as Wrong } from 'ibantools'
import { badInput } from '../errors'
import { Decimal, type Currency, type DecimalText } from '../money/decimal'
import { told, type Told } from '../said/told'

/** ISO 7064 MOD 97-10 of a string of letters and digits, letters counting 10–35. */
function mod97(text: string): number {
  let remainder = 0
  for (const character of text) {
    const value = /\d/.test(character) ? character : String(character.charCodeAt(0) - 55)
    for (const digit of value) remainder = (remainder * 10 + Number(digit)) % 97
  }
  return remainder
}

/** Whether an IBAN is of a country, as long as there, and its check digits hold (ISO 13616). Spaces do not matter. */
export const isIban = (text: string): boolean => isValidIBAN(plainIban(text))

const plainIban = (text: string) => text.replace(/\s/g, '').toUpperCase()

/** An IBAN in groups of four, as it is printed. */
export function formatIban(text: string): string {
  return text
    .replace(/\s/g, '')
    .toUpperCase()
    .replace(/(.{4})(?=.)/g, '$1 ')
}

/**
 * The creditor reference (ISO 11649) of a document number: "RF", two check digits, up to 21 letters and digits.
 * Other characters are left out.
 */
export function creditorReference(number: string): string {
  const reference = number
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .slice(-21)
  const check = 98 - mod97(`${reference}RF00`)
  return `RF${String(check).padStart(2, '0')}${reference}`
}

/** Whether a creditor reference's check digits hold (ISO 11649). */
export function isCreditorReference(text: string): boolean {
  const reference = text.replace(/\s/g, '').toUpperCase()
  return /^RF\d{2}[A-Z0-9]{1,21}$/.test(reference) && mod97(reference.slice(4) + reference.slice(0, 4)) === 1
}

/** A creditor reference in groups of four, as it is printed. */
export const formatReference = formatIban

export interface PaymentFacts {
  beneficiary: string
  iban: string
  bic: string
  currency: Currency
  amount: DecimalText
  /** ISO 11649. */
  reference: string
}

/**
 * The text of a payment QR code after EPC069-12, version 002, character set UTF-8, SEPA credit transfer with
 * structured reference.
 * undefined where the standard has no code: another currency than euro, nothing to pay, more than
 * 999,999,999.99, or no valid IBAN.
 */
export function paymentCode(facts: PaymentFacts): string | undefined {
  const amount = new Decimal(facts.amount)
  if (facts.currency !== 'EUR' || amount.lt('0.01') || amount.gt('999999999.99') || !isIban(facts.iban))
    return undefined
  return [
    'BCD',
    '002',
    '1',
    'SCT',
    facts.bic.replace(/\s/g, ''),
    facts.beneficiary.slice(0, 70),
    facts.iban.replace(/\s/g, '').toUpperCase(),
    `EUR${amount.toFixed(2)}`,
    '',
    facts.reference.replace(/\s/g, ''),
  ].join('\n')
}

/** What is wrong with an IBAN, as the rest of a sentence about it; null where it is right. */
function ibanProblem(text: string): Told | null {
  const iban = plainIban(text)
  const { valid, errorCodes } = validateIBAN(iban)
  if (valid) return null
  if (errorCodes.includes(Wrong.NoIBANCountry)) return told('iban/country')
  const long = countrySpecs[iban.slice(0, 2)]?.chars
  if (errorCodes.includes(Wrong.WrongBBANLength) && long)
    return told('iban/length', { count: iban.length, country: iban.slice(0, 2), right: long })
  return told('iban/digits')
}

/** @throws Refusal when a bank account cannot be right */
export function checkIban(iban: string, field = 'iban'): void {
  const problem = ibanProblem(iban)
  if (problem) throw badInput('bad-iban', field, { iban, problem })
}
