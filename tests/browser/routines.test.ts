import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* Setting up what goes when, and how it reaches a customer, from the screen. */
const desk = useDesk()

const says = (words: string) => desk.says(words)
const papers = () => desk.page.$eval('[data-test="trial"] .big', (element) => Number(element.textContent))
const sentence = () => desk.text('.written')
const openWord = async (label: string) => {
  await desk.tabTo(`.written button[aria-label^="${label}"]`)
  await desk.press('Enter')
  await desk.page.waitForFunction(
    () => document.activeElement?.matches('.picker input, .panel input, .panel select') ?? false,
  )
}

describe('a routine', () => {
  test('from scratch, word by word with the keyboard alone; the trial changes with the sentence', async () => {
    await desk.signIn('supervisor')
    await desk.goTo('Routines', '/routines')
    await desk.tabTo('[data-test="new-routine"]')
    await desk.press('Enter')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="new-name"] input'))
    await desk.page.keyboard.type('Large invoices')
    await desk.press('Enter')
    await desk.page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value === 'Large invoices',
    )
    await desk.wait('[data-test="trial"]')
    await desk.page.waitForFunction(
      () => Number(document.querySelector('[data-test="trial"] .big')?.textContent) > 20,
    )
    const all = await papers()

    await openWord('A condition')
    await desk.page.keyboard.type('total')
    await desk.press('Enter')
    // its editor opens automatically, and it counts only once it is filled
    await desk.wait('[data-test="condition-amount"] input')
    await desk.tabTo('[data-test="condition-amount"] input')
    await desk.press('Control+a')
    await desk.page.keyboard.type('1500')
    await desk.press('Escape')
    await desk.page.waitForFunction(
      (before) => Number(document.querySelector('[data-test="trial"] .big')?.textContent) < before,
      {},
      all,
    )
    expect(await papers()).toBeGreaterThan(0)

    await openWord('When it goes')
    await desk.press('Control+a')
    await desk.page.keyboard.type('20')
    await desk.press('Escape')
    expect((await sentence()).replace(/\s+/g, ' ')).toContain('its total is over 1500 EUR')
    expect(await sentence()).toContain('20 minutes later')
    await desk.press('Control+Enter')
    await says('Saved as version 2')
  })

  test('is switched on apart from editing, and every version stands with who and when', async () => {
    await desk.page.click('[data-test="switch"]')
    await desk.page.waitForFunction(() =>
      document.querySelector<HTMLElement>('.about')!.innerText.includes('On since'),
    )
    await says('have no invoice yet') // catching up is offered at once
    await desk.press('Escape')
    await desk.clickText('.sides button', 'Versions')
    await desk.page.waitForFunction(() => document.querySelectorAll('.right li').length === 3)
    expect(await desk.text('.right')).toMatch(
      /Version 3[\s\S]*Maeve Tarrant[\s\S]*over 1500 EUR[\s\S]*Version 2[\s\S]*Version 1/,
    )
  })

  test('catches up on older orders after a look: they wait in To check, once each', async () => {
    await desk.clickText('.routine', 'Confirmation for schools abroad')
    await desk.page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value ===
        'Confirmation for schools abroad',
    )
    const before = await desk.page.evaluate(
      async () =>
        ((await (await fetch('/api/line/counts')).json()) as { stage: string; count: number }[]).find(
          (one) => one.stage === 'to check',
        )!.count,
    )
    await desk.clickText('.routine', 'Large invoices')
    await desk.page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value === 'Large invoices',
    )
    await desk.page.click('[data-trust="after a check"]')
    await desk.page.waitForFunction(
      () => document.querySelector('[data-trust="after a check"]')?.getAttribute('aria-checked') === 'true',
    )
    await desk.page.click('[data-test="catch-up"]')
    await says('have no invoice yet')
    const button = await desk.page.waitForFunction(() => {
      const words = document.querySelector<HTMLElement>('[data-test="ask-go"]')?.innerText ?? ''
      return /^Prepare \d+ invoices?$/.test(words) ||
        document.body.innerText.includes('Nothing of these days lacks its invoice')
        ? words || 'none'
        : false
    })
    const count = Number(/\d+/.exec((await button.jsonValue()) as string)?.[0] ?? 0)
    if (count > 0) {
      await desk.page.waitForFunction(
        () => !document.querySelector<HTMLButtonElement>('[data-test="ask-go"]')!.disabled,
      )
      await desk.page.click('[data-test="ask-go"]')
      await says('being prepared, in order.')
    } else await desk.press('Escape')
    await desk.goTo('Line', '/')
    await desk.untilCount('to check', (now) => now === before + count)
  })

  test('why: for an order, each condition with the value seen, and what decided', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Closed`)
    await desk.wait('[role="option"] .link')
    await desk.page.click('[role="option"] .link')
    await desk.clickText('summary', 'Why, routine by routine')
    await desk.page.waitForFunction(() =>
      /is issued: no second invoice is made/.test(
        document.querySelector<HTMLElement>('[data-test="why"]')?.innerText ?? '',
      ),
    )
    expect(await desk.text('[data-test="why"]')).toMatch(
      /Large invoices[\s\S]*its total is over 1500 EUR\s+· seen: [\d.]+ [A-Z]{3}/,
    )
  })
})

test('with a sentence that was edited and not saved, what is switched on is what is seen', async () => {
  await desk.goTo('Routines', '/routines')
  await desk.clickText('.routine', 'Large invoices')
  await desk.page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value === 'Large invoices',
  )
  await desk.page.click('[data-test="switch"]')
  await desk.page.waitForFunction(
    () => !document.querySelector<HTMLElement>('.about')!.innerText.includes('On since'),
  )
  await openWord('Condition')
  await desk.tabTo('[data-test="condition-amount"] input')
  await desk.press('Control+a')
  await desk.page.keyboard.type('2500')
  await desk.press('Escape')
  await desk.page.click('[data-test="switch"]')
  await desk.page.waitForFunction(() =>
    document.querySelector<HTMLElement>('.about')!.innerText.includes('On since'),
  )
  await says('have no invoice yet')
  await desk.press('Escape')
  await desk.clickText('.sides button', 'Versions')
  await desk.page.waitForFunction(
    () => document.querySelector<HTMLElement>('.right li')?.innerText.includes('over 2500 EUR') ?? false,
  )
})

describe('an order confirmation', () => {
  test('goes by itself when an order is confirmed, and stands beside the invoice on the order', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Draft`)
    await desk.wait('[role="option"] .link')
    await desk.page.click('[role="option"] .link')
    await desk.wait('[data-kind="order confirmation"]')
    await desk.page.click('button[aria-label^="Status:"]')
    await desk.wait('.picker')
    await desk.clickText('.picker li', 'Confirmed')
    await desk.page.waitForFunction(() =>
      /OC-|LSC/.test(document.querySelector<HTMLElement>('[data-kind="order confirmation"]')!.innerText),
    )
    expect(await desk.text('[data-kind="invoice"]')).toContain('not made')
  })
})

