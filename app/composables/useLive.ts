import { useLiveStore } from '../stores/live'
/** Calls `act` soon after one of the topics changed, gathered, as long as the component lives. */
export function useLive(topics: string[], act: (ids: number[]) => void, gather = 120): void {
  const store = useLiveStore()
  let timer: ReturnType<typeof setTimeout> | undefined
  let gathered: number[] = []
  const heard = (ids: number[]) => {
    gathered.push(...ids)
    timer ??= setTimeout(() => {
      const now = gathered
      timer = undefined
      gathered = []
      act(now)
    }, gather)
  }
  const off = topics.map((topic) => store.on(topic, heard))
  onScopeDispose(() => {
    clearTimeout(timer)
    off.forEach((end) => end())
  })
}
