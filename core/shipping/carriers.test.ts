import { describe, expect, test } from 'vitest'
import { chosenService, misfitOfAll, offersFor, type HouseService, type ServiceRule } from './carriers'
import { inWords } from '../testing/in-words'

const service = (change: Partial<HouseService>): HouseService => ({
  carrierId: 3,
  carrier: 'Glenhaven Parcels',
  code: 'next-day',
  name: 'Next day',
  countries: [],
  mostWeight: '30',
  mostLength: 1200,
  mostGirth: 3000,
  prices: [
    { upTo: '5', price: '6.40' },
    { upTo: '30', price: '11.10' },
  ],
  currency: 'EUR',
  ...change,
})
const nextDay = service({})
const economy = service({
  code: 'economy',
  name: 'Economy',
  countries: ['IE'],
  mostWeight: '20',
  prices: [{ upTo: '20', price: '5.05' }],
})
const box = { length: 400, width: 300, height: 250 }
const light = { weight: '4.2', size: box }

describe('what services cost', () => {
  test('is the sum over all parcels, the cheapest first', () => {
    expect(offersFor([nextDay, economy], 'IE', [light, { weight: '5.001', size: box }])).toMatchObject([
      { code: 'economy', price: '10.1', isCheapest: true },
      { code: 'next-day', price: '17.5', isCheapest: false },
    ])
  })

  test.each([
    ['another country', 'FR', light, 'country'],
    ['a gram too heavy', 'IE', { weight: '20.001', size: box }, 'weight'],
    ['too long', 'IE', { weight: '1', size: { length: 50, width: 1201, height: 50 } }, 'size'],
    ['too thick around', 'IE', { weight: '1', size: { length: 1000, width: 600, height: 401 } }, 'size'],
    ['not weighed', 'IE', { weight: null, size: box }, 'not weighed'],
  ] as const)('is not said for %s', (_, country, parcel, misfit) => {
    const offers = offersFor([economy], country, [light, parcel])
    expect(offers).toEqual([
      {
        carrierId: 3,
        carrier: 'Glenhaven Parcels',
        code: 'economy',
        name: 'Economy',
        currency: 'EUR',
        price: null,
        misfit,
        isCheapest: false,
      },
    ])
  })

  test('is not said above the heaviest price, and at a bound is that of the bound', () => {
    const upToTen = service({ prices: [{ upTo: '10', price: '7' }] })
    expect(offersFor([upToTen], 'IE', [{ weight: '10', size: null }])[0]!.price).toBe('7')
    expect(offersFor([upToTen], 'IE', [{ weight: '10.01', size: null }])[0]!.misfit).toBe('price')
  })
})

test('what no service takes is said in one word where they all say the same', () => {
  const heavy = { weight: '31', size: box }
  expect(misfitOfAll([nextDay, economy], 'IE', heavy)).toBe('weight')
  expect(misfitOfAll([nextDay, economy], 'FR', heavy)).toBe('no service')
  expect(misfitOfAll([], 'IE', light)).toBe('no service')
})

describe('the service of a shipment', () => {
  const rule = (change: Partial<ServiceRule>): ServiceRule => ({
    service: 'next-day',
    countries: [],
    customers: [],
    overWeight: '',
    overTotal: '',
    ...change,
  })
  const services = [nextDay, economy]
  const one = { country: 'IE', customer: '10417', weight: '4.2', total: '300.00' }
  const offers = offersFor(services, 'IE', [light])
  const chosen = (named: string, rules: ServiceRule[]) =>
    inWords(chosenService(named, rules, one, services, offers))

  test('stands at it, by name or code, before every rule', () => {
    expect(chosen(' next DAY', [rule({ service: 'economy' })])).toEqual({
      carrierId: 3,
      carrier: 'Glenhaven Parcels',
      code: 'next-day',
      name: 'Next day',
      source: 'at the shipment',
    })
    expect(chosen('economy', [])).toMatchObject({ code: 'economy' })
    expect(chosen('Glenhaven Parcels, next day', [])).toMatchObject({ code: 'next-day' })
  })

  test('is another way to ship where the carrier has none of that name', () => {
    expect(chosen('Our own van', [rule({})])).toEqual({
      carrierId: null,
      name: 'Our own van',
      source: 'at the shipment',
    })
  })

  test('is that of the first rule of which everything holds', () => {
    const rules = [
      rule({ countries: ['DE'] }),
      rule({ customers: ['10999'] }),
      rule({ overWeight: '4.2' }),
      rule({ overTotal: '299.99' }),
    ]
    expect(chosen('', rules)).toMatchObject({ code: 'next-day', source: 'by rule 4' })
  })

  test('is else the cheapest that takes it, and none where nothing does', () => {
    expect(chosen('', [])).toMatchObject({ code: 'economy', source: 'the cheapest that takes it' })
    expect(chosen('', [rule({ service: 'a service that is gone' })])).toMatchObject({ code: 'economy' })
    expect(chosenService('', [], one, [economy], offersFor([economy], 'FR', [light]))).toBeUndefined()
  })
})
