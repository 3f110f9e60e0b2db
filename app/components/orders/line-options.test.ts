import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { VSelect } from 'vuetify/components'
import OrderLines from './OrderLines.vue'
import { useSession } from '../../stores/session'
import type { LineEdit } from '../../contract'

/* What a buyer chooses of an item is asked at its line, and stands in what the document prints. */
const calls = vi.hoisted(() => ({ findItems: vi.fn(), fetchOptions: vi.fn() }))
vi.mock('../../calls/items', () => calls)
const pinia = createPinia()
const options = [
  { name: 'Colour', values: ['natural', 'green'] },
  { name: 'Size', values: ['S', 'L'] },
]
const line = (change: Partial<LineEdit>): LineEdit => ({
  item: '',
  description: 'Veil',
  detail: null,
  unit: '',
  quantity: '1',
  unitPrice: '20.00',
  discountPercent: '0',
  taxCode: 'standard',
  ...change,
})
beforeEach(() => {
  setActivePinia(pinia)
  useSession().house = { company: { taxRates: { standard: '23' } }, ownFields: [] } as never
  calls.fetchOptions.mockReset().mockResolvedValue({ items: [{ code: 'VEIL', options }] })
})
async function lines(given: LineEdit[]) {
  const page = mount(OrderLines, {
    props: { modelValue: given, disabled: false, currency: 'EUR' },
    global: { plugins: [pinia] },
  })
  await flushPromises()
  const select = (name: string) =>
    page.findAllComponents(VSelect).find((one) => one.attributes('data-test') === `option-${name}`)
  return { page, select, detail: () => given[0]!.detail }
}

test('of lines that are there already the choices are fetched once for all of them', async () => {
  const { select } = await lines([line({ item: 'VEIL' }), line({ item: 'VEIL' }), line({ item: 'SMOKER' })])
  expect(calls.fetchOptions.mock.calls).toEqual([[{ codes: ['VEIL', 'SMOKER'], language: 'en' }]])
  expect(select('Colour')!.props('modelValue')).toBe('')
})

test('a choice is written into the detail beside what stands there, and shown again', async () => {
  const { select, detail, page } = await lines([line({ item: 'VEIL', detail: 'Your no. 88 · Size: L' })])
  expect(select('Size')!.props('modelValue')).toBe('L')
  select('Colour')!.vm.$emit('update:modelValue', 'green')
  await page.vm.$nextTick()
  expect(detail()).toBe('Your no. 88 · Colour: green · Size: L')
  select('Size')!.vm.$emit('update:modelValue', '')
  await page.vm.$nextTick()
  expect(detail()).toBe('Your no. 88 · Colour: green')
})

test('an item without a choice asks nothing', async () => {
  const { select } = await lines([line({ item: 'SMOKER' })])
  expect(select('Colour')).toBeUndefined()
})
