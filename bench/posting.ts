import { exampleInvoice } from '../core/testing/examples'
import { one, rows, run } from '../server/db/connection'
import { prepareByHand } from '../server/services/documents/prepare-by-hand'
import { issueBatch, issueInOneTransaction } from '../server/services/documents/issue'
import { lineList } from '../server/services/line/list-queries'
import { account, ageing } from '../server/services/receivables/accounts'
import { accounts } from '../server/services/receivables/accounts-queries'
import { numbers } from '../server/services/register/numbers-queries'
import { register, registerSums } from '../server/services/register/register-queries'
import { inBenchHouse, pause, percentiles } from './house'
import type { Row } from './table'
import { inTheNameOf } from '../server/services/people/principal'

/*
 * Papers computed by the core, 5,000 drafts issued, and lists over 200,000 documents; on durable PostgreSQL,
 * in one process.
 */
const draftCount = Number(process.env.BENCH_DRAFTS ?? 5000)
const documentCount = Number(process.env.BENCH_DOCUMENTS ?? 200_000)

export const benchPosting = (): Promise<Row[]> =>
  inBenchHouse('posting', true, async () => [computing(), ...(await issuing()), ...(await lists())])

function computing(): Row {
  for (let turn = 0; turn < 200; turn++) exampleInvoice()
  const began = performance.now()
  let made = 0
  while (performance.now() - began < 2000) for (let turn = 0; turn < 50; turn++, made++) exampleInvoice()
  return {
    what: 'papers computed, 4 lines, one core',
    ours: `${Math.round((made / (performance.now() - began)) * 1000)} a second`,
    other: '',
    ratio: '',
    aim: '',
  }
}

async function issuing(): Promise<Row[]> {
  await run(`
    insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, net, total, search, supplied_on
    )
    select 'P-' || n, 1 + n % 2, c.id, current_date, 'Shipped', now(), 'EUR', 100, 123, '', current_date
    from generate_series(1, ${draftCount}) n
    join lateral (
      select id
      from customer
      where currency = 'EUR' and billing is not null and tax_treatment = 'domestic'
      order by id
      offset n % 40
      limit 1
    ) c
      on true`)
  await run(
    `insert into order_line (order_id, position, item_code, description, quantity, unit_price, tax_code)
    select id, p, 'HB', 'Brood box', 2, 41.5, 'standard'
    from sales_order, generate_series(1, 4) p`,
  )
  const ids = (await rows<{ id: number }>('select id from sales_order order by id')).map((row) => row.id)
  const papers: number[] = []
  for (let at = 0; at < ids.length; at += 200)
    papers.push(
      ...(await prepareByHand('invoice', ids.slice(at, at + 200), inTheNameOf('Bench'))).map(
        (one) => one.result.preparedId!,
      ),
    )
  const before = process.memoryUsage().rss
  const began = performance.now()
  let half = 0
  for (let at = 0; at < papers.length; at += issueBatch) {
    await issueInOneTransaction(
      papers.slice(at, at + issueBatch).map((preparedId) => ({ preparedId, revision: null })),
      inTheNameOf('Bench'),
    )
    if (at < papers.length / 2) half = performance.now() - began
  }
  const took = performance.now() - began
  const alone = performance.now()
  const one100 = await prepareByHand('invoice', await moreOrders(100), inTheNameOf('Bench'))
  const prepared = performance.now()
  for (const { result } of one100)
    await issueInOneTransaction([{ preparedId: result.preparedId!, revision: null }], inTheNameOf('Bench'))
  const single = (performance.now() - prepared) / 100
  void alone
  return [
    {
      what: `${draftCount} drafts issued, in hundreds`,
      ours: `${Math.round((draftCount / took) * 60_000)} a minute`,
      other: `one by one: ${Math.round(60_000 / single)} a minute`,
      ratio: `${((single * draftCount) / took).toFixed(1)} ×`,
      aim: '',
    },
    {
      what: 'second half beside the first; growth of memory',
      ours: `${((took - half) / half).toFixed(2)} ×; ${Math.round((process.memoryUsage().rss - before) / 1e6)} MB`,
      other: '',
      ratio: '',
      aim: 'flat',
    },
  ]
}

async function moreOrders(count: number): Promise<number[]> {
  const made = await rows<{
    id: number
  }>(`
    insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, net, total, search, supplied_on
    )
    select 'Q-' || n, 1, (select id from customer where number = '10417'), current_date, 'Shipped', now(),
      'EUR', 100, 123, '', current_date
    from generate_series(1, ${count}) n
    returning id`)
  await run(
    `insert into order_line (order_id, position, item_code, description, quantity, unit_price, tax_code)
    select id, p, 'HB', 'Brood box', 2, 41.5, 'standard'
    from sales_order, generate_series(1, 4) p
    where number like 'Q-%'`,
  )
  return made.map((row) => row.id)
}

