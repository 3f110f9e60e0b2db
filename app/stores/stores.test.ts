import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { useLiveStore } from './live'
import { useRuns } from './runs'
import { useSession } from './session'
import { useToasts } from './toasts'

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn(), delete: vi.fn() }))
vi.mock('../composables/api', () => ({ api: calls, attempt: (act: () => unknown) => act() }))

/** The stream of the server, and what a browser lends: one lock that tabs wait for. */
class Stream {
  static all: Stream[] = []
  static CLOSED = 2
  readyState = 1
  onopen = () => {}
  onerror = () => {}
  onmessage = (_: { data: string }) => {}
  closed = false
  constructor(readonly path: string) {
    Stream.all.push(this)
  }
  close() {
    this.closed = true
  }
  say(changes: unknown) {
    this.onmessage({ data: JSON.stringify(changes) })
  }
}
beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  vi.resetAllMocks()
  Stream.all = []
  vi.stubGlobal('EventSource', Stream)
  sessionStorage.clear()
})
afterEach(() => {
  useLiveStore().close()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the stream of changes', () => {
  test('tells who asked for a topic which ids changed, and nobody else', () => {
    const [line, orders] = [vi.fn(), vi.fn()]
    useLiveStore().on('line', line)
    useLiveStore().on('order', orders)
    Stream.all[0]!.say([{ topic: 'order', ids: [3, 4] }])
    expect(orders).toHaveBeenCalledWith([3, 4])
    expect(line).not.toHaveBeenCalled()
  })

  test('is one for all listeners of a page', () => {
    useLiveStore().on('line', vi.fn())
    useLiveStore().on('run', vi.fn())
    expect(Stream.all.map((one) => one.path)).toEqual(['/api/live'])
  })

  test('once it is open, first or after a break, everybody looks anew, as changes may have been missed', () => {
    const line = vi.fn()
    useLiveStore().on('line', line)
    const [stream] = Stream.all
    stream!.onopen()
    expect(line.mock.calls).toEqual([[[]]])
    stream!.onerror()
    expect(useLiveStore().connected).toBe(false)
    stream!.onopen()
    expect(useLiveStore().connected).toBe(true)
    expect(line.mock.calls).toEqual([[[]], [[]]])
  })

  test('that is refused asks for the sign-in of whose session ended', async () => {
    calls.get.mockResolvedValue({ user: null, begun: 'ready' })
    useSession().user = { id: 1, name: 'Maeve', email: 'm@house.example', role: 'clerk' }
    useLiveStore().on('line', vi.fn())
    Object.assign(Stream.all[0]!, { readyState: Stream.CLOSED })
    Stream.all[0]!.onerror()
    await vi.advanceTimersByTimeAsync(2500)
    expect(useSession().user).toBeNull()
    expect(Stream.all).toHaveLength(1)
  })

  test('that is refused while a server begins again is opened anew', async () => {
    calls.get.mockRejectedValue(new Error('no answer'))
    useSession().user = { id: 1, name: 'Maeve', email: 'm@house.example', role: 'clerk' }
    useLiveStore().on('line', vi.fn())
    Object.assign(Stream.all[0]!, { readyState: Stream.CLOSED })
    Stream.all[0]!.onerror()
    await vi.advanceTimersByTimeAsync(2500)
    expect(Stream.all).toHaveLength(2)
    useLiveStore().close()
    expect(Stream.all[1]!.closed).toBe(true)
  })

  test('the server may ask everybody to look anew, too', () => {
    const line = vi.fn()
    useLiveStore().on('line', line)
    Stream.all[0]!.say('again')
    expect(line).toHaveBeenCalledWith([])
  })

  test('is left by who does not listen any more, and closed by signing out', async () => {
    const line = vi.fn()
    const stop = useLiveStore().on('line', line)
    stop()
    Stream.all[0]!.say([{ topic: 'line', ids: [1] }])
    expect(line).not.toHaveBeenCalled()
    await useSession().signOut()
    expect(Stream.all[0]!.closed).toBe(true)
  })
})

describe('messages', () => {
  test('leave the foot by themselves, those with an undo or a fault later; the list keeps them', () => {
    const toasts = useToasts()
    toasts.say('Saved.')
    vi.advanceTimersByTime(7000)
    expect(toasts.fresh).toBeUndefined()
    toasts.say('The mail server does not answer.', { wrong: true })
    vi.advanceTimersByTime(7000)
    expect(toasts.fresh?.words).toBe('The mail server does not answer.')
    toasts.say('Set to Shipped.', { undo: async () => {} })
    vi.advanceTimersByTime(21_000)
    expect(toasts.fresh?.words).toBe('Set to Shipped.')
    vi.advanceTimersByTime(60_000)
    expect(toasts.fresh).toBeUndefined()
    expect(toasts.toasts.map((one) => one.words)).toEqual([
      'Saved.',
      'The mail server does not answer.',
      'Set to Shipped.',
    ])
  })

  test('stand one at a time, the newest; fifty are kept, and none for who signs in next', () => {
    const toasts = useToasts()
    for (let n = 1; n <= 60; n++) toasts.say(String(n))
    expect(toasts.fresh?.words).toBe('60')
    expect([toasts.toasts.length, toasts.toasts[0]!.words]).toEqual([50, '11'])
    toasts.forget()
    expect([toasts.fresh, toasts.toasts]).toEqual([undefined, []])
  })
})

