import { t } from '../../words'
import { shortDay } from '../../composables/format'
import type { ReturnRow } from '../../contract'

type Standing = Pick<ReturnRow, 'state' | 'until' | 'backOn'> & { way?: string | null }

/** How a return stands, in a few words, and its colour. */
export function returnState(
  { state, until, backOn }: Standing,
  today: string,
): { words: string; tone: '' | 'go' | 'way' | 'wait' | 'stuck' } {
  switch (state) {
    case 'expected':
      return until < today
        ? { words: t('returns.expectedUntil', { day: shortDay(until) }), tone: 'stuck' }
        : { words: t('returns.expectedBy', { day: shortDay(until) }), tone: 'wait' }
    case 'back':
      return { words: t('returns.isBack', { day: shortDay(backOn ?? until) }), tone: 'go' }
    case 'withdrawn':
      return { words: t('returns.isWithdrawn'), tone: '' }
  }
}
