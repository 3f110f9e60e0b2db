import { expect, test } from 'vitest'
import { rows, run } from '../../server/db/connection'
import { issueAutomatic, issueInOneTransaction } from '../../server/services/documents/issue'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { refreshPrepared } from '../../server/services/documents/refresh'
import { editOrder } from '../../server/services/orders/orders'
import { setStatus } from '../../server/services/orders/status'
import { orderView } from '../../server/services/orders/list'
import { lookAtEvents } from '../../server/services/routines/look-at-events'
import { changeRoutine, listRoutines } from '../../server/services/routines/routines'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

const house = useHouse({ jobs: false })

async function preparedPapers(count: number): Promise<{ id: number; revision: number }[]> {
  const orders: number[] = []
  for (let index = 0; index < count; index++)
    orders.push(await house.newOrder({ brandId: house.brands[index % 2]!.id }))
  await setStatus(orders, 'Shipped', inTheNameOf('Test'))
  await prepareByHand('invoice', orders, inTheNameOf('Test'))
  return papersOf(orders)
}

test('50 parallel issuers with random rollbacks leave no gap and no double in any series', async () => {
  const papers = await preparedPapers(200)
  let state = 7
  const dice = () => (state = (state * 48271) % 2147483647) / 2147483647
  const issuer = async (mine: typeof papers) => {
    for (let left = mine; left.length > 0;) {
      const batch = left.slice(0, 1 + Math.floor(dice() * 3))
      const rollBack = dice() < 0.4
      try {
        const results = await issueInOneTransaction(
          batch.map((paper) => ({ preparedId: paper.id, revision: paper.revision })),
          inTheNameOf('Test'),
          async () => {
            if (rollBack) throw new Error('the lights went out')
          },
        )
        expect(results.every((result) => result.outcome === 'issued')).toBe(true)
        left = left.slice(batch.length)
      } catch (error) {
        if ((error as Error).message !== 'the lights went out') throw error
      }
    }
  }
  await Promise.all(Array.from({ length: 50 }, (_, index) => issuer(papers.slice(index * 4, index * 4 + 4))))

  const series = await rows<{ seriesId: number; counters: number[]; numbers: string[] }>(
    `select series_id "seriesId", array_agg(counter order by counter) counters,
      array_agg(number order by counter) numbers
    from document
    group by 1`,
  )
  expect(series.length).toBe(2)
  for (const { counters, numbers } of series) {
    expect(counters).toEqual(Array.from({ length: 100 }, (_, index) => index + 1))
    expect(new Set(numbers).size).toBe(100)
  }
}, 60_000)

test('two issuers of the same paper: one document, and the other is told', async () => {
  const [paper] = await preparedPapers(1)
  const both = await Promise.all(
    [1, 2].map(() =>
      issueInOneTransaction([{ preparedId: paper!.id, revision: paper!.revision }], inTheNameOf('Test')),
    ),
  )
  expect(
    both
      .flat()
      .map((result) => result.outcome)
      .sort(),
  ).toEqual(['issued', 'skipped'])
})

test('numbers are drawn in order of order date, then order number, whatever the order of picking', async () => {
  const late = await house.newOrder({ number: 'XO-9', date: '2026-11-22' })
  const second = await house.newOrder({ number: 'XO-100', date: '2026-11-21' })
  const first = await house.newOrder({ number: 'XO-99', date: '2026-11-21' })
  await setStatus([late, second, first], 'Shipped', inTheNameOf('Test'))
  await prepareByHand('invoice', [late, second, first], inTheNameOf('Test'))
  const papers = await papersOf([late, second, first])
  await issueInOneTransaction(
    papers.map((paper) => ({ preparedId: paper.id, revision: paper.revision })),
    inTheNameOf('Test'),
  )
  const issued = await rows<{ order: string }>(
    `select order_number "order" from document where source_id = any($1::int[]) order by counter`,
    [[late, second, first]],
  )
  expect(issued.map((row) => row.order)).toEqual(['XO-99', 'XO-100', 'XO-9'])
})

test('the database itself refuses to change, delete or truncate documents and their files', async () => {
  await expect(run('update document set total = 1')).rejects.toThrow('never changed or deleted')
  await expect(run('delete from document')).rejects.toThrow('never changed or deleted')
  await expect(run('truncate document cascade')).rejects.toThrow('never changed or deleted')
})

test('a query that would leave its transaction fails instead', async () => {
  const { database, inTransaction } = await import('../../server/db/connection')
  await expect(inTransaction(() => database().query('select 1', { transaction: null }))).rejects.toThrow(
    'would run outside it',
  )
})

test('a paper with a problem is not issued and burns no number', async () => {
  const order = await house.newOrder({
    lines: [
      {
        item: 'X',
        description: 'Honey דבש',
        detail: null,
        unit: '',
        quantity: '1',
        unitPrice: '1',
        discountPercent: '0',
        taxCode: 'standard',
      },
    ],
  })
  await setStatus([order], 'Shipped', inTheNameOf('Test'))
  await prepareByHand('invoice', [order], inTheNameOf('Test'))
  const before = await rows('select * from series_counter order by series_id')
  const [paper] = await papersOf([order])
  const [result] = await issueInOneTransaction(
    [{ preparedId: paper!.id, revision: paper!.revision }],
    inTheNameOf('Test'),
  )
  expect(result).toMatchObject({ outcome: 'failed' })
  expect(result!.reason?.words).toContain('“ד”')
  expect(await rows('select * from series_counter order by series_id')).toEqual(before)
})

test('what goes by itself and changes before it is issued goes with the change, and never hides', async () => {
  const [routine] = await listRoutines()
  await changeRoutine(routine!.id, { version: routine!.version, trust: 'automatic' }, inTheNameOf('Test'))
  const orders = [await house.newOrder(), await house.newOrder()]
  await setStatus(orders, 'Shipped', inTheNameOf('Test'))
  const events = await rows<{ id: number }>(
    'select id from event where looked_at is null and source_id = any($1::int[])',
    [orders],
  )
  await lookAtEvents(events.map((event) => event.id))
  const edit = async (order: number, description: string) => {
    const view = await orderView(order)
    await editOrder(
      order,
      {
        version: view.version,
        reference: null,
        customerNote: null,
        lines: [{ ...view.lines[0]!, description }],
      },
      inTheNameOf('Test'),
    )
  }
  await edit(orders[0]!, 'Brood box, oak')
  await edit(orders[1]!, 'Brood box דבש')
  await issueAutomatic()
  expect(await rows('select id from document where source_id = any($1::int[])', [orders])).toEqual([])
  await refreshPrepared((await papersOf(orders)).map((paper) => paper.id))
  await issueAutomatic()
  const [document] = await rows<{ text: string }>(
    `select paper -> 'lines' -> 0 ->> 'description' "text" from document where source_id = $1`,
    [orders[0]],
  )
  expect(document!.text).toBe('Brood box, oak')
  const waiting = await rows<{ automatic: boolean; problem: { words: string } }>(
    'select automatic "automatic", problem from prepared_document where source_id = $1',
    [orders[1]],
  )
  expect(waiting).toMatchObject([{ automatic: false }])
  expect(waiting[0]!.problem?.words).toContain('ד')
})
