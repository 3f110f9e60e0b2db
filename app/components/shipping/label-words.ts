import { t } from '../../words'
import { said } from '../../words/speech'
import { shortTime } from '../../composables/format'
import type { LabelView } from '../../contract'

/** How a label stands, in a word or two, and its colour. */
export function labelState({
  state,
  way,
  tries,
  isReturn,
}: Pick<LabelView, 'state' | 'way'> & { tries?: number; isReturn?: boolean }): {
  words: string
  tone: '' | 'go' | 'way' | 'wait' | 'stuck'
} {
  switch (state) {
    case 'asked':
      return tries
        ? { words: t('shipping.waitsForCarrier'), tone: 'wait' }
        : { words: t('shipping.isBeingBought'), tone: 'wait' }
    case 'booking':
      return { words: t('shipping.isBeingBought'), tone: 'wait' }
    case 'unclear':
      return { words: t('shipping.isUnclear'), tone: 'stuck' }
    case 'refused':
      return { words: t('shipping.isNotBought'), tone: 'stuck' }
    case 'cancelling':
      return { words: t('shipping.isBeingGivenBack'), tone: 'wait' }
    case 'cancelled':
    case 'closed':
      return { words: t('shipping.isGivenBack'), tone: '' }
    case 'made':
      // with it goods come back, and the customer has not sent them yet
      if (isReturn && way === 'announced') return { words: t('shipping.notSentYet'), tone: '' }
      return { words: said(`parcel/${way ?? 'announced'}`), tone: toneOf[way ?? 'announced'] }
  }
}

const toneOf = {
  announced: 'go',
  accepted: 'way',
  'under way': 'way',
  held: 'stuck',
  delivered: 'go',
  'sent back': 'stuck',
} as const

type Troubled = Pick<LabelView, 'state' | 'failure' | 'reply' | 'nextTryAt'> & { tries?: number }

/** Why a label is not there and what helps; '' where all is well. */
export function labelTrouble({ state, failure, nextTryAt, tries }: Troubled): string {
  if (state === 'refused' && failure)
    return `${said(`failure/${failure}`)} ${said(`label-remedy/${failure}`)}`
  if (state === 'unclear') return t('shipping.unclearMeans')
  if (state === 'asked' && tries) return t('shipping.askedAgainAt', { time: shortTime(nextTryAt) })
  return ''
}

/** The carrier's own words to it; '' where it said nothing that matters. */
export const carrierWords = ({ state, reply }: Troubled): string =>
  reply && (state === 'refused' || state === 'made') ? t('shipping.carrierSaid', { reply }) : ''
