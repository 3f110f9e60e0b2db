import { expect, test } from 'vitest'
import { useActing } from './useActing'
import { useAsking } from './useAsking'

test('one question is open at a time, and closing the dialog asks nothing more', () => {
  const { asking, ask } = useAsking<'send' | 'close'>()
  expect(ask.value).toBe(false)
  asking.value = 'send'
  expect(ask.value).toBe(true)
  // a dialog that says once more that it is open changes nothing
  ask.value = true
  expect(asking.value).toBe('send')
  ask.value = false
  expect(asking.value).toBeNull()
})

test('what is refused is said until it is tried again', async () => {
  const { busy, wrong, acting } = useActing()
  const refused = acting(() => Promise.reject(new Error('Somebody was faster.')))
  expect(busy.value).toBe(true)
  expect(await refused).toBe(false)
  expect([busy.value, wrong.value]).toEqual([false, 'Somebody was faster.'])
  const again = acting(async () => {})
  expect(wrong.value).toBe('')
  expect(await again).toBe(true)
})
