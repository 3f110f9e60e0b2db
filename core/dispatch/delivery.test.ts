import { describe, expect, test } from 'vitest'
import { deliveryOf, type DeliveryQuestion } from './delivery'

const ask = (change: Partial<DeliveryQuestion> = {}) =>
  deliveryOf({
    role: 'billing',
    contacts: [
      { name: 'Nora', email: 'nora@house.example', role: 'billing' },
      { name: 'Ben', email: 'ben@house.example', role: 'buying' },
    ],
    ...change,
  })
const addresses = (change: Partial<DeliveryQuestion>) => ask(change).recipients.map((one) => one.address)

describe('how a document goes', () => {
  test('by email to the contact in the asked role, where nothing is said', () => {
    expect(ask()).toMatchObject({ channel: 'email', channels: ['email'], lacks: null })
    expect(addresses({})).toEqual(['nora@house.example'])
  })

  test.each([
    ['paper', ['paper']],
    ['both', ['email', 'paper']],
    ['nothing', []],
  ] as const)('as the customer wants it: %s', (channel, channels) => {
    expect(ask({ preference: { channel } })).toMatchObject({ channel, channels })
  })

  test('to nobody on paper, although there is a contact', () => {
    expect(addresses({ preference: { channel: 'paper' } })).toEqual([])
  })

  test('says which contact is missing, and only where an email is to go', () => {
    expect(ask({ contacts: [] }).lacks).toBe('billing')
    expect(ask({ contacts: [], preference: { to: 'goods-in' } }).lacks).toBe('goods-in')
    expect(ask({ contacts: [], preference: { channel: 'paper' } }).lacks).toBeNull()
  })

  test('with further copies of this sending, each address once, and none where there is nobody to write to', () => {
    const alsoTo = { cc: ['Nora@house.example', 'till@house.example'], bcc: ['audit@house.example'] }
    expect(ask({ alsoTo }).recipients.map(({ as, address }) => `${as} ${address}`)).toEqual([
      'To nora@house.example',
      'CC till@house.example',
      'BCC audit@house.example',
    ])
    expect(ask({ alsoTo, contacts: [] }).recipients).toEqual([])
    expect(ask({ alsoTo, preference: { channel: 'paper' } }).recipients).toEqual([])
  })

  test('to whom a person chose for this once, even where none is wanted by email', () => {
    expect(
      ask({ toAddresses: ['ben@house.example', 'new@house.example'], preference: { channel: 'paper' } }),
    ).toMatchObject({
      channels: ['email', 'paper'],
      lacks: null,
      recipients: [
        { name: 'Ben', address: 'ben@house.example', as: 'To' },
        { name: '', address: 'new@house.example', as: 'To' },
      ],
    })
  })
})
