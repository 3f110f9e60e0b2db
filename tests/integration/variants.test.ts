import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { fromBraces } from '../../core/emailtexts/braces'
import type { EmailPurpose } from '../../core/emailtexts/purposes'
import { documentKinds } from '../../core/documents/kinds'
import type { Preferences } from '../../core/preferences/recipients'
import { rows, run } from '../../server/db/connection'
import { Customer, CustomerGroup } from '../../server/db/models'
import { changeCustomer } from '../../server/services/customers/customers'
import { startRun } from '../../server/services/documents/send-run'
import { brandViews, changeLook } from '../../server/services/house/change'
import { changeEmail } from '../../server/services/house/change-email'
import { emailVersions } from '../../server/services/house/email-versions'
import { addVariant, changeVariant, giveUpOwn, variants } from '../../server/services/house/variants'
import { copyToWrite, sendCopy } from '../../server/services/line/copy'
import { preparedView } from '../../server/services/line/in-hand'
import { madeWith, makeWith } from '../../server/services/line/made-with'
import { writeOwnEmail } from '../../server/services/line/own-email'
import { inTheNameOf } from '../../server/services/people/principal'
import { historyWords, papersOf, until, useHouse } from './house'

/* Email texts and designs of their own for some customers, and for one document. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )
const brand = async () => (await brandViews('invoice'))[0]!
let schools: number
let trade: number

async function write(words: string, variantId: number | null, purpose: EmailPurpose = 'first') {
  const { id, version, emailLook: look } = await brand()
  await changeEmail(
    id,
    {
      version,
      kind: 'invoice',
      purpose,
      language: 'en',
      variantId,
      subject: fromBraces(`${words} {{ number }}`),
      text: fromBraces(`${words}.`),
      look,
    },
    who,
  )
}
async function give(preferences: Preferences) {
  const customer = (await Customer.findOne({ where: { number: '10417' } }))!
  await changeCustomer(customer.id, { version: customer.version, preferences }, who)
}
async function shipped() {
  const order = await house.newOrder()
  await house.ship([order])
  const [paper] = await papersOf([order])
  return { order, id: paper!.id }
}
const view = (id: number) => preparedView(id, who)
const subjectOf = async (id: number) => (await view(id)).email!.subject
async function send(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await view(id)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  return (await house.mails(mailbox))[0]!
}

beforeAll(async () => {
  schools = await addVariant('Schools')
  trade = await addVariant('Trade')
  await write('For schools', schools)
})

describe('an email text of a variant', () => {
  test('reaches who has it, by the customer before the group, and nobody else', async () => {
    const { id } = await shipped()
    expect(await subjectOf(id)).toMatch(/^Invoice/)
    await CustomerGroup.update({ preferences: { invoice: { text: schools } } }, { where: {} })
    await run('update customer set group_name = (select min(name) from customer_group) where number = $1', [
      '10417',
    ])
    expect(await subjectOf((await shipped()).id)).toBe('For schools …')
    await give({ invoice: { text: 0 } })
    expect(await subjectOf((await shipped()).id)).toMatch(/^Invoice/)
    await CustomerGroup.update({ preferences: {} }, { where: {} })
    await give({ invoice: { text: schools } })
    const { id: theirs } = await shipped()
    expect(await view(theirs)).toMatchObject({ textVariant: 'Schools', designVariant: null, asOnce: null })
    expect((await send(theirs)).subject).toMatch(/^For schools INV-/)
  })

  test('reaches what is prepared already, once somebody changes it or gives it', async () => {
    const { id } = await shipped()
    await write('For our schools', schools)
    await until('it to be built anew', async () => (await subjectOf(id)) === 'For our schools …')
    await give({ invoice: { text: trade } })
    await until('the brand’s own', async () => /^Invoice/.test(await subjectOf(id)))
    await give({ invoice: { text: schools } })
    await until('theirs again', async () => (await subjectOf(id)) === 'For our schools …')
  })

  test('stays as it is when the brand’s own changes, and has versions of its own', async () => {
    await write('Your invoice', null)
    const own = await brand()
    const [theirs] = own.ofVariants.notes
    expect(
      own.notes.find((one) => one.purpose === 'first' && one.language === 'en')!.madeAt > theirs!.madeAt,
    ).toBe(true)
    const versions = await emailVersions(own.id, 'invoice', 'first', 'en', schools)
    expect(versions.map(({ version }) => version)).toEqual([2, 1])
    expect(await subjectOf((await shipped()).id)).toBe('For our schools …')
  })

  test('is of the copy that somebody asks for, too', async () => {
    await write('Once more for schools', schools, 'again')
    const { id } = await shipped()
    await send(id)
    const [document] = await rows<{ id: number }>('select id from document where prepared_id = $1', [id])
    await sendCopy(document!.id, { address: 'office@elsewhere.example' }, who)
    await until('the copy', async () => (await house.mails('office@elsewhere.example')).length > 0)
    expect((await house.mails('office@elsewhere.example'))[0]!.subject).toMatch(/^Once more for schools INV-/)

    // another is picked for this one copy: the brand's own, or of a variant that is in use and has one
    const { texts, email } = await copyToWrite(document!.id, 'again', who)
    expect(texts.map(({ name }) => name)).toEqual(['Schools'])
    expect(email.subject).toMatch(/^Once more for schools/)
    expect((await copyToWrite(document!.id, 'again', who, 0)).email.subject).toMatch(/^Invoice \S+ once more/)
    await sendCopy(document!.id, { address: 'own@elsewhere.example', text: 0 }, who)
    await until('the copy', async () => (await house.mails('own@elsewhere.example')).length > 0)
    expect((await house.mails('own@elsewhere.example'))[0]!.subject).toMatch(/^Invoice \S+ once more/)
    const unknown = sendCopy(document!.id, { address: 'x@elsewhere.example', text: 9999 }, who)
    expect(await refused(unknown)).toBe('no-such-variant text')
    expect(await house.mails('x@elsewhere.example')).toEqual([])
  })

  test('is given up for the brand’s own, and can be taken back from its versions', async () => {
    const { id, version } = await brand()
    const text = { purpose: 'first', language: 'en' } as const
    await giveUpOwn(id, { version, variantId: schools, kind: 'invoice', text }, who)
    expect(await subjectOf((await shipped()).id)).toMatch(/^Your invoice/)
    const [last, before] = await emailVersions(id, 'invoice', 'first', 'en', schools)
    expect([last!.givenUp, before!.givenUp]).toEqual([true, false])
    await write('For our schools', schools)
    expect(await subjectOf((await shipped()).id)).toBe('For our schools …')
  })
})

describe('a design of a variant', () => {
  test('is printed for who has it, of one kind or of all', async () => {
    const { id, version, design } = await brand()
    expect(design.design.supplied).toBe('plain')
    await changeLook(id, { version, supplied: 'bold', kind: 'invoice', variantId: trade }, who)
    expect((await brand()).design.design.supplied).toBe('plain')
    await give({ invoice: { design: trade } })
    const { id: paper } = await shipped()
    expect((await view(paper)).designVariant).toBe('Trade')
    const [{ supplied }] = (await rows<{ supplied: string }>(
      `select s.design ->> 'supplied' supplied
      from prepared_document p
      join design s on s.id = p.design_id
      where p.id = $1`,
      [paper],
    )) as [{ supplied: string }]
    expect(supplied).toBe('bold')
    await changeLook(id, { version: version + 1, supplied: 'bold', variantId: trade }, who)
    expect((await variants()).find((one) => one.id === trade)).toMatchObject({
      designs: documentKinds.length,
      texts: 0,
      customers: 1,
      groups: [],
    })
  })
})

describe('one document', () => {
  test('is made in another language, text and design this once, built anew at once and told', async () => {
    await give({})
    const { id, order } = await shipped()
    expect(await madeWith(id)).toEqual({
      asOnce: null,
      texts: [{ id: schools, name: 'Schools' }],
      designs: [{ id: trade, name: 'Trade' }],
      mayChooseLanguage: true,
    })
    const { revision } = await view(id)
    await makeWith(id, revision, { text: schools, design: trade }, who)
    expect(await view(id)).toMatchObject({
      textVariant: 'Schools',
      designVariant: 'Trade',
      asOnce: { text: schools, design: trade },
      changes: null,
    })
    expect((await historyWords(order)).join(' ')).toContain(
      'This once it is made with the email text of “Schools”, in the design of “Trade”.',
    )
    await makeWith(id, (await view(id)).revision, { language: 'de' }, who)
    const german = await view(id)
    expect(german).toMatchObject({ textLanguage: 'de', designVariant: null })
    const mail = await send(id)
    expect(mail.subject).toMatch(/Rechnung/)
    expect(mail.text).toMatch(/Guten Tag|Sehr geehrte/)
  })

  test('loses what was written for its email with another text, not with another design', async () => {
    const { id } = await shipped()
    const own = {
      subject: fromBraces('As we spoke'),
      text: fromBraces('As we spoke.'),
      cc: [],
      bcc: [],
      leftOut: [],
      added: [],
    }
    await writeOwnEmail(id, (await view(id)).revision, own, who)
    await makeWith(id, (await view(id)).revision, { design: trade }, who)
    expect(await subjectOf(id)).toBe('As we spoke')
    await makeWith(id, (await view(id)).revision, { design: trade, text: schools }, who)
    expect(await subjectOf(id)).toBe('For our schools …')
    await makeWith(id, (await view(id)).revision, null, who)
    expect(await view(id)).toMatchObject({ textVariant: null, designVariant: null, asOnce: null })
  })

  test('is not made otherwise by who looked at it before somebody else changed it', async () => {
    const { id } = await shipped()
    const { revision } = await view(id)
    await makeWith(id, revision, { text: schools }, who)
    expect(await refused(makeWith(id, revision, { text: 0 }, who))).toBe('changed-again')
    expect(await refused(makeWith(id, revision + 1, { text: 9999 }, who))).toBe('no-such-variant variantId')
    expect((await view(id)).textVariant).toBe('Schools')
  })
})

describe('a variant', () => {
  test('that is retired is nobody’s any more, and comes back as it was', async () => {
    await give({ invoice: { text: schools } })
    const { id } = await shipped()
    const before = (await variants()).find((one) => one.id === schools)!
    await changeVariant(schools, { name: 'Schools', retired: true, version: before.version })
    await until('the brand’s own', async () => /^Your invoice/.test(await subjectOf(id)))
    const { version, id: brandId } = await brand()
    expect(await refused(changeLook(brandId, { version, supplied: 'bold', variantId: schools }, who))).toBe(
      'no-such-variant variantId',
    )
    expect(
      await refused(changeVariant(schools, { name: 'Schools', retired: false, version: before.version })),
    ).toBe('changed-meanwhile')
    await changeVariant(schools, { name: 'Colleges', retired: false, version: before.version + 1 })
    await until('theirs', async () => (await subjectOf(id)) === 'For our schools …')
    expect((await view(id)).textVariant).toBe('Colleges')
  })

  test('has a name of its own, and is given to nobody who does not exist', async () => {
    expect(await refused(addVariant('Trade'))).toBe('same-name name')
    expect(await refused(give({ invoice: { text: 9999 } }))).toBe('no-such-variant preferences')
  })
})
