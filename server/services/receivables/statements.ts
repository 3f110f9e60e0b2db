import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { kindOfPeriod, occasionOf, type StatementPeriod } from '../../../core/receivables/statement'
import { told, toldRefusal, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import type { StatementOutcome } from '../../db/models/statement-run-account'
import { addJob } from '../../queue/add'
import { prepareByHand, type PreparedByHand } from '../documents/prepare-by-hand'
import { publish } from '../live/publish'
import { inTheNameOf, type Principal } from '../people/principal'
import { matchingAccounts, seeing, today } from './accounts-queries'
import type { AccountFilter } from './accounts'
import { lockAccounts, makeAccounts } from './statement-queries'
import {
  accountsToState,
  chooseAccounts,
  insertRun,
  keepOutcomes,
  nextAccounts,
  runHead,
  runOutcomes,
  runsOfLate,
  stopRun,
} from './statement-run-queries'

/*
 * Statements of account: of one customer at once, or of many in the background. What is prepared waits in To check and
 * goes from there as everything does.
 * Called from the Accounts page (prepareStatements, startStatements) and by the job make-statements
 * (continueStatements). Dies half-way: accounts without an outcome are taken up again; what was prepared is found
 * by its claim.
 */

export interface AccountKey {
  customerId: number
  currency: string
}

/** So many are laid out and kept at a time; Stop takes effect between two of them. */
const batch = 25

/** @throws Refusal "statement-days" where it ends after today, or before it begins */
async function checkPeriod(period: StatementPeriod): Promise<void> {
  const late = period.until > (await today())
  if (late || (period.form === 'activity' && period.from > period.until))
    throw new Refusal('statement-days', {
      about: { field: late ? 'period.until' : 'period.from' },
      status: 400,
    })
}

/** The accounts of these customers, one a brand, as far as this one may see them. */
async function accountsOf(
  keys: readonly AccountKey[],
  kind: DocumentKind,
  who: Principal,
  narrowed = who,
): Promise<number[]> {
  const customers = [...new Set(keys.map((one) => one.customerId))]
  await inTransaction(async () => {
    await lockAccounts()
    await makeAccounts(customers)
  })
  return (await accountsToState(keys, kind, who, narrowed)).map((one) => one.id)
}

export interface PreparedStatement {
  brand: string
  outcome: StatementOutcome
  reason: Told | null
  preparedId: number | null
}

/**
 * Prepares the statements of one customer in a currency now, one of each brand that it bought of.
 * @throws Refusal "no-such-account", "statement-days"
 */
export async function prepareStatements(
  key: AccountKey,
  period: StatementPeriod,
  who: Principal,
): Promise<PreparedStatement[]> {
  await checkPeriod(period)
  const kind = kindOfPeriod(period)
  const ids = await accountsOf([key], kind, who)
  if (ids.length === 0) throw new Refusal('no-such-account', { status: 404 })
  const brands = new Map((await accountsToState([key], kind, who)).map((one) => [one.id, one.brand]))
  const made = await prepareByHand(kind, ids, who, { occasion: occasionOf(period) })
  return made.map(({ sourceId, result }) => ({ brand: brands.get(sourceId)!, ...outcomeOf(result) }))
}

const outcomeOf = (result: PreparedByHand): Omit<PreparedStatement, 'brand'> => {
  const { preparedId, reason } = result
  switch (result.outcome) {
    case 'not wanted':
      return { outcome: 'nothing', preparedId, reason }
    case 'already':
    case 'refused':
      return { outcome: result.outcome, preparedId, reason }
    default:
      return { outcome: 'prepared', preparedId, reason }
  }
}

/** Chosen one by one, or all that match a filter but those taken off. */
export type Chosen = { these: AccountKey[]; brand?: string } | { matching: AccountFilter; but: AccountKey[] }

/** Has statements prepared of many accounts in the background. @throws Refusal "nothing-chosen", "statement-days" */
export async function startStatements(
  chosen: Chosen,
  period: StatementPeriod,
  who: Principal,
): Promise<number> {
  await checkPeriod(period)
  const keyOf = (one: AccountKey) => `${one.customerId} ${one.currency}`
  const off = new Set('these' in chosen ? [] : chosen.but.map(keyOf))
  const keys =
    'these' in chosen
      ? chosen.these
      : (await matchingAccounts(chosen.matching, who)).filter((one) => !off.has(keyOf(one)))
  const narrowed = await seeing('these' in chosen ? chosen : chosen.matching, who)
  const ids = await accountsOf(keys, kindOfPeriod(period), who, narrowed)
  if (ids.length === 0) throw new Refusal('nothing-chosen', { status: 400 })
  return inTransaction(async () => {
    const { id } = (await insertRun({ period, now: clock.now(), actor: who.name }))!
    await chooseAccounts(id, ids)
    await addJob('make-statements', { runId: id })
    publish('statements', [id])
    return id
  })
}

/** Goes on with a run until nothing of it waits. */
export async function continueStatements(runId: number): Promise<void> {
  const run = await runHead(runId)
  if (!run) return
  const who = inTheNameOf(run.madeBy)
  for (;;) {
    const ids = (await nextAccounts(runId, batch)).map((one) => one.accountId)
    if (ids.length === 0) break
    await prepareSome(runId, ids, run.period, who)
    publish('statements', [runId])
  }
  publish('statements', [runId])
}

/** Prepares some of a run, and keeps in the same transaction what came of each; alone, where one stops the others. */
async function prepareSome(
  runId: number,
  ids: readonly number[],
  period: StatementPeriod,
  who: Principal,
): Promise<void> {
  try {
    await prepareByHand(kindOfPeriod(period), ids, who, {
      occasion: occasionOf(period),
      within: (made) =>
        keepOutcomes(
          runId,
          made.map(({ sourceId, result }) => ({ accountId: sourceId, ...outcomeOf(result) })),
        ),
    })
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    if (ids.length > 1) for (const id of ids) await prepareSome(runId, [id], period, who)
    else
      await keepOutcomes(runId, [
        { accountId: ids[0]!, outcome: 'refused', reason: toldRefusal(error), preparedId: null },
      ])
  }
}

/** What still waits of a run is not made any more. @throws Refusal "not-there" */
export async function stopStatements(runId: number, who: Principal): Promise<void> {
  await statementRun(runId, who)
  await inTransaction(() => stopRun(runId, clock.now(), told('run/account-stopped', { person: who.name })))
  publish('statements', [runId])
}

export interface StatementRunView {
  id: number
  period: StatementPeriod
  madeAt: Date
  madeBy: string
  waiting: number
  counts: Record<StatementOutcome, number>
  /** What was not prepared, and why, by name; the first 500. */
  left: {
    customerId: number
    number: string
    name: string
    brand: string
    outcome: StatementOutcome
    reason: Told | null
    preparedId: number | null
  }[]
}

/** @throws Refusal "not-there", also where nothing of it is of brands that this one may see */
export async function statementRun(id: number, who: Principal): Promise<StatementRunView> {
  const run = await runHead(id)
  const { waiting, left, all, ...counts } = await runOutcomes(id, who)
  if (!run || all === 0) throw new Refusal('not-there', { status: 404 })
  return { id, ...run, waiting, counts, left }
}

export interface StatementRunHead {
  id: number
  period: StatementPeriod
  madeAt: Date
  madeBy: string
  all: number
  waiting: number
  prepared: number
  /** Those of which nothing was made although something was to be said. */
  failed: number
}

/** The newest runs, with what came of their accounts. */
export const latestStatementRuns = (who: Principal): Promise<StatementRunHead[]> => runsOfLate(who)
