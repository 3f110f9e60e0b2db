import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { addEnclosure } from '../../server/services/enclosures/enclosures'
import { proofOf } from '../../server/services/register/proof'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import { sendCopy } from '../../server/services/line/copy'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { startRun } from '../../server/services/documents/send-run'
import { changeCustomer, customerView } from '../../server/services/customers/customers'
import { changeLinks, linkPage, openLink } from '../../server/services/links/links'
import { followOffer } from '../../server/services/links/offers'
import { countOpened } from '../../server/services/links/opens'
import { figures } from '../../server/services/dispatch/figures'
import { changeHouse } from '../../server/services/house/settings'
import { linkHtml } from '../../server/services/links/page'
import { changeSettings } from '../../server/services/orders/settings'
import { inTheNameOf } from '../../server/services/people/principal'
import type { Carriage } from '../../core/enclosures/carriage'
import { startWeb } from '../web'
import { papersOf, until, useHouse } from './house'

/* Files behind links: what leaves, who gets them, and who gets them no more. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'

async function wish(attach: Carriage | undefined, more: { linkCode?: string } = {}) {
  await changeSettings({ publicAddress: 'https://papers.meadow.example' })
  const { id, version } = await customerView(house.customers[0]!.id, who)
  await changeCustomer(
    id,
    { version, preferences: attach ? { invoice: { attach } } : {}, linkCode: '', ...more },
    who,
  )
}
async function prepared() {
  const order = await house.newOrder()
  await house.ship([order])
  return (await papersOf([order]))[0]!.id
}
async function send(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  const { documentId } = (await one<{ documentId: number }>(
    'select id "documentId" from document where prepared_id = $id',
    { id },
  ))!
  return { mail: (await house.mails(mailbox))[0]!, documentId }
}
const tokensIn = (html: string | false | undefined) =>
  [...String(html).matchAll(/https:\/\/papers\.meadow\.example\/d\/([\w.-]+)/g)].map((match) => match[1]!)
const gives = async (token: string, code = '') => {
  const found = await openLink(token, code)
  if (!found) return 'no link'
  return 'file' in found ? found.file.bytes : found.wrongCode ? 'wrong code' : found.state
}

const reader = 'Mozilla/5.0 (X11; Linux x86_64) Gecko/20100101'
/** As if a document's email had left an hour earlier: programs look at it at once. */
const later = async (documentId: number) => {
  await run(
    `update dispatch
    set handed_over_at = handed_over_at - interval '1 hour'
    where id in (select dispatch_id from dispatch_document where document_id = $documentId)`,
    { documentId },
  )
}

describe('whether the offer of an email was followed', () => {
  const shop = 'https://shop.meadow.example/winter?a=1&b=2'
  const banner = (change: object) =>
    run(
      `update brand
      set email_look = email_look || jsonb_build_object('banner', $banner::jsonb ||
        jsonb_build_object('sha256', (select min(sha256) from file)))`,
      {
        banner: JSON.stringify({ alt: 'Winter', width: 500, href: shop, from: null, until: null, ...change }),
      },
    )
  const leadsTo = (html: unknown) => /<a href="([^"]+)"><img/.exec(String(html))?.[1]
  const tokenIn = (html: unknown) => /\/l\/([\w.-]+)$/.exec(leadsTo(html) ?? '')?.[1]

  test('is asked for nowhere unless its banner says so', async () => {
    await wish(undefined)
    await banner({})
    expect(leadsTo((await send(await prepared())).mail.html)).toBe(shop.replace('&', '&amp;'))
  })

  test('is counted, programs apart, and leads on to where it was; our own copy leads there at once', async () => {
    await banner({ counted: true })
    const { mail, documentId } = await send(await prepared())
    const token = tokenIn(mail.html)!
    expect(mail.text).toContain(`/l/${token}`)
    expect(leadsTo((await documentView(documentId)).email!.html)).not.toContain('/l/')
    expect(await followOffer(token, reader)).toBe(shop)
    expect((await documentView(documentId)).email!.followed).toMatchObject({ times: 0, byMachine: 1 })
    await later(documentId)
    expect(await followOffer(token, reader)).toBe(shop)
    expect(await followOffer(token, reader)).toBe(shop)
    const view = await documentView(documentId)
    expect(view.email!.followed).toMatchObject({ times: 2, byMachine: 1 })
    expect(
      view.history.filter(({ words }) => words.includes('was followed for the first time')),
    ).toHaveLength(1)
    const { documents } = await customerView(house.customers[0]!.id, who)
    expect(documents.map((one) => one.offerFollowed)).toContain(true)
    expect(await figures(7, who)).toMatchObject({ offers: 1, followed: 1 })
    // its season is over, and the address goes on leading there
    await banner({ until: '2026-01-31', counted: true })
    expect(await followOffer(token, reader)).toBe(shop)
  })

  test('an address that was not made here leads nowhere', async () => {
    expect(await followOffer('1.aaaaaaaaaaaaaaaaaaaaaa', reader)).toBeUndefined()
    expect(await followOffer('https://evil.example', reader)).toBeUndefined()
  })
})

