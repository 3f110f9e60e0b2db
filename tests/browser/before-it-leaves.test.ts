import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* Keeping papers back, rehearsal, and the print queue, from the screen. */
const desk = useDesk()
const says = (words: string) => desk.says(words)
const row = (words: string) =>
  desk.page.waitForFunction(
    (what) =>
      [...document.querySelectorAll<HTMLElement>('[role="option"]')].some((one) =>
        one.innerText.includes(what),
      ),
    {},
    words,
  )
const house = async () => {
  await desk.page.goto(`${desk.base}/company`)
  await desk.clickText('.part', 'General')
  await desk.wait('[data-test="rehearsal-address"], button[aria-label^="Rehearsal address"]')
}

describe('a rehearsal', () => {
  test('is begun with an address; a band on every screen says so; a Send goes there and the paper stays', async () => {
    await desk.signIn('supervisor')
    await house()
    await desk.page.click('button[aria-label^="Rehearsal address"]')
    await desk.wait('[data-test="rehearsal-address"]')
    await desk.page.type('[data-test="rehearsal-address"] input', 'rehearsal@tansyhollow.example')
    await desk.press('Enter', 'Escape')
    await desk.page.waitForFunction(
      () => !document.querySelector<HTMLButtonElement>('[data-test="start-rehearsal"]')?.disabled,
    )
    await desk.page.click('[data-test="start-rehearsal"]')
    await desk.sayYes()
    await desk.wait('[data-test="rehearsal"]')
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await desk.wait('[data-test="rehearsal"]')
    await desk.wait('[role="option"]')
    const before = await desk.count('to check')
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await says('1 rehearsed')
    expect(await desk.count('to check')).toBe(before)
    await desk.page.goto(`${desk.mailboxes}/mailbox/rehearsal@tansyhollow.example`)
    for (let attempt = 0; attempt < 20 && !(await desk.page.$('td a')); attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.page.$eval('td a', (element) => element.textContent)).toMatch(
      /\[Rehearsal\].*REHEARSAL-\d{5}/,
    )
  })

  test('ended, papers go for real again', async () => {
    await desk.page.goto(desk.base)
    await desk.wait('[data-test="end-rehearsal"]')
    await desk.page.click('[data-test="end-rehearsal"]')
    await desk.sayYes()
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="rehearsal"]'))
  })

  test('send one to me leaves the paper as it is', async () => {
    await desk.wait('[data-test="to-me"]')
    await desk.page.click('[data-test="to-me"]')
    await says('goes to maeve@tansyhollow.example, watermarked')
  })
})

describe('an email that needs a word of its own', () => {
  const subject = '[data-test="own-subject"] input'
  /** Opens what is written of the email of the nth row that has an address; @returns to whom it goes. */
  async function write(nth: number): Promise<string> {
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await desk.wait('[role="option"]')
    const address = await desk.page.evaluate((at) => {
      const found = [...document.querySelectorAll<HTMLElement>('[role="option"]')].filter((one) =>
        /\S+@\S+\.example/.test(one.innerText),
      )[at]!
      found.click()
      return /\S+@\S+\.example/.exec(found.innerText)![0]
    }, nth)
    await desk.page.waitForFunction(
      (to) =>
        document.querySelector<HTMLElement>('.facts')?.innerText.includes(to) &&
        document.querySelector('[data-test="write-email"]'),
      {},
      address,
    )
    return address
  }

  test('by mouse: begun, left, taken up again, used, and sent as it was written', async () => {
    const address = await write(0)
    await desk.page.click('[data-test="write-email"]')
    await desk.wait(subject)
    await desk.fill(subject, 'As we spoke: {{ number }}')
    await desk.press('Escape')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.page.reload()
    await write(0)
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="goes-on"]')
    expect(await desk.page.$eval(subject, (field) => (field as HTMLInputElement).value)).toBe(
      'As we spoke: {{ number }}',
    )
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.wait('[data-test="own-words"]')
    expect(await desk.text('.facts')).toContain('As we spoke: …')
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await desk.page.goto(`${desk.mailboxes}/mailbox/${address}`)
    for (let attempt = 0; attempt < 30 && !(await desk.text('body')).includes('As we spoke'); attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.text('body')).toMatch(/As we spoke: \w+-?\d+/)
  })

  test('by keyboard: a field that it does not have is refused at its place; as supplied again by one key', async () => {
    await write(1)
    await desk.tabTo('[data-test="write-email"]')
    await desk.press('Enter')
    await desk.page.waitForFunction((at) => document.activeElement?.matches(at), {}, subject)
    await desk.press('Control+a')
    await desk.page.keyboard.type('For {{ nobody }}')
    await desk.press('Control+Enter')
    await says('There is no field called “nobody”')
    await desk.press('Control+a')
    await desk.page.keyboard.type('For you')
    await desk.press('Control+Enter')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.wait('[data-test="own-words"]')
    await desk.tabTo('[data-test="write-email"]')
    await desk.press('Enter')
    await desk.tabTo('[data-test="as-supplied"]')
    await desk.press('Enter')
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="own-words"]'))
  })
})

