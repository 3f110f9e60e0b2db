import { api, attempt } from '../composables/api'
import { useLiveStore } from './live'
import type { HouseState } from '../contract'

/** Paused, in rehearsal, in trouble: said on every screen. */
export const useHouseState = defineStore('house', () => {
  const state = shallowRef<HouseState>()
  async function refresh(): Promise<void> {
    state.value = await api.get('/api/house/state')
  }
  for (const topic of ['house', 'worker']) useLiveStore().on(topic, () => void attempt(refresh))
  return { state, refresh }
})
