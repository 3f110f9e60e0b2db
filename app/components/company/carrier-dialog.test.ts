import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import CarrierDialog from './CarrierDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { CarrierView } from '../../contract'

const calls = vi.hoisted(() => ({ addCarrier: vi.fn(), changeCarrier: vi.fn() }))
vi.mock('../../calls/carriers', () => calls)

const mapping = {
  headers: {},
  book: { method: 'POST', path: '/labels', body: {} },
  answer: {
    tracking: '/number',
    trackingUrl: '/page',
    barcode: '/number',
    price: '/price',
    currency: '/currency',
    label: '/label',
  },
  find: null,
  cancel: null,
  track: null,
  failures: { at: '', mean: {} },
  ways: {},
}
const carrier = (change: object = {}) =>
  ({
    id: 3,
    name: 'Weir Freight',
    kind: 'http',
    address: 'https://api.weir.example',
    inside: false,
    mapping,
    services: [],
    servicesAt: null,
    hasKey: true,
    downSince: null,
    version: 6,
    ...change,
  }) as unknown as CarrierView // the rest is not asked
function shown(of?: CarrierView) {
  const page = mount(CarrierDialog, {
    props: { carrier: of },
    global: { plugins: [signedIn('supervisor')], stubs: openDialogs },
  })
  const field = (name: string) =>
    page.get<HTMLInputElement>(
      `[data-test="carrier-${name}"] input, [data-test="carrier-${name}"] textarea:not([aria-hidden])`,
    )
  const keep = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, field, keep }
}
beforeEach(() => {
  calls.addCarrier.mockReset().mockResolvedValue({ id: 4 })
  calls.changeCarrier.mockReset().mockResolvedValue({})
})

describe('a carrier in Settings', () => {
  test('keeps its key where none is written, and shows none', async () => {
    const { field, keep } = shown(carrier())
    expect(field('key').element.value).toBe('')
    await field('name').setValue('Weir Freight Ltd')
    await keep()
    const [id, body] = calls.changeCarrier.mock.calls[0]!
    expect(id).toBe(3)
    expect(body).toMatchObject({ name: 'Weir Freight Ltd', version: 6 })
    expect(body).not.toHaveProperty('key')
  })

  test('a new key is sent, and nothing else of a mapped carrier is lost', async () => {
    const { field, keep } = shown(carrier())
    await field('key').setValue('new key')
    await keep()
    expect(calls.changeCarrier.mock.calls[0]![1]).toMatchObject({ key: 'new key', mapping })
  })

  test('a mapping that is no JSON is said, and nothing is kept', async () => {
    const { page, field, keep } = shown(carrier())
    await field('mapping').setValue('{ "book": ')
    await keep()
    expect(calls.changeCarrier).not.toHaveBeenCalled()
    expect(page.find('.notice.stuck').exists()).toBe(true)
  })

  test('a pasted answer shows what would be read from it, before anything is bought', async () => {
    const { page, field } = shown(carrier())
    const said = () => page.get('.notice[role="status"]')
    await field('sample').setValue('{"number": "WF1", "page": "", "price": "7.20", "currency": "EUR"}')
    expect(said().classes()).toContain('go')
    for (const words of ['WF1', '7.20 EUR']) expect(said().text()).toContain(words)
    await field('sample').setValue('{"nothing": true}')
    expect(said().classes()).toContain('stuck')
    await field('sample').setValue('not JSON')
    expect(said().classes()).toContain('stuck')
  })

  test('what the house refuses is said at its field, wherever in it', async () => {
    calls.changeCarrier.mockRejectedValueOnce(
      new ApiRefusal('bad-mapping', 'The field {weight} is missing.', 400, { field: 'mapping.book.body' }),
    )
    const { page, keep } = shown(carrier())
    await keep()
    expect(page.get('[data-test="carrier-mapping"]').text()).toContain('The field {weight} is missing.')
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('a new one is added', async () => {
    const { page, field, keep } = shown()
    await field('name').setValue('Glenhaven Parcels')
    await field('address').setValue('https://glenhaven.example')
    page
      .findAllComponents({ name: 'SelectField' })
      .find((one) => one.vm.$attrs['data-test'] === 'carrier-kind')!
      .vm.$emit('update:modelValue', 'simulated')
    await flushPromises()
    expect(page.find('[data-test="carrier-mapping"]').exists()).toBe(false)
    await keep()
    expect(calls.addCarrier.mock.calls[0]![0]).toMatchObject({ name: 'Glenhaven Parcels', kind: 'simulated' })
    expect(page.emitted('kept')).toHaveLength(1)
  })
})
