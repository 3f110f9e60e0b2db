import { t } from '../words'
import type { Trust } from '../../core/routines/sentence'

/** What each level of trust is called and means, and the tone of its tag. */
export const trustWords: Record<Trust, { words: string; means: string; tone: string }> = {
  'by hand': { words: t('common.byHand'), means: t('common.itOnlyListsWhatIs'), tone: '' },
  'after a check': {
    words: t('common.afterACheck'),
    means: t('common.itMakesTheDocumentAnd'),
    tone: 'wait',
  },
  automatic: {
    words: t('common.automatic'),
    means: t('common.itGoesAnythingUnusualStill'),
    tone: 'go',
  },
}
