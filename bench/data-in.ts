import { statementXml } from '../demo/bank'
import { creditorReference } from '../core/documents/payment-code'
import { readCamt053 } from '../core/receivables/camt053'
import { matchEntry, type Candidate } from '../core/receivables/match'
import { one, rows, run } from '../server/db/connection'
import { bankFiles, readBankFile, takeBankFile } from '../server/services/receivables/bank'
import { bookSure, bookWaiting } from '../server/services/receivables/bank-booking'
import {
  checkImport,
  goOnImporting,
  importView,
  takeImport,
  writeImport,
} from '../server/services/imports/imports'
import { inBenchHouse } from './house'
import type { Row } from './table'
import { inTheNameOf } from '../server/services/people/principal'

/*
 * A bank file of 10,000 movements matched against 50,000 open items, and a CSV of 100,000 order lines checked
 * and written; on durable PostgreSQL, in one process.
 */
const movements = Number(process.env.BENCH_MOVEMENTS ?? 10_000)
const items = Number(process.env.BENCH_ITEMS ?? 50_000)
const lines = Number(process.env.BENCH_ROWS ?? 100_000)

export const benchDataIn = (): Promise<Row[]> =>
  inBenchHouse('data-in', true, async () => [...(await bankFile()), ...(await csvFile())])

/** The most memory held while something runs, over what was held before, in MB. */
async function growthOf(act: () => Promise<void>): Promise<{ seconds: number; megabytes: number }> {
  global.gc?.()
  const before = process.memoryUsage().rss
  let most = before
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss)
  }, 20)
  const began = performance.now()
  await act()
  clearInterval(watch)
  return { seconds: (performance.now() - began) / 1000, megabytes: Math.round((most - before) / 1e6) }
}

