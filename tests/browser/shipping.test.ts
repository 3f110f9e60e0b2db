import { beforeAll, describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* An order goes out in parts, from the screen: what is left, its parcels and its documents. */
const desk = useDesk()
let order = 0
const says = (words: string) => desk.says(words)
const enabled = (selector: string) => desk.wait(`${selector}:not([disabled])`)

/** Asks the server as the page does. */
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

/** An order of six brood boxes and four supers, ready to go. */
async function newOrder(): Promise<{ id: number; number: string }> {
  const { rows } = await ask<{ rows: { id: number }[] }>('/api/customers?search=10417')
  const line = (item: string, description: string, quantity: string) => ({
    item,
    description,
    quantity,
    unitPrice: '10.00',
    taxCode: 'standard',
  })
  const { id } = await ask<{ id: number }>('/api/orders', {
    brandId: 1,
    customerId: rows[0]!.id,
    status: 'Packed',
    lines: [line('HB-11D', 'Brood box, pine, 11 frame', '6'), line('HS-10N', 'Super, cedar, 10 frame', '4')],
  })
  const { number } = await ask<{ number: string }>(`/api/orders/${id}`)
  return { id, number }
}

beforeAll(async () => {
  await desk.signIn('supervisor')
  order = (await newOrder()).id
})

describe('an order that goes in parts', () => {
  test('is packed by keyboard: what goes, in parcels that follow', async () => {
    await desk.page.goto(`${desk.base}/orders/${order}`)
    await says('Nothing is shipped yet.')
    await enabled('[data-test="ship"]')
    await desk.page.click('[data-test="ship"]')
    await desk.wait('[data-test="goes-1"]')
    // all that is left is there already; the first line is cut down, Enter goes to the next
    await desk.page.focus('[data-test="goes-1"]')
    await desk.page.keyboard.type('9')
    await desk.wait('[data-test="goes-1"].bad')
    await desk.wait('[data-test="pack"][disabled]')
    await desk.page.focus('[data-test="goes-2"]')
    await desk.page.focus('[data-test="goes-1"]')
    await desk.page.keyboard.type('5')
    await desk.press('Enter')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="goes-2"]'))
    await desk.page.keyboard.type('0')
    await desk.page.waitForFunction(() => document.querySelectorAll('[data-test^="parcel-"]').length === 2)
    await desk.press('Control+Enter')
    await desk.page.waitForFunction(() => /\/shipments\/\d+$/.test(location.pathname))
    await desk.wait('[data-test="take-back"]')
    await desk.wait('[data-test="weight-2"]')
    expect(await desk.text('h1')).toMatch(/\/1$/)
  })

  test('has its packing slip prepared, looked at and put in the print queue', async () => {
    await desk.page.click('[data-kind="packing slip"]')
    await enabled('[data-test="prepare-paper"]')
    await desk.page.click('[data-test="prepare-paper"]')
    await desk.wait('[data-test="pdf-pages"] canvas')
    await enabled('[data-test="send-paper"]')
    await desk.page.click('[data-test="send-paper"]')
    await desk.sayYes()
    await desk.page.waitForFunction(() =>
      /^PS-/.test(document.querySelector<HTMLElement>('[data-kind="packing slip"] .tag')?.innerText ?? ''),
    )
    const number = await desk.text('[data-kind="packing slip"] .tag')
    await desk.clickText('header a', 'Print queue')
    await says(number)
  })

  test('is begun to be billed for just what went', async () => {
    await desk.page.goto(`${desk.base}/orders/${order}`)
    await says('2 lines still to ship.')
    await enabled('[data-test="bill-shipped"]')
    await desk.page.click('[data-test="bill-shipped"]')
    await desk.wait('[data-test="keep-draft"]')
    expect(
      await desk.page.$eval('[data-test="quantity-1"]', (field) => (field as HTMLInputElement).value),
    ).toBe('5')
    expect(await desk.page.$('[data-test="quantity-2"]')).toBeNull()
  })

  test('has a shipment taken back once it was said that its document stays', async () => {
    await desk.page.goto(`${desk.base}/orders/${order}`)
    await desk.wait('[data-test="shipment-1"]')
    await desk.page.click('[data-test="shipment-1"]')
    await enabled('[data-test="take-back"]')
    await desk.page.click('[data-test="take-back"]')
    await desk.sayYes()
    await says('They stay as they are when it is undone.')
    await desk.sayYes()
    // the question itself says that it is undone
    await desk.page.waitForFunction(() => !document.querySelector('.v-dialog .ask'))
    await says('is undone.')
    await desk.page.goto(`${desk.base}/orders/${order}`)
    await says('Nothing is shipped yet.')
  })

  test('loses what is left when the rest is cancelled', async () => {
    await desk.page.click('[data-test="ship"]')
    await desk.wait('[data-test="goes-2"]')
    await desk.fill('[data-test="goes-2"]', '1')
    await enabled('[data-test="pack"]')
    await desk.page.click('[data-test="pack"]')
    await desk.page.waitForFunction(() => /\/shipments\/\d+$/.test(location.pathname))
    await desk.page.goto(`${desk.base}/orders/${order}`)
    await enabled('[data-test="cancel-rest"]')
    await desk.page.click('[data-test="cancel-rest"]')
    await desk.sayYes()
    await says('What was left is cancelled. The order’s sum is now €')
    await says('Everything is shipped.')
  })
})

