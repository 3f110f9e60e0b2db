import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import WordsList from './WordsList.vue'

/** A list that keeps what it is given back. */
function list(names: string[], fixed: string[] = []) {
  const wrapper = mount(WordsList, {
    props: {
      modelValue: names,
      what: 'status',
      fixed,
      'onUpdate:modelValue': (now: string[]) => wrapper.setProps({ modelValue: now }),
    },
  })
  return {
    names: () => wrapper.props('modelValue'),
    press: (label: string) => wrapper.get(`button[aria-label="${label}"]`).trigger('click'),
    may: (label: string) => wrapper.get(`button[aria-label="${label}"]`).attributes('disabled') === undefined,
    type: async (words: string) => {
      await wrapper.get('[data-test="new-status"] input').setValue(words)
      await wrapper.get('form').trigger('submit')
    },
    text: () => wrapper.text(),
  }
}
const statuses = ['Draft', 'Confirmed', 'Shipped']

test('a name is added at the end, trimmed; one that is there already is said, in any case', async () => {
  const { type, names, text } = list(statuses)
  await type('  On the road ')
  expect(names()).toEqual([...statuses, 'On the road'])
  await type('confirmed')
  expect(names()).toHaveLength(4)
  expect(text()).toContain('There is a status “confirmed” already.')
})

test('names move up and down, but none before a fixed first one', async () => {
  const { press, may, names } = list(statuses, ['Draft', 'Shipped'])
  expect([may('Move Draft down'), may('Move Confirmed up'), may('Move Shipped down')]).toEqual([
    false,
    false,
    false,
  ])
  await press('Move Shipped up')
  expect(names()).toEqual(['Draft', 'Shipped', 'Confirmed'])
})

test('a fixed name stays, others can be taken away', async () => {
  const { press, may, names } = list(statuses, ['Draft', 'Shipped'])
  expect([may('Take Draft away'), may('Take Shipped away')]).toEqual([false, false])
  await press('Take Confirmed away')
  expect(names()).toEqual(['Draft', 'Shipped'])
})
