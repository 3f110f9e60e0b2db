import { randomUUID } from 'node:crypto'
import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { ensureDatabase, freePort, startCluster, stopCluster, urlOf, type Cluster } from '../run/cluster'

/** A PostgreSQL cluster for one suite, gone afterwards, with an empty but migrated database to copy from. */
export async function clusterFor(project: TestProject, durable: boolean): Promise<() => void> {
  const cluster: Cluster = {
    folder: join('/var/tmp', `clothespin-test-${randomUUID().slice(0, 8)}`),
    port: await freePort(),
    password: 'test',
    durable,
  }
  mkdirSync(cluster.folder, { recursive: true })
  await startCluster(cluster)
  const template = await ensureDatabase(cluster, 'template_house')
  process.env.CLOTHESPIN_DATABASE_URL = template
  const { migrate } = await import('../server/db/migrate')
  await migrate()
  project.provide('clusterUrl', urlOf(cluster, 'postgres'))
  project.provide('cluster', cluster)
  return () => {
    stopCluster(cluster, 'immediate')
    rmSync(cluster.folder, { recursive: true, force: true })
  }
}

declare module 'vitest' {
  export interface ProvidedContext {
    clusterUrl: string
    cluster: Cluster
  }
}
