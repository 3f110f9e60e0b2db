import { beforeEach, describe, expect, test } from 'vitest'
import { addDays, dayInZone } from '../../core/documents/days'
import { ageingStep, ageingSteps } from '../../core/receivables/ageing'
import { one, rows, run } from '../../server/db/connection'
import { creditDocument } from '../../server/services/drafts/credit'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { prepareReceipt } from '../../server/services/receivables/source'
import { voidDocument } from '../../server/services/documents/void'
import { registerSums } from '../../server/services/register/register-queries'
import { reconciliationOf } from '../../server/services/register/reconciliation'
import { account, ageing, markItem } from '../../server/services/receivables/accounts'
import { accounts, listPayments } from '../../server/services/receivables/accounts-queries'
import { allocatePayment, recordPayment, type NewPayment } from '../../server/services/receivables/payments'
import { undoPayment } from '../../server/services/receivables/undo-payment'
import { catchUp, lookBack } from '../../server/services/routines/catch-up'
import { addRoutine } from '../../server/services/routines/routines'
import { balances } from './books'
import { papersOf, useHouse } from './house'
import { postedInvoice } from './money'
import { inTheNameOf } from '../../server/services/people/principal'

/* Payments and refunds: what is booked, refused, taken back, and the receipts that follow. */
const house = useHouse({ reports: false })
const today = () => dayInZone(new Date(), 'Europe/Dublin')

beforeEach(async () => {
  await run('update company set closed_until = null')
  await run(`update routine set is_on = false where sentence ->> 'on' = 'payment'`)
})

const invoice = (customer = '10417') => postedInvoice(house, customer)
const open = async (documentId: number) =>
  (await one<{ open: string }>('select open::text open from open_item where document_id = $1', [documentId]))!
    .open
