import { dayInZone } from '../core/documents/days'
import { clock } from '../server/clock'
import { one, rows } from '../server/db/connection'
import { customerDefaults, keepDefaults } from '../server/services/customers/groups'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { inTheNameOf } from '../server/services/people/principal'
import { continueStatements, startStatements } from '../server/services/receivables/statements'

/** Statements of who owes more than a little: most were sent, the last ones wait in To check. */
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
  const run = await startStatements(
    { matching: { overdueOver: '400', sort: 'name', descending: false, limit: 1 }, but: [] },
    { form: 'open items', until: dayInZone(clock.now(), zone) },
    who,
  )
  await continueStatements(run)
  const prepared = await rows<{ preparedId: number }>(
    `select p.id "preparedId"
    from statement_run_account x
    join prepared_document p on p.id = x.prepared_id
    where x.run_id = $run and p.problem is null and p.send_to like '%@%'
    order by p.id
    offset 5`,
    { run },
  )
  await issueInOneTransaction(
    prepared.map(({ preparedId }) => ({ preparedId, revision: null })),
    who,
  )
}
