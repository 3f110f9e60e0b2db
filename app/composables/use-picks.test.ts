import { describe, expect, test } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { useHand } from './useHand'
import { usePicks } from './usePicks'

const rowsOf = (...ids: number[]) => ids.map((id) => ({ id }))

describe('picks of a list', () => {
  test('are made and taken back one by one and all at once, in the order of the list', () => {
    const { chosen, toggle, toggleAll, clear } = usePicks(shallowRef(rowsOf(3, 1, 2)))
    toggle(2)
    toggle(3)
    expect(chosen.value.map(({ id }) => id)).toEqual([3, 2])
    toggle(2)
    expect(chosen.value.map(({ id }) => id)).toEqual([3])
    toggleAll([1, 2, 3])
    expect(chosen.value).toHaveLength(3)
    toggleAll([1, 2, 3])
    expect(chosen.value).toEqual([])
    toggle(1)
    clear()
    expect(chosen.value).toEqual([])
  })

  test('of rows that left the list are forgotten, also when these come back', async () => {
    const rows = shallowRef(rowsOf(1, 2))
    const { chosen, picked, toggleAll } = usePicks(rows)
    toggleAll([1, 2])
    rows.value = rowsOf(2)
    await nextTick()
    expect([...picked.value]).toEqual([2])
    rows.value = rowsOf(1, 2)
    await nextTick()
    expect(chosen.value.map(({ id }) => id)).toEqual([2])
  })
})

describe('the row in hand', () => {
  test('is the first, and the first again once it left', async () => {
    const rows = shallowRef<{ id: number }[]>([])
    const { active, row } = useHand(rows)
    expect(row.value).toBeNull()
    rows.value = rowsOf(5, 6)
    await nextTick()
    expect(active.value).toBe(5)
    active.value = 6
    rows.value = rowsOf(4, 6)
    await nextTick()
    expect(row.value).toEqual({ id: 6 })
    rows.value = rowsOf(4)
    await nextTick()
    expect(active.value).toBe(4)
    rows.value = []
    await nextTick()
    expect(active.value).toBeNull()
  })

  test('is the one that an address names, as long as it is there', async () => {
    const rows = shallowRef<{ id: number }[]>([])
    const { active } = useHand(rows, 9)
    rows.value = rowsOf(8, 9)
    await nextTick()
    expect(active.value).toBe(9)
  })
})
