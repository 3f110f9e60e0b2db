import { useEventListener } from '@vueuse/core'

const isTyping = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.('input, textarea, select, [contenteditable], .v-overlay')

/**
 * Whether the pane beside a list is open on a narrow screen, where it lies over the list: D opens and closes it, Escape
 * closes it, and so does another page.
 */
export function useAside() {
  const route = useRoute()
  const aside = ref(false)
  watch(aside, (open) => {
    if (open) document.documentElement.dataset.aside = 'open'
    else delete document.documentElement.dataset.aside
  })
  watch(
    () => route.path,
    () => (aside.value = false),
  )
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    if (event.key === 'd') aside.value = !aside.value
    else if (event.key === 'Escape') aside.value = false
  })
  /** On a phone the document is what one came for: touching a row shows it. */
  useEventListener(document, 'click', (event: MouseEvent) => {
    const onRow = (event.target as Element).closest?.('[role="option"]')
    if (onRow && matchMedia('(max-width: 700px)').matches) aside.value = true
  })
  return aside
}