describe('a Send', () => {
  test('of all that match waits its grace and is taken back whole: nothing is numbered', async () => {
    await house()
    await desk.page.click('button[aria-label^="Undo time:"]')
    await desk.wait('.picker')
    await desk.clickText('.picker li', 'after 5 minutes')
    await says('The undo time is set.')
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await desk.wait('[data-test="send-all"]')
    const before = await desk.count('to check')
    await desk.page.click('[data-test="send-all"]')
    await desk.sayYes()
    await desk.wait('[data-test="take-back"]')
    expect(await desk.text('[data-test="run"]')).toMatch(/documents go in \d:\d\d\s+Nothing is numbered yet/)
    await desk.page.goto(`${desk.base}/orders`)
    await desk.wait('[data-test="take-back"]')
    await desk.page.click('[data-test="take-back"]')
    await says('no number was used')
    await desk.page.goto(desk.base)
    // a routine may have prepared more meanwhile
    await desk.untilCount('to check', (count) => count >= before)
  })

  test('everything paused by a clerk goes on only when a supervisor lets it', async () => {
    await house()
    await desk.page.click('[data-test="pause"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
    await desk.page.keyboard.type('the prices are wrong')
    await desk.press('Enter')
    await desk.wait('[data-test="paused"]')
    expect(await desk.text('[data-test="paused"]')).toContain('the prices are wrong')
    await desk.page.click('[data-test="resume"]')
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="paused"]'))
  })
})

describe('what waits', () => {
  test('is held, let go, and kept for another time, each said in its trail', async () => {
    await fetch(`${desk.mailboxes}/rules`, {
      method: 'POST',
      body: new URLSearchParams({ who: 'busy.example', does: 'refuse for minutes', amount: '30' }),
      redirect: 'manual',
    })
    await desk.page.goto(`${desk.base}/register`)
    await desk.wait('[data-test="copy"]')
    await desk.page.click('[data-test="copy"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="copy-to"] input'))
    await desk.press('Control+a')
    await desk.page.keyboard.type('office@busy.example')
    await desk.press('Enter')
    await says('goes to office@busy.example')
    await desk.page.goto(`${desk.base}/?stage=waiting&search=busy.example`)
    await desk.wait('[data-test="hold"]')
    await desk.page.click('[data-test="hold"]')
    await row('held')
    await desk.clickText('[aria-label="Leaves"] button', 'History')
    await says('Held')
    await desk.page.click('[data-test="let-go"]')
    await desk.wait('[data-test="hold"]')
    await desk.page.click('[data-test="later"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
    expect(await desk.page.$('[data-test="ask-go"][disabled]')).not.toBeNull()
    const day = new Date(Date.now() + 30 * 86_400_000)
    await desk.setDate('[data-test="later-day"]', day.toISOString().slice(0, 10))
    await desk.fill('[data-test="later-time"] input', '7:30')
    await desk.page.click('[data-test="ask-go"]')
    await row(new Intl.DateTimeFormat('en-IE', { day: 'numeric', month: 'short' }).format(day))
    await desk.page.click('[data-test="cancel"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
    await desk.page.keyboard.type('they have the portal')
    await desk.press('Enter')
    await says('Nothing of that kind')
  })
})

describe('the print queue', () => {
  test('a stuck email is printed instead; the tray shows one PDF, and marking it as posted empties it', async () => {
    await desk.page.goto(`${desk.base}/?stage=stuck`)
    await desk.wait('[data-test="print-instead"]')
    const number = await desk.page.$eval('[role="option"].active .number', (element) =>
      element.textContent!.trim(),
    )
    await desk.page.click('[data-test="print-instead"]')
    await says('in the print queue')
    await desk.goTo('Print queue', '/print-queue')
    await row(number)
    await desk.wait('[data-test="pdf-pages"] canvas')
    const papers = Number(/Print (\d+)/.exec(await desk.text('[data-test="print"]'))![1])
    expect(await desk.page.$$eval('[role="option"]', (elements) => elements.length)).toBe(papers)
    await desk.page.click('[data-test="posted"]')
    await desk.sayYes()
    await says('Nothing to print')
    await desk.page.goto(`${desk.base}/?stage=arrived`)
    await row(number)
  })
})

describe('stuck', () => {
  test('an address is corrected everywhere it is used, and all that hang on it go again', async () => {
    await desk.page.goto(`${desk.base}/?stage=stuck&search=cowslip`)
    await desk.wait('[data-test="correct"]')
    await desk.page.click('[data-test="correct"]')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
    await desk.press('Control+a')
    await desk.page.keyboard.type('brid@cowslip.example')
    await desk.press('Enter')
    await says('Corrected at Cowslip & Daughters')
    await says('Nothing of that kind')
  })
})
