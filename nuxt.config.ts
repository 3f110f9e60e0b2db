import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'

export default defineNuxtConfig({
  modules: [
    '@pinia/nuxt',
    (_options, nuxt) => {
      nuxt.hooks.hook('vite:extendConfig', (config) => {
        config.plugins?.push(vuetify({ autoImport: true }))
      })
      nuxt.hooks.hook('nitro:config', (config) => {
        config.errorHandler = '~~/server/http/errors'
        // what a route takes is checked by a file beside it, which is no route
        ;(config.ignore ??= []).push('**/*.check.ts')
      })
    },
  ],
  $development: { experimental: { viteEnvironmentApi: true } },
  ssr: false,
  // every arrow between our own files can be seen: nothing of ours is imported by itself
  components: { dirs: [] },
  imports: { scan: false },
  pinia: { storesDirs: [] },
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Clothespin',
      htmlAttrs: { lang: 'en' },
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' }],
    },
  },
  css: ['vuetify/styles', ...['base', 'words', 'frame', 'fields'].map((part) => `~/theme/${part}.css`)],
  spaLoadingTemplate: 'loading.html',
  build: { transpile: ['vuetify'] },
  compatibilityDate: '2026-11-01',
  vite: {
    vue: { template: { transformAssetUrls } },
    build: { cssMinify: 'lightningcss' },
    define: {
      'process.env.DEBUG': 'false',
      __VUE_I18N_LEGACY_API__: 'false',
      __VUE_I18N_FULL_INSTALL__: 'true',
      __INTLIFY_PROD_DEVTOOLS__: 'false',
    },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true, resolveJsonModule: true } },
    nodeTsConfig: {
      include: [
        '../core/**/*',
        '../tests/**/*',
        '../demo/**/*',
        '../run/**/*',
        '../bench/**/*',
        '../standins/**/*',
        '../scripts/**/*',
      ],
    },
  },
  telemetry: { enabled: false },
})
