import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parse } from 'csv-parse/sync'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { statementCsv, statementXml } from '../../demo/bank'
import { useDesk } from './desk'

/*
 * What other programs hold comes in from the screen: a bank file with sure, unsure and strange rows; a CSV
 * with bad rows mended on the spot; every list goes out as CSV.
 */
const desk = useDesk()
const folder = mkdtempSync(join(tmpdir(), 'clothespin-files-'))
const day = new Date().toISOString().slice(0, 10)
let open: { id: number; number: string; name: string; open: string }[] = []

beforeAll(async () => {
  await desk.signIn('clerk')
  const read = await desk.page.evaluate(async () => {
    const { rows } = (await (await fetch('/api/accounts?sort=name&descending=false&limit=60')).json()) as {
      rows: { customerId: number; name: string; currency: string }[]
    }
    const found = []
    for (const row of rows.filter((one) => one.currency === 'EUR').slice(0, 20)) {
      const { items } = (await (await fetch(`/api/accounts/${row.customerId}`)).json()) as {
        items: { id: number; number: string; kind: string; open: string; amount: string }[]
      }
      const item = items.find((one) => one.kind === 'invoice' && one.open === one.amount)
      if (item) found.push({ id: item.id, number: item.number, name: row.name, open: item.open })
    }
    return found
  })
  open = read
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const give = async (selector: string, name: string, content: string | Buffer) => {
  const path = join(folder, name)
  writeFileSync(path, content)
  const field = (await desk.page.waitForSelector(selector)) as { uploadFile: (path: string) => Promise<void> }
  await field.uploadFile(path)
}
const facts = (words: string) =>
  desk.page.waitForFunction(
    (what) =>
      document
        .querySelector<HTMLElement>('[data-test="file-facts"], [data-test="import-facts"]')
        ?.innerText.includes(what),
    { timeout: 20_000 },
    words,
  )

describe('a bank file', () => {
  test('is read and matched; the sure ones are booked after a look and a question', async () => {
    const [a, b, c] = open
    await desk.page.goto(`${desk.base}/accounts/bank`)
    await desk.says('No bank file yet')
    await give(
      '[data-test="bank-file"]',
      'statement.xml',
      statementXml('IE35DEMO00000012345678', day, [
        { amount: a!.open, name: a!.name, text: a!.number },
        { amount: b!.open, name: b!.name, text: `Re ${b!.number}` },
        { amount: '1.00', name: c!.name, text: c!.number },
        { amount: '4.44', name: 'Nobody', text: 'hello' },
        { amount: '7.90', name: 'Demo Bank', text: 'Fee', out: true },
      ]),
    )
    await facts('2 matched, 1 to check, 2 unknown')
    await desk.press('Control+Enter')
    await desk.sayYes()
    await facts('2 done')
    await desk.page.goto(`${desk.base}/register?kind=invoice&search=${a!.number}`)
    await desk.page.waitForFunction(() =>
      /Open\s+€\s0\.00/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''),
    )
  })

  test(
    'an unsure one says why and is booked as proposed; a strange one for the customer that is named; ' +
      'a fee is set aside',
    async () => {
      const c = open[2]!
      await desk.page.goto(`${desk.base}/accounts/bank?state=unsure`)
      await desk.says('would stay open')
      await desk.wait('[data-test="book-entry"]:not([disabled])')
      await desk.page.click('[data-test="book-entry"]')
      await desk.says(`booked for ${c.name}`)
      await desk.page.goto(`${desk.base}/accounts/bank?state=strange`)
      await desk.says('No open invoice has its number')
      await desk.page.type('[data-test="entry-customer"] input', c.name.slice(0, 12))
      await desk.wait('aside.right li .word')
      await desk.press('Enter')
      await desk.wait('[data-test="book-entry"]:not([disabled])')
      await desk.page.click('[data-test="book-entry"]')
      await desk.says('€ 4.44'.slice(2))
      await facts('1 unknown')
      await desk.page.click('[data-test="set-aside"]')
      await desk.page.waitForFunction(() => document.activeElement?.matches('.v-dialog input'))
      await desk.page.keyboard.type('Bank fee')
      await desk.press('Enter')
      await desk.says('1 movement ignored: Bank fee.')
      await facts('5 done')
    },
  )

  test('the same file again books nothing, and says who read it; what is no statement says so', async () => {
    const [a, b, c] = open
    await desk.page.goto(`${desk.base}/accounts/bank`)
    await give(
      '[data-test="bank-file"]',
      'again.xml',
      statementXml('IE35DEMO00000012345678', day, [
        { amount: a!.open, name: a!.name, text: a!.number },
        { amount: b!.open, name: b!.name, text: `Re ${b!.number}` },
        { amount: '1.00', name: c!.name, text: c!.number },
        { amount: '4.44', name: 'Nobody', text: 'hello' },
        { amount: '7.90', name: 'Demo Bank', text: 'Fee', out: true },
      ]),
    )
    await desk.says('by Col Varley, as statement.xml. Nothing was booked again.')
    await give('[data-test="bank-file"]', 'notes.xml', '<notes>pay the beekeeper</notes>')
    await desk.says('This is no bank statement')
  })
})

describe('a bank statement as CSV', () => {
  const statement = () =>
    statementCsv('DE47DEMO0000004711', day, [
      { amount: open[3]!.open, name: 'Müller', text: `Rechnung ${open[3]!.number}` },
      { amount: '5.55', name: 'Niemand' },
      { amount: '4.90', name: 'Demo Bank', text: 'Kontoführung', out: true },
    ])

  test(
    'given at Bank file, its columns are mapped, its rows checked, and its movements matched and ' +
      'booked after a look',
    async () => {
      await desk.page.goto(`${desk.base}/accounts/bank`)
      await give('[data-test="bank-file"]', 'umsaetze.csv', statement())
      await facts('2 lines above its columns left out')
      expect(await desk.text('table[aria-label="Fields"]')).toMatch(
        /Amount, with its sign[\s\S]*Betrag[\s\S]*In or out\s+Soll\/Haben/,
      )
      await desk.press('Control+Enter')
      await facts('3 rows: 3 right, 0 wrong')
      await desk.press('Control+Enter')
      await desk.says('nothing is booked before')
      await desk.sayYes()
      await facts('3 written')
      await desk.wait('[data-test="to-movements"]')
      await desk.page.click('[data-test="to-movements"]')
      await desk.page.waitForFunction(() =>
        document
          .querySelector<HTMLElement>('[data-test="file-facts"]')
          ?.innerText.includes('1 matched, 0 to check, 2 unknown'),
      )
      await desk.says('Müller')
      await desk.press('Control+Enter')
      await desk.sayYes()
      await desk.page.waitForFunction(
        () => document.querySelector<HTMLElement>('[data-test="file-facts"]')?.innerText.includes('1 done'),
        { timeout: 20_000 },
      )
      await desk.page.goto(`${desk.base}/register?kind=invoice&search=${open[3]!.number}`)
      await desk.page.waitForFunction(() =>
        /Open\s+€\s0\.00/.test(document.querySelector<HTMLElement>('.facts')?.innerText ?? ''),
      )
    },
  )

  test('the next one with the same columns is mapped as this one was, and what is known is left as it is', async () => {
    await desk.page.goto(`${desk.base}/accounts/bank`)
    await give('[data-test="bank-file"]', 'umsaetze-2.csv', statement())
    await facts('mapped as the last file with these columns was')
    await desk.page.click('[data-test="check-import"]')
    await facts('3 right')
    await desk.press('Control+Enter')
    await desk.sayYes()
    await facts('0 written, 3 unchanged')
  })
})

describe('a CSV', () => {
  test(
    'is mapped with a sample, checked, its bad row mended on the spot, and the right ones written; ' +
      'the report tells each line',
    async () => {
      await desk.page.goto(`${desk.base}/imports?of=customers`)
      await give(
        '[data-test="import-file"]',
        'kunden.csv',
        [
          'Kundennummer;Firma;Land;E-Mail',
          '31001;Imkerei Neu;Germany;buero@neu.example',
          '31002;Rucher Neuf;France;nobody',
          '',
        ].join('\r\n'),
      )
      await facts('not checked yet')
      expect(await desk.text('table[aria-label="Fields"]')).toContain('Imkerei Neu')
      await desk.page.click('[aria-label="The next sample row"]')
      await desk.page.waitForFunction(() =>
        document.querySelector<HTMLElement>('table[aria-label="Fields"]')!.innerText.includes('Rucher Neuf'),
      )
      await desk.press('Control+Enter')
      await facts('2 rows: 1 right, 1 wrong')
      await desk.says('“nobody” is no email address')
      await desk.fill('[data-test="cell-email"]', 'bureau@neuf.example')
      await desk.press('Enter')
      await desk.says('Line 3 is right now.')
      await facts('2 right, 0 wrong')
      await desk.press('Control+Enter')
      await desk.sayYes()
      await facts('2 written, 0 unchanged')
      const report = await desk.page.evaluate(async () =>
        (await fetch(document.querySelector<HTMLAnchorElement>('[data-test="import-report"]')!.href)).text(),
      )
      expect(report).toContain('2,written,New.')
      await desk.page.goto(`${desk.base}/customers?search=31002`)
      await desk.says('Rucher Neuf')
    },
  )

  test('without a needed column says which; with one value for all rows it is taken', async () => {
    await desk.page.goto(`${desk.base}/imports?of=customers`)
    await give('[data-test="import-file"]', 'short.csv', 'number,name\n31010,Short\n')
    await facts('not checked yet')
    await desk.page.click('[data-test="check-import"]')
    await desk.says('Say which column is “Country”')
    await desk.page.click('button[aria-label^="One value for all: Country"]')
    await desk.wait('input[aria-label="Always, Country"]')
    await desk.page.type('input[aria-label="Always, Country"]', 'Ireland')
    await desk.press('Enter')
    await desk.page.waitForFunction(() =>
      document
        .querySelector<HTMLElement>('table[aria-label="Fields"]')!
        .innerText.includes('always “Ireland”'),
    )
    await desk.page.click('[data-test="check-import"]')
    await facts('1 right, 0 wrong')
  })

  test('that is none is refused in words', async () => {
    await desk.page.goto(`${desk.base}/imports?of=items`)
    await give('[data-test="import-file"]', 'picture.csv', '\u0089PNG\u0000\u0000\u0000')
    await desk.says('This file is not text')
  })
})

/** The day of the newest document: around midnight it is yesterday. */
const newestDay = () =>
  desk.page.evaluate(
    async () =>
      ((await (await fetch('/api/documents?sort=issued&limit=1')).json()) as { rows: { date: string }[] })
        .rows[0]!.date,
  )

test('every list goes out as CSV, as it is filtered', async () => {
  const reconciliation = `/reconciliation?day=${await newestDay()}`
  for (const [place, wanted] of [
    ['/register?kind=invoice', 'number,kind,date'],
    ['/orders?status=Packed', 'number,date,customer'],
    ['/customers', 'number,name,group'],
    ['/accounts/payments', 'date,customer,direction'],
    ['/?stage=arrived', 'number,kind,order'],
    ['/print-queue', 'number,customer,pages'],
    ['/routines', 'name,on,trust,sentence'],
    [reconciliation, 'number,kind,customerName,step'],
  ] as const) {
    await desk.page.goto(desk.base + place)
    await desk.page.waitForSelector('[data-test="csv"]')
    const text = await desk.page.$eval('[data-test="csv"]', async (link) =>
      (await fetch((link as HTMLAnchorElement).href)).text(),
    )
    expect(text.split('\r\n')[0], place).toContain(wanted)
    expect(text.split('\r\n').length, place).toBeGreaterThan(
      place === '/print-queue' || place === reconciliation ? 2 : 3,
    )
    if (place.startsWith('/orders'))
      expect(
        text
          .split('\r\n')
          .slice(1, -1)
          .every((line) => line.includes('Packed')),
      ).toBe(true)
  }
})

test('payments are sorted by any column, and their CSV with them', async () => {
  await desk.page.goto(`${desk.base}/accounts/payments`)
  const amounts = () =>
    desk.page.$$eval('[aria-label="Payments"] [role="option"]', (rows) =>
      rows.map((row) =>
        Math.abs(Number((row.lastElementChild as HTMLElement).innerText.replace(/[^\d.]/g, ''))),
      ),
    )
  await desk.wait('[aria-label="Sort by Amount"]')
  const before = await amounts()
  const sorted = async (direction: 1 | -1) => {
    await expect
      .poll(
        async () => {
          const now = await amounts()
          return now.length > 5 && now.join() === [...now].sort((a, b) => direction * (a - b)).join()
        },
        { timeout: 8000 },
      )
      .toBe(true)
    return amounts()
  }
  await desk.page.click('[aria-label="Sort by Amount"]')
  await desk.wait('[aria-label="Sort by Amount, now falling"]')
  const falling = await sorted(-1)
  expect(falling).not.toEqual(before)
  await desk.page.click('[aria-label="Sort by Amount, now falling"]')
  const rising = await sorted(1)
  expect(rising[0]).toBeLessThan(falling[0]!)
  const text = await desk.page.$eval('[data-test="csv"]', async (link) =>
    (await fetch((link as HTMLAnchorElement).href)).text(),
  )
  // the list may stand further down, with the row in hand in sight; the file is whole
  const inFile = (parse(text, { from: 2 }) as string[][]).map((row) => Math.abs(Number(row[4])))
  expect(inFile.length).toBeGreaterThan(5)
  expect(inFile).toEqual([...inFile].sort((a, b) => a - b))
})

test(
  'the proof of a day says how far each series came, and names every document that is not at the ' +
    'end of the way',
  async () => {
    await desk.page.goto(`${desk.base}/reconciliation?day=${await newestDay()}`)
    await desk.wait('table[aria-label="Series"]')
    expect(await desk.text('table[aria-label="Postings"]')).toMatch(/0\.00\s*$/)
    await desk.wait('[aria-label="Differences"] [role="option"]')
    await desk.page.click('[aria-label="The day before"]')
    const day = await newestDay()
    await desk.page.waitForFunction(
      (shown) => (new URLSearchParams(location.search).get('day') ?? '9999') < shown,
      {},
      day,
    )
  },
)

test('open items of the earlier program are owed under their numbers, and agree with its trial balance', async () => {
  await desk.page.goto(`${desk.base}/imports?of=open%20items`)
  await give(
    '[data-test="import-file"]',
    'open.csv',
    'Invoice no,Customer no,Document date,Due date,Outstanding\n' +
      'OLD-1,10417,2026-05-03,2026-06-02,123.00\nOLD-2,10417,2026-06-03,2026-07-03,-23.00\n',
  )
  await facts('not checked yet')
  await desk.page.click('[data-test="check-import"]')
  await facts('2 right, 0 wrong')
  await desk.press('Control+Enter')
  await desk.sayYes()
  await facts('2 written')
  await desk.wait('[data-test="to-taken-over"]')
  await desk.page.click('[data-test="to-taken-over"]')
  await desk.wait('[data-test="count-EUR"] input')
  await desk.fill('[data-test="count-EUR"] input', '3')
  await desk.fill('[data-test="sum-EUR"] input', '100.00')
  await desk.page.click('[data-test="keep-balance"]')
  await desk.page.waitForFunction(() =>
    document.querySelector<HTMLElement>('[data-test="difference-EUR"]')?.innerText.includes('1 item'),
  )
  await desk.fill('[data-test="count-EUR"] input', '2')
  await desk.page.click('[data-test="keep-balance"]')
  await desk.page.waitForFunction(
    () => document.querySelector<HTMLElement>('[data-test="difference-EUR"]')?.innerText === 'agrees',
  )
  await desk.page.goto(`${desk.base}/register?search=OLD-1`)
  await desk.says('Taken over without a PDF')
  expect(await desk.text('.facts')).toContain('123.00')
  expect(await desk.text('[role="option"]')).toContain('taken over')
})
