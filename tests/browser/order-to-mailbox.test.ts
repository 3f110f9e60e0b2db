import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* The clerk's way through the thread by mouse; keyboard.test.ts goes it by keyboard alone. */
const desk = useDesk()

let waiting = 0
/** The amounts of some texts together, whatever their currencies. */
const sumOf = (texts: string[]) =>
  texts
    .flatMap((text) => text.match(/[\d,]+\.\d\d/g) ?? [])
    .reduce((sum, text) => sum + Number(text.replaceAll(',', '')), 0)

const rows = () =>
  desk.page.$$eval('[role="option"] .number', (elements) =>
    elements.map((element) => element.textContent!.trim()),
  )
const wait: typeof desk.wait = (selector) => desk.wait(selector)
const sayYes = () => desk.sayYes()
const clickText: typeof desk.clickText = (selector, words) => desk.clickText(selector, words)

describe('by mouse', () => {
  test('1. the Line shows six stages with counts, a list, and the true PDF with its leaves', async () => {
    await desk.signIn('clerk')
    expect(
      await desk.page.$$eval('[role="tablist"][aria-label="Stages of the Line"] .name', (elements) =>
        elements.map((element) => element.textContent),
      ),
    ).toEqual(['To send', 'To check', 'Waiting', 'On the way', 'Arrived', 'Stuck'])
    await desk.untilCount('to check', (count) => count > 3)
    waiting = await desk.count('to check')
    await wait('[data-test="pdf-pages"] canvas')
    await clickText('[aria-label="Leaves"] button', 'Email')
    await wait('iframe')
    expect(await desk.text('.email')).toContain('Subject')
    await clickText('[aria-label="Leaves"] button', 'History')
    expect(await desk.text('.trail')).toContain('was prepared')
    await clickText('[aria-label="Leaves"] button', 'Document')
  })

  test('2. Orders: filter, search, sort; one Packed order set to Shipped, then twenty', async () => {
    await clickText('header a', 'Orders')
    await wait('[aria-label="Orders"] [role="option"]')
    await desk.page.click('button[aria-label^="Status:"]')
    await wait('.picker')
    await clickText('.picker li', 'Packed')
    await desk.page.keyboard.press('Escape')
    await desk.page.waitForFunction(() =>
      [...document.querySelectorAll('[role="option"] .tag')].every((tag) => tag.textContent === 'Packed'),
    )
    await clickText('.heads button', 'Total')
    await desk.page.waitForFunction(() => location.search.includes('sort=total'))
    await clickText('.heads button', 'Order')
    await desk.page.waitForFunction(() => location.search.includes('sort=number'))
    await desk.page.waitForFunction(() => {
      const numbers = [...document.querySelectorAll('[role="option"] .number')].map(
        (cell) => cell.textContent!,
      )
      // upwards, as the heading says: the list that was there before is ordered the other way
      return numbers.length > 5 && numbers.join() === [...numbers].sort().join()
    })
    const before = await rows()
    await desk.page.click('[role="option"]')
    await desk.page.click('[data-test="set-status"]')
    await desk.page.waitForFunction(
      (first) =>
        ![...document.querySelectorAll('[role="option"] .number')].some(
          (cell) => cell.textContent!.trim() === first,
        ),
      {},
      before[0],
    )
    await desk.page.click('[role="option"] [data-test="pick"]')
    expect(await desk.text('[data-test="set-status"]')).toBe('Set 1 to Shipped')
    await desk.page.click('[role="option"]')
    await desk.press(...Array.from({ length: 19 }, () => 'Shift+ArrowDown'))
    expect(await desk.text('[data-test="set-status"]')).toBe('Set 20 to Shipped')
    await desk.page.click('[data-test="set-status"]')
    await desk.page.waitForFunction(() => document.body.innerText.includes('20 orders set to Shipped.'))
  })

  test(
    '3. the papers are there without reloading; a changed one is marked, one is put back, the others ' +
      'are sent',
    async () => {
      await clickText('header a', 'Line')
      await desk.untilCount('to check', (count) => count === waiting + 21)
      const total = waiting + 21
      // one well within what is drawn: rows that come in above it do not push it out
      const order = (await rows()).filter((number) => number.startsWith('SO-'))[5]!

      const other = await desk.newPage()
      await other.setViewport({ width: 1280, height: 800 })
      await other.goto(`${desk.base}/orders?search=${order}`)
      await other.waitForSelector('[role="option"] .link')
      await other.click('[role="option"] .link')
      const quantity = await other.waitForSelector('[data-test="quantity-1"]')
      await quantity!.click({ count: 3 })
      await quantity!.type('77')
      await other.click('[data-test="keep-order"]')
      await other.waitForFunction(() => document.body.innerText.includes('Changed since you looked'))
      await other.close()

      await desk.page.bringToFront()
      await desk.page.waitForFunction(
        (number) =>
          [...document.querySelectorAll<HTMLElement>('[role="option"]')].some(
            (row) => row.innerText.includes(number) && row.innerText.includes('changed'),
          ),
        {},
        order,
      )
      await desk.page.evaluate(
        (number) =>
          [...document.querySelectorAll<HTMLElement>('[role="option"]')]
            .find((row) => row.innerText.includes(number))!
            .click(),
        order,
      )
      await desk.page.waitForSelector('[data-test="changes"]')
      expect(await desk.text('[data-test="changes"]')).toContain('Line 1')

      const withAddress = await desk.page.$$eval('[role="option"]', (elements) =>
        elements.findIndex(
          (element) =>
            !element.textContent!.includes('No address') && !element.textContent!.includes('changed'),
        ),
      )
      const putBack = (await rows())[withAddress]!
      await (await desk.page.$$('[role="option"]'))[withAddress]!.click()
      await desk.page.click('[data-test="put-back"]')
      await desk.untilCount('to check', (count) => count === total - 1)
      expect(await desk.page.$eval('body', (body) => body.innerText)).toContain('No number was used.')

      await desk.page.waitForFunction(
        (number) =>
          ![...document.querySelectorAll('[role="option"] .number')].some(
            (cell) => cell.textContent!.trim() === number,
          ),
        {},
        putBack,
      )

      // what stands at the foot is of what is picked; the list may move while rows go and come
      for (const nth of [0, 1]) await (await desk.page.$$('[role="option"] [data-test="pick"]'))[nth]!.click()
      await desk.page.waitForFunction(() =>
        document.querySelector<HTMLElement>('.foot-bar')?.innerText.includes('2 picked'),
      )
      const picked = await desk.page.evaluate(() => ({
        sum: document.querySelector<HTMLElement>('.foot-bar .mono')!.innerText,
        amounts: [...document.querySelectorAll<HTMLElement>('[role="option"].picked .amount')].map(
          (cell) => cell.innerText,
        ),
      }))
      expect(picked.amounts).toHaveLength(2)
      expect(sumOf([picked.sum])).toBeCloseTo(sumOf(picked.amounts), 2)
      await desk.page.focus('[role="listbox"]')
      await desk.press('Control+a')
      const sending = Number(/Send (\d+)/.exec(await desk.text('[data-test="send"]'))![1])
      expect(sending).toBeGreaterThan(20)
      await desk.page.click('[data-test="send"]')
      await sayYes()
      await desk.page.waitForFunction(
        (count) =>
          document.querySelector<HTMLElement>('[data-test="run"]')?.innerText.includes(`All ${count} issued`),
        { timeout: 20_000 },
        sending,
      )
      await desk.untilCount('to check', (count) => count === total - 1 - sending)
    },
  )

  test('4. they go Waiting → On the way → Arrived; the very email stands in the mailbox', async () => {
    await desk.page.goto(desk.base)
    await desk.untilCount('arrived', (count) => count >= 8)
    await desk.page.goto(`${desk.base}/?stage=arrived&kind=invoice`)
    await desk.page.waitForFunction(() => document.querySelectorAll('[role="option"]').length >= 5)
    await desk.page.click('[role="option"]')
    await clickText('[aria-label="Leaves"] button', 'History')
    const found = await desk.page.waitForFunction(() => {
      const number = document.querySelector('.row.active .number')?.textContent?.trim()
      const link = document.querySelector<HTMLAnchorElement>('[data-test="mailbox"]')
      const shown =
        number &&
        document.querySelector<HTMLElement>('.leaves')?.innerText.includes(number) &&
        document.querySelector<HTMLElement>('.trail')?.innerText.includes(`Invoice ${number} was issued`)
      return shown && link && { number, address: link.href }
    })
    const { number, address } = (await found.jsonValue()) as { number: string; address: string }

    const mailbox = await desk.newPage()
    await mailbox.goto(address)
    expect(await mailbox.$eval('main', (element) => element.textContent)).toContain(number)
    await mailbox.evaluate(
      (words) =>
        [...document.querySelectorAll<HTMLAnchorElement>('td a')]
          .find((one) => one.textContent!.includes(words))!
          .click(),
      number,
    )
    await mailbox.waitForSelector('[data-file]')
    expect(await mailbox.$eval('h1', (element) => element.textContent)).toContain(number)
    const file = await mailbox.$eval('[data-file]', (element) => ({
      name: element.textContent,
      url: (element as HTMLAnchorElement).href,
    }))
    expect(file.name).toMatch(new RegExp(`^(Invoice|Rechnung|Facture)-${number}\\.pdf$`))
    const mailed = Buffer.from(await (await fetch(file.url)).arrayBuffer())
    await mailbox.close()

    await clickText('header a', 'Register')
    await wait('[aria-label="Documents"] [role="option"]')
    await desk.page.type('[aria-label="Register"] input[type="search"]', number)
    await desk.page.waitForFunction(
      (wanted) =>
        document.querySelectorAll('[role="option"]').length === 1 && document.body.innerText.includes(wanted),
      {},
      number,
    )
    await desk.page.waitForFunction(
      (wanted) => document.querySelector<HTMLElement>('.leaves')?.innerText.includes(wanted),
      {},
      number,
    )
    const save = await desk.page.waitForSelector('[data-test="save-pdf"]')
    const stored = await desk.page.evaluate(
      async (url) => [...new Uint8Array(await (await fetch(url)).arrayBuffer())],
      await save!.evaluate((element) => (element as HTMLAnchorElement).href),
    )
    expect(createHash('sha256').update(Buffer.from(stored)).digest('hex')).toBe(
      createHash('sha256').update(mailed).digest('hex'),
    )
  })

  test(
    '5. by itself: shipped and gone; Packed and Shipped again makes no second invoice, and the trail ' +
      'says why',
    async () => {
      await desk.signIn('supervisor')
      await clickText('header a', 'Routines')
      await clickText('.routine', 'Invoice when shipped')
      await desk.page.waitForFunction(
        () =>
          document.querySelector('[data-trust="after a check"]')?.getAttribute('aria-checked') === 'true' &&
          document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value ===
            'Invoice when shipped',
      )
      await desk.page.click('[data-trust="automatic"]')
      await sayYes()
      await desk.page.waitForFunction(
        () => document.querySelector('[data-trust="automatic"]')?.getAttribute('aria-checked') === 'true',
      )

      await desk.page.goto(`${desk.base}/orders?status=Packed`)
      await wait('[role="option"] .link')
      await desk.page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('[role="option"]')]
          .find(
            (row) =>
              !/Reedbank|Gorsefield|Cowslip|Oran|Lycée|Abbeyvale|Vigil|Turlough|Greyfriars|Tilleuls/.test(
                row.innerText,
              ),
          )!
          .querySelector<HTMLElement>('.link')!
          .click(),
      )
      await wait('.texts')
      const setTo = async (status: string) => {
        await desk.page.click('button[aria-label^="Status:"]')
        await wait('.picker')
        await clickText('.picker li', status)
        await desk.page.waitForFunction(
          (now) => document.querySelector('button[aria-label^="Status:"]')?.textContent === now,
          {},
          status,
        )
      }
      await setTo('Shipped')
      await desk.page.waitForFunction(
        () =>
          /(INV-|LS)\S+/.test(
            document.querySelector<HTMLElement>('[data-kind="invoice"]')?.innerText ?? '',
          ) && /arrived|on the way/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''),
        { timeout: 20_000 },
      )
      await setTo('Packed')
      await setTo('Shipped')
      await clickText('[aria-label="Leaves"] button', 'History')
      await desk.page.waitForFunction(() =>
        /Nothing was made: invoice .* was already issued for this order/.test(
          document.querySelector<HTMLElement>('.trail')?.innerText ?? '',
        ),
      )
    },
  )

  test('6. the Register finds by customer, order and amount', async () => {
    await clickText('header a', 'Register')
    await wait('[aria-label="Documents"] [role="option"]')
    const first = await desk.page.$eval('[role="option"]', (element) => ({
      customer: element.querySelector('.name')!.textContent!.trim(),
      order: element.querySelector('.order')!.textContent!.trim(),
      total: element
        .querySelector('.total')!
        .textContent!.trim()
        .replace(/ [A-Z]{3}$/, ''),
    }))
    for (const search of [first.order, first.total, first.customer]) {
      await desk.page.click('[aria-label="Register"] input[type="search"]', { count: 3 })
      await desk.page.type('[aria-label="Register"] input[type="search"]', search)
      await desk.page.waitForFunction(
        (what) => new URLSearchParams(location.search).get('search') === what,
        {},
        search,
      )
      await desk.page.waitForFunction(
        (order) =>
          [...document.querySelectorAll('[role="option"] .order')].some((one) =>
            one.textContent!.includes(order),
          ),
        {},
        first.order,
      )
    }
  })
})

