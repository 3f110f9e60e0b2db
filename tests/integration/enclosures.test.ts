import { randomUUID } from 'node:crypto'
import { describe, expect, onTestFinished, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import {
  addEnclosure,
  changeEnclosure,
  dropEnclosure,
  enclosures,
  hungOn,
  type EnclosureChange,
  type HangsOn,
} from '../../server/services/enclosures/enclosures'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import { sentFile } from '../../server/services/line/email-view'
import { writeOwnEmail } from '../../server/services/line/own-email'
import { changeHouse } from '../../server/services/house/settings'
import { inTheNameOf, theHouse } from '../../server/services/people/principal'
import { sendDispatches } from '../../server/services/dispatch/send'
import { startRun } from '../../server/services/documents/send-run'
import { papersOf, until, useHouse } from './house'

/* Files that go along: to whom, from when to when, at most how much, and what is kept of them. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'
const pdf = (words: string) => Buffer.from(`%PDF-1.4\n% ${words}\n%%EOF\n`)
const rule = (name: string, more: Partial<EnclosureChange> = {}): EnclosureChange => ({
  name,
  kinds: [],
  brandId: null,
  groupId: null,
  language: null,
  from: null,
  until: null,
  goes: true,
  mostDownloads: null,
  goodDays: null,
  ...more,
})
const add = (name: string, more: Partial<EnclosureChange> = {}, on: HangsOn = {}) =>
  addEnclosure(on, pdf(name), rule(name, more), who)
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )
async function shipped() {
  const order = await house.newOrder()
  await house.ship([order])
  return { order, id: (await papersOf([order]))[0]!.id }
}
const filesOf = async (id: number) =>
  (await preparedView(id, who)).email!.files.flatMap((file) =>
    file.enclosure ? `${file.name} ${file.enclosure.source}` : [],
  )
async function sent(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  return (await house.mails(mailbox))[0]!
}

describe('a file that goes along', () => {
  test('leaves with the documents that it is for, is kept as it was sent, and stays away from others', async () => {
    const { order, id } = await shipped()
    await add('Terms of sale.pdf', { kinds: ['invoice'] })
    await add('For confirmations.pdf', { kinds: ['order confirmation'] })
    await add('Auf Deutsch.pdf', { language: 'de' })
    await add('Of the shop.pdf', { brandId: house.brands[1]!.id })
    await add('Last season.pdf', { until: '2026-01-31' })
    await add('Retired.pdf', { goes: false })
    await add('Drawing.pdf', {}, { sourceId: order })
    await add('Of this customer.pdf', {}, { customerId: house.customers[0]!.id })
    const expected = ['Drawing.pdf order', 'Of this customer.pdf customer', 'Terms of sale.pdf kind']
    expect(await filesOf(id)).toEqual(expected)
    const mail = await sent(id)
    expect(mail.attachments.map((file) => `${file.contentType} ${file.filename}`)).toEqual([
      expect.stringMatching(/^application\/pdf .*Invoice/i),
      'application/pdf Drawing.pdf',
      'application/pdf Of this customer.pdf',
      'application/pdf Terms of sale.pdf',
    ])
    expect(mail.attachments[1]!.content).toEqual(pdf('Drawing.pdf'))

    const drawing = (await hungOn({ sourceId: order }))[0]!
    await dropEnclosure(drawing.id, who)
    const document = (await one<{ id: number }>('select id from document where source_id = $1', [order]))!
    const { email, history } = await documentView(document.id)
    const kept = email!.files.find((file) => file.name === 'Drawing.pdf')!
    const [, dispatch, sha256] = /dispatches\/(\d+)\/files\/(\w+)$/.exec(kept.url!)!
    expect((await sentFile(Number(dispatch), sha256!)).bytes).toEqual(pdf('Drawing.pdf'))
    expect(history.map((entry) => entry.words)).toEqual(
      expect.arrayContaining([
        '“Drawing.pdf” goes along from now on.',
        '“Drawing.pdf” was taken away: it goes along no more.',
      ]),
    )
    expect(await filesOf((await shipped()).id)).toEqual(expected.slice(1))
  })

  test('is left out, or added, for one email alone', async () => {
    const { id } = await shipped()
    const terms = (await enclosures(theHouse)).find((file) => file.name === 'Terms of sale.pdf')!
    const added = await add('Price list.pdf', {}, { preparedId: id })
    expect(await filesOf(id)).not.toContain('Price list.pdf once')
    const { revision, words } = await preparedView(id, who)
    const { subject, text } = words!
    const own = { subject, text, cc: [], bcc: [], leftOut: [terms.id], added: [added.id] }
    await writeOwnEmail(id, revision, own, who)
    const mail = await sent(id)
    expect(mail.attachments.slice(1).map((file) => file.filename)).toEqual([
      'Price list.pdf',
      'Of this customer.pdf',
    ])
    const other = (await shipped()).id
    expect(await filesOf(other)).toEqual(['Of this customer.pdf customer', 'Terms of sale.pdf kind'])
    const stolen = { ...own, added: [added.id] }
    expect(await refused(writeOwnEmail(other, (await preparedView(other, who)).revision, stolen, who))).toBe(
      'no-such-enclosure files',
    )
  })

  test('over the largest email stops it before it has a number, and lets it go once it is smaller', async () => {
    const { order, id } = await shipped()
    const large = (name: string) =>
      addEnclosure({ sourceId: order }, Buffer.concat([pdf(name), Buffer.alloc(9_000_000)]), rule(name), who)
    await large('Plan A.pdf')
    const second = await large('Plan B.pdf')
    await until('the problem', async () => (await preparedView(id, who)).problem !== null)
    expect((await preparedView(id, who)).problem?.words).toMatch(/has 24\.\d MB.*at most 20 MB/)
    await dropEnclosure(second.id, who)
    await until('it can go', async () => (await preparedView(id, who)).problem === null)
    expect((await sent(id)).attachments).toHaveLength(4)
  })

  test('too much for one email goes in several where the house wants that, each once, and says so before', async () => {
    await changeHouse({ tooLarge: 'split' })
    onTestFinished(() => changeHouse({ tooLarge: 'stop' }))
    const { order, id } = await shipped()
    for (const name of ['Plan C.pdf', 'Plan D.pdf', 'Plan E.pdf'])
      await addEnclosure(
        { sourceId: order },
        Buffer.concat([pdf(name), Buffer.alloc(9_000_000)]),
        rule(name),
        who,
      )
    const { problem, email } = await preparedView(id, who)
    expect({ problem, emails: email!.emails }).toEqual({ problem: null, emails: 3 })
    const names = email!.files.map((file) => file.name).filter((name) => !name.startsWith('Invoice'))
    const before = (await house.mails(mailbox)).length
    await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
    const document = () => one<{ id: number }>('select id from document where source_id = $1', [order])
    const gone = async () => {
      const { dispatches } = await documentView((await document())!.id)
      return dispatches.filter(({ state }) => state === 'on the way').length
    }
    await until('three emails', async () => (await document()) !== undefined && (await gone()) === 3)
    const mails = (await house.mails(mailbox)).slice(0, -before)
    expect(mails.map((mail) => mail.subject!.slice(-8)).sort()).toEqual(['(1 of 3)', '(2 of 3)', '(3 of 3)'])
    const attached = mails.flatMap((mail) => mail.attachments.map((one) => one.filename!))
    expect(attached.filter((name) => !name.startsWith('Invoice')).sort()).toEqual(names.sort())
    expect(attached).toHaveLength(names.length + 1)
    expect(new Set(mails.map((mail) => mail.messageId)).size).toBe(3)
    for (const mail of mails) expect(mail.text).toContain('the files were too large for one.')
    const { id: documentId } = (await one<{ id: number }>('select id from document where source_id = $1', [
      order,
    ]))!
    const { dispatches, history } = await documentView(documentId)
    expect(dispatches.map(({ isCopy, state }) => [isCopy, state])).toEqual([
      [true, 'on the way'],
      [true, 'on the way'],
      [false, 'on the way'],
    ])
    expect(history.map(({ words }) => words)).toContain('Too large for one email: it goes in 3.')
  })

  test('of one of several emails that is another file by now stops that one, and says which', async () => {
    const { order, id } = await shipped()
    await run('update prepared_document set delay_minutes = 30 where id = $1', [id])
    await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
    const waiting = async () =>
      one<{ id: number; state: string; reply: string | null }>(
        `select s.id, s.state, s.last_reply reply
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        join document d on d.id = dd.document_id
        where d.source_id = $1 and s.ready`,
        [order],
      )
    await until('it to wait', async () => (await waiting()) !== undefined)
    const part = { place: 2, of: 2, files: [{ name: 'Plan G.pdf', sha256: 'of before', size: 9 }] }
    await run('update dispatch set part = $2::jsonb, not_before = now(), next_try_at = now() where id = $1', [
      (await waiting())!.id,
      JSON.stringify(part),
    ])
    await sendDispatches([(await waiting())!.id], 'test')
    expect(await waiting()).toMatchObject({
      state: 'stuck',
      reply: expect.stringContaining('Plan G.pdf became another file since this email was split.'),
    })
  })

  test('can be changed, not by two at once', async () => {
    const [file] = await enclosures(theHouse)
    const change = { ...rule('Renamed'), version: file!.version }
    await changeEnclosure(file!.id, change, undefined, who)
    expect((await enclosures(theHouse)).find((one) => one.id === file!.id)!.name).toBe('Renamed.pdf')
    expect(await refused(changeEnclosure(file!.id, change, undefined, who))).toBe('changed-meanwhile')
  })

  test.each([
    ['a program', Buffer.from('MZ\x90\x00\x03\x00\x00\x00\x04\x00'), 'offer.pdf', 'bad-file file'],
    ['a page with scripts', Buffer.from('<html><script>x()</script>'), 'offer.html', 'bad-file file'],
    ['an archive', Buffer.from('504b0304140000000800', 'hex'), 'files.zip', 'bad-file file'],
    ['nothing', Buffer.alloc(0), 'empty.pdf', 'bad-file file'],
    ['bytes called text', Buffer.from([65, 0, 66]), 'notes.txt', 'bad-file file'],
    ['the same once more', pdf('Of everyone.pdf'), 'again.pdf', 'same-file file'],
  ])('%s is refused', async (_what, bytes, name, expected) => {
    if (!(await enclosures(theHouse)).some((file) => file.name === 'Of everyone.pdf'))
      await add('Of everyone.pdf')
    const before = await enclosures(theHouse)
    expect(await refused(addEnclosure({}, bytes, rule(name), who))).toBe(expected)
    expect(await enclosures(theHouse)).toEqual(before)
  })

  test('of one content goes along by several rules, and rides once', async () => {
    const { id } = await shipped()
    const twice = () => filesOf(id).then((files) => files.filter((file) => file.startsWith('Of everyone')))
    await addEnclosure({}, pdf('Of everyone.pdf'), rule('Of everyone.pdf', { kinds: ['invoice'] }), who)
    expect(await twice()).toEqual(['Of everyone.pdf kind'])
  })

  test('that ends before it begins is refused', async () => {
    expect(await refused(add('x.pdf', { from: '2026-12-01', until: '2026-11-01' }))).toBe('wrong-days until')
  })
})
