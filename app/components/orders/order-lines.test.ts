import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import OrderLines from './OrderLines.vue'
import { signedIn } from '../../testing/signed-in'
import type { LineEdit } from '../../contract'

const lookup = vi.hoisted(() => ({
  fill: vi.fn(),
  learnOf: vi.fn(),
  searchSoon: vi.fn(),
  optionsOf: () => [],
  found: { value: [] as { code: string; name: string }[] },
}))
vi.mock('../../composables/useItemLookup', () => ({ useItemLookup: () => lookup }))

const line = (change: Partial<LineEdit> = {}): LineEdit => ({
  item: 'HB-10N',
  description: 'Brood box',
  detail: null,
  unit: '',
  quantity: '2',
  unitPrice: '41.50',
  discountPercent: '0',
  taxCode: 'standard',
  ...change,
})
function shown(lines: LineEdit[], disabled = false) {
  const model = reactive(lines)
  const page = mount(OrderLines, {
    props: { modelValue: model, disabled, currency: 'EUR' },
    attachTo: document.body,
    global: { plugins: [signedIn()] },
  })
  return { lines: model, page }
}
/** The field that is taken in hand: its text is selected. */
const select = vi.spyOn(HTMLInputElement.prototype, 'select')
const focused = () => (select.mock.contexts.at(-1) as HTMLInputElement | undefined)?.dataset.test
beforeEach(() => {
  document.body.innerHTML = ''
  lookup.fill.mockReset().mockResolvedValue(true)
  lookup.learnOf.mockReset()
})

describe('the lines of an order', () => {
  test('an item that is named brings what is known of it, and the quantity is next', async () => {
    const { page } = shown([line({ item: '' })])
    await page.get('[data-test="item-1"]').setValue('SM-1')
    await flushPromises()
    expect(lookup.fill.mock.calls[0]![0]).toMatchObject({ item: 'SM-1' })
    expect(focused()).toBe('quantity-1')
  })

  test('Enter in the last line begins another, with the usual tax and nothing else', async () => {
    const { lines, page } = shown([line()])
    await page.get('[data-test="quantity-1"]').trigger('keydown', { key: 'Enter' })
    await flushPromises()
    expect(lines).toHaveLength(2)
    expect(lines[1]).toMatchObject({ item: '', taxCode: 'standard' })
    expect(focused()).toBe('item-2')
  })

  test('Enter in a line before goes down and adds none', async () => {
    const { lines, page } = shown([line(), line()])
    await page.get('[data-test="price-1"]').trigger('keydown', { key: 'Enter' })
    await flushPromises()
    expect(lines).toHaveLength(2)
    expect(focused()).toBe('item-2')
  })

  test.each([
    ['', true],
    ['two', true],
    ['1.23456', true],
    ['1,5', true],
    ['-3', false],
    ['0.5', false],
  ])('a quantity of “%s” is marked: %s', async (typed, isBad) => {
    const { page } = shown([line()])
    await page.get('[data-test="quantity-1"]').setValue(typed)
    expect(page.get('[data-test="quantity-1"]').classes('bad')).toBe(isBad)
  })

  test('an item without a description is marked: the paper would say nothing', () => {
    const { page } = shown([line({ description: ' ' }), line({ item: '', description: '' })])
    expect(page.get('[data-test="description-1"]').classes()).toContain('bad')
    expect(page.get('[data-test="description-2"]').classes()).not.toContain('bad')
  })

  test('one is taken away, the others move up', async () => {
    const { lines, page } = shown([line(), line({ item: 'SM-1' })])
    await page.findAll('.remove')[0]!.trigger('click')
    expect(lines.map(({ item }) => item)).toEqual(['SM-1'])
  })

  test('the highest rate is offered first: a line that is taxed too little is worse', () => {
    const { page } = shown([line()])
    expect(page.findAll('select option').map((one) => one.text())).toEqual(['23 %', '0 %'])
  })

  test('what is there is learnt at once; who only reads changes nothing', () => {
    const { page } = shown([line()], true)
    expect(lookup.learnOf).toHaveBeenCalledWith(['HB-10N'])
    expect(page.find('.remove').exists()).toBe(false)
    expect(page.find('.add').exists()).toBe(false)
    expect(page.get('[data-test="quantity-1"]').attributes('disabled')).toBeDefined()
  })
})
