import { describe, expect, test } from 'vitest'
import type { RoutineSentence } from '../../core/routines/sentence'
import { one, rows } from '../../server/db/connection'
import { correctAddress } from '../../server/services/dispatch/correct'
import {
  changeCustomer,
  customerView,
  restorePreferences,
  setPreferences,
} from '../../server/services/customers/customers'
import { listCustomers } from '../../server/services/customers/queries'
import { drop, prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import { editOrder } from '../../server/services/orders/orders'
import { setStatus } from '../../server/services/orders/status'
import { catchUp, lookBack } from '../../server/services/routines/catch-up'
import {
  addRoutine,
  changeRoutine,
  listRoutines,
  routineVersions,
} from '../../server/services/routines/routines'
import { tryOut } from '../../server/services/routines/trial'
import { whyOf } from '../../server/services/routines/why'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/*
 * What goes when: sentences, two kinds of paper, trial, catching up, why, and the customers' preferences that
 * decide how.
 */
const house = useHouse()

const confirm: RoutineSentence = {
  statuses: ['Confirmed'],
  conditions: [],
  issue: 'order confirmation',
  to: 'buying',
  copyTo: ['desk@tansyhollow.example'],
  delayMinutes: 0,
  hours: null,
}
const today = () => new Date().toISOString().slice(0, 10)
const kindsOf = async (order: number) =>
  (
    await rows<{ kind: string; state: string }>(
      'select kind, state from prepared_document where source_id = $1 order by id',
      [order],
    )
  ).map((row) => `${row.kind} ${row.state}`)

/** Switches a routine off, as it stands. */
async function changeRoutineOff(id: number): Promise<void> {
  const { version } = (await listRoutines()).find((one) => one.id === id)!
  await changeRoutine(id, { version, isOn: false }, inTheNameOf('Test'))
}

let confirmations = 0
describe('an order confirmation beside the invoice', () => {
  test("has its own series, goes to the buying contact with the routine's copy, and books nothing", async () => {
    confirmations = await addRoutine(
      { name: 'Confirm', description: '', trust: 'automatic', isOn: true, sentence: confirm },
      inTheNameOf('Test'),
    )
    const order = await house.newOrder({ status: 'Draft' })
    await setStatus([order], 'Confirmed', inTheNameOf('Test'))
    await house.settle()
    const paper = await one<{ id: number }>(`select d.id from document d where d.source_id = $1`, [order])
    const document = await documentView(paper!.id)
    expect(document).toMatchObject({ kind: 'order confirmation', dueDate: null, open: null })
    expect(document.number).toMatch(/^OC-\d{4}-00001$/)
    await until(
      'the mail to be there',
      async () => (await house.mails('stores@ottermill.example')).length === 1,
    )
    const [mail] = await house.mails('stores@ottermill.example')
    expect(mail!.subject).toContain(document.number)
    expect(JSON.stringify(mail!.cc)).toContain('desk@tansyhollow.example')
    expect(mail!.attachments[0]!.filename).toBe(`Order-confirmation-${document.number}.pdf`)
    expect(await house.mails('desk@tansyhollow.example')).toHaveLength(1)
  })

  test('confirmed again unchanged makes none; changed and confirmed anew makes one of the new revision', async () => {
    const order = await house.newOrder({ status: 'Draft' })
    const move = async (status: string) => {
      await setStatus([order], status, inTheNameOf('Test'))
      await house.settle()
    }
    await move('Confirmed')
    await move('Held')
    await move('Confirmed')
    expect(await kindsOf(order)).toEqual(['order confirmation issued'])
    expect(await historyWords(order)).toContainEqual(
      expect.stringMatching(/Nothing was made: order confirmation OC-.* was already issued/),
    )
    const { version } = (await one<{ version: number }>('select version from sales_order where id = $1', [
      order,
    ]))!
    await editOrder(
      order,
      {
        version,
        reference: null,
        customerNote: null,
        lines: [
          {
            item: 'A',
            description: 'Box',
            detail: null,
            unit: '',
            quantity: '2',
            unitPrice: '10',
            discountPercent: '0',
            taxCode: 'standard',
          },
        ],
      },
      inTheNameOf('Test'),
    )
    await move('Held')
    await move('Confirmed')
    expect(await kindsOf(order)).toEqual(['order confirmation issued', 'order confirmation issued'])
  })

  test('both kinds of one order draw from their own series and stand side by side', async () => {
    const order = await house.newOrder({ status: 'Draft' })
    await setStatus([order], 'Confirmed', inTheNameOf('Test'))
    await house.settle()
    await house.ship([order])
    expect(await kindsOf(order)).toEqual(['order confirmation issued', 'invoice prepared'])
  })
})

describe('a sentence', () => {
  test('is kept in versions; one that cannot hold changes nothing; two people at once are told', async () => {
    const id = await addRoutine(
      { name: 'Schools', description: '', trust: 'by hand', isOn: false, sentence: confirm },
      inTheNameOf('Maeve'),
    )
    await changeRoutine(
      id,
      {
        version: 1,
        sentence: { ...confirm, conditions: [{ about: 'group', is: 'one of', values: ['Schools'] }] },
      },
      inTheNameOf('Col'),
    )
    await expect(
      changeRoutine(id, { version: 2, sentence: { ...confirm, statuses: ['Lost'] } }, inTheNameOf('Col')),
    ).rejects.toThrow('“Lost” is not a status')
    await expect(changeRoutine(id, { version: 1, trust: 'automatic' }, inTheNameOf('Ida'))).rejects.toThrow(
      'Somebody changed “Schools” meanwhile',
    )
    await expect(
      addRoutine(
        { name: 'schools', description: '', trust: 'by hand', isOn: false, sentence: confirm },
        inTheNameOf('Ida'),
      ),
    ).rejects.toThrow('already a routine “schools”')
    expect(
      (await routineVersions(id)).map((one) => [one.version, one.madeBy, one.sentence.conditions.length]),
    ).toEqual([
      [2, 'Col', 1],
      [1, 'Maeve', 0],
    ])
    expect((await listRoutines()).find((one) => one.id === id)).toMatchObject({
      isOn: false,
      appliesSince: null,
    })
  })

  test('with a delay and hours lets an issued paper leave only then', async () => {
    await changeRoutine(
      confirmations,
      { version: 1, sentence: { ...confirm, delayMinutes: 30 } },
      inTheNameOf('Test'),
    )
    const order = await house.newOrder({ status: 'Draft' })
    const before = Date.now()
    await setStatus([order], 'Confirmed', inTheNameOf('Test'))
    await house.settle()
    const waits = (await one<{ notBefore: Date; state: string }>(
      `select s.not_before "notBefore", s.state
      from dispatch s
      join dispatch_document dd on dd.dispatch_id = s.id
      join document d on d.id = dd.document_id
      where d.source_id = $1`,
      [order],
    ))!
    expect(waits.state).toBe('waiting')
    expect(waits.notBefore.getTime() - before).toBeGreaterThan(29 * 60_000)
  })
})

describe('the trial', () => {
  test('judges the past events as they were, each order once, and writes nothing', async () => {
    const orders = [await house.newOrder({ status: 'Packed' }), await house.newOrder({ status: 'Packed' })]
    await setStatus(orders, 'Closed', inTheNameOf('Test'))
    await setStatus([orders[0]!], 'Packed', inTheNameOf('Test'))
    await setStatus([orders[0]!], 'Closed', inTheNameOf('Test'))
    await house.settle()
    const count = async () =>
      (await one<{ count: number }>(
        `select (select count(*) from prepared_document)::int + (select count(*) from evaluation)::int
          + (select count(*) from event)::int count`,
      ))!.count
    const before = await count()
    const closed: RoutineSentence = { ...confirm, statuses: ['Closed'], issue: 'invoice', to: 'billing' }
    const trial = await tryOut(closed, 30, null)
    expect(trial).toMatchObject({
      papers: 2,
      customers: 1,
      clean: 2,
      person: { count: 0 },
      stuck: { count: 0 },
      against: null,
    })
    expect(trial.byDay).toHaveLength(30)
    expect(trial.byDay.at(-1)).toMatchObject({ count: 2 })
    const narrower = await tryOut(
      {
        ...closed,
        conditions: [{ about: 'total', of: 'gross', is: 'over', amount: '99999', currency: 'EUR' }],
      },
      30,
      closed,
    )
    expect(narrower).toMatchObject({ papers: 0, against: { more: 0, fewer: 2 } })
    expect(await count()).toBe(before)
  })

  test('says who would have got stuck, and why', async () => {
    const gorsefield = house.customer('10424')
    const order = await house.newOrder({
      status: 'Packed',
      customerId: gorsefield.id,
      customerName: gorsefield.name,
    })
    await setStatus([order], 'Withdrawn', inTheNameOf('Test'))
    const trial = await tryOut(
      { ...confirm, statuses: ['Withdrawn'], issue: 'invoice', to: 'billing' },
      30,
      null,
    )
    expect(trial.stuck).toMatchObject({
      count: 1,
      reasons: [{ words: 'Gorsefield Estate has no billing contact', count: 1 }],
    })
    expect(trial.orders).toMatchObject([{ number: expect.any(String), outcome: 'stuck' }])
  })
})

describe('catching up', () => {
  test('offers older orders without theirs in number order; what is caught up waits for a check', async () => {
    const orders = [
      await house.newOrder({ number: 'CU-10', status: 'Packed' }),
      await house.newOrder({ number: 'CU-9', status: 'Packed' }),
      await house.newOrder({ number: 'CU-11', status: 'Packed' }),
    ]
    await setStatus(orders, 'In picking', inTheNameOf('Test'))
    await house.settle()
    const id = await addRoutine(
      {
        name: 'When picking',
        description: '',
        trust: 'automatic',
        isOn: true,
        sentence: { ...confirm, statuses: ['In picking'] },
      },
      inTheNameOf('Test'),
    )
    expect(await kindsOf(orders[0]!)).toEqual([])
    const missed = await lookBack(id, today(), today())
    expect(missed.map((one) => one.number)).toEqual(['CU-9', 'CU-10', 'CU-11'])
    expect(
      await catchUp(id, { from: today(), to: today() }, [orders[0]!, orders[1]!], inTheNameOf('Test')),
    ).toBe(2)
    await house.settle()
    expect((await papersOf(orders)).map((paper) => paper.state)).toEqual(['prepared', 'prepared'])
    expect((await lookBack(id, today(), today())).map((one) => one.number)).toEqual(['CU-11'])
    expect((await tryOut({ ...confirm, statuses: ['In picking', 'Packed'] }, 90, null)).shared).toEqual([
      { name: 'When picking', count: 3 },
    ])
    await expect(
      catchUp(id, { from: today(), to: today() }, [orders[0]!], inTheNameOf('Test')),
    ).rejects.toThrow('still lacks its order confirmation')
    expect(await historyWords(orders[0]!)).toContain(
      '“When picking” was asked to catch up on this order’s order confirmation.',
    )
  })

  test('leaves out what is withdrawn, and what somebody said is not wanted', async () => {
    const numbers = ['CL-1', 'CL-2', 'CL-3']
    const orders: number[] = []
    for (const number of numbers) orders.push(await house.newOrder({ number, status: 'Packed' }))
    await setStatus(orders, 'In picking', inTheNameOf('Test'))
    await house.settle()
    const { id } = (await listRoutines()).find((one) => one.name === 'When picking')!
    await changeRoutineOff(id)
    const [withdrawn, unwanted, late] = [
      await house.newOrder({ number: 'CL-4', status: 'Packed' }),
      await house.newOrder({ number: 'CL-5', status: 'Packed' }),
      await house.newOrder({ number: 'CL-6', status: 'Packed' }),
    ]
    await setStatus([withdrawn, unwanted, late], 'In picking', inTheNameOf('Test'))
    await house.settle()
    await prepareByHand('order confirmation', [unwanted], inTheNameOf('Test'))
    const [paper] = await papersOf([unwanted])
    await putBack([paper!.id], inTheNameOf('Test'))
    await drop([paper!.id], '', inTheNameOf('Test'))
    await setStatus([withdrawn], 'Withdrawn', inTheNameOf('Test'))
    await house.settle()
    expect(
      (await lookBack(id, today(), today())).map((one) => one.number).filter((one) => /^CL-[456]/.test(one)),
    ).toEqual(['CL-6'])
  })
})

describe('why', () => {
  test('names the one reason that decided, the strongest first', async () => {
    const order = await house.newOrder({ status: 'Draft' })
    const conclusion = async () => (await whyOf(order)).find((one) => one.name === 'Invoice when shipped')!
    expect(await conclusion()).toMatchObject({
      conclusion: { words: 'The order never became Shipped.' },
      reachedAt: null,
    })
    await house.ship([order])
    expect(await conclusion()).toMatchObject({
      conclusion: { words: 'Its invoice is prepared and not issued yet.' },
      applies: true,
    })
    expect((await conclusion()).recipients).toMatchObject([{ address: 'accounts@ottermill.example' }])
    await putBack(
      (await papersOf([order])).map((paper) => paper.id),
      inTheNameOf('Test'),
    )
    expect((await conclusion()).conclusion.words).toBe('Its invoice is in To send: it was returned.')
    expect((await whyOf(order)).find((one) => one.name === 'Schools')!.conclusion.words).toBe(
      'The order never became Confirmed.',
    )
  })
})

describe("customers' wishes", () => {
  test('work at once on what is prepared: set to paper, the paper waits for the printer instead', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const ottermill = house.customer('10417')
    const before = await customerView(ottermill.id)
    await changeCustomer(
      ottermill.id,
      { version: before.version, preferences: { invoice: { channel: 'paper' } } },
      inTheNameOf('Test'),
    )
    await house.settle()
    const [paper] = await papersOf([order])
    expect(await preparedView(paper!.id, inTheNameOf('Test'))).toMatchObject({
      channel: 'paper',
      email: null,
    })
    await changeCustomer(ottermill.id, { version: before.version + 1, preferences: {} }, inTheNameOf('Test'))
  })

  test('for many at once: those it would leave without a way are skipped and named, undo gives all back', async () => {
    const [ottermill, gorsefield, reedbank] = ['10417', '10424', '10419'].map(
      (number) => house.customer(number).id,
    ) as [number, number, number]
    const result = await setPreferences(
      [ottermill, gorsefield, reedbank],
      'invoice',
      { preference: { channel: 'email' } },
      inTheNameOf('Test'),
    )
    expect(result.set).toBe(1)
    expect(inWords(result.skipped)).toEqual(
      expect.arrayContaining([
        { id: gorsefield, name: 'Gorsefield Estate', reason: 'no billing contact' },
        { id: reedbank, name: 'Reedbank Orchards', reason: 'no billing contact' },
      ]),
    )
    expect((await customerView(ottermill)).preferences).toEqual({ invoice: { channel: 'email' } })
    await restorePreferences(result.before)
    expect((await customerView(ottermill)).preferences).toEqual({})
  })

  test("a customer is found by a contact's address, and those who cannot be reached are listed", async () => {
    expect(
      (await listCustomers({ search: 'stores@otter', limit: 10 })).rows.map((row) => row.number),
    ).toEqual(['10417'])
    const unreached = await listCustomers({ trouble: true, limit: 100 })
    expect(unreached.rows.map((row) => row.name)).toContain('Gorsefield Estate')
    expect(unreached.rows.every((row) => row.ways.some((way) => way.problem))).toBe(true)
    expect(unreached.matching).toBe(unreached.rows.length)
    const all = await listCustomers({ limit: 200 })
    expect(all.rows.filter((row) => row.ways.some((way) => way.problem))).toHaveLength(unreached.matching)
    expect(
      (await listCustomers({ preference: 'nothing', limit: 50 })).rows.every((row) =>
        row.ways.some((way) => way.wish.words === 'not at all'),
      ),
    ).toBe(true)
  })

  test('an address that cannot be one changes nothing', async () => {
    const ottermill = house.customer('10417').id
    const { version } = await customerView(ottermill)
    await expect(
      changeCustomer(
        ottermill,
        { version, preferences: { invoice: { cc: ['nobody'] } } },
        inTheNameOf('Test'),
      ),
    ).rejects.toThrow('“nobody” is not an email address')
    expect((await customerView(ottermill)).version).toBe(version)
  })
})

test(
  'an address is corrected where it stands, as a contact or a copy, and at nobody whose address ' +
    'only looks like it',
  async () => {
    const [ottermill, sally] = ['10417', '10440'].map((number) => house.customer(number).id) as [
      number,
      number,
    ]
    const copies = async (id: number, cc: string) =>
      changeCustomer(
        id,
        { version: (await customerView(id)).version, preferences: { invoice: { cc: [cc] } } },
        inTheNameOf('Test'),
      )
    await copies(ottermill, 'the_boss@h.example')
    await copies(sally, 'the-boss@h.example')
    expect(
      (await correctAddress('the_boss@h.example', 'boss@h.example', [], inTheNameOf('Test'))).customers,
    ).toEqual([{ id: ottermill, name: 'Ottermill Honey Co-op' }])
    expect((await customerView(ottermill)).preferences).toEqual({ invoice: { cc: ['boss@h.example'] } })
    expect((await customerView(sally)).preferences).toEqual({ invoice: { cc: ['the-boss@h.example'] } })
    await expect(correctAddress('nobody@h.example', 'x@h.example', [], inTheNameOf('Test'))).rejects.toThrow(
      'is at no customer and in no copy',
    )
  },
)
