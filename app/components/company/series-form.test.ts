import { expect, test } from 'vitest'
import { freshSeries, seriesForm, seriesOf, wrongOf } from './series-form'

const fresh = freshSeries('invoice', 3)

test('a series is read from its fields as it was written into them', () => {
  const { suffix, length, restart, businessYearStart, source } = fresh
  const written = seriesOf(seriesForm({ ...fresh, prefix: 'TH-{YYYY}-', start: 1041 }))
  expect(written).toEqual({
    prefix: 'TH-{YYYY}-',
    suffix,
    length,
    start: 1041,
    restart,
    businessYearStart,
    source,
  })
})

test.each([
  ['length', { length: 'five' }],
  ['length', { length: '0' }],
  ['start', { start: '-3' }],
  ['start', { start: '' }],
])('what is wrong is said at its field: %s', (field, typed) => {
  const { field: at, words } = wrongOf(seriesOf({ ...seriesForm(fresh), prefix: 'TH-', ...typed }))
  expect(at).toBe(field)
  expect(words).not.toBe('')
})
