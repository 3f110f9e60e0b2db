import { describe, expect, test } from 'vitest'
import { judge, type OrderEventFacts, type RoutineSentence } from './routine'

const facts: OrderEventFacts = { order: 'SO-1', from: 'Packed', to: 'Shipped', total: '500.00', currency: 'EUR', brand: 'TH', group: 'Schools', country: 'Ireland', salesperson: 'Maeve Tarrant' }
const sentence = (change: Partial<RoutineSentence> = {}): RoutineSentence => ({ statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0, ...change })

describe('a routine judges an event', () => {
  test('by the status reached, one of several', () => {
    expect(judge(sentence({ statuses: ['Shipped', 'Closed'] }), facts).applies).toBe(true)
    expect(judge(sentence(), { ...facts, to: 'Closed' }).applies).toBe(false)
  })

  test('"over" leaves the amount itself out, "at most" takes it in', () => {
    const over = sentence({ conditions: [{ about: 'total', is: 'over', amount: '500', currency: 'EUR' }] })
    const atMost = sentence({ conditions: [{ about: 'total', is: 'at most', amount: '500', currency: 'EUR' }] })
    expect(judge(over, facts).applies).toBe(false)
    expect(judge(atMost, facts).applies).toBe(true)
  })

  test('an amount in another currency never matches', () => {
    expect(judge(sentence({ conditions: [{ about: 'total', is: 'over', amount: '1', currency: 'GBP' }] }), facts).applies).toBe(false)
  })

  test('and tells for each condition what it saw', () => {
    const verdict = judge(sentence({ conditions: [{ about: 'group', is: 'one of', values: ['Nurseries'] }, { about: 'country', is: 'not', values: ['Ireland'] }] }), facts)
    expect(verdict.seen.map(one => [one.holds, one.seen])).toEqual([[true, 'Shipped'], [false, 'Schools'], [false, 'Ireland']])
  })
})
