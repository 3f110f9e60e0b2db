import { one, rows } from '../server/db/connection'
import { setStatus } from '../server/services/orders/status'
import { inTheNameOf } from '../server/services/people/principal'
import { inBenchProcesses, memory, pause } from './house'
import { benchOrders, invoiceWhenShipped, reachableCustomers } from './orders'
import type { Row } from './table'

/*
 * From an order set to Shipped to the mail server's 250, with durable PostgreSQL, one worker process, and the
 * stand-in, all on this machine.
 */
const manyOrders = Number(process.env.BENCH_ORDERS ?? 2000)
const idleOrders = 30

export const benchSending = (): Promise<Row[]> =>
  inBenchProcesses(async (house, worker) => {
    await invoiceWhenShipped()
    const customers = reachableCustomers(house)
    const count = manyOrders + idleOrders
    const ids = await benchOrders(
      house,
      Array.from({ length: count }, (_, at) => ({
        customer: customers[at % customers.length]!,
        brand: at % 2,
      })),
    )
    await pause(1500)
    const idle = await idleLatency(ids.slice(0, idleOrders))
    const many = await throughput(ids.slice(idleOrders), worker)
    return [idle, ...many]
  })

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
