import { expect, test } from 'vitest'
import { dayInZone } from '../../core/documents/days'
import { statementXml } from '../../demo/bank'
import { one, rows } from '../../server/db/connection'
import { checkImport, importView, takeImport, writeImport } from '../../server/services/imports/imports'
import { bankFiles, takeBankFile } from '../../server/services/receivables/bank'
import { bookSure } from '../../server/services/receivables/bank-booking'
import { setStatus } from '../../server/services/orders/status'
import { until } from '../integration/house'
import { seededDice, useDoomed } from './processes'
import { inTheNameOf } from '../../server/services/people/principal'

/*
 * A bank file is read and its payments booked, and orders are imported, while the worker is killed with
 * SIGKILL at random moments.
 * Every payment is booked once, every order is there once and whole, and nobody has to begin anew.
 */
const invoiceCount = 90
const orderCount = 1500
const doomed = useDoomed()

test(
  'the worker killed again and again while it books a bank file and writes an import: each payment ' +
    'once, each order once',
  async () => {
    const ids = await doomed.packOrders(invoiceCount)
    await setStatus(ids, 'Shipped', inTheNameOf('Test'))
    doomed.start('mail-standin')
    doomed.start('worker')
    await until(
      'all invoices to be issued',
      async () =>
        (await one<{ count: number }>('select count(*)::int count from document'))!.count === invoiceCount,
      100,
    )
    const open = await rows<{ number: string; open: string }>(
      `select d.number, i.open::text open from document d join open_item i on i.document_id = d.id order by d.id`,
    )
    const day = dayInZone(new Date(), 'Europe/Dublin')
    const fileId = await takeBankFile(
      'statement.xml',
      Buffer.from(
        statementXml('IE35FAULT', day, [
          ...open.map(({ number, open: amount }) => ({ amount, name: 'x', text: number })),
          { amount: '3.33', name: 'Nobody' },
        ]),
      ),
      inTheNameOf('Test'),
    )
    const line = (n: number, text: string) =>
      `K-${n},2026-11-20,${10417 + (n % 3)},Packed,${text},1,40,standard`
    const importId = await takeImport(
      'orders',
      'orders.csv',
      Buffer.from(
        [
          'order,date,customer,status,description,qty,price,tax',
          ...Array.from({ length: orderCount }, (_, n) => `${line(n, 'Box')}\n${line(n, 'Lid')}`),
          '',
        ].join('\n'),
      ),
      inTheNameOf('Test'),
    )
    await checkImport(importId, await importView(importId))

    const dice = seededDice()
    const goOn = async () => {
      const file = (await bankFiles()).find((one) => one.id === fileId)!
      if (file.state === 'ready' && file.counts.sure)
        await bookSure(fileId, null, inTheNameOf('Test')).catch(() => {})
      if ((await importView(importId)).state === 'checked') await writeImport(importId).catch(() => {})
      return { file, view: await importView(importId) }
    }
    for (let round = 0; round < 9; round++) {
      await new Promise((resolve) => setTimeout(resolve, 250 + dice() * 900))
      await goOn()
      await doomed.kill('worker')
      doomed.start('worker')
    }
    await until(
      'all to be booked and written',
      async () => {
        const { file, view } = await goOn()
        return file.counts.booked === invoiceCount && view.state === 'done'
      },
      120,
    )

    expect(await rows('select document_id from open_item where open <> 0')).toEqual([])
    expect(
      await one(
        `select count(*)::int payments, count(distinct e.payment_id)::int booked
      from payment p
      left join bank_entry e on e.payment_id = p.id`,
      ),
    ).toEqual({ payments: invoiceCount, booked: invoiceCount })
    expect(await rows('select to_document_id from allocation group by 1 having count(*) <> 1')).toEqual([])
    expect((await importView(importId)).counts).toEqual({ written: orderCount * 2 })
    expect(
      await one(
        `select count(*)::int orders, count(distinct number)::int numbers
      from sales_order
      where number like 'K-%'`,
      ),
    ).toEqual({ orders: orderCount, numbers: orderCount })
    expect(
      await rows(
        `select o.number
      from sales_order o
      left join order_line l on l.order_id = o.id
      where o.number like 'K-%'
      group by o.id
      having array_agg(l.description order by l.position) <> array['Box', 'Lid']`,
      ),
    ).toEqual([])
    expect(
      await rows(
        `select o.number
      from sales_order o
      join event e on e.source_id = o.id
      where o.number like 'K-%'
      group by o.id
      having count(*) <> (
        select count(*) from event e2 join sales_order o2 on o2.id = e2.source_id where o2.number = 'K-0'
      )`,
      ),
    ).toEqual([])
  },
)
