import type { DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { StatementPeriod } from '../../../core/receivables/statement'
import type { Told } from '../../../core/said/told'
import { json, one, rows, run } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { AccountKey, StatementRunHead, StatementRunView } from './statements'

/* The statements of statements.ts. */

/**
 * The accounts of these customers, one a brand; where statements tell of several brands, the one that tells of them
 * all, for who may see them all.
 * @param narrowed to these brands alone
 */
export const accountsToState = (
  keys: readonly AccountKey[],
  kind: DocumentKind,
  who: Principal,
  narrowed: Principal = who,
) =>
  rows<AccountKey & { id: number; brand: string; customerLanguage: Language | null }>(
    `select a.id, b.name brand, a.customer_id "customerId", a.currency, c.language "customerLanguage"
    from jsonb_to_recordset($keys::jsonb) as k ("customerId" int, currency text)
    join account a on a.customer_id = k."customerId" and a.currency = k.currency
    join brand b on b.id = a.brand_id
    join customer c on c.id = a.customer_id
    where ${kind === 'statement of account' ? statedWithin(who, narrowed) : within(narrowed, 'a.brand_id')}
    order by a.customer_id, a.id`,
    { keys: json(keys) },
  )

/** SQL: that account `a` leads a statement that a person may see all of, and that tells of one of these brands. */
const statedWithin = (who: Principal, narrowed: Principal) => `(
  select bool_and(s.leads = a.id and ${within(who, 's.brand_id')}) and bool_or(${within(narrowed, 's.brand_id')})
  from account_stated s
  where s.account_id = a.id
)`

export const insertRun = (given: { period: StatementPeriod; now: Date; actor: string }) =>
  one<{ id: number }>(
    `insert into statement_run (period, made_at, made_by)
    values ($period::jsonb, $now, $actor)
    returning id`,
    { ...given, period: json(given.period) },
  )

export const chooseAccounts = (runId: number, ids: readonly number[]) =>
  run(
    `insert into statement_run_account (run_id, account_id)
    select $runId, id
    from unnest($ids::int[]) id`,
    { runId, ids },
  )

export const runHead = (id: number) =>
  one<{ period: StatementPeriod; madeAt: Date; madeBy: string }>(
    `select period, made_at "madeAt", made_by "madeBy"
    from statement_run
    where id = $id`,
    { id },
  )

export const nextAccounts = (runId: number, count: number) =>
  rows<{ accountId: number }>(
    `select account_id "accountId"
    from statement_run_account
    where run_id = $runId and outcome is null
    order by account_id
    limit $count`,
    { runId, count },
  )

export async function keepOutcomes(runId: number, outcomes: readonly object[]): Promise<void> {
  await run(
    `update statement_run_account a
    set outcome = n.outcome, reason = n.reason, prepared_id = n."preparedId"
    from jsonb_to_recordset($outcomes::jsonb) as n (
      "accountId" int, outcome text, reason jsonb, "preparedId" int
    )
    where a.run_id = $runId and a.account_id = n."accountId" and a.outcome is null`,
    { runId, outcomes: json(outcomes) },
  )
}

export async function stopRun(id: number, now: Date, reason: Told): Promise<void> {
  await run('update statement_run set stopped_at = $now where id = $id', { id, now })
  await run(
    `update statement_run_account
    set outcome = 'stopped', reason = $reason::jsonb
    where run_id = $id and outcome is null`,
    { id, reason: json(reason) },
  )
}

/** SQL: that account `a` of run row `x` has nothing to say, beside one of its customer's that has. */
const besideAnother = `(
  x.outcome = 'nothing' and exists (
    select
    from statement_run_account y
    join account o on o.id = y.account_id
    where y.run_id = x.run_id and o.customer_id = a.customer_id and o.currency = a.currency
      and y.outcome in ('prepared', 'already')
  )
)`

export async function runOutcomes(
  id: number,
  who: Principal,
): Promise<StatementRunView['counts'] & Pick<StatementRunView, 'waiting' | 'left'> & { all: number }> {
  const own = `
    from statement_run_account x
    join account a on a.id = x.account_id
    where x.run_id = $id and ${within(who, 'a.brand_id')} and not ${besideAnother}`
  const counts = (await one<StatementRunView['counts'] & { waiting: number; all: number }>(
    `select count(*)::int "all", count(*) filter (where x.outcome is null)::int waiting,
      count(*) filter (where x.outcome = 'prepared')::int prepared,
      count(*) filter (where x.outcome = 'already')::int already,
      count(*) filter (where x.outcome = 'nothing')::int nothing,
      count(*) filter (where x.outcome = 'refused')::int refused,
      count(*) filter (where x.outcome = 'stopped')::int stopped
    ${own}`,
    { id },
  ))!
  const left = await rows<StatementRunView['left'][number]>(
    `select c.id "customerId", c.number, c.name, b.name brand, x.outcome, x.reason, x.prepared_id "preparedId"
    from statement_run_account x
    join account a on a.id = x.account_id
    join customer c on c.id = a.customer_id
    join brand b on b.id = a.brand_id
    where x.run_id = $id and ${within(who, 'a.brand_id')} and not ${besideAnother}
      and (x.outcome <> 'prepared' or x.reason is not null)
    order by x.outcome = 'nothing', c.name, x.account_id
    limit 500`,
    { id },
  )
  return { ...counts, left }
}

export const runsOfLate = (who: Principal) =>
  rows<StatementRunHead>(
    `select r.id, r.period, r.made_at "madeAt", r.made_by "madeBy", count(*)::int "all",
      count(*) filter (where x.outcome is null)::int waiting,
      count(*) filter (where x.outcome = 'prepared')::int prepared,
      count(*) filter (where x.outcome in ('refused', 'stopped'))::int failed
    from statement_run r
    join statement_run_account x on x.run_id = r.id
    join account a on a.id = x.account_id
    where ${within(who, 'a.brand_id')} and not ${besideAnother}
    group by r.id
    order by r.id desc
    limit 20`,
  )
