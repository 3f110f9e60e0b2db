import { useSessionStorage } from '@vueuse/core'
import { api } from '../composables/api'
import { useLiveStore } from './live'
import type { RunReport } from '../contract'

/** Sends that are under way: they go on when the page is left, and end in a report. */
export const useRuns = defineStore('runs', () => {
  const runs = ref<RunReport[]>([])

  /** Reports that were closed in this window do not come back on a reload. */
  const closed = useSessionStorage<number[]>('closed runs', [])

  async function refresh(id: number): Promise<void> {
    const report = await api.get('/api/runs/{id}', { path: { id } })
    const others = runs.value.filter((run) => run.id !== id)
    runs.value = [report, ...others].sort((a, b) => b.id - a.id)
  }

  async function watchRun(id: number): Promise<void> {
    await refresh(id)
  }

  /**
   * Runs that were begun before this page was opened: also those that ended a short while ago and were not
   * closed here.
   */
  async function findOpen(): Promise<void> {
    for (const id of await api.get('/api/runs/mine')) if (!closed.value.includes(id)) await refresh(id)
  }

  function remove(id: number): void {
    closed.value = [...closed.value, id].slice(-50)
    runs.value = runs.value.filter((run) => run.id !== id)
  }

  useLiveStore().on('line', () => {
    for (const run of runs.value)
      if (run.endedAt && run.parts.some((part) => part.part === 'waiting')) void refresh(run.id)
  })
  useLiveStore().on('run', (ids) => {
    for (const run of runs.value)
      if (!run.endedAt && (ids.length === 0 || ids.includes(run.id))) void refresh(run.id)
  })
  return { runs, watchRun, findOpen, remove }
})
