import { useEventListener } from '@vueuse/core'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'

interface Unsaved {
  dirty: Ref<boolean>
  /** What is being written, as the question calls it. */
  what: string
  /** Settles when the save that is under way is answered. */
  saving: Promise<unknown>
}
const open = new Set<Unsaved>()

/**
 * Asks before unsaved changes of this screen are left, by a link, a reload or a closed window. Answers with the
 * function that a save is run in: whoever leaves meanwhile waits for it and is asked only if it failed.
 */
export function useUnsaved(dirty: Ref<boolean>, what: string) {
  const one: Unsaved = { dirty, what, saving: Promise.resolve() }
  open.add(one)
  onScopeDispose(() => open.delete(one))
  useEventListener(window, 'beforeunload', (event) => {
    if (dirty.value) event.preventDefault()
  })
  if (getCurrentInstance()) {
    onBeforeRouteLeave(() => mayLeave())
    // the same page for another order, draft …; another filter or tab stays on it
    onBeforeRouteUpdate((to, from) => to.path === from.path || mayLeave())
  }
  return function whileSaving<Result>(work: () => Promise<Result>): Promise<Result> {
    const saving = work()
    one.saving = saving.catch(() => {})
    return saving
  }
}

/** Whether the person leaves what is not saved; true at once where there is nothing. */
export async function mayLeave(): Promise<boolean> {
  await Promise.all([...open].map((one) => one.saving))
  const unsaved = [...open].filter((one) => one.dirty.value).map((one) => one.what)
  return unsaved.length === 0 || useLeaving().ask(unsaved.join(', '))
}

/** The one question about leaving, shown by the frame. */
export const useLeaving = defineStore('leaving', () => {
  const what = ref<string | null>(null)
  let answered: (leave: boolean) => void = () => {}
  function ask(unsaved: string): Promise<boolean> {
    answered(false)
    what.value = unsaved
    return new Promise((resolve) => {
      answered = resolve
    })
  }
  function answer(leave: boolean): void {
    what.value = null
    answered(leave)
  }
  return { what, ask, answer }
})
