import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import { nextTick, ref } from 'vue'
import ColumnHeads from './ColumnHeads.vue'
import { usePicks } from '../../composables/usePicks'

describe('headings of a list', () => {
  const heads = (sort: string, descending: boolean) =>
    mount(ColumnHeads, {
      props: {
        columns: [
          { key: 'name', words: 'Customer', width: '1fr' },
          { key: 'total', words: 'Total', width: 90, right: true },
          { words: 'State', width: 80 },
        ],
        sort,
        descending,
      },
    })

  test('a name rises first, an amount falls first', async () => {
    const list = heads('', false)
    const [name, total] = list.findAll('button')
    await name!.trigger('click')
    await total!.trigger('click')
    expect(list.emitted('sort')).toEqual([
      ['name', false],
      ['total', true],
    ])
  })

  test('the same heading again turns the order round, and says which it is', async () => {
    const list = heads('total', true)
    const total = list.findAll('button')[1]!
    expect(total.attributes('aria-label')).toBe('Sort by Total, now falling')
    await total.trigger('click')
    expect(list.emitted('sort')).toEqual([['total', false]])
  })

  test('what does not sort is no button', () => {
    expect(heads('', false).findAll('button')).toHaveLength(2)
  })
})

describe('what is picked', () => {
  test('is forgotten for rows that left the list', async () => {
    const rows = ref([{ id: 1 }, { id: 2 }, { id: 3 }])
    const picks = usePicks(rows)
    picks.set([1, 3])
    rows.value = [{ id: 1 }, { id: 2 }]
    await nextTick()
    expect([...picks.picked.value]).toEqual([1])
    expect(picks.chosen.value).toEqual([{ id: 1 }])
  })

  test('a group is picked whole, and put back only when it was whole', () => {
    const picks = usePicks(ref([{ id: 1 }, { id: 2 }, { id: 3 }]))
    picks.toggle(2)
    picks.toggleAll([1, 2])
    expect([...picks.picked.value].sort()).toEqual([1, 2])
    picks.toggleAll([1, 2])
    expect([...picks.picked.value]).toEqual([])
  })
})
