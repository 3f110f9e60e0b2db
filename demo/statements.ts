import { addDays, dayInZone, type Day } from '../core/documents/days'
import { starterReminders } from '../core/receivables/reminders'
import type { StatementPeriod } from '../core/receivables/statement'
import { clock } from '../server/clock'
import { inTransaction, one, rows, run } from '../server/db/connection'
import { customerDefaults, keepDefaults } from '../server/services/customers/groups'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { changeHouse } from '../server/services/house/settings'
import { inTheNameOf, type Principal } from '../server/services/people/principal'
import { continueStatements, startStatements } from '../server/services/receivables/statements'
import { takeOver } from '../server/services/receivables/take-over'
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
  await manyOldItems(until)
  await addTurns()
}

/** On these days, counted back from today, everybody who was late was reminded: some are at the last level by now. */
export const reminderDays: readonly number[] = [40, 26, 12]

/** A firm letter asks for interest, the last one for a fee as well; both are booked. */
export async function costlyReminders(): Promise<void> {
  const { levels, ...rule } = starterReminders
  await changeHouse({
    reminders: {
      ...rule,
      booksCharges: true,
      rates: [
        { group: '', country: '', from: '2026-01-01', percent: '10.15' },
        { group: 'Schools', country: '', from: '2026-01-01', percent: '0' },
      ],
      levels: levels.map((level, place) => ({
        ...level,
        interest: place > 0,
        fee: place === levels.length - 1 ? '10' : '0',
      })),
    },
  })
}

/** Has reminders prepared of all that are late, and sends them. */
export async function remindOfLate(day: Day): Promise<void> {
  await sendAllBut(0, { form: 'reminder', until: day }, '0', inTheNameOf('Col Varley'))
}

/** A customer with so many small invoices from the program before that its statement runs over ten pages. */
async function manyOldItems(today: Day): Promise<void> {
  const { id: customerId } = (await one<{ id: number }>(`select id from customer where number = '10427'`))!
  const { id: brandId } = (await one<{ id: number }>('select min(id) id from brand'))!
  const olds = Array.from({ length: 260 }, (_, place) => {
    const date = addDays(today, -Math.floor(place / 4) - 1)
    const total = `${4 + (place % 13)}.${String(10 + ((place * 37) % 90))}`
    return {
      kind: 'invoice' as const,
      number: `B-${4000 - place}`,
      date,
      dueDate: addDays(date, 90),
      customerId,
      language: 'en' as const,
      brandId,
      currency: 'EUR',
      total,
      open: total,
      taxCode: 'standard',
      reference: null,
    }
  })
  await inTransaction(() => takeOver(olds, inTheNameOf('Maeve Tarrant')))
  const runId = await startStatements(
    { these: [{ customerId, currency: 'EUR' }] },
    { form: 'open items', until: today },
    inTheNameOf('Col Varley'),
  )
  await continueStatements(runId)
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
