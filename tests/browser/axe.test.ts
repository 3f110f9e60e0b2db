import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import type { AxeResults } from 'axe-core'
import { useDesk } from './desk'

/*
 * Every screen by daylight and by lamplight: WCAG 2.2 A and AA, and dates as the house writes them. By lamplight only
 * the colours are other ones, so only they are looked at again.
 */
const desk = useDesk()
const axe = readFileSync('node_modules/axe-core/axe.min.js', 'utf8')

declare global {
  interface Window {
    axe: { run: (options: object) => Promise<AxeResults> }
  }
}

const screens: [name: string, path: string, ready: string][] = [
  ['To check', '/', '[role="option"]'],
  ['Stuck', '/?stage=stuck', '[data-test="remedy"]'],
  ['Waiting', '/?stage=waiting', '[role="option"]'],
  ['Orders', '/orders', '[role="option"]'],
  ['Shipments', '/shipments', '.empty'],
  ['Labels', '/shipments/labels', '.empty'],
  ['Returns', '/shipments/returns', '.empty'],
  ['Shipping in Settings', '/company?part=Shipping', '[data-test="box-1-name"]'],
  ['Packing bench', '/shipments/bench', '[data-test="scan"]'],
  ['Register', '/register', '[role="option"]'],
  ['Customers', '/customers', '[data-test="wish-invoice"]'],
  ['Addresses to check', '/customers/addresses', '[data-test^="problem-"]'],
  ['Items', '/items', '[role="option"]'],
  ['New order', '/orders/new', '[data-test="deliver-to"]'],
  ['Customers in Settings', '/company?part=Customers', '[data-test="group-Schools"]'],
  ['Standing texts', '/company?part=Standing texts', '[data-test="add-text"]'],
  ['Variants', '/company?part=Variants', '[data-test="add-variant"]'],
  ['Own fields', '/company?part=Own fields', '[data-test="field-Hives"]'],
  ['Print queue', '/print-queue', '[role="option"]'],
  ['Routines', '/routines', '[data-test="trial"]'],
  ['Settings', '/company', '[data-test="guide"]'],
  ['Numbers', '/numbers', '[data-test="proof"]'],
  ['A draft', '/drafts/some', '.texts'],
  ['Accounts', '/accounts', '[aria-label="Ageing"] svg'],
  ['Payments', '/accounts/payments', '[role="option"]'],
  ['Money over time', '/accounts/figures', '[data-test="months"]'],
  ['Bank files', '/accounts/bank', '[data-test="read-file"]'],
  ['Imports', '/imports', '[data-test="read-file"]'],
  ['Daily reconciliation', '/reconciliation', '[data-test="proof-facts"]'],
  ['Periods', '/company?part=Periods', '[data-test="close-period"]'],
  ['Kinds of document', '/company?part=Documents', '[data-test="switch-invoice"]'],
  ['Statuses', '/company?part=Orders', '[data-test="after-Shipped"]'],
  ['What came over', '/accounts/taken-over', '.empty, [data-test="comparison"]'],
  ['General settings', '/company?part=General', '[data-test="make-token"]'],
  ['Email text', '/company?part=Email text', '[data-test="email-text"] .chip'],
  ['Number series', '/company?part=Numbers', '[data-test="samples"]'],
  ['Branches', '/company?part=Branches', '[data-test="add-branch"]'],
  ['Senders', '/company?part=Senders', '[data-test="open-sender"]'],
  ['Figures', '/figures', '[data-test="domains"]'],
]

/** Dates that stand as a machine writes them; a document's number may hold anything. */
const machineDates = () =>
  desk.page.evaluate(() => {
    const fields = [...document.querySelectorAll('input')].map((field) => field.value)
    const words = [document.body.innerText, ...fields].join('\n')
    return words.match(/(?<![\w-])(19|20)\d\d-\d\d-\d\d(?![\w-])|(?<![\d/])\d{1,2}\/\d{1,2}\/20\d\d/g) ?? []
  })

const daylight = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] }
const lamplight = { type: 'rule', values: ['color-contrast'] }

async function turnTo(look: 'light' | 'dark'): Promise<void> {
  if ((await desk.page.evaluate(() => document.documentElement.dataset.theme)) === look) return
  await desk.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: look }])
  await desk.page.waitForFunction((wanted) => document.documentElement.dataset.theme === wanted, {}, look)
  // nothing fades in these browsers: the next frame has the colours
  await desk.page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)))
}

/** What is wrong with the page as it stands, in both looks. */
async function violations(): Promise<string[]> {
  await desk.page.evaluate(axe)
  const wrong: string[] = []
  for (const [look, runOnly] of [
    ['light', daylight],
    ['dark', lamplight],
  ] as const) {
    await turnTo(look)
    const found = await desk.page.evaluate(
      (rules) => window.axe.run({ runOnly: rules, resultTypes: ['violations'] }),
      runOnly,
    )
    for (const { id, nodes } of found.violations) {
      const where = nodes.slice(0, 3).map((node) => node.target.join(' '))
      wrong.push(`${look}: ${id}: ${where.join(' | ')}`)
    }
  }
  await turnTo('light')
  return wrong
}

test('sign-in', async () => {
  await desk.page.goto(desk.base)
  await desk.wait('#email')
  expect(await violations()).toEqual([])
})

/** A draft of the demo house that waits in To check. */
const someDraft = () =>
  desk.page.evaluate(async () => {
    const list = (await (await fetch('/api/line?stage=to check')).json()) as {
      rows: { sourceKind: string; sourceId: number }[]
    }
    return list.rows.find((row) => row.sourceKind === 'draft')?.sourceId
  })

describe('signed in', () => {
  test('the look follows the computer until one chooses', async () => {
    await desk.signIn('supervisor')
    await turnTo('dark')
    await turnTo('light')
  })

  test.each(screens)('%s', async (_name, path, ready) => {
    await desk.page.goto(desk.base + path.replace('some', String(await someDraft())))
    await desk.wait(ready)
    await new Promise((resolve) => setTimeout(resolve, 400))
    expect(await violations()).toEqual([])
    expect(await machineDates()).toEqual([])
  })

  test('an order with its reasons, and a dialog', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Closed`)
    await desk.wait('[aria-label="Orders"] [role="option"] .link')
    await desk.page.click('[aria-label="Orders"] [role="option"] .link')
    await desk.clickText('summary', 'Why, routine by routine')
    await desk.wait('[data-test="why"] ul')
    expect(await violations()).toEqual([])
    await desk.press('F1')
    await desk.wait('[data-test="help"]')
    expect(await violations()).toEqual([])
    await desk.press('Escape')
  })

  test('a look that is chosen is kept', async () => {
    await desk.page.evaluate(() => localStorage.setItem('look', 'dark'))
    await desk.page.reload()
    await desk.page.waitForFunction(() => document.documentElement.dataset.theme === 'dark')
  })
})
