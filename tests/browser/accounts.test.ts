import { beforeAll, describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/*
 * Accounts from the screen: a payment in part, over, by mistake and twice; a refund; marks; all of a
 * customer's age at a glance.
 */
const desk = useDesk()
const inHand = '[aria-label="The account in hand"]'
const openItem = () =>
  desk.page.$eval(`${inHand} [data-open]`, (element) => ({
    number: (element as HTMLElement).dataset.open!,
    words: (element as HTMLElement).innerText,
  }))
const recorded = () =>
  desk.page.$$eval(
    `${inHand} [aria-label="Payments"] > li`,
    (items) => items.filter((item) => item.querySelector('.payment')).length,
  )

async function begin(): Promise<string> {
  await desk.page.goto(`${desk.base}/accounts`)
  await desk.wait('[aria-label="Open accounts"] [role="option"]')
  await desk.wait(`${inHand} [data-open]`)
  return (await openItem()).number
}
async function openDialog(): Promise<void> {
  await desk.page.click('[data-test="record-payment"]')
  await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="payment-amount"] input'))
}

beforeAll(async () => desk.signIn('clerk'))

describe('Accounts', () => {
  test('shows who owes what by age, most overdue first, drawn and in figures', async () => {
    await begin()
    await desk.wait('[aria-label="Ageing"] svg')
    const sums = await desk.page.$$eval('[aria-label="Open accounts"] [role="option"]', (rows) =>
      rows.map((row) =>
        Number([...row.querySelectorAll<HTMLElement>('.sum')][0]!.innerText.replace(/[^\d.]/g, '') || '0'),
      ),
    )
    expect(sums.length).toBeGreaterThan(5)
    expect(sums).toEqual([...sums].sort((a, b) => b - a))
    expect(await desk.text('[aria-label="Ageing"]')).toMatch(/Overdue\s+[\d,.]+/)
  })

  test('a payment in part, by keyboard alone: the rest stays open', async () => {
    const number = await begin()
    await desk.press('Control+Enter')
    await desk.page.waitForFunction(() =>
      document.activeElement?.matches('[data-test="payment-amount"] input'),
    )
    await desk.page.keyboard.type('1,50')
    await desk.page.waitForFunction(
      (wanted) =>
        document.querySelector<HTMLInputElement>(`[data-test="settle-${wanted}"]`)?.value === '1.50',
      {},
      number,
    )
    await desk.press('Enter')
    await desk.says('booked for')
    await desk.page.waitForFunction(
      (wanted) => document.querySelector<HTMLElement>(`[data-open="${wanted}"]`)?.innerText.includes('of '),
      {},
      number,
    )
  })

  test('the same once more is asked about, and booked only when it is another one', async () => {
    await begin()
    await openDialog()
    await desk.page.keyboard.type('1.50')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('is booked already, by Col Varley')
    expect(await desk.page.$('[data-test="ask-go"][disabled]')).not.toBeNull()
    const before = await recorded()
    await desk.page.click('[data-test="another"] input')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => !document.querySelector('.v-dialog .ask'))
    await desk.page.waitForFunction(
      (selector, count) =>
        [...document.querySelectorAll(`${selector} [aria-label="Payments"] > li`)].filter((item) =>
          item.querySelector('.payment'),
        ).length ===
        count + 1,
      {},
      inHand,
      before,
    )
  })

  test('a payment over says what is too much; undone from its message, all is open again', async () => {
    const number = await begin()
    const before = (await openItem()).words
    await openDialog()
    await desk.page.keyboard.type('99999')
    await desk.wait('[data-test="on-account"]')
    expect(await desk.text('[data-test="on-account"]')).toContain(
      'is too much: it stays on the customer’s account',
    )
    await desk.press('Control+Enter')
    await desk.says('booked for')
    await desk.page.waitForFunction(
      (wanted) => !document.querySelector(`[data-open="${wanted}"]`),
      {},
      number,
    )
    await desk.clickText('.toast button', 'Undo')
    await desk.page.waitForFunction(
      (wanted) => !!document.querySelector(`[data-open="${wanted}"]`),
      {},
      number,
    )
    expect((await openItem()).words).toBe(before)
    await desk.says('taken back: Recorded by mistake')
  })

  test('a payment is taken back with a reason, and an amount on one document alone', async () => {
    await begin()
    const second = await desk.page.$$eval(
      `${inHand} [data-open]`,
      (items) => (items.at(-1) as HTMLElement).dataset.open!,
    )
    await openDialog()
    await desk.page.waitForSelector(`[data-test="settle-${second}"]`)
    await desk.clickText('.v-dialog td .word', second)
    await desk.page.waitForFunction(
      (wanted) =>
        Number(document.querySelector<HTMLInputElement>(`[data-test="settle-${wanted}"]`)?.value ?? 0) > 0,
      {},
      second,
    )
    const others = await desk.page.$$eval(
      '.v-dialog input[data-test^="settle-"]',
      (fields, wanted) =>
        fields
          .filter((field) => (field as HTMLElement).dataset.test !== `settle-${wanted}`)
          .map((field) => (field as HTMLInputElement).value)
          .join(''),
      second,
    )
    expect(others).toBe('')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('booked for')
    await desk.page.waitForFunction(
      (wanted) => !document.querySelector(`[data-open="${wanted}"]`),
      {},
      second,
    )
    await desk.page.click(`${inHand} [data-test="undo-payment"]`)
    await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
    await desk.page.keyboard.type('Booked on the wrong house')
    await desk.press('Enter')
    await desk.says('Taken back by a counter-entry.')
    await desk.page.waitForFunction(
      (wanted) => !!document.querySelector(`[data-open="${wanted}"]`),
      {},
      second,
    )
  })

  test('what is being spread over the items stays when somebody else books a payment meanwhile', async () => {
    const number = await begin()
    await openDialog()
    await desk.page.keyboard.type('2.00')
    await desk.fill(`[data-test="settle-${number}"]`, '1.25')
    const requests: string[] = []
    desk.page.on('request', (request) => requests.push(new URL(request.url()).pathname))
    const booked = await desk.page.evaluate(
      async (today) => {
        const body = {
          direction: 'in',
          customerId: Number(new URL(location.href).searchParams.get('customer')) || 1,
          date: today,
          method: 'cash',
          amount: '3.33',
          currency: 'EUR',
          reference: 'from the other desk',
          settle: [],
        }
        const headers = { 'content-type': 'application/json' }
        const answer = await fetch('/api/payments', { method: 'POST', headers, body: JSON.stringify(body) })
        return answer.status
      },
      new Date().toISOString().slice(0, 10),
    )
    expect(booked).toBe(200)
    for (let wait = 0; wait < 100 && !requests.some((path) => /^\/api\/accounts\/\d+$/.test(path)); wait++)
      await new Promise((resolve) => setTimeout(resolve, 50))
    await new Promise((resolve) => setTimeout(resolve, 400))
    expect(
      await desk.page.$eval(`[data-test="settle-${number}"]`, (field) => (field as HTMLInputElement).value),
    ).toBe('1.25')
    await desk.press('Escape')
    await desk.page.waitForFunction(() => !document.querySelector('.v-dialog .ask'))
  })

  test('a receipt is prepared by hand; its row on the Line opens the payment that it is of', async () => {
    await begin()
    // an account of the brand whose payments no routine answers
    for (let count = 0; !/^INV/.test((await openItem()).number) && count < 20; count++) {
      const before = await desk.text(`${inHand} strong`)
      await desk.page.focus('[role="listbox"]')
      await desk.press('ArrowDown')
      await desk.page.waitForFunction(
        (selector, name) =>
          document.querySelector<HTMLElement>(`${selector} strong`)?.innerText !== name &&
          !!document.querySelector(`${selector} [data-open]`),
        {},
        inHand,
        before,
      )
    }
    const customer = await desk.text(`${inHand} strong`)
    await openDialog()
    await desk.page.keyboard.type('1.75')
    await desk.page.click('[data-test="ask-go"]')
    // the question is away first: another payment's button may stand below it already
    await desk.page.waitForFunction(() => !document.querySelector('.v-dialog .ask'))
    await desk.clickText(`${inHand} [data-test="make-receipt"]`, '')
    // or the routine for payments of its brand was there first, and that is said
    await desk.page.waitForFunction(() =>
      /waits in To check|goes by itself|already issued for this payment/.test(document.body.innerText),
    )
    await desk.page.goto(`${desk.base}/?kind=payment%20receipt`)
    await desk.wait('[role="option"]')
    await desk.page.click('[role="option"]')
    await desk.page.focus('[role="listbox"]')
    await desk.press('Enter')
    await desk.wait(`${inHand} [aria-label="Payments"] > li[aria-current]`)
    expect(await desk.text(`${inHand} strong`)).toBe(customer)
  })

  test('an open item is marked as disputed, with the day that is promised, for all to see', async () => {
    await begin()
    const number = await desk.page.$$eval(
      `${inHand} [data-open]`,
      (items) => (items.at(-1) as HTMLElement).dataset.open!,
    )
    await desk.page.click(`[data-open="${number}"] .word`)
    await desk.wait('input[aria-label="Disputed, why"]')
    await desk.page.type('input[aria-label="Disputed, why"]', 'Two lids cracked')
    await desk.press('Tab')
    await desk.says('disputed: Two lids cracked')
  })

  test('payments are found by what they settled, and a reader may look but not book', async () => {
    await desk.page.goto(`${desk.base}/accounts/payments`)
    await desk.wait('[aria-label="Payments"] [role="option"]')
    const number = await desk.page.$eval('[aria-label="Payments"] [role="option"] .settles', (element) =>
      (element as HTMLElement).innerText.split(',')[0]!.trim(),
    )
    await desk.page.goto(`${desk.base}/accounts/payments?search=${number}`)
    await desk.page.waitForFunction(
      (wanted) =>
        [...document.querySelectorAll<HTMLElement>('[aria-label="Payments"] [role="option"]')].every((row) =>
          row.innerText.includes(wanted),
        ),
      {},
      number,
    )
    await desk.signIn('reader')
    await begin()
    expect(await desk.page.$('[data-test="record-payment"]')).toBeNull()
    expect(await desk.page.$('[data-test="undo-payment"]')).toBeNull()
  })
})

