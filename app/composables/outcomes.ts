import { t } from '../words'

/** What came of something that a routine looked at, as a list says it. */
export function outcomeWords(outcome: string): string {
  const words: Record<string, string> = {
    'goes by itself': t('routines.goesByItself'),
    prepared: t('routines.waitsInToCheck2'),
    packed: t('routines.goodsArePacked'),
    refused: t('routines.couldNotBeBought'),
    due: t('routines.listedInToSend'),
    already: t('routines.hasItAlready'),
    'not wanted': t('routines.notWanted'),
    'did not apply': t('routines.didNotApply'),
    waits: t('routines.isBeingLookedAt'),
  }
  return words[outcome] ?? outcome
}
