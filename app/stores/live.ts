interface Change {
  topic: string
  ids: number[]
}
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
    const source = new EventSource('/api/live')
    source.onopen = () => {
      tell({ again: true })
      tell({ connected: true })
    }
    source.onerror = () => tell({ connected: false })
    source.onmessage = (message: MessageEvent<string>) => {
      const changes = JSON.parse(message.data) as Change[] | string
      tell(typeof changes === 'string' ? { again: true } : { changes })
    }
    return new Promise((resolve) => {
      const before = letGo
      letGo = () => {
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
