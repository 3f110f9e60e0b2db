import { spoken } from '../words/speech'

/** What came of something that a routine looked at, as a list says it. */
export const outcomeWords = (outcome: string): string =>
  spoken({ says: `outcome/${outcome}`, values: {} }) ?? outcome
