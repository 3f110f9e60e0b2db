import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import ParcelWays from './ParcelWays.vue'

const parcel = {
  tracking: 'GH004212',
  url: '',
  way: 'under way' as const,
  price: '7.85',
  currency: 'EUR',
  isReturn: false,
}
const wordsOf = (...ways: object[]) =>
  mount(ParcelWays, { props: { ways: ways as (typeof parcel)[] } }).text()

test('a label by which goods come back costs nothing on the order until it is used', () => {
  const back = { ...parcel, tracking: 'GH004299', price: '4.20', isReturn: true }
  const waits = wordsOf(parcel, { ...back, way: 'announced' })
  expect(waits).toContain('GH004299')
  expect(waits).toContain('Not sent yet')
  expect(waits).toContain('7.85')
  const used = wordsOf(parcel, { ...back, way: 'accepted' })
  expect(used).toContain('12.05')
  expect(wordsOf({ ...back, way: 'announced' })).not.toContain('4.20')
})

test('of many parcels the first few are named, and how many more there are', () => {
  const words = wordsOf(...Array.from({ length: 5 }, (_, place) => ({ ...parcel, tracking: `GH${place}` })))
  expect(words).toContain('GH2')
  expect(words).not.toContain('GH3')
  expect(words).toContain('2 more')
})
