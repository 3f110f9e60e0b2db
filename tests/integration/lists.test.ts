import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import { drop, prepareByHand, putBack, undrop } from '../../server/services/documents/prepare-by-hand'
import { decideByHand } from '../../server/services/dispatch/by-hand'
import { sendCopy } from '../../server/services/line/copy'
import { listDispatches } from '../../server/services/dispatch/queries'
import { lineCounts } from '../../server/services/line/counts-queries'
import { type LineFilter } from '../../server/services/line/list'
import { lineList } from '../../server/services/line/list-queries'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import type { OrderFilter } from '../../server/services/orders/list'
import { itemsLike } from '../../server/services/items/queries'
import { listOrders } from '../../server/services/orders/list-queries'
import { setStatus } from '../../server/services/orders/status'
import { startRun } from '../../server/services/documents/send-run'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* The lists that clerks work through: paging by key, filters, sums, counts that agree with what is listed. */
const house = useHouse({ reports: false })

const orders = (change: Partial<OrderFilter> = {}) =>
  listOrders({ statuses: [], sort: 'date', descending: true, limit: 50, ...change })
const stage = (change: Partial<LineFilter> & Pick<LineFilter, 'stage'>) => lineList({ limit: 50, ...change })
const count = async (name: string) => (await lineCounts()).find((one) => one.stage === name)!

describe('orders', () => {
  test('paging meets every order once, in each sort order and direction, even where keys are equal', async () => {
    for (let index = 0; index < 23; index++) {
      await house.newOrder({
        number: `L-${String(index).padStart(2, '0')}`,
        date: `2026-11-${10 + (index % 4)}`,
        lines: [
          {
            item: 'X',
            description: 'Box',
            detail: null,
            unit: '',
            quantity: String(1 + (index % 5)),
            unitPrice: '100',
            discountPercent: '0',
            taxCode: 'zero',
          },
        ],
      })
    }
    for (const sort of ['date', 'number', 'customer', 'total', 'status'] as const) {
      for (const descending of [true, false]) {
        const seen: string[] = []
        let after: string | undefined
        do {
          const page = await orders({ sort, descending, after, limit: 5 })
          seen.push(...page.rows.map((row) => row.number))
          after = page.after ?? undefined
        } while (after)
        expect(seen).toHaveLength(23)
        expect(new Set(seen).size, `${sort} ${descending}`).toBe(23)
      }
    }
  })

  test('the sum and count are of all that match, not of the page', async () => {
    const page = await orders({ limit: 2, over: '300' })
    expect(page.rows).toHaveLength(2)
    expect(page.matching).toBe(8)
    expect(page.sums).toEqual([{ currency: 'EUR', sum: '3600.00' }])
  })

  test('a search finds by number, customer and reference, and its wildcards are harmless', async () => {
    expect((await orders({ search: 'l-07' })).rows.map((row) => row.number)).toEqual(['L-07'])
    expect((await orders({ search: 'OTTERMILL' })).matching).toBe(23)
    expect((await orders({ search: 'om/118' })).matching).toBe(23)
    expect((await orders({ search: '%' })).matching).toBe(0)
    expect((await orders({ search: '_' })).matching).toBe(0)
  })

  test('filters join: status and brand', async () => {
    const [first] = (await orders()).rows
    await setStatus([first!.id], 'Held', inTheNameOf('Test'))
    expect((await orders({ statuses: ['Held'] })).rows.map((row) => row.id)).toEqual([first!.id])
    expect((await orders({ statuses: ['Held'], brand: 'LS' })).matching).toBe(0)
    expect((await orders({ statuses: ['Held', 'Packed'] })).matching).toBe(23)
  })

  test('a page that does not exist is refused in words', async () => {
    await expect(orders({ after: 'nonsense' })).rejects.toThrow('Load the list again')
  })

  test('an unknown status and a vanished order are refused, and nothing is set', async () => {
    const [first] = (await orders({ statuses: ['Packed'] })).rows
    await expect(setStatus([first!.id], 'Shiped', inTheNameOf('Test'))).rejects.toThrow(
      '"Shiped" is not one of the order statuses',
    )
    await expect(setStatus([first!.id, 999_999], 'Shipped', inTheNameOf('Test'))).rejects.toThrow(
      'does not exist any more',
    )
    expect((await orders({ search: first!.number })).rows[0]!.status).toBe('Packed')
  })

  test("items are found by code and by name in the paper's language", async () => {
    expect((await itemsLike('%hb-%', 'en', null)).map((item) => item.code)).toContain('HB-10N')
    expect((await itemsLike('%rähmchen%', 'de', null)).length).toBeGreaterThan(2)
  })
})

