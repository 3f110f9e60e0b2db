import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { addCustomer, type NewCustomer } from '../../server/services/customers/add-customer'
import {
  keepMailAccount,
  mailAccounts,
  mailServer,
  removeMailAccount,
} from '../../server/services/house/mail-accounts'
import { tryMailAccount } from '../../server/services/house/try-mail-account'
import {
  addOwnField,
  changeOwnField,
  dropOwnField,
  ownFieldViews,
} from '../../server/services/fields/own-fields'
import { findItems } from '../../server/services/items/find'
import { keepItem } from '../../server/services/items/items'
import { listItems, optionsOf } from '../../server/services/items/queries'
import { changeHouseLists, houseLists, type HouseLists } from '../../server/services/orders/house-lists'
import { drop, prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { changeDraft, draftFromOrder, draftView } from '../../server/services/drafts/drafts'
import { orderView } from '../../server/services/orders/list'
import { listOrders } from '../../server/services/orders/list-queries'
import { writeOrder } from '../../server/services/orders/new-order'
import { previewOrder } from '../../server/services/orders/preview'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { until, useHouse } from './house'

/* What a desk writes itself: mail accounts, customers, items and orders. */
const house = useHouse({ trust: 'automatic' })
const who = inTheNameOf('Col Varley')
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )
let standIn: { host: string; port: number }
beforeAll(() => {
  const url = new URL(process.env.CLOTHESPIN_SMTP_URL!)
  standIn = { host: url.hostname, port: Number(url.port) }
})
const account = { name: 'Main', security: 'none' as const, userName: '', brandIds: [], version: 1 }

