import { createHmac } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { dayInZone } from '../../core/documents/days'
import { Decimal, moneyText, sum } from '../../core/money/decimal'
import { namedOnly } from '../../core/preferences/recipients'
import type { RoutineSentence } from '../../core/routines/sentence'
import { one, rows, run } from '../../server/db/connection'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { voidDocument } from '../../server/services/documents/void'
import { changeHouse } from '../../server/services/house/settings'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { addRoutine } from '../../server/services/routines/routines'
import { catchUp, lookBack } from '../../server/services/routines/catch-up'
import { tryOut } from '../../server/services/routines/trial'
import { bookLabels } from '../../server/services/shipping/book-labels'
import { keepCarrier } from '../../server/services/shipping/carriers'
import { giveLabelsBack } from '../../server/services/shipping/give-back'
import { askLabels, labelsOf } from '../../server/services/shipping/labels'
import type { LabelList } from '../../server/services/shipping/label-list'
import { listLabels } from '../../server/services/shipping/label-list-queries'
import { listShipments } from '../../server/services/shipping/list-queries'
import { followParcels, takeNews } from '../../server/services/shipping/tracking'
import { offersOf } from '../../server/services/shipping/offers'
import { makeShipment } from '../../server/services/shipping/pack'
import { changeShipment, shipmentView, takeShipmentBack } from '../../server/services/shipping/shipments'
import { sweep } from '../../server/services/dispatch/sweep'
import { Behaviour } from '../../standins/carrier/behaviour'
import { Book } from '../../standins/carrier/book'
import { carrier } from '../../standins/carrier/server'
import { historyWords, until, useHouse } from './house'
import { inWords } from '../../core/testing/in-words'

/* Labels bought of a carrier: at most one a parcel, whatever breaks. */
const house = useHouse({ reports: false })
const who = inTheNameOf('Col Varley')
const folder = mkdtempSync(join(tmpdir(), 'clothespin-carrier-'))
const book = new Book(folder)
const behaviour = new Behaviour()
let server: Server