describe('customers', () => {
  test('wishes of many at once, with count, skipped and undo', async () => {
    await desk.page.goto(`${desk.base}/customers?group=Schools`)
    await desk.wait('[role="option"]')
    await desk.page.focus('[role="listbox"]')
    await desk.press('Control+a')
    const picked = Number(/\d+/.exec(await desk.text('[data-test="set-wishes"]'))![0])
    await desk.page.click('[data-test="set-wishes"]')
    await desk.wait('[data-test="ask-go"]')
    await desk.page.click('.v-dialog button[aria-label^="Way:"]')
    await desk.wait('.picker')
    await desk.clickText('.picker li', 'on paper')
    await desk.page.click('[data-test="ask-go"]')
    const said = await desk.page.waitForFunction(() =>
      /(\d+) customers? set, (\d+) skipped/.exec(document.body.innerText)?.slice(1).map(Number),
    )
    const [set, skipped] = (await said.jsonValue()) as number[]
    expect(set! + skipped!).toBe(picked)
    await desk.press('Escape')
    await desk.page.waitForFunction(
      (count) =>
        [...document.querySelectorAll('[role="option"]')].filter((row) =>
          row.textContent!.includes('on paper'),
        ).length >= count,
      {},
      Math.min(8, set!),
    )
    await desk.clickText('.toast button', 'Undo')
    await desk.page.waitForFunction(
      () =>
        [...document.querySelectorAll('[role="option"]')].filter((row) =>
          row.textContent!.includes('on paper'),
        ).length <= 1,
    )
  })

  test('where a paper cannot go, the reason and its remedy stand there before one tries', async () => {
    await desk.page.goto(`${desk.base}/customers?search=Gorsefield`)
    await desk.wait('[data-test="trouble-invoice"] .notice')
    expect(await desk.text('[data-test="trouble-invoice"]')).toContain('no billing contact')
    await desk.clickText('[data-test="trouble-invoice"] button', 'Add a contact')
    await desk.wait('[data-test="contact-email-1"] input')
    await desk.page.waitForFunction(() =>
      document.activeElement?.matches('.v-dialog input, [data-test="ask-go"]'),
    )
    await desk.page.type('[data-test="contact-email-1"] input', 'estate@gorsefield.example')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() =>
      document
        .querySelector<HTMLElement>('[data-test="wish-invoice"]')
        ?.innerText.includes('estate@gorsefield.example'),
    )
  })

  test('a wish is changed in its row; a bad address is said at its field and changes nothing', async () => {
    await desk.page.click('[data-test="change-invoice"]')
    await desk.wait('[data-test="wish-cc"] input')
    await desk.page.type('[data-test="wish-cc"] input', 'nobody')
    await desk.page.click('[data-test="ask-go"]')
    await says('“nobody” is not an email address')
    await desk.page.type('[data-test="wish-cc"] input', '@gorsefield.example')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() =>
      document
        .querySelector<HTMLElement>('[data-test="wish-invoice"]')
        ?.innerText.includes('CC nobody@gorsefield.example'),
    )
    expect(await desk.text('[data-test="wish-invoice"]')).toContain('this customer')
  })
})

