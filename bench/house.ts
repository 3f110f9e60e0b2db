import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { loadHouse } from '../demo/house'
import { ensureDatabase, freePort, startCluster, stopCluster, type Cluster } from '../run/cluster'
import { closeDatabase } from '../server/db/connection'
import { migrate } from '../server/db/migrate'
import { closeRenderPool } from '../server/render/pool'
import type { Row } from './table'
import { registerSources } from '../server/services/sources'

/**
 * Measures in a house of its own: a throw-away cluster with the demo's company, brands, customers and items,
 * and no orders.
 */
export async function inBenchHouse(
  name: string,
  durable: boolean,
  measure: () => Promise<Row[]>,
): Promise<Row[]> {
  registerSources()
  const cluster: Cluster = {
    folder: join('/var/tmp', `clothespin-bench-${name}-${process.pid}`),
    port: await freePort(),
    password: 'bench',
    durable,
  }
  mkdirSync(cluster.folder, { recursive: true })
  await startCluster(cluster)
  try {
    process.env.CLOTHESPIN_DATABASE_URL = await ensureDatabase(cluster, 'bench')
    await migrate()
    await loadHouse()
    return await measure()
  } finally {
    await closeRenderPool()
    await closeDatabase()
    stopCluster(cluster, 'immediate')
    rmSync(cluster.folder, { recursive: true, force: true })
  }
}

/** The 95th and 50th percentile of so many turns, in milliseconds. */
export async function percentiles(
  turns: number,
  act: () => Promise<unknown>,
): Promise<{ p95: number; p50: number }> {
  const times: number[] = []
  for (let turn = 0; turn < turns; turn++) {
    const began = performance.now()
    await act()
    times.push(performance.now() - began)
  }
  times.sort((a, b) => a - b)
  return { p95: times[Math.ceil(turns * 0.95) - 1]!, p50: times[Math.floor(turns / 2)]! }
}
