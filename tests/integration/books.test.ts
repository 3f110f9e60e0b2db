import { AsyncLocalStorage } from 'node:async_hooks'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayInZone } from '../../core/documents/days'
import { Refusal } from '../../core/errors'
import { Decimal } from '../../core/money/decimal'
import { inTransaction, one, rows } from '../../server/db/connection'
import { creditDocument } from '../../server/services/drafts/credit'
import { drop } from '../../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { voidDocument } from '../../server/services/documents/void'
import { allocatePayment, recordPayment } from '../../server/services/receivables/payments'
import { undoPayment } from '../../server/services/receivables/undo-payment'
import { holds, statementsHold } from './books'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

/*
 * The books under everything at once: whatever is invoiced, paid, credited, voided and taken back in whatever
 * order, and by many people at the same time, they balance.
 */
const house = useHouse({ reports: false })
const today = dayInZone(new Date(), 'Europe/Dublin')
const customers = ['10417', '10418']
/** Runs work outside of the transaction that it is called in: somebody else's. */
const outside = AsyncLocalStorage.snapshot()

async function invoice(customer: string, quantity: number): Promise<void> {
  const { id, name } = house.customer(customer)
  const order = await house.newOrder({
    customerId: id,
    customerName: name,
    lines: [
      {
        item: 'HB',
        description: 'Brood box',
        detail: null,
        unit: '',
        quantity: String(quantity),
        unitPrice: '41.55',
        discountPercent: '0',
        taxCode: 'standard',
      },
      {
        item: 'BK',
        description: 'Book',
        detail: null,
        unit: '',
        quantity: '1',
        unitPrice: '12.30',
        discountPercent: '5',
        taxCode: 'zero',
      },
    ],
  })
  await house.ship([order])
  await issue((await papersOf([order])).map((paper) => paper.id))
}
async function issue(preparedIds: number[]): Promise<void> {
  await issueInOneTransaction(
    preparedIds.map((preparedId) => ({ preparedId, revision: null })),
    inTheNameOf('Test'),
    undefined,
    { postOnly: true },
  )
}

interface Move {
  what:
    | 'invoice'
    | 'pay'
    | 'pay over'
    | 'discount'
    | 'refund'
    | 'credit'
    | 'credit some'
    | 'void'
    | 'undo'
    | 'allocate'
  customer: number
  pick: number
  cents: number
}
const moves = fc.array(
  fc.record<Move>({
    what: fc.constantFrom(
      'invoice',
      'pay',
      'pay',
      'pay over',
      'discount',
      'refund',
      'credit',
      'credit some',
      'void',
      'undo',
      'allocate',
    ),
    customer: fc.nat({ max: 1 }),
    pick: fc.nat({ max: 40 }),
    cents: fc.integer({ min: 1, max: 60_000 }),
  }),
  { minLength: 10, maxLength: 16 },
)

