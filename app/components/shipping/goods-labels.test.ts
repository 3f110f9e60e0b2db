import { told } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import GoodsLabels from './GoodsLabels.vue'
import Ask from '../frame/Ask.vue'
import WordPicker from '../list/WordPicker.vue'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { LabelView } from '../../contract'

const calls = vi.hoisted(() => ({ fetchOffers: vi.fn(), makeLabels: vi.fn(), giveLabelsBack: vi.fn() }))
vi.mock('../../calls/labels', () => calls)

const offer = (name: string, price: string | null, change: object = {}) => ({
  carrierId: 1,
  carrier: 'Glenhaven Parcels',
  code: name,
  name,
  price,
  currency: 'EUR',
  misfit: price ? null : 'weight',
  isCheapest: false,
  ...change,
})
const economy = offer('Economy', '4.95', { isCheapest: true })
const nextDay = offer('Next day', '7.85')
const abroad = offer('Abroad', null)
const byPrice = { carrierId: 1, code: 'Economy', name: 'Economy', source: told('chosen/cheapest') }

const label = (parcel: number, change: Partial<LabelView> = {}) =>
  ({
    id: parcel,
    isReturn: false,
    parcelId: parcel,
    parcel,
    parcels: 2,
    state: 'made',
    service: 'Economy',
    failure: null,
    reply: '',
    price: '4.95',
    currency: 'EUR',
    tracking: `GH00${parcel}`,
    trackingUrl: '',
    way: 'announced',
    tries: 0,
    ...change,
  }) as LabelView

async function shown(labels: LabelView[], change: object = {}, role: 'clerk' | 'reader' = 'clerk') {
  const page = mount(GoodsLabels, {
    props: {
      dirty: false,
      goods: {
        id: 9,
        isReturn: false,
        version: 1,
        stands: true,
        stopped: null,
        parcels: [{ id: 1 }, { id: 2 }],
        labels,
        ...change,
      },
    },
    global: { plugins: [signedIn(role)], stubs: openDialogs },
  })
  await flushPromises()
  return page
}
const said = () => useToasts().toasts.at(-1)?.words ?? ''

beforeEach(() => {
  calls.fetchOffers.mockReset().mockResolvedValue({ offers: [economy, nextDay, abroad], chosen: byPrice })
  calls.makeLabels.mockReset().mockResolvedValue({ asked: 2, refused: [] })
  calls.giveLabelsBack.mockReset().mockResolvedValue({})
})

describe('labels that are not bought yet', () => {
  test('say by which service they would go, for how much and why, before anything is bought', async () => {
    const page = await shown([])
    const words = page.get('[data-test="make-labels-line"]').text()
    for (const part of ['Economy', '4.95', 'the cheapest that takes it']) expect(words).toContain(part)
    expect(page.get('[data-test="make-labels"]').text()).toBe('Make 2 labels')
    const choices = page.getComponent(WordPicker).props('choices') as { words: string }[]
    expect(choices[0]!.words).toContain('the cheapest')
    expect(choices[2]!.words).toMatch(/Abroad: .*heavy/i)
  })

  test('are bought by what was chosen here for this once', async () => {
    const page = await shown([])
    page.getComponent(WordPicker).vm.$emit('pick', 'Next day')
    await flushPromises()
    expect(page.get('[data-test="make-labels-line"]').text()).toContain('7.85')
    await page.get('[data-test="make-labels"]').trigger('click')
    await flushPromises()
    expect(calls.makeLabels.mock.calls[0]![1]).toEqual({ service: 'Next day', despite: false })
    expect(said()).toContain('2 labels being bought')
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('that were refused say why, and are not called bought', async () => {
    calls.makeLabels.mockResolvedValue({ asked: 0, refused: [{ parcel: 1, failure: 'not weighed' }] })
    const page = await shown([])
    await page.get('[data-test="make-labels"]').trigger('click')
    await flushPromises()
    expect(said()).toMatch(/^No label is bought\. .*weigh/i)
  })

  test('are bought although the order is held, as its screen asked', async () => {
    const page = await shown([], { stopped: 'Held' })
    await page.get('[data-test="make-labels"]').trigger('click')
    expect(calls.makeLabels.mock.calls[0]![1]).toEqual({ despite: true })
  })

  test('are needed by none where it goes otherwise', async () => {
    const van = { carrierId: null, name: 'Our own van', source: told('chosen/shipment') }
    calls.fetchOffers.mockResolvedValue({ offers: [economy], chosen: van })
    const page = await shown([])
    expect(page.text()).toContain('It goes by “Our own van”')
    expect(page.get('[data-test="make-labels"]').attributes('disabled')).toBeDefined()
  })

  test('cannot be bought before a carrier is there, nor by who only reads', async () => {
    calls.fetchOffers.mockResolvedValue({ offers: [], chosen: null })
    expect((await shown([])).find('[data-test="make-labels"]').exists()).toBe(false)
    calls.fetchOffers.mockResolvedValue({ offers: [economy], chosen: byPrice })
    expect((await shown([], {}, 'reader')).find('[data-test="make-labels-line"]').exists()).toBe(false)
  })

  test('are asked for of the parcels that have none', async () => {
    const page = await shown([label(1)])
    expect(page.get('[data-test="make-labels"]').text()).toBe('Make 1 label')
    expect((await shown([label(1), label(2)])).find('[data-test="make-labels"]').exists()).toBe(false)
  })
})

describe('labels that are there', () => {
  const acts = (page: Awaited<ReturnType<typeof shown>>, parcel: number) =>
    page.findAll(`[data-test="label-${parcel}"] button`).map((one) => one.text())

  test('cost together what they cost; one for a return only once it is used', async () => {
    const out = await shown([label(1), label(2, { price: '7.85' })])
    expect(out.get('h2').text()).toContain('12.80')
    const back = await shown([label(1, { isReturn: true })], { isReturn: true })
    expect(back.get('h2').text()).not.toContain('4.95')
    expect(back.get('[data-test="label-1"]').text()).toContain('once used')
  })

  test('are given back after a question, unless the parcel is on its way', async () => {
    const page = await shown([label(1), label(2, { way: 'under way' })])
    expect(acts(page, 1)).toEqual(['Give back…'])
    expect(acts(page, 2)).toEqual([])
    await page.get('[data-test="label-1"] button').trigger('click')
    expect(calls.giveLabelsBack).not.toHaveBeenCalled()
    await page.getComponent(Ask).vm.$emit('go')
    await flushPromises()
    expect(calls.giveLabelsBack).toHaveBeenCalledWith([1])
  })

  test('of which nobody knows whether they were bought are told apart by a person who looked', async () => {
    const page = await shown([label(1, { state: 'unclear', price: null, tracking: '' })])
    expect(acts(page, 1)).toEqual(['The carrier has none…'])
    await page.get('[data-test="label-1"] button').trigger('click')
    expect(page.getComponent(Ask).props('go')).not.toBe('Give back')
  })

  test('that could not be bought say why and what helps, and are given up without a question', async () => {
    const page = await shown([label(1, { state: 'refused', failure: 'weight', price: null, tracking: '' })])
    expect(page.get('[data-test="label-1"]').text()).toMatch(/heavy/i)
    await page.get('[data-test="label-1"] button.word').trigger('click')
    await flushPromises()
    expect(calls.giveLabelsBack).toHaveBeenCalledWith([1])
  })
})
