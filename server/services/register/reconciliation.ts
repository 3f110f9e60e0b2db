import { scopeWords } from '../../../core/numbering/series'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Day } from '../../../core/documents/days'
import { stuckWords } from '../../../core/dispatch/states'
import { company } from '../house/house'
import { theHouse } from '../people/principal'
import {
  seriesOfDay,
  postingOfDay,
  differencesOfDay,
  mostDifferences,
  type DifferenceRow,
} from './reconciliation-queries'

/*
 * The proof of a day: issued = numbered = painted = sent or printed = arrived, by count and sum for every
 * series; posted = open + paid + credited; and every
 * document that is a difference, with why. Called from the Proof page. Reads only.
 */

interface CountAndSum {
  count: number
  sum: string
}

/** A series' documents of one day in one currency, and how far they came. */
export interface ProvedSeries {
  /** Unique in the list. */
  id: number
  seriesId: number
  kind: DocumentKind
  brand: string
  scope: string
  currency: string
  first: string
  last: string
  issued: CountAndSum
  numbered: CountAndSum
  painted: CountAndSum
  left: CountAndSum
  arrived: CountAndSum
}

export interface Difference {
  id: number
  number: string
  kind: DocumentKind
  customerName: string
  total: string
  currency: string
  step: 'numbered' | 'painted' | 'sent' | 'arrived' | 'posted'
  words: string
}

/** What was posted that day against what became of it since: the difference is nothing, or a fault. */
export interface ProvedPosting {
  currency: string
  posted: string
  open: string
  paid: string
  credited: string
  voided: string
  difference: string
}

export interface Reconciliation {
  day: Day
  series: ProvedSeries[]
  postings: ProvedPosting[]
  differences: Difference[]
  more: boolean
}

export async function reconciliationOf(day: Day, who = theHouse): Promise<Reconciliation> {
  const { timeZone } = await company()
  const series = await seriesOfDay(who, day, timeZone)
  const postings = await postingOfDay(who, day, timeZone)
  const found = await differencesOfDay(who, day, timeZone)
  return {
    day,
    series: series.map(({ country, ofCurrency, branch, ...one }, id) => ({
      id,
      ...one,
      scope: scopeWords({ country, currency: ofCurrency, branch }),
    })),
    postings,
    differences: found.slice(0, mostDifferences).map(differenceOf),
    more: found.length > mostDifferences,
  }
}

function differenceOf({
  double,
  painted,
  unsent,
  state,
  stuckCause,
  channel,
  gone,
  came,
  unbalanced,
  ...document
}: DifferenceRow): Difference {
  const one = (step: Difference['step'], words: string): Difference => ({ ...document, step, words })
  if (unbalanced)
    return one(
      'posted',
      'What is open, paid and credited does not add up to what was posted. Tell who looks after Clothespin.',
    )
  if (double) return one('numbered', 'Its number stands twice. Tell who looks after Clothespin.')
  if (!painted) return one('painted', 'Its PDF is not made yet.')
  if (!gone)
    return one(
      'sent',
      unsent
        ? `${kindFacts[document.kind].one.replace(/^./, (first) => first.toUpperCase())} that was issued ` +
            'and not sent: it waits in To send.'
        : state === 'stuck'
          ? `Stuck: ${stuckWords[stuckCause!].label}.`
          : channel === 'paper'
            ? 'Waits for the printer.'
            : state === 'closed'
              ? 'Closed: nothing was sent.'
              : 'Waits to go.',
    )
  return came ? one('arrived', '') : one('arrived', 'On the way: not heard of yet.')
}
