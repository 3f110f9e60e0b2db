import { expect, test } from 'vitest'
import { ApiRefusal } from './api'
import { useWrongs } from './useWrongs'

const refusal = (field?: string) => () =>
  Promise.reject(new ApiRefusal('bad-input', 'That is wrong.', 400, field ? { field } : {}))

test('a refusal about a field that the form shows stands there, also deeper in it', async () => {
  const { acting, wrong, wrongs } = useWrongs(['name', 'banks'])
  expect(await acting(refusal('banks.0.iban'))).toBe(false)
  expect([wrongs.value, wrong.value]).toEqual([{ 'banks.0.iban': 'That is wrong.' }, ''])
})

test('any other is said for the whole form, so that none is lost', async () => {
  const { acting, wrong, wrongs } = useWrongs(['name'])
  for (const field of ['namesake', undefined]) {
    await acting(refusal(field))
    expect([wrongs.value, wrong.value]).toEqual([{}, 'That is wrong.'])
  }
})

test('the next try begins clean, and says that it is busy', async () => {
  const { acting, wrong, busy } = useWrongs(['name'])
  await acting(refusal())
  const going = acting(() => Promise.resolve())
  expect([busy.value, wrong.value]).toEqual([true, ''])
  expect(await going).toBe(true)
  expect(busy.value).toBe(false)
})
