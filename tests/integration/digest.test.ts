import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { createServer, type AddressInfo, type Socket } from 'node:net'
import { expect, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import { sendDigest } from '../../server/services/dispatch/digest'
import { sweep } from '../../server/services/dispatch/sweep'
import { startRun } from '../../server/services/documents/send-run'
import { changeHouse, houseSettings } from '../../server/services/house/settings'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* One email a day that tells colleagues what went. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const [first, second] = ['oversight@tansyhollow.example', 'audit@tansyhollow.example'] as const

async function sent() {
  const order = await house.newOrder()
  await house.ship([order])
  const [paper] = await papersOf([order])
  const before = (await house.mails('accounts@ottermill.example')).length
  await startRun([{ id: paper!.id, revision: paper!.revision }], randomUUID(), who)
  await until('the invoice', async () => (await house.mails('accounts@ottermill.example')).length > before)
  return (await one<{ number: string }>(
    `select d.number from document d join prepared_document p on p.id = d.prepared_id where p.source_id = $1`,
    [order],
  ))!.number
}
const told = async () => house.mails(first)

test('tells everybody who wants it, once, what went since the last one; a day without has none', async () => {
  const early = await sent()
  await changeHouse({
    digest: { to: [first, second], kinds: ['invoice'], time: '00:00' },
    publicAddress: 'https://house.example',
  })
  expect((await houseSettings()).digest).toEqual({ to: [first, second], kinds: ['invoice'], time: '00:00' })
  await sendDigest()
  // it begins with what goes from now on, and today's time is past
  expect(await told()).toEqual([])
  const number = await sent()
  await run(`update company set digest_until = now() - interval '1 day'`)
  await sweep()
  await until('the email', async () => (await told()).length === 1)
  const [mail] = await told()
  expect(mail!.subject).toBe('2 documents went today: Tansy Hollow Supply')
  expect(mail!.text).toContain(`Invoice ${early}, Ottermill Honey Co-op`)
  expect(mail!.text).toMatch(
    new RegExp(`\\d\\d:\\d\\d {2}Invoice ${number}, .*to accounts@ottermill\\.example`),
  )
  expect(mail!.text).toMatch(/https:\/\/house\.example\/register\?in=\d+/)
  await until('the other', async () => (await house.mails(second)).length === 1)
  await sendDigest()
  await sweep()
  await house.settle()
  expect(await told()).toHaveLength(1)

  await changeHouse({ digest: { to: [first], kinds: ['credit note'], time: '00:00' } })
  await sent()
  await run(`update company set digest_until = now() - interval '1 day'`)
  await sendDigest()
  expect(await told()).toHaveLength(1)
})

test('is tried again where the mail server does not take it', async () => {
  await changeHouse({ digest: { to: [first], kinds: [], time: '00:00' } })
  await run(`update company set digest_until = now() - interval '1 day'`)
  const there = process.env.CLOTHESPIN_SMTP_URL
  process.env.CLOTHESPIN_SMTP_URL = 'smtp://127.0.0.1:9'
  await sendDigest()
  process.env.CLOTHESPIN_SMTP_URL = there
  expect(await told()).toHaveLength(1)
  await sendDigest()
  await until('it', async () => (await told()).length === 2)
})

test('comes all the same where the process dies while the mail server has not taken it', async () => {
  const before = (await told()).length
  await changeHouse({ digest: { to: [first], kinds: [], time: '00:00' } })
  await sent()
  await run(`update company set digest_until = now() - interval '1 day'`)
  const silent = createServer().listen(0, '127.0.0.1')
  await once(silent, 'listening')
  const there = process.env.CLOTHESPIN_SMTP_URL
  process.env.CLOTHESPIN_SMTP_URL = `smtp://127.0.0.1:${(silent.address() as AddressInfo).port}`
  const dying = sendDigest().catch(() => 'died')
  const [socket] = (await once(silent, 'connection')) as [Socket]
  // whoever asks meanwhile leaves it alone
  process.env.CLOTHESPIN_SMTP_URL = there
  await sendDigest()
  expect(await told()).toHaveLength(before)
  await run(
    `select pg_terminate_backend(l.pid)
    from pg_locks l
    join pg_database d on d.oid = l.database
    where l.locktype = 'advisory' and d.datname = current_database() and l.pid <> pg_backend_pid()`,
  )
  socket.destroy()
  silent.close()
  expect(await dying).toBe('died')
  await sendDigest()
  await until('it', async () => (await told()).length === before + 1)
})

test('goes to addresses only', async () => {
  await expect(changeHouse({ digest: { to: ['nobody'], kinds: [], time: '17:30' } })).rejects.toMatchObject({
    code: 'bad-address',
    about: { field: 'digest' },
  })
})
