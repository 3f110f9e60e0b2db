import type { ElementHandle } from 'puppeteer-core'
import { expect, test } from 'vitest'
import { useDesk } from './desk'

/* What a supervisor sets up by hand: a group's delivery, an address, a text, a field, a price. Each is seen at work. */
const desk = useDesk()
const until = (selector: string, words: string) =>
  desk.page.waitForFunction(
    (of, text) => document.querySelector<HTMLElement>(of)?.innerText.includes(text),
    {},
    selector,
    words,
  )
const type = async (name: string, text: string) => {
  const field = `[data-test="${name}"] input, [data-test="${name}"] textarea`
  await desk.wait(field)
  await desk.page.click(field, { count: 3 })
  await desk.page.type(field, text)
}
const choose = (name: string, words: string) => desk.choose(name, words)
/** The filled button of the dialog on top. */
const go = async () => {
  await desk.page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-test="ask-go"]')].at(-1)!.click(),
  )
}
const closed = () => desk.page.waitForFunction(() => !document.querySelector('.v-dialog .ask'))

test('what a group says holds for its customers that say nothing, and their page says so', async () => {
  await desk.signIn('supervisor')
  await desk.page.goto(`${desk.base}/company?part=Customers`)
  await desk.wait('[data-test="group-Schools"]')
  await desk.page.click('[data-test="group-Schools"]')
  await desk.wait('.v-dialog [data-test="change-credit note"]')
  await desk.page.evaluate(() =>
    document.querySelector<HTMLElement>('.v-dialog [data-test="change-credit note"]')!.click(),
  )
  await desk.wait('[data-test="wish-channel"]')
  await choose('wish-channel', 'on paper')
  await go()
  await until('.v-dialog [data-test="wish-credit note"]', 'on paper')
  await go()
  await closed()
  await desk.page.goto(`${desk.base}/customers?group=Schools`)
  await until('[data-test="wish-credit note"]', 'on paper')
  expect(await desk.text('[data-test="wish-credit note"]')).toContain('the group Schools')
})

test('an address is added, said twice is refused at its field, and an order can be delivered there', async () => {
  await desk.page.click('[data-test="add-address"]')
  await type('address-label', 'Barn')
  await type('address-lines', 'Barn Lane 3\nFarrow')
  await go()
  await closed()
  await until('.addresses', 'Barn Lane 3')
  await desk.page.click('[data-test="add-address"]')
  await type('address-label', 'barn')
  await type('address-lines', 'Elsewhere')
  await go()
  await until('.v-dialog', 'There are two addresses called “barn”')
  await desk.press('Escape')
  await closed()
})

test('a name that somebody else changed meanwhile is shown beside mine, and I choose', async () => {
  await desk.page.click('[data-test="edit-customer"]')
  await type('edit-name', 'Mine')
  const other = await desk.newPage()
  await other.setViewport({ width: 1280, height: 800 })
  await other.goto(desk.page.url())
  await other.waitForSelector('[data-test="edit-customer"]')
  await other.click('[data-test="edit-customer"]')
  await other.waitForSelector('[data-test="edit-name"] input')
  await other.click('[data-test="edit-name"] input', { count: 3 })
  await other.type('[data-test="edit-name"] input', 'Theirs')
  await other.click('[data-test="ask-go"]')
  await other.waitForFunction(() => !document.querySelector('.v-dialog .ask'))
  await other.close()
  await desk.page.bringToFront()
  await go()
  await until('[data-test="meanwhile"]', 'Theirs')
  expect(await desk.text('[data-test="meanwhile"]')).toContain('Mine')
  await desk.page.click('[data-test="keep-mine"]')
  await go()
  await closed()
  await until('aside .bar', 'Mine')
})

test('a standing text is written once and stands in the list with what it is for', async () => {
  await desk.page.goto(`${desk.base}/company?part=Standing texts`)
  await desk.wait('[data-test="add-text"]')
  await desk.page.click('[data-test="add-text"]')
  await type('text-name', 'Terms of sale')
  await choose('text-place', 'on a page of its own')
  await go()
  await until('.v-dialog', 'Write the text in at least one language')
  await type('text-en', 'Goods stay ours until they are paid.')
  await go()
  await closed()
  await until('main', 'all documents, on a page of its own')
})

test('an own field of orders is there for the next order at once; one that is used stays', async () => {
  await desk.page.goto(`${desk.base}/company?part=Own fields`)
  await desk.wait('[data-test="add-field-order"]')
  await desk.page.click('[data-test="add-field-order"]')
  await type('field-name', 'Gate code')
  await go()
  await closed()
  await until('main', 'Gate code')
  await desk.page.click('[data-test="field-Delivery window"]')
  await desk.wait('[data-test="drop-field"]')
  await desk.page.click('[data-test="drop-field"]')
  await until('.v-dialog', 'It would be lost')
  await desk.press('Escape')
  await closed()
  await desk.page.goto(`${desk.base}/orders/new`)
  await desk.wait('[data-test="own-Gate code"] input')
})

