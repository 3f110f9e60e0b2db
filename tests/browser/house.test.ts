import type { ElementHandle } from 'puppeteer-core'
import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* The set-up screens, and mending what is stuck, from the screen. */
const desk = useDesk()

const wait = (selector: string) => desk.page.waitForSelector(selector, { visible: true })
const says = (words: string) => desk.says(words)
const clickText = async (selector: string, words: string) => {
  await desk.page.waitForFunction(
    (where, what) =>
      [...document.querySelectorAll<HTMLElement>(where)].some((one) => one.innerText.trim().startsWith(what)),
    {},
    selector,
    words,
  )
  await desk.page.evaluate(
    (where, what) =>
      [...document.querySelectorAll<HTMLElement>(where)]
        .find((one) => one.innerText.trim().startsWith(what))!
        .click(),
    selector,
    words,
  )
}
/** The field that a label stands for, emptied and typed anew. */
const fill = async (label: string, text: string) => {
  const id = await desk.page.$$eval(
    'label',
    (labels, what) => labels.find((one) => one.textContent!.trim().startsWith(what))!.htmlFor,
    label,
  )
  const field = await desk.page.$(`[id="${id}"]`)
  await field!.evaluate((one) => (one as HTMLInputElement).select())
  await field!.press('Backspace')
  await field!.type(text)
}
const sample = () => desk.page.$eval('[data-test="samples"]', (element) => (element as HTMLElement).innerText)