describe('a mail account', () => {
  afterAll(() => run('update brand set mail_account_id = null'))

  test('is tried step by step, each with the server’s words, and nothing is kept of it', async () => {
    const { steps, remedy } = await tryMailAccount(
      null,
      { ...account, ...standIn },
      'maeve@tansyhollow.example',
    )
    expect(steps.map((one) => [one.step, one.worked])).toEqual([
      ['connect', true],
      ['send', true],
    ])
    expect(steps.at(-1)!.said).toMatch(/^250/)
    expect(remedy).toBeNull()
    expect((await house.mails('maeve@tansyhollow.example'))[0]!.subject).toBe('Clothespin can send email')
    expect(await mailAccounts()).toEqual([])
  })

  test('that is not there says where it failed, and what to do', async () => {
    const nowhere = { ...account, host: '127.0.0.1', port: 1 }
    const { steps, remedy } = await tryMailAccount(null, nowhere, 'maeve@tansyhollow.example')
    expect(steps).toMatchObject([{ step: 'connect', worked: false }])
    expect(remedy?.words).toContain('587')
  })

  test('sends no password where others could read it', async () => {
    const plain = {
      ...account,
      host: 'mail.house.example',
      port: 25,
      userName: 'us',
      password: 'secret words',
    }
    expect(await refused(keepMailAccount(null, plain))).toBe('password-in-plain')
  })

  test('keeps its password sealed, never shows it, and leaves it where none is given', async () => {
    const id = await keepMailAccount(null, {
      ...account,
      host: 'mail.house.example',
      port: 587,
      security: 'starttls',
      userName: 'us',
      password: 'secret words',
    })
    const kept = (await one<{ sealed_password: string }>('select sealed_password from mail_account'))!
    expect(kept.sealed_password).not.toContain('secret')
    expect(JSON.stringify(await mailAccounts())).not.toMatch(/secret|sealed/)
    const [view] = await mailAccounts()
    expect(view).toMatchObject({ hasPassword: true })
    await keepMailAccount(id, { ...account, ...view!, name: 'Orders' })
    expect(await mailServer(null)).toMatchObject({
      user: 'us',
      password: 'secret words',
      security: 'starttls',
    })
    expect(await refused(keepMailAccount(id, { ...account, ...view!, name: 'Late' }))).toBe(
      'changed-meanwhile',
    )
    expect(await refused(keepMailAccount(null, { ...account, ...standIn, name: 'Orders' }))).toBe('same-name')
  })

  test('cannot be used under another secret: emails wait, and say to enter the password again', async () => {
    const before = process.env.CLOTHESPIN_SECRET
    process.env.CLOTHESPIN_SECRET = 'quite another secret of thirty-two letters'
    expect(await mailServer(null)).toMatchObject({ problem: expect.stringContaining('Enter it again') })
    process.env.CLOTHESPIN_SECRET = before
  })

  /** The server that a brand's invoices are handed to. */
  async function serverOf(brandId: number) {
    const found = await one<{ id: number }>(
      `select s.mail_account_id id from brand b cross join lateral sender_for(b, 'invoice', null, '', null, null) s
      where b.id = $1`,
      [brandId],
    )
    return mailServer(found!.id)
  }

  test('of its own takes a brand’s email; the others’ goes through the first', async () => {
    const brand = house.brands[1]!.id
    await keepMailAccount(null, { ...account, ...standIn, name: 'Shop', brandIds: [brand] })
    expect(await serverOf(brand)).toMatchObject(standIn)
    expect(await serverOf(house.brands[0]!.id)).toMatchObject({ host: 'mail.house.example' })
  })

  test('that is set right lets the emails go that waited for it', async () => {
    const [first] = await mailAccounts()
    await keepMailAccount(first!.id, {
      ...account,
      ...first!,
      host: '127.0.0.1',
      port: 1,
      security: 'none',
      userName: '',
    })
    const order = await house.newOrder()
    await house.ship([order])
    const waits = () => rows<{ state: string; away: boolean }>('select state, away from dispatch')
    await until('the email waits because the server is away', async () =>
      (await waits()).some((one) => one.away),
    )
    const [now] = await mailAccounts()
    await keepMailAccount(now!.id, { ...account, ...now!, ...standIn })
    await until('it goes', async () => (await waits()).every((one) => one.state !== 'waiting'))
  })

  test('taken away leaves its brand with the first', async () => {
    const shop = (await mailAccounts()).find((one) => one.name === 'Shop')!
    await removeMailAccount(shop.id, shop.version)
    expect((await mailAccounts()).map((one) => one.name)).toEqual(['Orders'])
    expect(await serverOf(house.brands[1]!.id)).toMatchObject(standIn)
  })
})

describe('a customer', () => {
  const customer: NewCustomer = {
    name: 'Holt Nurseries 🌱',
    groupName: '',
    country: 'IE',
    billing: null,
    taxNumber: '',
    treatment: 'domestic',
    salesperson: '',
    contacts: [],
  }

  test('gets the next number, and what was left out from the company', async () => {
    const { id, number } = await addCustomer(customer)
    const highest = house.customers.map((one) => Number(one.number)).sort((a, b) => b - a)[0]!
    expect(Number(number)).toBe(highest + 1)
    expect(await one('select language, currency, terms from customer where id = $1', [id])).toEqual({
      language: 'en',
      currency: 'EUR',
      terms: { kind: 'days', days: 30 },
    })
  })

  test('with a number that is taken or an address that is none is refused, and nothing is written', async () => {
    const count = () => one('select count(*)::int count from customer')
    const before = await count()
    expect(await refused(addCustomer({ ...customer, number: '10417' }))).toBe('same-number')
    const contact = { name: '', email: 'holt', role: 'billing' as const }
    expect(await refused(addCustomer({ ...customer, contacts: [contact] }))).toBe('bad-address')
    expect(await count()).toEqual(before)
  })

  test('written by two at once gets two numbers', async () => {
    const both = await Promise.all([addCustomer(customer), addCustomer(customer)])
    expect(new Set(both.map((one) => one.number)).size).toBe(2)
  })
})