const settle = (documentId: number, amount: string, rest: { discount?: string; writeOff?: string } = {}) => ({
  documentId,
  amount,
  discount: '0',
  writeOff: '0',
  ...rest,
})
const payment = (change: Partial<NewPayment> = {}): NewPayment => ({
  direction: 'in',
  customerId: house.customer('10417').id,
  date: today(),
  method: 'bank transfer',
  amount: '100.00',
  currency: 'EUR',
  reference: '',
  settle: [],
  another: true,
  ...change,
})
/** A routine that sends receipts automatically. */
const receiptRoutine = (name: string) =>
  addRoutine(
    {
      name,
      description: '',
      trust: 'automatic',
      isOn: true,
      sentence: {
        on: 'payment',
        statuses: [],
        conditions: [],
        issue: 'payment receipt',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    inTheNameOf('Test'),
  )

describe('a payment', () => {
  test('in part, then the rest with a small difference waived: open amount, entry and trail in one act', async () => {
    const { id } = await invoice()
    await recordPayment(
      payment({ amount: '200.00', settle: [settle(id, '200.00')] }),
      inTheNameOf('Col Varley'),
    )
    expect(await open(id)).toBe('412.54')
    await recordPayment(
      payment({ amount: '412.50', settle: [settle(id, '412.50', { writeOff: '0.04' })] }),
      inTheNameOf('Col Varley'),
    )
    expect(await open(id)).toBe('0.00')
    expect(
      (
        await rows<{ words: string }>('select words from history where document_id = $1 order by id', [id])
      ).map((row) => row.words),
    ).toContainEqual(expect.stringMatching(/^Paid 412\.50 EUR .* with 0\.04 waived\.$/))
    await balances()
  })

  test('over: what is too much stays on account, goes on the next invoice, the last is refunded', async () => {
    const first = await invoice()
    const paid = await recordPayment(
      payment({ amount: '800.00', settle: [settle(first.id, '612.54')] }),
      inTheNameOf('Col Varley'),
    )
    expect((await account(house.customer('10417').id)).payments.find((one) => one.id === paid)).toMatchObject(
      { open: '187.46' },
    )
    const second = await invoice()
    await allocatePayment(paid, [settle(second.id, '100.00')], inTheNameOf('Col Varley'))
    expect(await open(second.id)).toBe('512.54')
    await expect(
      allocatePayment(paid, [settle(second.id, '87.47')], inTheNameOf('Col Varley')),
    ).rejects.toThrow('Of that payment 87.46 EUR are on account')
    await recordPayment(
      payment({ direction: 'out', amount: '87.46', giveBack: [{ paymentId: paid, amount: '87.46' }] }),
      inTheNameOf('Col Varley'),
    )
    await expect(
      recordPayment(
        payment({ direction: 'out', amount: '1.00', giveBack: [{ paymentId: paid, amount: '1.00' }] }),
        inTheNameOf('Col Varley'),
      ),
    ).rejects.toThrow('Of that payment 0.00 EUR are on account')
    await expect(undoPayment(paid, 'Mistake', inTheNameOf('Test'))).rejects.toThrow(
      'Take the refund back first',
    )
    await balances()
  })

  test('with the early-payment discount, over several invoices', async () => {
    const [a, b] = [await invoice(), await invoice()]
    await recordPayment(
      payment({
        amount: '1200.58',
        settle: [
          settle(a.id, '600.29', { discount: '12.25' }),
          settle(b.id, '600.29', { discount: '12.25' }),
        ],
      }),
      inTheNameOf('Test'),
    )
    expect([await open(a.id), await open(b.id)]).toEqual(['0.00', '0.00'])
    await balances()
  })

  test('by mistake: taken back by a counter-entry, once; nothing is deleted', async () => {
    const { id } = await invoice()
    const paid = await recordPayment(
      payment({ amount: '612.54', settle: [settle(id, '612.54')] }),
      inTheNameOf('Col Varley'),
    )
    await undoPayment(paid, 'Wrong customer', inTheNameOf('Maeve Tarrant'))
    expect(await open(id)).toBe('612.54')
    await expect(undoPayment(paid, 'Again', inTheNameOf('Test'))).rejects.toThrow('taken back already')
    expect(
      await rows(
        'select amount::text amount, reference from payment where id = $1 or reverses_id = $1 order by id',
        [paid],
      ),
    ).toEqual([
      { amount: '612.54', reference: '' },
      { amount: '-612.54', reference: 'Wrong customer' },
    ])
    await balances()
  })

  test.each([true, false])(
    'taken back by several people at the same instant is taken back once, and the others are told (on account: %s)',
    async (onAccount) => {
      const { id } = await invoice()
      const paid = await recordPayment(
        payment({ amount: '612.54', settle: onAccount ? [] : [settle(id, '612.54')] }),
        inTheNameOf('Col Varley'),
      )
      const all = await Promise.allSettled(
        Array.from({ length: 6 }, () => undoPayment(paid, 'Mistake', inTheNameOf('Somebody'))),
      )
      expect(all.filter((one) => one.status === 'fulfilled')).toHaveLength(1)
      for (const one of all)
        if (one.status === 'rejected') expect((one.reason as Error).message).toContain('taken back already')
      expect(await open(id)).toBe('612.54')
      await balances()
    },
  )

  test('that is booked already is asked about, and booked when it is another', async () => {
    const wanted = payment({ amount: '77.00', another: false })
    await recordPayment(wanted, inTheNameOf('Col Varley'))
    await expect(recordPayment(wanted, inTheNameOf('Maeve Tarrant'))).rejects.toThrow(
      /77\.00 EUR of \d+ \w+ \d{4} from Ottermill Honey Co-op is booked already, by Col Varley/,
    )
    await recordPayment({ ...wanted, another: true }, inTheNameOf('Maeve Tarrant'))
  })

  test.each([false, true])(
    'booked by several people at the same instant is booked once (said to be another: %s)',
    async (another) => {
      const { id } = await invoice()
      const both = await Promise.allSettled(
        Array.from({ length: 6 }, () =>
          recordPayment(
            payment({ amount: '612.54', settle: [settle(id, '612.54')], another }),
            inTheNameOf('Somebody'),
          ),
        ),
      )
      expect(both.filter((one) => one.status === 'fulfilled')).toHaveLength(1)
      expect(await open(id)).toBe('0.00')
      expect((both.find((one) => one.status === 'rejected') as PromiseRejectedResult).reason.message).toMatch(
        /booked already|Nothing is open/,
      )
      await balances()
    },
  )

  test.each<[string, (id: number) => Partial<NewPayment>, string]>([
    [
      'more than is open',
      (id) => ({ amount: '700.00', settle: [settle(id, '700.00')] }),
      'has 612.54 EUR open',
    ],
    ['more than was paid', (id) => ({ amount: '5.00', settle: [settle(id, '10.00')] }), 'only 5.00 was paid'],
    [
      "another customer's invoice",
      (id) => ({ customerId: house.customer('10418').id, settle: [settle(id, '10.00')] }),
      'is not',
    ],
    ['a document twice', (id) => ({ settle: [settle(id, '10.00'), settle(id, '10.00')] }), 'named twice'],
    ['nothing', () => ({ amount: '0' }), 'over zero'],
    ['the future', () => ({ date: addDays(today(), 1) }), 'in the future'],
    ['no customer', () => ({ customerId: 999_999 }), 'does not exist'],
    ['no document', () => ({ settle: [settle(999_999, '1.00')] }), 'does not exist'],
    ['another currency', (id) => ({ currency: 'GBP', settle: [settle(id, '10.00')] }), 'is in EUR'],
    [
      'a refund on an invoice',
      (id) => ({ direction: 'out', settle: [settle(id, '10.00')] }),
      'Nothing is to be refunded',
    ],
  ])('over %s is refused in words, and nothing is booked', async (_, change, words) => {
    const { id } = await invoice()
    const before = await one('select count(*)::int count from payment')
    await expect(recordPayment(payment(change(id)), inTheNameOf('Test'))).rejects.toThrow(words)
    expect(await one('select count(*)::int count from payment')).toEqual(before)
    expect(await open(id)).toBe('612.54')
  })

  test('for a voided or credited invoice is refused, into a closed period too', async () => {
    const [gone, credited] = [await invoice(), await invoice()]
    await voidDocument(gone.id, 'Wrong', inTheNameOf('Test'))
    await expect(
      recordPayment(payment({ settle: [settle(gone.id, '10.00')] }), inTheNameOf('Test')),
    ).rejects.toThrow('was voided: nothing is owed')
    const { credit } = await creditDocument(
      credited.id,
      { ask: { kind: 'whole' }, reason: 'Broken', anew: false },
      inTheNameOf('Test'),
    )
    const [paper] = await rows<{ preparedId: number; revision: number }>(
      'select id "preparedId", revision from prepared_document where source_id = $1',
      [credit],
    )
    await issueInOneTransaction([paper!], inTheNameOf('Test'))
    await expect(
      recordPayment(payment({ settle: [settle(credited.id, '10.00')] }), inTheNameOf('Test')),
    ).rejects.toThrow('Nothing is open on')
    await run('update company set closed_until = $1', [addDays(today(), -2)])
    await expect(recordPayment(payment({ date: addDays(today(), -3) }), inTheNameOf('Test'))).rejects.toThrow(
      'closed period',
    )
  })

  test('keeps its invoice from being voided, until it is taken back', async () => {
    const { id } = await invoice()
    const paid = await recordPayment(
      payment({ amount: '10.00', settle: [settle(id, '10.00')] }),
      inTheNameOf('Test'),
    )
    await expect(voidDocument(id, 'x', inTheNameOf('Test'))).rejects.toThrow('Payments are booked')
    await undoPayment(paid, 'Mistake', inTheNameOf('Test'))
    await voidDocument(id, 'x', inTheNameOf('Test'))
  })
})

test('a credit that finds its invoice paid is refunded, and never over what it is worth', async () => {
  const { id } = await invoice()
  await recordPayment(payment({ amount: '612.54', settle: [settle(id, '612.54')] }), inTheNameOf('Test'))
  const { credit } = await creditDocument(
    id,
    { ask: { kind: 'amount', amount: '61.50' }, reason: 'Scratched', anew: false },
    inTheNameOf('Test'),
  )
  const [paper] = await rows<{ preparedId: number; revision: number }>(
    'select id "preparedId", revision from prepared_document where source_id = $1',
    [credit],
  )
  const [issued] = await issueInOneTransaction([paper!], inTheNameOf('Test'))
  expect(await open(issued!.documentId!)).toBe('-61.50')
  await expect(
    recordPayment(
      payment({ direction: 'out', amount: '70.00', settle: [settle(issued!.documentId!, '70.00')] }),
      inTheNameOf('Test'),
    ),
  ).rejects.toThrow('has 61.50 EUR open')
  await recordPayment(
    payment({ direction: 'out', amount: '61.50', settle: [settle(issued!.documentId!, '61.50')] }),
    inTheNameOf('Test'),
  )
  expect(await open(issued!.documentId!)).toBe('0.00')
  await balances()
})

test(
  'a sale that is paid at once: the invoice says so, its payment is booked with it, and the ' +
    'receipt follows',
  async () => {
    await receiptRoutine('Receipt of cash sales')
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    const [result] = await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: null }],
      inTheNameOf('Col Varley'),
      undefined,
      { paidBy: 'cash' },
    )
    const document = (await one<{
      toPay: string
      sums: { label: string; amount: string }[]
      payment: object | null
    }>(
      `select to_pay::text "toPay", paper -> 'sums' sums, paper -> 'payment' payment from document where id = $1`,
      [result!.documentId],
    ))!
    expect(document).toMatchObject({ toPay: '0.00', payment: null })
    expect(document.sums.at(-1)).toMatchObject({ label: 'Already paid', amount: '−612.54' })
    expect(
      await one('select amount::text amount, open::text open from open_item where document_id = $1', [
        result!.documentId,
      ]),
    ).toEqual({ amount: '612.54', open: '0.00' })
    await house.settle()
    expect(
      await rows(
        `select d.kind
      from document d
      join payment p on p.id = d.source_id
      where p.method = 'cash' and p.amount = 612.54`,
      ),
    ).toEqual([{ kind: 'payment receipt' }])
    await balances()
  },
)

