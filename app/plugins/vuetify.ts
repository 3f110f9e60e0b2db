import 'vuetify/styles'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** Looks are set here once, so that the standard look does not show through anywhere. */
export default defineNuxtPlugin((nuxt) => {
  const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto', color: 'primary' } as const
  nuxt.vueApp.use(
    createVuetify({
      icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
      theme: {
        defaultTheme: 'ledger',
        themes: {
          ledger: {
            dark: false,
            colors: {
              background: '#edf3ef',
              surface: '#ffffff',
              primary: '#12624f',
              secondary: '#16262b',
              error: '#a8322a',
              warning: '#7a4a12',
              info: '#1d5a87',
              success: '#12624f',
              'on-background': '#16262b',
              'on-surface': '#16262b',
            },
            variables: {
              'border-color': '#16262b',
              'border-opacity': 0.16,
              'high-emphasis-opacity': 1,
              'medium-emphasis-opacity': 0.8,
            },
          },
          lamplight: {
            dark: true,
            colors: {
              background: '#1b292d',
              surface: '#142024',
              primary: '#86d1b9',
              secondary: '#0c1518',
              error: '#f4a097',
              warning: '#ecc08a',
              info: '#95c6ec',
              success: '#86d1b9',
              'on-background': '#e6eeea',
              'on-surface': '#e6eeea',
            },
            variables: {
              'border-color': '#e6eeea',
              'border-opacity': 0.16,
              'high-emphasis-opacity': 1,
              'medium-emphasis-opacity': 0.8,
            },
          },
        },
      },
      defaults: {
        VBtn: {
          variant: 'outlined',
          rounded: 'sm',
          height: 34,
          ripple: false,
          style: 'border-color: var(--rule); background: var(--paper); padding: 0 12px;',
        },
        VTextField: field,
        VTextarea: field,
        VSelect: field,
        VAutocomplete: field,
        VCombobox: field,
        VCheckboxBtn: { density: 'compact', color: 'secondary', ripple: false },
        VCheckbox: { density: 'compact', color: 'secondary', ripple: false, hideDetails: true },
        VRadioGroup: { density: 'compact', color: 'secondary', hideDetails: true },
        VRadio: { density: 'compact', ripple: false },
        VCard: { rounded: 'sm', elevation: 0, border: true },
        VDialog: { maxWidth: 520, scrim: 'secondary', transition: false },
        VMenu: { offset: 4, transition: false },
        VList: { density: 'compact', rounded: 'sm', elevation: 3, border: true },
        VTooltip: { transition: false, openDelay: 500 },
        VProgressLinear: { color: 'primary', height: 6, rounded: true },
      },
    }),
  )
})
