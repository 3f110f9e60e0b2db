import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import OrderPreview from './OrderPreview.vue'

const calls = vi.hoisted(() => ({ previewOrder: vi.fn() }))
vi.mock('../../calls/orders', () => calls)
const PdfView = { props: ['bytes'], template: '<div class="pdf">{{ bytes.join() }}</div>' }

type Order = InstanceType<typeof OrderPreview>['$props']['order']
const order = (note: string) =>
  ({ customerId: 1, brandId: 1, customerNote: note, lines: [] }) as unknown as Order
beforeEach(() => {
  vi.useFakeTimers()
  vi.clearAllMocks()
})
afterEach(() => vi.useRealTimers())
const shown = (given: Order) =>
  mount(OrderPreview, { props: { order: given }, global: { stubs: { PdfView } } })
const later = async () => {
  await vi.advanceTimersByTimeAsync(600)
  await flushPromises()
}

test('nothing is asked while there is no customer and no line', async () => {
  const page = shown(undefined)
  await later()
  expect(calls.previewOrder).not.toHaveBeenCalled()
  expect(page.text()).toContain('Choose a customer and write a line')
})

test('it follows a moment after the typing, and asks once for what was typed at a stretch', async () => {
  calls.previewOrder.mockResolvedValue(Uint8Array.of(7))
  const page = shown(undefined)
  for (const note of ['a', 'ab', 'abc']) {
    await page.setProps({ order: order(note) })
    await vi.advanceTimersByTimeAsync(100)
  }
  await later()
  expect(calls.previewOrder.mock.calls).toEqual([[order('abc')]])
  expect(page.get('.pdf').text()).toBe('7')
})

test('what stands in the way is said, and the last picture stays beside it', async () => {
  calls.previewOrder.mockResolvedValueOnce(Uint8Array.of(1))
  const page = shown(order('a'))
  await later()
  calls.previewOrder.mockRejectedValueOnce(new Error('Bluebell has no billing address.'))
  await page.setProps({ order: order('b') })
  await later()
  expect(page.get('[data-test="preview-wrong"]').text()).toBe('Bluebell has no billing address.')
  expect(page.get('.pdf').text()).toBe('1')
})
