import { describe, expect, test } from 'vitest'
import { isGtin } from './gtin'
import { priceFor } from './price'

describe('a GTIN', () => {
  test.each(['40170725', '036000291452', '4006381333931', '10036000291459'])('%s is one', (text) => {
    expect(isGtin(text)).toBe(true)
  })
  test.each(['4006381333932', '400638133393', '40 06381', '', 'ABCDEFGH'])('“%s” is none', (text) => {
    expect(isGtin(text)).toBe(false)
  })
})

describe('the price of an item', () => {
  const item = {
    price: '10.00',
    prices: [
      { currency: 'EUR', groupName: 'Schools', price: '8.00' },
      { currency: 'GBP', groupName: '', price: '9.00' },
      { currency: 'GBP', groupName: 'Schools', price: '7.50' },
    ],
  }
  const price = (currency: string, groupName = '') =>
    priceFor(item, { currency, groupName, companyCurrency: 'EUR' })

  test.each([
    ['EUR', '', '10.00'],
    ['EUR', 'Schools', '8.00'],
    ['EUR', 'Nurseries', '10.00'],
    ['GBP', '', '9.00'],
    ['GBP', 'Schools', '7.50'],
    ['GBP', 'Nurseries', '9.00'],
    ['CHF', 'Schools', null],
  ])('in %s for “%s” is %s', (currency, group, expected) => {
    expect(price(currency, group)).toBe(expected)
  })
})
