import { useEventListener } from '@vueuse/core'

/** Ctrl+Enter is the filled button of the screen. */
export function useMainKey(act: () => void): void {
  const key = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && event.ctrlKey && !document.querySelector('.v-dialog.v-overlay--active')) {
      event.preventDefault()
      act()
    }
  }
  useEventListener(document, 'keydown', key)
}
