import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import Boxes from './Boxes.vue'
import ServiceRules from './ServiceRules.vue'
import type { HouseSettings } from '../../contract'

const box = { name: 'L', length: 600, width: 400, height: 400, weight: '1', most: '20' }
const rule = { service: 'Economy', countries: ['IE', 'GB'], customers: [], overWeight: '', overTotal: '' }
const settings = (change: object) => ({ boxes: [], serviceRules: [], ...change }) as unknown as HouseSettings
const boxes = (change: object, disabled = false) =>
  mount(Boxes, { props: { settings: settings(change), disabled } })
const rules = (change: object, disabled = false) =>
  mount(ServiceRules, { props: { settings: settings(change), disabled } })
type Page = ReturnType<typeof boxes> | ReturnType<typeof rules>
/** Written and left. */
const type = (page: Page, field: string, text: string) => page.get(`[data-test="${field}"]`).setValue(text)
const kept = (page: Page) => (page.emitted('keep') ?? []).map(([change]) => change)

describe('boxes of the house', () => {
  test('a new one is kept once it is whole, and not before', async () => {
    const page = boxes({})
    await page.get('[data-test="add-box"]').trigger('click')
    await type(page, 'box-1-name', ' S ')
    await type(page, 'box-1-length', '300')
    await type(page, 'box-1-width', '200')
    expect(kept(page)).toEqual([])
    await type(page, 'box-1-height', '150')
    expect(kept(page)).toEqual([
      { boxes: [{ name: 'S', length: 300, width: 200, height: 150, weight: '0.3', most: '30' }] },
    ])
  })

  test.each([
    ['length', '0'],
    ['length', '12.5'],
    ['height', 'high'],
    ['weight', '-1'],
    ['most', ''],
  ])('one whose %s is “%s” is not kept', async (field, text) => {
    const page = boxes({ boxes: [box] })
    await type(page, `box-1-${field}`, text)
    expect(kept(page)).toEqual([])
  })

  test('what is left as it was is not kept once more', async () => {
    const page = boxes({ boxes: [box] })
    await type(page, 'box-1-name', 'L')
    expect(kept(page)).toEqual([])
  })

  test('one is taken away; what somebody else changed is shown', async () => {
    const page = boxes({ boxes: [box, { ...box, name: 'XL' }] })
    await page.findAll('.remove')[0]!.trigger('click')
    expect(kept(page)).toEqual([{ boxes: [{ ...box, name: 'XL' }] }])
    await page.setProps({ settings: settings({ boxes: [{ ...box, name: 'M' }] }) })
    expect(page.get<HTMLInputElement>('[data-test="box-1-name"]').element.value).toBe('M')
  })

  test('are only looked at by who may not change them', () => {
    const page = boxes({ boxes: [box] }, true)
    expect(page.find('[data-test="add-box"]').exists()).toBe(false)
    expect(page.find('.remove').exists()).toBe(false)
  })
})

describe('rules of services', () => {
  test('countries and customers are written with spaces or commas, and kept as a list', async () => {
    const page = rules({ serviceRules: [rule] })
    expect(page.get<HTMLInputElement>('[data-test="rule-1-countries"]').element.value).toBe('IE GB')
    await type(page, 'rule-1-countries', 'de, fr;at')
    await type(page, 'rule-1-customers', '10417 10418')
    expect(kept(page).at(-1)).toEqual({
      serviceRules: [{ ...rule, countries: ['DE', 'FR', 'AT'], customers: ['10417', '10418'] }],
    })
  })

  test.each([
    ['service', ' '],
    ['countries', 'Ireland'],
    ['overWeight', 'heavy'],
    ['overTotal', '1,000'],
  ])('one whose %s is “%s” is not kept', async (field, text) => {
    const page = rules({ serviceRules: [rule] })
    await type(page, `rule-1-${field}`, text)
    expect(kept(page)).toEqual([])
  })

  test('one that is taken away is gone, the others keep their order', async () => {
    const other = { ...rule, service: 'Next day', countries: [] }
    const page = rules({ serviceRules: [rule, other, { ...other, service: 'Abroad' }] })
    await page.findAll('.remove')[1]!.trigger('click')
    expect(kept(page)).toEqual([{ serviceRules: [rule, { ...other, service: 'Abroad' }] }])
  })

  test('an empty table says what holds without rules', () => {
    expect(rules({}).find('table').exists()).toBe(false)
    expect(rules({}).get('p').text()).not.toBe('')
  })
})
