import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import BrandEnd from './BrandEnd.vue'
import KindsList from './KindsList.vue'
import StatusSteps from './StatusSteps.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { BrandView, KindView } from '../../contract'

const calls = vi.hoisted(() => ({
  fetchKinds: vi.fn(),
  switchKind: vi.fn(),
  fetchBrandUses: vi.fn(),
  retireBrand: vi.fn(),
}))
vi.mock('../../calls/house', () => calls)
vi.mock('../../calls/brands', () => calls)
vi.mock('../../composables/useLive', () => ({ useLive: () => {} }))

const pinia = createPinia()
const global = { plugins: [pinia], stubs: openDialogs }
beforeEach(() => {
  setActivePinia(pinia)
  vi.clearAllMocks()
  useSession().user = { id: 1, name: 'Maeve', email: 'm@house.example', role: 'supervisor' }
  vi.spyOn(useSession(), 'load').mockResolvedValue()
})

describe('kinds of document', () => {
  const kind = (change: Partial<KindView> = {}): KindView => ({
    kind: 'invoice',
    on: true,
    routines: ['Invoice when shipped'],
    waiting: 13,
    ...change,
  })
  async function list(...kinds: KindView[]) {
    calls.fetchKinds.mockResolvedValue(kinds)
    const page = mount(KindsList, { global })
    await flushPromises()
    return page
  }

  test('say what rests on them, and ask before one is switched off', async () => {
    const page = await list(kind())
    expect(page.text()).toContain('13 waiting, 1 routine')
    await page.get('[data-test="switch-invoice"]').trigger('click')
    expect(calls.switchKind).not.toHaveBeenCalled()
    expect(page.text()).toContain('13 of them are waiting in To send or To check: they stay')
    expect(page.text()).toContain('This routine makes nothing any more: Invoice when shipped')
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(calls.switchKind).toHaveBeenCalledWith({ kind: 'invoice', on: false })
    expect(useToasts().fresh?.words).toBe('Invoices are switched off.')
  })

  test('are switched on without a question', async () => {
    const page = await list(kind({ on: false, routines: [], waiting: 0 }))
    await page.get('[data-test="switch-invoice"]').trigger('click')
    await flushPromises()
    expect(calls.switchKind).toHaveBeenCalledWith({ kind: 'invoice', on: true })
  })

  test('can only be looked at by who is no supervisor', async () => {
    useSession().user = { id: 2, name: 'Col', email: 'c@house.example', role: 'clerk' }
    expect((await list(kind())).find('[data-test="switch-invoice"]').exists()).toBe(false)
  })
})

describe('a brand', () => {
  const brand = { id: 7, name: 'Little Skep', version: 3, retired: false } as BrandView
  const uses = { openOrders: 2, waiting: 0, routines: ['Shop receipts'], people: ['Bo Ashgrove'] }

  test('is retired once it is said what still uses it', async () => {
    calls.fetchBrandUses.mockResolvedValue(uses)
    const page = mount(BrandEnd, { props: { brand }, global })
    await page.get('[data-test="retire-brand"]').trigger('click')
    await flushPromises()
    expect(page.findAll('[data-test="brand-uses"] li').map((one) => one.text())).toEqual([
      '2 orders without an invoice',
      '1 routine for it alone: Shop receipts',
      'working for it alone: Bo Ashgrove',
    ])
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(calls.retireBrand).toHaveBeenCalledWith(7, { version: 3, retired: true })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('that nothing uses says so; a refusal stays in the question', async () => {
    calls.fetchBrandUses.mockResolvedValue({ openOrders: 0, waiting: 0, routines: [], people: [] })
    calls.retireBrand.mockRejectedValue(new Error('Little Skep is the only brand in use.'))
    const page = mount(BrandEnd, { props: { brand }, global })
    await page.get('[data-test="retire-brand"]').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('Nothing uses it now.')
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(page.get('[role="alert"]').text()).toBe('Little Skep is the only brand in use.')
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('that is retired is taken into use again at once', async () => {
    calls.retireBrand.mockResolvedValue({ ok: true })
    const page = mount(BrandEnd, { props: { brand: { ...brand, retired: true } }, global })
    await page.get('[data-test="use-again"]').trigger('click')
    await flushPromises()
    expect(calls.retireBrand).toHaveBeenCalledWith(7, { version: 3, retired: false })
  })
})

describe('which status may follow which', () => {
  const VSelect = {
    name: 'VSelect',
    props: ['modelValue', 'items'],
    emits: ['update:modelValue'],
    template: '<i>{{ items.join() }}</i>',
  }
  const steps = (modelValue: Record<string, string[]>) => {
    const page = mount(StatusSteps, {
      props: {
        modelValue,
        statuses: ['Draft', 'Packed', 'Shipped'],
        disabled: false,
        'onUpdate:modelValue': (now: Record<string, string[]>) => page.setProps({ modelValue: now }),
      },
      global: { stubs: { VSelect } },
    })
    return page
  }

  test('a status is not offered to follow itself', () => {
    const offered = steps({}).findAll('i')
    expect(offered.map((one) => one.text())).toEqual(['Packed,Shipped', 'Draft,Shipped', 'Draft,Packed'])
  })

  test('a status of which nothing is chosen any more may be followed by any', async () => {
    const page = steps({ Packed: ['Shipped'] })
    const choose = async (at: number, after: string[]) => {
      page.findAllComponents(VSelect)[at]!.vm.$emit('update:modelValue', after)
      await flushPromises()
    }
    await choose(0, ['Packed'])
    await choose(1, [])
    expect(page.props('modelValue')).toEqual({ Draft: ['Packed'] })
  })
})
