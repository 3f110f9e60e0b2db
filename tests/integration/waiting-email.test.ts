import pg from 'pg'
import { describe, expect, onTestFinished, test } from 'vitest'
import { config } from '../../server/config'
import { fromBraces } from '../../core/emailtexts/braces'
import { bodyOf, fieldsIn } from '../../core/emailtexts/nodes'
import { one, rows, run } from '../../server/db/connection'
import { hold, sendAgain } from '../../server/services/dispatch/by-hand'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { addEnclosure } from '../../server/services/enclosures/enclosures'
import { moveDispatches } from '../../server/services/dispatch/move'
import { sweep } from '../../server/services/dispatch/sweep'
import { brandViews } from '../../server/services/house/change'
import { changeEmail } from '../../server/services/house/change-email'
import { changeHouse } from '../../server/services/house/settings'
import { copyToWrite, sendCopy } from '../../server/services/line/copy'
import { documentView } from '../../server/services/line/in-hand'
import { writeWaitingEmail } from '../../server/services/line/waiting-email'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* Emails that have not left, and copies of documents, in words of their own. */
const house = useHouse({ reports: false })
const who = inTheNameOf('Col Varley')
const mailbox = 'accounts@ottermill.example'
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )

/** An issued invoice. Whatever is made from now on waits until it is let go. */
async function issued(customer?: string) {
  const change = customer ? { customerId: house.customer(customer).id } : {}
  const order = await house.newOrder(change)
  await house.ship([order])
  const [paper] = await papersOf([order])
  await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, {
    postOnly: false,
  })
  const { id, number } = (await one<{ id: number; number: string }>(
    'select id, number from document where prepared_id = $1',
    [paper!.id],
  ))!
  const dispatch = (await one<{ id: number }>(
    'select dispatch_id id from dispatch_document where document_id = $1',
    [id],
  ))!.id
  return { id, number, dispatch, preparedId: paper!.id }
}
const view = async (id: number) => (await documentView(id)).waiting!
const words = {
  subject: fromBraces('As we spoke: invoice {{ number }}'),
  text: fromBraces('Dear Nuala,\n\nas we spoke, {{ total }} by {{ due }}.'),
  cc: ['till@ottermill.example'],
  bcc: [],
  leftOut: [],
  added: [],
}
/** Emails made meanwhile are held back, so that a test can look at them. */
async function whileHeld<T>(act: () => Promise<T>): Promise<T> {
  await run(
    `create or replace function hold_it() returns trigger language plpgsql as $fn$
    begin new.held := true; return new; end $fn$`,
  )
  await run(
    'create or replace trigger hold_it before insert on dispatch for each row execute function hold_it()',
  )
  try {
    return await act()
  } finally {
    await run('drop trigger hold_it on dispatch')
  }
}
const mailsTo = (address: string) => house.mails(address)
async function nextMail(address: string, act: () => Promise<unknown>) {
  const before = (await mailsTo(address)).length
  await act()
  await until('the email', async () => (await mailsTo(address)).length > before)
  return (await mailsTo(address))[0]!
}