/** What was filled in at one go is written to disk, and tidied up, before anything is measured. */
async function settled(): Promise<void> {
  await run('checkpoint')
  const tidying = `select count(*)::int count from pg_stat_activity where backend_type = 'autovacuum worker'`
  do await pause(2000)
  while ((await one<{ count: number }>(tidying))!.count > 0)
}

/**
 * 200,000 documents: the issued ones copied again and again into past years of their series, each with its
 * own number, counter, customer, date and amount; one dispatch each.
 */
async function lists(): Promise<Row[]> {
  await run(`
    insert into document (
      kind, number, series_id, period, counter, date, due_date, source_id, order_number, customer_id,
      customer_name, brand_id, language, currency, net, tax, total, to_pay, paper, design_id,
      email_text_id, prepared_id, issued_at, issued_by, search
    )
    select d.kind, 'OLD-' || n, d.series_id, (2000 + n / 20000)::text, n, current_date - (n % 3000),
      current_date, d.source_id, 'O-' || n, c.id, c.name, d.brand_id, d.language, d.currency, n % 5000,
      (n % 5000) * 0.23, (n % 5000) * 1.23, (n % 5000) * 1.23, '{}', d.design_id, d.email_text_id,
      d.prepared_id, now() - n * interval '7 minutes', 'Bench', lower('old-' || n || ' o-' || n || ' ' || c.name)
    from generate_series(1, ${documentCount}) n
    join lateral (select * from document order by id limit 1 offset n % 50) d on true
    join lateral (select id, name from customer order by id limit 1 offset n % 80) c on true`)
  await run(
    `insert into open_item (document_id, customer_id, currency, amount, open, due_date)
    select id, customer_id, currency, total, case when id % 5 = 0 then total else 0 end, due_date
    from document
    where number like 'OLD-%'`,
  )
  await run(`
    insert into dispatch (
      channel, state, number, customer_id, customer_name, brand_id, to_role, email_text_id, total, currency,
      send_to, message_id, since, next_try_at, not_before, ready, created_at, created_by
    )
    select 'email', 'arrived', number, customer_id, customer_name, brand_id, 'billing', email_text_id, total,
      currency, 'x@y.example', 'bench-' || id, issued_at, issued_at, issued_at, true, issued_at, 'Bench'
    from document
    where number like 'OLD-%'`)
  await run(
    `insert into dispatch_document (dispatch_id, document_id)
    select s.id, d.id
    from dispatch s
    join document d on d.number = s.number and d.kind = 'invoice'
    where s.message_id like 'bench-%'`,
  )
  for (const table of ['document', 'open_item', 'dispatch', 'dispatch_document'])
    await run(`vacuum analyze ${table}`) // as autovacuum does
  await settled()
  const series = (await one<{ id: number }>(
    `select series_id id from document where number like 'OLD-%' limit 1`,
  ))!.id
  const measured: [string, () => Promise<unknown>][] = [
    ['the first page of the register', () => register({ sort: 'issued', descending: true, limit: 60 })],
    [
      'the register by number',
      () =>
        register({
          search: `old-${1 + Math.floor(Math.random() * documentCount)}`,
          sort: 'issued',
          descending: true,
          limit: 60,
        }),
    ],
    [
      'the register by customer',
      () => register({ search: 'ottermill', sort: 'issued', descending: true, limit: 60 }),
    ],
    [
      'the register by amount',
      () =>
        register({
          search: `${(1 + Math.floor(Math.random() * 4999)) * 1.23}`,
          sort: 'issued',
          descending: true,
          limit: 60,
        }),
    ],
    ['a page of the number register', () => numbers({ seriesId: series, period: '2004', limit: 60 })],
    ['how many the register holds, and their sums', () => registerSums({})],
    ['Accounts, the first page', () => accounts({ sort: 'overdue', descending: true, limit: 60 })],
    ['Accounts, all by age', () => ageing()],
    ['one account', () => account(1 + Math.floor(Math.random() * 80))],
    ['the Line, To check', () => lineList({ stage: 'to check', limit: 60 })],
  ]
  const found: Row[] = []
  for (const [what, act] of measured) {
    const { p95, p50 } = await percentiles(200, act, 10)
    found.push({
      what: `${what}, ${documentCount / 1000}k documents`,
      ours: `p95 ${p95.toFixed(0)} ms (p50 ${p50.toFixed(0)})`,
      other: '',
      ratio: '',
      aim: what.startsWith('how many') ? '' : 'under 30 ms',
    })
  }
  return found
}
