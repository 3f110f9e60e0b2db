import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import Finder from './Finder.vue'
import { openDialogs } from '../../testing/dialog'

/* Enter opens what the words that stand there find, however fast they were typed. */
const searchOrders = vi.hoisted(() => vi.fn())
vi.mock('../../calls/orders', () => ({ searchOrders }))
vi.mock('../../calls/documents', () => ({ searchDocuments: () => Promise.resolve({ rows: [] }) }))
vi.mock('../../calls/customers', () => ({ searchCustomers: () => Promise.resolve({ rows: [] }) }))
const navigateTo = vi.fn()
vi.stubGlobal('navigateTo', navigateTo)

/** Answers are given by hand, in any order. */
let answers: Record<string, () => void>
beforeEach(() => {
  vi.useFakeTimers()
  navigateTo.mockClear()
  answers = {}
  searchOrders.mockImplementation(
    ({ search }: { search: string }) =>
      new Promise((resolve) => {
        answers[search] = () =>
          resolve({ rows: [{ id: search.length, number: `SO-${search}`, customerName: 'Abbeyvale' }] })
      }),
  )
})
async function finder() {
  const page = mount(Finder, { props: { modelValue: true }, global: { stubs: openDialogs } })
  const type = async (text: string) => {
    await page.get('input').setValue(text)
    await vi.advanceTimersByTimeAsync(200)
  }
  const answer = async (text: string) => {
    answers[text]!()
    await flushPromises()
  }
  const enter = () => page.get('input').trigger('keydown', { key: 'Enter' })
  return { page, type, answer, enter }
}

test('Enter before the answer opens what the whole words find', async () => {
  const { page, type, answer, enter } = await finder()
  await type('4711')
  await answer('4711')
  await page.get('input').setValue('4711-2')
  await enter() // before its search has even begun
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
  expect(navigateTo).not.toHaveBeenCalled()
  await answer('4711-2')
  expect(navigateTo.mock.calls).toEqual([['/orders/6']])
})

test('an answer to fewer letters that comes late changes nothing', async () => {
  const { page, type, answer } = await finder()
  await type('47')
  const late = answers['47']!
  await type('4711')
  await answer('4711')
  late()
  await flushPromises()
  expect(page.get('li.at').text()).toContain('SO-4711')
})
