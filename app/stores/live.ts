import { useSession } from './session'
interface Change {
  topic: string
  ids: number[]
}
/** So long after a refused stream the next is tried. */
const refusedPause = 2000
type Listener = (ids: number[]) => void
type Word = { changes: Change[] } | { again: true } | { connected: boolean }

/**
 * The stream of changes from the server. All tabs of a browser share one: the tab that holds the lock listens
 * and passes on, since
 * a browser allows only six connections to one server. After a break every listener is called, as changes may
 * have been missed.
 */
export const useLiveStore = defineStore('live', () => {
  const connected = ref(true)
  const listeners = new Map<string, Set<Listener>>()
  let tabs: BroadcastChannel | undefined
  let letGo: () => void = () => {}

  function hear(word: Word): void {
    if ('connected' in word) connected.value = word.connected
    else if ('again' in word) all()
    else
      for (const change of word.changes)
        for (const listener of listeners.get(change.topic) ?? []) listener(change.ids)
  }

  function tell(word: Word): void {
    hear(word)
    tabs?.postMessage(word)
  }

  function all(): void {
    for (const set of listeners.values()) for (const listener of set) listener([])
  }

  /** Listens to the server until the page is left or somebody signs out. */
  function listen(): Promise<void> {
    let source = connect()
    let left = false
    function connect(): EventSource {
      const stream = new EventSource('/api/live')
      stream.onopen = () => {
        tell({ again: true })
        tell({ connected: true })
      }
      stream.onerror = () => {
        tell({ connected: false })
        if (stream.readyState === EventSource.CLOSED) setTimeout(() => void begin(), refusedPause)
      }
      stream.onmessage = (message: MessageEvent<string>) => {
        const changes = JSON.parse(message.data) as Change[] | string
        tell(typeof changes === 'string' ? { again: true } : { changes })
      }
      return stream
    }
    /** A refused stream is not tried again by the browser: whose session ended signs in, all others listen anew. */
    async function begin(): Promise<void> {
      if (left) return
      await useSession()
        .load()
        .catch(() => undefined)
      if (useSession().user && !left) source = connect()
    }
    return new Promise((resolve) => {
      const before = letGo
      letGo = () => {
        left = true
        source.close()
        before()
        resolve()
      }
    })
  }

  function open(): void {
    if (tabs) return
    tabs = new BroadcastChannel('clothespin changes')
    tabs.onmessage = (message: MessageEvent<Word>) => hear(message.data)
    const giveUp = new AbortController()
    letGo = () => giveUp.abort()
    const { locks } = navigator as { locks?: LockManager } // only in a secure context
    if (locks)
      locks.request('clothespin stream', { signal: giveUp.signal }, listen).catch(() => {
        /* left before the lock was ours */
      })
    else void listen()
  }

  function close(): void {
    letGo()
    letGo = () => {}
    tabs?.close()
    tabs = undefined
  }

  function on(topic: string, listener: Listener): () => void {
    open()
    const set = listeners.get(topic) ?? new Set()
    listeners.set(topic, set.add(listener))
    return () => set.delete(listener)
  }

  window.addEventListener('pagehide', close)
  window.addEventListener('pageshow', (event) => {
    if (!event.persisted) return
    open()
    all()
  })
  return { connected, on, close }
})
