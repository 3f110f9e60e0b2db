import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addDays } from '../documents/days'
import { Decimal, sum } from '../money/decimal'
import { levelDue, remind, starterReminders, type Remindable } from './reminders'
import { inWords } from '../testing/in-words'

const today = '2026-11-30'
const item = (change: Partial<Remindable> = {}): Remindable => ({
  kind: 'invoice',
  number: 'INV-7',
  documentId: 7,
  day: '2026-10-01',
  dueDate: addDays(today, -10),
  amount: '100.00',
  open: '100.00',
  disputed: false,
  promisedOn: null,
  level: 0,
  remindedOn: null,
  ...change,
})
const rule = starterReminders
const letter = (...items: Remindable[]) => remind(items, { currency: 'EUR', language: 'en', rule }, today)

describe('the level of an item', () => {
  test.each([
    [{ dueDate: today }, 'not late enough'],
    [{ dueDate: addDays(today, -4) }, 'not late enough'],
    [{ dueDate: addDays(today, -5) }, 1],
    [{ dueDate: addDays(today, -60) }, 1],
    [{ dueDate: addDays(today, -60), level: 1, remindedOn: addDays(today, -9) }, 'reminded lately'],
    [{ dueDate: addDays(today, -60), level: 1, remindedOn: addDays(today, -10) }, 2],
    [{ dueDate: addDays(today, -19), level: 1, remindedOn: addDays(today, -14) }, 'not late enough'],
    [{ dueDate: addDays(today, -90), level: 3, remindedOn: addDays(today, -40) }, 'at the last level'],
    [{ disputed: true }, 'disputed'],
    [{ promisedOn: today }, 'promised'],
    [{ promisedOn: addDays(today, -1) }, 1],
  ])('%o: %s', (change, expected) => {
    expect(levelDue(item(change), rule, today)).toBe(expected)
  })
})

test('one letter asks for all that is due, in the highest level; a later invoice gets its first by it', () => {
  const made = letter(
    item({ documentId: 1, dueDate: addDays(today, -40), level: 1, remindedOn: addDays(today, -20) }),
    item({ documentId: 2, dueDate: addDays(today, -6) }),
    item({ documentId: 3, dueDate: addDays(today, 5) }),
    item({ documentId: 4, disputed: true }),
  )
  if ('nothing' in made) throw new Error(made.nothing.words)
  expect(made.reminder).toMatchObject({ level: 2, heading: 'Second reminder' })
  expect(made.reminder.items.map((one) => [one.documentId, one.from, one.reaches])).toEqual([
    [1, 1, 2],
    [2, 0, 1],
  ])
  expect(made.asked).toBe('200.00')
})

test.each([
  [[item({ dueDate: addDays(today, 3) })], 'Nothing is past due'],
  [[item({ promisedOn: addDays(today, 2) })], 'payment is promised'],
  [[item(), item({ kind: 'credit note', open: '-100.00', dueDate: addDays(today, -1) })], 'outweighs'],
  [[item({ open: '4.99' })], 'Less than 5 EUR'],
  [[], 'Nothing is past due'],
])('asks for nothing where nothing is to be asked for, and says why', (items, why) => {
  expect(inWords(letter(...items))).toMatchObject({ nothing: expect.stringContaining(why) })
})

test('at the last level an item is asked for once more only where a person says so, in its words', () => {
  const last = (remindedOn: string) => [item({ level: 3, dueDate: addDays(today, -90), remindedOn })]
  const made = (remindedOn: string, lastAgain: boolean) =>
    remind(last(remindedOn), { currency: 'EUR', language: 'en', rule, lastAgain }, today)
  expect(inWords(made(addDays(today, -10), false))).toMatchObject({
    nothing: expect.stringContaining('last level'),
  })
  expect(inWords(made(addDays(today, -9), true))).toMatchObject({
    nothing: expect.stringContaining('a short while ago'),
  })
  expect(made(addDays(today, -10), true)).toMatchObject({
    reminder: { level: 3, heading: 'Final reminder', items: [{ from: 3, reaches: 4 }] },
  })
})