describe('an email that waits', () => {
  test('is written anew, leaves so, and says in the history that it was', async () => {
    const { id, number, dispatch } = await whileHeld(() => issued())
    const before = await view(id)
    expect(before.words.own).toBe(false)
    await writeWaitingEmail(dispatch, before.revision, words, who)
    const after = await documentView(id)
    expect(after.waiting!.words).toMatchObject({ ...words, own: true })
    expect(after.email!.subject).toBe(`As we spoke: invoice ${number}`)
    const mail = await nextMail(mailbox, () => hold([dispatch], false, who))
    expect(mail.subject).toBe(`As we spoke: invoice ${number}`)
    expect(mail.text).toMatch(/as we spoke, [\d,.]+\s*EUR by \d/)
    expect((await mailsTo('till@ottermill.example'))[0]!.subject).toBe(mail.subject)
    await until('its outcome', async () => (await documentView(id)).waiting === null)
    expect((await documentView(id)).history.map((entry) => entry.words).join('\n')).toContain(
      'Its email was written for this once',
    )
    expect(await refused(writeWaitingEmail(dispatch, after.waiting!.revision, words, who))).toBe(
      'left-already',
    )
  })

  test('is not written over what a second person wrote, and not so that it could not leave', async () => {
    const { id, dispatch } = await whileHeld(() => issued())
    const { revision } = await view(id)
    const write = (change: Partial<typeof words>, from = revision) =>
      refused(writeWaitingEmail(dispatch, from, { ...words, ...change }, who))
    expect(await write({ cc: ['nobody'] })).toBe('bad-address cc')
    expect(await write({ text: fromBraces('Dear {{ nobody }}') })).toBe('unknown-merge-field text')
    expect((await view(id)).words.own).toBe(false)
    expect(await write({})).toBe('done')
    expect(await write({ subject: bodyOf('Second') })).toBe('changed-again')
    expect(await refused(writeWaitingEmail(dispatch, revision + 1, null, who))).toBe('done')
    expect((await view(id)).words.own).toBe(false)
  })

  test('that is stuck over its text is mended by writing it, and sent again', async () => {
    const { id, dispatch } = await whileHeld(() => issued())
    const { revision } = await view(id)
    await run(
      `update dispatch
      set own_email = jsonb_build_object('subject', $2::jsonb, 'text', $2::jsonb, 'cc', '[]'::jsonb, 'bcc',
        '[]'::jsonb, 'leftOut', '[]'::jsonb, 'added', '[]'::jsonb)
      where id = $1`,
      [dispatch, JSON.stringify(fromBraces('Dear {{ nobody }}'))],
    )
    await hold([dispatch], false, who)
    const state = async () => (await documentView(id)).dispatches[0]!
    await until('it to be stuck', async () => (await state()).cause === 'not written')
    expect((await documentView(id)).email!.problem?.words).toContain('There is no field called “nobody”')
    await writeWaitingEmail(dispatch, revision, words, who)
    const mail = await nextMail(mailbox, () => sendAgain([dispatch], who))
    expect(mail.subject).toContain('As we spoke')
  })

  test('that came back and is written anew leaves so; what was sent before stays in its history', async () => {
    const { id, dispatch } = await issued()
    await until('it to be sent', async () => (await documentView(id)).email!.sent)
    const before = (await documentView(id)).email!
    await moveDispatches('bounce', [{ id: dispatch, set: { cause: 'bounced', reply: '550 5.1.1' } }])
    await run(`update dispatch_recipient set outcome = 'bounced' where dispatch_id = $1`, [dispatch])
    await writeWaitingEmail(dispatch, (await view(id)).revision, words, who)
    const seen = await documentView(id)
    expect(seen.email).toMatchObject({ sent: false })
    expect(seen.history.find((entry) => entry.words.includes('for this once'))!.detail).toMatchObject({
      sentBefore: { subject: before.subject, text: before.text },
    })
    const mail = await nextMail(mailbox, () => sendAgain([dispatch], who))
    expect(mail.subject).toContain('As we spoke')
    await until('its copy', async () => (await documentView(id)).email!.sent)
    expect((await documentView(id)).email!.subject).toBe(mail.subject)
  })

  test('takes a file along that was added for this once', async () => {
    const { id, dispatch, preparedId } = await whileHeld(() => issued())
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
    const plan = await addEnclosure(
      { preparedId },
      Buffer.from('%PDF-1.7\n%plan'),
      { ...rule, name: 'Plan.pdf' },
      who,
    )
    const other = await whileHeld(() => issued())
    const stolen = { ...words, added: [plan.id] }
    expect(await refused(writeWaitingEmail(other.dispatch, 0, stolen, who))).toBe('no-such-enclosure files')
    await writeWaitingEmail(dispatch, (await view(id)).revision, { ...words, added: [plan.id] }, who)
    const mail = await nextMail(mailbox, () => hold([dispatch], false, who))
    expect(mail.attachments.map((one) => one.filename)).toContain('Plan.pdf')
  })
})

