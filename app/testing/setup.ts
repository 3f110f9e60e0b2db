import { config } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { createVuetify } from 'vuetify'
import { i18n } from '../words'

/** Components as the application mounts them: with its stores, Vuetify and words. */
config.global.plugins = [createPinia(), createVuetify(), i18n]
Object.assign(globalThis, {
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
  visualViewport: new EventTarget(),
})
