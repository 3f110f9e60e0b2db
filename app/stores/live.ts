interface Change { topic: string, ids: number[] }
type Listener = (ids: number[]) => void

/** The one stream of changes from the server. After a break every listener is called, since changes may have been missed. */
export const useLiveStore = defineStore('live', () => {
  const connected = ref(true)
  const listeners = new Map<string, Set<Listener>>()
  let source: EventSource | undefined

  function open(): void {
    if (source) return
    let opened = false
    source = new EventSource('/api/live')
    source.onopen = () => {
      if (opened) all()
      opened = true
      connected.value = true
    }
    source.onerror = () => {
      connected.value = false
    }
    source.onmessage = (message: MessageEvent<string>) => {
      const changes = JSON.parse(message.data) as Change[] | string
      if (typeof changes === 'string') all()
      else for (const change of changes) for (const listener of listeners.get(change.topic) ?? []) listener(change.ids)
    }
  }

  function all(): void {
    for (const set of listeners.values()) for (const listener of set) listener([])
  }

  function close(): void {
    source?.close()
    source = undefined
  }

  function on(topic: string, listener: Listener): () => void {
    open()
    const set = listeners.get(topic) ?? new Set()
    listeners.set(topic, set.add(listener))
    return () => set.delete(listener)
  }
  return { connected, on, close }
})