const waitingForRow = async () =>
  (await one<{ count: number }>(
    `select count(*)::int count
    from pg_stat_activity
    where datname = current_database() and wait_event_type = 'Lock'`,
  ))!.count

describe('a copy', () => {
  test('says in its own words that it is the same document, and greets whom it goes to', async () => {
    const { id, number } = await issued()
    const mail = await nextMail('till@elsewhere.example', () =>
      sendCopy(id, { address: 'till@elsewhere.example' }, who),
    )
    expect(mail.subject).toBe(`Invoice ${number} once more`)
    expect(mail.text).toContain('It is the same document as before, not a further one.')
    expect(mail.text).toMatch(/^Dear customer/)
  })

  test('asked for while its PDF is being painted goes once that is there', async () => {
    const { id } = await whileHeld(() => issued())
    await until(
      'it to be painted',
      async () => (await rows('select 1 from unpainted where document_id = $1', [id])).length === 0,
    )
    await run('insert into unpainted (document_id) values ($1)', [id])
    const client = new pg.Client({ connectionString: config.databaseUrl })
    await client.connect()
    onTestFinished(() => client.end())
    // a painter that has stored the PDF and is about to say so
    await client.query('begin')
    expect((await client.query('delete from unpainted where document_id = $1', [id])).rowCount).toBe(1)
    const asked = sendCopy(id, { address: 'early@elsewhere.example' }, who)
    await until('the copy to wait for the painter', async () => (await waitingForRow()) > 0)
    await client.query('commit')
    const dispatch = await asked
    expect(await rows('select ready from dispatch where id = $1', [dispatch])).toEqual([{ ready: true }])
    await run(
      "update dispatch set ready = false, created_at = now() - interval '1 minute', held = true where id = $1",
      [dispatch],
    )
    await sweep()
    expect(await rows('select ready from dispatch where id = $1', [dispatch])).toEqual([{ ready: true }])
  })

  test('goes with the words that somebody wrote for it', async () => {
    const { id, number } = await issued()
    const { words: supplied, contacts } = await copyToWrite(id, 'again', who)
    expect(fieldsIn(supplied.text)).toContain('greeting')
    expect(contacts.map((contact) => contact.email)).toContain(mailbox)
    const own = { ...words, subject: fromBraces('For your files: {{ number }}') }
    const mail = await nextMail('files@elsewhere.example', () =>
      sendCopy(id, { address: 'files@elsewhere.example', own }, who),
    )
    expect(mail.subject).toBe(`For your files: ${number}`)
    const bad = { ...own, text: fromBraces('{{ nobody }}') }
    expect(await refused(sendCopy(id, { address: 'a@elsewhere.example', own: bad }, who))).toBe(
      'unknown-merge-field text',
    )
    expect(await mailsTo('a@elsewhere.example')).toEqual([])
  })

  test('has the text that the house gives it, in the document’s language; the first email keeps its own', async () => {
    const brand = (await brandViews('invoice'))[0]!
    const first = brand.notes.find((note) => note.purpose === 'first' && note.language === 'en')!
    await changeEmail(
      brand.id,
      {
        version: brand.version,
        kind: 'invoice',
        purpose: 'again',
        language: 'en',
        look: brand.emailLook,
        subject: fromBraces('Here it is again: {{ number }}'),
        text: fromBraces('{{ greeting }}'),
      },
      who,
    )
    await changeHouse({ undoMinutes: 0 })
    const { id, number } = await issued()
    const mail = await nextMail('again@elsewhere.example', () =>
      sendCopy(id, { address: 'again@elsewhere.example' }, who),
    )
    expect(mail.subject).toBe(`Here it is again: ${number}`)
    const used = await rows<{ subject: unknown }>(
      `select n.subject
      from dispatch m
      join dispatch_document dd on dd.dispatch_id = m.id
      join email_text n on n.id = m.email_text_id
      where dd.document_id = $1 and not m.is_copy`,
      [id],
    )
    expect(used).toEqual([{ subject: first.subject }])
  })
})