describe('Company', () => {
  test('a mistyped IBAN is said at its field; a good change is saved and the paper is drawn anew', async () => {
    await desk.signIn('supervisor')
    await desk.page.goto(`${desk.base}/company`)
    await wait('[data-test="guide"]')
    expect(await desk.text('[data-test="guide"]')).toMatch(
      /Every customer can be reached\s+\d+ customers? without an address or contact/,
    )
    await clickText('.part', 'Identity')
    await wait('[data-test="pdf-pages"] canvas')
    await fill('IBAN', 'IE36DEMO00000012345678')
    await desk.page.click('[data-test="keep-brand"]')
    await says('its check digits do not hold')
    await fill('IBAN', 'IE35DEMO00000012345678')
    await fill('Phone', '+353 00 111 2222')
    await desk.page.evaluate(() =>
      document.querySelector('[data-test="pdf-pages"] canvas')!.setAttribute('data-old', ''),
    )
    await desk.page.click('[data-test="keep-brand"]')
    await says('The brand is saved.')
    await desk.page.waitForFunction(() =>
      document.querySelector('[data-test="pdf-pages"] canvas:not([data-old])'),
    )
  })

  test('a new name asks about the sender of emails and the registration, and changes what was said', async () => {
    const registration = () =>
      desk.page.$$eval(
        'label',
        (labels) =>
          document.querySelector<HTMLInputElement>(
            `[id="${labels.find((one) => one.textContent!.startsWith('Registration'))!.htmlFor}"]`,
          )!.value,
      )
    await fill('Name', 'Tansy Dell')
    await desk.page.click('[data-test="keep-brand"]')
    await says('becomes Tansy Dell')
    await wait('[data-test="rename-sender"]')
    await fill('Registration, as', 'Registered in Ireland, 00099')
    await desk.page.click('[data-test="ask-go"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await says('The brand is saved.')
    await desk.page.reload()
    await clickText('.part', 'Identity')
    await wait('[data-test="keep-brand"]')
    expect(await registration()).toBe('Registered in Ireland, 00099')
    expect(
      await desk.page.$$eval('.form-field input', (fields) => fields.map((field) => field.value)),
    ).toEqual(expect.arrayContaining(['Tansy Dell', 'Registered in Ireland, 00099']))
  })

  test('prepared papers are built anew with it, and marked', async () => {
    await desk.page.goto(desk.base)
    await wait('[role="option"]')
    await desk.page.waitForFunction(() =>
      [...document.querySelectorAll('[role="option"] .tag')].some((tag) => tag.textContent === 'changed'),
    )
    await desk.page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[role="option"]')]
        .find((row) => row.innerText.includes('changed'))!
        .click(),
    )
    await wait('[data-test="changes"]')
    expect(await desk.text('[data-test="changes"]')).toContain('Sender')
    await desk.page.click('[data-test="seen"]')
    await desk.page.waitForFunction(() => !document.querySelector('[data-test="changes"]'))
  })

  test('the next number is shown while one types, and a series that would repeat is refused at once', async () => {
    await desk.page.goto(`${desk.base}/company`)
    await clickText('.part', 'Numbers')
    await wait('[data-test="samples"]')
    const year = new Date().getFullYear()
    expect(await sample()).toMatch(new RegExp(`The next one\\s+INV-${year}-\\d{5}`))
    await fill('Before the counter', 'TH-{yy}{month}/')
    await desk.page.waitForFunction(() =>
      /TH-\d{4}\/\d{5}/.test(document.querySelector<HTMLElement>('[data-test="samples"]')!.innerText),
    )
    await fill('Before the counter', 'TH-')
    await says('Add {year}.')
    expect(
      await desk.page.$eval('[data-test="keep-series"]', (button) => (button as HTMLButtonElement).disabled),
    ).toBe(true)
  })

  test('a email text with a field that does not exist says so, and cannot be kept', async () => {
    await clickText('.part', 'Email text')
    await clickText('button', 'Discard changes') // of the numbers, which are left as they were
    await says('as it would go with the sample')
    const subject = '[data-test="email-subject"]'
    await desk.wait(subject)
    await desk.fill(subject, 'Invoice {numbr} ')
    await says("“{numbr}” in the email's subject is not a field")
    await desk.fill(subject, 'Your invoice {num')
    await desk.wait('[data-test="field-number"]')
    await desk.press('Enter')
    await desk.wait(`${subject} .chip`)
    await desk.page.waitForFunction(() =>
      document.querySelector('#email-preview .subject')?.textContent?.includes('Your invoice'),
    )
    expect(await desk.page.$(`${subject} .passage`)).toBeNull()
    await clickText('button', 'Save')
    await says('Saved. Emails from now on read and look like this.')
  })

  test('a passage and a table: chosen, seen in the email beside it, kept, and back to the supplied text', async () => {
    const text = '[data-test="email-text"]'
    const email = (words: string, there = true) =>
      desk.page.waitForFunction(
        (what, wanted) => {
          const shown = document.querySelector('iframe')?.getAttribute('srcdoc')
          return shown !== undefined && shown !== null && shown.includes(what) === wanted
        },
        {},
        words,
        there,
      )
    const onlyIf = async (words: string) => {
      const [, menu] = await desk.page.$$('.email-editor:not(.single) .tools button.word')
      await menu!.click()
      await desk.page.waitForFunction(() => document.activeElement?.matches('.picker input'))
      await desk.page.keyboard.type(words)
      await desk.press('Enter')
    }
    await wait(`${text} p`)
    await email('just reply')
    const [sentence] = await desk.page.$$(`xpath/.//p[contains(., "just reply")]`)
    await sentence!.click({ count: 3 })
    await onlyIf('it is paid already')
    await email('just reply', false)
    await says('Stands only if it is paid already.')
    await onlyIf('something is to be paid')
    await email('just reply')
    await desk.page.click(`${text} p:last-child`)
    const [table] = await desk.page.$$('.email-editor:not(.single) .tools button.word')
    await table!.click()
    await clickText('.picker [role="option"]', 'Lines of the document')
    await email('<table')
    await clickText('button', 'Save')
    await desk.page.waitForFunction(() => !document.body.innerText.includes('not saved yet'))
    await desk.page.reload()
    await wait(`${text} .fact-table`)
    expect(await desk.page.$eval(`${text} p .passage:last-child`, (one) => one.textContent)).toBeTruthy()
    await desk.page.click('[data-test="as-supplied"]')
    await desk.page.waitForFunction((where) => !document.querySelector(`${where} .fact-table`), {}, text)
    await email('<table', false)
    await clickText('button', 'Save')
    await desk.page.waitForFunction(() => !document.body.innerText.includes('not saved yet'))
  })

  test('a picture in the text and one above all texts: chosen, said in words, and seen in the email', async () => {
    const email = (pictures: number) =>
      desk.page.waitForFunction(
        (wanted) =>
          (document.querySelector('iframe')?.getAttribute('srcdoc') ?? '').split('data:image/').length - 1 ===
          wanted,
        {},
        pictures,
      )
    const choose = async (file: string, words: string) => {
      await wait('[data-test="choose-picture"]')
      const input = (await desk.page.waitForSelector('.ask input[type="file"]'))!
      await (input as ElementHandle<HTMLInputElement>).uploadFile(file)
      await wait('.ask img')
      await fill('In words', words)
      await desk.page.click('[data-test="ask-go"]')
      await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    }
    await desk.page.click('[data-test="email-text"] p:last-child')
    await desk.page.click('.email-editor:not(.single) [data-test="tool-picture"]')
    await choose('demo/data/hive-stand.png', 'A hive stand of ash')
    await email(1)
    await desk.page.click('[data-test="add-banner"]')
    await choose('demo/data/tansy.png', 'Our stand at the fair')
    await email(2)
    await desk.setDate('[data-test="banner-until"]', '1 Jan 2020')
    await email(1)
    await clickText('button', 'Save')
    await desk.page.waitForFunction(() => !document.body.innerText.includes('not saved yet'))
    await desk.page.reload()
    await wait('[data-test="email-text"] img[alt="A hive stand of ash"]')
    await desk.page.click('[data-test="drop-banner"]')
    await desk.page.click('[data-test="as-supplied"]')
    await email(0)
    await clickText('button', 'Save')
    await desk.page.waitForFunction(() => !document.body.innerText.includes('not saved yet'))
  })

  test('an earlier version is read and taken up again; what nobody tried says so until a sample is sent', async () => {
    await says('not tried yet')
    await desk.page.click('[data-test="versions"]')
    await wait('[data-test="take-2"]')
    await desk.page.click('[data-test="take-2"]')
    await desk.page.waitForFunction(() => !document.querySelector('.ask'))
    await desk.page.waitForFunction(() =>
      document.querySelector('[data-test="email-subject"]')?.textContent?.includes('Your invoice'),
    )
    await clickText('button', 'Save')
    await desk.page.waitForFunction(() => !document.body.innerText.includes('not saved yet'))
    await desk.page.click('[data-test="sample-to-me"]')
    await desk.page.waitForFunction(() => !document.querySelector('.untried'))
  })
})

