import { fork, type ChildProcess } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { loadHouse } from '../demo/house'
import { ensureDatabase, freePort, startCluster, stopCluster, type Cluster } from '../run/cluster'
import { closeDatabase, one, rows, run } from '../server/db/connection'
import { migrate } from '../server/db/migrate'
import { addOrder } from '../server/services/orders/orders'
import { setStatus } from '../server/services/orders/status'
import { addRoutine } from '../server/services/routines/routines'
import type { Row } from './table'
import { inTheNameOf } from '../server/services/people/principal'

/*
 * From an order set to Shipped to the mail server's 250, with durable PostgreSQL, one worker process, and the
 * stand-in, all on this machine.
 */
const manyOrders = Number(process.env.BENCH_ORDERS ?? 2000)
const idleOrders = 30

const memory = (pid: number, name: 'VmHWM' | 'VmRSS') =>
  Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds))

export async function benchSending(): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-bench-'))
  const cluster: Cluster = {
    folder: join('/var/tmp', `clothespin-bench-${process.pid}`),
    port: await freePort(),
    password: 'bench',
    durable: true,
  }
  mkdirSync(cluster.folder, { recursive: true })
  await startCluster(cluster)
  const [smtp, returns] = [await freePort(), await freePort()]
  process.env.CLOTHESPIN_DATABASE_URL = await ensureDatabase(cluster, 'bench')
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
    await migrate()
    for (const name of ['mail-standin', 'worker']) {
      const child = fork(join('.build/js', `${name}.mjs`), [], {
        env: { ...process.env, CLOTHESPIN_PROCESS: name },
      })
      children.push(child)
      await new Promise((resolve) => child.once('message', resolve))
    }
    const worker = children[1]!.pid!
    const ids = await orders(manyOrders + idleOrders)
    await pause(1500)
    const idle = await idleLatency(ids.slice(0, idleOrders))
    const many = await throughput(ids.slice(idleOrders), worker)
    return [idle, ...many]
  } finally {
    for (const child of children) child.kill('SIGKILL')
    await closeDatabase()
    stopCluster(cluster, 'immediate')
    rmSync(cluster.folder, { recursive: true, force: true })
    rmSync(folder, { recursive: true, force: true })
  }
}

async function orders(count: number): Promise<number[]> {
  const { brands, customers, items } = await loadHouse()
  await run('update company set presume_seconds = 86400')
  await addRoutine(
    {
      name: 'Invoice when shipped',
      description: '',
      trust: 'automatic',
      isOn: true,
      sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
    },
    inTheNameOf('Bench'),
  )
  const reachable = customers.filter(
    (customer) =>
      customer.contacts.some((contact) => contact[2] === 'billing') &&
      customer.billing &&
      !customer.preferences,
  )
  const ids: number[] = []
  for (let index = 0; index < count; index++) {
    const customer = reachable[index % reachable.length]!
    ids.push(
      await addOrder(
        {
          number: `B-${index + 1}`,
          brandId: brands[index % 2]!.id,
          customerId: customer.id,
          customerName: customer.name,
          date: '2026-11-20',
          status: 'Packed',
          currency: 'EUR',
          pricesIncludeTax: false,
          reference: null,
          salesperson: '',
          customerNote: null,
          prepaid: '0',
          adjustments: [],
          lines: Array.from({ length: 8 }, (_, line) => ({
            item: items[(index + line) % items.length]!.code,
            description: items[(index + line) % items.length]!.en,
            detail: null,
            unit: '',
            quantity: '2',
            unitPrice: '41.50',
            discountPercent: '0',
            taxCode: 'standard',
          })),
        },
        inTheNameOf('Bench'),
      ),
    )
  }
  return ids
}

const accepted = async () =>
  (await one<{ count: number }>('select count(*)::int count from dispatch where handed_over_at is not null'))!
    .count

async function idleLatency(ids: number[]): Promise<Row> {
  for (const id of ids) {
    const before = await accepted()
    await setStatus([id], 'Shipped', inTheNameOf('Bench'))
    while ((await accepted()) === before) await pause(10)
    await pause(150)
  }
  const lags = await rows<{
    lag: number
  }>(`
    select extract(epoch from s.handed_over_at - e.at)::float8 * 1000 lag
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    join event e on e.source_id = d.source_id and e.kind = 'order status'
    order by 1`)
  const at = (share: number) =>
    Math.round(lags[Math.min(lags.length - 1, Math.floor(lags.length * share))]!.lag)
  return {
    what: `event to hand-over when idle (${lags.length})`,
    ours: `p50 ${at(0.5)} ms, p95 ${at(0.95)} ms`,
    other: '',
    ratio: '',
    aim: 'under 500 ms',
  }
}

async function throughput(ids: number[], worker: number): Promise<Row[]> {
  const base = await accepted()
  const started = Date.now()
  const marks: { done: number; at: number }[] = []
  for (let at = 0; at < ids.length; at += 100)
    await setStatus(ids.slice(at, at + 100), 'Shipped', inTheNameOf('Bench'))
  const startMemory = memory(worker, 'VmRSS')
  for (;;) {
    const done = (await accepted()) - base
    marks.push({ done, at: Date.now() - started })
    if (done >= ids.length) break
    await pause(100)
  }
  const total = marks.at(-1)!.at
  const when = (share: number) => marks.find((mark) => mark.done >= ids.length * share)!.at
  const perPaper = (from: number, to: number) =>
    ((when(to) - when(from)) / (ids.length * (to - from))).toFixed(1)
  return [
    {
      what: `${ids.length} orders set to Shipped → accepted`,
      ours: `${Math.round((ids.length / total) * 60_000)} a minute`,
      other: '',
      ratio: '',
      aim: '3,000 a minute',
    },
    {
      what: 'peak memory of the worker',
      ours: `${Math.round(memory(worker, 'VmHWM'))} MB (${Math.round(startMemory)} MB at start)`,
      other: '',
      ratio: '',
      aim: 'flat',
    },
    {
      what: 'time per paper, second quarter / last quarter',
      ours: `${perPaper(0.25, 0.5)} / ${perPaper(0.75, 1)} ms`,
      other: '',
      ratio: '',
      aim: 'the same',
    },
  ]
}
