import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { judge, occasionOf, type EventFacts, statusOfOccasion } from './routine'
import { toldCondition, type Condition } from './conditions'
import { checkSentence, toldSentence, toldWhen, type RoutineSentence } from './sentence'
import { inWords } from '../testing/in-words'

const facts: EventFacts = {
  order: 'SO-1',
  from: 'Packed',
  to: 'Shipped',
  total: '500.00',
  net: '406.50',
  currency: 'EUR',
  brand: 'TH',
  customer: '10417',
  group: 'Schools',
  country: 'IE',
  salesperson: 'Maeve Tarrant',
  items: ['HB-10N', 'WX-200'],
  fields: { 'Delivery window': 'mornings only' },
}
const sentence = (change: Partial<RoutineSentence> = {}): RoutineSentence => ({
  statuses: ['Shipped'],
  conditions: [],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
  ...change,
})
const applies = (...conditions: Condition[]) => judge(sentence({ conditions }), facts).applies

describe('a routine judges an event', () => {
  test('by the status reached, one of several', () => {
    expect(judge(sentence({ statuses: ['Shipped', 'Closed'] }), facts).applies).toBe(true)
    expect(judge(sentence(), { ...facts, to: 'Closed' }).applies).toBe(false)
  })

  test('"over" leaves the amount itself out, "at most" takes it in', () => {
    expect(applies({ about: 'total', of: 'gross', is: 'over', amount: '500', currency: 'EUR' })).toBe(false)
    expect(applies({ about: 'total', of: 'gross', is: 'at most', amount: '500', currency: 'EUR' })).toBe(true)
  })

  test('on the net total where that is meant', () => {
    expect(applies({ about: 'total', of: 'net', is: 'over', amount: '406.49', currency: 'EUR' })).toBe(true)
    expect(applies({ about: 'total', of: 'net', is: 'over', amount: '406.50', currency: 'EUR' })).toBe(false)
  })

  test('an amount in another currency never matches, neither over nor at most', () => {
    expect(applies({ about: 'total', of: 'gross', is: 'over', amount: '1', currency: 'GBP' })).toBe(false)
    expect(applies({ about: 'total', of: 'gross', is: 'at most', amount: '9999', currency: 'GBP' })).toBe(
      false,
    )
  })

  test('by any of its items, and by what it does not hold', () => {
    expect(applies({ about: 'item', is: 'one of', values: ['WX-200', 'XX'] })).toBe(true)
    expect(applies({ about: 'item', is: 'not', values: ['WX-200'] })).toBe(false)
  })

  test.each<[Condition & { about: 'field' }, boolean]>([
    [{ about: 'field', field: 'Delivery window', is: 'filled', value: '' }, true],
    [{ about: 'field', field: 'Customs code', is: 'empty', value: '' }, true],
    [{ about: 'field', field: 'Delivery window', is: 'contains', value: 'MORNING' }, true],
    [{ about: 'field', field: 'Delivery window', is: 'is', value: 'mornings' }, false],
  ])('by an order field: %j', (condition, holds) => expect(applies(condition)).toBe(holds))

  test('a fact the event did not keep never lets a condition hold, not even "not"', () => {
    const { items: _items, customer: _customer, net: _net, fields: _fields, ...old } = facts
    const verdict = judge(
      sentence({
        conditions: [
          { about: 'item', is: 'not', values: ['X'] },
          { about: 'customer', is: 'not', values: ['X'] },
          { about: 'total', of: 'net', is: 'at most', amount: '999', currency: 'EUR' },
          { about: 'field', field: 'A', is: 'empty', value: '' },
        ],
      }),
      old,
    )
    expect(verdict.seen.slice(1).map((one) => [one.holds, one.seen.words])).toEqual(
      Array(4).fill([false, 'not kept then']),
    )
  })

  test('and tells for each condition what it saw', () => {
    const verdict = judge(
      sentence({
        conditions: [
          { about: 'group', is: 'one of', values: ['Nurseries'] },
          { about: 'country', is: 'not', values: ['IE'] },
        ],
      }),
      facts,
    )
    expect(verdict.seen.map((one) => [one.holds, one.seen.words])).toEqual([
      [true, 'Shipped'],
      [false, 'Schools'],
      [false, 'Ireland'],
    ])
  })

  const condition = fc.oneof(
    fc.record({
      about: fc.constantFrom('brand', 'group', 'country', 'salesperson', 'customer', 'item', 'currency'),
      is: fc.constantFrom('one of', 'not'),
      values: fc.array(fc.constantFrom('TH', 'Schools', 'IE', '10417', 'HB-10N', 'EUR', 'x'), {
        minLength: 1,
      }),
    }),
    fc.record({
      about: fc.constant('total'),
      of: fc.constantFrom('gross', 'net'),
      is: fc.constantFrom('over', 'at most'),
      amount: fc.constantFrom('0', '406.50', '500', '501'),
      currency: fc.constantFrom('EUR', 'GBP'),
    }),
    fc.record({
      about: fc.constant('field'),
      field: fc.constantFrom('Delivery window', 'Other'),
      is: fc.constantFrom('filled', 'empty', 'contains', 'is'),
      value: fc.constantFrom('morn', 'mornings only'),
    }),
  ) as fc.Arbitrary<Condition>

  test('conditions are joined with "and": one more never lets more orders in, and their order does not matter', () => {
    fc.assert(
      fc.property(fc.array(condition, { maxLength: 5 }), condition, (conditions, more) => {
        const before = judge(sentence({ conditions }), facts)
        if (judge(sentence({ conditions: [...conditions, more] }), facts).applies)
          expect(before.applies).toBe(true)
        expect(judge(sentence({ conditions: [...conditions].reverse() }), facts).applies).toBe(before.applies)
        expect(before.applies).toBe(before.seen.every((one) => one.holds))
      }),
    )
  })

  test('of a choice and its "not", exactly one holds', () => {
    fc.assert(
      fc.property(
        condition.filter((one) => one.about !== 'total' && one.about !== 'field'),
        (one) => {
          const turned = { ...one, is: one.is === 'not' ? 'one of' : 'not' } as Condition
          expect(applies(one)).toBe(!applies(turned))
        },
      ),
    )
  })
})

