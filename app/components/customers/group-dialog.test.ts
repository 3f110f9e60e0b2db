import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import GroupDialog from './GroupDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'

/* Two people at one group: also what stands in no text field is laid side by side, in words. */
const calls = vi.hoisted(() => ({
  fetchDefaults: vi.fn(),
  addGroup: vi.fn(),
  changeGroup: vi.fn(),
  dropGroup: vi.fn(),
}))
vi.mock('../../calls/customers', () => calls)
const pinia = createPinia()
const schools = {
  id: 3,
  name: 'Schools',
  language: null,
  currency: null,
  terms: null,
  taxTreatment: null,
  pricesIncludeTax: null,
  preferences: {},
  version: 1,
  customers: 12,
}
beforeEach(() => {
  setActivePinia(pinia)
  useToasts().forget()
  useSession().house = { company: { contactRoles: [], kindsOff: [] }, variants: [] } as never
  for (const call of Object.values(calls)) call.mockReset()
})

test('terms, prices and delivery that somebody changed are said in words, and nothing is called saved', async () => {
  calls.changeGroup.mockRejectedValueOnce(new ApiRefusal('changed-meanwhile', 'Changed.', 409, {}))
  calls.fetchDefaults.mockResolvedValue({
    groups: [
      {
        ...schools,
        terms: { kind: 'days', days: 45 },
        pricesIncludeTax: true,
        preferences: { invoice: { channel: 'paper' } },
        version: 2,
      },
    ],
  })
  const page = mount(GroupDialog, {
    props: { group: schools as never, house: {} },
    global: { plugins: [pinia], stubs: openDialogs },
  })
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  const words = page.get('[data-test="meanwhile"]').text()
  expect(words).toContain('45 days')
  expect(words).toContain('as the company')
  expect(words).toContain('with VAT')
  expect(words).toMatch(/invoices: .*(print|paper)/)
  expect(words).not.toMatch(/[{}]|null|undefined/)
  expect(useToasts().toasts).toEqual([])
  expect(page.emitted('kept')).toBeUndefined()
})