describe('an item', () => {
  const item = { code: 'SEED-1', names: { en: 'Meadow mix' }, unit: 'kg', price: '18.5', taxCode: 'standard' }

  test('is found by number and by its name in any language', async () => {
    await keepItem(null, { ...item, names: { en: 'Meadow mix', de: 'Wiesenmischung' } })
    for (const search of ['seed-1', 'WIESEN', 'meadow'])
      expect((await listItems({ search, limit: 10 })).rows.map((one) => one.code)).toContain('SEED-1')
    expect((await listItems({ search: 'seed-1', limit: 10 })).rows[0]).toMatchObject({ price: '18.50' })
  })

  test('needs a name in the company’s language, a tax code that is one, and a number of its own', async () => {
    expect(await refused(keepItem(null, { ...item, code: 'X', names: { de: 'Nur deutsch' } }))).toBe(
      'no-name',
    )
    expect(await refused(keepItem(null, { ...item, code: 'X', taxCode: 'luxury' }))).toBe('unknown-tax-code')
    expect(await refused(keepItem(null, item))).toBe('same-code')
  })

  test('has what a buyer chooses; a line finds it by its number', async () => {
    const [row] = (await listItems({ search: 'seed-1', limit: 1 })).rows
    const options = [{ name: 'Bag', values: ['1 kg', '5 kg'] }]
    await keepItem(row!.id, { ...item, options }, row!.version)
    const [found] = await findItems({ search: 'seed-1', language: 'en' })
    expect(found).toMatchObject({ code: 'SEED-1', options })
    expect(await optionsOf(['SEED-1', 'HB-10N', 'NONE'])).toEqual([{ code: 'SEED-1', options }])
    // who changes only the price keeps them
    await keepItem(row!.id, item, row!.version + 1)
    expect(await optionsOf(['SEED-1'])).toEqual([{ code: 'SEED-1', options }])
  })

  test('changed by two: the later one is told', async () => {
    const [row] = (await listItems({ search: 'seed-1', limit: 1 })).rows
    await keepItem(row!.id, { ...item, price: '19.00' }, row!.version)
    expect(await refused(keepItem(row!.id, { ...item, price: '20.00' }, row!.version))).toBe(
      'changed-meanwhile',
    )
    expect((await listItems({ search: 'seed-1', limit: 1 })).rows[0]!.price).toBe('19.00')
  })
})

describe('an order that is written', () => {
  const line = {
    item: 'SEED-1',
    description: 'Meadow mix',
    detail: null,
    unit: 'kg',
    quantity: '3',
    unitPrice: '19.00',
    discountPercent: '0',
    taxCode: 'standard',
  }
  const order = () => ({
    brandId: house.brands[0]!.id,
    customerId: house.customers[0]!.id,
    reference: 'PO 7',
    customerNote: null,
    lines: [line],
  })

  test('goes on from the newest number, is dated today, and its routines hear of its status', async () => {
    await writeOrder({ ...order(), number: 'AB-0099' }, who)
    const { id, number } = await writeOrder({ ...order(), status: 'Shipped' }, who)
    expect(number).toBe('AB-0100')
    await house.settle()
    const view = await orderView(id)
    expect(view).toMatchObject({ status: 'Shipped', total: '70.11', reference: 'PO 7' })
    expect(view.papers.map((paper) => paper.kind)).toEqual(['invoice'])
  })

  test('with a taken number, a strange status, field or tax code is refused, and nothing is written', async () => {
    const count = () => one('select count(*)::int count from sales_order')
    const before = await count()
    expect(await refused(writeOrder({ ...order(), number: 'AB-0099' }, who))).toBe('same-number')
    expect(await refused(writeOrder({ ...order(), status: 'Lost' }, who))).toBe('unknown-status')
    expect(await refused(writeOrder({ ...order(), fields: { Moon: 'full' } }, who))).toBe('unknown-field')
    const strange = { ...line, taxCode: 'luxury' }
    expect(await refused(writeOrder({ ...order(), lines: [strange] }, who))).not.toBe('done')
    expect(await count()).toEqual(before)
  })
})

