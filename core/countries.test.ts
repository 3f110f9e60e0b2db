import { expect, test } from 'vitest'
import { countryName, countryNames, countryOf } from './countries'

test('a country is known by its letters and its name in three languages, and kept by its letters', () => {
  for (const words of ['DE', 'de', 'Germany', 'Deutschland', 'Allemagne', ' germany '])
    expect(countryOf(words)).toBe('DE')
  expect(countryOf('UK')).toBe('GB')
  expect(countryOf("cote d'ivoire")).toBe('CI')
  expect(countryOf('Bosnia and Herzegovina')).toBe('BA')
  expect(countryOf('Österreich')).toBe('AT')
  expect([countryName('AT'), countryName('AT', 'de'), countryName('AT', 'fr'), countryName('')]).toEqual([
    'Austria',
    'Österreich',
    'Autriche',
    '',
  ])
})

test('what is no country is none, and each name that is offered is its own', () => {
  for (const words of ['', 'Grmany', 'ZZ', 'XX', 'Europe']) expect(countryOf(words)).toBeUndefined()
  expect(new Set(countryNames).size).toBe(countryNames.length)
  for (const name of countryNames) expect(countryName(countryOf(name)!)).toBe(name)
})
