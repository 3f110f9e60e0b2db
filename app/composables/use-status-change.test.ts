import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { useToasts } from '../stores/toasts'
import { useStatusChange } from './useStatusChange'
import type { StatusChange } from '../contract'

const post = vi.hoisted(() => vi.fn())
vi.mock('./api', async (original) => ({ ...(await original<object>()), api: { post } }))

type Asked = { body: { ids: number[]; status: string; letGo?: boolean; onlyTry?: boolean } }
const none = { toCheck: 0, emails: 0, prints: 0, gone: 0, nowByHand: 0, labels: 0 }

/** The server: what a change would do of documents, and what is written when it is really asked. */
function server(turn: StatusChange['turn'], effects: Partial<StatusChange['effects']> = {}) {
  post.mockImplementation(async (_: string, { body }: Asked) => ({
    turn,
    effects: { ...none, ...effects },
    changed: body.onlyTry ? [] : body.ids,
    unchanged: [],
    before: body.ids.map((id) => ({ id, status: id > 10 ? 'Packed' : 'In picking' })),
  }))
}
const asked = () => post.mock.calls.map((call) => (call[1] as Asked).body)
const done = vi.fn(async () => {})
const said = () => useToasts().toasts.at(-1)!

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
})

describe('setting a status', () => {
  test('that touches no document is done at once', async () => {
    server('nothing')
    const change = useStatusChange(done)
    await change.ask([1, 2], 'Packed')
    expect(change.question.value).toBeUndefined()
    expect(asked().map((one) => one.onlyTry ?? false)).toEqual([true, false])
    expect(said().words).toBe('2 orders set to Packed.')
    expect(done).toHaveBeenCalledTimes(1)
  })

  test('that stops documents asks first, with what it would do, and writes nothing yet', async () => {
    server('stops', { toCheck: 1, emails: 2 })
    const change = useStatusChange(done)
    await change.ask([1], 'Held')
    expect(change.question.value).toMatchObject({
      ids: [1],
      status: 'Held',
      change: { effects: { emails: 2 } },
    })
    expect(asked()).toEqual([{ ids: [1], status: 'Held', onlyTry: true }])
  })

  test('that would only stop documents which left already asks too: nothing calls them back', async () => {
    server('stops', { gone: 1 })
    const change = useStatusChange(done)
    await change.ask([1], 'Withdrawn')
    expect(change.question.value).toBeDefined()
  })

  test('that takes up again asks only where something was taken out of Waiting', async () => {
    server('returns', { toCheck: 3 })
    const change = useStatusChange(done)
    await change.ask([1], 'Packed')
    expect(change.question.value).toBeUndefined()
  })

  test('after the question says what became of the emails', async () => {
    server('stops', { emails: 1, prints: 1 })
    const change = useStatusChange(done)
    await change.ask([1], 'Held')
    await change.answer(true)
    expect(said().words).toBe('1 order set to Held. 2 emails and print jobs taken out of Waiting.')
    expect(change.question.value).toBeUndefined()
  })

  test.each([
    [true, ' 1 email or print job let go again.'],
    [false, ' 1 email or print job stays held.'],
  ])('taken up again, and let go: %s', async (letGo, words) => {
    server('returns', { emails: 1 })
    const change = useStatusChange(done)
    await change.ask([1], 'Packed')
    await change.answer(letGo)
    expect(asked().at(-1)).toEqual({ ids: [1], status: 'Packed', letGo })
    expect(said().words).toBe(`1 order set to Packed.${words}`)
  })

  test('is undone by what each order was before', async () => {
    server('nothing')
    await useStatusChange(done).ask([1, 11, 12], 'Shipped')
    post.mockClear()
    await said().undo!()
    expect(asked()).toEqual([
      { ids: [1], status: 'In picking', undo: true },
      { ids: [11, 12], status: 'Packed', undo: true },
    ])
  })

  test('of orders that have it already says so, and offers no undo of nothing', async () => {
    post.mockImplementation(async () => ({
      turn: 'nothing',
      effects: none,
      changed: [],
      unchanged: [1, 2],
      before: [],
    }))
    await useStatusChange(done).ask([1, 2], 'Packed')
    expect(said().words).toBe('0 orders set to Packed. 2 orders already were.')
    expect(said().undo).toBeUndefined()
  })

  test('that is refused says why and leaves the question', async () => {
    server('stops', { emails: 1 })
    const change = useStatusChange(done)
    await change.ask([1], 'Held')
    post.mockRejectedValueOnce(new Error('The order is gone.'))
    await change.answer(true)
    expect(said()).toMatchObject({ words: 'The order is gone.', wrong: true })
    expect([change.question.value, change.busy.value]).toEqual([undefined, false])
  })
})
