import { execFileSync } from 'node:child_process'
import { beforeEach, describe, expect, test } from 'vitest'
import { addDays, dayInZone } from '../../core/documents/days'
import type { RoutineSentence, Trust } from '../../core/routines/sentence'
import { one, rows, run } from '../../server/db/connection'
import { lineList } from '../../server/services/line/list-queries'
import { draftView, changeDraft, newInvoice } from '../../server/services/drafts/drafts'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { voidDocument } from '../../server/services/documents/void'
import { sendDocuments } from '../../server/services/dispatch/by-hand'
import { changeHouse } from '../../server/services/house/settings'
import { setStatus } from '../../server/services/orders/status'
import { reverseWithdrawn } from '../../server/services/orders/withdrawn'
import { madeAgain } from '../../server/services/register/again'
import { numbers } from '../../server/services/register/numbers-queries'
import { register } from '../../server/services/register/register-queries'
import { lookAtEvents } from '../../server/services/routines/look-at-events'
import { addRoutine } from '../../server/services/routines/routines'
import { tryOut } from '../../server/services/routines/trial'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/*
 * What follows posting: routines that send that very document, what becomes of documents whose order is
 * withdrawn, dates by the event.
 */
const house = useHouse({ reports: false })
const today = () => dayInZone(new Date(), 'Europe/Dublin')
const sentence = (change: Partial<RoutineSentence> = {}): RoutineSentence => ({
  on: 'posted',
  statuses: [],
  conditions: [],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
  hours: null,
  ...change,
})
const routine = (name: string, trust: Trust, change: Partial<RoutineSentence> = {}) =>
  addRoutine({ name, description: '', trust, isOn: true, sentence: sentence(change) }, inTheNameOf('Test'))

beforeEach(async () => {
  await run(`update routine set is_on = false where sentence ->> 'on' is not null`)
  await run(`update company set withdrawn_rule = 'list', document_dates = '{}', closed_until = null`)
})

/** Writes an invoice and issues it without sending it. */
async function posted(customer = '10417', price = '100.00'): Promise<{ id: number; number: string }> {
  const draftId = await newInvoice(house.customer(customer).id, house.brands[0]!.id, inTheNameOf('Test'))
  const draft = await draftView(draftId)
  const lines = [
    {
      item: '',
      description: 'Repair',
      detail: null,
      unit: '',
      quantity: '1',
      unitPrice: price,
      discountPercent: '0',
      taxCode: 'standard',
    },
  ]
  await changeDraft(
    draftId,
    {
      version: draft.version,
      brandId: draft.brandId,
      customerId: draft.customerId,
      earlierDateOk: false,
      facts: { ...draft.facts, lines, suppliedOn: today() },
    },
    inTheNameOf('Test'),
  )
  await house.settle()
  const [paper] = await rows<{ preparedId: number; revision: number }>(
    'select id "preparedId", revision from prepared_document where source_id = $1',
    [draftId],
  )
  const [result] = await issueInOneTransaction([paper!], inTheNameOf('Col Varley'), undefined, {
    postOnly: true,
  })
  expect(result).toMatchObject({ outcome: 'issued' })
  await house.settle()
  return { id: result!.documentId!, number: result!.number! }
}
const dispatches = (documentId: number) =>
  rows<{ channel: string; state: string; createdBy: string; sendTo: string; copyTo: string[] }>(
    `select s.channel, s.state, s.created_by "createdBy", s.send_to "sendTo", s.copy_to "copyTo"
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $1
    order by s.id`,
    [documentId],
  )
const evaluations = (documentId: number) =>
  rows<{ outcome: string; reason: string }>(
    `select v.outcome, v.reason
    from evaluation v
    join event e on e.id = v.event_id
    where e.document_id = $1
    order by v.id`,
    [documentId],
  )