test(
  'a sale that is paid at once: its invoice is paid as it is issued, the payment stands there, and ' +
    'the receipt follows by itself',
  async () => {
    await desk.signIn('clerk')
    await desk.page.goto(`${desk.base}/register`)
    await desk.wait('[data-test="write-invoice"]')
    await desk.page.click('[data-test="write-invoice"]')
    await desk.page.waitForFunction(() =>
      document.activeElement?.matches('[data-test="customer-search"] input'),
    )
    await desk.page.keyboard.type('brannoc')
    await desk.page.waitForFunction(
      () =>
        document.querySelectorAll('input[name="customer"]').length === 1 &&
        document.querySelector<HTMLInputElement>('input[name="customer"]')!.checked,
    )
    await desk.page.click('.v-dialog button[aria-label^="Brand"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.picker input'))
    await desk.page.keyboard.type('Little')
    await desk.press('Enter')
    await desk.page.waitForFunction(() =>
      document.querySelector('.v-dialog button[aria-label^="Brand"]')?.textContent?.includes('Little Skep'),
    )
    await desk.page.click('[data-test="ask-go"]')
    await desk.wait('[data-test="keep-draft"]')
    await desk.clickText('.word', '+ line')
    await desk.fill('input[aria-label="Line 1, description"]', 'Honey at the door')
    await desk.fill('[data-test="quantity-1"]', '2')
    await desk.fill('input[aria-label="Line 1, price"]', '9.50')
    await desk.setDate('[data-test="supplied"]', new Date().toISOString().slice(0, 10))
    await desk.press('Control+Enter')
    await desk.page.waitForFunction(
      () => document.querySelector<HTMLButtonElement>('[data-test="send-paper"]')?.disabled === false,
    )
    await desk.page.click('[data-test="send-paper"]')
    await desk.wait('[data-test="paid-by"]')
    await desk.page.click('[data-test="paid-by"] .v-field')
    await desk.clickText('.v-overlay--active .v-list-item', 'paid at once, by cash')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(
      () => /Open\s+€\s0\.00/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''),
      { timeout: 20_000 },
    )
    const number = /LS26-\d+/.exec(await desk.text('aside.right'))![0]
    await desk.page.goto(`${desk.base}/accounts/payments?search=${number}`)
    await desk.page.waitForFunction(() =>
      /cash[\s\S]*LS26-[\s\S]*(19\.00|23\.37)/.test(
        document.querySelector<HTMLElement>('[aria-label="Payments"] [role="option"]')?.innerText ?? '',
      ),
    )
    await desk.page.waitForFunction(
      () =>
        /LSP26-\d+/.test(
          document.querySelector<HTMLElement>('aside.right [aria-label="Payments"] > li')?.innerText ?? '',
        ),
      { timeout: 20_000 },
    )
  },
)
