import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
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

  test('is not unsaved from the moment its save is answered, though nothing came back yet', async () => {
    const { saved, form: fields, dirty, save, end } = form()
    fields.value.name = 'Otter '
    await save(async () => {})
    expect(dirty.value).toBe(false)
    saved.value = { version: 2, name: 'Otter' }
    await nextTick()
    expect([fields.value.name, dirty.value]).toEqual(['Otter', false])
    end()
  })

  test('goes on from what its own person changed beside it, and keeps what is being written', async () => {
    const { saved, form: fields, base, beside, end } = form()
    fields.value.name = 'Otter'
    await beside(async () => {})
    saved.value = { version: 2, name: 'Ottermill' }
    await nextTick()
    expect([fields.value.name, base.value.version]).toEqual(['Otter', 2])
    saved.value = { version: 3, name: 'Ottermill Honey' } // somebody else
    await nextTick()
    expect(base.value.version).toBe(2)
    end()
  })

  test('takes over its own save, also what was typed on meanwhile', async () => {
    const { saved, form: fields, base, save, end } = form()
    fields.value.name = 'Otter'
    await save(async () => {
      fields.value.name = 'Otter Honey'
    })
    saved.value = { version: 2, name: 'Otter' }
    await nextTick()
    expect([fields.value.name, base.value.version]).toEqual(['Otter Honey', 2])
    end()
  })

  test('stays as it was written when its save is refused', async () => {
    const { saved, form: fields, base, dirty, save, end } = form()
    fields.value.name = 'Otter'
    await expect(save(() => Promise.reject(new Error('refused')))).rejects.toThrow('refused')
    saved.value = { version: 2, name: 'Ottermill Honey' }
    await nextTick()
    expect([fields.value.name, base.value.version, dirty.value]).toEqual(['Otter', 1, true])
    end()
  })

  test('asks nobody who leaves while it is being saved; who leaves waits for the answer', async () => {
    const { form: fields, save, end } = form()
    fields.value.name = 'Otter'
    let answer = () => {}
    const saving = save(() => new Promise<void>((resolve) => (answer = resolve)))
    const left = mayLeave()
    answer()
    await saving
    expect([await left, useLeaving().what]).toEqual([true, null])
    end()
  })

  test('that is not saved asks before it is left, and not once it is gone', async () => {
    const { form: fields, end } = form()
    expect(await mayLeave()).toBe(true)
    fields.value.name = 'Otter'
    const left = mayLeave()
    await vi.waitFor(() => expect(useLeaving().what).toBe('the customer'), 10_000)
    useLeaving().answer(false)
    expect(await left).toBe(false)
    end()
    expect(await mayLeave()).toBe(true)
  })
})
