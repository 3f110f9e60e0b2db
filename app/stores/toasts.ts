export interface Toast {
  id: number
  words: string
  wrong: boolean
  at: Date
  /** Takes it back; offered while it is the newest. */
  undo?: () => Promise<void>
  /** What can be done about it instead; offered as long. */
  offer?: { words: string; go: () => Promise<void> }
}

/** So many are kept to be looked up. */
const most = 50

/**
 * Short words on the foot of the page: what was done, with its undo, or what went wrong. The newest stands there
 * for a while; all of this sitting are kept in a list.
 */
export const useToasts = defineStore('toasts', () => {
  const toasts = ref<Toast[]>([])
  const fresh = ref<Toast>()
  let count = 0

  function say(
    words: string,
    options: { wrong?: boolean; undo?: () => Promise<void>; offer?: Toast['offer'] } = {},
  ): void {
    const { wrong = false, undo, offer } = options
    const toast: Toast = { id: ++count, words, wrong, at: new Date(), undo, offer }
    toasts.value = [...toasts.value.slice(1 - most), toast]
    fresh.value = toast
    setTimeout(() => settle(toast.id), undo || offer ? 60_000 : wrong ? 20_000 : 6000)
  }

  /** It is read, or taken back: it is found in the list only. */
  function settle(id: number): void {
    if (fresh.value?.id === id) fresh.value = undefined
  }

  /** The next person at this screen reads nothing of it. */
  function forget(): void {
    toasts.value = []
    fresh.value = undefined
  }
  return { toasts, fresh, say, settle, forget }
})