test('a price for a group is what a line of its customer takes', async () => {
  await desk.page.goto(`${desk.base}/items?search=HB-10N`)
  await desk.clickText('.link', 'HB-10N')
  // what is there of an item beside its price stands open
  await desk.wait('[data-test="add-price"]')
  await desk.page.click('[data-test="add-price"]')
  await desk.page.click('[data-test="price-group-1"] input')
  await choose('price-group-1', 'Schools')
  await type('other-price-1', '33.25')
  await go()
  await closed()
  await desk.page.goto(`${desk.base}/orders/new`)
  await desk.wait('[data-test="customer"] input')
  // typed faster than any list comes
  await desk.page.type('[data-test="customer"] input', 'Bluebell')
  await desk.press('Enter')
  await until('[data-test="customer"]', 'Bluebell Wood Primary')
  await desk.page.type('[data-test="item-1"]', 'HB-10N')
  await desk.press('Enter')
  await desk.page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('[data-test="price-1"]')!.value === '33.25',
  )
})

test('an item gets a picture, and a file that goes along with its sale', async () => {
  const give = async (selector: string, file: string) => {
    const input = (await desk.page.waitForSelector(selector)) as ElementHandle<HTMLInputElement>
    await input.uploadFile(file)
  }
  await desk.page.goto(`${desk.base}/items?search=HS-STD`)
  await desk.clickText('.link', 'HS-STD')
  await give('.v-dialog .picture input[type="file"]', 'demo/data/terms-of-sale.pdf')
  await until('.v-dialog .ask', 'neither a PNG')
  await give('.v-dialog .picture input[type="file"]', 'demo/data/hive-stand.png')
  await desk.wait('[data-test="item-picture"]')
  await go()
  await closed()
  await desk.page.waitForFunction(
    () => document.querySelector<HTMLImageElement>('[role="option"] .item-picture')?.naturalWidth,
  )
  await desk.clickText('.link', 'HS-STD')
  await desk.wait('[data-test="hang-file"]')
  await desk.page.click('[data-test="hang-file"]')
  await give('[data-test="choose-file"] input[type="file"]', 'demo/data/terms-of-sale.pdf')
  await type('most-downloads', '3')
  await go()
  await until('[data-test="most-downloads"]', 'links lead nowhere yet')
  await desk.page.click('[data-test="most-downloads"] input', { count: 3 })
  await desk.press('Backspace')
  await go()
  await until('.v-dialog .files', 'terms-of-sale.pdf')
  await desk.page.waitForFunction(() => document.querySelectorAll('.v-dialog .ask').length === 1)
  await go()
  await closed()
})

test('a kind that is switched off says what rests on it, and can be switched on again', async () => {
  await desk.page.goto(`${desk.base}/company?part=Documents`)
  await desk.wait('[data-test="switch-order confirmation"]')
  await desk.page.click('[data-test="switch-order confirmation"]')
  await desk.wait('.v-dialog .ask')
  expect(await desk.text('.v-dialog .ask')).toMatch(/waiting in To send or To check|routine/)
  await go()
  await closed()
  await desk.says('Order confirmations are switched off.')
  await desk.page.goto(`${desk.base}/company?part=Documents`)
  await desk.wait('[data-test="switch-order confirmation"]')
  await desk.page.click('[data-test="switch-order confirmation"]')
  await desk.says('Order confirmations are switched on.')
})

test('beside a new order stands its confirmation, as it will be; it follows what is typed', async () => {
  await desk.page.goto(`${desk.base}/orders/new`)
  await desk.wait('[data-test="customer"] input')
  await desk.page.type('[data-test="customer"] input', 'Bluebell')
  await desk.press('Enter')
  await until('[data-test="customer"]', 'Bluebell Wood Primary')
  await desk.page.type('[data-test="item-1"]', 'HB-10N')
  await desk.press('Enter')
  await desk.wait('aside.right [data-test="pdf-pages"] canvas')
  expect((await desk.page.$('[data-test="preview-wrong"]')) === null).toBe(true)
  await desk.page.evaluate(() =>
    document.querySelector('[data-test="pdf-pages"] canvas')!.setAttribute('data-old', ''),
  )
  await desk.page.click('[data-test="quantity-1"]', { count: 3 })
  await desk.page.keyboard.type('7')
  await desk.page.waitForFunction(() =>
    document.querySelector('[data-test="pdf-pages"] canvas:not([data-old])'),
  )
})

