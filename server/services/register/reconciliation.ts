import { toldScope } from '../../../core/numbering/series'
import { type DocumentKind } from '../../../core/documents/kinds'
import type { Day } from '../../../core/documents/days'
import { raised, told, toldKind, type Told } from '../../../core/said/told'
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
  scope: Told | null
  currency: string
  first: string
  last: string
  issued: CountAndSum
  numbered: CountAndSum
  painted: CountAndSum
  left: CountAndSum
  arrived: CountAndSum
}

export interface Difference extends Told {
  id: number
  number: string
  kind: DocumentKind
  customerName: string
  total: string
  currency: string
  step: 'numbered' | 'painted' | 'sent' | 'arrived' | 'posted'
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
      scope: toldScope({ country, currency: ofCurrency, branch }),
    })),
    postings,
    differences: found.slice(0, mostDifferences).map(differenceOf),
    more: found.length > mostDifferences,
  }
}

type Found = Pick<
  DifferenceRow,
  | 'kind'
  | 'double'
  | 'painted'
  | 'unsent'
  | 'state'
  | 'stuckCause'
  | 'channel'
  | 'gone'
  | 'came'
  | 'unbalanced'
>

/** How far it came, and what keeps it there. */
function stepOf(found: Found): [step: Difference['step'], why: Told] {
  if (found.unbalanced) return ['posted', told('difference/unbalanced')]
  if (found.double) return ['numbered', told('difference/double')]
  if (!found.painted) return ['painted', told('difference/no-pdf')]
  return found.gone ? ['arrived', told('difference/on-the-way')] : ['sent', whyNotGone(found)]
}

function whyNotGone({ kind, unsent, state, stuckCause, channel }: Found): Told {
  if (unsent) return told('difference/unsent', { kind: raised(toldKind(kind, 'one')) })
  if (state === 'stuck') return told('difference/stuck', { cause: told(`cause/${stuckCause!}`) })
  if (channel === 'paper') return told('difference/printer')
  return state === 'closed' ? told('difference/closed') : told('difference/waits')
}

function differenceOf({
  id,
  number,
  kind,
  customerName,
  total,
  currency,
  ...found
}: DifferenceRow): Difference {
  const [step, why] = stepOf({ kind, ...found })
  return { id, number, kind, customerName, total, currency, step, ...why }
}
