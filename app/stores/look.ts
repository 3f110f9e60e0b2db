import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { useTheme } from 'vuetify'

type Choice = 'light' | 'dark' | 'system'

/** Light or dark, as the computer has it unless somebody chose; kept in this browser. */
export const useLook = defineStore('look', () => {
  const vuetify = useTheme()
  const system = usePreferredDark()
  const theme = useLocalStorage<Choice>('look', 'system')
  const dark = computed(() => theme.value === 'dark' || (theme.value === 'system' && system.value))

  function show(): void {
    document.documentElement.dataset.theme = dark.value ? 'dark' : 'light'
    vuetify.change(dark.value ? 'lamplight' : 'ledger')
  }
  function choose(choice: Choice): void {
    theme.value = choice
  }
  watch(dark, show, { immediate: true })
  return { theme, dark, choose }
})