describe('what a letter costs', () => {
  const costly = {
    ...rule,
    levels: rule.levels.map((level, place) => ({
      ...level,
      interest: place > 0,
      fee: place > 1 ? '5' : '0',
    })),
  }
  const rates = [{ group: '', country: '', from: '2020-01-01', percent: '10' }]
  const late = (change: Partial<Remindable>) =>
    item({ amount: '1000.00', open: '1000.00', dueDate: addDays(today, -73), ...change })
  const charged = (booksCharges: boolean, ...items: Remindable[]) => {
    const given = { currency: 'EUR', language: 'en', rule: { ...costly, booksCharges }, rates } as const
    const made = remind(items, given, today)
    if ('nothing' in made) throw new Error(made.nothing.words)
    return { charges: made.reminder.charges, asked: made.asked }
  }

  test('a friendly one nothing, a firm one interest, the last one a fee as well', () => {
    expect(charged(true, late({})).charges).toBeUndefined()
    expect(charged(true, late({ level: 1 }))).toMatchObject({
      asked: '1000.00',
      charges: {
        fee: '0.00',
        interest: [{ number: 'INV-7', amount: '20.00' }],
        total: '20.00',
        booked: true,
      },
    })
    expect(charged(false, late({ level: 2 })).charges).toMatchObject({ total: '25.00', booked: false })
  })

  test('interest that was booked is not asked for again, nor interest on fees, nor on what is disputed', () => {
    const again = charged(
      true,
      late({ level: 2, interestBooked: '15.00' }),
      late({ documentId: 8, kind: 'payment reminder', number: 'REM-1', amount: '15.00', open: '15.00' }),
      late({ documentId: 9, disputed: true }),
    )
    expect(again).toMatchObject({ asked: '1015.00', charges: { total: '10.00' } })
    expect(again.charges!.interest).toHaveLength(1)
  })

  test('more booked than is now reckoned, as a payment came to light, asks for none', () => {
    const paid = late({
      level: 1,
      interestBooked: '15.00',
      changes: [{ day: '2026-09-10', amount: '-900' }],
      open: '100.00',
    })
    expect(charged(true, paid).charges).toBeUndefined()
  })

  test('fees and interest alone are no reason for a letter', () => {
    const fee = late({ kind: 'payment reminder', amount: '5.00', open: '5.00' })
    expect(inWords(letter(fee))).toMatchObject({
      nothing: expect.stringContaining('alone are not reminded of'),
    })
  })
})

test('through a year an item gets each level once, never two within the days between, none once it is paid', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ due: fc.nat(200), paid: fc.nat(320) }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 1, max: 9 }),
      (invoices, every) => {
        const reminded = invoices.map(() => [] as { level: number; day: number }[])
        for (let day = 0; day < 365; day += every) {
          const now = addDays('2026-01-01', day)
          const open = invoices.flatMap((one, place) =>
            one.paid <= day
              ? []
              : [
                  item({
                    documentId: place,
                    dueDate: addDays('2026-01-01', one.due),
                    level: reminded[place]!.at(-1)?.level ?? 0,
                    remindedOn: reminded[place]!.length
                      ? addDays('2026-01-01', reminded[place]!.at(-1)!.day)
                      : null,
                  }),
                ],
          )
          const made = remind(open, { currency: 'EUR', language: 'en', rule }, now)
          if ('nothing' in made) continue
          expect(new Decimal(made.asked).eq(sum(made.open.map((one) => one.open)))).toBe(true)
          for (const { documentId, from, reaches } of made.reminder.items)
            if (reaches > from) reminded[documentId]!.push({ level: reaches, day })
        }
        invoices.forEach((one, place) => {
          const own = reminded[place]!
          expect(own.map((each) => each.level)).toEqual(own.map((_, level) => level + 1))
          own.forEach((each, index) => {
            expect(each.day).toBeLessThan(one.paid)
            expect(each.day - one.due).toBeGreaterThanOrEqual(rule.levels[each.level - 1]!.afterDays)
            if (index > 0) expect(each.day - own[index - 1]!.day).toBeGreaterThanOrEqual(rule.daysBetween)
          })
          // whoever does not pay for long is reminded at every level
          if (one.paid - one.due > 80) expect(own).toHaveLength(3)
        })
      },
    ),
  )
})
