import { useTheme } from 'vuetify'

type Choice = 'light' | 'dark' | 'system'

/** The interface by daylight or by lamplight; kept in this browser. */
export const useLook = defineStore('look', () => {
  const vuetify = useTheme()
  const system = window.matchMedia('(prefers-color-scheme: dark)')
  const theme = ref<Choice>((localStorage.getItem('look') as Choice | null) ?? 'light')

  function show(): void {
    const dark = theme.value === 'dark' || (theme.value === 'system' && system.matches)
    document.documentElement.dataset.theme = dark ? 'dark' : 'light'
    vuetify.change(dark ? 'lamplight' : 'ledger')
  }
  function choose(choice: Choice): void {
    theme.value = choice
    localStorage.setItem('look', choice)
    show()
  }
  system.addEventListener('change', show)
  show()
  return { theme, choose }
})
