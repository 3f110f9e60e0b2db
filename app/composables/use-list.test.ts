import { describe, expect, test, vi } from 'vitest'
import { useList, wholeList } from './useList'
import { ref } from 'vue'

interface Row {
  id: number
}
type Place = { after?: string; limit: number }
const rowsOf = (from: number, count: number): Row[] =>
  Array.from({ length: count }, (_, n) => ({ id: from + n }))

/** A server with so many rows, whose answers can be held back. */
function server(count: number) {
  const state = { count, fail: '' }
  const fetchPage = vi.fn(async ({ after, limit }: Place) => {
    if (state.fail) throw new Error(state.fail)
    const from = after ? Number(after) : 0
    const rows = rowsOf(from, Math.min(limit, state.count - from))
    const next = from + rows.length
    return { rows, after: next < state.count ? String(next) : null, matching: state.count }
  })
  return { state, fetchPage }
}
const ids = (rows: readonly Row[]) => rows.map((row) => row.id)

describe('a list that the server pages', () => {
  test('begins with a page, and takes up more where it ended', async () => {
    const { fetchPage } = server(150)
    const list = useList(fetchPage)
    expect(list.first.value).toBe(true)
    await list.reload()
    expect([list.rows.value.length, list.first.value]).toEqual([60, false])
    await list.loadMore()
    await list.loadMore()
    expect(ids(list.rows.value)).toEqual(ids(rowsOf(0, 150)))
    expect(list.extra.value!.matching).toBe(150)
  })

  test('asks nothing further at its end', async () => {
    const { fetchPage } = server(20)
    const list = useList(fetchPage)
    await list.reload()
    await list.loadMore()
    expect(fetchPage).toHaveBeenCalledTimes(1)
  })

  test('loads anew all that was there, so that nobody loses the place', async () => {
    const { fetchPage } = server(150)
    const list = useList(fetchPage)
    await list.reload()
    await list.loadMore()
    await list.reload()
    expect(list.rows.value).toHaveLength(120)
    expect(fetchPage).toHaveBeenLastCalledWith({ limit: 120 })
  })

  test('never asks for more than two hundred rows at once', async () => {
    const { fetchPage } = server(400)
    const list = useList(fetchPage)
    await list.reload()
    for (let pages = 0; pages < 4; pages++) await list.loadMore()
    expect(list.rows.value.length).toBe(300)
    await list.reload()
    expect(fetchPage).toHaveBeenLastCalledWith({ limit: 200 })
  })

  test('shows a row once, though it moved into the next page meanwhile', async () => {
    const { fetchPage } = server(100)
    const list = useList(fetchPage)
    await list.reload()
    fetchPage.mockImplementationOnce(async () => ({ rows: rowsOf(58, 10), after: null, matching: 100 }))
    await list.loadMore()
    expect(ids(list.rows.value)).toEqual(ids(rowsOf(0, 68)))
  })

  test('forgets an answer that a newer question overtook', async () => {
    const { fetchPage } = server(10)
    const list = useList(fetchPage)
    let answerSlowly = (_: Row[]) => {}
    fetchPage.mockImplementationOnce(
      () =>
        new Promise((resolve) => {
          answerSlowly = (rows) => resolve({ rows, after: null, matching: rows.length })
        }),
    )
    const slow = list.reload()
    await list.reload()
    answerSlowly(rowsOf(900, 3))
    await slow
    expect(ids(list.rows.value)).toEqual(ids(rowsOf(0, 10)))
  })

  test('asks for the next page once, however often one scrolls', async () => {
    const { fetchPage } = server(150)
    const list = useList(fetchPage)
    await list.reload()
    await Promise.all([list.loadMore(), list.loadMore(), list.loadMore()])
    expect(fetchPage).toHaveBeenCalledTimes(2)
    expect(list.rows.value).toHaveLength(120)
  })

  test('keeps its rows and says why when it cannot load, and forgets that once it can', async () => {
    const { state, fetchPage } = server(30)
    const list = useList(fetchPage)
    await list.reload()
    state.fail = 'The server is away.'
    await list.reload()
    expect([list.rows.value.length, list.wrong.value]).toEqual([30, 'The server is away.'])
    state.fail = ''
    await list.reload()
    expect(list.wrong.value).toBe('')
  })

  test('begun anew for another filter, asks for one page only', async () => {
    const { fetchPage } = server(150)
    const list = useList(fetchPage)
    await list.reload()
    await list.loadMore()
    await list.restart()
    expect(fetchPage).toHaveBeenLastCalledWith({ limit: 60 })
    expect(list.rows.value).toHaveLength(60)
  })
})

test('a list that comes whole has nothing more to load', async () => {
  const reload = vi.fn(async () => {})
  const list = wholeList(ref(rowsOf(0, 3)), ref(false), reload)
  await list.loadMore()
  expect(reload).not.toHaveBeenCalled()
  expect(list.rows.value).toHaveLength(3)
})
