import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument } from 'pdf-lib'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import type { CarrierMapping } from '../../../core/shipping/mapping'
import { Behaviour } from '../../../standins/carrier/behaviour'
import { Book } from '../../../standins/carrier/book'
import { carrier } from '../../../standins/carrier/server'
import { call, isInside } from './call'
import type { Booking } from './carrier'
import { mappedCarrier } from './http'
import { labelFile } from './label-file'
import { simulatedCarrier } from './simulated'

/* Both adapters against the stand-in carrier, and what a call outside may reach. */
const folder = mkdtempSync(join(tmpdir(), 'clothespin-adapters-'))
const book = new Book(folder)
const behaviour = new Behaviour()
let server: Server
let address = ''

const listening = (one: Server) => new Promise<void>((done) => one.listen(0, '127.0.0.1', () => done()))
const addressOf = (one: Server) => `http://127.0.0.1:${(one.address() as AddressInfo).port}`

beforeAll(async () => {
  server = carrier(book, behaviour, 'the key')
  await listening(server)
  address = addressOf(server)
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(() => behaviour.play('none'))

const booking = (key: string, change: Partial<Booking> = {}): Booking => ({
  key,
  service: 'GP24',
  to: ['Ní Bhriain “& Co”', 'Weir Road 2', 'Marlbridge'],
  from: [],
  country: 'IE',
  weight: '4.25',
  size: { length: 400, width: 300, height: 300 },
  parcel: 1,
  of: 2,
  order: 'SO-1',
  isReturn: false,
  tell: '',
  ...change,
})

/** The stand-in as somebody maps it in Settings who never saw our code. */
const mapping: CarrierMapping = {
  headers: { authorization: 'Bearer {secret}' },
  book: {
    method: 'POST',
    path: '/labels',
    body: {
      reference: '{key}',
      product: '{service}',
      consignee: ['{name}', '{line1}', '{line2}'],
      country: '{country}',
      kilos: '{weight}',
    },
  },
  answer: {
    tracking: '/number',
    trackingUrl: '/page',
    barcode: '/bars',
    price: '/price',
    currency: '/currency',
    label: '/label',
  },
  find: { method: 'GET', path: '/labels?reference={key}', body: null },
  cancel: { method: 'DELETE', path: '/labels/{tracking}', body: null },
  track: { method: 'GET', path: '/way?numbers={tracking}', body: null, at: '/0/way' },
  failures: { at: '/error', mean: { ADDRESS: 'address', WEIGHT: 'weight' } },
  ways: {},
}

describe.each([
  [
    'like the stand-in',
    () => simulatedCarrier(address, 'the key', true),
    () => simulatedCarrier(address, 'no', true),
  ],
  [
    'mapped in Settings',
    () => mappedCarrier({ address, key: 'the key', inside: true }, mapping, () => Promise.resolve([])),
    () => mappedCarrier({ address, key: 'no', inside: true }, mapping, () => Promise.resolve([])),
  ],
] as const)('a carrier that is asked %s', (name, asked, strange) => {
  test('sells a label, finds it by our key, says how far it is, and takes it back', async () => {
    const sold = await asked().book(booking(`${name} 1`))
    expect(sold).toMatchObject({ price: '7.85', currency: 'EUR', label: null, barcode: sold.tracking })
    expect(book.of(sold.tracking)).toMatchObject({
      consignee: ['Ní Bhriain “& Co”', 'Weir Road 2', 'Marlbridge'],
      kilos: 4.25,
    })
    expect(await asked().find(`${name} 1`)).toEqual(sold)
    expect(await asked().find('a key of nobody')).toBeNull()
    book.goOn(sold.tracking, 'held')
    expect(await asked().track([sold.tracking])).toEqual([{ tracking: sold.tracking, way: 'held' }])
    expect(await asked().cancel(sold.tracking)).toBe(false)
    const other = await asked().book(booking(`${name} 2`))
    expect(await asked().cancel(other.tracking)).toBe(true)
    expect(book.of(other.tracking)!.cancelled).toBe(true)
  })

  test('gives its own label as a PDF', async () => {
    const { label } = await asked().book(booking(`${name} 3`, { service: 'GPX', country: 'DE' }))
    expect(Buffer.from(label!).subarray(0, 5).toString()).toBe('%PDF-')
  })

  test('refuses for certain: address, weight, key', async () => {
    behaviour.play('takes no address', { times: 1 })
    await expect(asked().book(booking(`${name} 4`))).rejects.toMatchObject({
      failure: 'address',
      certain: true,
    })
    const heavy = asked().book(booking(`${name} 5`, { weight: '31' }))
    await expect(heavy).rejects.toMatchObject({ failure: 'weight', certain: true })
    await expect(strange().book(booking(`${name} 6`))).rejects.toMatchObject({
      failure: 'sign-in',
      certain: true,
    })
  })

  test('that breaks the line may have sold it', async () => {
    behaviour.play('sells and breaks the line', { times: 1 })
    await expect(asked().book(booking(`${name} 7`))).rejects.toMatchObject({
      failure: 'no answer',
      certain: false,
    })
    expect(book.calledBy(`${name} 7`)).toHaveLength(1)
  })
})

describe('a label that a carrier gives', () => {
  /** A white dot. */
  const png =
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg=='

  test('as a picture is kept as a PDF of one page', async () => {
    const pdf = await PDFDocument.load(await labelFile(png))
    expect(pdf.getPageCount()).toBe(1)
  })

  test.each([
    ['as something else', 'PGh0bWw+'],
    ['as a picture that is damaged', png.slice(0, 40)],
  ])('%s is not understood, and may be bought', async (_, base64) => {
    await expect(labelFile(base64)).rejects.toMatchObject({ failure: 'not understood', certain: false })
  })
})

describe('a call outside', () => {
  test('that finds nobody has certainly done nothing', async () => {
    const gone = createServer()
    await listening(gone)
    const nowhere = addressOf(gone)
    await new Promise((done) => gone.close(done))
    await expect(simulatedCarrier(nowhere, 'k', true).book(booking('nowhere'))).rejects.toMatchObject({
      failure: 'no answer',
      certain: true,
    })
  })

  test.each([
    '127.0.0.1',
    '10.1.2.3',
    '172.31.0.1',
    '192.168.7.7',
    '169.254.169.254',
    '100.64.0.1',
    '0.0.0.0',
    '::1',
    'fd00::1',
    'fe80::1',
    '::ffff:10.0.0.1',
  ])('to %s lies inside', (ip) => expect(isInside(ip)).toBe(true))
  test.each(['93.184.216.34', '172.32.0.1', '2606:2800:220:1::1', '::ffff:93.184.216.34'])(
    'to %s does not',
    (ip) => expect(isInside(ip)).toBe(false),
  )

  test.each(['127.0.0.1', 'localhost', '[::1]'])('to %s is not made unless that is allowed', async (host) => {
    const before = book.all().length
    const { port } = server.address() as AddressInfo
    await expect(
      call({ method: 'POST', url: `http://${host}:${port}/labels`, headers: {}, body: {}, inside: false }),
    ).rejects.toMatchObject({ failure: 'inside', certain: true })
    expect(book.all()).toHaveLength(before)
  })

  test('follows nothing: another address is an answer that nobody understands', async () => {
    const elsewhere = createServer((_, response) => {
      response.writeHead(302, { location: `${address}/products` })
      response.end()
    })
    await listening(elsewhere)
    await expect(simulatedCarrier(addressOf(elsewhere), 'the key', true).services()).rejects.toMatchObject({
      failure: 'not understood',
    })
    elsewhere.close()
  })
})
