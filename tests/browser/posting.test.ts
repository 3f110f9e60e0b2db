import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* Writing an invoice without an order, billing a part of one, crediting and voiding, closing a period: from the screen. */
const desk = useDesk()
const says = (words: string) => desk.page.waitForFunction(what => document.body.innerText.includes(what), {}, words)
const fill = async (selector: string, value: string) => {
  const field = await desk.wait(selector) as { click: (options: object) => Promise<void> }
  await field.click({ count: 3 })
  await desk.page.keyboard.type(value)
}
const sendIt = async () => {
  await desk.page.waitForFunction(() => document.querySelector<HTMLButtonElement>('[data-test="send-paper"]')?.disabled === false)
  await desk.page.click('[data-test="send-paper"]')
  await desk.sayYes()
  await desk.page.waitForFunction(() => !!document.querySelector('.foot-bar .tag.go') && !!document.querySelector('[data-test="save-pdf"]'), { timeout: 20_000 })
}

describe('an invoice without an order', () => {
  test('is written for a customer, its true paper beside it, and sent with a number', async () => {
    await desk.signIn('supervisor')
    await desk.clickText('header a', 'Register')
    await desk.wait('[data-test="write-invoice"]')
    await desk.page.click('[data-test="write-invoice"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="customer-search"]'))
    await desk.page.keyboard.type('brannoc')
    await desk.page.waitForFunction(() => document.querySelectorAll('input[name="customer"]').length === 1 && document.querySelector<HTMLInputElement>('input[name="customer"]')!.checked)
    await desk.press('Enter')
    await desk.wait('[data-test="keep-draft"]')
    await desk.clickText('.word', '+ line')
    await fill('input[aria-label="Line 1, description"]', 'Swarm collected, call-out')
    await fill('[data-test="quantity-1"]', '1')
    await fill('input[aria-label="Line 1, price"]', '60.00')
    await desk.page.$eval('[data-test="supplied"]', (element) => {
      const field = element as HTMLInputElement
      field.value = new Date().toISOString().slice(0, 10)
      field.dispatchEvent(new Event('input', { bubbles: true }))
    })
    await desk.press('Control+Enter')
    await says('The draft is kept.')
    await desk.page.waitForFunction(() => /73\.80/.test(document.querySelector<HTMLElement>('.sum')?.innerText ?? ''))
    await desk.wait('[data-test="pdf-pages"] canvas')
    await sendIt()
    expect(await desk.text('.facts')).toContain('73.80')
  })

  test('a bad price is said at its field, and nothing is kept', async () => {
    await desk.page.goto(`${desk.base}/?stage=to%20check`)
    await desk.page.waitForFunction(() => [...document.querySelectorAll<HTMLElement>('[role="option"]')].some(row => row.innerText.includes('Draft ')))
    await desk.page.evaluate(() => [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(row => row.innerText.includes('Draft '))!.click())
    await desk.wait('[data-test="open-draft"]')
    await desk.page.click('[data-test="open-draft"]')
    await fill('input[aria-label="Line 1, price"]', 'ten')
    await desk.page.click('[data-test="keep-draft"]')
    await desk.page.waitForFunction(() => /unitPrice|number like 12\.50/.test(document.querySelector<HTMLElement>('.notice.stuck')?.innerText ?? ''))
  })
})

describe('an order', () => {
  test('is billed in part; what remains is shown on the next', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Packed`)
    await desk.wait('[aria-label="Orders"] [role="option"] .link')
    await desk.page.click('[aria-label="Orders"] [role="option"] .link')
    await desk.wait('[data-test="bill-part"]')
    await desk.page.click('[data-test="bill-part"]')
    await desk.sayYes()
    await desk.wait('[data-test="keep-draft"]')
    const whole = Number(await desk.page.$eval('[data-test="quantity-1"]', element => (element as HTMLInputElement).value))
    await fill('[data-test="quantity-1"]', '1')
    await desk.page.$eval('[data-test="supplied"]', (element) => {
      const field = element as HTMLInputElement
      field.value = new Date().toISOString().slice(0, 10)
      field.dispatchEvent(new Event('input', { bubbles: true }))
    })
    await desk.page.click('[data-test="keep-draft"]')
    await says('The draft is kept.')
    await sendIt()
    await desk.page.click('.bar a[href^="/orders/"]')
    await desk.wait('[data-test="bill-part"]')
    await desk.page.click('[data-test="bill-part"]')
    await desk.sayYes()
    await desk.page.waitForFunction(() => location.pathname.startsWith('/drafts/'))
    await desk.wait('[data-test="quantity-1"]')
    const left = await desk.page.$eval('[data-test="quantity-1"]', element => Number((element as HTMLInputElement).value))
    expect(whole).toBeGreaterThan(1)
    expect(left).toBe(whole - 1)
    await says('has no date of supply yet')
  })
})

describe('an invoice that was sent', () => {
  test('is credited by line; the register says so, and both lead to each other', async () => {
    await desk.page.goto(`${desk.base}/register?kind=invoice&search=SO-`)
    await desk.wait('[data-test="credit"]')
    const number = await desk.page.$eval('[role="option"].active .number', element => element.textContent!.trim())
    await desk.page.click('[data-test="credit"]')
    await desk.wait('.v-dialog button[aria-label^="What"]')
    await desk.page.click('.v-dialog button[aria-label^="What"]')
    await desk.wait('.picker')
    await desk.clickText('.picker li', 'an amount')
    const fields = () => desk.page.$$('.v-dialog .form-field input')
    await (await fields())[0]!.type('1.23')
    await (await fields())[1]!.type('Arrived late')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => location.pathname.startsWith('/drafts/'))
    await says('Takes back 1.23 EUR')
    await sendIt()
    await desk.page.goto(`${desk.base}/register?search=${number}`)
    await desk.page.waitForFunction(() => [...document.querySelectorAll<HTMLElement>('[role="option"] .tag')].some(tag => tag.innerText === 'part credited'))
    await desk.page.evaluate(wanted => [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(row => row.querySelector('.number')!.textContent!.trim() === wanted)!.click(), number)
    await desk.page.waitForFunction(() => /Credited\s+(CN-|LSR)/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''))
  })
})

test('a period is closed by a supervisor after a question, and opened only with a reason', async () => {
  await desk.page.goto(`${desk.base}/company?part=Periods`)
  await desk.wait('[data-test="close-period"]')
  await desk.page.click('[data-test="close-period"]')
  await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
  await desk.press('Enter')
  await says('Closed up to')
  await desk.page.$eval('[data-test="close-until"]', (element) => {
    const field = element as HTMLInputElement
    field.value = ''
    field.dispatchEvent(new Event('input', { bubbles: true }))
  })
  await desk.page.click('[data-test="close-period"]')
  await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
  expect(await desk.page.$('[data-test="ask-go"][disabled]')).not.toBeNull()
  await desk.page.keyboard.type('a late invoice')
  await desk.press('Enter')
  await says('All periods are open.')
})