describe('Stuck', () => {
  test("the cause and the server's own words stand there; mended and sent again, it arrives", async () => {
    await desk.page.goto(`${desk.base}/?stage=stuck`)
    await wait('[data-test="remedy"]')
    await desk.page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[role="option"]')]
        .find((row) => row.innerText.includes('Castle Oran'))!
        .click(),
    )
    await says('There is no mailbox of this name any more')
    await desk.page.click('[data-test="remedy"] [data-test="contacts"]')
    const email = await wait('[data-test="contact-email-1"] input')
    await desk.page.waitForFunction(() =>
      document.activeElement?.matches('.v-dialog input, [data-test="ask-go"]'),
    )
    await email!.click({ count: 3 })
    await email!.type('new-treasurer@oranbees.example')
    await desk.page.click('[data-test="ask-go"]')
    await says('are saved, for every document from now on')
    const hanging = () =>
      desk.page.$$eval(
        '[role="option"]',
        (rows) => rows.filter((row) => row.textContent!.includes('Castle Oran')).length,
      )
    const before = await hanging()
    await desk.page.click('[data-test="send-again"]')
    await desk.page.waitForFunction(
      (count) =>
        [...document.querySelectorAll<HTMLElement>('[role="option"]')].filter((row) =>
          row.innerText.includes('Castle Oran'),
        ).length < count,
      {},
      before,
    )
    await desk.page.goto(`${desk.mailboxes}/mailbox/new-treasurer@oranbees.example`)
    for (let attempt = 0; attempt < 20 && !(await desk.page.$('td a')); attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.page.$eval('td a', (element) => element.textContent)).toMatch(/invoice/i)
  })
})

describe('a setting that is being changed', () => {
  test('is not lost by finding another one: it asks, and whoever stays has it still', async () => {
    await desk.page.goto(`${desk.base}/company?part=Identity`)
    await wait('[data-test="keep-brand"]')
    await fill('Phone', '+353 00 777')
    await desk.page.type('[data-test="find-setting"]', 'vat')
    await wait('[data-test="found-setting"]')
    await clickText('[data-test="found-setting"]', 'Tax categories')
    await wait('[data-test="stay"]')
    await desk.page.click('[data-test="stay"]')
    await desk.page.waitForFunction(() => location.search === '?part=Identity')
    const values = () => desk.page.$$eval('.form-field input', (fields) => fields.map((field) => field.value))
    expect(await values()).toContain('+353 00 777')
    // by Ctrl+K as well, and whoever leaves is there
    await desk.press('Control+k')
    await desk.page.waitForFunction(() => !!document.activeElement?.matches('.finder input'))
    await desk.page.keyboard.type('accounting periods')
    await wait('.finder li.at')
    await desk.press('Enter')
    await wait('[data-test="discard"]')
    await desk.page.click('[data-test="discard"]')
    await wait('[data-test="close-period"]')
  })
})

