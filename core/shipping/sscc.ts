import { Refusal } from '../errors'

/*
 * Serial Shipping Container Codes of the GS1 General Specifications, section 3.3 (application identifier 00), with the
 * check digit of section 7.9.
 */

/** The check digit of a GS1 key without it: weights 3 and 1 in turn from the right, to the next ten. */
export function checkDigit(digits: string): string {
  const sum = [...digits]
    .reverse()
    .reduce((total, digit, place) => total + Number(digit) * (place % 2 === 0 ? 3 : 1), 0)
  return String((10 - (sum % 10)) % 10)
}

/** Whether a text can be the company prefix that GS1 gave: seven to ten digits. */
export const isCompanyPrefix = (text: string): boolean => /^\d{7,10}$/.test(text)

/**
 * The 18 digits of a parcel: extension digit, company prefix, serial number, check digit.
 * @throws Refusal "sscc-used-up" where the serial number has more digits than the prefix leaves
 */
export function sscc(prefix: string, serial: number, extension = 0): string {
  const room = 16 - prefix.length
  const digits = String(serial).padStart(room, '0')
  if (digits.length > room) throw new Refusal('sscc-used-up', { values: { prefix } })
  const key = `${extension}${prefix}${digits}`
  return key + checkDigit(key)
}

/** As people read it: (00) 3 4012345 000000001 8 without its grouping, which depends on the prefix. */
export const ssccWords = (code: string): string => `(00) ${code}`
