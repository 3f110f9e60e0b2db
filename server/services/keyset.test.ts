import { expect, test } from 'vitest'
import { keyset, likeText, paged } from './keyset'

test('a page knows where the next begins, and the last that there is none', () => {
  const rows = [1, 2, 3].map((id) => ({ id, sortKey: `k${id}` }))
  const page = paged(rows, 2)
  expect(page.rows).toEqual([{ id: 1 }, { id: 2 }])
  const parameters: unknown[] = ['kept']
  const next = keyset({ key: 'o.date', type: 'date', descending: true }, 'o.id', page.after!, parameters)
  expect(next).toEqual({ where: '(o.date, o.id) < ($2::date, $3::int)', order: 'o.date desc, o.id desc' })
  expect(parameters).toEqual(['kept', 'k2', 2])
  expect(paged(rows, 3).after).toBeNull()
})

test('a forged place is refused', () => {
  for (const bad of [
    'x',
    Buffer.from('{}').toString('base64url'),
    Buffer.from('["a","b"]').toString('base64url'),
  ]) {
    expect(() => keyset({ key: 'k', type: 'text', descending: false }, 'id', bad, [])).toThrow(
      'Load the list again',
    )
  }
})

test('what people search for is text, not a pattern', () => {
  expect(likeText(' 50%_Off\\ ')).toBe('%50\\%\\_off\\\\%')
})