test('a reader sees everything and can change nothing', async () => {
  await desk.signIn('reader')
  await wait('[role="option"]')
  expect(await desk.page.$('[data-test="send"]')).toBeNull()
  await clickText('header a', 'Orders')
  await wait('[aria-label="Orders"] [role="option"]')
  await desk.page.click('[aria-label="Orders"] [role="option"]')
  expect(await desk.page.$('[data-test="set-status"]')).toBeNull()
})

test('eight tabs side by side all load and all hear of changes', async () => {
  await desk.signIn('clerk')
  const tabs = []
  for (let count = 0; count < 8; count++) {
    const tab = await desk.newPage()
    tab.setDefaultTimeout(12_000)
    await tab.goto(`${desk.base}/orders?status=Confirmed`)
    await tab.waitForSelector('[role="option"]')
    tabs.push(tab)
  }
  const first = await tabs[0]!.$eval('[role="option"] .number', (element) => element.textContent)
  await tabs[7]!.bringToFront()
  await tabs[7]!.click('[role="option"]')
  await tabs[7]!.click('[data-test="set-status"]')
  await tabs[0]!.bringToFront()
  await tabs[0]!.waitForFunction(
    (number) => document.querySelector('[role="option"] .number')?.textContent !== number,
    {},
    first,
  )
  for (const tab of tabs) await tab.close()
})
