import { describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { changeDraft, draftFromOrder, draftView } from '../../server/services/drafts/drafts'
import { changeLook } from '../../server/services/house/change'
import { changeHouse } from '../../server/services/house/settings'
import { orderView } from '../../server/services/orders/list'
import { listOrders } from '../../server/services/orders/list-queries'
import { cancelRest } from '../../server/services/orders/cancel-rest'
import { editOrder } from '../../server/services/orders/orders'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { addRoutine, changeRoutine } from '../../server/services/routines/routines'
import { lookBack } from '../../server/services/routines/catch-up'
import { makeShipment, planShipment } from '../../server/services/shipping/pack'
import { changeShipment, shipmentView, takeShipmentBack } from '../../server/services/shipping/shipments'
import { historyWords, until, useHouse } from './house'

/* Goods that go out, whole and in parts: nothing twice, and documents of just what goes. */
const house = useHouse({ reports: false })
const who = inTheNameOf('Col Varley')
const line = (item: string, quantity: string, unitPrice = '10.00') => ({
  item,
  description: `${item}, described`,
  detail: null,
  unit: '',
  quantity,
  unitPrice,
  discountPercent: '0',
  taxCode: 'standard',
})
const anOrder = () => house.newOrder({ lines: [line('HB-11D', '10'), line('HS-10N', '4', '20.00')] })
const papersOf = (sources: number[]) =>
  rows<{
    id: number
    kind: string
    state: string
    total: string
    revision: number
    problem: { words: string } | null
  }>(
    `select id, kind, state, total::text total, revision, problem
    from prepared_document
    where source_id = any($1::int[])
    order by id desc`,
    [sources],
  )
const leftOf = async (order: number) => (await orderView(order)).standing.map(({ left }) => left)
const ship = (order: number, ...lines: [position: number, quantity: string][]) =>
  makeShipment(order, { lines: lines.map(([position, quantity]) => ({ position, quantity })) }, who)
const prepare = async (kind: 'packing slip' | 'delivery note' | 'customs invoice', shipment: number) => {
  const [made] = await prepareByHand(kind, [shipment], who)
  expect(made!.result.outcome).toBe('prepared')
  return (await papersOf([shipment]))[0]!
}
async function issue(
  shipment: number,
  kind: 'packing slip' | 'delivery note' | 'customs invoice' = 'packing slip',
) {
  const paper = await prepare(kind, shipment)
  const [result] = await issueInOneTransaction([{ preparedId: paper.id, revision: paper.revision }], who)
  expect(result).toMatchObject({ outcome: 'issued' })
  return result!
}

/** Issues a draft cut down to so much of lines of its order. */
async function issueDraft(id: number, lines: [orderLine: string, quantity: string][]): Promise<void> {
  const { version, brandId, customerId, facts } = await draftView(id)
  const kept = facts.lines.flatMap((line) => {
    const own = lines.find(([position]) => Number(position) === line.orderLine)
    return own ? [{ ...line, quantity: own[1] }] : []
  })
  const change = { version, brandId, customerId, earlierDateOk: false }
  const today = new Date().toISOString().slice(0, 10)
  await changeDraft(id, { ...change, facts: { ...facts, lines: kept, suppliedOn: today } }, who)
  await house.settle()
  const [paper] = await papersOf([id])
  const [result] = await issueInOneTransaction([{ preparedId: paper!.id, revision: paper!.revision }], who)
  expect(result).toMatchObject({ outcome: 'issued' })
}

describe('an order that goes in parts', () => {
  test('has left what no shipment holds, and refuses more, in words', async () => {
    const order = await anOrder()
    await ship(order, [1, '6'])
    expect(await leftOf(order)).toEqual(['4', '4'])
    await expect(ship(order, [1, '5'])).rejects.toThrow('only 4 are left to ship, not 5')
    const inPart = async () =>
      (
        await listOrders({ shipped: 'in part', statuses: [], sort: 'date', descending: true, limit: 100 })
      ).rows.some(({ id }) => id === order)
    expect(await inPart()).toBe(true)
    await ship(order, [1, '4'], [2, '4'])
    expect(await leftOf(order)).toEqual(['0', '0'])
    expect(await inPart()).toBe(false)
    await expect(ship(order, [1, '1'])).rejects.toThrow('only 0 are left')
    expect((await orderView(order)).shipments.map(({ label }) => label.split('/')[1])).toEqual(['1', '2'])
  })

  test('is shipped once by two people at one instant', async () => {
    const order = await anOrder()
    const both = await Promise.allSettled([
      ship(order, [1, '10'], [2, '4']),
      ship(order, [1, '10'], [2, '4']),
      ship(order, [1, '1']),
    ])
    const gone = await rows<{ quantity: string }>(
      `select sum(l.quantity)::int::text quantity
      from shipment_line l
      join shipment s on s.id = l.shipment_id
      where s.order_id = $1 and l.position = 1`,
      [order],
    )
    expect(both.filter(({ status }) => status === 'rejected').length).toBeGreaterThan(0)
    expect(Number(gone[0]!.quantity)).toBeLessThanOrEqual(10)
    expect((await leftOf(order)).every((left) => Number(left) >= 0)).toBe(true)
  })

  test('is billed for just what was shipped, and for the rest once that went', async () => {
    const order = await anOrder()
    await expect(draftFromOrder(order, { kind: 'shipped' }, who)).rejects.toThrow('billed already')
    await ship(order, [1, '6'], [2, '1'])
    const draft = await draftView(await draftFromOrder(order, { kind: 'shipped' }, who))
    expect(draft.facts.lines.map(({ orderLine, quantity }) => [orderLine, quantity])).toEqual([
      [1, '6'],
      [2, '1'],
    ])
    expect(draft.facts.suppliedOn).not.toBeNull()
    await house.settle()
    const [paper] = await papersOf([draft.id])
    const [result] = await issueInOneTransaction([{ preparedId: paper!.id, revision: paper!.revision }], who)
    expect(result).toMatchObject({ outcome: 'issued' })
    await expect(draftFromOrder(order, { kind: 'shipped' }, who)).rejects.toThrow('billed already')
    await ship(order, [1, '4'])
    const rest = await draftView(await draftFromOrder(order, { kind: 'shipped' }, who))
    expect(rest.facts.lines.map(({ orderLine, quantity }) => [orderLine, quantity])).toEqual([[1, '4']])
  })

  test('loses what is left of it when that is cancelled: its sum, its invoice and what is left follow', async () => {
    const order = await anOrder()
    await ship(order, [1, '6'])
    const { version } = await orderView(order)
    await cancelRest(order, version, who)
    await expect(cancelRest(order, version, who)).rejects.toThrow('Somebody changed order')
    const now = await orderView(order)
    expect(now.standing).toMatchObject([
      { ordered: '10', shipped: '6', cancelled: '4', left: '0' },
      { ordered: '4', shipped: '0', cancelled: '4', left: '0' },
    ])
    expect(now.net).toBe('60.00')
    await expect(cancelRest(order, now.version, who)).rejects.toThrow('Nothing of order')
    await house.ship([order])
    const invoice = (await papersOf([order])).find(({ kind }) => kind === 'invoice')!
    expect(Number(invoice.total)).toBe(73.8)
    // what was cancelled stays known when the order is changed otherwise
    const { lines, customerNote, version: again } = await orderView(order)
    await editOrder(order, { version: again, lines, reference: 'changed', customerNote }, who)
    expect((await orderView(order)).standing[0]).toMatchObject({ ordered: '10', cancelled: '4' })
  })

  test('keeps what is billed when the rest is cancelled, and all of it once it is billed whole', async () => {
    const order = await anOrder()
    await ship(order, [1, '2'])
    await issueDraft(await draftFromOrder(order, { kind: 'part' }, who), [['1', '5']])
    await cancelRest(order, (await orderView(order)).version, who)
    expect((await orderView(order)).standing).toMatchObject([
      { ordered: '10', shipped: '2', cancelled: '5', left: '3' },
      { ordered: '4', shipped: '0', cancelled: '4', left: '0' },
    ])
    const whole = await anOrder()
    await house.ship([whole])
    const [invoice] = await papersOf([whole])
    await issueInOneTransaction([{ preparedId: invoice!.id, revision: invoice!.revision }], who)
    await expect(cancelRest(whole, (await orderView(whole)).version, who)).rejects.toThrow(
      'bills the whole of',
    )
  })

  test('keeps its shipped lines: they stay in their place with at least what went', async () => {
    const order = await anOrder()
    await ship(order, [2, '3'])
    const { version, lines, reference, customerNote } = await orderView(order)
    const change = (changed: typeof lines) =>
      editOrder(order, { version, lines: changed, reference, customerNote }, who)
    await expect(change([lines[1]!])).rejects.toThrow('Line 2, “HS-10N, described”, was shipped: 3 of it')
    await expect(change([lines[0]!, { ...lines[1]!, quantity: '2' }])).rejects.toThrow('was shipped')
    await change([lines[0]!, { ...lines[1]!, quantity: '3' }])
    expect(await leftOf(order)).toEqual(['10', '0'])
  })

  test('is not shipped while it is a draft, held, or without an address', async () => {
    const order = await anOrder()
    await setStatus([order], 'Held', who)
    await expect(ship(order, [1, '1'])).rejects.toThrow('is Held, so nothing of it is shipped')
    expect((await planShipment(order)).refused).toContain('is Held')
    const nobody = house.customer('10444')
    const homeless = await house.newOrder({
      customerId: nobody.id,
      customerName: nobody.name,
      lines: [line('HB-11D', '1')],
    })
    const before = await one<{ billing: object }>('select billing from customer where id = $1', [nobody.id])
    await run('update customer set billing = null where id = $1', [nobody.id])
    await expect(ship(homeless, [1, '1'])).rejects.toThrow('has no address to ship to')
    await run('update customer set billing = $2::jsonb where id = $1', [
      nobody.id,
      JSON.stringify(before!.billing),
    ])
  })
})

describe('a shipment', () => {
  test('is proposed in parcels by weight, and takes others that hold just what goes', async () => {
    const order = await anOrder()
    await run(`update item set weight = 6 where code = 'HB-11D'`)
    await changeHouse({
      boxes: [{ name: 'Box', length: 400, width: 400, height: 400, weight: '1', most: '25' }],
    })
    const { parcels } = await planShipment(order)
    expect(parcels[0]).toMatchObject({ box: 'Box', weight: '25', contents: [{ position: 1, quantity: '4' }] })
    const wrong = [{ box: '', weight: null, contents: [{ position: 1, quantity: '9' }] }]
    const lines = [{ position: 1, quantity: '10' }]
    await expect(makeShipment(order, { lines, parcels: wrong }, who)).rejects.toThrow(
      '9 are in the parcels, and 10 go',
    )
    expect(await leftOf(order)).toEqual(['10', '4'])
    const right = [{ box: '', weight: '61.5', contents: [{ position: 1, quantity: '10' }] }]
    const id = await makeShipment(order, { lines, parcels: right }, who)
    expect((await shipmentView(id)).parcels).toMatchObject(right)
  })

  test('has a packing slip and a delivery note of just what goes, without prices, each once', async () => {
    const order = await anOrder()
    await ship(order, [1, '2'])
    const shipment = await ship(order, [1, '3'], [2, '4'])
    const slip = await prepare('packing slip', shipment)
    const [again] = await prepareByHand('packing slip', [shipment], who)
    expect(again!.result.outcome).toBe('already')
    const { content } = (await one<{ content: { lines: object[]; amounts: object } }>(
      'select content from prepared_document where id = $1',
      [slip.id],
    ))!
    expect(content.lines).toMatchObject([
      { item: 'HB-11D', price: '10', amount: '3', detail: '2 sent before · 5 to follow' },
      { item: 'HS-10N', price: '4', amount: '4', detail: null },
    ])
    const [result] = await issueInOneTransaction([{ preparedId: slip.id, revision: slip.revision }], who)
    expect(result).toMatchObject({ outcome: 'issued', number: expect.stringMatching(/^PS-/) })
    expect(await issue(shipment, 'delivery note')).toMatchObject({ number: expect.stringMatching(/^DN-/) })
    // neither owes anything
    expect(
      await rows(
        'select from open_item where document_id in (select id from document where source_id = $1)',
        [shipment],
      ),
    ).toEqual([])
  })

  test('that is changed has its prepared documents built anew, and one person’s change is not lost', async () => {
    const shipment = await ship(await anOrder(), [1, '2'])
    const slip = await prepare('packing slip', shipment)
    const { version, day, delivery, parcels } = await shipmentView(shipment)
    const change = { version, day, delivery, parcels: parcels.map(({ id: _, ...parcel }) => parcel) }
    await changeShipment(shipment, { ...change, service: 'Our own van', remarks: 'Ring twice' }, who)
    await expect(changeShipment(shipment, { ...change, service: 'Post', remarks: '' }, who)).rejects.toThrow(
      'Somebody changed shipment',
    )
    await until('the slip anew', async () => {
      const paper = await one<{ content: string }>(
        'select content::text content from prepared_document where id = $1',
        [slip.id],
      )
      return paper!.content.includes('Ring twice')
    })
  })

  test('that is taken back sets its goods free, and what was prepared for it goes', async () => {
    const order = await anOrder()
    const shipment = await ship(order, [1, '10'])
    const slip = await prepare('packing slip', shipment)
    await takeShipmentBack(shipment, { version: 1, despite: false }, who)
    expect(await leftOf(order)).toEqual(['10', '4'])
    expect(await one('select state from prepared_document where id = $1', [slip.id])).toEqual({
      state: 'dropped',
    })
    await expect(takeShipmentBack(shipment, { version: 2, despite: false }, who)).rejects.toThrow(
      'was undone',
    )
    await expect(prepareByHand('packing slip', [shipment], who)).rejects.toThrow('was undone')
    expect((await historyWords(order)).join()).toContain('all of it is left to ship again')
  })

  test('with an issued document is taken back only when somebody saw that it stays', async () => {
    const order = await anOrder()
    const shipment = await ship(order, [1, '10'])
    await issue(shipment)
    const back = (despite: boolean) => takeShipmentBack(shipment, { version: 1, despite }, who)
    await expect(back(false)).rejects.toThrow(/PS-.+ is issued for shipment/)
    expect(await leftOf(order)).toEqual(['0', '4'])
    await back(true)
    expect((await historyWords(order)).join()).toMatch(/PS-\S+ stayed as issued/)
  })

  test('has a customs invoice once its items say what customs asks for, and nothing is booked by it', async () => {
    await run(
      `update item set weight = 2, commodity_code = '', origin = '' where code in ('HB-11D', 'HS-10N')`,
    )
    const shipment = await ship(await anOrder(), [1, '3'], [2, '4'])
    const lacking = await prepare('customs invoice', shipment)
    expect(lacking.problem?.words).toMatch(
      /has no commodity code and no country of origin: customs asks for it/,
    )
    await run(
      `update item set commodity_code = '4421 99 99', origin = 'IE' where code in ('HB-11D', 'HS-10N')`,
    )
    const other = await ship(await anOrder(), [1, '3'], [2, '4'])
    const { number, documentId } = await issue(other, 'customs invoice')
    expect(number).toMatch(/^CI-/)
    const { paper } = (await one<{ paper: { toPay: { amount: string }; lines: { detail: string }[] } }>(
      'select paper from document where id = $1',
      [documentId],
    ))!
    expect(paper.toPay.amount).toBe('110.00')
    expect(paper.lines[1]!.detail).toContain('origin Ireland · 2\u00A0kg each, 8\u00A0kg')
    expect(await rows('select from open_item where document_id = $1', [documentId])).toEqual([])
  })

  test('has its delivery note made by a routine, for what is packed from then on and for older ones', async () => {
    const older = await ship(await anOrder(), [1, '1'])
    const id = await addRoutine(
      {
        name: 'Delivery notes',
        description: '',
        trust: 'after a check',
        isOn: true,
        sentence: {
          on: 'shipment',
          statuses: [],
          conditions: [{ about: 'item', is: 'one of', values: ['HS-10N'] }],
          issue: 'delivery note',
          to: 'goods-in',
          delayMinutes: 0,
        },
      },
      who,
    )
    const without = await ship(await anOrder(), [1, '1'])
    const withIt = await ship(await anOrder(), [1, '1'], [2, '1'])
    await until('the note', async () => (await papersOf([withIt])).length === 1)
    await house.settle()
    expect((await papersOf([withIt]))[0]).toMatchObject({ kind: 'delivery note', state: 'prepared' })
    expect(await papersOf([without])).toEqual([])
    const day = (await shipmentView(older)).day
    const missed = (await lookBack(id, day, day)).map((one) => one.id)
    expect(missed).not.toContain(withIt)
    expect(missed).not.toContain(older)
    // what is packed in the tests below has no note by itself
    await changeRoutine(id, { version: 1, isOn: false }, who)
  })
})

test('documents name items by the customer’s code or the bar code where their design says so', async () => {
  const brand = (await one<{ id: number; version: number }>(
    'select id, version from brand order by id limit 1',
  ))!
  await changeLook(brand.id, { version: brand.version, kind: 'delivery note', item: 'customer' }, who)
  await run(
    `insert into item_customer_code (item_id, customer_id, code)
    select i.id, c.id, 'OM-11' from item i, customer c where i.code = 'HB-11D' and c.number = '10417'
    on conflict (item_id, customer_id) do update set code = excluded.code`,
  )
  const order = await anOrder()
  const shipment = await ship(order, [1, '1'], [2, '1'])
  await prepare('delivery note', shipment)
  const linesOf = async () =>
    (await one<{ lines: { item: string; codes?: object }[] }>(
      `select content -> 'lines' lines from prepared_document where source_id = $1 order by id desc limit 1`,
      [shipment],
    ))!.lines.map(({ item, codes }) => [item, codes])
  expect(await linesOf()).toEqual([
    ['HB-11D', { customer: 'OM-11', gtin: expect.any(String) }],
    ['HS-10N', { customer: '', gtin: expect.any(String) }],
  ])
  // those whose design does not ask carry none
  await prepare('packing slip', shipment)
  expect(await linesOf()).toEqual([
    ['HB-11D', undefined],
    ['HS-10N', undefined],
  ])
})

test('a peel-off label is refused where the address stands, and is on the slip where it fits', async () => {
  const brand = (await one<{ id: number; version: number }>(
    'select id, version from brand order by id limit 1',
  ))!
  const change = (
    peelOff: { x: number; y: number; width: number; height: number },
    version = brand.version,
  ) => changeLook(brand.id, { version, kind: 'packing slip', peelOff }, who)
  await expect(change({ x: 100, y: 40, width: 90, height: 60 })).rejects.toThrow('something else has to')
  await change({ x: 100, y: 200, width: 90, height: 60 })
  const shipment = await ship(await anOrder(), [1, '1'])
  const { problem } = await prepare('packing slip', shipment)
  expect(problem).toBeNull()
})
