import { eventDate } from '../../../core/documents/document-date'
import { dayInZone } from '../../../core/documents/days'
import { kindFacts } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { periodOf, seriesFor } from '../../../core/numbering/series'
import { told } from '../../../core/said/told'
import { randomUUID } from 'node:crypto'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { closeGathering } from '../dispatch/create'
import { gate } from '../house/queries'
import { houseCalendar } from '../house/calendar'
import { company, type SeriesRow } from '../house/house'
import { publish } from '../live/publish'
import { type IssuingRun, type PaperRow } from './insert-document'
import { rehearse } from './rehearse'
import { readyToIssue, type IssueHow, type IssueResult, type ToIssue } from './ready-to-issue'
import {
  notAutomatic,
  lockIssuer,
  nextAutomatic,
  keepBack,
  seriesOfBrands,
  postedRoutine,
  failed,
} from './issue-queries'
import { issuePeriod } from './draw-numbers'
import { type Principal, inTheNameOf } from '../people/principal'

/*
 * Issuing: one short transaction draws the numbers, freezes the facts and books the open items.
 * Called by send-run (a person) and issue-prepared (a routine that lets papers go by themselves), with at most
 * 100 papers at a time.
 * Dies half-way: everything is undone, no number is drawn; the papers are still prepared and the sweeper or
 * the run goes on.
 * Refuses: a paper that is not prepared any more, that changed since it was looked at, that has a problem.
 */

/** At most so many papers in one issuing transaction. */
export const issueBatch = 100

/** So many in one transaction of a person's Send: Stop takes effect between two of them. */
export const sendBatch = 20

/**
 * Issues papers in order of document date (today where none is wished) and order number. Also calls `within`
 * in the same transaction, for the caller's own rows.
 * With `postOnly` nothing is put on its way: a routine on posting sends it, or a person. With `paidBy`
 * invoices are paid at once: they say so, and their payment is booked with them.
 */
export async function issueInOneTransaction(
  asked: readonly ToIssue[],
  who: Principal,
  within?: (results: IssueResult[]) => Promise<void>,
  how: IssueHow = {},
): Promise<IssueResult[]> {
  return inTransaction(async () => {
    const results: IssueResult[] = []
    if ((await gate(true)).paused) throw new Paused()
    const ready = await readyToIssue(asked, results, how)
    const rehearsedTo = groupBy(ready, (paper) => paper.rehearseTo)
    for (const [address, papers] of rehearsedTo)
      if (address) await rehearseReady(papers, address, who, results)
    const real = rehearsedTo.get('') ?? []
    if (real.length > 0) {
      const gatherAs = how.gatherAs ?? randomUUID()
      const { postOnly = false, paidBy = null, despite = false } = how
      await issueReady(real, { who, gatherAs, postOnly, paidBy, despite }, results)
      if (how.gatherAs === undefined) await closeGathering(gatherAs)
    }
    await within?.(results)
    publish(
      'line',
      results.map((result) => result.preparedId),
    )
    publish('register')
    publish(
      'order',
      ready.map((paper) => paper.rootId),
    )
    return results
  })
}

/** Everything is paused: nothing was issued, and it goes on when somebody resumes. */
export class Paused extends Error {}

/**
 * While a rehearsal is on, or its routine or its text is tried: rehearsal papers instead, and what would go
 * automatically waits for a person afterwards.
 */
async function rehearseReady(
  ready: readonly PaperRow[],
  address: string,
  who: Principal,
  results: IssueResult[],
): Promise<void> {
  const numbers = await rehearse(ready, address, dayInZone(clock.now(), (await company()).timeZone), who)
  await notAutomatic(ready.map((paper) => paper.id))
  ready.forEach((paper, index) =>
    results.push({
      preparedId: paper.id,
      outcome: 'rehearsed',
      number: numbers[index]!,
      reason: null,
      documentId: null,
    }),
  )
}

/**
 * Issues every paper that goes automatically and waits, in order of order date and number. One that cannot be
 * issued stops going automatically
 * and waits in To check with its reason, so that it is in plain sight.
 */
export async function issueAutomatic(): Promise<void> {
  while (await inTransaction(issueSomeAutomatic));
}

/** One batch of it, by one worker at a time: who waits for the lock takes what the other left. */
async function issueSomeAutomatic(): Promise<boolean> {
  await lockIssuer()
  if ((await gate()).paused) return false
  const due = await nextAutomatic(issueBatch)
  if (due.length === 0) return false
  const results = await issueInOneTransaction(
    due.map(({ preparedId }) => ({ preparedId, revision: null })),
    inTheNameOf('Clothespin, by itself'),
    keepBackFailed,
  )
  return results.some((result) => result.outcome === 'issued' || result.outcome === 'rehearsed')
}

async function keepBackFailed(made: readonly IssueResult[]): Promise<void> {
  const failed = made.filter((result) => result.outcome === 'failed' || result.outcome === 'skipped')
  if (failed.length === 0) return
  await keepBack(failed)
}

/**
 * Locks the counters last and draws; after that there are only inserts. A paper that fails gives its number
 * to the next one.
 */
async function issueReady(
  ready: readonly PaperRow[],
  by: Pick<IssuingRun, 'who' | 'gatherAs' | 'postOnly' | 'paidBy' | 'despite'>,
  results: IssueResult[],
): Promise<void> {
  if (ready.length === 0) return
  const { timeZone, closedUntil } = await company()
  const now = clock.now()
  const today = dayInZone(now, timeZone)
  const brandIds = [...new Set(ready.map((paper) => paper.brandId))].sort((a, b) => a - b)
  const all = await seriesOfBrands(brandIds)
  // a credit note first: it sets its order free for the invoice issued anew
  const credits = (one: SeriesRow) => Number(kindFacts[one.kind].books === 'credit')
  const series = all.sort((a, b) => credits(b) - credits(a))
  const painted: number[] = []
  const listens = !!(await postedRoutine())
  const issuing: IssuingRun = {
    moved: new Set(),
    now,
    calendar: await houseCalendar(now),
    listens,
    posted: [],
    ...by,
  }
  const firstDay = (paper: PaperRow) =>
    paper.wantedDate ??
    (paper.eventDay === null ? today : eventDate(paper.eventDay, { today, closedUntil, newest: null }))
  for (const paper of ready)
    if (!seriesOf(paper, series))
      results.push({
        preparedId: paper.id,
        ...failed(told('problem/no-series', { brand: paper.source.brand.name })),
      })
  for (const used of series) {
    const own = ready.filter((paper) => seriesOf(paper, series)?.id === used.id)
    for (const [period, papers] of [
      ...groupBy(own, (paper) => periodOf(used, firstDay(paper), paper.orderNumber)),
    ].sort(([a], [b]) => a.localeCompare(b))) {
      for (const { paper, outcome } of await issuePeriod(used, period, papers, today, closedUntil, issuing)) {
        results.push({ preparedId: paper.id, ...outcome })
        if (outcome.documentId !== null) painted.push(outcome.documentId)
      }
    }
  }
  await addJobs('paint-documents', painted, 25, (documentIds) => ({ documentIds }))
  await addJobs('look-at-events', issuing.posted, 25, (eventIds) => ({ eventIds }))
}

const seriesOf = (paper: PaperRow, series: readonly SeriesRow[]) =>
  seriesFor(
    series.filter((one) => one.brandId === paper.brandId && one.kind === paper.kind),
    {
      country: paper.source.customer.billing?.country ?? '',
      currency: paper.source.order.currency,
      branch: paper.source.brand.branch ?? '',
    },
  )