describe('the Line', () => {
  test('counts agree with the lists as papers move from stage to stage', async () => {
    const ids = (await orders({ statuses: ['Packed'], limit: 4 })).rows.map((row) => row.id)
    await house.ship(ids)
    expect(await count('to check')).toMatchObject({ count: 4 })
    const listed = await stage({ stage: 'to check' })
    expect(listed.rows).toHaveLength(4)
    expect(listed.groups).toMatchObject([{ name: 'Invoice when shipped', count: 4 }])
    await putBack([listed.rows[0]!.id], inTheNameOf('Test'))
    expect(await count('to check')).toMatchObject({ count: 3 })
    expect(inWords(await count('to send'))).toMatchObject({ count: 1, facts: ['1 returned'] })
    expect((await stage({ stage: 'to send' })).rows.map((row) => row.state)).toEqual(['put back'])
  })

  test('a paper put back can be prepared again: its claim is free', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    await putBack(
      (await papersOf([order])).map((paper) => paper.id),
      inTheNameOf('Test'),
    )
    const [again] = await prepareByHand('invoice', [order], inTheNameOf('Test'))
    expect(again!.result.outcome).toBe('prepared')
    expect((await papersOf([order])).map((paper) => paper.state)).toEqual(['prepared'])
    await putBack(
      (await papersOf([order])).map((paper) => paper.id),
      inTheNameOf('Test'),
    )
    await drop(
      (await papersOf([order])).map((paper) => paper.id),
      'done',
      inTheNameOf('Test'),
    )
  })

  test('not wanted takes a paper off, undo puts it on again, and prepared anew it is the same paper', async () => {
    const [row] = (await stage({ stage: 'to send' })).rows
    await drop([row!.id], 'the customer paid cash', inTheNameOf('Test'))
    expect(inWords(await count('to send'))).toMatchObject({ count: 0 })
    await undrop([row!.id], inTheNameOf('Test'))
    expect(inWords(await count('to send'))).toMatchObject({ count: 1 })
    const [prepared] = await prepareByHand('invoice', [row!.sourceId], inTheNameOf('Test'))
    expect(prepared!.result.preparedId).toBe(row!.id)
  })

  test('filters by amount and text; sums stand beside the count', async () => {
    const all = await stage({ stage: 'to check' })
    const over = await stage({ stage: 'to check', over: '300' })
    expect(over.matching).toBe(all.rows.filter((row) => Number(row.total) > 300).length)
    expect((await stage({ stage: 'to check', search: all.rows[0]!.number })).matching).toBe(1)
    expect((await stage({ stage: 'to check', brand: 'LS' })).matching).toBe(0)
    expect(Number(all.sums[0]!.sum)).toBeCloseTo(all.rows.reduce((sum, row) => sum + Number(row.total), 0))
  })

  test('the paper in hand has its email as it will be, with the source of each recipient', async () => {
    const [row] = (await stage({ stage: 'to check' })).rows
    const view = await preparedView(row!.id, inTheNameOf('Test'))
    expect(view.email).toMatchObject({ sent: false, subject: `Invoice … for your order ${view.orderNumber}` })
    expect(inWords(view.email!.to)).toMatchObject([
      { address: 'accounts@ottermill.example', source: 'the customer’s billing contact' },
    ])
  })

  test('a customer on paper: nothing is mailed, it waits for the printer until somebody posted it', async () => {
    const customer = house.customer('10419')
    const order = await house.newOrder({
      customerId: customer.id,
      customerName: customer.name,
      number: 'P-1',
    })
    await house.ship([order])
    const [paper] = await papersOf([order])
    const { issueInOneTransaction } = await import('../../server/services/documents/issue')
    const [result] = await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: paper!.revision }],
      inTheNameOf('Test'),
    )
    await house.settle()
    const waiting = await stage({ stage: 'waiting' })
    expect(waiting.rows).toMatchObject([{ channel: 'paper', sendTo: 'Paper, by post' }])
    expect(inWords(await count('waiting'))).toMatchObject({ count: 1, facts: ['1 to print'] })
    await decideByHand([waiting.rows[0]!.id], 'print', '', inTheNameOf('Test'))
    expect(inWords(await count('arrived'))).toMatchObject({ facts: ['today', '1 on paper'] })
    expect((await documentView(result!.documentId!)).dispatches).toMatchObject([
      { state: 'arrived', how: 'posted on paper' },
    ])
    expect(house.mailboxes.all()).toHaveLength(0)
  })

  test(
    'a customer who wants nothing: the invoice is issued and booked, counted as sent to nobody, and ' +
      'hangs nowhere',
    async () => {
      const customer = house.customer('10434')
      await run(
        `update customer set preferences = '{"invoice": {"channel": "nothing"}}', version = version + 1 where id = $1`,
        [customer.id],
      )
      const order = await house.newOrder({
        customerId: customer.id,
        customerName: customer.name,
        number: 'P-2',
      })
      await house.ship([order])
      const [paper] = await papersOf([order])
      const { issueInOneTransaction } = await import('../../server/services/documents/issue')
      await issueInOneTransaction([{ preparedId: paper!.id, revision: paper!.revision }], inTheNameOf('Test'))
      const issued = await one<{ id: number }>('select id from document where source_id = $1', [order])
      expect(
        await one('select * from dispatch_document where document_id = $1', [issued!.id]),
      ).toBeUndefined()
      expect(await one('select * from undelivered where document_id = $1', [issued!.id])).toBeUndefined()
      expect(
        await one('select open::text from open_item where document_id = $1', [issued!.id]),
      ).toMatchObject({
        open: '612.54',
      })
      expect((await stage({ stage: 'to send' })).rows.filter((row) => row.of === 'document')).toEqual([])
      expect(await historyWords(order)).toContainEqual(expect.stringContaining('wants no invoices'))
    },
  )

  test('a wish against email that came after issuing is not overruled', async () => {
    const customer = house.customer('10440')
    const order = await house.newOrder({
      customerId: customer.id,
      customerName: customer.name,
      number: 'P-3',
    })
    await house.ship([order])
    const [paper] = await papersOf([order])
    const { issueInOneTransaction } = await import('../../server/services/documents/issue')
    await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: paper!.revision }],
      inTheNameOf('Test'),
      async () => {
        await run(`update customer set preferences = '{"invoice": {"channel": "paper"}}' where id = $1`, [
          customer.id,
        ])
      },
    )
    await house.settle()
    expect(
      await one('select state, stuck_cause "cause" from dispatch where customer_id = $1', [customer.id]),
    ).toEqual({ state: 'stuck', cause: 'no email wanted' })
    expect(house.mailboxes.of('office@sallygap.example')).toHaveLength(0)
  })
})

