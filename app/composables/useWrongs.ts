import { ApiRefusal } from './api'

/**
 * For a form whose refusals stand at their fields: `wrongs` holds a sentence by field, `wrong` what is about none of
 * them, `busy` whether it is being saved.
 * @param known the fields that show their own; a refusal about any other is said for the whole form
 */
export function useWrongs(known: readonly string[]) {
  const busy = ref(false)
  const wrong = ref('')
  const wrongs = ref<Record<string, string>>({})

  /** @returns whether it was done */
  async function acting(act: () => Promise<void>): Promise<boolean> {
    busy.value = true
    wrong.value = ''
    wrongs.value = {}
    try {
      await act()
      return true
    } catch (error) {
      const field = error instanceof ApiRefusal ? error.about.field : undefined
      if (field && known.some((one) => field === one || field.startsWith(`${one}.`)))
        wrongs.value = { [field]: (error as Error).message }
      else wrong.value = (error as Error).message
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, wrongs, acting }
}
