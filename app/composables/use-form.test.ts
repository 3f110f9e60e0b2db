import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test } from 'vitest'
import { effectScope, nextTick, shallowRef } from 'vue'
import { useForm } from './useForm'
import { mayLeave, useLeaving } from './useUnsaved'

beforeEach(() => setActivePinia(createPinia()))

/** A form over a customer that others may change meanwhile. */
function form() {
  const saved = shallowRef({ version: 1, name: 'Ottermill' })
  const scope = effectScope()
  const made = scope.run(() =>
    useForm(
      () => saved.value,
      ({ name }) => ({ name }),
      'the customer',
    ),
  )!
  return { saved, ...made, end: () => scope.stop() }
}

describe('a form', () => {
  test('follows what is saved while nobody writes', async () => {
    const { saved, form: fields, dirty, end } = form()
    saved.value = { version: 2, name: 'Ottermill Honey' }
    await nextTick()
    expect([fields.value.name, dirty.value]).toEqual(['Ottermill Honey', false])
    end()
  })

  test('keeps what is being written, and the version it began from, when somebody else saves', async () => {
    const { saved, form: fields, base, dirty, end } = form()
    fields.value.name = 'Otter'
    saved.value = { version: 2, name: 'Ottermill Honey' }
    await nextTick()
    expect([fields.value.name, base.value.version, dirty.value]).toEqual(['Otter', 1, true])
    end()
  })

  test('takes over its own save, also what was typed on meanwhile', async () => {
    const { saved, form: fields, base, kept, end } = form()
    fields.value.name = 'Otter'
    kept()
    fields.value.name = 'Otter Honey'
    saved.value = { version: 2, name: 'Otter' }
    await nextTick()
    expect([fields.value.name, base.value.version]).toEqual(['Otter Honey', 2])
    end()
  })

  test('that is not saved asks before it is left, and not once it is gone', async () => {
    const { form: fields, end } = form()
    expect(await mayLeave()).toBe(true)
    fields.value.name = 'Otter'
    const left = mayLeave()
    expect(useLeaving().what).toBe('the customer')
    useLeaving().answer(false)
    expect(await left).toBe(false)
    end()
    expect(await mayLeave()).toBe(true)
  })
})
