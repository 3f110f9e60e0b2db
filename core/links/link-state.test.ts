import { expect, test } from 'vitest'
import { isCode, linkState } from './link-state'

const link = { until: '2026-12-24', ended: false, voided: false, opened: 0, mostOpened: null }

test('a link is good on its last day, and over on the next', () => {
  expect(linkState(link, '2026-12-24')).toBe('good')
  expect(linkState(link, '2026-12-25')).toBe('over')
})

test('what was ended stays ended, and a voided document is given by no link', () => {
  expect(linkState({ ...link, ended: true }, '2026-12-01')).toBe('ended')
  expect(linkState({ ...link, ended: true, voided: true }, '2026-12-01')).toBe('withdrawn')
})

test('a link of so many downloads gives no more, until somebody allows more', () => {
  expect(linkState({ ...link, opened: 99 }, '2026-12-01')).toBe('good')
  expect(linkState({ ...link, opened: 2, mostOpened: 3 }, '2026-12-01')).toBe('good')
  expect(linkState({ ...link, opened: 3, mostOpened: 3 }, '2026-12-01')).toBe('used up')
  expect(linkState({ ...link, opened: 3, mostOpened: 6 }, '2026-12-01')).toBe('good')
})

test('a code is known however it is spaced', () => {
  expect(isCode(' 48-17 K ', '4817k')).toBe(true)
  expect(isCode('4817', '4817k')).toBe(false)
  expect(isCode('', '4817k')).toBe(false)
  expect(isCode('', '--')).toBe(false)
})
