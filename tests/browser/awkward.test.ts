import { afterEach, beforeAll, describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/*
 * What real houses have: names from right to left, with emoji and markup, without end; nobody to write to;
 * two hundred lines; three rates. Nothing breaks a screen, and what cannot go says why.
 */
const desk = useDesk()
const names = {
  rightToLeft: 'مناحل الوادي الأخضر',
  markup: 'Bees 🐝 & Sons <img src=x onerror="window.broken=1"> {{ 7 * 7 }}',
  long: (
    'Donaudampfschifffahrtsgesellschaftsbienenzuchtverein Oberniederwiesenbach an der Großen Laber, ' +
    'Abteilung Wanderimkerei e. V.'
  ).slice(0, 120),
}
let errors: string[] = []

/** Records as another program gives them, by the API. */
const give = (subject: string, records: object[]) =>
  desk.page.evaluate(
    async (of, list) => {
      const response = await fetch('/api/imports/records', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ subject: of, records: list, tellRoutines: of === 'orders' }),
      })
      return ((await response.json()) as { records: { outcome: string; note: string }[] }).records
        .filter((one) => one.outcome !== 'written')
        .map((one) => one.note)
    },
    subject,
    records,
  )

const line = (order: string, customer: string, more: object = {}) => ({
  number: order,
  date: '2026-11-20',
  customer,
  status: 'Shipped',
  quantity: '1',
  price: '41.50',
  taxCode: 'standard',
  description: 'Brood box',
  ...more,
})

beforeAll(async () => {
  await desk.signIn('supervisor')
  desk.page.on('pageerror', (error) => errors.push((error as Error).message))
  const place = { country: 'Ireland', street: 'The Old Mill', town: 'Marlbridge' }
  expect(
    await give('customers', [
      { number: '90001', name: names.rightToLeft, ...place, email: 'office@valley.example' },
      { number: '90002', name: names.markup, country: 'Ireland' },
      { number: '90003', name: names.long, ...place, email: `${'a'.repeat(60)}@${'b'.repeat(60)}.example` },
      { number: '90004', name: 'Two Hundred Ltd', ...place, email: 'office@twohundred.example' },
    ]),
  ).toEqual([])
  expect(
    await give('orders', [
      line('AWK-1', '90001', { description: 'صندوق التفريخ' }),
      line('AWK-2', '90002', { description: '<b>Honey</b> 🍯 {{ 1 }}' }),
      line('AWK-3', '90003', { reference: 'R'.repeat(80), description: 'Unbreakable'.repeat(20) }),
      line('AWK-3', '90003', { taxCode: 'zero', description: 'Book' }),
      line('AWK-3', '90003', {
        taxCode: 'reduced',
        description: 'Live bees',
        price: '0.005',
        quantity: '0.333',
      }),
    ]),
  ).toEqual([])
  expect(
    await give(
      'orders',
      Array.from({ length: 200 }, (_, n) =>
        line('AWK-4', '90004', { description: `Part ${n + 1}`, quantity: String(1 + (n % 9)) }),
      ),
    ),
  ).toEqual([])
}, 120_000)
afterEach(() => {
  expect(errors).toEqual([])
  errors = []
})

/** Elements of the page that stick out of their part of the screen. */
const stickingOut = () =>
  desk.page.evaluate(() => [
    ...(document.documentElement.scrollWidth > window.innerWidth ? ['the page'] : []),
    ...[...document.querySelectorAll<HTMLElement>('.left, .right, .row, .foot-bar, .bar')]
      .filter((element) => element.scrollWidth > element.clientWidth + 4)
      .map((element) => `${element.className}: ${element.innerText.slice(0, 60)}`),
    ...[...document.querySelectorAll<HTMLElement>('[role="option"]')]
      .filter((element) => element.offsetHeight !== 38)
      .map((element) => `a row ${element.offsetHeight} high`),
  ])

