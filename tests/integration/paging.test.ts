import { beforeAll, describe, expect, test } from 'vitest'
import { dayInZone } from '../../core/documents/days'
import { statementXml } from '../../demo/bank'
import { one } from '../../server/db/connection'
import { listCustomers } from '../../server/services/customers/queries'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { checkImport, importView, takeImport } from '../../server/services/imports/imports'
import { importRows } from '../../server/services/imports/imports-queries'
import { accounts, listPayments } from '../../server/services/receivables/accounts-queries'
import { takeBankFile } from '../../server/services/receivables/bank'
import { bankEntries } from '../../server/services/receivables/bank-queries'
import { recordPayment } from '../../server/services/receivables/payments'
import { numbers } from '../../server/services/register/numbers-queries'
import { register } from '../../server/services/register/register-queries'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

/*
 * Every paged list: going from page to page meets each row once, in the order of the whole list, in each sort
 * order and direction, where keys are equal too.
 */
const house = useHouse({ reports: false })
const today = dayInZone(new Date(), 'Europe/Dublin')
let bankFile = 0
let importId = 0
let series = 0

beforeAll(async () => {
  const orders: number[] = []
  for (let n = 0; n < 14; n++) {
    const { id, name } = house.customers[n % 5]!
    orders.push(
      await house.newOrder({
        customerId: id,
        customerName: name,
        lines: [
          {
            item: 'X',
            description: 'Box',
            detail: null,
            unit: '',
            quantity: String(1 + (n % 3)),
            unitPrice: '50',
            discountPercent: '0',
            taxCode: 'zero',
          },
        ],
      }),
    )
  }
  await house.ship(orders)
  const papers = (await papersOf(orders)).filter((paper) => !paper.problem)
  await issueInOneTransaction(
    papers.map((paper) => ({ preparedId: paper.id, revision: null })),
    inTheNameOf('Test'),
    undefined,
    { postOnly: true },
  )
  series = (await one<{ id: number }>('select series_id id from document limit 1'))!.id
  for (let n = 0; n < 17; n++)
    await recordPayment(
      {
        direction: 'in',
        customerId: house.customers[n % 4]!.id,
        date: today,
        method: n % 2 ? 'cash' : 'card',
        amount: `${1 + (n % 3)}.00`,
        currency: 'EUR',
        reference: '',
        settle: [],
        another: true,
      },
      inTheNameOf('Test'),
    )
  bankFile = await takeBankFile(
    'paging.xml',
    Buffer.from(
      statementXml(
        'IE35PAGING',
        today,
        Array.from({ length: 19 }, (_, n) => ({ amount: `${1 + (n % 4)}.00`, name: `Payer ${n % 3}` })),
      ),
    ),
    inTheNameOf('Test'),
  )
  importId = await takeImport(
    'rates',
    'paging.csv',
    Buffer.from(
      [
        'currency,day,rate',
        ...Array.from({ length: 23 }, (_, n) => {
          const day = `2026-01-${String(1 + n).padStart(2, '0')}`
          return `USD,${day},${n % 4 ? '1.1' : 'none'}`
        }),
        '',
      ].join('\n'),
    ),
    inTheNameOf('Test'),
  )
  await checkImport(importId, await importView(importId))
  await house.settle()
}, 60_000)

type Page = (place: {
  after?: string
  limit: number
}) => Promise<{ rows: { id: number }[]; after: string | null }>
async function all(page: Page, limit: number): Promise<number[]> {
  const found: number[] = []
  for (let after: string | undefined; ;) {
    const { rows, after: next } = await page({ after, limit })
    found.push(...rows.map((row) => row.id))
    expect(rows.length, 'no page is empty but the only one').toBeGreaterThan(found.length ? 0 : -1)
    if (next === null) return found
    expect(rows, 'every page but the last is full').toHaveLength(limit)
    after = next
  }
}
const ways = [true, false]
const each = <Sort extends string>(
  name: string,
  sorts: readonly Sort[],
  page: (sort: Sort, descending: boolean) => Page,
): [string, Page][] =>
  sorts.flatMap((sort) =>
    ways.map((descending): [string, Page] => [
      `${name} by ${sort}, ${descending ? 'falling' : 'rising'}`,
      page(sort, descending),
    ]),
  )

describe('page by page is the whole list', () => {
  test.each<[string, Page]>([
    ...each(
      'payments',
      ['date', 'customer', 'method', 'rest', 'total'],
      (sort, descending) => (place) => listPayments({ sort, descending, ...place }),
    ),
    ...each(
      'customers',
      ['name', 'number'],
      (sort, descending) => (place) => listCustomers({ sort, descending, ...place }),
    ),
    ...each(
      'accounts',
      ['overdue', 'name', 'balance'],
      (sort, descending) => (place) => accounts({ sort, descending, ...place }),
    ),
    ...each(
      'the register',
      ['issued', 'number', 'customer', 'total'],
      (sort, descending) => (place) => register({ sort, descending, ...place }),
    ),
    ['the number register', (place) => numbers({ seriesId: series, period: today.slice(0, 4), ...place })],
    ['bank movements', (place) => bankEntries({ fileId: bankFile, ...place })],
    ['rows of an import', (place) => importRows({ importId, ...place })],
    ['wrong rows of an import', (place) => importRows({ importId, state: 'wrong', ...place })],
  ])('%s', async (_, page) => {
    const whole = await all(page, 500)
    expect(whole.length).toBeGreaterThan(4)
    expect(new Set(whole).size).toBe(whole.length)
    for (const limit of [1, 3, 7]) expect(await all(page, limit)).toEqual(whole)
  })

  test.each<[string, (after: string) => Promise<unknown>]>([
    ['payments', (after) => listPayments({ after, limit: 5 })],
    ['customers', (after) => listCustomers({ after, limit: 5 })],
    ['accounts', (after) => accounts({ sort: 'name', descending: false, after, limit: 5 })],
    ['the register', (after) => register({ sort: 'issued', descending: true, after, limit: 5 })],
    ['bank movements', (after) => bankEntries({ fileId: bankFile, after, limit: 5 })],
    ['rows of an import', (after) => importRows({ importId, after, limit: 5 })],
  ])('a place that is none is refused in words: %s', async (_, page) => {
    for (const after of [
      'nonsense',
      Buffer.from('[1]').toString('base64url'),
      Buffer.from('{"a": 1}').toString('base64url'),
    ])
      await expect(page(after)).rejects.toThrow('Load the list again')
  })
})
