import { expect, test } from 'vitest'
import { daysOutstanding } from './outstanding'

test('a month of invoices that is open is thirty days', () => {
  expect(daysOutstanding('3000.00', '9000.00', 90)).toBe(30)
  expect(daysOutstanding('0', '9000.00', 90)).toBe(0)
  // 1 ÷ 180 × 90 is half a day
  expect(daysOutstanding('1.00', '180.00', 90)).toBe(1)
})

test('where nothing was invoiced, or more was credited than that, there is no such number', () => {
  expect(daysOutstanding('500.00', '0', 90)).toBeNull()
  expect(daysOutstanding('500.00', '-20.00', 90)).toBeNull()
})
