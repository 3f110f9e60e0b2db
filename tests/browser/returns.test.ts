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

/* Goods that come back, from the screen: agreed at the order, mailed with a label, taken in, credited. */
const desk = useDesk()
const folder = mkdtempSync(join(tmpdir(), 'clothespin-carrier-'))
const book = new Book(folder)
let server: Server

beforeAll(async () => {
  server = carrier(book, new Behaviour(), 'meadow-key')
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  await desk.signIn('supervisor')
  await ask('/api/carriers', {
    name: 'Glenhaven Parcels',
    kind: 'simulated',
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    inside: true,
    key: 'meadow-key',
  })
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

/** An order of 6, shipped and invoiced. */
async function shipped(customer = '10417'): Promise<number> {
  const { rows } = await ask<{ rows: { id: number }[] }>(`/api/customers?search=${customer}`)
  const { id } = await ask<{ id: number }>('/api/orders', {
    brandId: 1,
    customerId: rows[0]!.id,
    status: 'Packed',
    lines: [
      {
        item: 'HS-10N',
        description: 'Super, cedar, 10 frame',
        quantity: '6',
        unitPrice: '10.00',
        taxCode: 'standard',
      },
    ],
  })
  await ask(`/api/orders/${id}/shipments`, { lines: [{ position: 1, quantity: '6' }] })
  await ask('/api/orders/status', { ids: [id], status: 'Shipped' })
  await ask('/api/prepared/prepare', { kind: 'invoice', sourceIds: [id] })
  const { papers } = await ask<{ papers: { id: number; kind: string; revision: number }[] }>(
    `/api/orders/${id}`,
  )
  const invoice = papers.find(({ kind }) => kind === 'invoice')!
  await ask('/api/prepared/send', {
    key: crypto.randomUUID(),
    papers: [{ id: invoice.id, revision: invoice.revision }],
  })
  await desk.page.waitForFunction(
    async (order) => {
      const answer = await fetch(`/api/orders/${order}`)
      const { papers: now } = (await answer.json()) as { papers: { kind: string; number: string | null }[] }
      return now.some(({ kind, number }) => kind === 'invoice' && number)
    },
    {},
    id,
  )
  return id
}
const enabled = (selector: string) => desk.wait(`${selector}:not([disabled])`)
const press = async (name: string) => {
  await enabled(`[data-test="${name}"]`)
  await desk.page.click(`[data-test="${name}"]`)
}
const goTo = async (path: string) => {
  await desk.page.goto(`${desk.base}${path}`)
}
let id = 0

describe('goods that come back', () => {
  test('are agreed at the order, no more than were shipped, and asked about when left', async () => {
    const order = await shipped()
    await goTo(`/orders/${order}`)
    await desk.wait('[data-test="goods-come-back"]')
    await desk.page.click('[data-test="goods-come-back"]')
    await desk.wait('[data-test="comes-1"]')
    await desk.fill('[data-test="comes-1"]', '7')
    await desk.wait('[data-test="comes-1"].bad')
    expect(await desk.page.$eval('[data-test="agree"]', (one) => (one as HTMLButtonElement).disabled)).toBe(
      true,
    )
    await desk.fill('[data-test="comes-1"]', '3')
    await desk.page.keyboard.press('Enter')
    await desk.page.keyboard.type('broken')
    await desk.clickText('header a', 'Line')
    await desk.says('the new return')
    await desk.page.click('[data-test="stay"]')
    await press('agree')
    await desk.says('Expected by')
    id = Number(/returns\/(\d+)/.exec(desk.page.url())![1])
  })

  test('have a label that costs only once it is used, and its note is mailed to the customer', async () => {
    await desk.wait('[data-test="label-1"]')
    await desk.says('once used')
    await desk.page.waitForFunction(() =>
      /^RN-/.test(document.querySelector<HTMLElement>('[data-kind="return note"] .tag')?.innerText ?? ''),
    )
    const number = await desk.text('[data-kind="return note"] .tag')
    await desk.page.waitForFunction(
      async (words) => {
        const answer = await fetch(`/api/dispatches?text=${words}&limit=5`)
        return JSON.stringify(await answer.json()).includes(words)
      },
      {},
      number,
    )
    expect(book.all().at(-1)).toMatchObject({ isReturn: true, cancelled: false })
  })

  test('are taken in as they came, and drafts a credit note for just that', async () => {
    await press('came-back')
    await desk.wait('[data-test="came-1"]')
    await desk.fill('[data-test="came-1"]', '2')
    await press('take-in')
    await desk.says('is taken in.')
    await desk.says('A credit note is drafted on')
    await desk.says('Credit note, draft')
    await desk.clickText('.credits a', 'Credit note, draft')
    await desk.page.waitForFunction(() => location.pathname.startsWith('/drafts/'))
    await desk.says('Takes back 1 line of INV-')
    // two at 10.00 with tax of 23 %
    await desk.says('24.60')
  })

  test('are found in the list by how they stand, and by what a scanner reads', async () => {
    await goTo('/shipments/returns?what=back')
    await desk.wait(`a[href="/shipments/returns/${id}"]`)
    await desk.clickText('button', 'back')
    await desk.clickText('.picker li', 'back and not credited')
    await desk.says('No return of that kind')
  })
})

test('a return that is withdrawn gives its label back', async () => {
  const order = await shipped()
  await goTo(`/shipments/returns/new?order=${order}`)
  await desk.wait('[data-test="comes-1"]')
  await desk.fill('[data-test="comes-1"]', '1')
  await press('agree')
  await desk.says('once used')
  await press('withdraw')
  await desk.says('Labels that nobody used are given back')
  await desk.page.click('[data-test="ask-go"]')
  await desk.says('is withdrawn.')
  const sold = book.all().at(-1)!
  await desk.page.waitForFunction(() => document.body.innerText.includes('withdrawn'))
  for (let tries = 0; tries < 100 && !book.of(sold.number)!.cancelled; tries++)
    await new Promise((done) => setTimeout(done, 100))
  expect(book.of(sold.number)!.cancelled).toBe(true)
})

test('of a customer without an address somebody says where it comes from', async () => {
  const { id: customer } = await ask<{ id: number }>('/api/customers', {
    number: '19999',
    name: 'Nowhere Yet Apiaries',
    country: 'Ireland',
  })
  const { id: order } = await ask<{ id: number }>('/api/orders', {
    brandId: 1,
    customerId: customer,
    status: 'Packed',
    lines: [{ item: 'HS-10N', description: 'Super', quantity: '2', unitPrice: '10.00', taxCode: 'standard' }],
  })
  await ask('/api/orders/status', { ids: [order], status: 'Shipped' })
  await goTo(`/shipments/returns/new?order=${order}`)
  await desk.wait('[data-test="comes-1"]')
  await desk.fill('[data-test="comes-1"]', '1')
  await press('agree')
  await desk.wait('.notice.stuck[role="alert"]')
  await desk.fill('[data-test="ship-to-lines"] textarea', 'Sallow Lane 4')
  await press('agree')
  await desk.says('Expected by')
  // its note goes to who sends the goods, though nobody said yet where the customer is billed
  await desk.page.waitForFunction(() =>
    /^RN-|To check/.test(
      document.querySelector<HTMLElement>('[data-kind="return note"] .tag')?.innerText ?? '',
    ),
  )
  expect(await desk.page.$eval('main', (main) => main.innerText)).not.toContain('has no billing address')
})
