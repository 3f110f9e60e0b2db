import { randomUUID } from 'node:crypto'
import { PNG } from 'pngjs'
import { describe, expect, test } from 'vitest'
import { one } from '../../server/db/connection'
import { addEnclosure, hungOn, type EnclosureChange } from '../../server/services/enclosures/enclosures'
import { creditDocument } from '../../server/services/drafts/credit'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { startRun } from '../../server/services/documents/send-run'
import { findItems, optionsWorded } from '../../server/services/items/find'
import { itemPicture, itemView, keepItem } from '../../server/services/items/items'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import { changeLinks, openLink } from '../../server/services/links/links'
import { changeSettings } from '../../server/services/orders/settings'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* What goes with an item: its files, as links that end, its picture, and its choices in other languages. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'
const pdf = (words: string) => Buffer.from(`%PDF-1.4\n% ${words}\n%%EOF\n`)
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )
let itemId = 0
const item = (more = {}) => ({
  code: 'PLAN-1',
  names: { en: 'Building plan of a hive', de: 'Bauplan einer Beute' },
  unit: '',
  price: '12',
  taxCode: 'standard',
  ...more,
})
const hang = (name: string, more: Partial<EnclosureChange> = {}) =>
  addEnclosure(
    { itemId },
    pdf(name),
    {
      name,
      kinds: ['invoice'],
      brandId: null,
      groupId: null,
      language: null,
      from: null,
      until: null,
      goes: true,
      mostDownloads: null,
      goodDays: null,
      ...more,
    },
    who,
  )
async function sold(code: string) {
  const line = { description: 'Plan', detail: null, unit: '', discountPercent: '0', taxCode: 'standard' }
  const order = await house.newOrder({
    lines: [{ ...line, item: code, quantity: '1', unitPrice: '12.00' }],
  })
  await house.ship([order])
  return (await papersOf([order]))[0]!.id
}
async function sent(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  await house.settle()
  const mail = (await house.mails(mailbox))[0]!
  const { documentId } = (await one<{ documentId: number }>(
    'select id "documentId" from document where prepared_id = $id',
    { id },
  ))!
  const tokens = [...String(mail.html).matchAll(/https:\/\/papers\.meadow\.example\/d\/([\w.-]+)/g)]
  return { mail, documentId, tokens: tokens.map((match) => match[1]!) }
}
const gives = async (token: string) => {
  const found = await openLink(token, '')
  return found && 'file' in found ? found.file.name : found?.state
}

describe('a file of an item', () => {
  test('goes along with what bills the item and with nothing else, and hangs on no other', async () => {
    itemId = await keepItem(null, item())
    await hang('Plan.pdf')
    const { mail } = await sent(await sold('PLAN-1'))
    expect(mail.attachments.map((one) => one.filename)).toContain('Plan.pdf')
    const other = await sent(await sold('HB-10N'))
    expect(other.mail.attachments.map((one) => one.filename)).not.toContain('Plan.pdf')
    expect((await hungOn({ itemId })).map(({ name, item: of }) => [name, of])).toEqual([
      ['Plan.pdf', 'PLAN-1'],
    ])
    expect(await hungOn({ itemId: itemId + 1 })).toEqual([])
  })

  test('with a limit is refused where links lead nowhere', async () => {
    expect(await refused(hang('Three times.pdf', { mostDownloads: 3 }))).toBe('no-links mostDownloads')
    expect(await refused(hang('A week.pdf', { goodDays: 7 }))).toBe('no-links goodDays')
  })

  test('with a limit is never attached, is given so often, and more often once somebody allows it', async () => {
    await changeSettings({ publicAddress: 'https://papers.meadow.example' })
    await hang('Twice.pdf', { mostDownloads: 2, goodDays: 7 })
    const { mail, tokens, documentId } = await sent(await sold('PLAN-1'))
    expect(mail.attachments.map((one) => one.filename)).not.toContain('Twice.pdf')
    expect(tokens).toHaveLength(1)
    expect([await gives(tokens[0]!), await gives(tokens[0]!), await gives(tokens[0]!)]).toEqual([
      'Twice.pdf',
      'Twice.pdf',
      'used up',
    ])
    const link = async () => (await documentView(documentId)).fileLinks[0]!
    expect(await link()).toMatchObject({ opened: 2, mostOpened: 2 })
    const days = (Date.parse((await link()).until) - Date.now()) / 86_400_000
    expect(days).toBeGreaterThan(5)
    expect(days).toBeLessThan(8)
    await changeLinks(documentId, [(await link()).id], 'lengthen', who)
    expect([await gives(tokens[0]!), await gives(tokens[0]!), await gives(tokens[0]!)]).toEqual([
      'Twice.pdf',
      'Twice.pdf',
      'used up',
    ])
  })

  test('is given no more once its whole sale was credited; a part of it does not matter', async () => {
    const { tokens, documentId } = await sent(await sold('PLAN-1'))
    const credited = async (ask: Parameters<typeof creditDocument>[1]['ask']) => {
      const { credit } = await creditDocument(documentId, { ask, reason: 'Returned', anew: false }, who)
      await house.settle()
      const [paper] = await papersOf([credit])
      await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, {
        postOnly: true,
      })
    }
    expect(await gives(tokens[0]!)).toBe('Twice.pdf')
    await credited({ kind: 'amount', amount: '5.00' })
    expect(await gives(tokens[0]!)).toBe('Twice.pdf')
    await changeLinks(documentId, [(await documentView(documentId)).fileLinks[0]!.id], 'lengthen', who)
    await credited({ kind: 'whole' })
    expect(await gives(tokens[0]!)).toBe('withdrawn')
  })

  test('with a limit stops its email in plain sight where links lead nowhere any more', async () => {
    const id = await sold('PLAN-1')
    await changeSettings({ publicAddress: '' })
    await until('that it waits', async () => (await preparedView(id, who)).problem !== null)
    expect((await preparedView(id, who)).problem?.words).toMatch(/“Twice.pdf” goes as a link only/)
    await changeSettings({ publicAddress: 'https://papers.meadow.example' })
    await until('that it can go', async () => (await preparedView(id, who)).problem === null)
  })
})

