import { beforeAll, describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* Statements of account from the screen: of the customer in hand, and of many at once. */
const desk = useDesk()
const inHand = '[aria-label="The account in hand"]'

beforeAll(async () => desk.signIn('clerk'))

async function begin(): Promise<void> {
  await desk.page.goto(`${desk.base}/accounts`)
  await desk.wait(`${inHand} [data-open]`)
}
const kindInHand = (kind: string) =>
  desk.page.waitForFunction(
    (words) => document.querySelector<HTMLElement>('aside.right')?.innerText.includes(words),
    {},
    kind,
  )

describe('a statement of the customer in hand', () => {
  test('is prepared, looked at, sent, and stands at the account with its number', async () => {
    await begin()
    await desk.page.click('[data-test="make-statement"]')
    await desk.wait('[data-test="statement-until"]')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('It waits in To check.')
    await desk.clickText(`${inHand} [data-test="statements"] a`, 'waits in To check')
    await kindInHand('Statement of account')
    await desk.page.waitForFunction(
      () => document.querySelector<HTMLButtonElement>('[data-test="send"]')?.disabled === false,
    )
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await desk.says('All 1 issued')
    await begin()
    await desk.page.waitForFunction(
      (where) => /SA-\d{4}-\d{4}/.test(document.querySelector(where)!.textContent!),
      {},
      `${inHand} [data-test="statements"]`,
    )
  })

  test('a second one of the same day is not made, and the first is named', async () => {
    await begin()
    await desk.page.click('[data-test="make-statement"]')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('was already issued for this account')
  })

  test('of a time that begins after its end says so at the field, and nothing is made', async () => {
    await begin()
    await desk.page.click('[data-test="make-statement"]')
    await desk.page.click('[data-test="statement-form"]')
    await desk.clickText('.v-overlay--active .v-list-item', 'what was booked')
    await desk.setDate('[data-test="statement-from"]', '2 Mar 2026')
    await desk.setDate('[data-test="statement-until"]', '1 Mar 2026')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('begins before it ends')
    await desk.press('Escape')
  })
})

describe('statements of many', () => {
  test('narrowed by a word of the sentence, all are prepared with a report and found in To check', async () => {
    await begin()
    const counted = () => desk.text('[data-test="account-count"]')
    const before = Number(/\d+/.exec(await counted())![0])
    await desk.clickText('.bar .word', 'narrow…')
    await desk.fill('[data-test="narrow-balance"] input', '300')
    await desk.page.waitForFunction(
      (all) => {
        const words = document.querySelector('[data-test="account-count"]')!.textContent!
        const count = Number(/\d+/.exec(words)![0])
        return count > 0 && count < all && words.includes('owing')
      },
      {},
      before,
    )
    await desk.press('Escape')
    const count = Number(/\d+/.exec(await counted())![0])
    await desk.clickText('[data-test="statements-of-many"]', `Statements of all ${count}`)
    await desk.wait('[data-test="statement-until"]')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForSelector('[data-test="statement-counts"]', { timeout: 60_000 })
    expect(await desk.text('[data-test="statement-counts"]')).toMatch(/\d+ wait in To check/)
    await desk.page.click('[data-test="ask-go"]')
    await kindInHand('Statement of account')
    expect(desk.page.url()).toContain('kind=statement')
  })

  test('the report of a run is there again after its dialog was left', async () => {
    await begin()
    await desk.page.click('[data-test="statement-runs"]')
    await desk.page.waitForSelector('[data-run]')
    await desk.page.click('[data-run]')
    await desk.wait('[data-test="statement-counts"]')
    expect(await desk.text('[data-test="statement-counts"]')).toMatch(/\d+ wait in To check/)
    await desk.clickText('.ask button', 'Close')
  })
})

describe('reminders', () => {
  test('of one customer: a letter in the first level, sent, and said at each of its invoices', async () => {
    await desk.sql('update open_item set due_date = current_date - 12 where open > 0')
    await begin()
    await desk.page.click('[data-test="make-reminder"]')
    await desk.says('one letter for everything that is past due')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('It waits in To check.')
    await desk.page.goto(`${desk.base}/?kind=payment+reminder`)
    await kindInHand('Payment reminder')
    await desk.page.waitForFunction(
      () => document.querySelector<HTMLButtonElement>('[data-test="send"]')?.disabled === false,
    )
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await desk.says('All 1 issued')
    await begin()
    await desk.says('level 1,')
  })

  test('of many: who was reminded just now is left out, and the report says so', async () => {
    await desk.page.goto(`${desk.base}/accounts?only=overdue`)
    await desk.wait(`${inHand} [data-open]`)
    await desk.clickText('[data-test="remind-many"]', 'Remind all')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForSelector('[data-test="statement-counts"]', { timeout: 60_000 })
    expect(await desk.text('[data-test="statement-counts"]')).toMatch(/\d+ wait in To check/)
    await desk.clickText('.ask button', 'Close')
  })

  test('the levels are the house’s own: days and words are changed in Settings', async () => {
    await desk.signIn('supervisor')
    await desk.page.goto(`${desk.base}/company?part=General`)
    await desk.clickText('[data-test="level-2"]', 'firm')
    await desk.fill('[data-test="level-days"] input', '0')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('Write a number of days, 1 to 365')
    await desk.fill('[data-test="level-days"] input', '25')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('Payment reminders are set.')
    await desk.says('from 25 days after the due date')
  })
})

describe('what late payment costs', () => {
  test('is set in Settings: a rate of the house, interest and a fee of a level', async () => {
    await desk.page.goto(`${desk.base}/company?part=General`)
    await desk.clickText('[data-test="interest-rates"]', 'no interest')
    await desk.fill('[data-test="rate-percent"] input', 'much')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('Like 9.12')
    await desk.fill('[data-test="rate-percent"] input', '10,15')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('10.15 % a year')
    await desk.clickText('[data-test="level-2"]', 'firm')
    await desk.fill('[data-test="level-fee"] input', '7.50')
    await desk.page.click('[data-test="level-interest"] input')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('asks for interest and a fee of 7.50')
  })
})

describe('what is open of a customer', () => {
  test('is waived with a reason, and is open again by the message’s undo', async () => {
    await begin()
    const number = await desk.page.$eval(`${inHand} [data-open]`, (row) => row.getAttribute('data-open')!)
    const row = `${inHand} [data-open="${number}"]`
    const open = await desk.text(`${row} .amount`)
    await desk.page.click(`${row} .word`)
    await desk.wait('[data-test="waive"] input')
    await desk.fill('[data-test="waive"] input', 'agreed on the telephone')
    await desk.press('Tab')
    await desk.says(`of ${number} is waived`)
    await desk.page.waitForFunction((gone) => !document.querySelector(gone), {}, row)
    await desk.clickText('.toast button', 'Undo')
    await desk.page.waitForSelector(row)
    expect(await desk.text(`${row} .amount`)).toBe(open)
  })

  test('is waived in part, refused where that is too much, and taken back beside its document', async () => {
    await begin()
    const number = await desk.page.$eval(`${inHand} [data-open^="INV"]`, (row) =>
      row.getAttribute('data-open')!,
    )
    const row = `${inHand} [data-open="${number}"]`
    const open = await desk.text(`${row} .amount`)
    await desk.page.click(`${row} .word`)
    await desk.wait('[data-test="waive-amount"] input')
    await desk.fill('[data-test="waive-amount"] input', '999999')
    await desk.fill('[data-test="waive"] input', 'a cent of rounding')
    await desk.press('Tab')
    await desk.says('At most what is open can be waived')
    // leaving its last field has closed the panel
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="waive-amount"] input'))
    await desk.page.click(`${row} .word`)
    await desk.wait('[data-test="waive-amount"] input')
    await desk.fill('[data-test="waive-amount"] input', '0,01')
    await desk.fill('[data-test="waive"] input', 'one cent of rounding')
    await desk.press('Tab')
    await desk.says(`0.01 of ${number} is waived`)
    await desk.page.waitForFunction(
      (of, before) => document.querySelector(`${of} .amount`)?.textContent?.trim() !== before,
      {},
      row,
      open,
    )
    await desk.clickText(`${row} a`, number)
    await desk.wait('[data-test="take-waiver-back"]')
    await desk.page.click('[data-test="take-waiver-back"]')
    await desk.says(`0.01 of ${number} is owed again`)
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="take-waiver-back"]'))
  })

  test('goes once more with the invoice, and says what is open', async () => {
    await begin()
    const number = await desk.page.$eval(`${inHand} [data-open^="INV"]`, (row) =>
      row.getAttribute('data-open')!,
    )
    await desk.clickText(`${inHand} [data-open="${number}"] a`, number)
    await desk.wait('[data-test="remind"]')
    await desk.page.click('[data-test="remind"]')
    await desk.says(`Remind of ${number}`)
    await desk.fill('[data-test="copy-to"] input', 'reminded@elsewhere.example')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says('Send it all the same?')
    await desk.page.click('[data-test="ask-go"]')
    await desk.says(`A reminder of ${number} goes to`)
  })
})

