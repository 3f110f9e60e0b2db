import type { ElementHandle } from 'puppeteer-core'
import { describe, expect, test } from 'vitest'
import { until } from '../integration/house'
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

const upload = async (input: string, file: string) => {
  const field = (await desk.page.waitForSelector(input)) as ElementHandle<HTMLInputElement>
  await field.uploadFile(file)
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

describe('an email that is stuck', () => {
  test('is written anew on its Email leaf, and says so', async () => {
    await desk.page.goto(`${desk.base}/?stage=stuck`)
    await desk.wait('[data-test="remedy"]')
    await desk.clickText('[role="tab"]', 'Email')
    await desk.wait('[data-test="write-email"]')
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="own-subject"]')
    await desk.fill('[data-test="own-subject"]', 'At your new address')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.wait('[data-test="own-words"]')
    await says('At your new address')
  })
})

describe('an email that needs a word of its own', () => {
  const subject = '[data-test="own-subject"]'
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
    await desk.fill(subject, 'As we spoke: {num')
    await desk.wait('[data-test="field-number"]')
    await desk.press('Enter')
    await desk.wait(`${subject} .chip`)
    await desk.page.click('[data-test="own-cc"] input, input[data-test="own-cc"]')
    await desk.press('Escape')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.page.reload()
    await write(0)
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="goes-on"]')
    expect((await desk.text(subject)).trim()).toBe('As we spoke: number')
    await desk.fill('[data-test="own-reply-to"] input', 'counter@')
    await desk.page.click('[data-test="ask-go"]')
    await says('counter@')
    await desk.fill('[data-test="own-reply-to"] input', 'counter@tansyhollow.example')
    await upload('[data-test="email-files"] input[type="file"]', 'tests/browser/desk.ts')
    await says('is of a kind that does not go along')
    await upload('[data-test="email-files"] input[type="file"]', 'demo/data/hive-stand.png')
    await says('hive-stand.png')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.wait('[data-test="own-words"]')
    expect(await desk.text('.facts')).toContain('As we spoke: …')
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await says('All 1 issued')
    await desk.page.goto(`${desk.mailboxes}/mailbox/${address}`)
    for (let attempt = 0; attempt < 60 && !(await desk.text('body')).includes('As we spoke'); attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.text('body')).toMatch(/As we spoke: \w+-?\d+/)
    await desk.clickText('a', 'As we spoke')
    await says('hive-stand.png')
  })

  test('files of the house go along with what they are for, until they are taken away', async () => {
    await desk.page.goto(`${desk.base}/company?part=Enclosures`)
    await desk.clickText('[data-test="add-enclosure"]', '')
    await upload('.ask input[type="file"]', 'demo/data/tansy.png')
    await desk.fill('[data-test="enclosure-name"] input', 'How we deliver')
    await desk.clickText('.ask label', 'Invoices')
    await desk.press('Control+Enter')
    await says('“How we deliver” is saved')
    await write(1)
    await desk.page.waitForFunction(() =>
      document.querySelector('[data-test="enclosed"]')?.textContent?.includes('How we deliver.png'),
    )
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="goes-How we deliver.png"]')
    await desk.page.click(
      '[data-test="goes-How we deliver.png"] input, input[data-test="goes-How we deliver.png"]',
    )
    await says('left out this time')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(
      () => !document.querySelector('[data-test="enclosed"]')?.textContent?.includes('How we deliver'),
    )
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="as-supplied"]')
    await desk.page.click('[data-test="as-supplied"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.page.goto(`${desk.base}/company?part=Enclosures`)
    await desk.wait('[data-test="enclosure-How we deliver.png"]')
    await desk.page.click('[data-test="enclosure-How we deliver.png"]')
    await desk.wait('[data-test="drop-enclosure"]')
    await desk.page.click('[data-test="drop-enclosure"]')
    await says('goes along with nothing from now on')
    await desk.page.click('[data-test="ask-go"]')
    await says('“How we deliver.png” goes along no more')
  })

  test('by keyboard: a field that it does not have is refused at its place; as supplied again by one key', async () => {
    await write(1)
    await desk.tabTo('[data-test="write-email"]')
    await desk.press('Enter')
    await desk.page.waitForFunction((at) => document.activeElement?.matches(at), {}, subject)
    await desk.press('Control+a')
    await desk.page.keyboard.type('For {nobody} ')
    await desk.press('Control+Enter')
    await says("“{nobody}” in the email's subject is not a field")
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

test('an invoice that waits for an order number gets it on the spot, and is ready to go', async () => {
  await desk.page.goto(desk.base)
  const number = await desk.page.evaluate(async () => {
    const answer = await fetch('/api/line?stage=to%20check&limit=100')
    const { rows } = (await answer.json()) as {
      rows: { problem: { words: string } | null; orderNumber: string }[]
    }
    return rows.find((one) => one.problem?.words.includes('takes no invoice'))!.orderNumber
  })
  await row(number)
  await desk.clickText('[role="option"]', number)
  await says('takes no invoice without “Your reference”')
  await desk.page.click('[data-test="complete"]')
  await desk.fill('[data-test="complete-reference"] input', 'PO 4711')
  await desk.press('Enter')
  await says('Its invoice is built anew')
  await desk.page.waitForFunction(() => !document.querySelector('[data-test="complete"], .notice.stuck'))
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
    // the first try is over: while one is under way, nothing can be held
    await row('put off')
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

describe('what a second person sends', () => {
  const inRow = (words: string) =>
    desk.page.evaluate((text) => {
      const found = [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(
        (one) => one.innerText.includes(text) && one.innerText.includes('@'),
      )
      found?.click()
      return found?.querySelector('.number')?.textContent?.trim()
    }, words)

  test('one asks and cannot send it; another opens it and sends it', async () => {
    await desk.signIn('supervisor')
    await desk.page.goto(`${desk.base}/company?part=General`)
    await desk.wait('[data-test="second-above"] input')
    await desk.page.click('[data-test="second-above"] input')
    await desk.wait('.few input')
    await desk.fill('.few input', '1')
    await desk.press('Tab')
    // the first of the two changes says the same words
    await until('the amount to be kept', async () => {
      const [kept] = await desk.sql<{ above: string }>(`select second_look->>'above' above from company`)
      return kept?.above === '1'
    })
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await row('second person')
    const number = await inRow('second person')
    await desk.wait('[data-test="ask-second"]')
    await desk.page.click('[data-test="ask-second"]')
    await says('somebody else has to send it')
    await row('asked: Maeve Tarrant')
    expect(await desk.text('[data-test="send"]')).toContain('Why not sent')

    await desk.signIn('clerk')
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await row('asked: Maeve Tarrant')
    await inRow('asked: Maeve Tarrant')
    await says('Maeve Tarrant asked for one')
    await desk.clickText('[data-test="send"]', `Send ${number}`)
    await desk.sayYes()
    await says('1 document goes in')
    await desk.clickText('[data-test="take-back"]', '')
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="take-back"]'))
  })

  test('many that need one are asked for at once, where a Send says that they are left out', async () => {
    await desk.signIn('supervisor')
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await row('second person')
    await inRow('second person')
    await desk.wait('[data-test="ask-second"]')
    await desk.clickText('[data-test="send"]', 'Why not sent')
    await desk.wait('.ask [data-test="ask-second"]')
    await desk.page.click('.ask [data-test="ask-second"]')
    await says('A second person is asked for 1 document')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await row('asked: Maeve Tarrant')
  })
})
