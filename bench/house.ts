import { fork, type ChildProcess } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { loadHouse } from '../demo/house'
import { ensureDatabase, freePort, startCluster, stopCluster, type Cluster } from '../run/cluster'
import { closeDatabase, run } from '../server/db/connection'
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
  measure: (house: BenchHouse) => Promise<Row[]>,
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
    return await measure(await loadHouse())
  } finally {
    await closeRenderPool()
    await closeDatabase()
    stopCluster(cluster, 'immediate')
    rmSync(cluster.folder, { recursive: true, force: true })
  }
}

export type BenchHouse = Awaited<ReturnType<typeof loadHouse>>

/** What a process holds in memory now, or held at most, in MB. */
export const memory = (pid: number, name: 'VmHWM' | 'VmRSS') =>
  Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024

export const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** Measures with durable PostgreSQL, one worker process and the mail stand-in, each a process of its own. */
export async function inBenchProcesses(
  measure: (house: BenchHouse, worker: number) => Promise<Row[]>,
): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-bench-'))
  const [smtp, returns] = [await freePort(), await freePort()]
  Object.assign(process.env, {
    CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
    CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtp}`,
    CLOTHESPIN_SMTP_VERIFY: 'no',
    CLOTHESPIN_RETURN_PORT: String(returns),
    CLOTHESPIN_LOG: 'error',
    STANDIN_SMTP_PORT: String(smtp),
    STANDIN_REPORT_PORT: '0',
    STANDIN_WEB_PORT: '0',
    STANDIN_MAIL_FOLDER: join(folder, 'mail'),
  })
  const children: ChildProcess[] = []
  try {
    return await inBenchHouse('processes', true, async (house) => {
      await run('update company set presume_seconds = 86400')
      for (const name of ['mail-standin', 'worker']) {
        const child = fork(join('.build/js', `${name}.mjs`), [], {
          env: { ...process.env, CLOTHESPIN_PROCESS: name },
        })
        children.push(child)
        await new Promise((resolve) => child.once('message', resolve))
      }
      try {
        return await measure(house, children[1]!.pid!)
      } finally {
        for (const child of children) child.kill('SIGKILL')
      }
    })
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/**
 * The 95th and 50th percentile of so many turns, in milliseconds.
 * @param before turns that are not counted: a server that runs has read its tables and compiled its code
 */
export async function percentiles(
  turns: number,
  act: () => Promise<unknown>,
  before = 0,
): Promise<{ p95: number; p50: number }> {
  for (let turn = 0; turn < before; turn++) await act()
  const times: number[] = []
  for (let turn = 0; turn < turns; turn++) {
    const began = performance.now()
    await act()
    times.push(performance.now() - began)
  }
  times.sort((a, b) => a - b)
  return { p95: times[Math.ceil(turns * 0.95) - 1]!, p50: times[Math.floor(turns / 2)]! }
}
