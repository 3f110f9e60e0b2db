import { mkdtempSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { Behaviour } from '../../standins/carrier/behaviour'
import { Book } from '../../standins/carrier/book'
import { carrier } from '../../standins/carrier/server'
import { useDesk } from './desk'

/* Labels from the screen: a carrier in Settings, bought at the shipment and the bench, refused and mended, mailed. */
const desk = useDesk()
const folder = mkdtempSync(join(tmpdir(), 'clothespin-carrier-'))
const book = new Book(folder)
const behaviour = new Behaviour()
let server: Server

beforeAll(async () => {
  server = carrier(book, behaviour, 'meadow-key')
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  await desk.signIn('supervisor')
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
  rmSync(folder, { recursive: true, force: true })
})

const ask = <T>(path: string, body?: unknown) =>
  desk.page.evaluate(
    async (where, what) => {
      const answer = await fetch(where, {
        method: what === undefined ? 'GET' : 'POST',
        headers: { 'content-type': 'application/json' },
        ...(what === undefined ? {} : { body: JSON.stringify(what) }),
      })
      return (await answer.json()) as unknown
    },
    path,
    body,
  ) as Promise<T>

async function newOrder(quantity = '2', status = 'Packed'): Promise<{ id: number; number: string }> {
  const { rows } = await ask<{ rows: { id: number }[] }>('/api/customers?search=10417')
  const { id } = await ask<{ id: number }>('/api/orders', {
    brandId: 1,
    customerId: rows[0]!.id,
    status,
    lines: [
      {
        item: 'HS-10N',
        description: 'Super, cedar, 10 frame',
        quantity,
        unitPrice: '10.00',
        taxCode: 'standard',
      },
    ],
  })
  const { number } = await ask<{ number: string }>(`/api/orders/${id}`)
  return { id, number }
}
const enabled = (selector: string) => desk.wait(`${selector}:not([disabled])`)
const goTo = async (path: string) => {
  await desk.page.goto(`${desk.base}${path}`)
}
async function pack(order: number): Promise<number> {
  const { parcels } = await ask<{ parcels: object[] }>(`/api/orders/${order}/shipment-plan`)
  const { shipmentId } = await ask<{ shipmentId: number }>(`/api/orders/${order}/shipments`, {
    lines: [{ position: 1, quantity: '2' }],
    parcels: parcels.map((parcel) => ({ ...parcel, weight: '6.5' })),
  })
  return shipmentId
}
const tagOf = (parcel: number, words: string) =>
  desk.page.waitForFunction(
    (where, what) => document.querySelector<HTMLElement>(where)?.innerText === what,
    {},
    `[data-test="label-${parcel}"] .tag`,
    words,
  )

describe('a carrier', () => {
  test('is added in Settings once it answers, and says what it carries', async () => {
    await goTo('/company?part=Shipping')
    await enabled('[data-test="add-carrier"]')
    await desk.page.click('[data-test="add-carrier"]')
    await desk.fill('[data-test="carrier-name"] input', 'Glenhaven Parcels')
    await chooseKind()
    const { port } = server.address() as AddressInfo
    await desk.fill('[data-test="carrier-address"] input', `http://127.0.0.1:${port}`)
    await desk.fill('[data-test="carrier-key"] input', 'a wrong key')
    await desk.page.click('[data-test="ask-go"]')
    // an address inside the network is called only where that is allowed
    await desk.says('lies inside our own network')
    await desk.page.click('[data-test="carrier-inside"] input')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('The carrier does not let us sign in.')
    await desk.fill('[data-test="carrier-key"] input', 'meadow-key')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('5 services: Next day, Economy, Abroad')
  })

  const chooseKind = async () => {
    await desk.page.click('[data-test="carrier-kind"]')
    await desk.clickText('.v-list-item', 'like the simulated carrier')
  }
})

describe('labels of a shipment', () => {
  test('show their price before, are bought once, and print', async () => {
    const shipment = await pack((await newOrder()).id)
    await goTo(`/shipments/${shipment}`)
    await desk.says('Next day, €\u00a07.85')
    await desk.says('the cheapest that takes it')
    await enabled('[data-test="make-labels"]')
    await desk.page.click('[data-test="make-labels"]')
    await tagOf(1, 'Announced')
    expect(await desk.text('[data-test="label-1"]')).toContain(book.all().at(-1)!.number)
    await desk.page.waitForFunction(() =>
      /^SL-/.test(document.querySelector<HTMLElement>('[data-kind="shipping label"] .tag')?.innerText ?? ''),
    )
    const number = await desk.text('[data-kind="shipping label"] .tag')
    await desk.clickText('header a', 'Print queue')
    await desk.says(number)
    expect(book.all()).toHaveLength(1)
  })

  test('that are refused say why with the remedy, are on the list, and are made once that is mended', async () => {
    const shipment = await pack((await newOrder()).id)
    behaviour.play('takes no address', { times: 1 })
    await goTo(`/shipments/${shipment}`)
    await enabled('[data-test="make-labels"]')
    await desk.page.click('[data-test="make-labels"]')
    await tagOf(1, 'Not bought')
    await desk.says('The carrier does not take this address. Correct where it goes.')
    await goTo('/shipments/labels')
    await desk.says('1 with a problem')
    await desk.says('No street of that name')
    await desk.page.waitForSelector('[role="option"]')
    await desk.page.click('[role="option"] .box')
    await enabled('[data-test="make-again"]')
    await desk.page.click('[data-test="make-again"]')
    await desk.says('Every label is bought')
    await goTo(`/shipments/${shipment}`)
    await tagOf(1, 'Announced')
  })

  test('are given back after a question', async () => {
    const shipment = await pack((await newOrder()).id)
    await goTo(`/shipments/${shipment}`)
    await enabled('[data-test="make-labels"]')
    await desk.page.click('[data-test="make-labels"]')
    await tagOf(1, 'Announced')
    await desk.clickText('[data-test="label-1"] button', 'Give back')
    await desk.sayYes()
    await enabled('[data-test="make-labels"]')
    expect(book.all().at(-1)).toMatchObject({ cancelled: true })
  })
})

test('the bench buys them by keyboard alone', async () => {
  const { number } = await newOrder()
  await goTo('/shipments/bench')
  await desk.clickText('.push .word', 'the packing slip')
  await desk.clickText('.picker li, .picker [role="option"]', 'packing slip and labels')
  const type = async (...codes: string[]) => {
    for (const code of codes) {
      await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="scan"]'))
      await desk.page.keyboard.type(code)
      await desk.page.keyboard.press('Enter')
    }
  }
  await desk.page.focus('[data-test="scan"]')
  const before = book.all().length
  // a scanner does not wait for the server
  await type(number, 'HS-10N', '2', '5.2 kg', '', '')
  await desk.wait('[data-test="bench-done"]')
  await desk.page.waitForFunction(() => /Shipping label SL-/.test(document.body.innerText))
  expect(book.all()).toHaveLength(before + 1)
  expect(book.all().at(-1)).toMatchObject({ kilos: 5.2 })
})

test('a routine is written that packs and mails labels to whoever it names', async () => {
  await goTo('/routines?new=yes')
  await desk.fill('.v-overlay--active input', 'Labels for the packer')
  await desk.press('Enter')
  await desk.says('When an order becomes Shipped')
  await desk.clickText('.written .word', 'an invoice')
  await desk.clickText('.picker li, .picker [role="option"]', 'a shipping label')
  await desk.says('pack what is left and make shipping labels by the service of the rules, or the cheapest')
  await desk.clickText('.written .word', 'the goods-in contact')
  await desk.clickText('.picker li, .picker [role="option"]', 'nobody of the customer’s, only')
  await desk.clickText('button', 'Save as version 2')
  // who it is written to has to be said
  await desk.says('Enter at least one address that it is written to.')
})
