import { config } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { createVuetify } from 'vuetify'

/** Components as the application mounts them: with its stores and Vuetify. */
config.global.plugins = [createPinia(), createVuetify()]
Object.assign(globalThis, {
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
  visualViewport: new EventTarget(),
})