describe('a routine on posting', () => {
  test('sends that very document by itself, once, and makes none', async () => {
    await routine('Send what is posted', 'automatic', { copyTo: ['desk@tansyhollow.example'] })
    const before = (await one<{ count: number }>('select count(*)::int count from document'))!.count
    const document = await posted()
    await until('it to be handed over', async () => (await dispatches(document.id))[0]?.state !== 'waiting')
    const [mail] = await house.mails('accounts@ottermill.example')
    expect(mail!.subject).toContain(document.number)
    expect(mail!.attachments).toHaveLength(1)
    expect((await house.mails('desk@tansyhollow.example'))[0]!.subject).toContain(document.number)
    expect((await one<{ count: number }>('select count(*)::int count from document'))!.count).toBe(before + 1)
    expect(await evaluations(document.id)).toMatchObject([{ outcome: 'sent' }])
    await expect(sendDocuments([document.id], inTheNameOf('Test'))).rejects.toThrow('already on its way')
  })

  test('does nothing for what a person sent with its posting, and says so', async () => {
    await routine('Send what is posted too', 'automatic')
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    const [result] = await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: null }],
      inTheNameOf('Test'),
    )
    await house.settle()
    expect(await dispatches(result!.documentId!)).toHaveLength(1)
    expect(inWords(await evaluations(result!.documentId!))).toMatchObject([
      { outcome: 'already', reason: expect.stringContaining('on its way already') },
    ])
    expect(await historyWords(order)).toContainEqual(expect.stringContaining('Nothing was sent'))
  })

  test('with less trust only names it in To send; a person then sends it as the routine says', async () => {
    await routine('After a look', 'after a check', { to: 'buying' })
    const document = await posted()
    expect(await dispatches(document.id)).toEqual([])
    expect(
      await one(
        'select r.name from undelivered u join routine r on r.id = u.routine_id where u.document_id = $1',
        [document.id],
      ),
    ).toEqual({ name: 'After a look' })
    await sendDocuments([document.id], inTheNameOf('Col Varley'))
    expect(
      await one(
        `select to_role "role"
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        where dd.document_id = $1`,
        [document.id],
      ),
    ).toEqual({ role: 'buying' })
  })

  test('keeps its conditions with the value seen, and looks at its own kind only', async () => {
    await routine('Large ones', 'automatic', {
      conditions: [{ about: 'total', of: 'gross', is: 'over', amount: '1000', currency: 'EUR' }],
    })
    await routine('Credits', 'automatic', { issue: 'credit note' })
    const document = await posted()
    expect(await dispatches(document.id)).toEqual([])
    expect(await evaluations(document.id)).toMatchObject([
      { outcome: 'did not apply' },
      { outcome: 'did not apply' },
    ])
    expect(await dispatches((await posted('10417', '2000.00')).id)).toHaveLength(1)
  })

  test('prints for customers who want paper, and leaves alone those who want nothing', async () => {
    await routine('Posted', 'automatic')
    await run(`update customer set preferences = '{"invoice": {"channel": "paper"}}' where number = '10418'`)
    await run(
      `update customer set preferences = '{"invoice": {"channel": "nothing"}}' where number = '10419'`,
    )
    expect(await dispatches((await posted('10418')).id)).toMatchObject([{ channel: 'paper' }])
    const none = await posted('10419')
    expect(await dispatches(none.id)).toEqual([])
    expect(await evaluations(none.id)).toMatchObject([{ outcome: 'not wanted' }])
  })

  test('posting stands when it is voided a second later: nothing goes', async () => {
    const document = await posted()
    await voidDocument(document.id, 'Wrong customer', inTheNameOf('Test'))
    await routine('Late', 'automatic')
    await run(`update event set looked_at = null where document_id = $1 and kind = 'document issued'`, [
      document.id,
    ])
    await run("update routine set applies_since = now() - interval '1 day'")
    await lookAtEvents(
      (
        await rows<{ id: number }>(
          `select id from event where document_id = $1 and kind = 'document issued'`,
          [document.id],
        )
      ).map((row) => row.id),
    )
    expect(await dispatches(document.id)).toEqual([])
    expect(inWords(await evaluations(document.id))).toContainEqual({
      outcome: 'not wanted',
      reason: `${document.number} was voided.`,
    })
  })

  test('its trial shows what was posted', async () => {
    const document = await posted()
    const trial = await tryOut(sentence(), 30, null)
    expect(trial.orders.map((row) => row.number)).toContain(document.number)
    expect((await tryOut(sentence({ issue: 'credit note' }), 30, null)).papers).toBe(0)
  })

  test('a sentence that cannot be is refused: a confirmation posted, a receipt of an order', async () => {
    await expect(routine('Wrong', 'automatic', { issue: 'order confirmation' })).rejects.toThrow(
      'not what a routine makes of that event',
    )
    await expect(
      routine('Wrong', 'automatic', { on: 'order status', statuses: ['Shipped'], issue: 'payment receipt' }),
    ).rejects.toThrow('not what a routine makes of that event')
  })
})

