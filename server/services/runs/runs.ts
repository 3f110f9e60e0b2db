import { Refusal } from '../../../core/errors'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { StuckCause } from '../../../core/dispatch/states'
import type { CurrencySum } from '../../../core/money/sums'
import type { Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { paged, type Listed } from '../keyset'
import {
  recentRuns,
  runHeader,
  runLinesOf,
  runMails,
  runNumbers,
  runPage,
  runPartSums,
  runParts,
  runProblems,
  runSums,
} from './queries'
import { theHouse } from '../people/principal'

/*
 * What a Send did, told from what was committed: each chosen document is in exactly one part of the report.
 * Called by the run's page, the strip that shows runs under way, and the list of past runs. Reads only.
 */

export interface RunHeader {
  id: number
  startedAt: Date
  /** When the undo time is over and numbers are drawn. */
  goesAt: Date
  endedAt: Date | null
  takenBackBy: string | null
  stoppedBy: string | null
  startedBy: string
  /** Issued and not put on its way. */
  postOnly: boolean
  chosen: number
  issued: number
  rehearsed: number
  changed: number
  skipped: number
  failed: number
  open: number
  /** In a list: the first and the last number that it drew, series by series. */
  numbers?: { first: string; last: string }[]
}

/** The parts of a report, in the order they are told. */
export const runPartOrder = [
  'emailed',
  'printed',
  'waiting',
  'stuck',
  'not sent',
  'rehearsed',
  'changed',
  'skipped',
  'failed',
  'open',
] as const

export type RunPartName = (typeof runPartOrder)[number]

export interface RunPart {
  part: RunPartName
  documents: number
  /** Emails and print jobs, each once however many documents it carries. */
  emails: number
  prints: number
  sums: CurrencySum[]
}

/** A chosen document that did not go, or is stuck. */
export interface RunProblem {
  preparedId: number
  /** "prepared" while it still waits in To check. */
  paperState: string
  kind: DocumentKind
  orderNumber: string
  customerName: string
  part: RunPartName
  number: string
  documentId: number | null
  total: string
  currency: string
  /** Why it did not go; null for what is stuck. */
  reason: Told | null
  /** What was answered to the email of what is stuck. */
  reply: string
  cause: StuckCause | null
  /** The stuck email or print job. */
  dispatchId: number | null
}

export interface RunReport extends RunHeader {
  /** The numbers that were drawn, series by series; no gap between first and last. */
  numbers: { first: string; last: string; count: number }[]
  /** What was issued. */
  sums: CurrencySum[]
  emails: number
  prints: number
  /** chosen = the documents of all parts together. */
  parts: RunPart[]
  problems: RunProblem[]
}

export interface RunLine {
  order: string
  customer: string
  kind: DocumentKind
  document: string
  outcome: RunPartName
  reason: string
  total: string
  currency: string
  emails: number
  prints: number
}

const shownProblems = 500

/** How far a run is, and at its end its report. @throws Refusal "no-such-run" */
export async function runReport(runId: number): Promise<RunReport> {
  const header = await runHeader(runId)
  if (!header) throw new Refusal('no-such-run', { status: 404 })
  const [numbers, sums, mails, parts, partSums, problems] = await Promise.all([
    runNumbers(runId),
    runSums(runId),
    runMails(runId),
    runParts(runId),
    runPartSums(runId),
    runProblems(runId, shownProblems),
  ])
  return {
    ...header,
    ...mails,
    numbers,
    sums,
    problems,
    parts: parts
      .map((part) => ({
        ...part,
        sums: partSums
          .filter((one) => one.part === part.part)
          .map(({ currency, sum }) => ({ currency, sum })),
      }))
      .sort((a, b) => runPartOrder.indexOf(a.part) - runPartOrder.indexOf(b.part)),
  }
}

/** One page of all runs, newest first. */
export async function listRuns(
  filter: { after?: string; limit: number },
  who = theHouse,
): Promise<Listed<RunHeader>> {
  return paged(await runPage(filter.after, filter.limit, who), filter.limit)
}

/** Every document of a run with what became of it, for the CSV report. */
export const runLines = (runId: number): Promise<RunLine[]> => runLinesOf(runId)

/** Somebody's runs that are under way or ended in the last hour: their reports are there after a reload. */
export async function openRuns(userId: number): Promise<number[]> {
  return recentRuns(userId, new Date(clock.now().getTime() - 3_600_000))
}
