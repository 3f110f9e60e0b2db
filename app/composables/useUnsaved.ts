import { onBeforeRouteLeave } from 'vue-router'

/** What is being written and not saved, by what it is called: leaving asks first. */
const open = new Map<symbol, { dirty: Ref<boolean>; what: string }>()

/** Asks before unsaved changes of this screen are left, by a link, a reload or a closed window. */
export function useUnsaved(dirty: Ref<boolean>, what: string): void {
  const key = Symbol(what)
  open.set(key, { dirty, what })
  const beforeUnload = (event: BeforeUnloadEvent) => {
    if (dirty.value) event.preventDefault()
  }
  window.addEventListener('beforeunload', beforeUnload)
  onScopeDispose(() => {
    open.delete(key)
    window.removeEventListener('beforeunload', beforeUnload)
  })
  if (getCurrentInstance()) onBeforeRouteLeave(() => mayLeave())
}

/** Whether the person leaves what is not saved; true at once where there is nothing. */
export function mayLeave(): Promise<boolean> {
  const unsaved = [...open.values()].filter((one) => one.dirty.value).map((one) => one.what)
  return unsaved.length === 0 ? Promise.resolve(true) : useLeaving().ask(unsaved.join(', '))
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
