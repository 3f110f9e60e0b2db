import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import ImportMapping, { type Signs } from './ImportMapping.vue'
import WordPicker from '../list/WordPicker.vue'
import type { Mapping } from '../../../core/imports/mapping'
import type { ImportView } from '../../contract'

const file = {
  id: 1,
  name: 'customers.csv',
  subject: 'customers',
  columns: ['No.', 'Name', 'Land'],
  sample: [
    ['10417', 'Ottermill Honey', 'IE'],
    ['10418', 'Little Acre', 'GB'],
  ],
} as Partial<ImportView> as ImportView

function mappingOf(mapping: Mapping) {
  const page = mount(ImportMapping, {
    props: {
      file,
      disabled: false,
      modelValue: mapping,
      'onUpdate:modelValue': (now: Mapping) => page.setProps({ modelValue: now }),
      signs: { decimalSign: '.', dayOrder: 'day first' } as Signs,
      'onUpdate:signs': (now) => page.setProps({ signs: now }),
    },
  })
  const picker = (label: string) =>
    page.findAllComponents(WordPicker).find((one) => one.props('label') === label)!
  const sample = (words: string) =>
    page
      .findAll('tbody tr')
      .find((row) => row.text().startsWith(words))!
      .get('.sample')
      .text()
  return { page, picker, sample }
}

describe('where the fields of a file come from', () => {
  test('is said with a sample of the file beside it', async () => {
    const { page, sample } = mappingOf({ name: { column: 1 } })
    expect(sample('Name')).toBe('Ottermill Honey')
    await page.get('[aria-label="The next sample row"]').trigger('click')
    expect(sample('Name')).toBe('Little Acre')
    await page.get('[aria-label="The next sample row"]').trigger('click')
    expect(sample('Name')).toBe('Ottermill Honey')
  })

  test('is another column once it is picked, and nothing once that is picked', async () => {
    const { page, picker } = mappingOf({ name: { column: 1 } })
    picker('Column of Name').vm.$emit('pick', '2')
    await page.vm.$nextTick()
    expect(page.props('modelValue')).toEqual({ name: { column: 2 } })
    picker('Column of Name').vm.$emit('pick', '')
    await page.vm.$nextTick()
    expect(page.props('modelValue')).toEqual({})
  })

  test('may be one value for all rows', () => {
    const { picker, sample } = mappingOf({ country: { fixed: 'Ireland' } })
    expect(picker('Column of Country').props('words')).toBe('always “Ireland”')
    expect(sample('Country')).toBe('Ireland')
  })

  test('is nothing for a column that this file does not have', () => {
    const { picker, sample } = mappingOf({ name: { column: 9 } })
    expect([picker('Column of Name').props('words'), sample('Name')]).toEqual(['nothing', ''])
  })

  test('changes no other field', async () => {
    const { page, picker } = mappingOf({ number: { column: 0 }, name: { column: 1 } })
    picker('Column of Country').vm.$emit('pick', '2')
    await page.vm.$nextTick()
    expect(page.props('modelValue')).toEqual({
      number: { column: 0 },
      name: { column: 1 },
      country: { column: 2 },
    })
  })
})

test('how numbers and days are written is chosen by an example of each', async () => {
  const { page, picker } = mappingOf({})
  picker('Decimal sign').vm.$emit('pick', ',')
  await page.vm.$nextTick()
  expect(page.props('signs')).toEqual({ decimalSign: ',', dayOrder: 'day first' })
  expect(picker('Decimal sign').text()).toContain('1.234,50')
  picker('Days').vm.$emit('pick', 'month first')
  await page.vm.$nextTick()
  expect(page.props('signs')).toEqual({ decimalSign: ',', dayOrder: 'month first' })
})
