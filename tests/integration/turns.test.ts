import { beforeEach, describe, expect, onTestFinished, test } from 'vitest'
import { addDays, instantInZone, weekdayOf, type Day, daysBetween } from '../../core/documents/days'
import { levelDue } from '../../core/receivables/reminders'
import type { RoutineSentence } from '../../core/routines/sentence'
import type { ConditionSeen } from '../../core/routines/routine'
import { clock } from '../../server/clock'
import { one, rows, run } from '../../server/db/connection'
import { sweep } from '../../server/services/dispatch/sweep'
import { changeHouse, houseSettings } from '../../server/services/house/settings'
import { inTheNameOf } from '../../server/services/people/principal'
import { markItem } from '../../server/services/receivables/accounts'
import { prepareStatements } from '../../server/services/receivables/statements'
import { catchUp, lookBack } from '../../server/services/routines/catch-up'
import { addRoutine, changeRoutine, listRoutines } from '../../server/services/routines/routines'
import { tryOut } from '../../server/services/routines/trial'
import { takeTurn, turnsOfRoutine } from '../../server/services/routines/turns'
import { useHouse } from './house'
import { lateInvoice, payInvoice, today } from './money'

/* Routines of the clock: statements and reminders that go by themselves, once, at their time. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1, brands: null }
const zone = 'Europe/Dublin'
beforeEach(() => run('update company set closed_until = null'))

/** An invoice over 612.54 that is due on a day. */
async function invoice(customer: string, dueDate: Day): Promise<{ id: number; dueDate: Day }> {
  const { id } = await lateInvoice(house, customer, daysBetween(dueDate, today()))
  return { id, dueDate }
}
const pay = (customer: string, documentId: number, amount: string) =>
  payInvoice(house, customer, { documentId, amount })

const reminders: RoutineSentence = {
  on: 'time',
  at: { each: 'day', time: '07:00' },
  statuses: [],
  conditions: [],
  issue: 'payment reminder',
  to: 'billing',
  delayMinutes: 0,
}
const newRoutine = async (
  sentence: Partial<RoutineSentence> = {},
  trust: 'by hand' | 'after a check' | 'automatic' = 'after a check',
) => {
  const name = `Routine ${Math.random()}`
  const id = await addRoutine(
    { name, description: '', trust, isOn: true, sentence: { ...reminders, ...sentence } },
    who,
  )
  onTestFinished(async () => {
    const { version, isOn } = (await listRoutines()).find((routine) => routine.id === id)!
    if (isOn) await changeRoutine(id, { version, isOn: false }, who)
  })
  return id
}
/** As if its turn had come a moment ago. */
const isDue = (id: number, at = new Date(clock.now().getTime() - 1000)) =>
  run('update routine set next_turn = $2 where id = $1', [id, at])
const turn = async (id: number) => {
  await isDue(id)
  await takeTurn(id)
  await house.settle()
}
const lettersOf = (customer: string) =>
  rows<{ state: string; trust: boolean }>(
    `select p.state, p.automatic
    from prepared_document p
    join account a on a.id = p.source_id
    where a.customer_id = $1
    order by p.id`,
    [house.customer(customer).id],
  )
const evaluations = (id: number) =>
  rows<{ number: string; outcome: string; reason: string }>(
    `select c.number, v.outcome, v.reason
    from evaluation v
    join account a on a.id = v.source_id
    join customer c on c.id = a.customer_id
    where v.routine_id = $1
    order by v.id`,
    [id],
  )

