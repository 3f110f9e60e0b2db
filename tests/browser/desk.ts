import { fork, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import puppeteer, { type ElementHandle, type Browser, type KeyInput, type Page } from 'puppeteer-core'
import { afterAll, afterEach, beforeAll, inject } from 'vitest'
import { demoStaff } from '../../demo/house'
import { freePort } from '../../run/cluster'
import { freshDatabase } from '../integration/house'
import { startWeb } from '../web'
import { clickWhatIsSeen, untilSeen } from './clicks'

/** A clerk's desk: the demo house, all processes as in bin/demo, and a browser. */
export interface Desk {
  page: Page
  base: string
  /** What the browser wrote in red into its console. */
  redLines: string[]
  mailboxes: string
  signIn: (role: 'clerk' | 'supervisor' | 'reader') => Promise<void>
  count: (stage: string) => Promise<number>
  /** Waits until a stage's count satisfies. */
  untilCount: (stage: string, holds: (count: number) => boolean) => Promise<void>
  press: (...keys: string[]) => Promise<void>
  text: (selector: string) => Promise<string>
  wait: (selector: string) => Promise<unknown>
  /** Answers the question before what cannot be taken back. */
  sayYes: () => Promise<void>
  /** Clicks the first of these elements whose text begins so, as soon as there is one. */
  clickText: (selector: string, words: string) => Promise<void>
  /** Presses Tab until such an element has the focus. */
  tabTo: (selector: string) => Promise<void>
  /** Opens the picker of a word by Tab and Enter, and waits until one can type. */
  openWord: (selector: string) => Promise<void>
  /** By Ctrl+K, a name and Enter. */
  goTo: (name: string, path: string) => Promise<void>
  newPage: () => Promise<Page>
  /** Waits until these words stand on the page. */
  says: (words: string) => Promise<unknown>
  /** Writes over what is in a field. */
  fill: (selector: string, value: string) => Promise<void>
  /** Lets time pass where it is kept: nothing else is done behind the interface's back. */
  sql: <Row extends object>(statement: string) => Promise<Row[]>
  /** Chooses what has these words in the field of a name (data-test). */
  choose: (name: string, words: string) => Promise<void>
  /** Writes a date into a date field and leaves it. */
  setDate: (selector: string, value: string) => Promise<void>
}

/** Debian's Chromium, without a window where it is there. */
const chromium =
  process.env.CHROMIUM ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path))
const flags = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-dev-shm-usage',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-extensions',
  '--force-prefers-reduced-motion',
  '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1',
]

/** A line of a stack that stands in a test and not in here. */
const inTest = (line: string) => line.includes('tests/browser/') && !line.includes('desk.ts')

/** What is waited for is asked for twenty times a second, not at each frame: these browsers share two cores. */
function waitAtLeisure(page: Page): void {
  const wait = page.waitForFunction.bind(page)
  page.waitForFunction = (what, options, ...values) => wait(what, { polling: 50, ...options }, ...values)
}

/** A browser with a fresh profile in a folder, and its first page, 1280 by 800. */
export async function openBrowser(folder: string): Promise<{ browser: Browser; page: Page }> {
  const browser = await puppeteer.launch({
    executablePath: chromium,
    args: flags,
    userDataDir: join(folder, 'profile'),
  })
  const page = await browser.newPage()
  // what a browser asks about unsaved changes when an address is typed; leaving by a link asks in the page
  page.on('dialog', (dialog) => void dialog.accept())
  await page.setViewport({ width: 1280, height: 800 })
  page.setDefaultTimeout(20_000)
  clickWhatIsSeen(page)
  waitAtLeisure(page)
  return { browser, page }
}

