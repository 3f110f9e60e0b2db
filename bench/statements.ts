import { randomUUID } from 'node:crypto'
import { addDays, dayInZone } from '../core/documents/days'
import { one, rows, run } from '../server/db/connection'
import { startRun } from '../server/services/documents/send-run'
import { setStatus } from '../server/services/orders/status'
import { inTheNameOf } from '../server/services/people/principal'
import { accounts } from '../server/services/receivables/accounts-queries'
import { recordPayment } from '../server/services/receivables/payments'
import { startStatements } from '../server/services/receivables/statements'
import { accountsDue } from '../server/services/receivables/accounts-due'
import { inBenchProcesses, memory, pause, percentiles, type BenchHouse } from './house'
import { benchOrders, invoiceWhenShipped, reachableCustomers } from './orders'
import type { Row } from './table'

/*
 * Statements of many accounts, each with forty entries and a ZIP of its eight invoices: prepared, issued and handed to
 * the mail server, with durable PostgreSQL and one worker process. BENCH_STATEMENTS says how many: more than there are
 * accounts are rounds over all of them, each of another period with the same entries.
 */
const wanted = Number(process.env.BENCH_STATEMENTS ?? 120)
const [invoicesEach, paymentsEach] = [8, 32]
const who = { ...inTheNameOf('Bench'), id: 1 }

const count = async (sql: string) => (await one<{ count: number }>(sql))!.count
const accepted = () => count('select count(*)::int count from dispatch where handed_over_at is not null')
const issued = (kind: string) => count(`select count(*)::int count from document where kind = '${kind}'`)
const perMinute = (made: number, milliseconds: number) =>
  `${Math.round((made / milliseconds) * 60_000)} a minute`

export const benchStatements = (): Promise<Row[]> =>
  inBenchProcesses(async (house, worker) => {
    const accountCount = await books(house)
    const today = dayInZone(new Date(), 'Europe/Dublin')
    const before = memory(worker, 'VmRSS')
    const rounds = Math.ceil(wanted / accountCount)
    let made = 0
    let preparing = 0
    let sending = 0
    let first = 0
    const high: number[] = []
    for (let round = 0; round < rounds; round++) {
      const prepared = await prepare(addDays(today, -30 - round), today)
      const sent = await send(prepared.ids)
      made += prepared.ids.length
      preparing += prepared.took
      sending += sent.took
      first ||= sent.first
      high.push(memory(worker, 'VmHWM'))
    }
    const list = await percentiles(200, () => accounts({ sort: 'overdue', descending: true, limit: 60 }))
    const began = performance.now()
    const due = await accountsDue('statement of account', { form: 'open items', until: today })
    const turn = performance.now() - began
    const row = (what: string, ours: string, aim = ''): Row => ({ what, ours, other: '', ratio: '', aim })
    return [
      row(`${made} statements, ${invoicesEach + paymentsEach} entries: prepared`, perMinute(made, preparing)),
      row(`sent with ${invoicesEach} copies in a ZIP each`, perMinute(made, sending)),
      row('first mail after the Send', `${first} ms`),
      row(
        'peak memory of the worker',
        `${Math.round(high.at(-1)!)} MB; after the first round ${Math.round(high[0]!)}, before ${Math.round(before)}`,
        'flat',
      ),
      row('list of accounts', `p50 ${list.p50.toFixed(1)} ms, p95 ${list.p95.toFixed(1)} ms`, 'under 30 ms'),
      row(`a turn of the clock over ${due.length} accounts`, `${Math.round(turn)} ms`),
    ]
  })

/** Invoices and payments of the accounts. @returns how many there are */
async function books(house: BenchHouse): Promise<number> {
  await run(`update company set preferences = '{"statement of account": {"copies": "zip"}}'`)
  await invoiceWhenShipped()
  const customers = reachableCustomers(house)
  const keys = customers
    .flatMap((customer) => house.brands.map((_, brand) => ({ customer, brand })))
    .slice(0, wanted)
  const ids = await benchOrders(
    house,
    keys.flatMap((key) => Array.from({ length: invoicesEach }, () => key)),
  )
  for (let at = 0; at < ids.length; at += 100) await setStatus(ids.slice(at, at + 100), 'Shipped', who)
  while ((await accepted()) < ids.length) await pause(200)
  const today = dayInZone(new Date(), 'Europe/Dublin')
  for (const { id, customerId } of await rows<{ id: number; customerId: number }>(
    `select min(d.id) id, d.customer_id "customerId" from document d group by d.customer_id, d.brand_id`,
  ))
    for (let place = 0; place < paymentsEach; place++)
      await recordPayment(
        {
          direction: 'in',
          customerId,
          date: today,
          method: 'bank transfer',
          amount: '1.00',
          currency: 'EUR',
          reference: '',
          settle: [{ documentId: id, amount: '1.00', discount: '0', writeOff: '0' }],
          another: true,
        },
        who,
      )
  return keys.length
}

async function prepare(
  from: string,
  today: string,
): Promise<{ took: number; ids: { id: number; revision: number }[] }> {
  const began = performance.now()
  const runId = await startStatements(
    { matching: { sort: 'name', descending: false, limit: 1 }, but: [] },
    { form: 'activity', from, until: today },
    who,
  )
  while ((await count('select count(*)::int count from statement_run_account where outcome is null')) > 0)
    await pause(20)
  const took = performance.now() - began
  const ids = await rows<{ id: number; revision: number }>(
    `select p.id, p.revision
    from statement_run_account x
    join prepared_document p on p.id = x.prepared_id
    where x.run_id = $1 and p.problem is null`,
    [runId],
  )
  return { took, ids }
}

async function send(ids: { id: number; revision: number }[]): Promise<{ took: number; first: number }> {
  const before = await accepted()
  const issuedBefore = await issued('statement of account')
  const began = performance.now()
  await startRun(ids, randomUUID(), who)
  let first = 0
  for (;;) {
    const left = (await accepted()) - before
    if (left > 0 && first === 0) first = Math.round(performance.now() - began)
    if (left >= ids.length) break
    await pause(20)
  }
  if ((await issued('statement of account')) - issuedBefore !== ids.length)
    throw new Error('not every statement was issued')
  return { took: performance.now() - began, first }
}