describe('an order', () => {
  test('is changed and the change undone', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Packed`)
    await wait('[role="option"] .link')
    await desk.page.click('[role="option"] .link')
    const quantity = await wait('[data-test="quantity-1"]')
    const before = await quantity!.evaluate((element) => (element as HTMLInputElement).value)
    await quantity!.click({ count: 3 })
    await quantity!.type('55')
    await desk.page.click('[data-test="keep-order"]')
    await says('The order is saved.')
    await clickText('.toast button', 'Undo')
    await desk.page.waitForFunction(
      (value) => document.querySelector<HTMLInputElement>('[data-test="quantity-1"]')?.value === value,
      {},
      before,
    )
  })

  test('that is being changed is not lost by a click elsewhere', async () => {
    const quantity = await wait('[data-test="quantity-1"]')
    const before = await quantity!.evaluate((element) => (element as HTMLInputElement).value)
    await quantity!.click({ count: 3 })
    await quantity!.type('56')
    await clickText('nav a', 'Register')
    await says('Your changes to the order are not saved yet.')
    await clickText('button', 'Keep editing')
    expect(
      await desk.page.$eval('[data-test="quantity-1"]', (element) => (element as HTMLInputElement).value),
    ).toBe('56')
    // another order is another page, though it is the same screen
    const here = desk.page.url()
    await desk.press('Control+k')
    await desk.page.waitForFunction(() => document.activeElement?.matches('.finder input'))
    await desk.page.keyboard.type('SO-20891')
    await desk.page.waitForFunction(() =>
      document.querySelector<HTMLElement>('.finder li.at')?.innerText.includes('SO-20891'),
    )
    await desk.press('Enter')
    await says('Your changes to the order are not saved yet.')
    await clickText('button', 'Keep editing')
    expect(desk.page.url()).toBe(here)
    await clickText('nav a', 'Register')
    await says('Your changes to the order are not saved yet.')
    await desk.page.click('[data-test="discard"]')
    await desk.page.waitForFunction(() => location.pathname === '/register')
    await desk.page.goBack()
    await desk.page.waitForFunction(
      (value) => document.querySelector<HTMLInputElement>('[data-test="quantity-1"]')?.value === value,
      {},
      before,
    )
  })

  test('that changed after it was confirmed shows both, and its revision is prepared', async () => {
    await desk.page.goto(`${desk.base}/orders?status=Confirmed`)
    await wait('[role="option"] .link')
    await desk.page.click('[role="option"] .link')
    const quantity = await wait('[data-test="quantity-1"]')
    await quantity!.click({ count: 3 })
    await quantity!.type('57')
    await desk.page.click('[data-test="keep-order"]')
    await wait('[data-test="confirmed"]')
    expect(await desk.text('[data-test="confirmed"]')).toMatch(
      /Confirmed otherwise[\s\S]*Line 1\s+\d+ [\s\S]*57/,
    )
    await desk.page.click('[data-test="revise"]')
    await says('revision to check')
  })

  test('a copy of its invoice goes to somebody else, and to the same person only when asked twice', async () => {
    await desk.page.goto(`${desk.base}/register`)
    await wait('[role="option"]')
    await desk.page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[role="option"]')]
        .find((row) => row.innerText.includes('arrived'))!
        .click(),
    )
    await wait('[data-test="copy"]')
    await desk.page.waitForFunction(() =>
      document.querySelector<HTMLElement>('.facts')?.innerText.includes('arrived'),
    )
    await desk.page.click('[data-test="copy"]')
    await wait('[data-test="copy-to"] input')
    await desk.page.waitForFunction(() => document.activeElement?.matches('[data-test="copy-to"] input'))
    await desk.page.click('[data-test="ask-go"]')
    await says('Send it again?')
    await desk.page.click('[data-test="copy-to"] input', { count: 3 })
    await desk.page.type('[data-test="copy-to"] input', 'auditor@elsewhere.example')
    await desk.page.click('[data-test="ask-go"]')
    await says('goes to auditor@elsewhere.example')
  })

  test('a copy in words of one’s own: begun, left, taken up again, and sent', async () => {
    const subject = '[data-test="own-subject"]'
    const ask = async () => {
      await desk.page.waitForFunction(() => !document.querySelector('.ask'))
      await desk.page.click('[data-test="copy"]')
      await wait('[data-test="copy-to"] input')
    }
    await ask()
    await desk.page.click('[data-test="copy-words"]')
    await wait(subject)
    await desk.fill(subject, 'For your files')
    await desk.page.click('[data-test="own-cc"] input')
    await desk.press('Escape')
    await ask()
    await wait('[data-test="goes-on"]')
    expect((await desk.text(subject)).trim()).toBe('For your files')
    await desk.fill('[data-test="copy-to"] input', 'files@elsewhere.example')
    await desk.page.click('[data-test="ask-go"]')
    await says('goes to files@elsewhere.example')
    await desk.page.goto(`${desk.mailboxes}/mailbox/files@elsewhere.example`)
    for (let attempt = 0; attempt < 30 && !(await desk.text('body')).includes('For your'); attempt++) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.text('body')).toContain('For your files')
  })
})
