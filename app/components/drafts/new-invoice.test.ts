import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { useSession } from '../../stores/session'
import NewInvoice from './NewInvoice.vue'

const calls = vi.hoisted(() => ({
  answerBrands: (_: { id: number; name: string }[]) => {},
  beginInvoice: vi.fn(async () => ({ draftId: 1 })),
}))
vi.mock('../../calls/brands', () => ({
  fetchBrands: () => new Promise((resolve) => (calls.answerBrands = resolve)),
}))
vi.mock('../../calls/customers', () => ({
  searchCustomers: async () => ({ rows: [{ id: 18, number: '10418', name: 'St Brannoc', currency: 'EUR' }] }),
}))
vi.mock('../../calls/drafts', () => ({ beginInvoice: calls.beginInvoice }))

test('an invoice is not begun before its brand is known, however fast one types and presses Enter', async () => {
  const dialog = mount(NewInvoice, { props: { modelValue: true }, attachTo: document.body })
  useSession().may = () => true
  const field = () => document.querySelector<HTMLInputElement>('[data-test="customer-search"] input')!
  const press = async () => {
    field().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    await flushPromises()
  }
  await flushPromises()
  field().value = 'brannoc'
  field().dispatchEvent(new Event('input'))
  await vi.waitFor(
    () => expect(document.querySelector<HTMLInputElement>('[type="radio"]')?.checked).toBe(true),
    10_000,
  )
  await press()
  expect(calls.beginInvoice).not.toHaveBeenCalled()
  calls.answerBrands([{ id: 1, name: 'Tansy Hollow' }])
  await flushPromises()
  await press()
  expect(calls.beginInvoice).toHaveBeenCalledTimes(1)
  dialog.unmount()
})