test('what the accounts are narrowed to is kept by a name, and taken up again', async () => {
  await desk.page.goto(`${desk.base}/accounts?only=overdue&balanceOver=100`)
  await desk.wait(`${inHand} [data-open]`)
  await desk.clickText('.saved-filters .word', 'filters…')
  await desk.fill('[data-test="filter-name"] input', 'Late and large')
  await desk.press('Enter')
  await desk.says('“Late and large” is kept')
  await desk.page.goto(`${desk.base}/accounts`)
  await desk.clickText('.saved-filters .word', 'filters…')
  await desk.clickText('.v-overlay--active .word', 'Late and large')
  await desk.page.waitForFunction(() => location.search.includes('balanceOver=100'))
  expect(desk.page.url()).toContain('only=overdue')
})

test('what was owed over time stands beside what is open, and leads back to it', async () => {
  await begin()
  await desk.page.click('[data-test="over-time"]')
  await desk.wait('[data-test="months"]')
  expect(await desk.text('[data-test="months"]')).toMatch(/today\s[\s\S]*\d/)
  expect(await desk.text('[data-test="levels"]')).toContain('1 friendly')
  await desk.page.click('[data-test="months"] a[href="/accounts"]')
  await desk.wait(`${inHand} [data-open]`)
})

test('who reads in the morning how things stand is said in Settings, and taken back', async () => {
  await desk.page.goto(`${desk.base}/company?part=General`)
  const who = 'button[aria-label^="Who reads in the morning"]'
  await desk.wait(who)
  await desk.page.click(who)
  await desk.fill('[data-test="morning-to"] input', 'desk@tansyhollow')
  await desk.press('Enter')
  await desk.says('is not an email address')
  await desk.page.click(who)
  await desk.fill('[data-test="morning-to"] input', 'desk@tansyhollow.example')
  await desk.press('Enter')
  await desk.says('The morning email is set')
  await desk.press('Escape')
  await desk.page.waitForFunction(
    (where) => document.querySelector<HTMLElement>(where)?.innerText.includes('desk@tansyhollow.example'),
    {},
    who,
  )
})