test('a credit note that is voided gives back what it settled by a counter-entry; no entry is deleted', async () => {
  const { id } = await invoice()
  const { credit } = await creditDocument(
    id,
    { ask: { kind: 'amount', amount: '100.00' }, reason: 'Broken', anew: false },
    inTheNameOf('Test'),
  )
  const [paper] = await rows<{ id: number }>('select id from prepared_document where source_id = $1', [
    credit,
  ])
  const [result] = await issueInOneTransaction(
    [{ preparedId: paper!.id, revision: null }],
    inTheNameOf('Test'),
    undefined,
    {
      postOnly: true,
    },
  )
  expect(await open(id)).toBe('512.54')
  await voidDocument(result!.documentId!, 'Not broken', inTheNameOf('Test'))
  expect(await open(id)).toBe('612.54')
  expect(
    await rows('select amount::text amount from allocation where from_document_id = $1 order by id', [
      result!.documentId,
    ]),
  ).toEqual([{ amount: '100' }, { amount: '-100' }])
})

test('the Register sums what is still open of open documents, and what is posted of all', async () => {
  const { id } = await invoice()
  await recordPayment(
    payment({ amount: '600.00', settle: [settle(id, '600.00')] }),
    inTheNameOf('Col Varley'),
  )
  const inBooks = (await one<{ sum: string }>(
    `select sum(open)::text sum
    from open_item i
    join document d on d.id = i.document_id
    where i.open > 0 and i.currency = 'EUR' and d.kind = 'invoice'`,
  ))!
  const { sums } = await registerSums({ state: 'open', kind: 'invoice' })
  expect(sums.find((one) => one.currency === 'EUR')!.sum).toBe(inBooks.sum)
})

