import type { Day } from '../../../core/documents/days'
import { eventDate, dateRefusal } from '../../../core/documents/document-date'
import { Refusal } from '../../../core/errors'
import { nextCounter, formatNumber } from '../../../core/numbering/series'
import { told, toldRefusal, type Told } from '../../../core/said/told'
import { behindSavepoint } from '../../db/connection'
import { logTrouble } from '../../log'
import type { SeriesRow } from '../house/house'
import {
  type PaperRow,
  type IssuingRun,
  type Numbered,
  insertDocuments,
  standsAlone,
} from './insert-document'
import { type Outcome, lockCounter, newestDateIn, failed, setCounter, insertCounter } from './issue-queries'

/*
 * Drawing numbers: the counter of a series and period is locked last, and after it there are only inserts.
 * Called by issue.ts, in its transaction. Dies half-way, or throws: no number is used.
 */

/** Draws the numbers of one series and period. */
export async function issuePeriod(
  used: SeriesRow,
  period: string,
  papers: readonly PaperRow[],
  today: Day,
  closedUntil: Day | null,
  issuing: IssuingRun,
): Promise<{ paper: PaperRow; outcome: Outcome }[]> {
  const counter = (await lockCounter(used.id, period)) ?? (await firstCounter(used, period))
  let { newest } = (await newestDateIn(used.id, period))!
  let last = counter.last
  const done: { paper: PaperRow; outcome: Outcome }[] = []

  /** Numbers some, one after the other, from where the series stands; what may not have its date is left out. */
  const number = (some: readonly PaperRow[]) => {
    const refused: { paper: PaperRow; outcome: Outcome }[] = []
    const numbered: Numbered[] = []
    let [drawn, newestHere] = [last, newest]
    for (const paper of some) {
      const date =
        paper.wantedDate ??
        (paper.eventDay === null
          ? today
          : eventDate(paper.eventDay, { today, closedUntil, newest: newestHere }))
      const refusal =
        used.source === 'order' && !paper.orderNumber
          ? told('problem/no-order-number')
          : dateRefusal(date, { today, closedUntil, newest: newestHere, earlierOk: paper.earlierDateOk })
      if (refusal) {
        refused.push({ paper, outcome: failed(refusal) })
        continue
      }
      drawn = nextCounter(used, drawn)
      numbered.push({
        paper,
        drawn: {
          number: formatNumber(used, drawn, {
            date,
            brand: paper.source.brand.code,
            order: paper.orderNumber,
          }),
          counter: drawn,
          period,
          seriesId: used.id,
          date,
          earlierThan: newestHere !== null && date < newestHere ? newestHere : null,
        },
      })
      if (newestHere === null || date > newestHere) newestHere = date
    }
    return { refused, numbered, last: drawn, newest: newestHere }
  }
  /** All of them, or none where one throws. */
  const issueAll = async (some: readonly PaperRow[]) => {
    const asked = number(some)
    const inserted =
      asked.numbered.length === 0 ? [] : await behindSavepoint(() => insertDocuments(asked.numbered, issuing))
    last = asked.last
    newest = asked.newest
    done.push(...asked.refused)
    asked.numbered.forEach(({ paper, drawn }, index) => {
      const { documentId, eventId } = inserted[index]!
      if (eventId !== null) issuing.posted.push(eventId)
      done.push({ paper, outcome: { outcome: 'issued', number: drawn.number, reason: null, documentId } })
    })
  }
  const issueOne = async (paper: PaperRow) => {
    try {
      await issueAll([paper])
    } catch (error) {
      done.push({ paper, outcome: failed(whyNotIssued(error, paper)) })
    }
  }
  for (const some of together(papers, issuing)) {
    if (some.length === 1) await issueOne(some[0]!)
    else
      try {
        await issueAll(some)
      } catch {
        // one of them cannot be issued: each by itself tells which, and its number goes to the next
        for (const paper of some) await issueOne(paper)
      }
  }
  if (last !== counter.last) await setCounter({ seriesId: used.id, period, last })
  return done
}

/** Neighbours that can be inserted at once; what hangs on the one before it stays alone. */
function together(papers: readonly PaperRow[], issuing: IssuingRun): PaperRow[][] {
  const groups: PaperRow[][] = []
  let open = false
  for (const paper of papers) {
    const alone = !standsAlone(paper, issuing)
    if (alone || !open) groups.push([paper])
    else groups.at(-1)!.push(paper)
    open = !alone
  }
  return groups
}

/** Only a refusal is a reason; anything else is a fault of ours, logged under an id that the person reads. */
function whyNotIssued(error: unknown, paper: PaperRow): Told {
  if (error instanceof Refusal) return toldRefusal(error)
  const id = logTrouble(error, { paper: paper.id }, 'a document could not be issued')
  return told('trouble/not-issued', { id })
}

/** Creates a period's counter row, so that there is one to lock; one below the start until the first number. */
async function firstCounter(series: SeriesRow, period: string): Promise<{ last: number }> {
  await insertCounter({ seriesId: series.id, period, last: series.source === 'order' ? 0 : series.start - 1 })
  return (await lockCounter(series.id, period))!
}