test('a brand is copied, and retired once it is said what uses it', async () => {
  await desk.page.goto(`${desk.base}/company?part=Identity`)
  await desk.wait('[data-test="copy-brand"]')
  await desk.page.click('[data-test="copy-brand"]')
  await desk.wait('.v-dialog [data-test="brand"] input')
  await type('brand', 'Skep Outlet')
  await go()
  await closed()
  await until('nav.brands', 'Skep Outlet')
  await desk.clickText('nav.brands .brand', 'Skep Outlet')
  await desk.wait('[data-test="retire-brand"]')
  await desk.page.click('[data-test="retire-brand"]')
  await until('.v-dialog', 'Nothing uses it now')
  await go()
  await closed()
  await until('nav.brands', 'retired')
  await desk.page.goto(`${desk.base}/orders/new`)
  await desk.wait('[data-test="customer"] input')
  expect(
    await desk.page.$$eval('.select-field', (fields) => fields.map((one) => one.textContent).join()),
  ).not.toContain('Skep Outlet')
})

test('a customer gets its invoices by a link; the desk sees that it was opened, and ends it', async () => {
  await desk.signIn('supervisor')
  await desk.page.goto(`${desk.base}/company?part=General`)
  await desk.wait('[aria-label^="Public address"]')
  await desk.page.click('[aria-label^="Public address"]')
  await desk.fill('[data-test="public-address"] input', desk.base)
  await desk.press('Tab')
  await desk.says('The public address is set.')
  await desk.page.goto(`${desk.base}/customers?search=10417`)
  await desk.wait('[data-test="change-invoice"]')
  await desk.page.click('[data-test="change-invoice"]')
  await desk.wait('[data-test="wish-attach"]')
  await choose('wish-attach', 'behind a link in the email')
  await go()
  await closed()
  await until('[data-test="wish-invoice"]', 'as a link')

  await desk.page.goto(`${desk.base}/register?kind=invoice&search=Ottermill`)
  await desk.wait('[aria-label="Documents"] [role="option"]')
  await desk.clickText('aside button', 'Send a copy')
  await desk.wait('[data-test="copy-to"] input')
  await desk.fill('[data-test="copy-to"] input', 'auditor@ottermill.example')
  await go()
  await closed()
  await desk.clickText('[aria-label="Leaves"] button', 'Email')
  await desk.wait('[data-test="file-link"]')
  expect(await desk.text('[data-test="file-link"]')).toContain('not opened yet')
  const reader = await desk.newPage()
  await reader.goto(`${desk.mailboxes}/mailbox/auditor@ottermill.example`)
  // the link is there as the email begins to leave, the mailbox has it a moment later
  while (!(await reader.$('td a'))) await reader.reload()
  await reader.click('td a')
  await reader.waitForSelector('pre')
  const text = await reader.$eval('pre', (element) => element.textContent!)
  expect(text).not.toContain('Attached')
  const address = text.slice(text.indexOf(`${desk.base}/d/`)).split(/\s/)[0]!
  await reader.goto(address)
  expect(await reader.$eval('h1', (element) => element.textContent)).toContain('Invoice')
  const taken = await fetch(address, { method: 'POST', headers: { origin: desk.base } })
  expect(
    Buffer.from(await taken.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  await desk.page.bringToFront()
  await until('[data-test="file-link"]', 'opened')
  await desk.page.click('[data-test="end-link"]')
  await desk.sayYes()
  await until('[data-test="file-link"]', 'ended')
  await reader.reload()
  expect(await reader.$eval('main', (element) => element.textContent)).toContain('has ended this link')
  await reader.close()
})

test('two customers stand side by side, and are dealt with alike until it is undone', async () => {
  await desk.page.goto(`${desk.base}/customers?search=10426`)
  await desk.wait('[data-test="compare-customer"]')
  await desk.page.click('[data-test="compare-customer"]')
  await desk.wait('.v-dialog [data-test="customer"] input')
  await desk.page.type('.v-dialog [data-test="customer"] input', 'Bluebell')
  await desk.press('Enter')
  await desk.wait('[data-test="compared"]')
  await desk.page.waitForFunction(() => !document.querySelector('.v-autocomplete__content'))
  expect(await desk.text('.v-dialog table')).toMatch(/Group[\s\S]*Co-operatives[\s\S]*Schools/)
  await go()
  await closed()
  await until('aside .bar', 'Schools')
  await desk.clickText('.toast button', 'Undo')
  await until('aside .bar', 'Co-operatives')
})