describe('the picture of an item', () => {
  const png = (side: number) => {
    const picture = new PNG({ width: side, height: side })
    picture.data.fill(120)
    return PNG.sync.write(picture)
  }
  const version = async () => (await itemView(itemId)).version

  test('is kept and shown, stays where it is not named, and goes where it is taken away', async () => {
    await keepItem(itemId, item({ picture: png(80) }), await version())
    const first = (await itemView(itemId)).pictureAt
    expect(first).toMatch(new RegExp(`^/api/items/${itemId}/picture\\?v=`))
    expect(await itemPicture(itemId)).toMatchObject({ mediaType: 'image/png' })
    await keepItem(itemId, item({ price: '13' }), await version())
    expect((await itemView(itemId)).pictureAt).toBe(first)
    await keepItem(itemId, item({ picture: png(90) }), await version())
    expect((await itemView(itemId)).pictureAt).not.toBe(first)
    await keepItem(itemId, item({ picture: null }), await version())
    expect((await itemView(itemId)).pictureAt).toBeNull()
    expect(await refused(itemPicture(itemId))).toBe('no-such-file')
  })

  test('is a picture, or it is refused and nothing is changed', async () => {
    const before = await version()
    const bad = [pdf('no picture'), png(20), Buffer.from('<svg><script/></svg>')]
    for (const picture of bad)
      expect(await refused(keepItem(itemId, item({ picture }), before))).toBe('bad-picture picture')
    expect(await version()).toBe(before)
  })
})

describe('the choices of an item', () => {
  const options = [
    {
      name: 'Size',
      values: ['small', 'large'],
      wordings: { de: { name: 'Größe', values: ['klein', 'groß'] } },
    },
  ]
  const keep = async (of: object[]) =>
    keepItem(itemId, item({ options: of }), (await itemView(itemId)).version)

  test('are offered in the language of the order', async () => {
    await keep(options)
    const [german] = await findItems({ search: 'PLAN-1', language: 'de' })
    expect(german!.options).toEqual([{ name: 'Größe', values: ['klein', 'groß'] }])
    const [french] = await findItems({ search: 'PLAN-1', language: 'fr' })
    expect(french!.options).toEqual([{ name: 'Size', values: ['small', 'large'] }])
    expect(await optionsWorded(['PLAN-1'], 'de')).toEqual([{ code: 'PLAN-1', options: german!.options }])
  })

  test('are refused with other values than they have', async () => {
    const wordings = { de: { name: 'Größe', values: ['klein'] } }
    expect(await refused(keep([{ ...options[0], wordings }]))).toBe('misworded options.0.de')
  })
})
