import { expect, test } from 'vitest'
import { diskWords } from './health'

test('a disk that is nearly full is said with what is left, and what to do', () => {
  expect(diskWords(123_456_789)).toBe(
    'Only 123 MB are left on the disk of this machine. Make room before it is full: ' +
      'then nothing could be issued or sent.',
  )
})
