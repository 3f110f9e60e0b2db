import { dayInZone } from '../core/documents/days'
import type { StatementPeriod } from '../core/receivables/statement'
import { clock } from '../server/clock'
import { one, rows, run } from '../server/db/connection'
import { customerDefaults, keepDefaults } from '../server/services/customers/groups'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { inTheNameOf, type Principal } from '../server/services/people/principal'
import { continueStatements, startStatements } from '../server/services/receivables/statements'
import { addRoutine } from '../server/services/routines/routines'
import { takeTurn } from '../server/services/routines/turns'

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
  await addTurns()
}

/** Routines of the clock: the one for reminders has just had its turn, the other waits for the month's end. */
async function addTurns(): Promise<void> {
  const { name } = (await one<{ name: string }>(
    `select name from staff where role = 'supervisor' order by id limit 1`,
  ))!
  const supervisor = inTheNameOf(name)
  const common = { on: 'time' as const, statuses: [], to: 'billing', delayMinutes: 0 }
  await addRoutine(
    {
      name: 'Statements at the month’s end',
      description: 'Everybody who owes something gets a statement, after a look.',
      trust: 'after a check',
      isOn: true,
      sentence: {
        ...common,
        at: { each: 'last working day', time: '07:00' },
        conditions: [],
        issue: 'statement of account',
        period: 'open items',
      },
    },
    supervisor,
  )
  const reminders = await addRoutine(
    {
      name: 'Reminders in the morning',
      description: 'Schools pay by the term: they are not reminded.',
      trust: 'after a check',
      isOn: true,
      sentence: {
        ...common,
        at: { each: 'working day', time: '07:30' },
        conditions: [
          { about: 'total', of: 'overdue', is: 'over', amount: '800', currency: 'EUR' },
          { about: 'group', is: 'not', values: ['Schools'] },
        ],
        issue: 'payment reminder',
      },
    },
    supervisor,
  )
  await run('update routine set next_turn = $at where id = $reminders', { at: clock.now(), reminders })
  await takeTurn(reminders)
}

/** Has them prepared of all that are overdue by more than a sum, and issues all but some. */
async function sendAllBut(
  few: number,
  period: StatementPeriod,
  overdueOver: string,
  who: Principal,
): Promise<void> {
  const matching = { overdueOver, sort: 'name', descending: false, limit: 1 } as const
  const runId = await startStatements({ matching, but: [] }, period, who)
  await continueStatements(runId)
  const prepared = await rows<{ preparedId: number }>(
    `select p.id "preparedId"
    from statement_run_account x
    join prepared_document p on p.id = x.prepared_id
    where x.run_id = $runId and p.problem is null and p.send_to like '%@%'
    order by p.id
    offset $few`,
    { runId, few },
  )
  await issueInOneTransaction(
    prepared.map(({ preparedId }) => ({ preparedId, revision: null })),
    who,
  )
}
