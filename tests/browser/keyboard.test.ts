import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/*
 * The clerk's way through the thread by keyboard alone: nothing here clicks, and nothing is focused but by
 * the keys.
 */
const desk = useDesk()
const saved = mkdtempSync(join(tmpdir(), 'clothespin-saved-'))

const activeRow = async () =>
  (await desk.page.waitForSelector('[role="option"].active'))!.evaluate(
    (element) => (element as HTMLElement).innerText,
  )
const ready = (holds: () => boolean) => desk.page.waitForFunction(holds)
const list = '[role="listbox"][tabindex="0"]'
let sent = { number: '', sha256: '' }

describe('by keyboard alone', () => {
  test('1. the Line: stages by arrows, down into the list, leaves by left and right', async () => {
    await desk.signIn('supervisor')
    await desk.untilCount('to check', (count) => count > 3)
    await desk.tabTo('[role="tab"][data-stage="to check"]')
    await desk.press('ArrowRight', 'ArrowLeft', 'ArrowDown')
    await ready(() => document.activeElement?.getAttribute('role') === 'listbox')
    do await desk.press('ArrowDown')
    while (!(await activeRow()).includes('@'))
    await desk.press('ArrowRight')
    await desk.wait('.email')
    await desk.press('ArrowRight')
    await desk.wait('.trail')
    await desk.press('ArrowLeft', 'ArrowLeft')
    await desk.wait('[data-test="pdf-pages"] canvas')
  })

  test('2. Orders: filter, search, sort; a Packed order set to Shipped, then twenty', async () => {
    await desk.goTo('Orders', '/orders')
    await desk.wait('[aria-label="Orders"] [role="option"]')
    await desk.openWord('button[aria-label^="Status:"]')
    await desk.page.keyboard.type('Packed')
    await desk.press('Enter', 'Escape')
    await ready(() =>
      [...document.querySelectorAll('[role="option"] .tag')].every((tag) => tag.textContent === 'Packed'),
    )
    await desk.tabTo('[aria-label="Orders"] input[type="search"]')
    await desk.page.keyboard.type('o')
    await ready(() => location.search.includes('search=o'))
    await desk.press('Control+a', 'Delete')
    await ready(() => !location.search.includes('search'))
    await desk.tabTo('.heads button')
    await desk.press('Enter')
    await ready(() => location.search.includes('sort=number'))
    await desk.tabTo(list)
    await desk.press('ArrowDown')
    await ready(
      () => document.querySelector<HTMLElement>('[data-test="set-status"]')?.innerText === 'Set 1 to Shipped',
    )
    const first = /SO-\d+/.exec(await activeRow())![0]
    await desk.press('Control+Enter')
    await ready(() => document.body.innerText.includes('1 order set to Shipped.'))
    await desk.page.waitForFunction(
      (number) =>
        ![...document.querySelectorAll<HTMLElement>('[role="option"]')].some((row) =>
          row.innerText.includes(number),
        ),
      {},
      first,
    )
    await desk.press('Home', 'Space', ...Array.from({ length: 19 }, () => 'Shift+ArrowDown'))
    await ready(
      () =>
        document.querySelector<HTMLElement>('[data-test="set-status"]')?.innerText === 'Set 20 to Shipped',
    )
    await desk.press('Control+Enter')
    await ready(() => document.body.innerText.includes('20 orders set to Shipped.'))
  })

  test('3. a line of an order changed marks its paper; one put back; the others sent', async () => {
    await desk.goTo('Line', '/')
    await desk.untilCount('to check', (count) => count > 20)
    await desk.tabTo(list)
    await desk.press('Home')
    const first = await activeRow()
    await desk.press('End')
    await desk.page.waitForFunction(
      (before) =>
        (document.querySelector<HTMLElement>('[role="option"].active')?.innerText ?? before) !== before,
      {},
      first,
    )
    const order = /SO-\d+/.exec(await activeRow())![0]
    await desk.press('Enter')
    await desk.tabTo('[data-test="quantity-1"]')
    await desk.press('Control+a')
    await desk.page.keyboard.type('77')
    // the answer to the save is slow, and the paper is built anew before it: whoever leaves now is not asked
    await desk.page.evaluate(() => {
      const { fetch } = window
      window.fetch = async (...ask) => {
        const answer = await fetch(...ask)
        if (ask[1]?.method === 'PUT') await new Promise((resolve) => setTimeout(resolve, 2500))
        return answer
      }
    })
    await desk.press('Control+Enter')
    await ready(() => document.body.innerText.includes('Changed since you looked'))
    await desk.goTo('Line', '/')
    await desk.tabTo(list)
    await desk.press('End')
    await desk.page.waitForFunction(
      (number) =>
        [...document.querySelectorAll<HTMLElement>('[role="option"]')].some(
          (row) => row.innerText.includes(number) && row.innerText.includes('changed'),
        ),
      {},
      order,
    )
    await desk.press('Home')
    const before = await desk.count('to check')
    await desk.tabTo('[data-test="put-back"]')
    await desk.press('Enter')
    await desk.untilCount('to check', (count) => count === before - 1)
    await desk.tabTo('[role="tab"][data-stage="to check"]')
    await desk.press('ArrowDown', 'Control+a', 'Control+Enter')
    await desk.sayYes()
    await desk.page.waitForFunction(
      () => /All \d+ issued/.test(document.querySelector<HTMLElement>('[data-test="run"]')?.innerText ?? ''),
      { timeout: 20_000 },
    )
  })

  test("4. from the history of an arrived one to the very email in the recipient's mailbox", async () => {
    await desk.untilCount('arrived', (count) => count >= 8)
    await desk.tabTo('[role="tab"][data-stage="to check"]')
    await desk.press('ArrowRight', 'ArrowRight', 'ArrowRight')
    // the list of that stage, no longer the one before
    await ready(() => {
      const rows = [...document.querySelectorAll<HTMLElement>('[role="option"]')]
      return rows.length >= 8 && rows.every((row) => /delivery report|presumed/.test(row.innerText))
    })
    await desk.press('ArrowDown', 'Home', 'ArrowRight', 'ArrowRight')
    await desk.wait('[data-test="mailbox"]')
    const number = /(INV-|OC-|LSC?)[\d-]+/.exec(await activeRow())![0]
    await desk.page.waitForFunction(
      (wanted) => document.querySelector<HTMLElement>('.leaves')?.innerText.includes(wanted),
      {},
      number,
    )
    await desk.tabTo('[data-test="mailbox"]')
    const opened = desk.page.browser().waitForTarget((target) => target.url().startsWith(desk.mailboxes))
    await desk.press('Enter')
    const mailbox = (await (await opened).page())!
    await mailbox.waitForSelector('td a')
    for (
      let tabs = 0;
      !(await mailbox.evaluate(
        (wanted) =>
          document.activeElement?.matches('td a') && document.activeElement.textContent!.includes(wanted),
        number,
      ));
      tabs++
    ) {
      expect(tabs).toBeLessThan(60)
      await mailbox.keyboard.press('Tab')
    }
    await mailbox.keyboard.press('Enter')
    const file = await (await mailbox.waitForSelector('[data-file]'))!.evaluate((element) => ({
      name: element.textContent!,
      url: (element as HTMLAnchorElement).href,
    }))
    expect(file.name).toContain(number)
    sent = {
      number,
      sha256: createHash('sha256')
        .update(Buffer.from(await (await fetch(file.url)).arrayBuffer()))
        .digest('hex'),
    }
    await mailbox.close()
  })

  test('5. trust set to By itself; the next order goes with no further touch', async () => {
    await desk.goTo('Routines', '/routines')
    await desk.tabTo('[data-routine="Invoice when shipped"]')
    await desk.press('Enter')
    await ready(
      () =>
        document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value ===
        'Invoice when shipped',
    )
    if (await desk.page.$('[data-trust="after a check"][aria-checked="true"]')) {
      await desk.tabTo('[data-trust="after a check"]')
      await desk.press('ArrowRight')
      await ready(() => document.activeElement?.matches('[data-trust="automatic"]') ?? false)
      await desk.press('Enter')
      await desk.sayYes()
    }
    await ready(
      () => document.querySelector('[data-trust="automatic"]')?.getAttribute('aria-checked') === 'true',
    )
    await desk.goTo('Orders', '/orders')
    await desk.openWord('button[aria-label^="Status:"]')
    await desk.page.keyboard.type('Packed')
    await desk.press('Enter', 'Escape')
    await ready(() =>
      [...document.querySelectorAll('[role="option"] .tag')].every((tag) => tag.textContent === 'Packed'),
    )
    await desk.tabTo(list)
    do await desk.press('ArrowDown')
    while (
      /Reedbank|Gorsefield|Cowslip|Oran|Lycée|Abbeyvale|Vigil|Turlough|Greyfriars|Tilleuls/.test(
        await activeRow(),
      )
    )
    await desk.press('Enter')
    await desk.openWord('button[aria-label^="Status:"]')
    await desk.page.keyboard.type('Shipped')
    await desk.press('Enter')
    await desk.page.waitForFunction(
      () =>
        /(INV-|LS)\S+/.test(document.querySelector<HTMLElement>('[data-kind="invoice"]')?.innerText ?? '') &&
        /arrived|on the way/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''),
      { timeout: 20_000 },
    )
    for (const status of ['Packed', 'Shipped']) {
      await desk.openWord('button[aria-label^="Status:"]')
      await desk.page.keyboard.type(status)
      await desk.press('Enter')
      await desk.page.waitForFunction(
        (now) => document.querySelector('button[aria-label^="Status:"]')?.textContent === now,
        {},
        status,
      )
    }
    await desk.tabTo('[aria-label="Leaves"] [role="tab"][aria-selected="true"]')
    await desk.press('ArrowRight', 'ArrowRight')
    await ready(() =>
      /Nothing was made: invoice .* was already issued for this order/.test(
        document.querySelector<HTMLElement>('.trail')?.innerText ?? '',
      ),
    )
  })

  test('6. the Register finds the document by its number, and saves the very bytes that were sent', async () => {
    const session = await desk.page.createCDPSession()
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: saved })
    await desk.goTo('Register', '/register')
    await desk.tabTo('[aria-label="Register"] input[type="search"]')
    await desk.page.keyboard.type(sent.number)
    await desk.page.waitForFunction(
      (wanted) =>
        document.querySelectorAll('[role="option"]').length === 1 &&
        document.querySelector<HTMLElement>('.leaves')?.innerText.includes(wanted),
      {},
      sent.number,
    )
    await desk.tabTo('[data-test="save-pdf"]')
    await desk.press('Enter')
    let files: string[] = []
    for (let tries = 0; tries < 100 && !files.some((name) => name.endsWith('.pdf')); tries++) {
      await new Promise((resolve) => setTimeout(resolve, 50))
      files = readdirSync(saved)
    }
    expect(files.join()).toContain(sent.number)
    expect(
      createHash('sha256')
        .update(readFileSync(join(saved, files[0]!)))
        .digest('hex'),
    ).toBe(sent.sha256)
  })

  test('F1 shows how the tasks of the screen are done, and the keys; Escape leaves', async () => {
    await desk.press('F1')
    await desk.wait('[data-test="help"]')
    expect(await desk.text('[data-test="help"]')).toContain('Credit an invoice')
    await desk.clickText('[data-test="help"] nav button', 'Keys')
    expect(await desk.text('[data-test="help"]')).toContain('picks a range')
    await desk.press('Escape')
    await ready(() => !document.querySelector('[data-test="help"]'))
  })

  test('Ctrl+K finds a setting and help by what a clerk calls them', async () => {
    await desk.press('Control+k')
    await ready(() => !!document.activeElement?.matches('.finder input'))
    await desk.page.keyboard.type('not invoiced')
    await ready(
      () => !!document.querySelector<HTMLElement>('.finder')?.innerText.includes('Orders without an invoice'),
    )
    await desk.press('Enter')
    await ready(() => location.pathname === '/orders' && location.search.includes('without=invoice'))
    await desk.press('Control+k')
    await ready(() => !!document.activeElement?.matches('.finder input'))
    await desk.page.keyboard.type('undelivered')
    await ready(
      () => !!document.querySelector<HTMLElement>('.finder')?.innerText.includes('Send again what bounced'),
    )
    await desk.press('Enter')
    await desk.wait('[data-test="help"]')
    expect(await desk.text('[data-test="help"] h1')).toBe('Send again what bounced')
    await desk.page.click('[data-test="help-go"]')
    await ready(() => location.search.includes('stage=stuck'))
    await desk.goTo('Register', '/register')
  })

  test('F shows the document full screen, plus enlarges it, Escape goes back to the list', async () => {
    await desk.wait('[data-test="pdf-pages"] canvas')
    await desk.press('f')
    await desk.wait('.large canvas')
    const width = () => desk.page.$eval('.large canvas', (canvas) => canvas.clientWidth)
    const before = await width()
    await desk.page.keyboard.press('+')
    await desk.page.waitForFunction(
      (least) => (document.querySelector('.large canvas')?.clientWidth ?? 0) > least,
      {},
      before,
    )
    await desk.press('Escape')
    await ready(() => !document.querySelector('.large'))
  })

  test('on a narrow screen D shows the document over the list; on a phone a touch on a row does', async () => {
    const shown = () =>
      desk.page.$eval('.split > .right', (pane) => getComputedStyle(pane).visibility === 'visible')
    await desk.page.setViewport({ width: 1024, height: 768 })
    expect(await shown()).toBe(false)
    await desk.press('d')
    await ready(() => getComputedStyle(document.querySelector('.split > .right')!).visibility === 'visible')
    await desk.press('Escape')
    await ready(() => getComputedStyle(document.querySelector('.split > .right')!).visibility === 'hidden')
    await desk.page.setViewport({ width: 390, height: 800 })
    expect(await desk.page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)
    await desk.page.click('[role="option"]')
    await ready(() => getComputedStyle(document.querySelector('.split > .right')!).visibility === 'visible')
    await desk.page.setViewport({ width: 1280, height: 800 })
  })
})