describe('an order that is withdrawn after its invoice', () => {
  async function billed(send: boolean): Promise<{ order: number; document: number; number: string }> {
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    const [result] = await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: null }],
      inTheNameOf('Test'),
      undefined,
      { postOnly: !send },
    )
    await house.settle()
    if (send)
      await until('handed over', async () => (await dispatches(result!.documentId!))[0]?.state !== 'waiting')
    return { order, document: result!.documentId!, number: result!.number! }
  }
  const standing = async () =>
    (await register({ state: 'withdrawn', sort: 'issued', descending: true, limit: 50 })).rows.map(
      (row) => row.number,
    )

  test('is listed; what was never handed over is voided, the other credited in To check', async () => {
    const [sent, unsent] = [await billed(true), await billed(false)]
    await setStatus([sent.order, unsent.order], 'Withdrawn', inTheNameOf('Test'))
    await house.settle()
    expect(await standing()).toEqual(expect.arrayContaining([sent.number, unsent.number]))
    const report = await reverseWithdrawn(
      { documentIds: [sent.document, unsent.document] },
      inTheNameOf('Col Varley'),
    )
    expect(report).toEqual({ voided: [unsent.number], credited: [sent.number], refused: [] })
    const again = await reverseWithdrawn(
      { documentIds: [sent.document, unsent.document] },
      inTheNameOf('Col Varley'),
    )
    expect(inWords(again)).toMatchObject({
      voided: [],
      credited: [],
      refused: [{ number: sent.number, reason: expect.stringContaining('already waits in To check') }],
    })
    const [credit] = await rows<{ preparedId: number }>(
      `select p.id "preparedId" from prepared_document p join draft b on b.id = p.source_id where b.credits_id = $1`,
      [sent.document],
    )
    await issueInOneTransaction([{ preparedId: credit!.preparedId, revision: null }], inTheNameOf('Test'))
    expect(await standing()).not.toContain(sent.number)
  })

  test("by the house's rule settles itself, and an order that comes back may be billed anew", async () => {
    await changeHouse({ withdrawnRule: 'settle' })
    const unsent = await billed(false)
    await setStatus([unsent.order], 'Withdrawn', inTheNameOf('Test'))
    await house.settle()
    expect(
      await one('select reason, by from document_void where document_id = $1', [unsent.document]),
    ).toMatchObject({
      reason: expect.stringMatching(/^Order SO-\d+ was withdrawn$/),
      by: 'Clothespin, by the house’s rule',
    })
    await setStatus([unsent.order], 'Shipped', inTheNameOf('Test'))
    await house.settle()
    expect(await papersOf([unsent.order])).toContainEqual(
      expect.objectContaining({ state: 'prepared', problem: null }),
    )
  })

  test('a status the house does not have is refused', async () => {
    await expect(changeHouse({ withdrawnStatuses: ['Gone'] })).rejects.toThrow('“Gone” is not a status')
  })
})

