import { expect, test } from 'vitest'
import { zoneOf, zoneTexts } from './zone'

test('a place on a sheet is written in millimetres, with a point or a comma', () => {
  expect(zoneOf({ x: '12,5', y: '20.25', width: ' 90 ', height: '55' })).toEqual({
    x: 12.5,
    y: 20.25,
    width: 90,
    height: 55,
  })
  const zone = { x: 12.5, y: 20, width: 90, height: 55 }
  expect(zoneOf(zoneTexts(zone))).toEqual(zone)
})

test('what is no number is left to the server, which says so at the field', () => {
  expect(zoneOf({ x: 'left', y: '1', width: '1', height: '1' }).x).toBeNaN()
})