describe('receipts', () => {
  test('of a payment that no routine looked at is prepared by hand, once, and waits for a check', async () => {
    const paid = await recordPayment(payment({ amount: '5.00' }), inTheNameOf('Col Varley'))
    expect(await receipts(paid)).toEqual([])
    expect(await prepareReceipt(paid, inTheNameOf('Col Varley'))).toMatchObject({ outcome: 'prepared' })
    expect(await prepareReceipt(paid, inTheNameOf('Col Varley'))).toMatchObject({ outcome: 'already' })
    expect(await rows('select state from prepared_document where source_id = $1', [paid])).toEqual([
      { state: 'prepared' },
    ])
  })

  test('put back, it is prepared again; of another kind, or of an order, none is made', async () => {
    const paid = await recordPayment(payment({ amount: '6.00' }), inTheNameOf('Col Varley'))
    const { preparedId } = await prepareReceipt(paid, inTheNameOf('Col Varley'))
    await putBack([preparedId!], inTheNameOf('Col Varley'))
    await expect(prepareByHand('invoice', [paid], inTheNameOf('Col Varley'))).rejects.toThrow(
      'An invoice is not made of a payment',
    )
    expect(await prepareByHand('payment receipt', [paid], inTheNameOf('Col Varley'))).toMatchObject([
      { sourceId: paid, result: { outcome: 'prepared' } },
    ])
    const order = await one<{ id: number }>('select min(id) id from sales_order')
    await expect(prepareByHand('payment receipt', [order!.id], inTheNameOf('Col Varley'))).rejects.toThrow(
      'A payment receipt is not made of an order',
    )
  })

  const receipts = (paymentId: number) =>
    rows<{ kind: string; number: string; total: string; lines: { item: string; detail: string }[] }>(
      `select kind, number, total::text total, paper -> 'lines' lines from document where source_id = $1`,
      [paymentId],
    )

  test('go out by themselves for payments and refunds, each with its own routine, once', async () => {
    for (const issue of ['payment receipt', 'refund receipt'] as const)
      await addRoutine(
        {
          name: `Auto ${issue}`,
          description: '',
          trust: 'automatic',
          isOn: true,
          sentence: { on: 'payment', statuses: [], conditions: [], issue, to: 'billing', delayMinutes: 0 },
        },
        inTheNameOf('Test'),
      )
    const { id, number } = await invoice()
    const paid = await recordPayment(
      payment({ amount: '700.00', reference: 'OM 118', settle: [settle(id, '612.54')] }),
      inTheNameOf('Col Varley'),
    )
    await house.settle()
    const [receipt, ...others] = await receipts(paid)
    expect(others).toEqual([])
    expect(receipt).toMatchObject({
      kind: 'payment receipt',
      total: '700.00',
      lines: [{ item: number }, { item: '' }],
    })
    expect(receipt!.number).toMatch(/^PR-\d{4}-\d{5}$/)
    const [mail] = await house.mails('accounts@ottermill.example')
    expect(mail!.subject).toContain(receipt!.number)
    const back = await recordPayment(
      payment({ direction: 'out', amount: '87.46', giveBack: [{ paymentId: paid, amount: '87.46' }] }),
      inTheNameOf('Col Varley'),
    )
    await house.settle()
    expect(await receipts(back)).toMatchObject([{ kind: 'refund receipt', total: '87.46' }])
    expect(await receipts(paid)).toHaveLength(1)
    expect(
      (await one<{ open: string }>(
        `select coalesce(sum(open), 0)::text open
        from open_item
        where document_id in (select id from document where source_id in (select id from payment))`,
      ))!.open,
    ).toBe('0')
  })

  test(
    'one that waits for a check is dropped when its payment is taken back, and built anew when more ' +
      'is booked of it',
    async () => {
      await addRoutine(
        {
          name: 'Checked receipt',
          description: '',
          trust: 'after a check',
          isOn: true,
          sentence: {
            on: 'payment',
            statuses: [],
            conditions: [],
            issue: 'payment receipt',
            to: 'billing',
            delayMinutes: 0,
          },
        },
        inTheNameOf('Test'),
      )
      const { id } = await invoice()
      const paid = await recordPayment(payment({ amount: '612.54' }), inTheNameOf('Test'))
      await house.settle()
      const paper = () =>
        one<{ state: string; lines: { item: string }[] }>(
          `select state, content -> 'lines' lines from prepared_document where source_id = $1`,
          [paid],
        )
      expect(await paper()).toMatchObject({ state: 'prepared', lines: [{ item: '' }] })
      await allocatePayment(paid, [settle(id, '612.54')], inTheNameOf('Test'))
      await house.settle()
      expect((await paper())!.lines).toHaveLength(1)
      expect((await paper())!.lines[0]!.item).not.toBe('')
      await undoPayment(paid, 'Mistake', inTheNameOf('Test'))
      expect(await paper()).toMatchObject({ state: 'dropped' })
      expect(await rows(`select 1 from claim where source_id = $1`, [paid])).toEqual([])
    },
  )

  test('a routine switched on later catches up on older payments, in a range and after a look', async () => {
    const paid = await recordPayment(payment({ amount: '33.00' }), inTheNameOf('Test'))
    await house.settle()
    const routine = await receiptRoutine('Late receipt')
    const range = { from: today(), to: today() }
    expect((await lookBack(routine, range.from, range.to)).map((one) => one.id)).toContain(paid)
    await catchUp(routine, range, [paid], inTheNameOf('Test'))
    await house.settle()
    expect(await rows('select state from prepared_document where source_id = $1', [paid])).toEqual([
      { state: 'prepared' },
    ])
    expect((await lookBack(routine, range.from, range.to)).map((one) => one.id)).not.toContain(paid)
  })
})

