import { randomUUID } from 'node:crypto'
import { Op } from 'sequelize'
import { describe, expect, test } from 'vitest'
import { fromBraces } from '../../core/emailtexts/braces'
import { bodyOf, fieldsIn } from '../../core/emailtexts/nodes'
import { rows } from '../../server/db/connection'
import { Brand, Routine } from '../../server/db/models'
import { keepSender } from '../../server/services/house/senders'
import { changeHouse } from '../../server/services/house/settings'
import { sendOneToMe } from '../../server/services/documents/rehearse'
import { startRun } from '../../server/services/documents/send-run'
import { orderView } from '../../server/services/orders/list'
import { editOrder } from '../../server/services/orders/orders'
import { preparedView } from '../../server/services/line/in-hand'
import { writeOwnEmail } from '../../server/services/line/own-email'
import { inTheNameOf } from '../../server/services/people/principal'
import { historyWords, papersOf, until, useHouse } from './house'

/* The email of one document that needs a word of its own. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )

async function shipped() {
  const order = await house.newOrder()
  await house.ship([order])
  const [paper] = await papersOf([order])
  return { order, id: paper!.id }
}
const view = (id: number) => preparedView(id, who)
async function send(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await view(id)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  return (await house.mails(mailbox))[0]!
}
const words = {
  subject: fromBraces('As we spoke: invoice {{ number }}'),
  text: fromBraces('Dear Nuala,\n\nas we spoke, {{ total }} by {{ due }}.'),
  cc: ['till@ottermill.example'],
  bcc: ['audit@ottermill.example'],
  leftOut: [],
  added: [],
}

describe('an email with words of its own', () => {
  test('leaves as it was written, its number filled in; hidden copies are named to nobody', async () => {
    const { id, order } = await shipped()
    const { revision, words: supplied } = await view(id)
    expect(supplied!.own).toBe(false)
    expect(fieldsIn(supplied!.subject)).toEqual(['number'])
    await writeOwnEmail(id, revision, words, who)
    const seen = await view(id)
    expect(seen.words).toMatchObject({ ...words, own: true })
    expect(seen.email!.subject).toBe('As we spoke: invoice …')
    expect(seen.email!.to.map((to) => `${to.as} ${to.address}`)).toEqual([
      `To ${mailbox}`,
      'CC till@ottermill.example',
      'BCC audit@ottermill.example',
    ])

    const mail = await send(id)
    const [{ number }] = (await rows<{ number: string }>(
      'select number from document where prepared_id = $1',
      [id],
    )) as [{ number: string }]
    expect(mail.subject).toBe(`As we spoke: invoice ${number}`)
    expect(mail.text).toMatch(/as we spoke, [\d,.]+\s*EUR by \d/)
    expect(mail.html).toContain('as we spoke')
    const headers = mail.headerLines.map((one) => one.line).join('\n')
    expect(headers).toContain('till@ottermill.example')
    expect(headers).not.toContain('audit@ottermill.example')
    for (const copy of ['till@ottermill.example', 'audit@ottermill.example'])
      expect((await house.mails(copy))[0]!.subject).toBe(mail.subject)
    expect((await historyWords(order)).join('\n')).toContain('Its email was written for this once')
  })

  test('comes from whom it is said for this once, and its answers go there', async () => {
    const brandId = house.brands[0]!.id
    const { id: elsewhere } = (await Brand.findOne({ where: { id: { [Op.ne]: brandId } } }))!
    const sender = {
      kind: null,
      namesPerson: false,
      answersTo: 'brand',
      replyTo: '',
      mailAccountId: null,
    } as const
    const routine = (await Routine.findOne())!
    const warehouse = {
      ...sender,
      name: 'Warehouse',
      address: 'yard@tansyhollow.example',
      routineId: routine.id,
    }
    const senderId = await keepSender(null, { ...warehouse, brandId })
    const shop = await keepSender(null, { ...warehouse, brandId: elsewhere, name: 'Shop' })
    const { id } = await shipped()
    const { revision } = await view(id)
    const own = { ...words, senderId, replyTo: 'desk@tansyhollow.example' }
    expect(await refused(writeOwnEmail(id, revision, { ...own, senderId: shop }, who))).toBe(
      'no-such-sender senderId',
    )
    expect(await refused(writeOwnEmail(id, revision, { ...own, replyTo: 'desk@' }, who))).toBe(
      'bad-address replyTo',
    )
    await writeOwnEmail(id, revision, { ...own, senderId: 0, replyTo: '' }, who)
    expect((await view(id)).email!.from).toContain('accounts@tansyhollow.example')
    await writeOwnEmail(id, revision + 1, own, who)
    expect((await view(id)).email).toMatchObject({
      from: 'Warehouse <yard@tansyhollow.example>',
      replyTo: 'desk@tansyhollow.example',
    })
    const mail = await send(id)
    expect(mail.from!.text).toBe('"Warehouse" <yard@tansyhollow.example>')
    expect(mail.replyTo!.text).toBe('desk@tansyhollow.example')
  })

  test('goes with a link for this once, where the customer has files attached', async () => {
    await changeHouse({ publicAddress: 'https://papers.tansyhollow.example' })
    const { id } = await shipped()
    const { revision, email } = await view(id)
    expect(email!.files.map(({ by }) => by)).toEqual(['attached'])
    await writeOwnEmail(id, revision, { ...words, attach: 'link' }, who)
    expect((await view(id)).email!.files.map(({ by }) => by)).toEqual(['link'])
    const mail = await send(id)
    expect(mail.attachments).toEqual([])
    expect(mail.text).toMatch(/https:\/\/papers\.tansyhollow\.example\/d\/\S+/)
    expect((await send((await shipped()).id)).attachments).toHaveLength(1)
  })

  test('says the same in the one that a person has sent to themselves', async () => {
    const { id } = await shipped()
    await writeOwnEmail(id, (await view(id)).revision, words, who)
    await sendOneToMe(id, { ...who, email: 'col@tansyhollow.example' })
    await until('it to be here', async () => (await house.mails('col@tansyhollow.example')).length > 0)
    const [mail] = await house.mails('col@tansyhollow.example')
    expect(mail!.subject).toMatch(/As we spoke: invoice REHEARSAL-\d+/)
  })

  test('says what the house says again, once somebody takes the words back', async () => {
    const { id } = await shipped()
    await writeOwnEmail(id, (await view(id)).revision, words, who)
    await writeOwnEmail(id, (await view(id)).revision, null, who)
    expect((await view(id)).words).toMatchObject({ own: false, cc: [], bcc: [] })
    expect((await send(id)).subject).not.toContain('As we spoke')
  })

  test('keeps them while its document is built anew, and says the sum that then holds', async () => {
    const { id, order } = await shipped()
    await writeOwnEmail(id, (await view(id)).revision, words, who)
    const { version, lines, reference, customerNote } = await orderView(order)
    await editOrder(
      order,
      { version, lines: lines.map((line) => ({ ...line, quantity: '1' })), reference, customerNote },
      who,
    )
    await house.settle()
    const { email, words: kept } = await view(id)
    expect(kept!.own).toBe(true)
    expect(email!.text).toContain('51.05')
  })

  test('is refused where it could not leave so, or where somebody changed the document meanwhile', async () => {
    const { id } = await shipped()
    const { revision } = await view(id)
    const write = (change: Partial<typeof words>, from = revision) =>
      refused(writeOwnEmail(id, from, { ...words, ...change }, who))
    expect(await write({ cc: ['nobody'] })).toBe('bad-address cc')
    expect(await write({ text: fromBraces('Dear {{ nobody }}') })).toBe('unknown-merge-field text')
    expect(await write({ subject: bodyOf(' ') })).toBe('empty-subject subject')
    expect(await write({}, revision - 1)).toBe('changed-again')
    expect((await view(id)).words!.own).toBe(false)
    expect(await write({})).toBe('done')
    expect(await write({ subject: bodyOf('Second') })).toBe('changed-again')
  })
})
