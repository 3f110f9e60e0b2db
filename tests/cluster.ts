import type { TestProject } from 'vitest/node'
import { loadHouse } from '../demo/house'
import { closeDatabase } from '../server/db/connection'
import { clusterFor } from './clusters'

type LoadedHouse = Awaited<ReturnType<typeof loadHouse>>

/** For tests that need no durability: nothing waits for the disk. Its template holds the demo's house, nothing else. */
export default async function houseCluster(project: TestProject): Promise<() => void> {
  const stop = await clusterFor(project, false)
  project.provide('loadedHouse', await loadHouse())
  await closeDatabase()
  return stop
}

declare module 'vitest' {
  export interface ProvidedContext {
    loadedHouse: LoadedHouse
  }
}