async function bankFile(): Promise<Row[]> {
  await run(
    `insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, net, total, search
    )
    values ('B-1', 1, 1, current_date, 'Shipped', now(), 'EUR', 1, 1, '')`,
  )
  await run(`
    insert into prepared_document (
      source_id, kind, occasion, state, customer_id, brand_id, order_number, order_date, customer_name, total,
      currency, channel, send_to, to_role, source, baseline, design_id, email_text_id, built_from, since
    )
    select (select max(id) from source), 'invoice', 'bench', 'issued', 1, 1, 'B-1', current_date, 'x', 1, 'EUR',
      'email', '', 'billing', '{}', '{}', (select min(id) from design), (select min(id) from email_text), '{}', now()`)
  await run(`
    insert into document (
      kind, number, series_id, period, counter, date, due_date, source_id, order_number, customer_id,
      customer_name, brand_id, language, currency, net, tax, total, to_pay, paper, design_id, email_text_id,
      prepared_id, issued_at, issued_by, search
    )
    select 'invoice', 'INV-2026-' || lpad(n::text, 6, '0'),
      (select id from number_series where kind = 'invoice' and brand_id = 1), '2026', n,
      current_date - n % 90, current_date - n % 90 + 30, (select max(id) from source), '', 1 + n % 80, c.name, 1,
      'en', 'EUR', 10 + n % 9000, 0, 10 + n % 9000, 10 + n % 9000, '{}', (select min(id) from design),
      (select min(id) from email_text), (select max(id) from prepared_document), now(), 'Bench', ''
    from generate_series(1, ${items}) n
    join customer c on c.id = 1 + n % 80`)
  await run(
    `insert into open_item (document_id, customer_id, currency, amount, open, due_date)
    select id, customer_id, currency, total, total, due_date
    from document`,
  )
  for (const table of ['document', 'open_item']) await run(`vacuum analyze ${table}`)
  const open = await rows<Candidate>(
    `select d.id, d.number, d.date::text date, d.due_date::text "dueDate", 'EUR' currency, d.total::text open,
      d.total::text amount, '{"kind": "days", "days": 30}'::jsonb terms, d.customer_id "customerId",
      d.customer_name "customerName"
    from document d
    order by d.id
    limit $1`,
    [movements],
  )
  const xml = statementXml(
    'IE35DEMO',
    '2026-11-20',
    open.map((item, index) => ({
      amount: `${item.open}.00`,
      name: item.customerName,
      ...(index % 3 === 0
        ? { reference: creditorReference(item.number) }
        : index % 3 === 1
          ? { text: `Invoice ${item.number.replaceAll('-', ' ')} thank you` }
          : { text: 'hives' }),
    })),
  )
  const id = await takeBankFile('bench.xml', Buffer.from(xml), inTheNameOf('Bench'))
  const read = await growthOf(() => readBankFile(id))
  const { counts } = (await bankFiles())[0]!
  const sample = readCamt053(xml)[0]!.entries.slice(0, 100)
  const began = performance.now()
  const all = await rows<Candidate>(
    `select d.id, d.number, d.date::text date, d.due_date::text "dueDate", i.currency, i.open::text open,
      i.amount::text amount, '{"kind": "days", "days": 30}'::jsonb terms, d.customer_id "customerId",
      d.customer_name "customerName"
    from open_item i
    join document d on d.id = i.document_id`,
  )
  for (const entry of sample)
    matchEntry(
      entry,
      all.filter((item) => entry.text.replaceAll(' ', '-').includes(item.number)),
      all.filter((item) => item.open === entry.amount),
      { smallDifference: '0.05' },
    )
  const alternative = (((performance.now() - began) / 1000) * movements) / sample.length
  const taken = await bookSure(id, null, inTheNameOf('Bench'))
  const booked = await growthOf(() => bookWaiting(id))
  return [
    {
      what: `${movements} movements read and matched with ${items} open items`,
      ours:
        `${read.seconds.toFixed(1)} s, ${Math.round(movements / read.seconds)} a second, ` +
        `+${read.megabytes} MB; ${counts.sure} sure, ${counts.unsure ?? 0} unsure`,
      other: `each looking through all: ${alternative.toFixed(0)} s`,
      ratio: `1/${(alternative / read.seconds).toFixed(0)}`,
      aim: '',
    },
    {
      what: `${taken} sure ones booked`,
      ours: `${Math.round(taken / booked.seconds)} a second, +${booked.megabytes} MB`,
      other: '',
      ratio: '',
      aim: '',
    },
  ]
}

async function csvFile(): Promise<Row[]> {
  const numbers = (await rows<{ number: string }>('select number from customer order by id')).map(
    (row) => row.number,
  )
  const lineOf = (n: number) => {
    const tax = n % 1000 === 7 ? 'luxury' : 'standard'
    return `I-${n},2026-11-20,${numbers[n % numbers.length]},Confirmed,Box number ${n},${1 + (n % 9)},41.50,${tax}`
  }
  const heads = 'order,date,customer,status,description,qty,price,tax'
  const text = [heads, ...Array.from({ length: lines }, (_, n) => lineOf(n)), ''].join('\n')
  const id = await takeImport('orders', 'bench.csv', new TextEncoder().encode(text), inTheNameOf('Bench'))
  await checkImport(id, await importView(id))
  const checked = await growthOf(() => goOnImporting(id))
  await writeImport(id)
  const written = await growthOf(() => goOnImporting(id))
  const { count } = (await one<{ count: number }>(
    `select count(*)::int count from sales_order where number like 'I-%'`,
  ))!
  return [
    {
      what: `${lines} orders checked, ${(text.length / 1e6).toFixed(0)} MB`,
      ours: `${Math.round(lines / checked.seconds)} rows a second, +${checked.megabytes} MB`,
      other: '',
      ratio: '',
      aim: '',
    },
    {
      what: `${count} of them written, with their events`,
      ours: `${Math.round(count / written.seconds)} rows a second, +${written.megabytes} MB`,
      other: '',
      ratio: '',
      aim: '',
    },
  ]
}
