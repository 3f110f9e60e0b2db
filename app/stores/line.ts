import { api } from '../composables/api'
import type { StageCount } from '../contract'

/** The six counts, kept fresh by the stream of changes. */
export const useLine = defineStore('line', () => {
  const counts = shallowRef<StageCount[]>([])
  async function refresh(): Promise<void> {
    counts.value = await api.get('/api/line/counts')
  }
  return { counts, refresh }
})
