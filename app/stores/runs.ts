import { useSessionStorage } from '@vueuse/core'
import { api } from '../composables/api'
import { useNewest } from '../composables/useNewest'
import { useLiveStore } from './live'
import type { RunReport } from '../contract'

/** Sends that are under way: they go on when the page is left, and end in a report. */
export const useRuns = defineStore('runs', () => {
  const runs = ref<RunReport[]>([])

  /** Reports that were closed in this window do not come back on a reload. */
  const closed = useSessionStorage<number[]>('closed runs', [])

  /** Every run that is watched, also before its first answer: a change may be told while that is under way. */
  const watched = new Map<number, ReturnType<typeof useNewest>>()

  /** @param goingOn only while it goes on */
  async function refresh(id: number, goingOn = false): Promise<void> {
    const newest = watched.get(id) ?? useNewest()
    watched.set(id, newest)
    const report = await newest(() => api.get('/api/runs/{id}', { path: { id } }))
    if (!report || !watched.has(id)) return
    if (goingOn && report.endedAt) return void watched.delete(id)
    const others = runs.value.filter((run) => run.id !== id)
    runs.value = [report, ...others].sort((a, b) => b.id - a.id)
  }

  async function watchRun(id: number): Promise<void> {
    await refresh(id)
  }

  /**
   * Runs that were begun before this page was opened and go on. What ended before is found under Sends; here it
   * would push down what somebody just began to read.
   */
  async function findOpen(): Promise<void> {
    for (const id of await api.get('/api/runs/mine')) if (!closed.value.includes(id)) await refresh(id, true)
  }

  function remove(id: number): void {
    closed.value = [...closed.value, id].slice(-50)
    watched.delete(id)
    runs.value = runs.value.filter((run) => run.id !== id)
  }

  useLiveStore().on('line', () => {
    for (const run of runs.value)
      if (run.endedAt && run.parts.some((part) => part.part === 'waiting')) void refresh(run.id)
  })
  useLiveStore().on('run', (ids) => {
    const ended = new Set(runs.value.filter((run) => run.endedAt).map((run) => run.id))
    for (const id of watched.keys())
      if (!ended.has(id) && (ids.length === 0 || ids.includes(id))) void refresh(id)
  })
  return { runs, watchRun, findOpen, remove }
})
