import type { TestProject } from 'vitest/node'
import { clusterFor } from './clusters'

/** For tests that need no durability: nothing waits for the disk. */
export default (project: TestProject) => clusterFor(project, false)