describe('every list', () => {
  test.each([
    ['orders', '/orders?search=AWK', 'AWK-4'],
    ['customers by name', '/customers?search=9000', '90004'],
    ['the Line', '/?search=AWK', 'Two Hundred'],
  ])('%s shows them in rows of one height, with nothing sticking out', async (_, path, words) => {
    await desk.page.goto(desk.base + path)
    await desk.says(words)
    await new Promise((resolve) => setTimeout(resolve, 300))
    expect(await stickingOut()).toEqual([])
    expect(await desk.page.evaluate(() => 'broken' in window)).toBe(false)
  })

  test('what people wrote stands there as they wrote it', async () => {
    await desk.page.goto(`${desk.base}/customers?search=90002`)
    await desk.says('<img src=x onerror="window.broken=1"> {{ 7 * 7 }}')
    await desk.page.goto(`${desk.base}/customers?search=${encodeURIComponent(names.rightToLeft.slice(0, 6))}`)
    await desk.says(names.rightToLeft)
  })
})

describe('their invoices', () => {
  const open = async (order: string) => {
    await desk.page.goto(`${desk.base}/?search=${order}&kind=invoice`)
    await desk.page.waitForFunction(
      (number) => document.querySelector<HTMLElement>('[role="option"]')?.innerText.includes(number),
      {},
      order,
    )
  }

  test('two hundred lines run over several pages, each with its number of all', async () => {
    await open('AWK-4')
    await desk.wait('[data-test="pdf-pages"] canvas')
    await desk.page.waitForFunction(
      () => /· [5-9] pages/.test(document.querySelector<HTMLElement>('aside.right')?.innerText ?? ''),
      { timeout: 20_000 },
    )
  })

  test('letters that no font of ours has are said, and the invoice waits', async () => {
    await open('AWK-1')
    await desk.says('U+')
    expect(await desk.page.$('[data-test="send-one"]:not([disabled])')).toBeNull()
  })

  test(
    'without an address it waits in To check; the address is given on the spot, and its paper with ' +
      'an emoji is drawn',
    async () => {
      await open('AWK-2')
      await desk.says('has no billing address')
      await desk.page.click('[data-test="give-address"]')
      await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
      await desk.page.type('.v-dialog textarea', 'Hive Lane 1\nMarlbridge')
      await desk.page.click('[data-test="ask-go"]')
      await desk.says('is saved, for every document from now on')
      await desk.page.waitForFunction(
        () => document.querySelectorAll('[data-test="pdf-pages"] canvas').length > 0,
        { timeout: 20_000 },
      )
    },
  )

  test('three rates, a third of a piece and an amount under a cent add up to the cent', async () => {
    await open('AWK-3')
    await desk.page.waitForFunction(
      () => document.querySelectorAll('[data-test="pdf-pages"] canvas').length > 0,
      { timeout: 20_000 },
    )
    const total = await desk.page.$eval(
      '[role="option"] .total, [role="option"] .amount',
      (element) => (element as HTMLElement).innerText,
    )
    expect(total).toContain('92.55')
  })
})

test('a credit larger than the invoice is refused in words, and nothing is written', async () => {
  await desk.page.goto(`${desk.base}/register?kind=invoice&state=open`)
  await desk.wait('[data-test="credit"]')
  await desk.page.click('[data-test="credit"]')
  await desk.wait('.v-dialog button[aria-label^="What"]')
  await desk.page.click('.v-dialog button[aria-label^="What"]')
  await desk.page.waitForFunction(() => document.activeElement?.matches('.picker input'))
  await desk.page.keyboard.type('an amount')
  await desk.press('Enter')
  const fields = '.v-dialog input:not([type="checkbox"])'
  await desk.page.waitForFunction((selector) => document.querySelectorAll(selector).length === 2, {}, fields)
  const [amount, reason] = await desk.page.$$(fields)
  await amount!.type('9999999.99')
  await reason!.type('Too much')
  await desk.page.click('[data-test="ask-go"]')
  await desk.page.waitForFunction(
    () => (document.querySelector<HTMLElement>('.v-dialog [role="alert"]')?.innerText.length ?? 0) > 10,
  )
  expect(await desk.text('.v-dialog [role="alert"]')).toMatch(/at most|left|more than/)
})