describe('whether an email was opened', () => {
  const tokenIn = (html: unknown) => /\/o\/([\w.-]+)"/.exec(String(html))?.[1]

  test('is asked for nowhere unless the house counts it', async () => {
    await wish(undefined)
    expect(tokenIn((await send(await prepared())).mail.html)).toBeUndefined()
  })

  test('is counted, what programs fetch apart; our own copy of the email counts for nothing', async () => {
    await changeHouse({ countOpens: true })
    const { mail, documentId } = await send(await prepared())
    const token = tokenIn(mail.html)!
    await countOpened(token, reader)
    expect((await documentView(documentId)).email!.opened).toMatchObject({
      times: 0,
      byMachine: 1,
      first: null,
    })
    await later(documentId)
    await countOpened(token, 'image proxy')
    await countOpened(token, reader)
    await countOpened(token, reader)
    const view = await documentView(documentId)
    expect(view.email!.opened).toMatchObject({ times: 2, byMachine: 2 })
    expect(view.email!.opened!.first).not.toBeNull()
    expect(tokenIn(view.email!.html)).toBeUndefined()
    expect(
      view.history.filter(({ words }) => words === 'The email was opened for the first time.'),
    ).toHaveLength(1)
  })

  test('is told by no address that was not made here, nor once the house counts no more', async () => {
    const { mail, documentId } = await send(await prepared())
    await later(documentId)
    const token = tokenIn(mail.html)!
    await countOpened(
      token.replace(/.$/, (last) => (last === 'a' ? 'b' : 'a')),
      reader,
    )
    await countOpened(tokensIn(mail.html)[0] ?? '1.aaaaaaaaaaaaaaaaaaaaaa', reader)
    await changeHouse({ countOpens: false })
    await countOpened(token, reader)
    expect((await documentView(documentId)).email!.opened).toBeNull()
    const web = await startWeb()
    try {
      const answer = await fetch(`${web.base}/o/${token}`)
      expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'image/gif'])
      expect(answer.headers.get('set-cookie')).toBeNull()
    } finally {
      await web.stop()
    }
  })
})

