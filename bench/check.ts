import { one, rows, run } from '../server/db/connection'
import { prepareByHand } from '../server/services/documents/prepare-by-hand'
import { lookForSecondIn } from '../server/services/documents/second-look'
import { checkSend } from '../server/services/documents/send-check'
import { changeSettings } from '../server/services/orders/settings'
import { inTheNameOf } from '../server/services/people/principal'
import { inBenchHouse, percentiles } from './house'
import type { Row } from './table'

/* The check before a Send of many documents: as it is, and with everything that a second person can be asked for. */
const count = Number(process.env.BENCH_CHECKED ?? 10_000)

export const benchCheck = (): Promise<Row[]> =>
  inBenchHouse('check', false, async () => {
    await manyPrepared()
    const plain = await timed(`check before ${count} documents`)
    await run(
      `insert into staff (email, name, role)
      values ('a@bench.example', 'A', 'clerk'), ('b@bench.example', 'B', 'clerk')`,
    )
    const began = performance.now()
    await changeSettings({ secondLook: { above: '50', newAddress: true, newBank: true, many: 5000 } })
    const looked = performance.now() - began
    const second = await timed(`… with second looks (${await lookedAt()} need one)`)
    const again = performance.now()
    await lookForSecondIn(null)
    return [
      plain,
      second,
      {
        what: `second looks at ${count} documents, when the rule is set; once more`,
        ours: `${Math.round(looked)} ms; ${Math.round(performance.now() - again)} ms`,
        other: '',
        ratio: '',
        aim: '',
      },
    ]
  })

const lookedAt = async () =>
  (await one<{ count: number }>(
    'select count(*)::int count from prepared_document where second_look is not null',
  ))!.count

async function timed(what: string): Promise<Row> {
  const { p95, p50 } = await percentiles(5, () => checkSend({ matching: {} }, { senderId: 1 }))
  const some = await rows<{ id: number; revision: number }>(
    'select id, revision from prepared_document order by id limit 100',
  )
  const began = performance.now()
  for (const paper of some) await checkSend({ papers: [paper] }, { senderId: 1 })
  const single = (performance.now() - began) / some.length
  return {
    what,
    ours: `p50 ${Math.round(p50)} ms, p95 ${Math.round(p95)} ms`,
    other: `one by one: ${((single * count) / 1000).toFixed(1)} s`,
    ratio: `${((single * count) / p50).toFixed(0)} ×`,
    aim: 'under 2 s',
  }
}

/** Invoices of all customers who can have one, prepared and then copied as often as it takes. */
async function manyPrepared(): Promise<void> {
  await run(`
    insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, net, total, search, supplied_on
    )
    select 'C-' || id, 1, id, current_date, 'Shipped', now(), 'EUR', 100, 123, '', current_date
    from customer
    where currency = 'EUR' and billing is not null and tax_treatment = 'domestic'`)
  await run(
    `insert into order_line (order_id, position, item_code, description, quantity, unit_price, tax_code)
    select id, p, 'HB', 'Brood box', 2, 41.5, 'standard'
    from sales_order, generate_series(1, 4) p`,
  )
  const orders = (await rows<{ id: number }>('select id from sales_order order by id')).map(({ id }) => id)
  await prepareByHand('invoice', orders, inTheNameOf('Bench'))
  const columns = (
    await rows<{ name: string }>(
      `select column_name name
      from information_schema.columns
      where table_name = 'prepared_document' and column_name not in ('id', 'occasion')`,
    )
  ).map(({ name }) => `"${name}"`)
  await run(
    `insert into prepared_document (occasion, ${columns.join(', ')})
    select 'copy ' || n, ${columns.map((name) => `p.${name}`).join(', ')}
    from generate_series(1, ${Math.ceil(count / orders.length)}) n
    cross join prepared_document p
    limit ${count - orders.length}`,
  )
  await run('vacuum analyze prepared_document')
}