describe('orders in the list', () => {
  const filter = { statuses: [], sort: 'date' as const, descending: true, limit: 200 }

  test('are narrowed to those without an invoice, and to those from a day on', async () => {
    const without = await listOrders({ ...filter, without: 'invoice' })
    const all = await listOrders(filter)
    expect(without.rows.every((row) => row.invoice === null)).toBe(true)
    expect(all.rows.some((row) => row.invoice !== null)).toBe(true)
    expect(without.matching).toBeLessThan(all.matching)
    const [newest] = all.rows
    const recent = await listOrders({ ...filter, from: newest!.date })
    expect(recent.rows.every((row) => row.date >= newest!.date)).toBe(true)
    expect(recent.matching).toBeLessThan(all.matching)
  })
})

describe('the confirmation of an order that is being written', () => {
  const order = () => ({
    brandId: house.brands[0]!.id,
    customerId: house.customer('10417').id,
    reference: 'SEEN',
    customerNote: null,
    fields: {},
    status: 'Confirmed',
    lines: [
      {
        item: '',
        description: 'Honey',
        detail: null,
        unit: '',
        quantity: '2',
        unitPrice: '5',
        discountPercent: '0',
        taxCode: 'standard',
      },
    ],
  })

  test('is drawn as it will be, and nothing is kept: no order, no number, no event', async () => {
    const counts = () =>
      one('select (select count(*) from sales_order) orders, (select count(*) from event) events')
    const before = await counts()
    const bytes = await previewOrder(order(), who)
    expect(Buffer.from(bytes.slice(0, 5)).toString()).toBe('%PDF-')
    expect(await counts()).toEqual(before)
    expect(await rows(`select id from sales_order where reference = 'SEEN'`)).toEqual([])
  })

  test('says what stands in the way', async () => {
    const [line] = order().lines
    expect(
      await refused(previewOrder({ ...order(), lines: [{ ...line!, taxCode: 'none such' }] }, who)),
    ).toBe('unknown-tax-code')
  })
})

describe('the statuses of the house', () => {
  const change = async (now: Partial<HouseLists>) => {
    const before = await houseLists()
    return changeHouseLists(before, { ...before, ...now })
  }

  test('take new ones in, and an order can have them at once', async () => {
    const { statuses } = await houseLists()
    await change({ statuses: [...statuses, 'On the road'] })
    await addOwnField({ ...ownField, name: 'Gate code' })
    const { id } = await writeOrder(
      {
        brandId: house.brands[0]!.id,
        customerId: house.customers[0]!.id,
        reference: null,
        customerNote: null,
        status: 'On the road',
        fields: { 'Gate code': '7711' },
        lines: [
          {
            item: '',
            description: 'Honey',
            detail: null,
            unit: '',
            quantity: '1',
            unitPrice: '5',
            discountPercent: '0',
            taxCode: 'standard',
          },
        ],
      },
      who,
    )
    expect(await orderView(id)).toMatchObject({ status: 'On the road', fields: { 'Gate code': '7711' } })
  })

  test('lose none that is used: by an order, a routine, or what holds orders; two stay for good', async () => {
    const { statuses } = await houseLists()
    const lacking = (status: string) => change({ statuses: statuses.filter((one) => one !== status) })
    await expect(lacking('On the road')).rejects.toThrow('1 order is On the road')
    await expect(lacking('Held')).rejects.toThrow('holds or withdraws')
    await expect(lacking('Shipped')).rejects.toThrow('date of supply')
    await expect(change({ statuses: [...statuses].reverse() })).rejects.toThrow('Draft stays the first')
    await run(`update routine set sentence = jsonb_set(sentence, '{statuses}', '["Packed"]')`)
    await run(`update sales_order set status = 'Draft' where status = 'Packed'`)
    await expect(lacking('Packed')).rejects.toThrow('“Invoice when shipped” waits for Packed')
    expect(await houseLists()).toEqual({ statuses, steps: {}, words: {} })
  })

  test('follow one another as the house says; what was just set can always be set back', async () => {
    const { statuses } = await houseLists()
    await change({ statuses, steps: { Confirmed: ['In picking', 'Held'], Closed: [] } })
    const order = (
      await writeOrder(
        {
          brandId: house.brands[0]!.id,
          customerId: house.customers[0]!.id,
          reference: null,
          customerNote: null,
          status: 'Confirmed',
          fields: {},
          lines: [
            {
              item: '',
              description: 'Honey',
              detail: null,
              unit: '',
              quantity: '1',
              unitPrice: '5',
              discountPercent: '0',
              taxCode: 'standard',
            },
          ],
        },
        who,
      )
    ).id
    await expect(setStatus([order], 'Shipped', who)).rejects.toThrow(
      /is Confirmed; from there it may go to In picking, Held, and not to Shipped/,
    )
    await setStatus([order], 'In picking', who)
    await setStatus([order], 'Closed', who)
    await expect(setStatus([order], 'In picking', who)).rejects.toThrow('it goes nowhere else')
    const somebody = inTheNameOf('Somebody else')
    await expect(setStatus([order], 'In picking', somebody, { undo: true })).rejects.toThrow('nowhere else')
    await setStatus([order], 'In picking', who, { undo: true })
    expect((await orderView(order)).status).toBe('In picking')
    await expect(change({ steps: { Confirmed: ['Lost'] } })).rejects.toThrow('“Lost” is not a status')
    await change({ steps: {} })
  })

  test('changed by two: the later one is told', async () => {
    const before = await houseLists()
    await changeHouseLists(before, { ...before, statuses: [...before.statuses, 'At the dock'] })
    expect(await refused(changeHouseLists(before, before))).toBe('changed-meanwhile')
  })
})

