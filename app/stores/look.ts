import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { useTheme } from 'vuetify'

type Choice = 'light' | 'dark' | 'system'

/** The interface by daylight or by lamplight; kept in this browser. */
export const useLook = defineStore('look', () => {
  const vuetify = useTheme()
  const system = usePreferredDark()
  const theme = useLocalStorage<Choice>('look', 'light')

  function show(): void {
    const dark = theme.value === 'dark' || (theme.value === 'system' && system.value)
    document.documentElement.dataset.theme = dark ? 'dark' : 'light'
    vuetify.change(dark ? 'lamplight' : 'ledger')
  }
  function choose(choice: Choice): void {
    theme.value = choice
  }
  watch([theme, system], show, { immediate: true })
  return { theme, choose }
})
