import { expect, test } from 'vitest'
import { compareBalance, type TakenOver } from './trial-balance'

const taken: TakenOver = {
  currency: 'EUR',
  invoices: { count: 3, sum: '300.10' },
  credits: { count: 1, sum: '-20.05' },
  onAccount: { count: 1, sum: '-50' },
}

test('invoices count over zero, credits and payments on account below', () => {
  const [euro] = compareBalance([taken], {})
  expect(euro).toMatchObject({ count: 5, sum: '230.05', earlier: null, difference: null })
})

test('what is missing here is over zero, what is too much below', () => {
  const [euro] = compareBalance([taken], { EUR: { count: 6, sum: '230.00' } })
  expect(euro!.difference).toEqual({ count: 1, sum: '-0.05' })
})

test('a currency that only the earlier program has is missing whole', () => {
  const [, pounds] = compareBalance([taken], { GBP: { count: 2, sum: '12.50' } })
  expect(pounds).toMatchObject({ currency: 'GBP', count: 0, sum: '0', difference: { count: 2, sum: '12.5' } })
})
