// Takes every picture of docs/screenshots anew, 1280 by 800: from a running fresh demo (bin/demo --fresh), and the
// first visit from an empty house that it starts itself. So none of them can lag behind.
//   node scripts/screenshots.mjs [name …]
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'

const base = process.env.BASE ?? 'http://127.0.0.1:4310'
const only = process.argv.slice(2)
const pause = (milliseconds) => new Promise((done) => setTimeout(done, milliseconds))
const browser = await puppeteer.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--no-first-run',
    '--disable-background-networking',
  ],
})
const page = await browser.newPage()
await page.setViewport({ width: 1280, height: 800 })
page.on('dialog', (dialog) => void dialog.accept())

/** Clicks the first of these that begins with the words. */
async function click(selector, words = '') {
  await page.waitForFunction(
    (where, what) => {
      const found = [...document.querySelectorAll(where)].find((one) => one.innerText.trim().startsWith(what))
      found?.click()
      return !!found
    },
    { timeout: 10_000 },
    selector,
    words,
  )
}
async function fill(test, value) {
  const field = await page.waitForSelector(`[data-test="${test}"] input`, { visible: true })
  await field.click({ count: 3 })
  await page.keyboard.type(value)
}
const row = '[role="option"]'

/** How to come to each view, by the name of its picture. */
const views = {
  line: () => go('/'),
  stuck: () => go('/?stage=stuck'),
  orders: () => go('/orders'),
  order: async () => {
    await go('/orders?status=Shipped')
    await click(`${row} .link`)
  },
  register: () => go('/register'),
  customers: async () => {
    await go('/customers')
    await click(row)
  },
  accounts: async () => {
    await go('/accounts')
    await click(row)
  },
  routines: async () => {
    await go('/routines')
    await click('.routine', 'Invoice when shipped')
  },
  company: () => go('/company?part=Guide'),
  look: () => go('/company?part=Design'),
  imports: () => go('/imports'),
  bank: () => go('/accounts/bank'),
  tray: () => go('/print-queue'),
  proof: () => go('/reconciliation'),
  shipment: async () => {
    // one whose labels are bought but for one
    await go('/shipments/labels')
    await click(`${row} a`)
    await pause(2500)
    await page.evaluate(() =>
      document.querySelector('[data-test="label-2"]')?.scrollIntoView({ block: 'end' }),
    )
  },
  draft: async () => {
    await go('/')
    await click(row, 'Draft')
    await click('[data-test="open-draft"]')
  },
  'email-text': () => go('/company?part=Email text'),
  'send-report': async () => {
    await go('/?kind=invoice')
    await click('[data-test="send-all"]')
    await click('[data-test="ask-go"]')
    await click('[data-test="run-report"]')
  },
}

async function go(path) {
  await page.goto(base + path)
  await page.waitForSelector('nav')
}

async function take(name, view) {
  if (only.length > 0 && !only.includes(name)) return
  try {
    await view()
    await pause(2500)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
    console.log(`  ${name}`)
  } catch (error) {
    console.log(`  ${name} could not be taken: ${error.message}`)
    process.exitCode = 1
  }
}

/** The second step of the first visit, in a house that is thrown away. */
async function firstVisit() {
  const home = mkdtempSync(join(tmpdir(), 'clothespin-pictures-'))
  const serve = spawn(process.execPath, ['.build/js/serve.mjs'], {
    env: { ...process.env, CLOTHESPIN_HOME: home },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  try {
    const address = await new Promise((found) => {
      let said = ''
      serve.stdout.on('data', (bytes) => {
        said += bytes
        const address = /(http:\S+\?code=\S+)/.exec(said)?.[1]
        if (address) found(address)
      })
    })
    await take('first-visit', async () => {
      await page.goto(address)
      await fill('name', 'Ada Larkin')
      await fill('email', 'ada@meadowgate.example')
      await fill('password', 'three quiet hives')
      await click('[data-test="begin-go"]')
      await fill('company', 'Meadowgate Seeds Ltd')
      await fill('country', 'Ireland')
      await page.keyboard.press('Tab')
    })
  } finally {
    serve.kill('SIGTERM')
    await new Promise((done) => serve.once('exit', done))
    rmSync(home, { recursive: true, force: true })
  }
}

if (only.length === 0 || only.some((name) => name in views)) {
  const { staff } = JSON.parse(readFileSync('demo/data/house.json', 'utf8'))
  const supervisor = staff.find((person) => person.role === 'supervisor')
  await page.goto(base)
  await page.waitForSelector('#email')
  await page.type('#email', supervisor.email)
  await page.type('#password', supervisor.password)
  await page.keyboard.press('Enter')
  await page.waitForSelector('nav')
  for (const [name, view] of Object.entries(views)) await take(name, view)
}
if (only.length === 0 || only.includes('first-visit')) await firstVisit()
await browser.close()
