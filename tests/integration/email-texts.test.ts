import { randomUUID } from 'node:crypto'
import { PNG } from 'pngjs'
import { describe, expect, test } from 'vitest'
import type { Body, Line, Mark } from '../../core/emailtexts/nodes'
import { rows, run } from '../../server/db/connection'
import { keepPicture } from '../../server/services/pictures/pictures'
import { startRun } from '../../server/services/documents/send-run'
import { addOwnField, dropOwnField } from '../../server/services/fields/own-fields'
import { brandViews } from '../../server/services/house/change'
import { changeEmail } from '../../server/services/house/change-email'
import { preparedView } from '../../server/services/line/in-hand'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* What the house's email texts can say, from the text as it is saved to the email that leaves. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'

const words = (text: string, ...marks: Mark[]) => ({ type: 'text' as const, text, marks })
const field = (name: string, instead = '') => ({ type: 'field' as const, attrs: { name, instead } })
const body = (...content: NonNullable<Line['content'][number]['content']>): Line => ({
  type: 'doc',
  content: [{ type: 'paragraph', content }],
})
const filled = (name: string): Mark => ({ type: 'passage', attrs: { field: name, is: 'there', not: false } })

async function keepText(text: Body, subject: Line = body(field('document'))) {
  const [brand] = await brandViews('invoice')
  const { version, emailLook: look } = brand!
  const change = { kind: 'invoice', purpose: 'first', language: 'en', version, look, subject, text } as const
  await changeEmail(brand!.id, change, who)
}

async function shipped(change: Parameters<typeof house.newOrder>[0] = {}) {
  const order = await house.newOrder(change)
  await house.ship([order])
  const [paper] = await papersOf([order])
  return paper!.id
}
async function sent(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  return (await house.mails(mailbox))[0]!
}
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )

describe('an email text with what the house keeps of orders and customers', () => {
  test('says it, asks whether it is filled, and says what stands instead', async () => {
    const own = { kind: 'date' as const, choices: [], labels: {}, printed: false }
    await addOwnField({ ...own, of: 'order', name: 'Crane day' })
    await addOwnField({ ...own, of: 'customer', name: 'Gate code', kind: 'text' })
    await run(`update customer set fields = '{"Gate code": "7711 <b>"}' where id = $1`, [
      house.customers[0]!.id,
    ])
    await keepText(
      body(
        words('Ordered '),
        field('ordered'),
        words(', sold by '),
        field('salesperson'),
        words(', gate '),
        field('customer.Gate code', 'open'),
        words('.'),
        words(' The crane comes on ', filled('order.Crane day')),
        { ...field('order.Crane day'), marks: [filled('order.Crane day')] },
      ),
    )
    const withCrane = await sent(await shipped({ fields: { 'Crane day': '2026-12-01' } }))
    expect(withCrane.text).toContain(
      'Ordered 20 November 2026, sold by Maeve Tarrant, gate 7711 <b>. The crane comes on 1 December 2026',
    )
    expect(withCrane.html).toContain('gate 7711 &lt;b&gt;.')
    await run(`update customer set fields = '{}', version = version + 1`)
    const without = await sent(await shipped())
    expect(without.text).toContain('sold by Maeve Tarrant, gate open.')
    expect(without.text).not.toContain('crane')
  })

  test('stops an email that lacks one with nothing in its stead', async () => {
    await keepText(body(words('On '), field('order.Crane day')))
    const id = await shipped()
    const { revision, problem } = await preparedView(id, who)
    expect(problem?.words).toContain('Crane day')
    expect(revision).toBeGreaterThan(0)
  })

  test('names no field that the house does not have; one that is named stays', async () => {
    expect(await refused(keepText(body(field('order.Crane dya'))))).toBe('unknown-merge-field')
    await keepText(body(words('On '), field('order.Crane day', 'no day')))
    await run(`update sales_order set fields = '{}'`)
    const [{ id }] = (await rows<{ id: number }>(`select id from own_field where name = 'Crane day'`)) as [
      { id: number },
    ]
    await expect(dropOwnField(id)).rejects.toThrow('email text of Tansy Hollow Apiary Supply, invoice names')
    await keepText(body(words('Hello')))
    expect(await refused(dropOwnField(id))).toBe('done')
  })
})

