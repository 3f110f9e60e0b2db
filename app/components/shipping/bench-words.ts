import { quantity } from '../../composables/format'
import { t } from '../../words'
import { Decimal } from '../../../core/money/decimal'
import type { BenchAnswer, BenchLine } from '../../../core/shipping/bench'

/** What the bench says to a scan, and whether it is a warning. */
export interface BenchSaid {
  words: string
  wrong: boolean
}

export function benchWords(answer: BenchAnswer, lines: readonly BenchLine[]): BenchSaid {
  const nameAt = (position: number) => lines.find((line) => line.position === position)?.description ?? ''
  const right = (words: string) => ({ words, wrong: false })
  const wrong = (words: string) => ({ words, wrong: true })
  switch (answer.said) {
    case 'added':
    case 'set': {
      const values = {
        item: nameAt(answer.position),
        packed: quantity(answer.packed),
        left: quantity(answer.left),
      }
      return right(
        new Decimal(answer.left).isZero() ? t('shipping.saidAllOf', values) : t('shipping.saidAdded', values),
      )
    }
    case 'taken out':
      return right(
        t('shipping.saidTakenOut', { item: nameAt(answer.position), packed: quantity(answer.packed) }),
      )
    case 'new parcel':
      return right(t('shipping.saidNewParcel', { parcel: answer.parcel }))
    case 'weighed':
      return right(t('shipping.saidWeighed', { weight: quantity(answer.weight) }))
    case 'not in the order':
      return wrong(t('shipping.saidNotInOrder', { code: answer.code }))
    case 'all packed':
      return wrong(t('shipping.saidAllPacked', { item: nameAt(answer.position) }))
    case 'too many':
      return wrong(t('shipping.saidTooMany', { item: nameAt(answer.position), left: quantity(answer.left) }))
    case 'nothing to count':
      return wrong(t('shipping.saidNothingToCount'))
    case 'parcel is empty':
      return wrong(t('shipping.saidParcelIsEmpty'))
    case 'finish':
      return right('')
  }
}