beforeAll(async () => {
  process.env.CLOTHESPIN_LABEL_ASK_SECONDS = '0'
  server = carrier(book, behaviour, 'the key')
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const { port } = server.address() as AddressInfo
  await keepCarrier(null, {
    name: 'Glenhaven Parcels',
    kind: 'simulated',
    address: `http://127.0.0.1:${port}`,
    inside: true,
    key: 'the key',
    version: 1,
  })
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(() => behaviour.play('none'))

const item = (quantity: string) => ({
  item: 'HB-10N',
  description: 'Brood box',
  detail: null,
  unit: '',
  quantity,
  unitPrice: '41.50',
  discountPercent: '0',
  taxCode: 'standard',
})

/** A shipment in so many parcels of 4 kg; in Ireland where nothing else is said. */
async function pack(
  parcels = 1,
  change: { weight?: string | null; service?: string; country?: string } = {},
) {
  const order = await house.newOrder({ lines: [item(String(parcels))], status: 'Packed' })
  return makeShipment(
    order,
    {
      lines: [{ position: 1, quantity: String(parcels) }],
      service: change.service ?? '',
      delivery: { name: 'Weir Store', lines: ['Weir Road 2', 'Marlbridge'], country: change.country ?? 'IE' },
      parcels: Array.from({ length: parcels }, () => ({
        box: '',
        weight: change.weight === undefined ? '4' : change.weight,
        contents: [{ position: 1, quantity: '1' }],
      })),
    },
    who,
  )
}
const statesOf = async (shipment: number) => (await labelsOf(shipment)).map(({ state }) => state)
/** What the carrier sold for parcels of a shipment. */
const soldFor = async (shipment: number) => {
  const keys = await rows<{ key: string }>('select key from label where source_id = $1', [shipment])
  return book.all().filter(({ reference }) => keys.some(({ key }) => key === reference))
}
const orderOf = async (shipment: number) =>
  (await one<{ id: number }>('select order_id id from shipment where id = $1', [shipment]))!.id

describe('labels of a shipment', () => {
  test('are bought by the cheapest service that takes it, and printed as one document', async () => {
    await changeHouse({ gs1Prefix: '5391234' })
    const shipment = await pack(3)
    const { offers, chosen } = await offersOf(shipment)
    expect(offers.map(({ name, price }) => `${name} ${price}`)).toEqual([
      'Economy 14.85',
      'Next day 23.55',
      'Abroad 50.7',
    ])
    expect(inWords(chosen)).toMatchObject({ name: 'Economy', source: 'the cheapest that takes it' })
    expect(await askLabels(shipment, {}, who)).toEqual({
      asked: 3,
      refused: [],
      otherwise: null,
      service: 'Economy',
    })
    await house.settle()
    const labels = await labelsOf(shipment)
    expect(labels.map(({ state, price }) => `${state} ${price}`)).toEqual([
      'made 4.95',
      'made 4.95',
      'made 4.95',
    ])
    const sold = await soldFor(shipment)
    expect(new Set(labels.map(({ tracking }) => tracking))).toEqual(new Set(sold.map(({ number }) => number)))
    const { papers } = await shipmentView(shipment)
    expect(papers).toMatchObject([
      { kind: 'shipping label', state: 'issued', number: expect.stringMatching(/^SL-/) },
    ])
    // it stands on the box: it waits for the printer
    expect(
      await rows(
        `select channel, state
        from dispatch d
        join dispatch_document o on o.dispatch_id = d.id
        where o.document_id = $1`,
        [papers[0]!.documentId],
      ),
    ).toEqual([{ channel: 'paper', state: 'waiting' }])
    const { pages } = (await one<{ pages: number }>(
      'select pages from document_file where document_id = $1',
      [papers[0]!.documentId],
    ))!
    expect(pages).toBe(3)
    expect(await historyWords(await orderOf(shipment))).toContain('3 labels of “Economy” are being bought.')
  })

  test('are one each, however often and by how many they are asked for', async () => {
    const shipment = await pack(2)
    const asked = await Promise.allSettled([
      askLabels(shipment, {}, who),
      askLabels(shipment, {}, inTheNameOf('Maeve Tarrant')),
    ])
    expect(asked.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    await house.settle()
    await expect(askLabels(shipment, {}, who)).rejects.toMatchObject({ code: 'no-parcel-to-label' })
    expect(await soldFor(shipment)).toHaveLength(2)
  })

  test('are another document where they are bought later', async () => {
    const shipment = await pack(2)
    behaviour.play('takes no address', { times: 1 })
    await askLabels(shipment, {}, who)
    await house.settle()
    expect((await statesOf(shipment)).toSorted()).toEqual(['made', 'refused'])
    expect((await shipmentView(shipment)).papers).toHaveLength(1)
    await askLabels(shipment, {}, who)
    await house.settle()
    expect(await statesOf(shipment)).toEqual(['made', 'made'])
    const { papers } = await shipmentView(shipment)
    expect(papers.map(({ state }) => state)).toEqual(['issued', 'issued'])
    expect(await soldFor(shipment)).toHaveLength(2)
  })

  test('are not bought where it goes by something else, and that is no failure', async () => {
    const shipment = await pack(1, { service: 'Our own van' })
    expect(await askLabels(shipment, {}, who)).toEqual({
      asked: 0,
      refused: [],
      otherwise: 'Our own van',
      service: null,
    })
    expect(await labelsOf(shipment)).toEqual([])
  })

  test.each([
    ['not weighed', { weight: null }, 'not weighed'],
    ['too heavy for all', { weight: '31' }, 'weight'],
    ['too heavy for the service that it was given', { weight: '30.5', service: 'Economy' }, 'weight'],
  ])('are refused before a carrier is asked: %s', async (_, change, failure) => {
    const shipment = await pack(1, change)
    const before = book.all().length
    expect(await askLabels(shipment, {}, who)).toMatchObject({ asked: 0, refused: [{ parcel: 1, failure }] })
    await house.settle()
    expect(book.all()).toHaveLength(before)
  })
})

describe('a carrier that', () => {
  test('does not answer is called again, and nothing is bought twice', async () => {
    const shipment = await pack()
    behaviour.play('is down', { times: 1 })
    await askLabels(shipment, {}, who)
    // the connection stood: it may have been bought, so it is asked for and never bought by itself
    await until('the label is refused', async () => (await statesOf(shipment))[0] === 'refused')
    expect((await labelsOf(shipment))[0]).toMatchObject({ failure: 'not bought' })
    expect(await soldFor(shipment)).toEqual([])
  })

  test('sells and breaks the line is asked by our key, and has sold one', async () => {
    const shipment = await pack()
    behaviour.play('sells and breaks the line', { times: 1 })
    await askLabels(shipment, {}, who)
    await until('the label is made', async () => (await statesOf(shipment))[0] === 'made')
    expect(await soldFor(shipment)).toHaveLength(1)
    await house.settle()
    expect((await shipmentView(shipment)).papers).toMatchObject([{ state: 'issued' }])
  })

  test('is asked by a worker that dies leaves it unclear, and it is asked for', async () => {
    const shipment = await pack()
    await run(`update company set paused_at = now()`)
    await askLabels(shipment, {}, who)
    await house.settle()
    expect(await statesOf(shipment)).toEqual(['asked'])
    // as a worker leaves it that wrote "booking" and died
    const [label] = await labelsOf(shipment)
    await run(
      `update label
      set state = 'booking', claim = gen_random_uuid(), claimed_until = now() - interval '1 second', tries = 1
      where id = $1`,
      [label!.id],
    )
    await run(`update company set paused_at = null`)
    await sweep()
    await bookLabels([label!.id])
    await bookLabels([label!.id])
    await until('the label is refused', async () => (await statesOf(shipment))[0] === 'refused')
    expect((await labelsOf(shipment))[0]).toMatchObject({ failure: 'not bought' })
    expect(await soldFor(shipment)).toEqual([])
  })

  test('lets nobody in is said to do so, at once', async () => {
    const shipment = await pack()
    behaviour.play('lets nobody sign in', { times: 1 })
    await askLabels(shipment, {}, who)
    await house.settle()
    expect((await labelsOf(shipment))[0]).toMatchObject({ state: 'refused', failure: 'sign-in' })
  })
})

test('of a label that is unclear a person says that the carrier has none, and another is bought', async () => {
  process.env.CLOTHESPIN_LABEL_ASK_SECONDS = '600'
  const shipment = await pack()
  behaviour.play('is down', { times: 1 })
  await askLabels(shipment, {}, who)
  await house.settle()
  expect(await statesOf(shipment)).toEqual(['unclear'])
  await expect(askLabels(shipment, {}, who)).rejects.toMatchObject({ code: 'no-parcel-to-label' })
  await giveLabelsBack([(await labelsOf(shipment))[0]!.id], who)
  process.env.CLOTHESPIN_LABEL_ASK_SECONDS = '0'
  expect(await labelsOf(shipment)).toMatchObject([{ state: 'refused', failure: 'not bought' }])
  await askLabels(shipment, {}, who)
  await house.settle()
  expect(await statesOf(shipment)).toEqual(['made'])
  expect(await soldFor(shipment)).toHaveLength(1)
})

test('a kind that is switched off costs nothing: no label is asked for', async () => {
  const shipment = await pack()
  await run(`update company set kinds_off = '["shipping label"]'`)
  await expect(askLabels(shipment, {}, who)).rejects.toMatchObject({ code: 'kind-off' })
  await run(`update company set kinds_off = '[]'`)
})

test('nothing is bought for an order that was withdrawn meanwhile; for one that is held it waits', async () => {
  const [gone, held] = [await pack(), await pack()]
  await run(`update company set paused_at = now()`)
  for (const shipment of [gone, held]) await askLabels(shipment, {}, who)
  await setStatus([await orderOf(gone)], 'Withdrawn', who, { anyStep: true })
  await setStatus([await orderOf(held)], 'Held', who, { anyStep: true })
  await run(`update company set paused_at = null`)
  for (const shipment of [gone, held]) await bookLabels((await labelsOf(shipment)).map(({ id }) => id))
  expect(await labelsOf(gone)).toEqual([])
  expect(await statesOf(held)).toEqual(['asked'])
  expect([...(await soldFor(gone)), ...(await soldFor(held))]).toEqual([])
  await setStatus([await orderOf(held)], 'Packed', who, { anyStep: true })
  await run(`update label set next_try_at = now() where state = 'asked'`)
  await bookLabels((await labelsOf(held)).map(({ id }) => id))
  expect(await statesOf(held)).toEqual(['made'])
})

describe('a label that was bought', () => {
  test('keeps its parcel and where it goes as they are; the rest of the shipment changes', async () => {
    const shipment = await pack(2)
    await askLabels(shipment, {}, who)
    await house.settle()
    const { version, day, service, remarks, delivery, parcels } = await shipmentView(shipment)
    const as = (change: object) =>
      changeShipment(
        shipment,
        {
          version,
          day,
          service,
          remarks,
          delivery,
          parcels: parcels.map(({ id: _, ...one }) => one),
          ...change,
        },
        who,
      )
    const heavier = parcels.map(({ id: _, ...one }, place) => (place === 1 ? { ...one, weight: '4.5' } : one))
    await expect(as({ parcels: heavier })).rejects.toMatchObject({ code: 'label-of-parcel' })
    await expect(as({ delivery: { ...delivery, lines: ['Other Road 1'] } })).rejects.toMatchObject({
      code: 'label-of-parcel',
    })
    await as({ remarks: 'Ring at the gate' })
    expect((await shipmentView(shipment)).labels.every(({ parcelId }) => parcelId !== null)).toBe(true)
  })

  test('is given back with its shipment once somebody said so, and at the carrier', async () => {
    const shipment = await pack()
    await askLabels(shipment, {}, who)
    await house.settle()
    const { version } = await shipmentView(shipment)
    await expect(takeShipmentBack(shipment, { version, despite: false }, who)).rejects.toThrow()
    await takeShipmentBack(shipment, { version, despite: true }, who)
    await house.settle()
    expect(await statesOf(shipment)).toEqual(['cancelled'])
    expect((await soldFor(shipment))[0]).toMatchObject({ cancelled: true })
  })

  test('is not taken back by the carrier once it is under way, and stays', async () => {
    const shipment = await pack()
    await askLabels(shipment, {}, who)
    await house.settle()
    const [label] = await labelsOf(shipment)
    book.goOn(label!.tracking, 'under way')
    await giveLabelsBack([label!.id], who)
    await house.settle()
    expect(await labelsOf(shipment)).toMatchObject([{ state: 'made' }])
    expect(await historyWords(await orderOf(shipment))).toContain(
      'The carrier does not take the label of parcel 1 back: it is used already.',
    )
  })

  test('given back before it is printed is on no document', async () => {
    const shipment = await pack(2)
    await run(`update company set paused_at = now()`)
    await askLabels(shipment, {}, who)
    const [first] = await labelsOf(shipment)
    await giveLabelsBack([first!.id], who)
    await run(`update company set paused_at = null`)
    await bookLabels((await labelsOf(shipment)).map(({ id }) => id))
    await house.settle()
    expect(await soldFor(shipment)).toHaveLength(1)
    expect((await shipmentView(shipment)).papers).toHaveLength(1)
  })
})

test('while a rehearsal is on nothing is bought', async () => {
  const shipment = await pack()
  await run(`update company set rehearsal_since = now(), rehearsal_address = 'r@tansyhollow.example'`)
  await expect(askLabels(shipment, {}, who)).rejects.toMatchObject({ code: 'label-in-rehearsal' })
  await run(`update company set rehearsal_since = null`)
})

test('a document of labels that is voided frees them for another', async () => {
  const shipment = await pack()
  await askLabels(shipment, {}, who)
  await house.settle()
  const [paper] = (await shipmentView(shipment)).papers
  await voidDocument(paper!.documentId!, 'printed wrong', who)
  expect((await labelsOf(shipment))[0]!.documentId).toBeNull()
  await sweep()
  await house.settle()
  expect(await issueInOneTransaction([], who)).toEqual([])
})

describe('a routine', () => {
  const routine = (name: string, sentence: Partial<RoutineSentence>) =>
    addRoutine(
      {
        name,
        description: '',
        trust: 'automatic',
        isOn: true,
        sentence: {
          statuses: ['Packed'],
          conditions: [],
          issue: 'shipping label',
          to: namedOnly,
          copyTo: ['packing@weir.example'],
          delayMinutes: 0,
          ...sentence,
        },
      },
      who,
    )
  const orderInPicking = () =>
    house.newOrder({ lines: [{ ...item('3'), item: 'HB-11D' }], status: 'In picking' })
  const outcomesOf = (order: number, id: number) =>
    rows<{ outcome: string; reason: string }>(
      `select e.outcome, e.reason
      from evaluation e
      join source s on s.id = e.source_id
      where s.root_id = $1 and e.routine_id = $2
      order by e.id`,
      [order, id],
    )

  test('packs an order that becomes Packed, buys its labels and mails them, once', async () => {
    await run(`update item set weight = 2.5 where code = 'HB-11D'`)
    const id = await routine('Labels to the packer', {})
    const order = await orderInPicking()
    await setStatus([order], 'Packed', who)
    await house.settle()
    expect(inWords(await outcomesOf(order, id))).toEqual([
      { outcome: 'packed', reason: expect.stringMatching(/^Packed: SO-\d+\/1\.$/) },
      { outcome: 'prepared', reason: '1 label asked for.' },
    ])
    await until('the labels are mailed', async () => (await house.mails('packing@weir.example')).length > 0)
    const [mail] = await house.mails('packing@weir.example')
    const sold = book.all().at(-1)!
    expect(mail!.subject).toMatch(/^Shipping labels SL-/)
    expect(mail!.text).toContain(`Parcel 1 of 1`)
    expect(mail!.text).toContain(sold.number)
    expect(mail!.html).toContain(`/way/${sold.number}"`)
    expect(mail!.attachments.map(({ contentType }) => contentType)).toEqual(['application/pdf'])
    const before = book.all().length
    await setStatus([order], 'In picking', who)
    await setStatus([order], 'Packed', who)
    await house.settle()
    expect(book.all()).toHaveLength(before)
    expect(await house.mails('packing@weir.example')).toHaveLength(1)
    await run('update routine set is_on = false where id = $1', [id])
  })

  test('skips what ships otherwise, and says so', async () => {
    const id = await routine('Labels of what is packed', {
      on: 'shipment',
      statuses: [],
      copyTo: ['two@weir.example'],
    })
    const shipment = await pack(1, { service: 'Collected by the customer' })
    await house.settle()
    expect(inWords(await outcomesOf(await orderOf(shipment), id))).toEqual([
      { outcome: 'not wanted', reason: 'It goes by “Collected by the customer”, so no label is bought.' },
    ])
    await run('update routine set is_on = false where id = $1', [id])
  })

  const goesOn = async (shipment: number, ...ways: ('held' | 'delivered')[]) => {
    const labels = await labelsOf(shipment)
    ways.forEach((way, place) => book.goOn(labels[place]!.tracking, way))
    // a second ago: our clock reads whole milliseconds, PostgreSQL's a part of one more
    await run(
      `update label set ask_way_at = now() - interval '1 second'
      where source_id = $1 and ask_way_at is not null`,
      [shipment],
    )
    // by the carrier's calls and by our asking at one instant
    await Promise.all(labels.map(({ id }) => followParcels([id])))
    await house.settle()
  }
  const kindsOf = (source: number) =>
    rows<{ kind: string }>('select kind from prepared_document where source_id = $1 order by id', [source])

  test('invoices an order once everything of it is delivered, not before, and not again', async () => {
    const made = await routine('Invoice on delivery', {
      on: 'order delivered',
      statuses: [],
      issue: 'invoice',
      to: 'billing',
      copyTo: [],
    })
    const order = await house.newOrder({ lines: [item('2')], status: 'Packed' })
    const packed = (quantity: string, parcels: number) =>
      makeShipment(
        order,
        {
          lines: [{ position: 1, quantity }],
          delivery: { name: 'Weir Store', lines: ['Weir Road 2'], country: 'IE' },
          parcels: Array.from({ length: parcels }, () => ({
            box: '',
            weight: '4',
            contents: [{ position: 1, quantity: new Decimal(quantity).div(parcels).toString() }],
          })),
        },
        who,
      )
    const first = await packed('1', 2)
    await askLabels(first, {}, who)
    await house.settle()
    await goesOn(first, 'delivered')
    expect(await kindsOf(order)).toEqual([])
    const second = await packed('1', 1)
    await askLabels(second, {}, who)
    await house.settle()
    // all of it is shipped, and a parcel of the first shipment is still on its way
    await goesOn(second, 'delivered')
    expect(inWords(await outcomesOf(order, made))).toEqual([])
    await goesOn(first, 'delivered', 'delivered')
    expect(await kindsOf(order)).toEqual([{ kind: 'invoice' }])
    expect(inWords(await outcomesOf(order, made))).toHaveLength(1)
    await run('update routine set is_on = false where id = $1', [made])
  })

  test('writes when a shipment is delivered, in two parcels at one instant, and when one is held', async () => {
    const way = { statuses: [], to: 'goods-in', copyTo: [] }
    const delivered = await routine('Note on delivery', {
      ...way,
      on: 'shipment delivered',
      issue: 'delivery note',
    })
    const held = await routine('Slip when held', { ...way, on: 'parcel held', issue: 'packing slip' })
    const shipment = await pack(2)
    await askLabels(shipment, {}, who)
    await house.settle()
    await goesOn(shipment, 'held')
    const kinds = async () => (await kindsOf(shipment)).map(({ kind }) => kind)
    expect(await kinds()).toEqual(['shipping label', 'packing slip'])
    await goesOn(shipment, 'delivered', 'delivered')
    expect(await kinds()).toEqual(['shipping label', 'packing slip', 'delivery note'])
    for (const id of [delivered, held]) await run('update routine set is_on = false where id = $1', [id])
    // what it would have done over the past days
    const sentence: RoutineSentence = {
      ...way,
      conditions: [],
      on: 'shipment delivered',
      issue: 'delivery note',
      delayMinutes: 0,
    }
    const { orders } = await tryOut(sentence, 7, null)
    expect(orders.map(({ id }) => id)).toContain(shipment)
  })

  test('what was delivered before a routine was there is offered to catch up on, and waits for a check', async () => {
    const [there, underway] = [await pack(), await pack()]
    for (const shipment of [there, underway]) await askLabels(shipment, {}, who)
    await house.settle()
    await goesOn(there, 'delivered')
    const later = { statuses: [], copyTo: [] }
    const note = await routine('Note, written later', {
      ...later,
      on: 'shipment delivered',
      issue: 'delivery note',
      to: 'goods-in',
    })
    const invoice = await routine('Invoice, written later', {
      ...later,
      on: 'order delivered',
      issue: 'invoice',
      to: 'billing',
    })
    const { timeZone } = (await one<{ timeZone: string }>('select time_zone "timeZone" from company'))!
    const today = dayInZone(new Date(), timeZone)
    const order = await orderOf(there)
    const offered = async (id: number) => (await lookBack(id, today, today)).map((missed) => missed.id)
    expect(await offered(note)).toContain(there)
    expect(await offered(note)).not.toContain(underway)
    expect(await offered(invoice)).toContain(order)
    expect(await offered(invoice)).not.toContain(await orderOf(underway))
    expect(await catchUp(note, { from: today, to: today }, [there], who)).toBe(1)
    expect(await catchUp(invoice, { from: today, to: today }, [order], who)).toBe(1)
    await house.settle()
    expect(
      await rows(
        `select kind, state from prepared_document where source_id in ($1, $2) and kind <> 'shipping label'
        order by kind`,
        [there, order],
      ),
    ).toEqual([
      { kind: 'delivery note', state: 'prepared' },
      { kind: 'invoice', state: 'prepared' },
    ])
    expect(await offered(note)).not.toContain(there)
    expect(await offered(invoice)).not.toContain(order)
    for (const id of [note, invoice]) await run('update routine set is_on = false where id = $1', [id])
  })

  test('the customer’s delivery note is told with the tracking numbers, bought before or after', async () => {
    const sent = await routine('Note when packed', {
      on: 'shipment',
      statuses: [],
      issue: 'delivery note',
      to: namedOnly,
      copyTo: ['customer@weir.example'],
    })
    await run(`update routine set trust = 'after a check' where id = $1`, [sent])
    const shipment = await pack(2)
    await house.settle()
    await askLabels(shipment, {}, who)
    await house.settle()
    const [sold] = await soldFor(shipment)
    await until('it is built anew with them', async () => {
      const found = await rows<{ content: object }>(
        `select content from prepared_document where source_id = $1 and kind = 'delivery note' and not stale`,
        [shipment],
      )
      return JSON.stringify(found).includes(sold!.number)
    })
    const note = (await shipmentView(shipment)).papers.find(({ kind }) => kind === 'delivery note')!
    expect(
      await issueInOneTransaction([{ preparedId: note.id, revision: note.revision }], who),
    ).toMatchObject([{ outcome: 'issued' }])
    await until('it is mailed', async () => (await house.mails('customer@weir.example')).length > 0)
    const [mail] = await house.mails('customer@weir.example')
    for (const { number } of await soldFor(shipment)) {
      expect(mail!.text).toContain(number)
      expect(mail!.html).toContain(`/way/${number}"`)
    }
    await run('update routine set is_on = false where id = $1', [sent])
  })

  test('on a status makes the packing slip of what it packs', async () => {
    const id = await routine('Slip when packed', { issue: 'packing slip', to: 'goods-in', copyTo: [] })
    const order = await orderInPicking()
    await setStatus([order], 'Packed', who)
    await house.settle()
    const [shipment] = await rows<{ id: number }>('select id from shipment where order_id = $1', [order])
    expect((await shipmentView(shipment!.id)).papers).toMatchObject([
      { kind: 'packing slip', state: 'issued' },
    ])
    expect((await outcomesOf(order, id)).map(({ outcome }) => outcome)).toEqual(['packed', 'goes by itself'])
    await run('update routine set is_on = false where id = $1', [id])
  })
})

describe('how far a parcel is', () => {
  const bought = async () => {
    const shipment = await pack()
    await askLabels(shipment, {}, who)
    await house.settle()
    return { shipment, ...(await labelsOf(shipment))[0]! }
  }
  const carrierId = async () => (await one<{ id: number }>('select id from carrier'))!.id
  const news = (number: string, way: string, moment = new Date().toISOString(), key = 'the key') => {
    const body = Buffer.from(JSON.stringify({ number, way }))
    const signature = createHmac('sha256', key).update(`${moment}.`).update(body).digest('hex')
    return { moment, signature, body }
  }

  test('is asked of the carrier until it is there', async () => {
    const { id, shipment, tracking } = await bought()
    book.goOn(tracking, 'delivered')
    await run(`update label set ask_way_at = now() - interval '1 minute' where id = $1`, [id])
    await followParcels([id])
    expect((await labelsOf(shipment))[0]).toMatchObject({ way: 'delivered' })
    expect(await one('select ask_way_at "at" from label where id = $1', [id])).toEqual({ at: null })
    expect(await historyWords(await orderOf(shipment))).toContain(`Parcel 1, ${tracking}: delivered.`)
  })

  test('is told by a signed call, and by no other', async () => {
    const { shipment, tracking } = await bought()
    const of = await carrierId()
    const old = new Date(Date.now() - 20 * 60_000).toISOString()
    for (const forged of [
      news(tracking, 'delivered', undefined, 'another key'),
      news(tracking, 'delivered', old),
      { ...news(tracking, 'held'), body: news(tracking, 'delivered').body },
      { ...news(tracking, 'held'), signature: '' },
    ])
      await expect(takeNews(of, forged)).rejects.toMatchObject({ code: 'carrier-not-known', status: 401 })
    expect((await labelsOf(shipment))[0]).toMatchObject({ way: 'announced' })
    await takeNews(of, news(tracking, 'held'))
    await takeNews(of, news(tracking, 'delivered'))
    // what came late changes nothing any more
    await takeNews(of, news(tracking, 'under way'))
    expect((await labelsOf(shipment))[0]).toMatchObject({ way: 'delivered' })
  })
})

test('lists say what could not be bought, what nobody uses and what it all cost', async () => {
  const refused = await pack(1, { weight: null })
  await askLabels(refused, {}, who)
  const unused = await pack()
  await askLabels(unused, {}, who)
  await house.settle()
  await setStatus([await orderOf(unused)], 'Withdrawn', who, { anyStep: true })
  await house.settle()
  const shipmentsIn = async (what: LabelList) =>
    (await listLabels({ what, limit: 200 })).rows.map(({ sourceId }) => sourceId)
  expect(await shipmentsIn('problem')).toContain(refused)
  expect(await shipmentsIn('unused')).toEqual([unused])
  const { matching, cost } = await listLabels({ what: 'all', limit: 3 })
  expect(matching).toBeGreaterThan(2)
  const made = await rows<{ price: string }>(`select price from label where state = 'made'`)
  expect(cost).toEqual([{ currency: 'EUR', amount: moneyText(sum(made.map(({ price }) => price)), 'EUR') }])
  const lacking = await listShipments({ labels: 'missing', sort: 'day', descending: true, limit: 200 })
  expect(lacking.rows.map(({ id }) => id)).toContain(refused)
  expect(lacking.rows.map(({ id }) => id)).not.toContain(unused)
})

describe('what a carrier carries', () => {
  const stale = (services: unknown[]) =>
    run(
      `update carrier
      set services = $1::jsonb, services_at = now() - interval '2 days', ask_services_at = now() - interval '1 day'`,
      [JSON.stringify(services)],
    )
  const known = () =>
    one<{ services: { code: string }[]; version: number; dueInHours: number }>(
      `select services, version, round(extract(epoch from ask_services_at - now()) / 3600)::int "dueInHours"
      from carrier`,
    )

  test('is asked again each day, so that nobody buys by prices of last year', async () => {
    const before = (await known())!
    await stale(before.services.map((service) => ({ ...service, prices: [{ upTo: '30', price: '0.35' }] })))
    const shipment = await pack()
    expect((await offersOf(shipment)).offers[0]).toMatchObject({ price: '0.35' })
    await sweep()
    await until('its prices to be those of today', async () => (await known())!.dueInHours === 24)
    expect((await offersOf(shipment)).offers[0]).toMatchObject({ price: '4.95' })
    // what somebody writes in Settings beside it is not refused
    expect((await known())!.version).toBe(before.version)
  })

  test('stands as it was said last while it does not answer, and is asked again within the hour', async () => {
    const before = (await known())!
    behaviour.play('is down')
    await stale(before.services)
    await sweep()
    await until('it to be put off', async () => (await known())!.dueInHours === 1)
    expect((await known())!.services).toEqual(before.services)
  })
})
