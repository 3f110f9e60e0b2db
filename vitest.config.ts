import { defineConfig } from 'vitest/config'

/** Four suites, run one after the other by bin/test. */
export default defineConfig({
  test: {
    reporters: ['default'],
    projects: [
      {
        test: {
          name: 'core',
          include: ['core', 'server', 'app', 'standins'].map((folder) => `${folder}/**/*.test.ts`),
        },
      },
      {
        test: {
          name: 'integration',
          include: ['tests/integration/**/*.test.ts'],
          globalSetup: 'tests/cluster.ts',
          testTimeout: 30_000,
          hookTimeout: 60_000,
          fileParallelism: true,
          maxWorkers: 2,
          retry: 1,
        },
      },
      {
        test: {
          name: 'faults',
          include: ['tests/faults/**/*.test.ts'],
          globalSetup: 'tests/durable-cluster.ts',
          testTimeout: 180_000,
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
          retry: 1,
        },
      },
    ],
  },
})
