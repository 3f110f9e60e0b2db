import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import ItemDialog from './ItemDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { ItemRow } from '../../contract'

/* What is written of an item is what is saved; what somebody else wrote meanwhile is never lost in silence. */
const calls = vi.hoisted(() => ({ addItem: vi.fn(), changeItem: vi.fn(), fetchItem: vi.fn() }))
vi.mock('../../calls/items', () => calls)
vi.mock('../../composables/useLive', () => ({ useLive: () => undefined }))
vi.mock('../../calls/enclosures', () => ({ fetchEnclosures: () => Promise.resolve({ enclosures: [] }) }))
vi.mock('../../calls/customers', () => ({
  fetchDefaults: () => Promise.resolve({ groups: [] }),
  searchCustomers: () => Promise.resolve({ rows: [] }),
}))
const pinia = createPinia()
const veil: ItemRow = {
  id: 7,
  code: 'VEIL',
  names: { en: 'Veil' },
  unit: '',
  units: {},
  price: '20.00',
  taxCode: 'standard',
  gtin: '',
  weight: '0.20',
  size: '',
  commodityCode: '',
  origin: '',
  place: '',
  category: '',
  fields: {},
  options: [{ name: 'Colour', values: ['natural', 'green'] }],
  pictureAt: '/api/items/7/picture?v=abc',
  prices: [],
  customerCodes: [],
  version: 4,
}
beforeEach(() => {
  setActivePinia(pinia)
  useToasts().forget()
  useSession().house = {
    company: { taxRates: { standard: '23' }, language: 'en', currency: 'EUR' },
    ownFields: [],
  } as never
  for (const call of Object.values(calls)) call.mockReset()
})
async function dialog() {
  const page = mount(ItemDialog, {
    props: { item: veil },
    global: { plugins: [pinia], stubs: openDialogs },
  })
  await flushPromises()
  const save = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, save }
}

test('choices are written with commas between; a line that is empty is none', async () => {
  calls.changeItem.mockResolvedValue({ id: 7 })
  const { page, save } = await dialog()
  const values = '[data-test="item-option-values-1"] input'
  expect((page.get(values).element as HTMLInputElement).value).toBe('natural, green')
  await page.get(values).setValue('natural, olive ,olive')
  await page.get('[data-test="add-item-option"]').trigger('click')
  await save()
  expect(calls.changeItem.mock.calls[0]![1]).toMatchObject({
    version: 4,
    options: [{ name: 'Colour', values: ['natural', 'olive'] }],
  })
})

test('a choice gets its words in another language, value by value, and none where nothing is written', async () => {
  calls.changeItem.mockResolvedValue({ id: 7 })
  const { page, save } = await dialog()
  await page.get('[data-test="item-option-languages-1"]').trigger('click')
  await page.get('[data-test="item-option-1-de"] input').setValue('Farbe')
  await page.get('[data-test="item-option-values-1-de"] input').setValue('natur, grün')
  await save()
  expect(calls.changeItem.mock.calls[0]![1].options).toEqual([
    {
      name: 'Colour',
      values: ['natural', 'green'],
      wordings: { de: { name: 'Farbe', values: ['natur', 'grün'] } },
    },
  ])
})

test('its picture stays where nobody touched it, and goes where it is taken away', async () => {
  calls.changeItem.mockResolvedValue({ id: 7 })
  const first = await dialog()
  expect(first.page.get('[data-test="item-picture"]').attributes('src')).toBe(veil.pictureAt)
  await first.save()
  expect(calls.changeItem.mock.calls[0]![1].picture).toBeUndefined()
  const second = await dialog()
  await second.page.get('[data-test="drop-picture"]').trigger('click')
  await second.save()
  expect(calls.changeItem.mock.calls[1]![1].picture).toBeNull()
})

test('a weight that somebody else wrote stands beside mine, and nothing is called saved', async () => {
  calls.changeItem.mockRejectedValueOnce(new ApiRefusal('changed-meanwhile', 'Changed.', 409, {}))
  calls.fetchItem.mockResolvedValue({ ...veil, weight: '0.35', version: 5 })
  const { page, save } = await dialog()
  await save()
  expect(page.get('[data-test="meanwhile"]').text()).toMatch(/Weight.*0\.35.*0\.20/s)
  expect(useToasts().toasts).toEqual([])
  await page.get('[data-test="take-theirs"]').trigger('click')
  calls.changeItem.mockResolvedValueOnce({ id: 7 })
  await save()
  expect(calls.changeItem.mock.calls[1]![1]).toMatchObject({ version: 5, weight: '0.35' })
  expect(page.emitted('kept')).toHaveLength(1)
})