describe('a routine of the clock', () => {
  test('is switched on with its next turn, and off without one', async () => {
    const id = await newRoutine({ at: { each: 'week', on: 1, time: '07:00' } })
    const routine = async () => (await listRoutines()).find((one) => one.id === id)!
    const next = (await routine()).nextTurn!
    expect(next > clock.now()).toBe(true)
    expect(new Intl.DateTimeFormat('en-IE', { weekday: 'long', timeZone: zone }).format(next)).toBe('Monday')
    await changeRoutine(id, { version: (await routine()).version, isOn: false }, who)
    expect((await routine()).nextTurn).toBeNull()
  })

  test('leaves out the holidays of the house’s region; set to another one, its next turn moves at once', async () => {
    const country = (of: string) => run('update company set country = $1', [of])
    await country('DE')
    onTestFinished(clock.use(() => new Date('2027-01-05T12:00:00Z')))
    onTestFinished(async () => {
      await changeHouse({ holidayRegion: '' })
      await country('IE')
      await house.settle()
    })
    const id = await newRoutine({ at: { each: 'working day', time: '07:00' } })
    const next = async () => (await listRoutines()).find((one) => one.id === id)!.nextTurn!.toISOString()
    expect(await next()).toBe('2027-01-06T07:00:00.000Z')
    // Epiphany is kept in Bavaria
    await changeHouse({ holidayRegion: 'BY' })
    await house.settle()
    expect(await next()).toBe('2027-01-07T07:00:00.000Z')
    await expect(changeHouse({ holidayRegion: 'XX' })).rejects.toThrow('“XX” is no part of your country')
    await changeHouse({ holidayRegion: '' })
    await house.settle()
    expect(await next()).toBe('2027-01-06T07:00:00.000Z')
  })

  test('shows each account that has something to say, and keeps why nothing was made of one', async () => {
    await invoice('10417', addDays(today(), -20))
    const small = await invoice('10427', addDays(today(), -20))
    await pay('10427', small.id, '600.00')
    const id = await newRoutine({
      conditions: [{ about: 'total', of: 'overdue', is: 'over', amount: '100', currency: 'EUR' }],
    })
    await turn(id)
    expect(await lettersOf('10417')).toEqual([{ state: 'prepared', automatic: false }])
    expect(await lettersOf('10427')).toEqual([])
    const looked = await evaluations(id)
    expect(looked.find((one) => one.number === '10417')!.outcome).toBe('prepared')
    expect(looked.find((one) => one.number === '10427')!.outcome).toBe('did not apply')
    const seen = await one<{ seen: ConditionSeen[] }>(
      `select seen from evaluation where routine_id = $1 and outcome = 'did not apply'`,
      [id],
    )
    expect(seen!.seen[1]!.seen.words).toBe('12.54 EUR')
    const turns = await turnsOfRoutine(id, who)
    expect(turns[0]!.outcomes).toMatchObject({ prepared: 1, 'did not apply': 1 })
  })

  test('gives one letter, whoever asks: two workers, a second turn of the day, a person before it', async () => {
    await invoice('10433', addDays(today(), -15))
    await prepareStatements(
      { customerId: house.customer('10433').id, currency: 'EUR' },
      { form: 'reminder', until: today() },
      who,
    )
    const id = await newRoutine({
      conditions: [{ about: 'customer', is: 'one of', values: ['10433', '10417'] }],
    })
    await isDue(id)
    await Promise.all([takeTurn(id), takeTurn(id), sweep()])
    await house.settle()
    expect(await turnsOfRoutine(id, who)).toHaveLength(1)
    await turn(id)
    expect(await lettersOf('10433')).toHaveLength(1)
    expect(await lettersOf('10417')).toHaveLength(1)
    const said = (await evaluations(id)).filter((one) => one.number === '10433')
    expect(said.map((one) => one.outcome)).toEqual(['already', 'already'])
  })

  test('by hand lists an account once, however many mornings nobody comes to it', async () => {
    await invoice('10438', addDays(today(), -15))
    const id = await newRoutine(
      { conditions: [{ about: 'customer', is: 'one of', values: ['10438'] }] },
      'by hand',
    )
    await turn(id)
    const later = clock.use(() => new Date(Date.now() + 86_400_000))
    await turn(id)
    later()
    expect((await lettersOf('10438')).map((one) => one.state)).toEqual(['due'])
    const said = (await evaluations(id)).filter((one) => one.number === '10438')
    expect(said.map((one) => one.outcome)).toEqual(['due', 'already'])
  })

  test('that was missed is taken once, and says how many turns it passed over', async () => {
    const id = await newRoutine({ conditions: [{ about: 'customer', is: 'one of', values: ['10417'] }] })
    const missed = instantInZone(addDays(today(), -4), '07:00', zone)
    await isDue(id, missed)
    await sweep()
    await house.settle()
    const [only, ...others] = await turnsOfRoutine(id, who)
    expect(others).toEqual([])
    const ofToday = instantInZone(today(), '07:00', zone)
    expect(only!.at).toEqual(
      ofToday <= clock.now() ? ofToday : instantInZone(addDays(today(), -1), '07:00', zone),
    )
    expect(only!.passed).toBe(ofToday <= clock.now() ? 4 : 3)
  })

  test('that is off takes no turn, also one that had come', async () => {
    await invoice('10442', addDays(today(), -15))
    const id = await newRoutine({ conditions: [{ about: 'customer', is: 'one of', values: ['10442'] }] })
    const { version } = (await listRoutines()).find((routine) => routine.id === id)!
    await changeRoutine(id, { version, isOn: false }, who)
    await turn(id)
    expect(await lettersOf('10442')).toEqual([])
  })

  test('is tried on the past by the books as they were', async () => {
    const sentence = {
      ...reminders,
      issue: 'statement of account',
      at: { each: 'day', time: '00:01' },
      period: 'open items',
      conditions: [{ about: 'customer', is: 'one of', values: ['10417'] }],
    } satisfies RoutineSentence
    const trial = await tryOut(sentence, 30, null)
    // the invoices are of today: on the days before there was nothing to state
    expect(trial.papers).toBe(1)
    expect(trial.orders[0]).toMatchObject({ number: '10417', total: '612.54', day: today() })
    expect(await lettersOf('10417')).toHaveLength(1)
  })

  test('catches up on its last turn: what it had made is left out, and waits for a check', async () => {
    const id = await newRoutine(
      {
        issue: 'statement of account',
        at: { each: 'day', time: '00:01' },
        period: 'open items',
        conditions: [{ about: 'customer', is: 'one of', values: ['10417', '10442'] }],
      },
      'automatic',
    )
    const range = { from: addDays(today(), -3), to: today() }
    const found = await lookBack(id, range.from, range.to, who)
    expect(found.map((one) => one.number).sort()).toEqual(['10417', '10442'])
    await catchUp(id, range, [found.find((one) => one.number === '10442')!.id], who)
    await house.settle()
    expect((await lettersOf('10442')).map((one) => one.state)).toEqual(['prepared'])
    expect((await lookBack(id, range.from, range.to, who)).map((one) => one.number)).toEqual(['10417'])
  })

  test('of statements that is taken late makes them of the day of its turn', async () => {
    const planned = addDays(today(), 2)
    const id = await newRoutine({
      issue: 'statement of account',
      period: 'open items',
      at: { each: 'week', on: weekdayOf(planned), time: '07:00' },
      conditions: [{ about: 'customer', is: 'one of', values: ['10417'] }],
    })
    const real = clock.use(() => instantInZone(addDays(planned, 3), '09:00', zone))
    await isDue(id, instantInZone(planned, '07:00', zone))
    await takeTurn(id)
    await house.settle()
    real()
    const made = await rows<{ occasion: string }>(
      'select occasion from prepared_document where routine_id = $1',
      [id],
    )
    expect(made).toEqual([{ occasion: `open items ${planned}` }])
  })
})

