import type { RunReport } from '../../server/services/documents/send-run'

/** Sends that are under way: they go on when the page is left, and end in a report. */
export const useRuns = defineStore('runs', () => {
  const runs = ref<RunReport[]>([])

  async function refresh(id: number): Promise<void> {
    const report = await callApi<RunReport>(`/api/runs/${id}`)
    const others = runs.value.filter((run) => run.id !== id)
    runs.value = [...others, report]
  }

  async function watchRun(id: number): Promise<void> {
    await refresh(id)
  }

  /** Runs that were begun before this page was opened. */
  async function findOpen(): Promise<void> {
    for (const id of await callApi<number[]>('/api/runs')) await refresh(id)
  }

  function remove(id: number): void {
    runs.value = runs.value.filter((run) => run.id !== id)
  }

  useLiveStore().on('line', () => {
    for (const run of runs.value) if (run.endedAt && run.sent.waiting > 0) void refresh(run.id)
  })
  useLiveStore().on('run', (ids) => {
    for (const run of runs.value)
      if (!run.endedAt && (ids.length === 0 || ids.includes(run.id))) void refresh(run.id)
  })
  return { runs, watchRun, findOpen, remove }
})
