import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import { dropSender, keepSender, senders, type SenderChange } from '../../server/services/house/senders'
import { keepMailAccount, mailAccounts, removeMailAccount } from '../../server/services/house/mail-accounts'
import { preparedView } from '../../server/services/line/in-hand'
import { inTheNameOf } from '../../server/services/people/principal'
import { startRun } from '../../server/services/documents/send-run'
import { papersOf, until, useHouse } from './house'

/* Who an email comes from, where its answers go and which account takes it, by kind and by routine. */
const house = useHouse({ reports: false })
const user = { id: 1, name: 'Maeve Tansy', brands: null }
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )
const brand = () => house.brands[0]!.id
const change = (more: Partial<SenderChange> = {}): SenderChange => ({
  brandId: brand(),
  kind: 'invoice',
  routineId: null,
  name: '',
  namesPerson: false,
  address: '',
  answersTo: 'brand',
  replyTo: '',
  mailAccountId: null,
  ...more,
})
const ofInvoices = async () => (await senders()).find((one) => one.kind === 'invoice')
const staff = (name: string, email: string) =>
  run(`insert into staff (name, email, role) values ($1, $2, 'clerk')`, [name, email])
/** A shipped order's invoice: what the clerk saw of its email, and what arrived of it. */
async function sent(salesperson = 'Nobody Here') {
  const order = await house.newOrder({ salesperson })
  await house.ship([order])
  const [paper] = await papersOf([order])
  const { email } = await preparedView(paper!.id, inTheNameOf(user.name))
  await startRun([{ id: paper!.id, revision: paper!.revision }], randomUUID(), user)
  const before = (await house.mails('accounts@ottermill.example')).length
  await until('the email', async () => (await house.mails('accounts@ottermill.example')).length > before)
  const [mail] = await house.mails('accounts@ottermill.example')
  expect(mail!.from!.text).toContain(email!.from.split(' <')[0]!.replaceAll('"', ''))
  return { from: mail!.from!.value[0]!, answers: mail!.replyTo!.value[0]!.address, seen: email! }
}

test('an email comes from its brand where nothing else is said', async () => {
  const { from, answers } = await sent()
  const own = await one<{ name: string; address: string; answers: string }>(
    'select sender_name "name", sender_address address, reply_to answers from brand where id = $1',
    [brand()],
  )
  expect({ ...from, answers }).toEqual(own)
})

describe('a sender of a kind', () => {
  test('writes in its name, from its address; answers go to the salesperson', async () => {
    await staff('Orla Finch', 'orla@tansyhollow.example')
    await keepSender(
      null,
      change({ name: 'Accounts', address: 'books@tansyhollow.example', answersTo: 'salesperson' }),
    )
    const { from, answers, seen } = await sent('Orla Finch')
    expect(from).toEqual({ name: 'Accounts', address: 'books@tansyhollow.example' })
    expect(answers).toBe('orla@tansyhollow.example')
    expect(seen).toMatchObject({ from: 'Accounts <books@tansyhollow.example>', replyTo: answers })
  })

  test('leaves answers with the brand where two people have the name, or nobody', async () => {
    await staff('Orla Finch', 'orla.two@tansyhollow.example')
    const { replyTo } = (await one<{ replyTo: string }>(
      'select reply_to "replyTo" from brand where id = $1',
      [brand()],
    ))!
    expect((await sent('Orla Finch')).answers).toBe(replyTo)
    expect((await sent('Nobody Here')).answers).toBe(replyTo)
  })

  test('names who sends it', async () => {
    await run('update staff set name = $1 where id = 1', [user.name])
    const kept = await ofInvoices()
    await keepSender(kept!.id, change({ namesPerson: true, answersTo: 'person' }), kept!.version)
    const { email } = (await one<{ email: string }>('select email from staff where id = 1'))!
    const { from, answers } = await sent()
    expect(from.name).toMatch(/^Maeve Tansy, /)
    expect(answers).toBe(email)
  })

  test('gives way to the sender of the routine that made it', async () => {
    const { id } = (await one<{ id: number }>('select id from routine limit 1'))!
    const made = await keepSender(null, change({ kind: null, routineId: id, name: 'The robin' }))
    expect((await sent()).from.name).toBe('The robin')
    await dropSender(made)
    expect((await sent()).from.name).toMatch(/^Maeve Tansy, /)
  })

  test('hands its emails to its own mail account, within its limit', async () => {
    const account = await keepMailAccount(null, {
      name: 'Books',
      host: '127.0.0.1',
      port: Number(new URL(process.env.CLOTHESPIN_SMTP_URL!).port),
      security: 'none',
      userName: '',
      brandIds: [],
      perHour: 1,
      version: 1,
    })
    const kept = await ofInvoices()
    await keepSender(kept!.id, change({ mailAccountId: account }), kept!.version)
    await sent()
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    await startRun([{ id: paper!.id, revision: paper!.revision }], randomUUID(), user)
    await until('its turn', async () => {
      const row = await one<{ slot: Date | null }>(
        'select slot_at slot from dispatch order by id desc limit 1',
      )
      return row!.slot !== null && row!.slot > new Date()
    })
    // an account that goes leaves its emails to the first
    const found = (await mailAccounts()).find((one) => one.id === account)!
    await removeMailAccount(account, found.version)
    expect(await ofInvoices()).toMatchObject({ mailAccountId: null })
  })
})

describe('what cannot be a sender is refused at its field', () => {
  test.each([
    ['an address that is none', { kind: 'receipt', address: 'books@' }, 'bad-address address'],
    [
      'answers to an address that is not written',
      { kind: 'receipt', answersTo: 'address' },
      'bad-address replyTo',
    ],
    ['a second one of the same kind', {}, 'sender-there kind'],
    ['neither kind nor routine', { kind: null }, 'no-emails-named kind'],
    ['a routine that is gone', { kind: null, routineId: 9999 }, 'no-such-routine kind'],
  ] as [string, Partial<SenderChange>, string][])('%s', async (_what, more, expected) => {
    const before = await senders()
    expect(await refused(keepSender(null, change(more)))).toBe(expected)
    expect(await senders()).toEqual(before)
  })

  test('a change of what somebody else changed meanwhile', async () => {
    const kept = await ofInvoices()
    expect(await refused(keepSender(kept!.id, change({ name: 'Late' }), kept!.version - 1))).toBe(
      'changed-meanwhile',
    )
  })
})