describe('dates', () => {
  test('by the event, where the house wants it, and never before the number that comes before', async () => {
    await changeHouse({ documentDates: { 'order confirmation': 'event' } })
    const orders = [await house.newOrder(), await house.newOrder()]
    await run(`update sales_order set status_since = now() - interval '3 days' where id = $1`, [orders[0]])
    await run(`update sales_order set status_since = now() - interval '9 days' where id = $1`, [orders[1]])
    const issue = async (order: number) => {
      await prepareByHand('order confirmation', [order], inTheNameOf('Test'))
      const [paper] = await rows<{ preparedId: number }>(
        `select id "preparedId" from prepared_document where source_id = $1 and kind = 'order confirmation'`,
        [order],
      )
      const [result] = await issueInOneTransaction(
        [{ preparedId: paper!.preparedId, revision: null }],
        inTheNameOf('Test'),
      )
      return (await one<{ date: string; printed: string }>(
        `select date::text date, paper -> 'facts' -> 0 ->> 'value' printed from document where id = $1`,
        [result!.documentId],
      ))!
    }
    const first = await issue(orders[0]!)
    expect(first.date).toBe(addDays(today(), -3))
    expect(first.printed).toContain(String(Number(first.date.slice(8))))
    expect((await issue(orders[1]!)).date).toBe(first.date)
  })

  test('a draft that nobody wrote in yet is told apart from one that cannot be issued', async () => {
    const id = await newInvoice(house.customer('10417').id, house.brands[0]!.id, inTheNameOf('Test'))
    const own = async () =>
      (await lineList({ stage: 'to check', search: 'Ottermill', limit: 200 })).rows.find(
        (row) => row.sourceId === id,
      )
    expect(inWords(await own())).toMatchObject({
      unwritten: true,
      problem: 'There is no line yet. Add at least one.',
    })
    const { facts, version, brandId, customerId } = await draftView(id)
    const line = { item: '', description: 'Repair', detail: null, unit: '', quantity: '1', unitPrice: '10' }
    await changeDraft(
      id,
      {
        version,
        brandId: brandId,
        customerId: customerId!,
        earlierDateOk: false,
        facts: { ...facts, lines: [{ ...line, discountPercent: '0', taxCode: 'standard' }] },
      },
      inTheNameOf('Test'),
    )
    await house.settle()
    expect(await own()).toMatchObject({ unwritten: false, problem: null })
  })

  test('an earlier date that was allowed is listed, with the date it went behind', async () => {
    const newest = await posted()
    const draftId = await newInvoice(house.customer('10417').id, house.brands[0]!.id, inTheNameOf('Test'))
    const draft = await draftView(draftId)
    const lines = [
      {
        item: '',
        description: 'Repair',
        detail: null,
        unit: '',
        quantity: '1',
        unitPrice: '10.00',
        discountPercent: '0',
        taxCode: 'standard',
      },
    ]
    await changeDraft(
      draftId,
      {
        version: draft.version,
        brandId: draft.brandId,
        customerId: draft.customerId,
        earlierDateOk: true,
        facts: { ...draft.facts, lines, suppliedOn: today(), date: addDays(today(), -1) },
      },
      inTheNameOf('Test'),
    )
    await house.settle()
    const [paper] = await rows<{ preparedId: number; revision: number }>(
      'select id "preparedId", revision from prepared_document where source_id = $1',
      [draftId],
    )
    const [result] = await issueInOneTransaction([paper!], inTheNameOf('Test'))
    expect(
      (await register({ state: 'earlier date', sort: 'issued', descending: true, limit: 10 })).rows.map(
        (row) => row.id,
      ),
    ).toEqual([result!.documentId])
    const { seriesId, period } = (await one<{ seriesId: number; period: string }>(
      'select series_id "seriesId", period from document where id = $1',
      [newest.id],
    ))!
    expect(
      (await numbers({ seriesId, period, limit: 200 })).rows.find((row) => row.id === result!.documentId),
    ).toMatchObject({ earlierThan: today() })
  })
})

test('a document made again is marked as a copy on every page, and the stored one stays the original', async () => {
  const document = await posted()
  const before = await one('select sha256 from document_file where document_id = $1', [document.id])
  const bytes = await madeAgain([document.id])
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: bytes, encoding: 'utf8' })
  expect(text).toContain('COPY')
  expect(text).toContain(document.number)
  expect(await one('select sha256 from document_file where document_id = $1', [document.id])).toEqual(before)
  await expect(madeAgain([999_999])).rejects.toThrow('None of these documents exists')
})
