import type { TestProject } from 'vitest/node'
import { clusterFor } from './clusters'

/** For fault tests: fsync, synchronous_commit and full_page_writes stay on. */
export default (project: TestProject) => clusterFor(project, true)
