import { readdirSync, readFileSync } from 'node:fs'
import vue from '@vitejs/plugin-vue'
import unimport from 'unimport/unplugin'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'
import { LongestFirst } from './tests/longest-first'

/** Tests of components that put something in the place of a module have their modules to themselves. */
const ofComponents = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.test.ts'))
  .map((file) => `app/${file}`)
const mocks = (file: string) => /\bvi\.(mock|doMock)\(/.test(readFileSync(file, 'utf8'))
const [mocking, plain] = [ofComponents.filter(mocks), ofComponents.filter((file) => !mocks(file))]

const components = (name: string, include: string[], how: { isolate?: boolean } = {}) => ({
  // what Nuxt imports by itself in the application: Vue's own functions and Pinia's
  plugins: [vue(), vuetify({ autoImport: true }), unimport.vite({ presets: ['vue', 'pinia'] })],
  test: {
    name,
    include,
    // the first of a file waits until its components are compiled, beside whatever else runs
    testTimeout: 30_000,
    environment: 'happy-dom',
    setupFiles: ['app/testing/setup.ts'],
    server: { deps: { inline: ['vuetify'] } },
    pool: 'threads' as const,
    ...how,
  },
})

/** The suites that bin/test runs. */
export default defineConfig({
  test: {
    reporters: ['default'],
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        test: {
          name: 'core',
          include: ['core', 'server', 'standins'].map((folder) => `${folder}/**/*.test.ts`),
          testTimeout: 30_000,
          isolate: false,
        },
      },
      components('components', plain, { isolate: false }),
      components('mocked', mocking),
      {
        test: {
          name: 'integration',
          include: ['tests/integration/**/*.test.ts'],
          globalSetup: 'tests/cluster.ts',
          testTimeout: 30_000,
          hookTimeout: 60_000,
          fileParallelism: true,
          maxWorkers: 2,
          // what the server loads is loaded once a worker; each file has a database and ports of its own
          isolate: false,
        },
      },
      {
        test: {
          name: 'faults',
          include: ['tests/faults/**/*.test.ts'],
          globalSetup: 'tests/durable-cluster.ts',
          testTimeout: 300_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
      {
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          globalSetup: 'tests/demo-cluster.ts',
          testTimeout: 60_000,
          hookTimeout: 180_000,
          fileParallelism: true,
          maxWorkers: 2,
          isolate: false,
        },
      },
    ],
  },
})
