import { attempt } from './api'
import { useLive } from './useLive'
import { useToasts } from '../stores/toasts'
import { changeSettings, fetchSettings } from '../calls/house'
import type { HouseSettings } from '../contract'

/** What holds for the whole house; what is changed of it is said, and can be undone. */
export function useHouseSettings() {
  const toasts = useToasts()
  const settings = shallowRef<HouseSettings>()
  const load = () =>
    attempt(async () => {
      settings.value = await fetchSettings()
    })
  onMounted(load)
  useLive(['house'], () => void load())

  const keep = (change: Partial<HouseSettings>, said: string) =>
    attempt(async () => {
      const before = settings.value!
      await changeSettings(change)
      await load()
      toasts.say(said, {
        undo: async () => {
          await changeSettings(
            Object.fromEntries(
              Object.keys(change).map((name) => [name, before[name as keyof HouseSettings]]),
            ),
          )
          await load()
        },
      })
    })
  return { settings, keep }
}
