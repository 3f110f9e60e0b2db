import { randomUUID } from 'node:crypto'
import { strFromU8, unzipSync } from 'fflate'
import { beforeAll, describe, expect, test } from 'vitest'
import { Customer } from '../../server/db/models'
import { changeCustomer } from '../../server/services/customers/customers'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { startRun } from '../../server/services/documents/send-run'
import { rehearseTexts } from '../../server/services/house/change-email'
import { changeHouse } from '../../server/services/house/settings'
import { checkSend } from '../../server/services/documents/send-check'
import { preparedView } from '../../server/services/line/in-hand'
import { inTheNameOf } from '../../server/services/people/principal'
import { one } from '../../server/db/connection'
import { papersOf, until, useHouse } from './house'

/* In which form a document goes along; and one text that is tried while all else goes for real. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const buyer = 'stores@ottermill.example'
const odt = 'application/vnd.oasis.opendocument.text'

async function confirmed() {
  const order = await house.newOrder({ status: 'Confirmed' })
  await prepareByHand('order confirmation', [order], who)
  return (await papersOf([order])).find(({ state }) => state === 'prepared')!.id
}
async function send(id: number, to = buyer) {
  const before = (await house.mails(to)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(to)).length > before)
  return (await house.mails(to))[0]!
}
const names = async (id: number) => (await preparedView(id, who)).email!.files.map(({ name }) => name)

beforeAll(async () => {
  const customer = (await Customer.findOne({ where: { number: '10417' } }))!
  const form = { form: 'odt' } as const
  const preferences = { 'order confirmation': form, invoice: form }
  await changeCustomer(customer.id, { version: customer.version, preferences }, who)
})

describe('a text to be edited', () => {
  test('goes in place of the PDF once the house allows it, and can be shown after', async () => {
    const id = await confirmed()
    expect(await names(id)).toEqual(['Order confirmation.pdf'])
    await changeHouse({ editableFiles: true })
    expect(await names(id)).toEqual(['Order confirmation.odt'])
    const mail = await send(id)
    expect(mail.attachments).toMatchObject([{ contentType: odt, filename: expect.stringMatching(/\.odt$/) }])
    const files = unzipSync(mail.attachments[0]!.content)
    expect(Object.keys(files)[0]).toBe('mimetype')
    expect(strFromU8(files['mimetype']!)).toBe(odt)
    expect(strFromU8(files['content.xml']!)).toContain('Ottermill Honey Co-op')
    const kept = await one<{ files: { name: string; sha256?: string }[] }>(
      `select m.files from mail_copy m
      join dispatch_document x on x.dispatch_id = m.dispatch_id
      join document d on d.id = x.document_id
      where d.prepared_id = $1`,
      [id],
    )
    expect(kept!.files).toMatchObject([{ sha256: expect.stringMatching(/^[0-9a-f]{64}$/) }])
    // the PDF is painted and stays the original
    expect(
      await one(
        'select f.sha256 from document_file f join document d on d.id = f.document_id where d.prepared_id = $1',
        [id],
      ),
    ).toBeDefined()
  })

  test('is never an invoice', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    expect(await names(paper!.id)).toEqual(['Invoice.pdf'])
    const mail = await send(paper!.id, 'accounts@ottermill.example')
    expect(mail.attachments.map(({ contentType }) => contentType)).toEqual(['application/pdf'])
  })
})

describe('a text that is tried', () => {
  const trying = 'tester@tansyhollow.example'

  test('goes to its own address as a rehearsal and the document stays due; other kinds go for real', async () => {
    const id = await confirmed()
    await rehearseTexts(1, 'order confirmation', trying)
    const { revision } = await preparedView(id, who)
    expect(await checkSend({ papers: [{ id, revision }] }, {})).toMatchObject({
      documents: 1,
      rehearsed: 1,
      emails: 0,
      sums: [],
    })
    const mail = await send(id, trying)
    expect(mail.subject).toMatch(/^\[Rehearsal\]/)
    expect((await preparedView(id, who)).state).toBe('prepared')
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    expect((await send(paper!.id, 'accounts@ottermill.example')).subject).not.toContain('Rehearsal')
    await rehearseTexts(1, 'order confirmation', '')
    expect((await send(id)).subject).not.toContain('Rehearsal')
  })

  test('goes to addresses only', async () => {
    await expect(rehearseTexts(1, 'invoice', 'nobody')).rejects.toMatchObject({
      code: 'bad-address',
      about: { field: 'address' },
    })
  })
})