describe('a quarter played through by the clock', () => {
  test(
    'every reminder that was due went once, none to anybody who had paid',
    { timeout: 120_000 },
    async () => {
      const { reminders: rule } = await houseSettings()
      const begins = today()
      const customers = house.customers
        .filter((one) => one.billing && one.contacts.some(([, , role]) => role === 'billing'))
        .filter(
          (one) => !['10417', '10427', '10433', '10438', '10442'].includes(one.number) && !one.preferences,
        )
        .slice(0, 14)
      const owed: { customer: string; id: number; dueDate: Day; open: number }[] = []
      for (const [place, { number }] of customers.entries())
        for (let count = 0; count <= place % 2; count++) {
          const made = await invoice(number, addDays(begins, place * 4 - 20 + count * 9))
          owed.push({ customer: number, ...made, open: 612.54 })
        }
      const disputed = owed[3]!
      await markItem(disputed.id, { dispute: 'not what was ordered' }, who)
      const id = await newRoutine(
        { conditions: [{ about: 'customer', is: 'one of', values: customers.map((one) => one.number) }] },
        'automatic',
      )
      const expected = new Map(owed.map((one) => [one.id, [] as { level: number; day: Day }[]]))
      for (let day = 0; day <= 91; day += 7) {
        const at = new Date(Date.now() + day * 86_400_000)
        const real = clock.use(() => at)
        // each week somebody pays, in full or in part
        const payer = owed[(day / 7) * 2 + 1]
        if (payer && payer !== disputed) {
          const amount = day % 2 === 0 ? 612.54 : 300
          await pay(payer.customer, payer.id, amount.toFixed(2))
          payer.open -= amount
        }
        for (const one of owed) {
          const before = expected.get(one.id)!
          const due = levelDue(
            {
              ...{ kind: 'invoice', number: '', day: begins, amount: '612.54', documentId: one.id },
              dueDate: one.dueDate,
              open: one.open.toFixed(2),
              disputed: one === disputed,
              promisedOn: null,
              level: before.length,
              remindedOn: before.at(-1)?.day ?? null,
            },
            rule,
            today(),
          )
          if (one.open > 0.001 && typeof due === 'number') before.push({ level: due, day: today() })
        }
        await turn(id)
        real()
      }
      const kept = await rows<{ documentId: number; level: number; day: Day }>(
        `select document_id "documentId", level, day::text "day"
      from reminder
      where document_id = any($1::int[])
      order by document_id, level`,
        [owed.map((one) => one.id)],
      )
      const wanted = [...expected].flatMap(([documentId, levels]) =>
        levels.map((one) => ({ documentId, ...one })),
      )
      const order = (all: typeof kept) =>
        [...all].sort((a, b) => a.documentId - b.documentId || a.level - b.level)
      expect(wanted.length).toBeGreaterThan(20)
      expect(order(kept)).toEqual(order(wanted))
      expect(kept.some((one) => one.documentId === disputed.id)).toBe(false)
    },
  )
})
