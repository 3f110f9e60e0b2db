import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test } from 'vitest'
import { useSession } from '../stores/session'
import { addAmounts, plainAmount } from './amounts'
import { brandChoices } from './brands'
import {
  ago,
  daysAgo,
  fullTime,
  houseToday,
  longDay,
  money,
  moneyWithSign,
  plural,
  shortDay,
  shortTime,
} from './format'

beforeEach(() => {
  setActivePinia(createPinia())
  useSession().house = {
    company: { currency: 'EUR', timeZone: 'Europe/Dublin', taxRates: {} },
    brands: [],
  } as never // only what words of amounts and times need
})

describe('what a person writes as an amount', () => {
  test.each([
    ['1.234,50', '1234.50'],
    ['1,234.50', '1234.50'],
    ["1'234.5", '1234.5'],
    ['1’234,5', '1234.5'],
    ['1 234,50', '1234.50'],
    ['12,5', '12.5'],
    ['12.5', '12.5'],
    ['1.234.567,8', '1234567.8'],
    ['-3,20', '-3.20'],
    ['', '0'],
    ['  ', '0'],
  ])('%s is %s', (typed, plain) => expect(plainAmount(typed)).toBe(plain))

  test('that is none stays as it is, to be refused with its own words', () =>
    expect(plainAmount('twelve')).toBe('twelve'))
})

describe('an amount', () => {
  test('in the house’s currency is said without it, in another with it', () => {
    expect(money('1284.46')).toBe('1,284.46')
    expect(money('1284.46', 'EUR')).toBe('1,284.46')
    expect(money('120', 'GBP')).toBe('120.00 GBP')
  })

  test('has the digits of its currency', () => {
    expect(money('1200', 'JPY')).toBe('1,200 JPY')
    expect(money('1.5', 'KWD')).toBe('1.500 KWD')
  })

  test('keeps every digit of a sum that no binary number holds', () =>
    expect(money('9007199254740993.07')).toBe('9,007,199,254,740,993.07'))

  test('is added up by currency, exactly', () => {
    const rows = [
      { total: '0.10', currency: 'EUR' },
      { total: '0.20', currency: 'EUR' },
      { total: '5', currency: 'GBP' },
    ]
    expect(addAmounts(rows)).toBe('€\u00a00.30 · £\u00a05.00')
    expect(addAmounts([])).toBe('')
  })

  test('has the sign that people know, or the code', () => {
    expect(moneyWithSign('7', 'GBP')).toBe('£\u00a07.00')
    expect(moneyWithSign('7', 'CHF')).toBe('CHF\u00a07.00')
  })
})

describe('a time', () => {
  const now = Date.UTC(2026, 10, 27, 12, 0, 0)
  test.each([
    [12, '12 s'],
    [59, '59 s'],
    [60, '1 min'],
    [3599, '59 min'],
    [3600, '1 h'],
    [86_399, '23 h'],
    [86_400, '1 day'],
    [-5, '0 s'],
  ])('%i seconds ago is "%s"', (seconds, words) =>
    expect(ago(new Date(now - seconds * 1000), now)).toBe(words),
  )

  test('is that of the house, not of the browser', () => {
    expect(fullTime('2026-07-01T22:30:00Z')).toContain('1 Jul 2026')
    expect(fullTime('2026-07-01T23:30:00Z')).toContain('2 Jul 2026')
    expect(fullTime('2026-07-01T23:30:00Z')).toContain('00:30:00')
  })

  test('of another year or month is a day, of today an hour', () => {
    expect(shortTime('2020-03-05T10:00:00Z')).toBe('5 Mar')
    expect(shortTime(new Date())).toMatch(/^\d\d:\d\d$/)
  })

  test('without an hour is the same day everywhere', () => {
    expect([shortDay('2026-03-01'), longDay('2026-12-31')]).toEqual(['1 Mar', '31 Dec 2026'])
  })

  test('so many days ago is counted from the house’s today', () => {
    expect(daysAgo(0)).toBe(houseToday())
    expect(daysAgo(1) < houseToday()).toBe(true)
  })
})

test('one is one, and a thousand has its comma', () => {
  expect([plural(1, 'order'), plural(0, 'order'), plural(1200, 'order')]).toEqual([
    '1 order',
    '0 orders',
    '1,200 orders',
  ])
  expect(plural(2, 'was')).toBe('2 were')
})

describe('the brands in a sentence of filters', () => {
  const [tansy, skep, third] = [
    { code: 'TH', name: 'Tansy Hollow' },
    { code: 'LS', name: 'Little Skep' },
    { code: 'X', name: 'A third' },
  ]
  test('are both where there are two, all where there are more, and the only one by its name', () => {
    expect(brandChoices([tansy, skep])[0]).toEqual({ value: '', words: 'both brands' })
    expect(brandChoices([tansy, skep, third])[0]).toEqual({ value: '', words: 'all brands' })
    expect(brandChoices([skep])).toEqual([{ value: '', words: 'Little Skep' }])
  })

  test('can each be chosen by its code', () =>
    expect(brandChoices([tansy, skep]).map((one) => one.value)).toEqual(['', 'TH', 'LS']))
})