const ownField = { of: 'order' as const, kind: 'text' as const, choices: [], labels: {}, printed: false }

describe('own fields', () => {
  const idOf = async (name: string) => (await ownFieldViews()).find((one) => one.name === name)!.id

  test('are kept as their kind is written, and refused otherwise; one that is used cannot go', async () => {
    await addOwnField({ ...ownField, of: 'item', name: 'Timber', kind: 'choice', choices: ['oak', 'ash'] })
    expect(await refused(addOwnField({ ...ownField, of: 'item', name: 'Timber' }))).toBe('same-name')
    expect(await refused(addOwnField({ ...ownField, name: 'Size', kind: 'choice' }))).toBe('no-choices')
    const [item] = (await listItems({ search: 'seed-1', limit: 1 })).rows
    const edit = { ...item!, fields: { Timber: 'oak' } }
    expect(await refused(keepItem(item!.id, { ...edit, fields: { Timber: 'tin' } }, item!.version))).toBe(
      'wrong-value',
    )
    await keepItem(item!.id, edit, item!.version)
    expect(await refused(dropOwnField(await idOf('Timber')))).toBe('in-use')
    const ash = { choices: ['ash'], labels: {}, printed: false }
    expect(await refused(changeOwnField(await idOf('Timber'), 1, ash))).toBe('in-use')
    expect(await refused(dropOwnField(await idOf('Gate code')))).toBe('in-use')
  })

  test('stand on documents where that is wanted: of the order, of a line, of its item', async () => {
    const printed = { printed: true, choices: [] }
    await addOwnField({
      ...ownField,
      ...printed,
      name: 'Promised',
      kind: 'date',
      labels: { en: 'Promised for' },
    })
    await addOwnField({ ...ownField, ...printed, of: 'line', name: 'Engraving' })
    const timber = { ...printed, choices: ['oak', 'ash'], labels: {} }
    await changeOwnField(await idOf('Timber'), 1, timber)
    expect(await refused(changeOwnField(await idOf('Timber'), 1, { ...timber, printed: false }))).toBe(
      'changed-meanwhile',
    )
    const { id } = await writeOrder(
      {
        brandId: house.brands[0]!.id,
        customerId: house.customers[0]!.id,
        reference: null,
        customerNote: null,
        status: 'Shipped',
        fields: { Promised: '2026-12-01', 'Gate code': '7711' },
        lines: [
          {
            item: 'SEED-1',
            description: 'Meadow mix',
            detail: 'in a tin',
            unit: '',
            quantity: '1',
            unitPrice: '5',
            discountPercent: '0',
            taxCode: 'standard',
            fields: { Engraving: 'For Una' },
          },
        ],
      },
      who,
    )
    const [made] = await prepareByHand('invoice', [id], who)
    const prepared = made!.result.preparedId
    const { content } = (await one<{ content: { paragraphs: string[]; lines: { detail: string }[] } }>(
      'select content from prepared_document where id = $1',
      [prepared],
    ))!
    expect(content.paragraphs).toEqual(['Promised for: 1 December 2026'])
    expect(content.lines[0]!.detail).toBe('in a tin · Engraving: For Una · Timber: oak')
    // the same on a part of it that a person writes, and what is written there is not lost with the field
    await drop([prepared!], 'In parts', who)
    const part = await draftFromOrder(id, { kind: 'part' }, who)
    const printedOn = async () =>
      (await one<{ detail: string }>(
        `select content -> 'lines' -> 0 ->> 'detail' detail from prepared_document where source_id = $1`,
        [part],
      ))!.detail
    expect(await printedOn()).toBe('in a tin · Engraving: For Una · Timber: oak')
    const { facts, version, brandId, customerId } = await draftView(part)
    const [line] = facts.lines
    const written = (fields: Record<string, string>) =>
      changeDraft(
        part,
        {
          version,
          brandId,
          customerId,
          earlierDateOk: false,
          facts: { ...facts, lines: [{ ...line!, fields }] },
        },
        who,
      )
    expect(await refused(written({ Carving: 'x' }))).toBe('unknown-field')
    await written({ Engraving: 'For Oisín' })
    await house.settle()
    expect(await printedOn()).toBe('in a tin · Engraving: For Oisín · Timber: oak')
    expect(
      (await listOrders({ statuses: [], sort: 'date', descending: true, limit: 9, search: '7711' })).rows,
    ).not.toHaveLength(0)
  })
})

