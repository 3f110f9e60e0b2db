import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addDays, type Day } from '../documents/days'
import { Decimal, moneyText, sum } from '../money/decimal'
import {
  nothingToState,
  occasionOf,
  periodOf,
  statementOf,
  type LedgerEntry,
  type OpenEntry,
  type StatementFacts,
  type StatementPeriod,
} from './statement'

/* Random books: documents and payments on days, and what settles what on the later day of the two. */
interface Books {
  documents: { day: number; due: number; cents: number }[]
  payments: { day: number; cents: number }[]
  settles: { document: number; payment: number; share: number; discount: boolean }[]
}
const day = (offset: number): Day => addDays('2026-06-01', offset)
const cents = (value: number) => moneyText(new Decimal(value).div(100), 'EUR')
const books: fc.Arbitrary<Books> = fc.record({
  documents: fc.array(
    fc.record({ day: fc.nat(120), due: fc.nat(60), cents: fc.integer({ min: -90_000, max: 200_000 }) }),
    { minLength: 1, maxLength: 12 },
  ),
  payments: fc.array(fc.record({ day: fc.nat(120), cents: fc.integer({ min: 1, max: 200_000 }) }), {
    maxLength: 8,
  }),
  settles: fc.array(
    fc.record({
      document: fc.nat(11),
      payment: fc.nat(7),
      share: fc.integer({ min: 1, max: 5000 }),
      discount: fc.boolean(),
    }),
    { maxLength: 10 },
  ),
})

/** What the books say on a day, worked out from the bookings themselves. */
function factsOf(of: Books, period: StatementPeriod): StatementFacts {
  const until = period.until
  const settles = of.settles.flatMap((one) => {
    const document = of.documents[one.document]
    const payment = of.payments[one.payment]
    return document && payment ? [{ ...one, on: day(Math.max(document.day, payment.day)) }] : []
  })
  const entries: LedgerEntry[] = [
    ...of.documents.map((one, place) => ({
      kind: one.cents < 0 ? ('credit note' as const) : ('invoice' as const),
      number: `D-${place}`,
      day: day(one.day),
      dueDate: day(one.day + one.due),
      amount: cents(one.cents),
    })),
    ...of.payments.map((one) => ({
      kind: 'payment' as const,
      number: '',
      day: day(one.day),
      dueDate: null,
      amount: cents(-one.cents),
    })),
    ...settles
      .filter((one) => one.discount)
      .map((one) => ({
        kind: 'discount' as const,
        number: `D-${one.document}`,
        day: one.on,
        dueDate: null,
        amount: cents(-one.share),
      })),
  ].sort((a, b) => a.day.localeCompare(b.day))
  const left = (start: number, some: typeof settles, sign: number): number =>
    some.filter((one) => one.on <= until).reduce((open, one) => open + sign * one.share, start)
  const open: OpenEntry[] = [
    ...of.documents.map((one, place) => ({
      kind: 'invoice' as const,
      number: `D-${place}`,
      day: day(one.day),
      dueDate: day(one.day + one.due),
      amount: cents(one.cents),
      open: cents(
        left(
          one.cents,
          settles.filter((settle) => settle.document === place),
          -1,
        ),
      ),
      disputed: false,
      promisedOn: null,
    })),
    ...of.payments.map((one, place) => ({
      kind: 'payment' as const,
      number: '',
      day: day(one.day),
      dueDate: null,
      amount: cents(-one.cents),
      open: cents(
        left(
          -one.cents,
          settles.filter((settle) => settle.payment === place && !settle.discount),
          1,
        ),
      ),
      disputed: false,
      promisedOn: null,
    })),
  ].filter((one) => one.day <= until && !new Decimal(one.open).isZero())
  const booked = entries.filter((entry) => entry.day <= until)
  const before = period.form === 'activity' ? booked.filter((entry) => entry.day < period.from) : []
  return {
    period,
    currency: 'EUR',
    opening: sum(before.map((entry) => entry.amount)).toString(),
    entries: period.form === 'activity' ? booked.filter((entry) => entry.day >= period.from) : [],
    open,
    balance: sum(booked.map((entry) => entry.amount)).toString(),
  }
}

