import { expect, test } from 'vitest'
import { countryNames, countryOf } from './countries'

test('a country is known by its letters and its name in three languages, and kept by one name', () => {
  for (const words of ['DE', 'de', 'Germany', 'Deutschland', 'Allemagne', ' germany '])
    expect(countryOf(words)).toBe('Germany')
  expect(countryOf('UK')).toBe('United Kingdom')
  expect(countryOf("cote d'ivoire")).toBe('Côte d’Ivoire')
  expect(countryOf('Bosnia and Herzegovina')).toBe('Bosnia & Herzegovina')
  expect(countryOf('Österreich')).toBe('Austria')
})

test('what is no country is none, and each name that is offered is its own', () => {
  for (const words of ['', 'Grmany', 'ZZ', 'XX', 'Europe']) expect(countryOf(words)).toBeUndefined()
  expect(new Set(countryNames).size).toBe(countryNames.length)
  for (const name of countryNames) expect(countryOf(name)).toBe(name)
})