describe('a sentence', () => {
  test('reads as one', () => {
    const { words } = toldSentence(
      sentence({
        statuses: ['Confirmed'],
        issue: 'order confirmation',
        to: 'buying',
        copyTo: ['desk@us.example'],
        delayMinutes: 20,
        hours: { from: '08:00', to: '17:00', workdays: true },
        conditions: [
          { about: 'country', is: 'not', values: ['IE'] },
          { about: 'total', of: 'net', is: 'over', amount: '500', currency: 'EUR' },
          { about: 'field', field: 'Season order', is: 'filled', value: '' },
        ],
      }),
    )
    expect(words).toBe(
      'When an order becomes Confirmed and it goes to another country than Ireland and its net total ' +
        'is over 500 EUR and its field “Season order” is filled, issue an order confirmation, write to ' +
        'the buying contact, ' +
        'with a copy to desk@us.example, and let it go 20 minutes later, on working days 08:00–17:00.',
    )
  })

  test.each([
    [{ delayMinutes: 0 }, 'at once'],
    [{ delayMinutes: 60 }, '1 hour later'],
    [{ delayMinutes: 90 }, '90 minutes later'],
    [{ delayMinutes: 0, hours: { from: '08:00', to: '12:00', workdays: false } }, '08:00–12:00'],
  ])('%j goes %s', (when, words) => expect(toldWhen(when).words).toBe(words))

  test('says where it goes while it is tried', () =>
    expect(toldSentence(sentence({ rehearseTo: 'me@us.example' })).words).toMatch(
      / and let it go at once, as a rehearsal to me@us\.example\.$/,
    ))

  test('uses the names people know', () =>
    expect(toldCondition({ about: 'brand', is: 'one of', values: ['TH'] }, () => 'Tansy Hollow').words).toBe(
      'it is sold by Tansy Hollow',
    ))

  test.each<[Partial<RoutineSentence>, string]>([
    [{ statuses: [] }, 'no status to wait for'],
    [{ statuses: ['Lost'] }, '“Lost” is not a status'],
    [{ conditions: [{ about: 'group', is: 'one of', values: [] }] }, 'about the group names nothing'],
    [
      { conditions: [{ about: 'total', of: 'gross', is: 'over', amount: '1,000', currency: 'EUR' }] },
      'Write the amount like 500',
    ],
    [
      { conditions: [{ about: 'field', field: 'X', is: 'contains', value: ' ' }] },
      'Say what the field “X” must hold',
    ],
    [{ copyTo: ['nobody'] }, '“nobody” is not an email address'],
    [{ rehearseTo: 'nobody' }, '“nobody” is not an email address'],
    [{ on: 'posted', statuses: [], rehearseTo: 'me@us.example' }, 'cannot be rehearsed'],
    [{ delayMinutes: -1 }, '0 minutes to 30 days'],
    [{ hours: { from: '17:00', to: '08:00', workdays: true } }, 'begin before they end'],
  ])('that cannot hold is refused: %j', (change, words) =>
    expect(() => checkSentence(sentence(change), ['Shipped'])).toThrow(words),
  )
})

