import { fork, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, ElementHandle, Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, describe, expect, inject, test } from 'vitest'
import { ensureDatabase, freePort } from '../../run/cluster'
import { textOfPdf } from '../pdf'
import { openBrowser } from './desk'

/*
 * The whole story on an empty database, by bin/serve: code, set-up, mail account, one customer, two items, one order,
 * and the confirmation and the invoice in the mailbox. Steps are counted: what a person clicks, types and looks at.
 */
const folder = mkdtempSync(join(tmpdir(), 'clothespin-first-'))
const children: ChildProcess[] = []
let browser: Browser
let page: Page
let base: string
let mailboxes: string
let smtpPort: number
let code: string
const steps = { clicks: 0, fields: 0, screens: 0 }

function start(file: string, env: Record<string, string>): ChildProcess {
  const child = fork(join('.build/js', file), [], {
    execArgv: [],
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  })
  children.push(child)
  return child
}
const ready = (child: ChildProcess) => new Promise((resolve) => child.once('message', resolve))

beforeAll(async () => {
  const [smtp, mailWeb, port] = [await freePort(), await freePort(), await freePort()]
  smtpPort = smtp
  base = `http://127.0.0.1:${port}`
  mailboxes = `http://127.0.0.1:${mailWeb}`
  const standIn = start('mail-standin.mjs', {
    STANDIN_SMTP_PORT: String(smtp),
    STANDIN_WEB_PORT: String(mailWeb),
    STANDIN_REPORT_PORT: String(await freePort()),
    STANDIN_MAIL_FOLDER: join(folder, 'mail'),
  })
  await ready(standIn)
  const database = await ensureDatabase(inject('cluster'), `empty_${randomUUID().slice(0, 8)}`)
  writeFileSync(
    join(folder, 'settings.env'),
    [
      'HOST=127.0.0.1',
      `PORT=${port}`,
      `CLOTHESPIN_DATABASE_URL=${database}`,
      'CLOTHESPIN_SECRET=a secret of at least thirty-two characters',
      'CLOTHESPIN_RETURN_DOMAIN=',
      'CLOTHESPIN_REAL_MAIL=yes',
      'CLOTHESPIN_SMTP_URL=',
    ].join('\n'),
  )
  const serve = start('serve.mjs', { CLOTHESPIN_HOME: folder, CLOTHESPIN_LOG: 'error' })
  let said = ''
  serve.stdout!.on('data', (bytes: Buffer) => (said += bytes.toString()))
  await ready(serve)
  code = /code=([0-9A-Z-]{19})/.exec(said)![1]!
  ;({ browser, page } = await openBrowser(folder))
})

afterEach(async ({ task }) => {
  if (task.result?.errors?.length)
    await page.screenshot({ path: `.build/failed-${task.name.replace(/\W+/g, '-').slice(0, 40)}.png` })
})

afterAll(async () => {
  await browser?.close()
  for (const child of children.reverse()) {
    child.kill('SIGTERM')
    await new Promise((resolve) => child.once('exit', resolve))
  }
  rmSync(folder, { recursive: true, force: true })
})

const see = (words: string) =>
  page.waitForFunction((what) => document.body.innerText.includes(what), {}, words)
async function open(path: string) {
  steps.screens++
  await page.goto(base + path)
}
async function click(selector: string, words = '') {
  steps.clicks++
  await page.waitForFunction(
    (where, what) => {
      const found = [...document.querySelectorAll<HTMLButtonElement>(where)].find(
        (one) => one.innerText.trim().startsWith(what) && !one.disabled && one.offsetParent,
      )
      found?.click()
      return !!found
    },
    {},
    selector,
    words,
  )
}
/** Out of a list that is just opening. */
async function pickFromList(words: string) {
  steps.clicks++
  await page.waitForFunction(
    (what) => {
      const found = [...document.querySelectorAll<HTMLElement>('.v-list-item')].find((one) =>
        one.innerText.trim().startsWith(what),
      )
      found?.click()
      return !!found
    },
    {},
    words,
  )
}
/** @param isOurs what is of the company itself, and has to be typed whatever the program */
async function type(selector: string, value: string, isOurs = false) {
  if (!isOurs) steps.fields++
  const field = await page.waitForSelector(`${selector} input, ${selector} textarea, input${selector}`, {
    visible: true,
  })
  await field!.click({ count: 3 })
  await page.keyboard.type(value)
}
const shown = (test: string) => page.waitForSelector(`[data-test="${test}"]`, { visible: true })
const nav = (words: string) => {
  steps.screens++
  return click('header nav a', words)
}