export function useDesk(): Desk {
  const desk = {} as Desk
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-desk-'))
  const children: ChildProcess[] = []
  let browser: Browser
  let web: Awaited<ReturnType<typeof startWeb>>

  beforeAll(async () => {
    const [smtp, returns, mailWeb] = [await freePort(), await freePort(), await freePort()]
    process.env.CLOTHESPIN_DATABASE_URL = await freshDatabase()
    Object.assign(process.env, {
      CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
      CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtp}`,
      CLOTHESPIN_SMTP_VERIFY: 'no',
      CLOTHESPIN_RETURN_PORT: String(returns),
      CLOTHESPIN_LOG: 'error',
      CLOTHESPIN_MAILBOXES_URL: `http://127.0.0.1:${mailWeb}`,
      CLOTHESPIN_SWEEP_SECONDS: '3',
      STANDIN_SMTP_PORT: String(smtp),
      STANDIN_REPORT_PORT: String(returns),
      STANDIN_WEB_PORT: String(mailWeb),
      STANDIN_MAIL_FOLDER: join(folder, 'mail'),
    })
    cpSync(inject('demoMail'), join(folder, 'mail'), { recursive: true })
    for (const name of ['mail-standin', 'worker']) {
      const child = fork(join('.build/js', `${name}.mjs`), [], {
        execArgv: [],
        env: { ...process.env, CLOTHESPIN_PROCESS: name },
        stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      })
      children.push(child)
      await new Promise((resolve) => child.once('message', resolve))
    }
    web = await startWeb()
    const opened = await openBrowser(folder)
    browser = opened.browser
    const { page } = opened
    const redLines: string[] = []
    page.on('console', (message) => {
      if (process.env.DESK_SHOTS) console.log(message.text())
      if (message.type() === 'error') redLines.push(message.text())
    })
    Object.assign(desk, {
      redLines,
      page,
      base: web.base,
      mailboxes: process.env.CLOTHESPIN_MAILBOXES_URL!,
      sql: async <Row extends object>(statement: string) => {
        const client = new pg.Client({ connectionString: process.env.CLOTHESPIN_DATABASE_URL })
        await client.connect()
        const { rows } = await client.query<Row>(statement)
        await client.end()
        return rows
      },
      signIn: async (role: string) => {
        const person = demoStaff().find((one) => one.role === role)!
        await page.goto(web.base)
        await page.evaluate(() => fetch('/api/session', { method: 'DELETE' }))
        await page.goto(web.base)
        // the field takes the focus once it is seen: whoever types earlier would lose it on the way
        await page.waitForFunction(() => document.activeElement?.id === 'email')
        await page.keyboard.type(person.email)
        await page.keyboard.press('Tab')
        await page.keyboard.type(person.password)
        await page.keyboard.press('Enter')
        // who only looks begins with the Register
        await page.waitForSelector(role === 'reader' ? '[data-test="csv"]' : '[data-stage="stuck"]')
      },
      count: async (stage: string) => {
        const shown = await page.waitForSelector(`[data-stage="${stage}"] .count`)
        return Number(await shown!.evaluate((element) => element.textContent!.replace(/\D/g, '')))
      },
      untilCount: async (stage: string, holds: (count: number) => boolean) => {
        const end = Date.now() + 40_000
        for (let seen = -1; ; await new Promise((resolve) => setTimeout(resolve, 60))) {
          seen = await desk.count(stage)
          if (holds(seen)) return
          if (Date.now() > end) throw new Error(`the count of "${stage}" stayed at ${seen}`)
        }
      },
      press: async (...keys: string[]) => {
        for (const chord of keys) {
          // as a person does: a question that is just opening is answered when it stands there
          if (chord === 'Escape' && (await page.$('.v-overlay--active .ask')))
            await page.waitForFunction(() => document.activeElement?.closest('.v-overlay--active .ask'))
          const parts = chord.split('+')
          for (const part of parts.slice(0, -1)) await page.keyboard.down(part as KeyInput)
          await page.keyboard.press(parts.at(-1) as KeyInput)
          for (const part of parts.slice(0, -1)) await page.keyboard.up(part as KeyInput)
        }
      },
      text: (selector: string) => page.$eval(selector, (element) => (element as HTMLElement).innerText),
      wait: (selector: string) => page.waitForSelector(selector, { visible: true }),
      sayYes: async () => {
        await page.waitForSelector('[data-test="ask-go"]', { visible: true })
        await page.waitForFunction(() => document.activeElement?.matches('[data-test="ask-go"]'))
        await page.keyboard.press('Enter')
      },
      clickText: async (selector: string, words: string) => {
        await page.waitForFunction(
          (where, what) =>
            [...document.querySelectorAll<HTMLElement>(where)].some((one) =>
              one.innerText.trim().startsWith(what),
            ),
          {},
          selector,
          words,
        )
        await page.evaluate(
          (where, what) =>
            [...document.querySelectorAll<HTMLElement>(where)]
              .find((one) => one.innerText.trim().startsWith(what))!
              .click(),
          selector,
          words,
        )
      },
      tabTo: async (selector: string) => {
        await page.waitForSelector(selector, { visible: true })
        for (let count = 0; count < 80; count++) {
          if (await page.evaluate((where) => document.activeElement?.matches(where), selector)) return
          await page.keyboard.press('Tab')
        }
        throw new Error(`Tab does not reach ${selector}`)
      },
      openWord: async (selector: string) => {
        for (let attempt = 0; ; attempt++) {
          await desk.tabTo(selector)
          await page.keyboard.press('Enter')
          const there = await page
            .waitForFunction(() => document.activeElement?.matches('.picker input'), { timeout: 3000 })
            .catch(() => undefined)
          if (there) return
          if (attempt > 2) throw new Error(`the picker of ${selector} does not open`)
          if (await page.$('.picker')) await page.keyboard.press('Escape')
        }
      },
      goTo: async (name: string, path: string) => {
        await desk.press('Control+k')
        await page.waitForFunction(() => document.activeElement?.matches('.finder input'))
        await page.keyboard.type(name)
        await page.waitForFunction(
          (what) => document.querySelector<HTMLElement>('.finder li.at')?.innerText.includes(what),
          {},
          name,
        )
        await page.keyboard.press('Enter')
        await page.waitForFunction(
          (where) =>
            (location.pathname === where || location.pathname.startsWith(`${where}/`)) &&
            !document.querySelector('.finder'),
          {},
          path,
        )
      },
      newPage: () => browser.newPage(),
      says: (words: string) =>
        page.waitForFunction((what) => document.body.innerText.includes(what), {}, words),
      fill: async (selector: string, value: string) => {
        const field = await page.waitForSelector(selector, { visible: true })
        await untilSeen(page, selector)
        // a field that is grey while something is checked is waited for, as a person does
        await page.waitForFunction((one) => !(one as HTMLInputElement).disabled, {}, field)
        await field!.click({ count: 3 })
        await page.keyboard.type(value)
      },
      choose: async (name: string, words: string) => {
        await page.click(`[data-test="${name}"]`)
        const found = (text: string) =>
          [...document.querySelectorAll<HTMLElement>('.v-list-item')].find((one) =>
            one.textContent!.includes(text),
          )
        const item = await page.waitForFunction(found, {}, words)
        await (item as ElementHandle<HTMLElement>).evaluate((one) => one.click())
      },
      setDate: async (selector: string, value: string) => {
        const field = (await page.waitForSelector(selector, { visible: true }))!
        await untilSeen(page, selector)
        await field.click({ count: 3 })
        await page.keyboard.press('Backspace')
        await page.keyboard.type(value)
        await page.keyboard.press('Tab')
      },
    })
  })

  /** What the clerk saw when a test failed. */
  afterEach(async ({ task }) => {
    for (const other of await browser.pages())
      if (other !== desk.page && other.url() !== 'about:blank') await other.close()
    for (const error of task.result?.errors ?? [])
      console.log(`${task.name}: ` + `${error.message}\n${error.stack?.split('\n').find(inTest) ?? ''}`)
    if (task.result?.errors?.length)
      await desk.page.screenshot({ path: `.build/failed-${task.name.replace(/\W+/g, '-').slice(0, 40)}.png` })
  })

  afterAll(async () => {
    await browser?.close()
    await web?.stop()
    for (const child of children) child.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  })
  return desk
}