test('an invoice is once for the order, a confirmation once for its revision, an update once for its status', () => {
  const [one, two] = [
    { revision: 1, status: 'Packed' },
    { revision: 2, status: 'Packed' },
  ]
  expect(occasionOf('invoice', one)).toBe(occasionOf('invoice', two))
  expect(occasionOf('order confirmation', one)).not.toBe(occasionOf('order confirmation', two))
  expect(occasionOf('order update', one)).toBe(occasionOf('order update', two))
  const shipped = occasionOf('order update', { revision: 1, status: 'Shipped' })
  expect(shipped).not.toBe(occasionOf('order update', one))
  expect(statusOfOccasion(shipped)).toBe('Shipped')
})

describe('a sentence of the clock', () => {
  const clockwise = (change: Partial<RoutineSentence> = {}): RoutineSentence =>
    sentence({
      on: 'time',
      statuses: [],
      issue: 'payment reminder',
      at: { each: 'working day', time: '07:00' },
      ...change,
    })
  const check = (one: RoutineSentence) => () => checkSentence(one, ['Shipped'])

  test('reads as one sentence, with what its statements are of', () => {
    expect(toldSentence(clockwise()).words).toBe(
      'When it is time for payment reminders, on a working day at 07:00, issue a payment reminder to each ' +
        'account, write to the billing contact, and let it go at once.',
    )
    expect(toldSentence(clockwise({ issue: 'statement of account', period: 'last month' })).words).toContain(
      'issue a statement of account to each account of all that was booked last month,',
    )
  })

  test('asks of an account only what an account has, and of an order no balance', () => {
    const overdue = { about: 'total', of: 'overdue', is: 'over', amount: '50', currency: 'EUR' } as const
    expect(check(clockwise({ conditions: [overdue] }))).not.toThrow()
    expect(check(clockwise({ conditions: [{ ...overdue, of: 'net' }] }))).toThrow(
      'An account has no such thing',
    )
    expect(check(clockwise({ conditions: [{ about: 'item', is: 'one of', values: ['HB-10N'] }] }))).toThrow(
      'An account has no such thing',
    )
    expect(check(sentence({ conditions: [overdue] }))).toThrow('Only an account has a balance')
    expect(check(clockwise({ at: undefined }))).toThrow('at which time')
    expect(check(clockwise({ issue: 'invoice' }))).toThrow('is not what a routine makes of that event')
  })

  test('holds by what the account had at its turn, and never of an order', () => {
    const over = (amount: string) =>
      clockwise({ conditions: [{ about: 'total', of: 'overdue', is: 'over', amount, currency: 'EUR' }] })
    const atTurn = { ...facts, moment: '30 Nov 2026, 07:00', overdue: '50.00', balance: '900.00' }
    expect(judge(over('49.99'), atTurn).applies).toBe(true)
    expect(judge(over('50'), atTurn).applies).toBe(false)
    expect(judge(over('0'), facts).applies).toBe(false)
  })

  test('holds by how late its oldest item is', () => {
    const late = (days: string) => clockwise({ conditions: [{ about: 'late', is: 'over', days }] })
    const atTurn = { ...facts, moment: '30 Nov 2026, 07:00', late: 30 }
    expect(judge(late('29'), atTurn).applies).toBe(true)
    expect(inWords(judge(late('30'), atTurn))).toMatchObject({
      applies: false,
      seen: [{}, { asks: 'its oldest item is late for over 30 days', seen: '30 days' }],
    })
    expect(judge(late('0'), facts).applies).toBe(false)
    expect(check(late('a month'))).toThrow('Write the days like 30')
    expect(check(sentence({ conditions: [{ about: 'late', is: 'over', days: '30' }] }))).toThrow(
      'Only an account',
    )
  })
})
