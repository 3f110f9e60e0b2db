import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import ContactsDialog from './ContactsDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'

/* Two people mend the contacts of one customer: no address is lost, and nothing is said to be saved that is not. */
const calls = vi.hoisted(() => ({ fetchCustomer: vi.fn(), changeContacts: vi.fn() }))
vi.mock('../../calls/customers', () => calls)
const pinia = createPinia()
const nuala = { name: 'Nuala', email: 'nuala@otter.example', role: 'billing' }
const piers = { name: 'Piers', email: 'piers@otter.example', role: 'buying' }
const customer = (version: number, contacts: object[]) => ({ id: 7, name: 'Ottermill', version, contacts })
beforeEach(() => {
  setActivePinia(pinia)
  useSession().house = { company: { contactRoles: ['billing', 'buying'] } } as never
  useToasts().forget()
  calls.changeContacts.mockReset()
})
async function opened() {
  calls.fetchCustomer.mockResolvedValueOnce(customer(1, [nuala]))
  const page = mount(ContactsDialog, {
    props: { modelValue: true, customerId: 7 },
    global: { plugins: [pinia], stubs: openDialogs },
  })
  await flushPromises()
  return page
}
const conflict = new ApiRefusal('changed-meanwhile', 'Somebody changed Ottermill meanwhile.', 409, {})

test('what the other wrote stands beside mine, and nothing is saved before one chooses', async () => {
  const page = await opened()
  await page.get('[data-test="contact-email-1"] input').setValue('accounts@otter.example')
  calls.changeContacts.mockRejectedValueOnce(conflict)
  calls.fetchCustomer.mockResolvedValueOnce(customer(2, [nuala, piers]))
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(page.text()).toContain('piers@otter.example')
  expect(page.text()).toContain('accounts@otter.example')
  expect(useToasts().toasts).toEqual([])
  expect(page.emitted('kept')).toBeUndefined()

  await page.get('[data-test="take-theirs"]').trigger('click')
  calls.changeContacts.mockResolvedValueOnce({})
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.changeContacts).toHaveBeenLastCalledWith(7, { version: 2, contacts: [nuala, piers] })
  expect(page.emitted('kept')).toHaveLength(1)
})

test('where the other changed something else of the customer, mine is saved over the newer version', async () => {
  const page = await opened()
  await page.get('[data-test="contact-email-1"] input').setValue('accounts@otter.example')
  calls.changeContacts.mockRejectedValueOnce(conflict).mockResolvedValueOnce({})
  calls.fetchCustomer.mockResolvedValueOnce(customer(5, [nuala]))
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.changeContacts.mock.calls.map(([, body]) => body.version)).toEqual([1, 5])
  expect(useToasts().toasts).toHaveLength(1)
})
