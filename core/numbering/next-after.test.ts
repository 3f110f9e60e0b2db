import { expect, test } from 'vitest'
import { nextAfter } from './next-after'

test.each([
  ['10001', '10002'],
  ['SO-0999', 'SO-1000'],
  ['SO-99', 'SO-100'],
  ['2026/0042-A', '2026/0043-A'],
  ['99999999999999999999', '100000000000000000000'],
  ['spring', 'spring-2'],
])('after %s comes %s', (before, next) => {
  expect(nextAfter(before)).toBe(next)
})
