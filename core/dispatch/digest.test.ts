import { expect, test } from 'vitest'
import { digestEmail, type WentOut } from './digest'

const went: WentOut = {
  number: 'INV-7',
  heading: 'Invoice',
  customer: 'Ottermill',
  sum: '12.50 EUR',
  to: 'a@ottermill.example +1',
  at: '14:05',
  isCopy: false,
  href: 'https://house.example/register?in=7',
}

test('the email of the day names what went, to whom, and where it is seen', () => {
  const { subject, text } = digestEmail('Tansy Hollow', [went], 1)
  expect(subject).toBe('1 document went today: Tansy Hollow')
  expect(text).toContain(
    '14:05  Invoice INV-7, Ottermill, 12.50 EUR, to a@ottermill.example +1\n       https://house.example/register?in=7',
  )
})

test('what was printed, a copy and a packing slip say so; of very many the rest is in the register', () => {
  const slip = { ...went, heading: 'Packing slip', sum: '', to: '', href: '', isCopy: true }
  const { text } = digestEmail('Tansy Hollow', [slip], 301)
  expect(text).toContain('14:05  Packing slip INV-7 (a copy), Ottermill, printed\n')
  expect(text).toContain('And 300 more; the register has them all.')
})
