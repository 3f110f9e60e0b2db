import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { addDays } from '../../core/documents/days'
import { one, rows, run } from '../../server/db/connection'
import { sweep } from '../../server/services/dispatch/sweep'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { creditReturn, takeInAndCredit } from '../../server/services/drafts/credit-return'
import { draftView } from '../../server/services/drafts/drafts'
import { changeHouse } from '../../server/services/house/settings'
import { setStatus } from '../../server/services/orders/status'
import { orderView } from '../../server/services/orders/list'
import { inTheNameOf } from '../../server/services/people/principal'
import { carriers, keepCarrier } from '../../server/services/shipping/carriers'
import { labelsOf } from '../../server/services/shipping/labels'
import { listLabels } from '../../server/services/shipping/label-list-queries'
import { makeShipment, planByCode } from '../../server/services/shipping/pack'
import { listReturns } from '../../server/services/shipping/return-list-queries'
import type { ReturnList } from '../../server/services/shipping/return-list'
import {
  changeReturn,
  reopenReturn,
  takeReturnIn,
  withdrawReturn,
} from '../../server/services/shipping/return-changes'
import { agreeReturn, planReturn, returnView, type NewReturn } from '../../server/services/shipping/returns'
import { followParcels } from '../../server/services/shipping/tracking'
import { Behaviour } from '../../standins/carrier/behaviour'
import { Book } from '../../standins/carrier/book'
import { carrier } from '../../standins/carrier/server'
import { until, useHouse } from './house'
import { inWords } from '../../core/testing/in-words'

/* Goods that come back: no more than went out, a label that costs only once it is used, credit for just what came. */
const house = useHouse({ reports: false })
const who = inTheNameOf('Col Varley')
const folder = mkdtempSync(join(tmpdir(), 'clothespin-carrier-'))
const book = new Book(folder)
const behaviour = new Behaviour()
let server: Server
const today = new Date().toISOString().slice(0, 10)

