import { t } from '../words'
import { ApiRefusal, attempt } from './api'
import { useLive } from './useLive'
import { useNewest } from './useNewest'
import { useToasts } from '../stores/toasts'
import { changeSettings, fetchSettings } from '../calls/house'
import type { HouseSettings } from '../contract'

type Change = Partial<HouseSettings>

/** How the settings are that a change changes. */
const ofThese = (settings: HouseSettings, change: Change) =>
  Object.fromEntries(Object.keys(change).map((name) => [name, settings[name as keyof HouseSettings]]))

/**
 * What holds for the whole house; what is changed of it is said, and can be undone. Where somebody else just changed
 * the same, nothing is written: it is shown as it is now, and one's own can be kept all the same.
 */
export function useHouseSettings() {
  const toasts = useToasts()
  const settings = shallowRef<HouseSettings>()
  const newest = useNewest()
  /** @returns how they are now; an older answer that comes late is never shown over a newer one */
  async function fetched(): Promise<HouseSettings> {
    const asked = fetchSettings()
    const now = await newest(() => asked)
    if (now) settings.value = now
    return asked
  }
  const load = () => attempt(async () => void (await fetched()))
  onMounted(load)
  useLive(['house'], () => void load())

  const keepNow = (change: Change, said: string): Promise<boolean> =>
    attempt(async () => {
      const before = ofThese(settings.value!, change)
      try {
        await changeSettings({ ...change, was: before })
      } catch (error) {
        if (!(error instanceof ApiRefusal) || error.code !== 'changed-meanwhile') throw error
        await load()
        toasts.say(error.message, {
          wrong: true,
          offer: { words: t('frame.keepMine'), go: async () => void (await keep(change, said)) },
        })
        return
      }
      const after = ofThese(await fetched(), change)
      toasts.say(said, {
        undo: async () => {
          await changeSettings({ ...before, was: after })
          await load()
        },
      })
    })

  /** One after the other: what one just changed oneself is nobody else's. */
  let last: Promise<unknown> = Promise.resolve()
  function keep(change: Change, said: string): Promise<boolean> {
    const now = last.then(() => keepNow(change, said))
    last = now
    return now
  }
  return { settings, keep }
}
