import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { h } from 'vue'
import RecordList from './RecordList.vue'

/* A short list of records in Settings: nothing while it is fetched, words where there is none. */
const list = (rows: { id: number; name: string }[] | undefined, add = 'Add branch') =>
  mount(RecordList<{ id: number; name: string }>, {
    props: { rows, add, addTest: 'add', columns: '1fr 80px' },
    slots: {
      intro: () => 'Places.',
      row: ({ row, index }: { row: { name: string }; index: number }) =>
        h('span', `${index + 1}. ${row.name}`),
      empty: () => 'None yet.',
    },
  })

test('a line each, in the order they were given', () => {
  const page = list([
    { id: 4, name: 'Quay' },
    { id: 2, name: 'Hill' },
  ])
  expect(page.findAll('li').map((one) => one.text())).toEqual(['1. Quay', '2. Hill'])
})

test('while it is fetched neither lines nor the words that there are none', () => {
  expect(list(undefined).text()).not.toContain('None yet.')
  expect(list([]).text()).toContain('None yet.')
})

test('adds by its button, where the person may', async () => {
  const page = list([])
  await page.get('[data-test="add"]').trigger('click')
  expect(page.emitted('add')).toHaveLength(1)
  expect(list([], '').find('[data-test="add"]').exists()).toBe(false)
})
