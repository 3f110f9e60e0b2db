import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import MoveContent from './MoveContent.vue'
import ShipParcels from './ShipParcels.vue'
import WordPicker from '../list/WordPicker.vue'
import type { ParcelFacts } from '../../../core/shipping/parcels'

const lines = [
  { position: 1, description: 'Brood box', item: 'HB-10N', unit: '', each: '3', quantity: '4' },
  { position: 2, description: 'Smoker', item: 'SM-1', unit: 'pcs', each: null, quantity: '1' },
]
const boxes = [{ name: 'L', length: 600, width: 400, height: 400, weight: '1', most: '20' }]
const parcel = (quantity: string, change: Partial<ParcelFacts> = {}): ParcelFacts => ({
  box: 'L',
  weight: '7',
  contents: [{ position: 1, quantity }],
  ...change,
})
const shown = (parcels: ParcelFacts[], disabled = false) =>
  mount(ShipParcels, { props: { modelValue: parcels, lines, boxes, disabled } })
const toldBy = (page: ReturnType<typeof shown>) =>
  page.emitted('update:modelValue')!.at(-1)![0] as ParcelFacts[]

describe('parcels', () => {
  test('say what is in each, how much it weighs, and what is too heavy or not weighed', () => {
    const page = shown([parcel('2'), parcel('2', { weight: '21' }), parcel('1', { weight: null })])
    expect(page.get('[data-test="parcel-1"]').text()).toContain('Parcel 1 of 3')
    expect(page.get('[data-test="weight-2"]').classes()).toContain('bad')
    expect(page.get('[data-test="weight-1"]').classes()).not.toContain('bad')
    expect(page.get('[data-test="parcel-3"] .said').text()).not.toBe('')
  })

  test('are weighed, and not weighed any more where the field is emptied', async () => {
    const page = shown([parcel('4')])
    await page.get('[data-test="weight-1"]').setValue('12.4')
    expect(toldBy(page)[0]!.weight).toBe('12.4')
    await page.get('[data-test="weight-1"]').setValue('  ')
    expect(toldBy(page)[0]!.weight).toBeNull()
  })

  test('are split into a new one, which weighs what it holds and its box', () => {
    const page = shown([parcel('4', { weight: '13' })])
    page.getComponent(MoveContent).vm.$emit('move', '1', 1)
    const [one, other] = toldBy(page)
    expect(one!.contents).toEqual([{ position: 1, quantity: '3' }])
    expect(other!.contents).toEqual([{ position: 1, quantity: '1' }])
    expect([one!.weight, other!.weight]).toEqual(['10', '4'])
  })

  test('are joined, and hold together what both held', () => {
    const page = shown([parcel('1'), parcel('3')])
    const join = page.findAllComponents(WordPicker).find((one) => /join/i.test(one.props('label')))!
    join.vm.$emit('pick', '1')
    expect(toldBy(page)).toHaveLength(1)
    expect(toldBy(page)[0]!.contents).toEqual([{ position: 1, quantity: '4' }])
  })

  test('are only looked at where they stand fast', () => {
    const page = shown([parcel('1'), parcel('3')], true)
    expect(page.findComponent(MoveContent).exists()).toBe(false)
    expect(page.get('[data-test="weight-1"]').attributes('disabled')).toBeDefined()
  })
})

describe('what moves', () => {
  const mover = (quantity: string) =>
    mount(MoveContent, {
      props: {
        parcel: 1,
        item: 'Brood box',
        quantity,
        others: [{ value: '1', words: 'Parcel 2' }],
        newAt: 2,
      },
    })

  test('is all of it where nobody says how many, to a parcel or a new one', () => {
    const page = mover('4')
    const where = page.getComponent(WordPicker)
    expect((where.props('choices') as { value: string }[]).map(({ value }) => value)).toEqual(['1', '2'])
    where.vm.$emit('pick', '1')
    expect(page.emitted('move')).toEqual([['4', 1]])
  })

  test('is nothing while the number makes no sense', async () => {
    const page = mover('4')
    for (const typed of ['', '0', '-1', 'two', '1.2345']) {
      await page.get('input').setValue(typed)
      page.getComponent(WordPicker).vm.$emit('pick', '1')
    }
    expect(page.emitted('move')).toBeUndefined()
  })
})
