import { expect, test } from 'vitest'
import { certificateTold, diskTold } from './health'

test('a disk that is nearly full is said with what is left, and what to do', () => {
  expect(diskTold(123_456_789).words).toBe(
    'Only 123 MB are left on the disk of this machine. Make room before it is full: ' +
      'then nothing could be issued or sent.',
  )
})

test('a certificate that ends within two weeks is said with its day, and one that ended, too', () => {
  const until = new Date('2026-12-10T22:30:00Z')
  const at = (now: string) => certificateTold('Main account', until, new Date(now), 'Europe/Berlin')?.words
  expect(at('2026-11-20T12:00:00Z')).toBeUndefined()
  expect(at('2026-11-27T12:00:00Z')).toBe(
    'The certificate of the mail server of “Main account” ends on 10 Dec 2026; from then on no email could go. ' +
      'Ask whoever runs the server to renew it.',
  )
  expect(at('2026-12-10T22:31:00Z')).toMatch(/ended on 10 Dec 2026/)
})