describe('pictures', () => {
  const png = (width: number, height = 60) => PNG.sync.write(new PNG({ width, height }))
  const picture = (sha256: string, alt = 'Our stand "B"') => ({ sha256, alt, width: 300 })

  test('count in the size of the email, before it is drawn and as it is sent', async () => {
    const id = await shipped()
    const before = (await preparedView(id, who)).email!
    const { sha256 } = await keepPicture(jpegOf(400_000))
    const text: Body = body(words('Hello'))
    text.content.push({ type: 'picture', attrs: picture(sha256) })
    await keepText(text)
    await until('it to be built anew', async () => (await preparedView(id, who)).email!.pictures > 0)
    const now = (await preparedView(id, who)).email!
    expect(now.pictures).toBeGreaterThan(390_000)
    expect(now.size! - before.size!).toBeGreaterThan(520_000)
  })

  test('travel in the email, with their words for who does not see them', async () => {
    const { sha256 } = await keepPicture(png(600))
    const text: Body = body(words('Come and see us:'))
    text.content.push({ type: 'picture', attrs: picture(sha256) })
    await keepText(text)
    const id = await shipped()
    const { email } = await preparedView(id, who)
    expect(email!.html).toContain('src="data:image/png;base64,')
    const mail = await sent(id)
    expect(mail.text).toContain('[Our stand "B"]')
    const [inline] = mail.attachments.filter((one) => one.related)
    expect(inline).toMatchObject({ contentType: 'image/png', contentDisposition: 'inline' })
    expect(PNG.sync.read(inline!.content).width).toBe(600)
    // mailparser puts the part where the HTML names it
    expect(mail.html).toContain('alt="Our stand &quot;B&quot;" width="300"')
    expect(mail.html).toContain('src="data:image/png;base64,')
    expect(mail.attachments.filter((one) => !one.related).map((one) => one.contentType)).toEqual([
      'application/pdf',
    ])
  })

  test('are refused where they are none, too heavy, or not kept here', async () => {
    expect(await refused(keepPicture(Buffer.from('<html>')))).toBe('bad-picture')
    expect(await refused(keepPicture(jpegOf(600_000)))).toBe('bad-picture')
    const text: Body = body(words('See:'))
    text.content.push({ type: 'picture', attrs: picture('0'.repeat(64)) })
    expect(await refused(keepText(text))).toBe('no-such-picture')
  })

  test('of a banner stand above the text in its season, and lead where they should', async () => {
    const { sha256 } = await keepPicture(png(500))
    const [brand] = await brandViews('invoice')
    const banner = (from: string | null, until: string | null) => ({
      ...picture(sha256, 'Autumn fair'),
      href: 'https://fair.example',
      from,
      until,
    })
    const keepBanner = async (from: string | null, until: string | null) => {
      const { version } = (await brandViews('invoice'))[0]!
      const look = { ...brand!.emailLook, banner: banner(from, until) }
      const [subject, text] = [body(words('Invoice')), body(words('Hello'))]
      const change = {
        kind: 'invoice',
        purpose: 'first',
        language: 'en',
        version,
        look,
        subject,
        text,
      } as const
      await changeEmail(brand!.id, change, who)
    }
    await keepBanner('2020-01-01', null)
    const mail = await sent(await shipped())
    expect(mail.html).toMatch(/<a href="https:\/\/fair.example"><img src="data:image\/png/)
    expect(mail.text).toContain('[Autumn fair] https://fair.example\n\nHello')
    await keepBanner('2020-01-01', '2021-01-01')
    const after = await sent(await shipped())
    expect(after.html).not.toContain('<img')
    expect(after.text).not.toContain('fair.example')
  })
})

/** A JPEG of about so many bytes: its picture, then a comment (ITU T.81, B.2.4.5) as often as it takes. */
function jpegOf(size: number): Buffer {
  const comment = Buffer.concat([Buffer.from([0xff, 0xfe, 0xff, 0xff]), Buffer.alloc(65_533)])
  const comments = Array.from({ length: Math.ceil(size / comment.length) }, () => comment)
  const frame = Buffer.from([0xff, 0xc0, 0, 11, 8, 0, 80, 0, 80, 1, 1, 0x11, 0, 0xff, 0xd9])
  return Buffer.concat([Buffer.from([0xff, 0xd8]), ...comments, frame])
}
