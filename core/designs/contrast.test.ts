import { expect, test } from 'vitest'
import { contrastWithWhite, paleHeadings } from './contrast'

test('contrast by WCAG 2.2: black on white is 21, white on white 1, the well-known grey just passes', () => {
  expect(contrastWithWhite('#000000')).toBeCloseTo(21)
  expect(contrastWithWhite('#ffffff')).toBeCloseTo(1)
  expect(contrastWithWhite('#767676')).toBeGreaterThanOrEqual(4.5)
  expect(contrastWithWhite('#777777')).toBeLessThan(4.5)
})

test('a pale brand colour is said, in the words of its design; a readable one is not', () => {
  expect(paleHeadings('#f4d35e', 'bold')?.words).toBe(
    'White letters on this brand colour are hard to read: the contrast is 1.5, and 3 is the least. ' +
      'Take a darker one.',
  )
  expect(paleHeadings('#f4d35e', 'plain')?.words).toContain('Headings in this brand colour')
  expect(paleHeadings('#8a5a00', 'plain')).toBeNull()
})