describe('accounts', () => {
  test('say by age what is owed, what is in credit, and what is disputed or promised', async () => {
    const { id, number } = await invoice('10420')
    await run('update open_item set due_date = $2::date - 45 where document_id = $1', [id, today()])
    await recordPayment(
      payment({ customerId: house.customer('10420').id, amount: '12.54' }),
      inTheNameOf('Test'),
    )
    const customerId = house.customer('10420').id
    await markItem(
      id,
      { dispute: 'Two boxes missing', promisedOn: addDays(today(), 5) },
      inTheNameOf('Col Varley'),
    )
    const view = await account(customerId)
    expect(view.items.find((item) => item.number === number)).toMatchObject({
      late: 45,
      dispute: 'Two boxes missing',
      promisedOn: addDays(today(), 5),
      markedBy: 'Col Varley',
    })
    const row = (await accounts({ sort: 'overdue', descending: true, limit: 60 })).rows.find(
      (one) => one.customerId === customerId,
    )!
    expect(row).toMatchObject({ credit: '-12.54', balance: '600.00', overdue: '612.54', disputed: true })
    expect(row.steps.map(Number)).toEqual([0, 0, 612.54, 0, 0])
    const all = (await ageing()).find((one) => one.currency === 'EUR')!
    expect(Number(all.steps[2]!.sum)).toBeGreaterThanOrEqual(612.54)
    expect(Number(all.open)).toBeCloseTo(
      (
        await rows<{ balance: string }>(
          `select sum(open)::text balance
          from (
            select open
            from open_item
            where currency = 'EUR'
            union all
            select case direction when 'in' then -open else open end
            from payment
            where currency = 'EUR'
          ) x`,
        )
      ).reduce((sum, one) => sum + Number(one.balance), 0),
      2,
    )
  })

  test('put each item into the step that its days say, on both sides of every edge', async () => {
    const { id } = await invoice('10427')
    const customerId = house.customer('10427').id
    for (const late of [-1, 0, 1, 30, 31, 60, 61, 90, 91, 400]) {
      const due = addDays(today(), -late)
      await run('update open_item set due_date = $2 where document_id = $1', [id, due])
      const step = ageingSteps.indexOf(ageingStep(due, today()))
      const before = await ageing()
      const { steps, overdue, oldestDue } = (
        await accounts({ search: '10427', sort: 'name', descending: false, limit: 5 })
      ).rows.find((row) => row.customerId === customerId)!
      expect(steps.map(Number), `${late} days late`).toEqual(
        [0, 1, 2, 3, 4].map((at) => (at === step ? 612.54 : 0)),
      )
      expect([Number(overdue), oldestDue]).toEqual([late > 0 ? 612.54 : 0, due])
      const counted = before.find(({ currency }) => currency === 'EUR')!.steps[step]!
      await run('update open_item set open = 0 where document_id = $1', [id])
      const without = (await ageing()).find(({ currency }) => currency === 'EUR')!.steps[step]!
      await run('update open_item set open = amount where document_id = $1', [id])
      expect([counted.count - without.count, Number(counted.sum) - Number(without.sum)]).toEqual([
        1,
        expect.closeTo(612.54, 2),
      ])
    }
  })

  test('are sorted, searched and paged; payments are found by number, amount and text', async () => {
    const names = (await accounts({ sort: 'name', descending: false, limit: 60 })).rows.map((row) => row.name)
    expect(names).toEqual([...names].sort((a, b) => (a < b ? -1 : 1)))
    const first = await accounts({ sort: 'name', descending: false, limit: 1 })
    expect(
      (await accounts({ sort: 'name', descending: false, limit: 60, after: first.after! })).rows.map(
        (row) => row.name,
      ),
    ).toEqual(names.slice(1))
    expect(
      (await accounts({ search: 'otter', sort: 'overdue', descending: true, limit: 10 })).rows.map(
        (row) => row.name,
      ),
    ).toEqual(['Ottermill Honey Co-op'])
    expect((await listPayments({ search: '77.00', limit: 10 })).rows.length).toBeGreaterThan(0)
    expect((await listPayments({ search: 'om 118', limit: 10 })).rows).toHaveLength(1)
  })
})

