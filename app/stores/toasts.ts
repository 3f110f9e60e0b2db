interface Toast {
  id: number
  words: string
  wrong: boolean
  undo?: () => Promise<void>
}

/** Short words at the foot of the page: what was done, with its undo, or what went wrong. */
export const useToasts = defineStore('toasts', () => {
  const toasts = ref<Toast[]>([])
  let count = 0

  function say(words: string, options: { wrong?: boolean; undo?: () => Promise<void> } = {}): void {
    const toast: Toast = { id: ++count, words, wrong: options.wrong ?? false, undo: options.undo }
    toasts.value = [...toasts.value.slice(-2), toast]
    setTimeout(() => remove(toast.id), toast.wrong || toast.undo ? 10_000 : 4000)
  }

  function remove(id: number): void {
    toasts.value = toasts.value.filter((toast) => toast.id !== id)
  }
  return { toasts, say, remove }
})
