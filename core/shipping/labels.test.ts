import { describe, expect, test } from 'vitest'
import { callAgainAfter, costOf, labelLifecycle, labelStates, mostCalls, standingLabelStates } from './labels'

describe('the life of a label', () => {
  const { next } = labelLifecycle

  test('from where it may have been bought there is no way back to buying it', () => {
    expect(next('unclear', 'book')).toBeUndefined()
    expect(next('unclear', 'wait')).toBeUndefined()
    expect(next('made', 'book')).toBeUndefined()
    expect(next('refused', 'book')).toBeUndefined()
  })

  test('what was bought is only given back, never closed', () => {
    for (const state of ['booking', 'unclear', 'made', 'cancelling'] as const) {
      expect(next(state, 'close')).toBeUndefined()
      expect(next(state, 'withdraw')).toBeUndefined()
    }
  })

  test('a parcel gets another only after the first was refused, given back or never wanted', () => {
    const over = labelStates.filter((state) => !standingLabelStates.includes(state))
    expect(over).toEqual(['cancelled', 'refused', 'closed'])
  })

  test('a carrier that does not answer is called ever less often, for some hours', () => {
    const waits = Array.from({ length: mostCalls }, (_, tries) => callAgainAfter(tries + 1))
    expect(waits.slice(0, 4)).toEqual([60, 120, 240, 480])
    expect(waits.at(-1)).toBe(1800)
    expect(waits.reduce((sum, one) => sum + one, 0) / 3600).toBeGreaterThan(3)
  })
})

test('a label by which goods come back costs only once it is used', () => {
  const label = { price: '4.20', currency: 'EUR', isReturn: true }
  expect(costOf([{ ...label, way: 'announced' }])).toEqual([])
  expect(costOf([{ ...label, way: null }])).toEqual([])
  expect(costOf([{ ...label, way: 'accepted' }])).toEqual([{ amount: '4.20', currency: 'EUR' }])
  expect(costOf([{ ...label, isReturn: false, way: 'announced' }])).toEqual([
    { amount: '4.20', currency: 'EUR' },
  ])
})