describe('an invoice by a link', () => {
  test('leaves without an attachment, and whoever opens the link gets the very PDF that was issued', async () => {
    await wish('link')
    const id = await prepared()
    expect((await preparedView(id, who)).email!.files).toMatchObject([{ by: 'link' }])
    const { mail, documentId } = await send(id)
    expect(mail.attachments).toEqual([])
    const [token] = tokensIn(mail.html)
    expect(mail.text).toContain(`/d/${token}`)
    // looking gives nothing and counts as nobody: mail programs do that
    expect((await linkPage(token!))!.state).toBe('good')
    expect((await documentView(documentId)).fileLinks).toMatchObject([{ opened: 0 }])
    const stored = await one<{ bytes: Buffer }>(
      'select bytes from file join document_file using (sha256) where document_id = $documentId',
      { documentId },
    )
    expect(await gives(token!)).toEqual(stored!.bytes)
    expect(await gives(token!)).toEqual(stored!.bytes)
    const view = await documentView(documentId)
    expect(view.fileLinks).toMatchObject([{ opened: 2, ended: null }])
    expect(view.history.filter(({ words }) => words.includes('opened for the first time'))).toHaveLength(1)
    expect(view.email!.files).toMatchObject([{ by: 'link' }])
    expect((await proofOf(documentId, who)).bytes.byteLength).toBeGreaterThan(1000)
  })

  test('both ways it is attached as well', async () => {
    await wish('both')
    const { mail } = await send(await prepared())
    expect(mail.attachments).toHaveLength(1)
    expect(tokensIn(mail.html)).toHaveLength(1)
  })

  test('is attached as long as nobody has said where links lead', async () => {
    await wish('link')
    await changeSettings({ publicAddress: '' })
    const { mail } = await send(await prepared())
    expect(mail.attachments).toHaveLength(1)
    expect(tokensIn(mail.html)).toEqual([])
  })

  test('a link that was made up or changed by a letter gives nothing', async () => {
    await wish('link')
    const { mail } = await send(await prepared())
    const [token] = tokensIn(mail.html)
    const next = `${(Number.parseInt(token!, 36) + 1).toString(36)}${token!.slice(token!.indexOf('.'))}`
    const changed = token!.slice(0, -1) + (token!.endsWith('A') ? 'B' : 'A')
    for (const wrong of [next, changed, '1.', 'x', `${token}x`]) expect(await gives(wrong)).toBe('no link')
    expect(linkHtml(await linkPage(changed))).toContain('nothing at this address')
  })

  test('ended after a wrong recipient it gives nothing, and a copy has a new one', async () => {
    await wish('link')
    const { mail, documentId } = await send(await prepared())
    const [token] = tokensIn(mail.html)
    const [link] = (await documentView(documentId)).fileLinks
    await changeLinks(documentId, [link!.id], 'end', who)
    expect(await gives(token!)).toBe('ended')
    expect(linkHtml(await linkPage(token!))).toContain('has ended this link')
    await expect(changeLinks(documentId, [link!.id], 'end', who)).rejects.toMatchObject({
      code: 'no-such-link',
    })
    await expect(changeLinks(documentId, [link!.id], 'lengthen', who)).rejects.toMatchObject({
      code: 'no-such-link',
    })
    await sendCopy(documentId, { address: mailbox, again: true }, who)
    await until('the copy', async () => (await documentView(documentId)).fileLinks.length === 2)
    await until('its email', async () => tokensIn((await house.mails(mailbox))[0]!.html)[0] !== token)
    expect(await gives(tokensIn((await house.mails(mailbox))[0]!.html)[0]!)).toBeInstanceOf(Buffer)
    expect(await gives(token!)).toBe('ended')
  })

  test('of another document it cannot be ended from here', async () => {
    await wish('link')
    const [first, second] = [await send(await prepared()), await send(await prepared())]
    const [link] = (await documentView(first.documentId)).fileLinks
    await expect(changeLinks(second.documentId, [link!.id], 'end', who)).rejects.toMatchObject({
      code: 'no-such-link',
    })
    expect(await gives(tokensIn(first.mail.html)[0]!)).toBeInstanceOf(Buffer)
  })

  test('is over after its last day, until somebody keeps it open longer', async () => {
    await wish('link')
    const { mail, documentId } = await send(await prepared())
    const [token] = tokensIn(mail.html)
    await rows(`update signed_link set until = '2026-01-31' where until > '2026-01-31' returning id`)
    expect(await gives(token!)).toBe('over')
    const [link] = (await documentView(documentId)).fileLinks
    await changeLinks(documentId, [link!.id], 'lengthen', who)
    expect(await gives(token!)).toBeInstanceOf(Buffer)
  })

  test('asks for the code of its customer, and ends after ten that are wrong', async () => {
    await wish('link', { linkCode: 'Heather 7' })
    const { mail } = await send(await prepared())
    const [token] = tokensIn(mail.html)
    expect(linkHtml(await linkPage(token!))).toContain('name="code"')
    expect(mail.text).not.toContain('Heather')
    expect(await gives(token!)).toBe('wrong code')
    expect(await gives(token!, 'heather7')).toBeInstanceOf(Buffer)
    for (let count = 2; count < 10; count++) expect(await gives(token!, 'guess')).toBe('wrong code')
    expect(await gives(token!, 'guess')).toBe('ended')
    expect(await gives(token!, 'Heather 7')).toBe('ended')
  })
})