describe('on any books, on any day', () => {
  test('opening + debits − credits = closing = what is open; ages and favour sum to it', () => {
    fc.assert(
      fc.property(books, fc.nat(130), fc.nat(60), (of, last, length) => {
        const facts = factsOf(of, { form: 'activity', from: day(last - length), until: day(last) })
        const statement = statementOf(facts)
        const closing = new Decimal(statement.closing)
        expect(new Decimal(facts.opening).plus(statement.debits).minus(statement.credits).eq(closing)).toBe(
          true,
        )
        expect(sum(facts.open.map((one) => one.open)).eq(closing)).toBe(true)
        expect(sum([...statement.ageing.map((step) => step.sum), statement.favour]).eq(closing)).toBe(true)
        expect(statement.rows.at(-1)?.balance ?? moneyText(facts.opening, 'EUR')).toBe(statement.closing)
        const overdue = sum(statement.ageing.slice(1).map((step) => step.sum))
        expect(overdue.eq(statement.overdue)).toBe(true)
      }),
    )
  })

  test('what a month closes with, the next one opens with', () => {
    fc.assert(
      fc.property(books, fc.nat(100), (of, last) => {
        const first = statementOf(factsOf(of, { form: 'activity', from: day(0), until: day(last) }))
        const next = factsOf(of, { form: 'activity', from: day(last + 1), until: day(last + 30) })
        expect(new Decimal(next.opening).eq(first.closing)).toBe(true)
      }),
    )
  })

  test('both forms of the same day come to the same', () => {
    fc.assert(
      fc.property(books, fc.nat(130), (of, last) => {
        const open = statementOf(factsOf(of, { form: 'open items', until: day(last) }))
        const all = statementOf(factsOf(of, { form: 'activity', from: day(0), until: day(last) }))
        expect(open.closing).toBe(all.closing)
        expect(open.ageing).toEqual(all.ageing)
      }),
    )
  })
})

const small: Books = {
  documents: [{ day: 0, due: 14, cents: 12_345 }],
  payments: [{ day: 20, cents: 2345 }],
  settles: [{ document: 0, payment: 0, share: 2345, discount: false }],
}

test('what was paid later is still open on an earlier day, and overdue counts from that day', () => {
  const on = (until: Day) => statementOf(factsOf(small, { form: 'open items', until }))
  expect(on(day(10))).toMatchObject({ closing: '123.45', overdue: '0.00' })
  expect(on(day(19))).toMatchObject({ closing: '123.45', overdue: '123.45' })
  expect(on(day(20))).toMatchObject({ closing: '100.00', overdue: '100.00' })
})

test('books that do not come to what is open are refused: nothing false leaves', () => {
  const facts = factsOf(small, { form: 'open items', until: day(30) })
  const wrong = { ...facts, open: facts.open.map((one) => ({ ...one, open: '99.99' })) }
  expect(() => statementOf(wrong)).toThrow('100.00 EUR are booked, 99.99 EUR are open')
})

test('an account without anything open has no statement of open items, but one of what was booked', () => {
  const paid: Books = {
    ...small,
    payments: [{ day: 20, cents: 12_345 }],
    settles: [{ ...small.settles[0]!, share: 12_345 }],
  }
  expect(nothingToState(factsOf(paid, { form: 'open items', until: day(30) }))?.words).toContain(
    'Nothing is open',
  )
  expect(nothingToState(factsOf(paid, { form: 'activity', from: day(0), until: day(30) }))).toBeUndefined()
  expect(nothingToState(factsOf(paid, { form: 'activity', from: day(25), until: day(30) }))?.words).toContain(
    'Nothing was booked',
  )
})

test('the period is what tells one statement from another', () => {
  for (const period of [
    { form: 'open items', until: '2026-11-30' },
    { form: 'activity', from: '2026-11-01', until: '2026-11-30' },
  ] as const)
    expect(periodOf(occasionOf(period))).toEqual(period)
  expect(periodOf('3')).toBeUndefined()
})
