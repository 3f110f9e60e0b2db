import { beforeEach, describe, expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import { useRowKeys } from './useRowKeys'

interface Row {
  id: number
}
const show = vi.fn()
let list: { rows: Row[]; active: number | null; picked: ReadonlySet<number>; pickable: boolean }
let heard: [string, unknown?][]

/** A list of so many rows whose owner does what it is told, as pages do. */
function keysOf(count: number) {
  list = reactive({
    rows: Array.from({ length: count }, (_, n) => ({ id: n + 1 })),
    active: null as number | null,
    picked: new Set<number>(),
    pickable: true,
  })
  heard = []
  const emit = ((event: string, value?: unknown) => {
    heard.push([event, value])
    if (event === 'update:active') list.active = value as number | null
    if (event === 'update:picked') list.picked = value as Set<number>
  }) as Parameters<typeof useRowKeys>[1]
  const keys = useRowKeys(list, emit, { show, rowsInSight: () => 10 })
  const press = (key: string, held: KeyboardEventInit = {}) => {
    const event = new KeyboardEvent('keydown', { key, cancelable: true, ...held })
    keys.key(event)
    return event
  }
  const click = (id: number, held: MouseEventInit = {}) => keys.click(new MouseEvent('click', held), { id })
  return { ...keys, press, click }
}
const picked = () => [...list.picked].sort((a, b) => a - b)
beforeEach(() => show.mockClear())

describe('the row in hand', () => {
  test('goes down and up, and stops at both ends', () => {
    const { press } = keysOf(3)
    press('ArrowDown')
    expect(list.active).toBe(1)
    for (let times = 0; times < 5; times++) press('ArrowDown')
    expect(list.active).toBe(3)
    for (let times = 0; times < 5; times++) press('ArrowUp')
    expect(list.active).toBe(1)
    expect(show).toHaveBeenLastCalledWith(1)
  })

  test('goes by the page, and to the ends at once', () => {
    const { press } = keysOf(50)
    press('ArrowDown')
    press('PageDown')
    expect(list.active).toBe(11)
    press('End')
    expect(list.active).toBe(50)
    press('PageUp')
    expect(list.active).toBe(40)
    press('Home')
    expect(list.active).toBe(1)
  })

  test('near the end asks for more, so that nobody waits at the last row', () => {
    const { press } = keysOf(50)
    press('Home')
    expect(heard.some(([event]) => event === 'more')).toBe(false)
    press('End')
    expect(heard.some(([event]) => event === 'more')).toBe(true)
  })

  test('of an empty list stays nobody', () => {
    const { press } = keysOf(0)
    press('ArrowDown')
    press('Enter')
    press(' ')
    expect(heard).toEqual([])
  })

  test('is opened by Enter, its leaves turned by left and right', () => {
    const { press } = keysOf(3)
    press('ArrowDown')
    press('Enter')
    press('ArrowRight')
    press('ArrowLeft')
    expect(heard.filter(([event]) => ['open', 'leaf'].includes(event))).toEqual([
      ['open', 1],
      ['leaf', 1],
      ['leaf', -1],
    ])
  })
})

describe('picking', () => {
  test('by Space, and again back', () => {
    const { press } = keysOf(3)
    press('ArrowDown')
    press(' ')
    expect(picked()).toEqual([1])
    press(' ')
    expect(picked()).toEqual([])
  })

  test('a range with Shift grows and shrinks from where it began', () => {
    const { press } = keysOf(9)
    press('ArrowDown')
    press('ArrowDown')
    press('ArrowDown', { shiftKey: true })
    press('ArrowDown', { shiftKey: true })
    expect(picked()).toEqual([2, 3, 4])
    press('ArrowUp', { shiftKey: true })
    expect(picked()).toEqual([2, 3])
    press('Home', { shiftKey: true })
    expect(picked()).toEqual([1, 2])
  })

  test('a range holds on to the row where it began while rows come and go above it', () => {
    const { press } = keysOf(9)
    for (let times = 0; times < 3; times++) press('ArrowDown')
    press('ArrowDown', { shiftKey: true })
    list.rows = [{ id: 10 }, ...list.rows]
    press('ArrowDown', { shiftKey: true })
    expect(picked()).toEqual([3, 4, 5])
    list.rows = list.rows.slice(3)
    press('ArrowDown', { shiftKey: true })
    expect(picked()).toEqual([3, 4, 5, 6])
  })

  test('where the row at which it began has left the list, a range begins at the row in hand', () => {
    const { press } = keysOf(9)
    press('ArrowDown')
    press('ArrowDown', { shiftKey: true })
    list.rows = list.rows.slice(1)
    press('ArrowDown', { shiftKey: true })
    expect(picked()).toEqual([2, 3])
  })

  test('a step without Shift begins the next range anew', () => {
    const { press } = keysOf(9)
    press('ArrowDown')
    press('ArrowDown', { shiftKey: true })
    press('ArrowDown')
    press('ArrowDown', { shiftKey: true })
    expect(picked()).toEqual([3, 4])
  })

  test('all that is loaded with Ctrl+A', () => {
    const { press } = keysOf(4)
    press('a', { ctrlKey: true })
    expect(picked()).toEqual([1, 2, 3, 4])
  })

  test('by Shift and a click, from the row in hand', () => {
    const { click } = keysOf(6)
    click(2)
    click(5, { shiftKey: true })
    expect(picked()).toEqual([2, 3, 4, 5])
  })

  test('one box leaves the others as they are', () => {
    const { toggle } = keysOf(4)
    toggle(1)
    toggle(3)
    toggle(1)
    expect(picked()).toEqual([3])
  })

  test('Escape lets go the picks first, then the row', () => {
    const { press } = keysOf(4)
    press('ArrowDown')
    press(' ')
    press('Escape')
    expect([picked(), list.active]).toEqual([[], 1])
    press('Escape')
    expect(list.active).toBeNull()
  })

  test('is not there where nothing can be picked', () => {
    const { press, click } = keysOf(4)
    list.pickable = false
    press('ArrowDown')
    press(' ')
    press('a', { ctrlKey: true })
    click(3, { shiftKey: true })
    expect(picked()).toEqual([])
    expect(list.active).toBe(3)
  })
})

describe('other keys', () => {
  test('are left to the browser and the page: letters, and what is held with Alt, Ctrl or Meta', () => {
    const { press } = keysOf(3)
    const left = [
      press('a'),
      press('x'),
      press('ArrowDown', { altKey: true }),
      press('ArrowDown', { metaKey: true }),
      press('Enter', { ctrlKey: true }),
    ]
    expect(left.map((event) => event.defaultPrevented)).toEqual([false, false, false, false, false])
    expect(heard).toEqual([])
  })

  test('that the list takes are taken from the browser: Space does not scroll the page', () => {
    const { press } = keysOf(3)
    expect(press('ArrowDown').defaultPrevented).toBe(true)
    expect(press(' ').defaultPrevented).toBe(true)
  })
})