describe('all emails', () => {
  test('are found by address, state, kind, words and days; copies are marked; each stands once', async () => {
    const orders = [await house.newOrder(), await house.newOrder(), await house.newOrder()]
    await house.ship(orders)
    await startRun(await papersOf(orders), randomUUID(), { id: 1, name: 'Col Varley' })
    const all = async (change = {}) => (await listDispatches({ limit: 50, ...change })).rows
    const of = async (address: string, change = {}) => all({ address, ...change })
    await until(
      'three emails',
      async () => (await of('accounts@ottermill', { state: 'on the way' })).length === 3,
    )
    const [first] = await of('accounts@ottermill')
    await sendCopy(first!.documentId, { address: 'elsewhere@copies.example' }, inTheNameOf('Test'))
    await until(
      'the copy',
      async () => (await of('elsewhere@copies.example', { state: 'on the way' })).length === 1,
    )
    expect(await of('elsewhere')).toMatchObject([{ isCopy: true, number: first!.number, documents: 1 }])
    expect((await all({ text: first!.number.toUpperCase() })).map((row) => row.isCopy).sort()).toEqual([
      false,
      true,
    ])
    expect(await of('accounts@ottermill', { kind: 'receipt' })).toEqual([])
    const today = first!.createdAt.toISOString().slice(0, 10)
    expect((await of('accounts@ottermill', { from: today, to: today })).length).toBeGreaterThan(0)
    expect(await of('accounts@ottermill', { to: '2020-01-01' })).toEqual([])
    const met: number[] = []
    let after: string | undefined
    do {
      const page = await listDispatches({ address: 'accounts@ottermill', limit: 2, after })
      met.push(...page.rows.map((row) => row.id))
      after = page.after ?? undefined
    } while (after)
    expect(new Set(met).size).toBe(met.length)
    expect(met).toHaveLength((await of('accounts@ottermill')).length)
  })
})
