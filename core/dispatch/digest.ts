import type { DocumentKind } from '../documents/kinds'
import { counted, told } from '../said/told'

/** Colleagues who read once a day what went, in place of a copy of each email. */
export interface DigestRule {
  to: string[]
  /** Kinds of document that are told; all where there is none. */
  kinds: DocumentKind[]
  /** "17:30", in the house's zone. */
  time: string
}

/** A document that went. */
export interface WentOut {
  /** "INV-2026-00042". */
  number: string
  /** "Invoice". */
  heading: string
  customer: string
  /** "1,284.46 EUR"; '' for what says no money. */
  sum: string
  /** Whom it went to; '' for what was printed. */
  to: string
  /** "14:05", with its day where that is another one. */
  at: string
  isCopy: boolean
  /** Where it is seen; '' where links lead nowhere. */
  href: string
}

/** More stand in the register. */
export const mostTold = 300

/**
 * The email of the day as plain text, the earliest first.
 * @param whole how many went in all; of more than `mostTold` the rest is in the register
 */
export function digestEmail(
  house: string,
  went: readonly WentOut[],
  whole: number,
): { subject: string; text: string } {
  const lines = went.map(({ number, heading, customer, sum, to, at, isCopy, href }) =>
    [
      [
        told(isCopy ? 'digest/copy' : 'digest/document', { at, heading, number }).words,
        customer,
        sum,
        (to ? told('digest/to', { address: to }) : told('digest/printed')).words,
      ]
        .filter(Boolean)
        .join(', '),
      ...(href ? [`       ${href}`] : []),
    ].join('\n'),
  )
  const rest = whole - went.length
  const documents = counted(whole, 'document')
  return {
    subject: told('digest/subject', { documents, house }).words,
    text: [
      told('digest/went', { documents }).words,
      lines.join('\n'),
      ...(rest > 0 ? [told('digest/more', { n: rest }).words] : []),
      told('digest/why').words,
    ]
      .join('\n\n')
      .concat('\n'),
  }
}
