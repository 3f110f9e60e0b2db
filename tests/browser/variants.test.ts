import { describe, expect, test } from 'vitest'
import { useDesk } from './desk'

/* Email texts and designs of their own for some customers, and for one document, from the screen. */
const desk = useDesk()
const closed = () => desk.page.waitForFunction(() => !document.querySelector('.ask'))
const pickVariant = async (words: string) => {
  await desk.page.click('[data-test="variant-pick"] button')
  await desk.clickText('[role="option"], .picker li', words)
}
const holds = (selector: string, words: string) =>
  desk.page.waitForFunction(
    (at, text) => document.querySelector<HTMLElement>(at)?.innerText.includes(text),
    {},
    selector,
    words,
  )

describe('a variant', () => {
  test('is added, has its own email text that begins with the brand’s, and is given to a customer', async () => {
    await desk.signIn('supervisor')
    await desk.goTo('Variants', '/company')
    await desk.wait('[data-test="add-variant"]')
    await desk.page.click('[data-test="add-variant"]')
    await desk.fill('[data-test="variant-name"] input', 'Key accounts')
    await desk.press('Control+Enter')
    await desk.says('“Key accounts” is saved.')
    await closed()
    await desk.page.click('[data-test="add-variant"]')
    await desk.fill('[data-test="variant-name"] input', 'Key accounts')
    await desk.press('Control+Enter')
    await desk.says('There is already a variant called “Key accounts”')
    await desk.press('Escape')
    await closed()

    await desk.page.goto(`${desk.base}/company?part=Email text`)
    await desk.wait('[data-test="email-text"] .chip')
    await pickVariant('those of “Key accounts”')
    await desk.says('They get the brand’s own text. What you save here becomes theirs.')
    await desk.fill('[data-test="email-subject"]', 'For our partners: {num')
    await desk.wait('[data-test="field-number"]')
    await desk.press('Enter')
    await desk.clickText('button', 'Save')
    await desk.says('They have their own.')
    await pickVariant('all customers')
    await desk.page.waitForFunction(
      () => !document.querySelector('[data-test="email-subject"]')?.textContent?.includes('partners'),
    )

    await desk.page.goto(`${desk.base}/customers?search=Ottermill`)
    await desk.wait('[data-test="change-invoice"]')
    await desk.page.click('[data-test="change-invoice"]')
    await desk.wait('[data-test="wish-text"]')
    await desk.choose('wish-text', 'Key accounts')
    await desk.page.click('[data-test="ask-go"]')
    await holds('[data-test="wish-invoice"]', 'with the email text of “Key accounts”')
    await desk.page.goto(`${desk.base}/company?part=Variants`)
    await desk.says('1 email text and 0 designs of its own')
    await desk.says('1 customer')
  })

  test('is chosen for one document, seen in it at once, and sent so', async () => {
    await desk.page.goto(`${desk.base}/?kind=invoice`)
    await desk.wait('[role="option"]')
    const address = await desk.page.evaluate(() => {
      const found = [...document.querySelectorAll<HTMLElement>('[role="option"]')].find((one) =>
        /\S+@(?!ottermill)\S+\.example/.test(one.innerText),
      )!
      found.click()
      return /\S+@\S+\.example/.exec(found.innerText)![0]
    })
    await holds('.facts', address)
    await desk.page.click('[data-test="make-with"]')
    await desk.wait('[data-test="made-text"]')
    await desk.choose('made-text', 'Key accounts')
    await desk.page.click('[data-test="ask-go"]')
    await closed()
    await holds('.facts', 'For our partners: …')
    expect(await desk.text('[data-test="made-in"]')).toContain('email text “Key accounts”')
    expect(await desk.text('.facts')).toContain('this once')
    // where it is changed for all, with how many that touches, and back
    const line = desk.page.url()
    await desk.page.click('[data-test="write-email"]')
    await desk.wait('[data-test="for-all"]')
    await desk.page.click('[data-test="for-all"]')
    await holds('[data-test="variant-pick"]', 'those of “Key accounts”')
    await holds('[data-test="touches"]', 'not issued yet would be emailed with this text')
    await desk.page.goBack()
    await desk.page.waitForFunction((url) => location.href === url, {}, line)
    await holds('.facts', 'For our partners: …')
    await desk.page.click('[data-test="send"]')
    await desk.sayYes()
    await desk.says('All 1 issued')
    await desk.page.goto(`${desk.mailboxes}/mailbox/${address}`)
    for (
      let attempt = 0;
      attempt < 60 && !(await desk.text('body')).includes('For our partners');
      attempt++
    ) {
      await new Promise((resolve) => setTimeout(resolve, 300))
      await desk.page.reload()
    }
    expect(await desk.text('body')).toMatch(/For our partners: \w+-?\d+/)
  })

  test('is given up for the brand’s own, and retired', async () => {
    await desk.page.goto(`${desk.base}/company?part=Email text`)
    await desk.wait('[data-test="email-text"] .chip')
    await pickVariant('those of “Key accounts”')
    await desk.wait('[data-test="as-the-brand"]')
    await desk.page.click('[data-test="as-the-brand"]')
    await desk.says('They get the brand’s own text.')
    await desk.page.goto(`${desk.base}/company?part=Variants`)
    await desk.wait('[data-test="variant-Key accounts"]')
    await desk.page.click('[data-test="variant-Key accounts"]')
    await desk.wait('[data-test="retire-variant"]')
    await desk.page.click('[data-test="retire-variant"]')
    await desk.says('Who has it gets the brand’s own text and design from now on: 1 customer.')
    await desk.sayYes()
    await desk.says('“Key accounts” is retired.')
    await desk.page.goto(`${desk.base}/customers?search=Ottermill`)
    await desk.wait('[data-test="wish-invoice"]')
    expect(await desk.text('[data-test="wish-invoice"]')).not.toContain('Key accounts')
  })
})

describe('an order update', () => {
  test('says what customers read of a status, and has no file of its own', async () => {
    await desk.page.goto(`${desk.base}/company?part=Orders`)
    await desk.wait('[data-test="status-Confirmed-en"]')
    await desk.fill('[data-test="status-Confirmed-en"]', 'with our packers')
    await desk.page.click('[data-test="keep-lists"]')
    await desk.says('The statuses are saved')
    const [order] = await desk.sql<{ id: number }>(
      `select o.id from sales_order o join customer c on c.id = o.customer_id
      where o.status = 'Confirmed' and c.language = 'en' order by o.id desc limit 1`,
    )
    await desk.page.goto(`${desk.base}/orders/${order!.id}`)
    await desk.wait('[data-kind="order update"]')
    await desk.page.click('[data-kind="order update"]')
    await desk.clickText('button', 'Prepare it')
    await holds('.facts', 'with our packers')
    expect(await desk.text('[data-test="enclosed"]')).not.toContain('Your order')
  })
})
