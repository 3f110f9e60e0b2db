import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* The clerk's way through the thread: by mouse, and again by keyboard alone. */
const desk = useDesk()

let waiting = 0

const rows = () => desk.page.$$eval('[role="option"] .number', elements => elements.map(element => element.textContent!.trim()))
const wait = (selector: string) => desk.page.waitForSelector(selector, { visible: true })
const sayYes = async () => {
  await wait('[data-test="ask-go"]')
  await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="ask-go"]'))
  await desk.page.click('[data-test="ask-go"]')
}
const clickText = async (selector: string, words: string) => {
  await desk.page.waitForFunction((where, what) => [...document.querySelectorAll<HTMLElement>(where)].some(one => one.innerText.trim().startsWith(what)), {}, selector, words)
  await desk.page.evaluate((where, what) => [...document.querySelectorAll<HTMLElement>(where)].find(one => one.innerText.trim().startsWith(what))!.click(), selector, words)
}

describe('by mouse', () => {
  test('1. the Line shows six stages with counts, a list, and the true PDF with its leaves', async () => {
    await desk.signIn('clerk')
    expect(await desk.page.$$eval('[role="tablist"][aria-label="Stages of the Line"] .name', elements => elements.map(element => element.textContent))).toEqual(['To send', 'To check', 'Waiting', 'On the way', 'Arrived', 'Stuck'])
    await desk.untilCount('to check', count => count > 3)
    waiting = await desk.count('to check')
    await wait('[data-test="pdf-pages"] canvas')
    await clickText('[aria-label="Leaves"] button', 'Email')
    await wait('iframe')
    expect(await desk.text('.email')).toContain('Subject')
    await clickText('[aria-label="Leaves"] button', 'Trail')
    expect(await desk.text('.trail')).toContain('waits for a check')
    await clickText('[aria-label="Leaves"] button', 'Paper')
  })

  test('2. Orders: filter, search, sort; one Packed order set to Shipped, then twenty', async () => {
    await clickText('header a', 'Orders')
    await wait('[role="option"]')
    await desk.page.click('button[aria-label^="Status:"]')
    await wait('.picker')
    await clickText('.picker li', 'Packed')
    await desk.page.keyboard.press('Escape')
    await desk.page.waitForFunction(() => [...document.querySelectorAll('[role="option"] .tag')].every(tag => tag.textContent === 'Packed'))
    await clickText('.heads button', 'Total')
    await desk.page.waitForFunction(() => location.search.includes('sort=total'))
    await clickText('.heads button', 'Order')
    await desk.page.waitForFunction(() => location.search.includes('sort=number'))
    const before = await rows()
    await desk.page.click('[role="option"]')
    await desk.page.click('[data-test="set-status"]')
    await desk.page.waitForFunction(first => document.querySelector('[role="option"] .number')?.textContent?.trim() !== first, {}, before[0])
    await desk.page.click('[role="option"] input[type="checkbox"]')
    expect(await desk.text('[data-test="set-status"]')).toBe('Set 1 to Shipped')
    await desk.page.click('[role="option"]')
    await desk.press(...Array.from({ length: 19 }, () => 'Shift+ArrowDown'))
    expect(await desk.text('[data-test="set-status"]')).toBe('Set 20 to Shipped')
    await desk.page.click('[data-test="set-status"]')
    await desk.page.waitForFunction(() => document.body.innerText.includes('20 orders set to Shipped.'))
  })

  test('3. the papers are there without reloading; a changed one is marked, one is put back, the others are sent', async () => {
    await clickText('header a', 'Line')
    await desk.untilCount('to check', count => count === waiting + 21)
    const total = waiting + 21
    const order = (await rows()).at(-1)!

    const other = await desk.newPage()
    await other.setViewport({ width: 1280, height: 800 })
    await other.goto(`${desk.base}/orders?search=${order}`)
    await other.waitForSelector('[role="option"] a')
    await other.click('[role="option"] a')
    const quantity = await other.waitForSelector('[data-test="quantity-1"]')
    await quantity!.click({ count: 3 })
    await quantity!.type('77')
    await other.click('[data-test="keep-order"]')
    await other.waitForFunction(() => document.body.innerText.includes('Changed since you looked'))
    await other.close()

    await desk.page.bringToFront()
    await desk.page.waitForFunction(number => [...document.querySelectorAll<HTMLElement>('[role="option"]')].some(row => row.innerText.includes(number) && row.innerText.includes('changed')), {}, order)
    await desk.page.evaluate(number => [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(row => row.innerText.includes(number))!.click(), order)
    await desk.page.waitForSelector('[data-test="changes"]')
    expect(await desk.text('[data-test="changes"]')).toContain('Line 1')

    const withAddress = await desk.page.$$eval('[role="option"]', elements => elements.findIndex(element => !element.textContent!.includes('No address') && !element.textContent!.includes('changed')))
    await (await desk.page.$$('[role="option"]'))[withAddress]!.click()
    await desk.page.click('[data-test="put-back"]')
    await desk.untilCount('to check', count => count === total - 1)
    expect(await desk.page.$eval('body', body => body.innerText)).toContain('No number was used.')

    await desk.page.focus('[role="listbox"]')
    await desk.press('Control+a')
    const sending = Number(/Send (\d+)/.exec(await desk.text('[data-test="send"]'))![1])
    expect(sending).toBe(total - 2)
    await desk.page.click('[data-test="send"]')
    await sayYes()
    await desk.page.waitForFunction(count => document.querySelector<HTMLElement>('[data-test="run"]')?.innerText.includes(`All ${count} issued`), { timeout: 20_000 }, sending)
    await desk.untilCount('to check', count => count === 1)
  })

  test('4. they go Waiting → On the way → Arrived, and the very email stands in the recipient\'s mailbox', async () => {
    await desk.untilCount('arrived', count => count >= 8)
    await desk.page.click('[data-stage="arrived"]')
    await desk.page.waitForFunction(() => document.querySelectorAll('[role="option"]').length >= 8)
    await desk.page.click('[role="option"]')
    await clickText('[aria-label="Leaves"] button', 'Trail')
    const found = await desk.page.waitForFunction(() => {
      const number = document.querySelector('.row.active .number')?.textContent?.trim()
      const link = document.querySelector<HTMLAnchorElement>('[data-test="mailbox"]')
      const shown = number && document.querySelector<HTMLElement>('.leaves')?.innerText.includes(number) && document.querySelector<HTMLElement>('.trail')?.innerText.includes(`Invoice ${number} was issued`)
      return shown && link && { number, address: link.href }
    })
    const { number, address } = await found.jsonValue() as { number: string, address: string }

    const mailbox = await desk.newPage()
    await mailbox.goto(address)
    expect(await mailbox.$eval('main', element => element.textContent)).toContain(number)
    await mailbox.evaluate(words => [...document.querySelectorAll<HTMLAnchorElement>('td a')].find(one => one.textContent!.includes(words))!.click(), number)
    await mailbox.waitForSelector('[data-file]')
    expect(await mailbox.$eval('h1', element => element.textContent)).toContain(number)
    const file = await mailbox.$eval('[data-file]', element => ({ name: element.textContent, url: (element as HTMLAnchorElement).href }))
    expect(file.name).toMatch(new RegExp(`^(Invoice|Rechnung)-${number}\\.pdf$`))
    const mailed = Buffer.from(await (await fetch(file.url)).arrayBuffer())
    await mailbox.close()

    await clickText('header a', 'Register')
    await wait('input[type="search"]')
    await desk.page.type('input[type="search"]', number)
    await desk.page.waitForFunction(wanted => document.querySelectorAll('[role="option"]').length === 1 && document.body.innerText.includes(wanted), {}, number)
    await desk.page.waitForFunction(wanted => document.querySelector<HTMLElement>('.leaves')?.innerText.includes(wanted), {}, number)
    const save = await desk.page.waitForSelector('[data-test="save-pdf"]')
    const stored = await desk.page.evaluate(async url => [...new Uint8Array(await (await fetch(url)).arrayBuffer())], await save!.evaluate(element => (element as HTMLAnchorElement).href))
    expect(createHash('sha256').update(Buffer.from(stored)).digest('hex')).toBe(createHash('sha256').update(mailed).digest('hex'))
  })

  test('5. by itself: shipped and gone; Packed and Shipped again makes no second invoice, and the trail says why', async () => {
    await desk.signIn('supervisor')
    await clickText('header a', 'Routines')
    await wait('[data-trust="by itself"]')
    await desk.page.click('[data-trust="by itself"]')
    await sayYes()
    await desk.page.waitForFunction(() => document.querySelector('[data-trust="by itself"]')?.getAttribute('aria-checked') === 'true')

    await desk.page.goto(`${desk.base}/orders?status=Packed`)
    await wait('[role="option"] a')
    await desk.page.evaluate(() => [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(row => !/Reedbank|Gorsefield|Cowslip|Oran/.test(row.innerText))!.querySelector('a')!.click())
    await wait('.texts')
    const setTo = async (status: string) => {
      await desk.page.click('button[aria-label^="Status:"]')
      await wait('.picker')
      await clickText('.picker li', status)
      await desk.page.waitForFunction(now => document.querySelector('button[aria-label^="Status:"]')?.textContent === now, {}, status)
    }
    await setTo('Shipped')
    await desk.page.waitForFunction(() => /arrived|on the way/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''), { timeout: 20_000 })
    await setTo('Packed')
    await setTo('Shipped')
    await clickText('[aria-label="Leaves"] button', 'Trail')
    await desk.page.waitForFunction(() => /Nothing was made: invoice .* was already issued for this order/.test(document.querySelector<HTMLElement>('.trail')?.innerText ?? ''))
  })

  test('6. the Register finds by customer, order and amount', async () => {
    await clickText('header a', 'Register')
    await wait('[role="option"]')
    const first = await desk.page.$eval('[role="option"]', element => ({ customer: element.querySelector('.name')!.textContent!.trim(), order: element.querySelector('.order')!.textContent!.trim(), total: element.querySelector('.total')!.textContent!.trim().replace(/ [A-Z]{3}$/, '') }))
    for (const search of [first.order, first.total, first.customer]) {
      await desk.page.click('input[type="search"]', { count: 3 })
      await desk.page.type('input[type="search"]', search)
      await desk.page.waitForFunction(what => new URLSearchParams(location.search).get('search') === what, {}, search)
      await desk.page.waitForFunction(order => [...document.querySelectorAll('[role="option"] .order')].some(one => one.textContent!.includes(order)), {}, first.order)
    }
  })
})

describe('by keyboard alone', () => {
  test('set orders to Shipped, look at the paper\'s leaves, and send', async () => {
    await desk.signIn('supervisor')
    await desk.page.goto(`${desk.base}/routines`)
    await wait('[data-trust="after a check"]')
    await desk.page.focus('[data-trust="after a check"]')
    await desk.press('Enter')
    await desk.page.waitForFunction(() => document.querySelector('[data-trust="after a check"]')?.getAttribute('aria-checked') === 'true')

    await desk.press('Control+k')
    await wait('.finder input')
    await new Promise(resolve => setTimeout(resolve, 250))
    await desk.page.keyboard.type('orders')
    await desk.page.waitForFunction(() => document.querySelector<HTMLElement>('.finder li')?.innerText.includes('Orders'))
    await desk.press('Enter')
    await wait('[role="option"]')
    await desk.page.waitForFunction(() => !document.querySelector('.finder'))
    const tabTo = async (selector: string) => {
      for (let count = 0; count < 60; count++) {
        if (await desk.page.evaluate(where => document.activeElement?.matches(where), selector)) return
        await desk.press('Tab')
      }
      throw new Error(`Tab does not reach ${selector}`)
    }
    await tabTo('button[aria-label^="Status:"]')
    await desk.press('Enter')
    await wait('.picker')
    await new Promise(resolve => setTimeout(resolve, 120))
    await desk.page.keyboard.type('Packed')
    await desk.press('Enter', 'Escape')
    await desk.page.waitForFunction(() => [...document.querySelectorAll('[role="option"] .tag')].every(tag => tag.textContent === 'Packed'))
    await tabTo('[role="listbox"][aria-label="Orders"]')
    await desk.press('ArrowDown', 'Space', 'ArrowDown', 'Space', 'Shift+ArrowDown')
    await desk.press('Control+Enter')
    await desk.page.waitForFunction(() => /\d+ orders? set to Shipped\./.test(document.body.innerText))

    await desk.press('Control+k')
    await wait('.finder input')
    await new Promise(resolve => setTimeout(resolve, 250))
    await desk.page.keyboard.type('line')
    await desk.page.waitForFunction(() => document.querySelector<HTMLElement>('.finder li')?.innerText.includes('Line'))
    await desk.press('Enter')
    await wait('[role="tab"][data-stage]')
    await desk.untilCount('to check', count => count >= 3)
    await desk.page.waitForFunction(() => !document.querySelector('.finder'))
    await tabTo('[role="tab"][data-stage="to check"]')
    await desk.press('ArrowRight', 'ArrowLeft', 'ArrowDown')
    await desk.page.waitForFunction(() => document.activeElement?.getAttribute('role') === 'listbox')
    await desk.press('End', 'ArrowRight')
    await wait('.email')
    await desk.press('ArrowRight')
    await wait('.trail')
    await desk.press('ArrowLeft', 'ArrowLeft')
    await wait('[data-test="pdf-pages"] canvas')
    await desk.press('Space', 'Control+Enter')
    await wait('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="ask-go"]'))
    await desk.press('Enter')
    await desk.page.waitForFunction(() => document.querySelector<HTMLElement>('[data-test="run"]')?.innerText.includes('All 1 issued'), { timeout: 20_000 })
  })

  test('F1 shows the keys, Escape leaves', async () => {
    await desk.press('F1')
    await wait('.keys')
    expect(await desk.text('.keys')).toContain('picks a range')
    await desk.press('Escape')
    await desk.page.waitForFunction(() => !document.querySelector('.keys'))
  })
})

test('a reader sees everything and can change nothing', async () => {
  await desk.signIn('reader')
  await wait('[role="option"]')
  expect(await desk.page.$('[data-test="send"]')).toBeNull()
  await clickText('header a', 'Orders')
  await wait('[role="option"]')
  await desk.page.click('[role="option"]')
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
  const first = await tabs[0]!.$eval('[role="option"] .number', element => element.textContent)
  await tabs[7]!.bringToFront()
  await tabs[7]!.click('[role="option"]')
  await tabs[7]!.click('[data-test="set-status"]')
  await tabs[0]!.bringToFront()
  await tabs[0]!.waitForFunction(number => document.querySelector('[role="option"] .number')?.textContent !== number, {}, first)
  for (const tab of tabs) await tab.close()
})
