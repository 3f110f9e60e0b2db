import { flushPromises, mount } from '@vue/test-utils'
import { shallowRef } from 'vue'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import ShippingSettings from './ShippingSettings.vue'
import { signedIn } from '../../testing/signed-in'

const house = vi.hoisted(() => ({ settings: null as unknown, keep: vi.fn() }))
vi.mock('../../composables/useHouseSettings', () => ({
  useHouseSettings: () => ({ settings: shallowRef(house.settings), keep: house.keep }),
}))

const settings = (change: object = {}) => ({
  boxes: [],
  serviceRules: [],
  gs1Prefix: '',
  labelPrinting: { format: '100x150', from: 1 },
  slipShows: { details: ['reference', 'customer'], prices: false },
  ...change,
})
function shown(change: object = {}, role: 'supervisor' | 'clerk' = 'supervisor') {
  house.settings = settings(change)
  const page = mount(ShippingSettings, {
    global: {
      plugins: [signedIn(role)],
      stubs: {
        Boxes: true,
        CarrierList: true,
        ServiceRules: true,
        WordPanel: { props: ['words'], template: '<div><slot /></div>' },
      },
    },
  })
  const picker = (label: string) =>
    page.findAllComponents({ name: 'WordPicker' }).find((one) => one.props('label') === label)
  const pick = async (label: string, value: string) => {
    picker(label)!.vm.$emit('pick', value)
    await flushPromises()
  }
  return { page, picker, pick }
}
const kept = () => house.keep.mock.calls.at(-1)![0] as object
beforeEach(() => house.keep.mockReset())

describe('how goods leave', () => {
  test('another label format begins at its first place, and keeps what the printer is off', async () => {
    const offset = { x: 1, y: -2 }
    const { pick, picker } = shown({ labelPrinting: { format: 'A4', from: 3, offset } })
    expect(picker('First place')?.props('value') ?? '3').toBe('3')
    const format = shown({ labelPrinting: { format: 'A4', from: 3, offset } })
      .page.findAllComponents({ name: 'WordPicker' })
      .find((one) => one.props('value') === 'A4')!
    await pick(format.props('label') as string, '4x6')
    expect(kept()).toEqual({ labelPrinting: { format: '4x6', from: 1, offset } })
  })

  test('the place is only asked for where several labels stand on a sheet', () => {
    const places = (format: string) =>
      shown({ labelPrinting: { format, from: 1 } })
        .page.findAllComponents({ name: 'WordPicker' })
        .filter((one) => (one.props('choices') as { value: string }[]).some(({ value }) => value === '4'))
        .length
    expect(places('A4')).toBe(1)
    expect(places('A6')).toBe(0)
  })

  test.each([
    ['x', '1,5', { x: 1.5, y: 0 }],
    ['y', '-2', { x: 0, y: -2 }],
  ])('what the printer is off is written in millimetres: %s %s', async (way, typed, offset) => {
    const { page } = shown()
    await page.get(`[data-test="offset-${way}"]`).setValue(typed)
    expect(kept()).toEqual({ labelPrinting: { format: '100x150', from: 1, offset } })
  })

  test('packing slips show one detail more or less, in the order in which they stand', async () => {
    const { page } = shown()
    const details = page.findAllComponents({ name: 'WordPicker' }).find((one) => one.props('several'))!
    details.vm.$emit('pick', 'reference')
    expect(kept()).toEqual({ slipShows: { details: ['customer'], prices: false } })
    details.vm.$emit('pick', 'service')
    expect(kept()).toEqual({ slipShows: { details: ['reference', 'customer', 'service'], prices: false } })
  })

  test('prices on slips are said in words, and kept beside the details', async () => {
    const { page } = shown()
    const prices = page
      .findAllComponents({ name: 'WordPicker' })
      .find((one) => (one.props('choices') as { value: string }[]).some(({ value }) => value === 'yes'))!
    expect(prices.props('value')).toBe('no')
    prices.vm.$emit('pick', 'yes')
    expect(kept()).toEqual({ slipShows: { details: ['reference', 'customer'], prices: true } })
  })

  test('the GS1 prefix is kept without spaces around it', async () => {
    const { page } = shown()
    await page.get('[data-test="gs1-prefix"]').setValue(' 5391234 ')
    expect(kept()).toEqual({ gs1Prefix: '5391234' })
  })

  test('carriers and their keys are a supervisor’s', () => {
    expect(shown().page.findComponent({ name: 'CarrierList' }).exists()).toBe(true)
    const clerk = shown({}, 'clerk').page
    expect(clerk.findComponent({ name: 'CarrierList' }).exists()).toBe(false)
    expect(clerk.findAllComponents({ name: 'WordPicker' }).every((one) => one.props('disabled'))).toBe(true)
  })
})