test('the list finds a shipment by its customer', async () => {
  await desk.page.goto(`${desk.base}/shipments`)
  await desk.wait('[role="option"]')
  await desk.fill('input[aria-label="Shipment, order, customer, service"]', 'no such thing')
  await says('No shipment of that kind')
  await desk.fill('input[aria-label="Shipment, order, customer, service"]', 'ottermill')
  await desk.page.waitForFunction(() => document.querySelectorAll('[role="option"]').length > 0)
})

describe('the packing bench', () => {
  const type = async (...codes: string[]) => {
    for (const code of codes) {
      await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="scan"]'))
      await desk.page.keyboard.type(code)
      await desk.page.keyboard.press('Enter')
    }
  }
  let bench = { id: 0, number: '' }

  test('packs an order by a scanner and the keyboard alone, and makes its packing slip', async () => {
    bench = await newOrder()
    await desk.goTo('Packing bench', '/shipments/bench')
    await type('SO-nothing-like-it')
    await says('There is no order SO-nothing-like-it.')
    await type(bench.number.toLowerCase())
    await desk.wait('[data-test="line-2"]')
    await type('QM-RED')
    await says('QM-RED is not in this order. Put it back.')
    await type('hb-11d', '7')
    await says('only 6 are left.')
    await type('6', '17.5 kg', '+', 'HS-10N', '')
    await says('1 line not packed whole')
    await type('HS-10N', '4')
    await says('all 4 packed')
    await type('', '')
    await desk.wait('[data-test="bench-done"]')
    await desk.wait('[data-test="bench-print"]')
    expect(await desk.text('[data-test="bench-done"]')).toMatch(
      /is packed in 2 parcels\.[^]*Packing slip PS-/,
    )
    const view = await ask<{
      shipments: { parcels: number; weight: string }[]
      standing: { left: string }[]
    }>(`/api/orders/${bench.id}`)
    expect(view.shipments).toMatchObject([{ parcels: 2 }])
    expect(view.standing.map(({ left }) => left)).toEqual(['0', '0'])
  })

  test('says at once that everything of an order was shipped', async () => {
    await type(bench.number)
    await says('Everything of this order was shipped or cancelled.')
  })
})

test('a picking list is one walk for the orders that are chosen, and says which have nothing to fetch', async () => {
  const [one, other] = [await newOrder(), await newOrder()]
  await ask(`/api/orders/${other.id}/shipments`, {
    lines: [
      { position: 1, quantity: '6' },
      { position: 2, quantity: '4' },
    ],
  })
  await desk.page.goto(`${desk.base}/shipments/picking?orders=${one.id},${other.id}`)
  await says(`${other.number} has nothing left to ship, so nothing is fetched for it.`)
  const places = await desk.page.$$eval('tbody tr td:first-child', (cells) =>
    cells.map((cell) => cell.textContent!.trim()),
  )
  expect(places).toHaveLength(2)
  expect(places).toEqual([...places].sort((a, b) => a.localeCompare(b, 'en', { numeric: true })))
  await desk.page.goto(`${desk.base}/orders?search=${one.number}`)
  await desk.wait('[role="option"]')
  await desk.page.click('[role="option"]')
  await desk.wait('[data-test="picking"]')
  await desk.page.click('[data-test="picking"]')
  await says(`${one.number}: 6`)
})

describe('what goes with the goods', () => {
  test('shows of the buyer and of prices what the house wants', async () => {
    await desk.page.goto(`${desk.base}/company?part=Shipping`)
    await desk.clickText('button', 'without prices')
    await desk.clickText('.picker li', 'with prices')
    await says('What packing slips show is set.')
    const slip = await ask<{ slipShows: { prices: boolean } }>('/api/house/settings')
    expect(slip.slipShows.prices).toBe(true)
  })

  test('stands where the printer puts it: the offset is set, and one that is too far is refused', async () => {
    await desk.clickText('button', 'where they belong')
    await desk.wait('[data-test="offset-x"]')
    const enter = async (text: string) => {
      await desk.page.click('[data-test="offset-x"]', { count: 3 })
      await desk.page.keyboard.type(text)
      await desk.page.keyboard.press('Tab')
    }
    await enter('40')
    await desk.page.waitForFunction(() => /less than or equal|at most|10/.test(document.body.innerText))
    await enter('1.5')
    await says('The printer’s offset is set.')
    await says('1.5 mm to the right and 0 mm down')
  })

  test('is printed on a sheet with a label to peel off, never over the address', async () => {
    await desk.page.goto(`${desk.base}/company?part=Design`)
    await desk.clickText('button', 'all its documents')
    await desk.clickText('.picker li', 'packing slips only')
    await desk.wait('[data-test="peel-off"]')
    await desk.page.click('[data-test="peel-off"] input')
    await desk.fill('[data-test="zone-y"]', '60')
    await enabled('[data-test="keep-look"]')
    await desk.page.click('[data-test="keep-look"]')
    await says('The label lies where something else has to')
    await desk.fill('[data-test="zone-y"]', '200')
    await desk.page.click('[data-test="keep-look"]')
    await says('The design is saved.')
  })
})
