import { fork } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../run/cluster'
import { one, run } from '../server/db/connection'
import { prepareByHand } from '../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { inTheNameOf } from '../server/services/people/principal'
import { keepCarrier } from '../server/services/shipping/carriers'
import { askLabels } from '../server/services/shipping/labels'
import { makeShipment } from '../server/services/shipping/pack'
import { simulatedCarrier } from '../server/outside/carrier/simulated'
import { inBenchProcesses, pause } from './house'
import type { Row } from './table'

/*
 * Labels of a carrier that answers in 50 ms: bought, printed as PDF, by one worker; beside asking the carrier for one
 * after the other, as a program does that knows nothing else. And the CPU that a label costs beside an invoice.
 */
const labelCount = Number(process.env.BENCH_LABELS ?? 600)
const who = inTheNameOf('Bench')

/** CPU seconds of a process so far (proc(5): utime and stime in ticks of 10 ms). */
const cpuOf = (pid: number) => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) / 100
}

const addOrders = (from: number, count: number) =>
  run(`
    insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, net, total, search, supplied_on
    )
    select 'L-' || n, 1 + n % 2, c.id, current_date, 'Packed', now(), 'EUR', 100, 123, '', current_date
    from generate_series(${from}, ${from + count - 1}) n
    join lateral (
      select id
      from customer
      where currency = 'EUR' and billing is not null and tax_treatment = 'domestic'
      order by id
      offset n % 40
      limit 1
    ) c
      on true`)

export const benchLabels = (): Promise<Row[]> =>
  inBenchProcesses(async (_house, worker) => {
    const folder = mkdtempSync(join(tmpdir(), 'clothespin-bench-carrier-'))
    const port = await freePort()
    const carrier = fork(join('.build/js', 'carrier-standin.mjs'), [], {
      env: {
        ...process.env,
        STANDIN_CARRIER_PORT: String(port),
        STANDIN_CARRIER_FOLDER: folder,
        STANDIN_CARRIER_KEY: 'bench',
        STANDIN_CARRIER_MILLISECONDS: '50',
      },
    })
    await new Promise((resolve) => carrier.once('message', resolve))
    try {
      const address = `http://127.0.0.1:${port}`
      await keepCarrier(null, {
        name: 'Glenhaven Parcels',
        kind: 'simulated',
        address,
        inside: true,
        key: 'bench',
        version: 1,
      })
      await addOrders(1, labelCount / 2)
      await run(
        `insert into order_line (order_id, position, item_code, description, quantity, unit_price, tax_code)
        select id, 1, 'HB', 'Brood box', 2, 41.5, 'standard'
        from sales_order`,
      )
      const shipments = await packAll()
      const cpu = cpuOf(worker)
      const began = performance.now()
      for (const id of shipments) await askLabels(id, {}, who)
      await until(`select count(*)::int count from label where state = 'made'`, labelCount)
      const bought = (performance.now() - began) / 1000
      await until(
        `select count(*)::int count from document d join document_file f on f.document_id = d.id`,
        shipments.length,
      )
      const printed = (performance.now() - began) / 1000
      const each = ((cpuOf(worker) - cpu) / labelCount) * 1000
      const single = await oneByOne(address)
      const invoice = await cpuOfInvoice(worker, shipments.length)
      return [
        {
          what: `labels bought of a carrier that answers in 50 ms, ${labelCount}`,
          ours: `${Math.round((labelCount / bought) * 60)} a minute`,
          other: `${Math.round(single * 60)} one by one`,
          ratio: (labelCount / bought / single).toFixed(1),
          aim: '',
        },
        {
          what: 'the same until they can be printed, two on a document',
          ours: `${Math.round((labelCount / printed) * 60)} a minute`,
          other: '',
          ratio: '',
          aim: '',
        },
        {
          what: 'CPU of the worker for a label, beside an invoice issued and painted',
          ours: `${each.toFixed(1)} ms`,
          other: `${invoice.toFixed(1)} ms an invoice`,
          ratio: '',
          aim: '',
        },
      ]
    } finally {
      carrier.kill('SIGKILL')
      rmSync(folder, { recursive: true, force: true })
    }
  })

async function packAll(): Promise<number[]> {
  const orders = await one<{ ids: number[] }>('select array_agg(id order by id) ids from sales_order')
  const found: number[] = []
  for (const id of orders!.ids)
    found.push(
      await makeShipment(
        id,
        {
          lines: [{ position: 1, quantity: '2' }],
          delivery: { name: 'Weir Store', lines: ['Weir Road 2', 'Marlbridge'], country: 'IE' },
          parcels: [1, 2].map(() => ({
            box: '',
            weight: '3',
            contents: [{ position: 1, quantity: '1' }],
          })),
        },
        who,
      ),
    )
  return found
}

async function until(sql: string, wanted: number): Promise<void> {
  while ((await one<{ count: number }>(sql))!.count < wanted) await pause(50)
}

/** @returns labels a second where each waits for the one before */
async function oneByOne(address: string): Promise<number> {
  const carrier = simulatedCarrier(address, 'bench', true)
  const began = performance.now()
  const turns = 40
  for (let turn = 0; turn < turns; turn++)
    await carrier.book({
      key: `alone ${turn}`,
      service: 'GP24',
      to: ['Weir Store', 'Marlbridge'],
      from: [],
      country: 'IE',
      weight: '3',
      size: null,
      parcel: 1,
      of: 1,
      order: 'L-0',
      isReturn: false,
      tell: '',
    })
  return turns / ((performance.now() - began) / 1000)
}

/** CPU milliseconds of the worker for an invoice: painted there, issued here. */
async function cpuOfInvoice(worker: number, count: number): Promise<number> {
  const orders = await one<{ ids: number[] }>(`select array_agg(id order by id) ids from sales_order`)
  const ids = orders!.ids.slice(0, count)
  const papers: number[] = []
  for (let from = 0; from < ids.length; from += 100)
    papers.push(
      ...(await prepareByHand('invoice', ids.slice(from, from + 100), who)).flatMap(
        ({ result }) => result.preparedId ?? [],
      ),
    )
  const before = cpuOf(worker) + process.cpuUsage().user / 1e6
  // one of a customer who has to give an order number first is not issued
  let issued = 0
  for (let from = 0; from < papers.length; from += 100) {
    const asked = papers.slice(from, from + 100).map((preparedId) => ({ preparedId, revision: null }))
    const results = await issueInOneTransaction(asked, who)
    issued += results.filter(({ outcome }) => outcome === 'issued').length
  }
  await until(
    `select count(*)::int count from document d join document_file f on f.document_id = d.id where d.kind = 'invoice'`,
    issued,
  )
  return ((cpuOf(worker) + process.cpuUsage().user / 1e6 - before) / Math.max(1, issued)) * 1000
}
