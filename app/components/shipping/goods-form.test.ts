import { expect, test } from 'vitest'
import { addressOf, parcelsOf, tidy } from './goods-form'

test('what is written in a form changes nothing of what was read', () => {
  const store = { name: 'Weir Store', lines: ['Weir Road 2'], country: 'IE' }
  const goods = { parcels: [{ box: 'L', weight: '3', contents: [{ position: 1, quantity: '2' }], id: 4 }] }
  addressOf(store).lines[0] = 'Elsewhere'
  const parcels = parcelsOf(goods)
  parcels[0]!.contents[0]!.quantity = '9'
  expect(store.lines).toEqual(['Weir Road 2'])
  expect(goods.parcels[0]!.contents[0]!.quantity).toBe('2')
  expect(parcels[0]).not.toHaveProperty('id')
})

test('where nothing is known there is an empty address, and no parcel', () => {
  expect(addressOf(null)).toEqual({ name: '', lines: [], country: '' })
  expect(parcelsOf(undefined)).toEqual([])
  expect(tidy({ name: 'A', lines: ['', 'Quay 1', ''], country: 'IE' }).lines).toEqual(['Quay 1'])
})
