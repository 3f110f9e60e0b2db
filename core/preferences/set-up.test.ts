import { expect, test } from 'vitest'
import { setUpAs, setUpBefore, type SetUp } from './set-up'

const plain: SetUp = {
  groupName: '',
  language: 'en',
  currency: 'EUR',
  terms: { kind: 'days', days: 30 },
  pricesIncludeTax: null,
  salesperson: '',
  needs: { reference: false, fields: [] },
  preferences: {},
}

test('only what differs is given', () => {
  const from: SetUp = { ...plain, groupName: 'Schools', terms: { kind: 'days', days: 14 } }
  expect(setUpAs(from, plain)).toEqual({ groupName: 'Schools', terms: { kind: 'days', days: 14 } })
  expect(setUpAs(plain, { ...plain, terms: { days: 30, kind: 'days' } })).toEqual({})
})

test('how documents go is given, the addresses that they go to are not', () => {
  const from: SetUp = {
    ...plain,
    preferences: {
      invoice: {
        channel: 'both',
        addresses: ['boss@there.example'],
        cc: ['tax@there.example'],
        attach: 'link',
      },
      'credit note': { bcc: ['tax@there.example'] },
    },
  }
  const to: SetUp = {
    ...plain,
    preferences: {
      invoice: { gathered: true, cc: ['own@here.example'] },
      'order confirmation': { channel: 'paper' },
    },
  }
  expect(setUpAs(from, to)).toEqual({
    preferences: { invoice: { channel: 'both', attach: 'link', cc: ['own@here.example'] } },
  })
})

test('it can be given back as it was', () => {
  const from: SetUp = { ...plain, language: 'de', preferences: { invoice: { channel: 'paper' } } }
  const given = setUpAs(from, plain)
  expect(setUpBefore(plain, given)).toEqual({ language: 'en', preferences: {} })
})