describe('the proof of a day', () => {
  test('posted is open, paid, credited and voided; what did not arrive is named with why', async () => {
    const reconciliation = await reconciliationOf(today())
    expect(reconciliation.postings.map((one) => one.difference).map(Number)).toEqual(
      reconciliation.postings.map(() => 0),
    )
    expect(reconciliation.postings.length).toBeGreaterThan(0)
    for (const series of reconciliation.series) {
      expect([series.numbered.count, series.numbered.sum]).toEqual([series.issued.count, series.issued.sum])
      const short = reconciliation.differences.filter((one) => one.kind === series.kind)
      expect(short.length, series.kind).toBeGreaterThanOrEqual(series.issued.count - series.arrived.count)
    }
    expect(reconciliation.differences.find((one) => one.kind === 'invoice')).toMatchObject({
      step: 'sent',
      words: 'An invoice that was issued and not sent: it waits in To send.',
    })
  })

  test('an open amount that somebody changed past Clothespin is found', async () => {
    const { id } = await invoice()
    await run('update open_item set open = open - 1 where document_id = $1', [id])
    const reconciliation = await reconciliationOf(today())
    expect(reconciliation.postings.find((one) => one.currency === 'EUR')!.difference).toBe('1.00')
    expect(reconciliation.differences.find((one) => one.id === id)).toMatchObject({ step: 'posted' })
    await run('update open_item set open = open + 1 where document_id = $1', [id])
  })
})