describe('a routine of the clock', () => {
  test(
    'is written, switched on with its next turn, and shows what its turns made',
    { timeout: 120_000 },
    async () => {
      await desk.goTo('Routines', '/routines')
      await desk.page.click('[data-test="new-routine"]')
      await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="new-name"] input'))
      await desk.page.keyboard.type('Reminders at noon')
      await desk.press('Enter')
      await desk.page.waitForFunction(
        () =>
          document.querySelector<HTMLInputElement>('input[aria-label="Name"]')?.value === 'Reminders at noon',
      )
      await openWord('Event')
      await desk.page.keyboard.type('payment reminders')
      await desk.press('Enter')
      await openWord('When it has its turn')
      await desk.fill('[data-test="turn-time"] input', '1200PM')
      await desk.press('Escape')
      await desk.page.waitForFunction(() =>
        document.querySelector<HTMLElement>('.written')!.innerText.includes('on a working day at 12:00'),
      )
      await openWord('A condition')
      await desk.page.keyboard.type('past due')
      await desk.press('Enter')
      await desk.wait('[data-test="condition-amount"] input')
      await desk.fill('[data-test="condition-amount"] input', '10')
      await desk.press('Escape')
      await desk.page.click('[data-trust="after a check"]')
      await desk.page.waitForFunction(
        () => document.querySelector('[data-trust="after a check"]')?.getAttribute('aria-checked') === 'true',
      )
      await desk.page.click('[data-test="switch"]')
      await says('Accounts that were due at its last turn')
      await desk.press('Escape')
      await desk.clickText('.sides button', 'Turns')
      await desk.page.waitForFunction(() =>
        /Next turn .*12:00\./.test(
          document.querySelector<HTMLElement>('[data-test="next-turn"]')?.innerText ?? '',
        ),
      )
      await desk.sql('update open_item set due_date = current_date - 12 where open > 0')
      await desk.sql("update routine set next_turn = now() where name = 'Reminders at noon'")
      await desk.page.waitForFunction(
        () => /\d+ prepared, in To check/.test(document.querySelector<HTMLElement>('.right')!.innerText),
        { timeout: 60_000 },
      )
    },
  )
})
