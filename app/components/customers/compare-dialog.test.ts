import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import CompareDialog from './CompareDialog.vue'
import CheckField from '../fields/CheckField.vue'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { CustomerView } from '../../contract'

const calls = vi.hoisted(() => ({ changeCustomer: vi.fn(), fetchCustomer: vi.fn() }))
vi.mock('../../calls/customers', () => calls)
const core = vi.hoisted(() => ({ setUpAs: vi.fn(), setUpBefore: vi.fn() }))
vi.mock('../../../core/preferences/set-up', () => core)
vi.mock('./compared', () => ({
  comparedRows: () => [
    { what: 'Language', one: 'English', other: 'German', differs: true },
    { what: 'Terms', one: '30 days', other: '30 days', differs: false },
    { what: 'Group', one: '', other: 'Shops', differs: true },
  ],
}))

/** The rest is not asked. */
const customer = (id: number, name: string, version = 2) => ({ id, name, version }) as unknown as CustomerView
async function shown(may = true) {
  const page = mount(CompareDialog, {
    props: { customer: customer(7, 'Ottermill'), may },
    global: { plugins: [signedIn()], stubs: { ...openDialogs, CustomerField: true } },
  })
  page.getComponent({ name: 'CustomerField' }).vm.$emit('update:modelValue', { id: 8 })
  await flushPromises()
  const rows = () => page.findAll('[data-test="compared"]').map((one) => one.get('th').text())
  const go = () => page.get('[data-test="ask-go"]')
  return { page, rows, go }
}
beforeEach(() => {
  calls.changeCustomer.mockReset().mockResolvedValue({})
  calls.fetchCustomer.mockReset().mockResolvedValue(customer(8, 'Cowslip'))
  core.setUpAs.mockReset().mockReturnValue({ language: 'de' })
  core.setUpBefore.mockReset().mockReturnValue({ language: 'en' })
})

describe('two customers beside each other', () => {
  test('show what differs, and all of it where that is wanted', async () => {
    const { page, rows } = await shown()
    expect(rows()).toEqual(['Language', 'Group'])
    page.getComponent(CheckField).vm.$emit('update:modelValue', true)
    await flushPromises()
    expect(rows()).toEqual(['Language', 'Terms', 'Group'])
    expect(page.text()).toContain('–')
  })

  test('are dealt with alike over the version that was read, and that can be undone', async () => {
    const { page, go } = await shown()
    await go().trigger('click')
    await flushPromises()
    expect(calls.changeCustomer).toHaveBeenCalledWith(7, { version: 2, language: 'de' })
    expect(page.emitted('kept')).toHaveLength(1)
    calls.fetchCustomer.mockResolvedValue(customer(7, 'Ottermill', 3))
    await useToasts().toasts.at(-1)!.undo!()
    expect(calls.changeCustomer).toHaveBeenLastCalledWith(7, { version: 3, language: 'en' })
  })

  test('have nothing to take over where they are set up alike', async () => {
    core.setUpAs.mockReturnValue({})
    expect((await shown()).go().attributes('disabled')).toBeDefined()
  })

  test('are only compared by who may not change them', async () => {
    const { rows, go } = await shown(false)
    expect(rows()).toHaveLength(2)
    expect(go().attributes('disabled')).toBeDefined()
  })

  test('stay as they were where somebody changed one meanwhile, which is said', async () => {
    calls.changeCustomer.mockRejectedValueOnce(new Error('Mara changed it.'))
    const { page, go } = await shown()
    await go().trigger('click')
    await flushPromises()
    expect(page.get('p[role="alert"]').text()).toBe('Mara changed it.')
    expect(page.emitted('kept')).toBeUndefined()
    expect(page.emitted('leave')).toBeUndefined()
  })
})