beforeAll(async () => {
  process.env.CLOTHESPIN_LABEL_ASK_SECONDS = '0'
  server = carrier(book, behaviour, 'the key')
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  await keepCarrier(null, {
    name: 'Glenhaven Parcels',
    kind: 'simulated',
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    inside: true,
    key: 'the key',
    version: 1,
  })
  await run(`update item set weight = 2 where code in ('HB-11D', 'HS-10N')`)
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(() => behaviour.play('none'))

const line = (item: string, quantity: string, unitPrice: string) => ({
  item,
  description: `${item}, described`,
  detail: null,
  unit: '',
  quantity,
  unitPrice,
  discountPercent: '0',
  taxCode: 'standard',
})

/** An order of 5 at 10.00 and 2 at 20.00, shipped whole and, where that is wanted, invoiced. */
async function shipped({ invoiced = false } = {}): Promise<number> {
  const order = await house.newOrder({
    lines: [line('HB-11D', '5', '10.00'), line('HS-10N', '2', '20.00')],
    status: 'Packed',
  })
  const lines = [
    { position: 1, quantity: '5' },
    { position: 2, quantity: '2' },
  ]
  await makeShipment(order, { lines }, who)
  await house.settle()
  if (invoiced) await invoice(order)
  return order
}

/** @returns the invoice's document */
async function invoice(order: number): Promise<number> {
  await setStatus([order], 'Shipped', who)
  await house.settle()
  const [made] = await prepareByHand('invoice', [order], who)
  const { preparedId } = made!.result
  const { revision } = (await one<{ revision: number }>(
    'select revision from prepared_document where id = $1',
    [preparedId],
  ))!
  const [result] = await issueInOneTransaction([{ preparedId: preparedId!, revision }], who)
  expect(result).toMatchObject({ outcome: 'issued' })
  return (result as { documentId: number }).documentId
}

const wanted = async (order: number, change: Partial<NewReturn> = {}): Promise<NewReturn> => {
  const { sender, delivery, until: last } = await planReturn(order)
  return {
    lines: [{ position: 1, quantity: '2', reason: 'broken' }],
    until: last,
    sender: sender!,
    delivery,
    remarks: '',
    withLabels: false,
    write: false,
    ...change,
  }
}
const agree = async (order: number, change: Partial<NewReturn> = {}) =>
  agreeReturn(order, await wanted(order, change), who)
const back = async (id: number, ...lines: [position: number, quantity: string][]) =>
  takeInAndCredit(
    id,
    {
      version: (await returnView(id)).version,
      day: today,
      lines: lines.map(([position, quantity]) => ({ position, quantity })),
      credit: true,
    },
    who,
  )
const mailsFor = (id: number) =>
  rows<{ number: string; kind: string; sendTo: string; state: string }>(
    `select d.number, d.kind, s.send_to "sendTo", s.state
    from document d
    join dispatch_document dd on dd.document_id = d.id
    join dispatch s on s.id = dd.dispatch_id
    where d.source_id = $1
    order by s.id`,
    [id],
  )
const linksOf = (id: number) =>
  rows<{ ended: boolean }>(
    `select l.ended_at is not null ended
    from signed_link l
    join document d on d.id = l.document_id
    where d.source_id = $1`,
    [id],
  )
const inLists = async (id: number) => {
  const found: ReturnList[] = []
  for (const what of ['expected', 'late', 'uncredited', 'back', 'withdrawn'] as const) {
    const list = await listReturns({ what, sort: 'day', descending: true, limit: 200 })
    if (list.rows.some((row) => row.id === id)) found.push(what)
  }
  return found
}

describe('what can come back', () => {
  test('is what was shipped and is on no other return, and more is refused in words', async () => {
    const order = await shipped()
    const first = await agree(order)
    // a scanner at the bench reads its note, too
    await expect(planByCode((await returnView(first)).label, who)).rejects.toThrow('under Shipments, Returns')
    expect(
      (await planReturn(order)).lines.map(({ shipped, returned, left }) => [shipped, returned, left]),
    ).toEqual([
      ['5', '2', '3'],
      ['2', '0', '2'],
    ])
    await expect(agree(order, { lines: [{ position: 1, quantity: '4', reason: '' }] })).rejects.toThrow(
      '“HB-11D, described” only 3 can come back, not 4',
    )
    await expect(agree(order, { lines: [{ position: 1, quantity: '0', reason: '' }] })).rejects.toThrow(
      'Nothing is chosen',
    )
    await expect(agree(order, { until: addDays(today, -2) })).rejects.toThrow('last day')
  })

  test('is everything where the goods left and nobody made a shipment; nothing before that', async () => {
    const order = await house.newOrder({ lines: [line('HB-11D', '5', '10.00')], status: 'Confirmed' })
    expect((await planReturn(order)).lines[0]!.left).toBe('0')
    await setStatus([order], 'Shipped', who)
    await house.settle()
    expect((await planReturn(order)).lines[0]!.left).toBe('5')
  })

  test('of an order that was withdrawn comes back all the same', async () => {
    const order = await shipped()
    await setStatus([order], 'Withdrawn', who)
    await house.settle()
    const id = await agree(order, { withLabels: true, write: true })
    await house.settle()
    expect((await labelsOf(id)).map(({ state }) => state)).toEqual(['made'])
    await until('its note is mailed', async () => (await mailsFor(id)).length === 1)
  })

  test('two people agree on the same goods at one instant: one of them does', async () => {
    const order = await shipped()
    const lines = [{ position: 1, quantity: '5', reason: '' }]
    const both = await Promise.allSettled([agree(order, { lines }), agree(order, { lines })])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
  })
})

describe('a return with a label', () => {
  test('is mailed to the customer as one document, with the label behind the note; it costs nothing yet', async () => {
    const order = await shipped()
    const id = await agree(order, { withLabels: true, write: true, remarks: 'Bay 2' })
    await house.settle()
    const [label] = await labelsOf(id)
    expect(label).toMatchObject({ state: 'made', service: 'Return', isReturn: true, price: '4.2' })
    const sold = book.of(label!.tracking)!
    expect(sold).toMatchObject({ isReturn: true })
    // it goes to the house
    expect(sold.consignee.join(' ')).toContain('Tansy Hollow')
    await until('its note is mailed', async () => (await mailsFor(id)).length === 1)
    const [mail] = await mailsFor(id)
    expect(mail).toMatchObject({ kind: 'return note', number: expect.stringMatching(/^RN-/) })
    const { content } = (await one<{ content: { labels: { of: unknown[] }; lines: { detail: string }[] } }>(
      'select content from prepared_document where source_id = $1',
      [id],
    ))!
    expect(content.labels.of).toHaveLength(1)
    expect(content.lines.map(({ detail }) => detail)).toEqual(['Reason: broken'])
    expect((await listLabels({ what: 'all', search: label!.tracking, limit: 5 })).cost).toEqual([])
  })

  test('costs once it is used, and its links end then', async () => {
    await changeHouse({ publicAddress: 'https://papers.tansyhollow.example' })
    const order = await shipped()
    await run(`update company set preferences = preferences || '{"return note": {"attach": "link"}}'`)
    const id = await agree(order, { withLabels: true, write: true })
    await house.settle()
    await until('its note is mailed', async () => (await mailsFor(id))[0]?.state === 'on the way')
    expect(await linksOf(id)).toEqual([{ ended: false }])
    const [label] = await labelsOf(id)
    book.goOn(label!.tracking, 'accepted')
    await run(`update label set ask_way_at = now() - interval '1 second' where id = $1`, [label!.id])
    await followParcels([label!.id])
    expect(await linksOf(id)).toEqual([{ ended: true }])
    expect((await listLabels({ what: 'all', search: label!.tracking, limit: 5 })).cost).toEqual([
      { amount: '4.20', currency: 'EUR' },
    ])
  })

  test('ends with its last day: what nobody used is given back', async () => {
    const order = await shipped()
    // by link, as the test before has it set
    const id = await agree(order, { withLabels: true, write: true })
    await house.settle()
    await until('its note is mailed', async () => (await mailsFor(id))[0]?.state === 'on the way')
    await run('update goods_return set until = current_date - 2 where id = $1', [id])
    expect(await inLists(id)).toEqual(['expected', 'late'])
    await sweep()
    await house.settle()
    const [label] = await labelsOf(id)
    expect(label!.state).toBe('cancelled')
    expect(book.of(label!.tracking)!.cancelled).toBe(true)
    // nobody is to print it any more
    expect(await linksOf(id)).toEqual([{ ended: true }])
  })

  test('whose address the carrier does not take says so; changed, it is made again and its note follows', async () => {
    const order = await shipped()
    const plan = await wanted(order)
    const id = await agree(order, {
      withLabels: true,
      write: true,
      sender: { ...plan.sender, lines: ['Unfindable Lane 1', 'Marlbridge'] },
    })
    await house.settle()
    expect((await labelsOf(id))[0]).toMatchObject({ state: 'refused', failure: 'address' })
    expect(await mailsFor(id)).toEqual([])
    const { version, until: last, service, remarks, delivery, parcels } = await returnView(id)
    const packed = parcels.map(({ id: _, ...parcel }) => parcel)
    const change = { version, until: last, service, remarks, delivery, parcels: packed, sender: plan.sender }
    await changeReturn(id, change, who)
    await expect(changeReturn(id, change, who)).rejects.toThrow('changed return')
    const { askLabelsOfMany } = await import('../../server/services/shipping/labels')
    expect(await askLabelsOfMany([id], {}, who)).toMatchObject([{ asked: 1, reason: null }])
    await house.settle()
    await until('its note is mailed', async () => (await mailsFor(id)).length === 1)
  })

  test('is refused in words where no carrier has a service for it, and can be agreed without', async () => {
    const order = await shipped()
    await run(`update carrier set services = jsonb_path_query_array(services, '$[*] ? (@.isReturn != true)')`)
    await expect(agree(order, { withLabels: true })).rejects.toThrow(
      'No carrier has a service by which goods',
    )
    expect((await planReturn(order)).lines[0]!.returned).toBe('0')
    const id = await agree(order)
    expect((await returnView(id)).labels).toEqual([])
    const [kept] = await carriers()
    await keepCarrier(kept!.id, { ...kept!, key: 'the key' })
  })

  test('that is withdrawn gives its label back and takes its note off', async () => {
    const order = await shipped()
    const id = await agree(order, { withLabels: true })
    await house.settle()
    await withdrawReturn(id, 1, who)
    await house.settle()
    expect((await labelsOf(id)).map(({ state }) => state)).toEqual(['cancelled'])
    expect((await returnView(id)).papers.map(({ state }) => state)).toEqual(['dropped'])
    expect(await inLists(id)).toEqual(['withdrawn'])
    expect((await planReturn(order)).lines[0]!.left).toBe('5')
  })
})

test('a return without a label is mailed, too, and says where to send the goods', async () => {
  const order = await shipped()
  const id = await agree(order, { write: true })
  await until('its note is mailed', async () => (await mailsFor(id)).length === 1)
  const { content } = (await one<{ content: { labels?: unknown; paragraphs: string[] } }>(
    'select content from prepared_document where source_id = $1',
    [id],
  ))!
  expect(content.labels).toBeUndefined()
  expect(content.paragraphs.join(' ')).toContain('Send them to: Tansy Hollow')
})

describe('what came back', () => {
  test('drafts a credit note for exactly that', async () => {
    const order = await shipped({ invoiced: true })
    const lines = [
      { position: 1, quantity: '3', reason: 'broken' },
      { position: 2, quantity: '2', reason: 'wrong size' },
    ]
    const id = await agree(order, { lines })
    await prepareByHand('return note', [id], who)
    const done = await back(id, [1, '2'], [2, '0'])
    // a note that was not sent is not sent any more
    expect((await returnView(id)).papers.map(({ state }) => state)).toEqual(['dropped'])
    expect(done).toMatchObject({ credits: [{ invoice: expect.stringMatching(/^INV-/) }], not: [] })
    const draft = await draftView(done.credits[0]!.draftId)
    expect(draft).toMatchObject({ kind: 'credit note', state: 'open' })
    expect(draft.facts.credit).toEqual({
      ask: { kind: 'lines', lines: [{ line: 0, quantity: '2' }] },
      reason: expect.stringMatching(/R1: broken, wrong size$/),
    })
    expect(await inLists(id)).toEqual(['back'])
    // what did not come may come another time
    expect((await planReturn(order)).lines.map(({ left }) => left)).toEqual(['3', '2'])
    expect((await orderView(order)).returns).toMatchObject([{ state: 'back', quantity: '2' }])
    await expect(reopenReturn(id, 2, who)).rejects.toThrow('is credited with the draft on INV-')
    // nothing is credited twice
    expect(await creditReturn(id, who)).toEqual({ credits: [], not: [] })
  })

  test('that no invoice bills is said and can be credited later', async () => {
    const order = await shipped()
    const id = await agree(order)
    expect(inWords(await back(id, [1, '2']))).toEqual({
      credits: [],
      not: ['2 of “HB-11D, described”: no invoice has so much left to credit.'],
    })
    expect(await inLists(id)).toEqual(['uncredited', 'back'])
    await invoice(order)
    expect((await creditReturn(id, who)).credits).toHaveLength(1)
    expect((await returnView(id)).toCredit).toEqual([])
  })

  test('whose invoice has a credit note being drafted is taken in all the same, and says so', async () => {
    const order = await shipped({ invoiced: true })
    const [first, second] = [await agree(order), await agree(order)]
    await back(first, [1, '2'])
    const { credits, not } = await back(second, [1, '2'])
    expect(credits).toEqual([])
    expect(inWords(not)).toEqual([expect.stringContaining('already waits in To check')])
    expect((await returnView(second)).state).toBe('back')
  })

  test('can be more than agreed, but no more than was shipped, and not nothing', async () => {
    const order = await shipped()
    const id = await agree(order)
    await expect(back(id, [1, '6'])).rejects.toThrow('only 5 can come back')
    await expect(back(id, [1, '0'])).rejects.toThrow('Nothing is chosen')
    await back(id, [1, '5'])
    await expect(takeReturnIn(id, { version: 2, day: today, lines: [] }, who)).rejects.toThrow('is back')
    await reopenReturn(id, 2, who)
    expect((await returnView(id)).lines[0]).toMatchObject({ cameBack: null })
    expect((await returnView(id)).history.map(({ words }) => words)).toContainEqual(
      expect.stringContaining('expected again'),
    )
  })
})