describe('the price of a line', () => {
  test('is the customer’s group’s in the order’s currency; its own number finds the item', async () => {
    const { id: customerId } = await addCustomer({
      name: 'Farrow Academy',
      groupName: 'Academies',
      country: 'IE',
      billing: null,
      taxNumber: '',
      salesperson: '',
      contacts: [],
    })
    const [item] = (await listItems({ search: 'seed-1', limit: 1 })).rows
    const change = {
      ...item!,
      gtin: '4006381333931',
      prices: [
        { currency: 'EUR', groupName: 'Academies', price: '15' },
        { currency: 'GBP', groupName: '', price: '16.5' },
      ],
      customerCodes: [{ customerId, code: 'FA-77' }],
    }
    await keepItem(item!.id, change, item!.version)
    const find = async (of: object) => (await findItems({ search: 'seed-1', language: 'en', ...of }))[0]
    expect((await find({ customerId }))?.price).toBe('15.00')
    expect((await find({}))?.price).toBe('19.00')
    expect((await find({ currency: 'GBP' }))?.price).toBe('16.50')
    expect((await find({ currency: 'CHF' }))?.price).toBeNull()
    expect((await find({ customerId, search: 'fa-77' }))?.customerCode).toBe('FA-77')
    expect((await find({ search: '4006381333931' }))?.code).toBe('SEED-1')
    const { version } = (await listItems({ search: 'seed-1', limit: 1 })).rows[0]!
    const twice = { ...change, prices: [change.prices[1]!, change.prices[1]!] }
    expect(await refused(keepItem(item!.id, twice, version))).toBe('same-price')
    expect(await refused(keepItem(item!.id, { ...change, gtin: '4006381333932' }, version))).toBe('bad-gtin')
  })
})
