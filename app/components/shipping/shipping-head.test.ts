import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import SearchField from '../list/SearchField.vue'
import ShippingHead from './ShippingHead.vue'
import WordPicker from '../list/WordPicker.vue'
import { signedIn } from '../../testing/signed-in'

/* The head of the lists of shipments, returns and labels tells each of its words by itself. */
const shown = (change: Partial<InstanceType<typeof ShippingHead>['$props']> = {}) =>
  mount(ShippingHead, {
    props: {
      title: 'Returns',
      whichLabel: 'Which returns',
      which: 'late',
      choices: [
        { value: 'expected', words: 'expected' },
        { value: 'late', words: 'overdue' },
      ],
      filters: { brand: '', from: '', search: 'otter' },
      searchLabel: 'Return, order, customer',
      ...change,
    },
    global: { plugins: [signedIn()], stubs: { NuxtLink: { template: '<a><slot /></a>' } } },
  })
const picker = (page: ReturnType<typeof shown>, at: number) => page.findAllComponents(WordPicker)[at]!

test('reads as a sentence of what is shown, with what is searched for', () => {
  const page = shown()
  expect(page.text()).toContain('overdue')
  expect(page.getComponent(SearchField).props()).toEqual({ value: 'otter', label: 'Return, order, customer' })
})

test('leads back only where its list stands below another', () => {
  expect(shown().find('a').exists()).toBe(false)
  expect(shown({ isBelow: true }).get('a').text()).toBe('Shipments')
})

test('tells which, the brand, the time and the search each by its name', () => {
  const page = shown()
  picker(page, 0).vm.$emit('pick', 'expected')
  picker(page, 1).vm.$emit('pick', 'skep')
  picker(page, 2).vm.$emit('pick', '2026-11-01')
  page.getComponent(SearchField).vm.$emit('search', 'reed')
  expect(page.emitted('which')).toEqual([['expected']])
  expect(page.emitted('set')).toEqual([[{ brand: 'skep' }], [{ from: '2026-11-01' }], [{ search: 'reed' }]])
})
