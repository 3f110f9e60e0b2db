/**
 * Something that takes a moment and can be refused: `busy` while it goes on, `wrong` with the words of a
 * refusal until it is tried again.
 */
export function useActing() {
  const busy = ref(false)
  const wrong = ref('')

  /** @returns whether it was done */
  async function acting(act: () => Promise<void>): Promise<boolean> {
    busy.value = true
    wrong.value = ''
    try {
      await act()
      return true
    } catch (error) {
      wrong.value = (error as Error).message
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, acting }
}
