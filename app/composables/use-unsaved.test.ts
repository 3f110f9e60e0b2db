import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test } from 'vitest'
import { effectScope, ref, type EffectScope } from 'vue'
import { mayLeave, useLeaving, useUnsaved } from './useUnsaved'

const scopes: EffectScope[] = []
/** A screen with something on it, until the next test. */
function screen(what: string, isDirty = true) {
  const dirty = ref(isDirty)
  const scope = effectScope()
  scopes.push(scope)
  return { dirty, scope, whileSaving: scope.run(() => useUnsaved(dirty, what))! }
}
const settled = () => new Promise((done) => setTimeout(done))

beforeEach(() => {
  setActivePinia(createPinia())
  for (const scope of scopes.splice(0)) scope.stop()
})

describe('leaving a screen', () => {
  test('asks nothing where nothing is unsaved', async () => {
    screen('the order', false)
    expect(await mayLeave()).toBe(true)
    expect(useLeaving().what).toBeNull()
  })

  test('names all that would be lost, and does as is answered', async () => {
    screen('the order')
    screen('the email')
    screen('the note', false)
    const leaving = mayLeave()
    await settled()
    expect(useLeaving().what).toBe('the order, the email')
    useLeaving().answer(false)
    expect(await leaving).toBe(false)
    const again = mayLeave()
    await settled()
    useLeaving().answer(true)
    expect(await again).toBe(true)
    expect(useLeaving().what).toBeNull()
  })

  test('waits for a save that is under way, and asks only where it failed', async () => {
    const { dirty, whileSaving } = screen('the order')
    let done = () => {}
    void whileSaving(() =>
      new Promise<void>((resolve) => (done = resolve)).then(() => void (dirty.value = false)),
    )
    const leaving = mayLeave()
    await settled()
    expect(useLeaving().what).toBeNull()
    done()
    expect(await leaving).toBe(true)

    dirty.value = true
    await whileSaving(() => Promise.reject(new Error('refused'))).catch(() => {})
    const asked = mayLeave()
    await settled()
    expect(useLeaving().what).toBe('the order')
    useLeaving().answer(true)
    await asked
  })

  test('is asked once: who asks again takes the first question back', async () => {
    screen('the order')
    const first = mayLeave()
    await settled()
    const second = mayLeave()
    await settled()
    expect(await first).toBe(false)
    useLeaving().answer(true)
    expect(await second).toBe(true)
  })

  test('forgets a screen that is gone', async () => {
    screen('the order').scope.stop()
    expect(await mayLeave()).toBe(true)
  })

  test('holds the window back where it is closed, and only then', () => {
    const { dirty } = screen('the order')
    const closing = () => {
      const event = new Event('beforeunload', { cancelable: true })
      window.dispatchEvent(event)
      return event.defaultPrevented
    }
    expect(closing()).toBe(true)
    dirty.value = false
    expect(closing()).toBe(false)
  })
})
