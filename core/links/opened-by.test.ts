import { expect, test } from 'vitest'
import { openedBy } from './opened-by'

const handedOverAt = new Date('2026-11-24T09:00:00Z')
const after = (seconds: number) => new Date(handedOverAt.getTime() + seconds * 1000)
const reader = 'Mozilla/5.0 (X11; Linux x86_64) Gecko/20100101'

test.each([
  ['a reader, minutes later', reader, 300, 'person'],
  ['a reader after ten seconds', reader, 10, 'person'],
  ['before anybody could have read it', reader, 2, 'machine'],
  ['a server that fetches pictures for its users', 'Mozilla/5.0 (via image proxy)', 300, 'machine'],
  ['a program that looks for harm', 'LinkScan/2.1', 300, 'machine'],
  ['what does not say what it is', ' ', 300, 'machine'],
] as const)('%s', (_, agent, seconds, by) =>
  expect(openedBy({ agent, at: after(seconds), handedOverAt })).toBe(by),
)

test('what has not left was read by nobody', () =>
  expect(openedBy({ agent: reader, at: after(300), handedOverAt: null })).toBe('machine'))
