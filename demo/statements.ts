import { dayInZone } from '../core/documents/days'
import type { StatementPeriod } from '../core/receivables/statement'
import { clock } from '../server/clock'
import { one, rows } from '../server/db/connection'
import { customerDefaults, keepDefaults } from '../server/services/customers/groups'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { inTheNameOf, type Principal } from '../server/services/people/principal'
import { continueStatements, startStatements } from '../server/services/receivables/statements'

/** Statements of who owes more than a little, reminders of who is late: some were sent, the rest waits in To check. */
export async function stateAccounts(zone: string): Promise<void> {
  const asks = (await one<{ name: string }>(
    `select name from staff where role = 'clerk' order by id limit 1`,
  ))!
  const who = inTheNameOf(asks.name)
  const { groups: _, ...defaults } = await customerDefaults()
  await keepDefaults(defaults, {
    ...defaults,
    preferences: { ...defaults.preferences, 'statement of account': { copies: 'zip' } },
  })
  const until = dayInZone(clock.now(), zone)
  await sendAllBut(5, { form: 'open items', until }, '400', who)
  await sendAllBut(4, { form: 'reminder', until }, '1000', who)
}

/** Has them prepared of all that are overdue by more than a sum, and issues all but some. */
async function sendAllBut(
  few: number,
  period: StatementPeriod,
  overdueOver: string,
  who: Principal,
): Promise<void> {
  const matching = { overdueOver, sort: 'name', descending: false, limit: 1 } as const
  const run = await startStatements({ matching, but: [] }, period, who)
  await continueStatements(run)
  const prepared = await rows<{ preparedId: number }>(
    `select p.id "preparedId"
    from statement_run_account x
    join prepared_document p on p.id = x.prepared_id
    where x.run_id = $run and p.problem is null and p.send_to like '%@%'
    order by p.id
    offset $few`,
    { run, few },
  )
  await issueInOneTransaction(
    prepared.map(({ preparedId }) => ({ preparedId, revision: null })),
    who,
  )
}
