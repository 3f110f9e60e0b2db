import { expect, test } from 'vitest'
import { formatMoney, formatPercent, formatPrice, formatQuantity } from './format'

test('amounts stand in the habit of the language', () => {
  expect(formatMoney('1284.46', 'EUR', 'en')).toBe('1,284.46')
  expect(formatMoney('1284.46', 'EUR', 'de')).toBe('1.284,46')
  expect(formatMoney('1284.46', 'EUR', 'fr')).toBe('1\u00A0284,46')
  expect(formatMoney('-7', 'EUR', 'de')).toBe('−7,00')
})

test('large amounts are exact to the cent', () => {
  expect(formatMoney('12345678901234.56', 'EUR', 'en')).toBe('12,345,678,901,234.56')
})

test('prices and quantities show the digits they have, rates a space that does not break', () => {
  expect(formatPrice('0.0125', 'EUR', 'en')).toBe('0.0125')
  expect(formatPrice('41.5', 'EUR', 'en')).toBe('41.50')
  expect(formatQuantity('2.500', 'de')).toBe('2,5')
  expect(formatPercent('13.5', 'de')).toBe('13,5\u00A0%')
})
