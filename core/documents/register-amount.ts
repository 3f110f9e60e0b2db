import { Decimal, type DecimalText } from '../money/decimal'
import { kindFacts, type DocumentKind } from './kinds'

/** What decides how a document counts in the sums of the Register. */
export interface RegisterAmount {
  kind: DocumentKind
  total: DecimalText
  voided: boolean
}

/**
 * What a document adds to a sum: credit notes take away, void ones count nothing; of several kinds together
 * only what is posted counts.
 */
export function registerAmount({ kind, total, voided }: RegisterAmount, ofOneKind: boolean): DecimalText {
  if (voided || (!ofOneKind && kindFacts[kind].books === null)) return '0'
  return kindFacts[kind].books === 'credit' ? new Decimal(total).neg().toFixed() : total
}