/** One move of a person; what is refused in words is a move as well. @returns whether it was done */
async function make({ what, customer, pick, cents }: Move): Promise<boolean> {
  const { id: customerId } = house.customer(customers[customer]!)
  const amount = new Decimal(cents).div(100).toFixed(2)
  const items = await rows<{ id: number; open: string }>(
    `select i.document_id id, i.open::text open
    from open_item i
    where i.customer_id = $1
    order by i.document_id`,
    [customerId],
  )
  const item = items[pick % Math.max(1, items.length)]
  const settle = (value: string, discount = '0') =>
    item ? [{ documentId: item.id, amount: value, discount, writeOff: '0' }] : []
  const pay = (direction: 'in' | 'out', sum: string, lines: ReturnType<typeof settle>) =>
    recordPayment(
      {
        direction,
        customerId,
        date: today,
        method: 'cash',
        amount: sum,
        currency: 'EUR',
        reference: '',
        settle: lines,
        another: true,
      },
      inTheNameOf('Test'),
    )
  const payments = await rows<{ id: number }>('select id from payment where customer_id = $1 order by id', [
    customerId,
  ])
  const paymentId = payments[pick % Math.max(1, payments.length)]?.id ?? 0
  try {
    switch (what) {
      case 'invoice':
        return await invoice(customers[customer]!, 1 + (pick % 7)).then(() => true)
      case 'pay':
        return !!(await pay(
          'in',
          amount,
          settle(Decimal.min(amount, Decimal.max(0, item?.open ?? 0)).toFixed(2)),
        ))
      case 'pay over':
        return !!(await pay(
          'in',
          new Decimal(item?.open ?? 1).abs().plus(amount).toFixed(2),
          settle(item?.open ?? '1'),
        ))
      case 'discount':
        return !!(await pay(
          'in',
          new Decimal(item?.open ?? 1).times('0.98').toFixed(2),
          settle(
            new Decimal(item?.open ?? 1).times('0.98').toFixed(2),
            new Decimal(item?.open ?? 1)
              .minus(new Decimal(item?.open ?? 1).times('0.98').toFixed(2))
              .toFixed(2),
          ),
        ))
      case 'refund':
        return !!(await pay('out', amount, settle(amount)))
      case 'credit':
      case 'credit some': {
        const { credit } = await creditDocument(
          item?.id ?? 0,
          {
            ask: what === 'credit' ? { kind: 'whole' } : { kind: 'amount', amount },
            reason: 'Returned',
            anew: false,
          },
          inTheNameOf('Test'),
        )
        await house.settle()
        const papers = await rows<{ id: number }>('select id from prepared_document where source_id = $1', [
          credit,
        ])
        if (pick % 5 === 0)
          await drop(
            papers.map((paper) => paper.id),
            'Not needed',
            inTheNameOf('Test'),
          )
        else await issue(papers.map((paper) => paper.id))
        return true
      }
      case 'void':
        return await voidDocument(item?.id ?? 0, 'Wrong', inTheNameOf('Test')).then(() => true)
      case 'undo':
        return !!(await undoPayment(paymentId, 'Mistake', inTheNameOf('Test')))
      case 'allocate':
        return await allocatePayment(paymentId, settle(amount), inTheNameOf('Test')).then(() => true)
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return false
  }
}

test('any order of invoices, payments, credits, voids and what is taken back leaves the books balanced', async () => {
  const done = new Map<string, number>()
  await fc.assert(
    fc.asyncProperty(moves, async (list) => {
      for (const move of list) if (await make(move)) done.set(move.what, (done.get(move.what) ?? 0) + 1)
      await holds(today)
      await statementsHold(today)
    }),
    { numRuns: 12, seed: Number(process.env.BOOKS_SEED ?? 7), endOnFailure: true },
  )
  expect([...done.keys()].sort(), 'every kind of move was made at least once').toEqual([
    'allocate',
    'credit',
    'credit some',
    'discount',
    'invoice',
    'pay',
    'pay over',
    'refund',
    'undo',
    'void',
  ])
}, 120_000)

test('a payment is taken back while somebody books the rest of it: it is back, neither waits for ever', async () => {
  const { id: customerId } = house.customer('10417')
  await invoice('10417', 2)
  await invoice('10417', 3)
  const items = await rows<{ id: number }>(
    'select document_id id from open_item where customer_id = $1 order by id desc limit 2',
    [customerId],
  )
  const [later, earlier] = items.map((item) => item.id)
  const settle = (documentId: number, amount: string) => [
    { documentId, amount, discount: '0', writeOff: '0' },
  ]
  const openBefore = await rows('select document_id, open from open_item order by document_id')
  const payment = await recordPayment(
    {
      direction: 'in',
      customerId,
      date: today,
      method: 'cash',
      amount: '30.00',
      currency: 'EUR',
      reference: 'Taken back meanwhile',
      settle: settle(earlier!, '10.00'),
    },
    inTheNameOf('Test'),
  )
  await house.settle()

  // somebody books ten on the later invoice; before that is written, two more come to the same payment
  let undo: Promise<number>, rest: Promise<string | void>
  await inTransaction(async () => {
    await allocatePayment(payment, settle(later!, '10.00'), inTheNameOf('Test'))
    undo = outside(() => undoPayment(payment, 'Mistake', inTheNameOf('Test')))
    await waiting(1)
    rest = outside(() => allocatePayment(payment, settle(later!, '5.00'), inTheNameOf('Test'))).catch(
      (error: Error) => error.message,
    )
    await waiting(2)
  })
  // the database lets either come first: booked and then taken back, or taken back and then refused
  const [, refused] = await Promise.all([undo!, rest!])

  expect([undefined, 'That payment was taken back.']).toContain(refused)
  expect(await rows('select document_id, open from open_item order by document_id')).toEqual(openBefore)
  await house.settle()
  await holds(today)
})

/** Until so many transactions wait for a lock. */
async function waiting(count: number): Promise<void> {
  await expect
    .poll(
      () =>
        outside(() =>
          one(`select count(*)::int count from pg_stat_activity
            where datname = current_database() and wait_event_type = 'Lock'`),
        ),
      { timeout: 10_000, interval: 20 },
    )
    .toEqual({ count })
}

test(
  'many people at the same customers at the same time: each is done or refused in words, none ' +
    'waits for ever, and the books balance',
  async () => {
    for (let n = 0; n < 6; n++) await invoice(customers[n % 2]!, 3)
    const [list] = fc.sample(
      fc.array(
        fc.record<Move>({
          what: fc.constantFrom(
            'pay',
            'pay',
            'pay',
            'pay over',
            'credit some',
            'void',
            'undo',
            'undo',
            'allocate',
            'allocate',
          ),
          customer: fc.nat({ max: 1 }),
          pick: fc.nat({ max: 40 }),
          cents: fc.integer({ min: 1, max: 900 }),
        }),
        { minLength: 150, maxLength: 150 },
      ),
      { numRuns: 1, seed: 3 },
    )
    const outcomes = await Promise.allSettled(list!.map((move) => make(move)))
    expect(
      outcomes.flatMap((outcome) =>
        outcome.status === 'rejected'
          ? [
              [
                String(outcome.reason),
                JSON.stringify(
                  (outcome.reason as { fields?: object; parent?: { detail?: string; table?: string } })
                    .parent,
                ),
              ].join(' '),
            ]
          : [],
      ),
      'a deadlock, or something else that is no refusal',
    ).toEqual([])
    // which of them are done depends on who comes first; that a good many are, does not
    expect(
      outcomes.filter((outcome) => outcome.status === 'fulfilled' && outcome.value).length,
    ).toBeGreaterThan(10)
    await house.settle()
    await holds(today)
    expect(await one('select count(*)::int count from open_item where open <> 0')).not.toEqual({ count: 0 })
  },
  120_000,
)