/** Goes to the Line, where one document is to check, and sends it. */
async function sendFromLine(number: string) {
  await nav('Line')
  await click('[data-test="send"]')
  await click('[data-test="ask-go"]')
  await see('All 1 issued')
  await see(number)
}

describe('an empty house', () => {
  test('opens to nobody without the code; the right one makes the first supervisor', async () => {
    await open(`/?code=${code.replace(/^..../, 'ZZZZ')}`)
    await type('[data-test="name"]', 'Ada Larkin', true)
    await type('[data-test="email"]', 'ada@meadowgate.example', true)
    await type('[data-test="password"]', 'too short', true)
    await click('[data-test="begin-go"]')
    await see('needs at least 12 characters')
    await type('[data-test="password"]', 'three quiet hives', true)
    await click('[data-test="begin-go"]')
    await see('does not fit')
    Object.assign(steps, { clicks: 0, fields: 0, screens: 1 })
    await type('[data-test="code"]', code.toLowerCase().replaceAll('-', ' '))
    await click('[data-test="begin-go"]')
    await shown('company')
  })

  test('is taken up again where it was left: currency, zone and VAT follow from the country', async () => {
    await page.reload()
    await type('[data-test="company"]', 'Meadowgate Seeds Ltd', true)
    await type('[data-test="country"]', 'irela', true)
    await page.keyboard.press('Tab')
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test="rates"] input')?.value === '23, 13.5, 9',
    )
    await click('[data-test="begin-go"]')
    await shown('brand')
  })

  test('gets its first brand, with colours out of the logo; an IBAN with a slip is said at its field', async () => {
    await type('[data-test="address"]', '4 Orchard Row\nWynford', true)
    await type('[data-test="tax-number"]', 'IE1234567T', true)
    await type('[data-test="iban"]', 'IE35DEMO00000012345679', true)
    const input = await page.$('input[data-test="logo"]')
    steps.clicks++
    await (input as ElementHandle<HTMLInputElement>).uploadFile('demo/data/skep.png')
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[type="color"]')?.value !== '#1f4e5a',
    )
    await click('[data-test="begin-go"]')
    await see('IBAN')
    await type('[data-test="iban"]', 'IE35DEMO00000012345678', true)
    await click('[data-test="begin-go"]')
    await shown('start-invoice')
  })

  test('goes on with the old program’s number, and hands email to an account that was tried', async () => {
    await type('[data-test="start-invoice"]', '2041')
    await see('INV-' + new Date().getFullYear() + '-02041')
    await click('[data-test="begin-go"]')
    await type('[data-test="mail-host"]', '127.0.0.1')
    steps.clicks++
    await page.click('[data-test="mail-security"]')
    await pickFromList('none')
    await type('[data-test="mail-port"]', String(smtpPort))
    await click('[data-test="mail-try"]')
    await see('All good')
    await click('[data-test="begin-go"]')
    await see('Ready to send')
  })

  test('lets its routines prepare what is due, once they are switched on', async () => {
    await nav('Routines')
    for (const name of ['Confirm orders', 'Invoice what was shipped']) {
      if (!(await page.$(`.routine.here[data-routine="${name}"]`))) await click('.routine', name)
      await page.waitForSelector(`.routine.here[data-routine="${name}"]`)
      await click('button', 'switch on')
      await page.waitForFunction(
        (what) =>
          document
            .querySelector<HTMLElement>(`.routine[data-routine="${what}"]`)
            ?.innerText.includes('After a check'),
        {},
        name,
      )
    }
  })

  test('takes a customer, two items and an order', async () => {
    await nav('Customers')
    await click('[data-test="add-customer"]')
    await type('[data-test="customer-name"]', 'Holt Nurseries')
    await type('[data-test="customer-email"]', 'buyer@holt.example')
    await type('[data-test="customer-address"]', '12 Mill Lane\nDunmere')
    await click('[data-test="ask-go"]')
    await see('Holt Nurseries is customer 10001.')
    await nav('Items')
    for (const [item, name, price] of [
      ['SEED-1', 'Meadow mix, 1 kg', '18.50'],
      ['POT-9', 'Pots of 9 cm, 100 pcs', '12.00'],
    ] as const) {
      await click('[data-test="add-item"]')
      await type('[data-test="item-code"]', item)
      await type('[data-test="item-name-en"]', name)
      await type('[data-test="item-price"]', price)
      await click('[data-test="ask-go"]')
      await see(`${item} is added.`)
    }
    await nav('Orders')
    await click('[data-test="new-order"]')
    await type('[data-test="customer"]', 'holt')
    await page.waitForSelector('.v-autocomplete__content .v-list-item')
    await page.keyboard.press('Tab')
    steps.fields += 4
    await page.click('[data-test="item-1"]')
    await page.keyboard.type('SEED-1')
    await page.keyboard.press('Enter')
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test="price-1"]')?.value === '18.50',
    )
    await page.keyboard.type('10')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => document.activeElement?.matches('[data-test="item-2"]'))
    await page.keyboard.type('pots')
    await page.keyboard.press('Enter')
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test="price-2"]')?.value === '12.00',
    )
    await page.keyboard.type('4')
    await see('286.59')
    steps.clicks++
    await page.click('[data-test="order-status"]')
    await pickFromList('Confirmed')
    await click('[data-test="keep-order"]')
    await see('Order 1001 is saved as Confirmed.')
  })

  test('sends the confirmation, and when it is shipped the invoice, from the Line', async () => {
    await sendFromLine('OC-')
    await nav('Orders')
    await click('.number.link', '1001')
    steps.screens++
    await page.waitForSelector('[data-test="quantity-2"]')
    await click('button[aria-label^="Status"]')
    await click('.picker li', 'Shipped')
    await see('1 order set to Shipped.')
    await sendFromLine('INV-')
    const year = new Date().getFullYear()
    const arrived: string[] = []
    for (let attempt = 0; attempt < 60 && arrived.length < 2; attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      const inbox = await (await fetch(`${mailboxes}/mailbox/buyer@holt.example`)).text()
      arrived.splice(0, arrived.length, ...new Set(inbox.match(/(?:OC|INV)-\d{4}-\d{5}/g)))
    }
    expect(arrived.sort()).toEqual([`INV-${year}-02041`, `OC-${year}-00001`])
  })

  test('what arrived is the invoice: number, customer, sum and where to pay', async () => {
    const inbox = await (await fetch(`${mailboxes}/mailbox/buyer@holt.example`)).text()
    const mail = /href="([^"]+)"[^>]*>[^<]*INV-/.exec(inbox)![1]!
    const shownMail = await (await fetch(new URL(mail, mailboxes))).text()
    const file = /href="([^"]*pdf[^"]*)"/i.exec(shownMail)![1]!
    const text = textOfPdf(Buffer.from(await (await fetch(new URL(file, mailboxes))).arrayBuffer()))
    for (const words of ['02041', 'Holt Nurseries', '286.59', 'Meadow mix', 'IE35 DEMO', 'IE1234567T'])
      expect(text).toContain(words)
  })

  test('in at most sixty steps beside what is the company’s own', () => {
    console.log(`first visit to mailbox: ${JSON.stringify(steps)}`)
    // a screen is opened by a click that is counted already
    expect(steps.clicks + steps.fields).toBeLessThanOrEqual(60)
  })

  test('has places that all open without a fault, with next to nothing in them', async () => {
    const faults: string[] = []
    const note = (words: string) => faults.push(`${new URL(page.url()).pathname}: ${words}`)
    page.on('console', (message) => message.type() === 'error' && note(message.text()))
    page.on('pageerror', (error) => note((error as Error).message))
    for (const path of places()) {
      await page.goto(base + path)
      await page.waitForSelector('main .bar, main .empty, main h1', { visible: true })
      // what it asks for is answered, and what is wrong with that is said
      await new Promise((resolve) => setTimeout(resolve, 250))
      const words = await page.$eval('main', (main) => main.innerText)
      expect(words.trim(), path).not.toBe('')
      expect(words, path).not.toMatch(/undefined|NaN|\[object|Invalid Date/)
    }
    expect(faults).toEqual([])
  })

  test('takes goods back that went without a shipment, and has no carrier to ask', async () => {
    await nav('Orders')
    await click('.number.link', '1001')
    await click('[data-test="goods-come-back"]')
    await type('[data-test="comes-1"]', '11')
    await page.waitForSelector('[data-test="agree"][disabled]')
    await type('[data-test="comes-1"]', '2')
    expect(await page.$('[data-test="return-service"]')).toBeNull()
    await click('[data-test="agree"]')
    await see('Expected by')
    const from = await page.$eval(
      '[data-test="ship-to-lines"] textarea',
      (field) => (field as HTMLTextAreaElement).value,
    )
    expect(from).toBe('12 Mill Lane\nDunmere')
    await click('[data-test="came-back"]')
    await click('[data-test="take-in"]')
    await see('A credit note is drafted on')
  })
})

/** The pages that are opened by themselves. */
const places = () =>
  readdirSync('app/pages', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.vue') && !file.includes('['))
    .map((file) => `/${file.replace(/\.vue$/, '').replace(/(^|\/)index$/, '')}`)
    .sort()