describe('who is signed in', () => {
  test.each([
    ['supervisor', true, true],
    ['clerk', true, false],
    ['reader', false, false],
  ])('a %s may what a clerk may: %s, what a supervisor may: %s', async (role, clerk, supervisor) => {
    calls.get.mockImplementation(async (path: string) =>
      path === '/api/session'
        ? { user: { id: 1, name: 'Maeve', email: 'm@house.example', role } }
        : { brands: [] },
    )
    const session = useSession()
    await session.load()
    expect([session.may('clerk'), session.may('supervisor')]).toEqual([clerk, supervisor])
  })

  test('nobody: nothing of the house is asked for, and nobody may anything', async () => {
    calls.get.mockResolvedValue({ user: null })
    const session = useSession()
    await session.load()
    expect(calls.get.mock.calls.map(([path]) => path)).toEqual(['/api/session'])
    expect([session.known, session.user, session.may('clerk')]).toEqual([true, null, false])
  })

  test('leaves nothing of the house behind when signing out', async () => {
    calls.get.mockImplementation(async (path: string) =>
      path === '/api/session'
        ? { user: { role: 'clerk' }, begun: 'ready' }
        : { brands: [{ code: 'TH', name: 'Tansy Hollow' }] },
    )
    const session = useSession()
    await session.load()
    expect([session.brandName('TH'), session.brandName('OLD')]).toEqual(['Tansy Hollow', 'OLD'])
    await session.signOut()
    expect([session.user, session.house]).toEqual([null, null])
  })
})

describe('Sends that are under way', () => {
  const report = (id: number, endedAt: string | null = null) => ({ id, endedAt, parts: [] })

  test('are shown newest first, and looked at again when the server says so', async () => {
    calls.get.mockImplementation(async (_: string, { path }: { path: { id: number } }) => report(path.id))
    const runs = useRuns()
    await runs.watchRun(1)
    await runs.watchRun(2)
    expect(runs.runs.map((run) => run.id)).toEqual([2, 1])
    calls.get.mockClear()
    Stream.all[0]!.say([{ topic: 'run', ids: [1] }])
    expect(calls.get).toHaveBeenCalledTimes(1)
  })

  test('that end while their first answer is on its way are looked at again; the late one covers nothing', async () => {
    const answers: ((report: unknown) => void)[] = []
    calls.get.mockImplementation(() => new Promise((resolve) => answers.push(resolve)))
    const runs = useRuns()
    const first = runs.watchRun(1)
    Stream.all[0]!.say([{ topic: 'run', ids: [1] }])
    expect(answers).toHaveLength(2)
    answers[1]!(report(1, '2026-11-27T12:00:00Z'))
    answers[0]!(report(1))
    await first
    expect(runs.runs.map((run) => run.endedAt)).toEqual(['2026-11-27T12:00:00Z'])
  })

  test('are left alone once they ended, unless something of them still waits', async () => {
    calls.get.mockImplementation(async (_: string, { path }: { path: { id: number } }) => ({
      ...report(path.id, '2026-11-27T12:00:00Z'),
      parts: path.id === 2 ? [{ part: 'waiting' }] : [],
    }))
    const runs = useRuns()
    await runs.watchRun(1)
    await runs.watchRun(2)
    calls.get.mockClear()
    Stream.all[0]!.say([{ topic: 'run', ids: [] }])
    expect(calls.get).not.toHaveBeenCalled()
    Stream.all[0]!.say([{ topic: 'line', ids: [] }])
    expect(calls.get.mock.calls.map(([, ask]) => (ask as { path: { id: number } }).path.id)).toEqual([2])
  })

  test('that ended before the page was opened push nothing down: only those that go on are shown', async () => {
    calls.get.mockImplementation(async (path: string, ask?: { path: { id: number } }) =>
      path === '/api/runs/mine'
        ? [7, 8]
        : report(ask!.path.id, ask!.path.id === 7 ? '2026-11-27T12:00:00Z' : null),
    )
    const runs = useRuns()
    await runs.findOpen()
    expect(runs.runs.map((run) => run.id)).toEqual([8])
  })

  test('that were closed do not come back when the page is opened anew', async () => {
    calls.get.mockImplementation(async (path: string, ask?: { path: { id: number } }) =>
      path === '/api/runs/mine' ? [5, 6] : report(ask!.path.id),
    )
    const runs = useRuns()
    await runs.findOpen()
    runs.remove(5)
    setActivePinia(createPinia())
    const again = useRuns()
    await again.findOpen()
    expect(again.runs.map((run) => run.id)).toEqual([6])
  })
})