test('a confirmation stands in the email itself with its sums and no file; an invoice is attached', async () => {
  await changeSettings({ publicAddress: '' })
  const { id, version } = await customerView(house.customers[0]!.id, who)
  const body = { attach: 'body' as const }
  await changeCustomer(id, { version, preferences: { 'order confirmation': body, invoice: body } }, who)
  const order = await house.newOrder()
  await prepareByHand('order confirmation', [order], who)
  const confirmation = (await papersOf([order])).at(-1)!
  expect((await preparedView(confirmation.id, who)).email!.files).toMatchObject([{ by: 'body' }])
  const buyer = 'stores@ottermill.example'
  const before = (await house.mails(buyer)).length
  const { revision, total } = await preparedView(confirmation.id, who)
  await startRun([{ id: confirmation.id, revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(buyer)).length > before)
  const mail = (await house.mails(buyer))[0]!
  expect(mail.attachments).toEqual([])
  const sum = Number(total).toLocaleString('en-IE', { minimumFractionDigits: 2 })
  // the sum stands in the table of its lines, beside what the text says
  expect(String(mail.html).split(sum).length).toBeGreaterThan(2)
  // it is in the mailbox a moment before its copy is kept
  const kept = () =>
    rows<{ by: string }>(
      `select f ->> 'by' "by"
    from mail_copy
    cross join lateral jsonb_array_elements(files) f
    where subject = $subject`,
      { subject: mail.subject },
    )
  await until('its copy', async () => (await kept()).length > 0)
  expect(await kept()).toEqual([{ by: 'body' }])
  expect((await send(await prepared())).mail.attachments).toHaveLength(1)
})

test('its page needs nobody, runs nothing, and is kept by nobody on the way', async () => {
  await wish('link')
  const { mail } = await send(await prepared())
  const web = await startWeb()
  try {
    const address = `${web.base}/d/${tokensIn(mail.html)[0]}`
    const page = await fetch(address)
    expect(page.status).toBe(200)
    expect(page.headers.get('content-security-policy')).toContain("default-src 'none'")
    expect(page.headers.get('cache-control')).toBe('no-store')
    expect(page.headers.get('set-cookie')).toBeNull()
    expect(await page.text()).not.toContain('<script')
    const take = (origin: string) => fetch(address, { method: 'POST', headers: { origin } })
    const file = await take(web.base)
    expect(file.headers.get('content-disposition')).toContain('attachment')
    expect(
      Buffer.from(await file.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
    expect((await fetch(`${address}x`)).status).toBe(404)
    expect((await take('https://evil.example')).status).toBe(403)
  } finally {
    await web.stop()
  }
})

test('an email that is too large has its largest file behind a link, where the house says so', async () => {
  await wish(undefined)
  const large = Buffer.concat([Buffer.from('%PDF-1.4\n'), Buffer.alloc(7_600_000, 'x')])
  const id = await prepared()
  const rule = {
    kinds: [],
    brandId: null,
    groupId: null,
    language: null,
    from: null,
    until: null,
    goes: true,
    mostDownloads: null,
    goodDays: null,
  }
  for (const name of ['Catalogue.pdf', 'Map.pdf'])
    await addEnclosure({}, Buffer.concat([large, Buffer.from(name)]), { ...rule, name }, who)
  await until('that it is too large', async () => (await preparedView(id, who)).problem !== null)
  await changeSettings({ tooLarge: 'link' })
  await until('that it goes', async () => (await preparedView(id, who)).problem === null)
  const { mail } = await send(id)
  const linked = tokensIn(mail.html)
  expect(linked).toHaveLength(1)
  expect(mail.attachments).toHaveLength(2)
  expect(mail.attachments[0]!.filename).toMatch(/invoice/i)
  expect(mail.attachments.reduce((sum, file) => sum + file.size, 0)).toBeLessThan(20_000_000)
  await changeSettings({ tooLarge: 'stop' })
})
