import { randomUUID } from 'node:crypto'
import { createServer, type Server, type Socket } from 'node:net'
import { afterEach, describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { config } from '../../server/config'
import { closeMailConnections, handOver } from '../../server/outside/mail/smtp'
import { correctAddress, stuckByAddress } from '../../server/services/dispatch/correct'
import { sendCopy } from '../../server/services/line/copy'
import { sendFailureNotice } from '../../server/services/dispatch/notice'
import { sweep } from '../../server/services/dispatch/sweep'
import { sendOneToMe, sendRehearsals } from '../../server/services/documents/rehearse'
import { startRun } from '../../server/services/documents/send-run'
import { changeHouse, endRehearsal, startRehearsal } from '../../server/services/house/settings'
import { lineCounts } from '../../server/services/line/counts-queries'
import { lineList } from '../../server/services/line/list-queries'
import { houseState } from '../../server/services/house/health'
import { setStatus } from '../../server/services/orders/status'
import { addRoutine } from '../../server/services/routines/routines'
import { papersOf, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* The way out: what a mail server may see, and who is told when something did not go. */
const house = useHouse()
const user = { id: 1, name: 'Col Varley' }

/** A mail server that says what a test wants and keeps every line it was sent. */
async function otherServer(
  say: (line: string, socket: Socket) => string | undefined,
  hello = 'stand-in.clothespin.example',
): Promise<{ url: (user?: string) => string; heard: string[]; server: Server }> {
  const heard: string[] = []
  const server = createServer((socket) => {
    socket.on('error', () => {})
    socket.write(`220 ${hello} ESMTP\r\n`)
    socket.on('data', (data) => {
      for (const line of data.toString().split('\r\n').filter(Boolean)) {
        heard.push(line)
        const answer = say(line, socket)
        if (answer) socket.write(answer)
      }
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()))
  const { port } = server.address() as { port: number }
  return { heard, server, url: (login = '') => `smtp://${login}127.0.0.1:${port}` }
}
const ehlo = (name: string, ...features: string[]) =>
  [`250-${name} Nice to meet you`, ...features.map((one) => `250-${one}`)].join('\r\n') + '\r\n250 HELP\r\n'

const own = () => process.env.CLOTHESPIN_SMTP_URL!
describe('a mail server', () => {
  let before = ''
  let server: Server | undefined
  async function towards<T>(url: string, act: () => Promise<T>): Promise<T> {
    before = own()
    closeMailConnections()
    process.env.CLOTHESPIN_SMTP_URL = url
    return act()
  }
  afterEach(() => {
    closeMailConnections()
    process.env.CLOTHESPIN_SMTP_URL = before
    for (const name of ['CLOTHESPIN_REAL_MAIL', 'CLOTHESPIN_SMTP_PASSWORD_WITHOUT_TLS'])
      delete process.env[name]
    server?.close()
  })
  const mail = (to: string[]) =>
    handOver({ from: 'a@b.example', to, id: '1' }, Buffer.from('Subject: x\r\n\r\nx\r\n'), async () => {})

  test('is never told a password without TLS, also one on this computer unless that is named', async () => {
    process.env.CLOTHESPIN_REAL_MAIL = 'yes'
    const other = await otherServer((line) => {
      if (/^EHLO/.test(line)) return ehlo('mail.house.example', 'AUTH PLAIN LOGIN')
      if (/^STARTTLS/.test(line)) return '502 5.5.1 no\r\n'
      return '250 2.0.0 ok\r\n'
    }, 'mail.house.example')
    server = other.server
    const result = await towards(other.url('me:secret@'), () => mail(['x@y.example']))
    expect(result.result).toBe('away')
    expect(other.heard.join('\n')).not.toMatch(/AUTH/)
    closeMailConnections()
    process.env.CLOTHESPIN_SMTP_PASSWORD_WITHOUT_TLS = 'loopback'
    await mail(['x@y.example'])
    expect(other.heard.join('\n')).toMatch(/AUTH/)
  })

  test('on this computer that is not our stand-in gets nothing without the switch', async () => {
    const say = (line: string) => {
      if (/^EHLO/.test(line)) return ehlo('relay.house.example')
      return /^DATA/.test(line) ? '354 go\r\n' : '250 2.0.0 ok\r\n'
    }
    const other = await otherServer(say, 'relay.house.example')
    server = other.server
    const result = await towards(other.url(), () => mail(['x@y.example']))
    expect(result).toMatchObject({
      result: 'away',
      reply: { text: expect.stringContaining('CLOTHESPIN_REAL_MAIL') },
    })
    expect(other.heard.join('\n')).not.toMatch(/RCPT/)
    closeMailConnections()
    process.env.CLOTHESPIN_REAL_MAIL = 'yes'
    expect((await mail(['x@y.example'])).result).toBe('accepted')
  })

  test('that does not offer SMTPUTF8 is given no address with other letters; the others go', async () => {
    const say = (features: string[]) => (line: string) => {
      if (/^EHLO/.test(line)) return ehlo('stand-in.clothespin.example', ...features)
      return /^DATA/.test(line) ? '354 go\r\n' : '250 2.0.0 ok\r\n'
    }
    const plain = await otherServer(say([]))
    server = plain.server
    const result = await towards(plain.url(), () => mail(['müller@y.example', 'x@y.example']))
    expect(result).toMatchObject({ result: 'accepted', refused: [{ address: 'müller@y.example' }] })
    expect(plain.heard.filter((line) => /^RCPT/.test(line))).toHaveLength(1)
    expect((await mail(['müller@y.example'])).result).toBe('refused')
    plain.server.close()
    closeMailConnections()
    const able = await otherServer(say(['SMTPUTF8']))
    server = able.server
    process.env.CLOTHESPIN_SMTP_URL = able.url()
    expect(await mail(['müller@y.example'])).toMatchObject({ result: 'accepted', refused: [] })
    expect(able.heard.find((line) => /^RCPT/.test(line))).toContain('müller')
  })

  test('may take longer over the final dot than over anything else', async () => {
    const [usual, final] = [config.socketTimeout, config.finalAnswerSeconds]
    expect(final).toBe(600)
    Object.assign(config, { socketTimeout: 300, finalAnswerSeconds: 5 })
    const other = await otherServer((line, socket) => {
      if (/^EHLO/.test(line)) return ehlo('stand-in.clothespin.example')
      if (/^DATA/.test(line)) return '354 go\r\n'
      if (line === '.') return void setTimeout(() => socket.write('250 2.0.0 taken at last\r\n'), 1200)
      return /^(MAIL|RCPT|QUIT)/.test(line) ? '250 2.0.0 ok\r\n' : undefined
    })
    server = other.server
    const result = await towards(other.url(), () => mail(['x@y.example']))
    Object.assign(config, { socketTimeout: usual, finalAnswerSeconds: final })
    expect(result).toMatchObject({ result: 'accepted', reply: { text: expect.stringContaining('at last') } })
  })
})

test('a mailbox that is refused is not a mail server that is away', async () => {
  const order = await house.newOrder()
  house.rules.set({ who: 'accounts@ottermill.example', does: 'bounce at once' })
  await house.ship([order])
  await startRun(await papersOf([order]), randomUUID(), user)
  await until('it to be stuck', async () => (await lineList({ stage: 'stuck', limit: 5 })).rows.length === 1)
  expect((await houseState()).troubles.filter(({ words }) => /away/.test(words))).toEqual([])
})

describe('an address that is put right', () => {
  test('what is paid or old is not ticked; only what is ticked goes again, and a copy is corrected, too', async () => {
    const address = 'accounts@ottermill.example'
    const orders = [await house.newOrder(), await house.newOrder()]
    await house.ship(orders)
    await startRun(await papersOf(orders), randomUUID(), user)
    await until('three to be stuck', async () => (await stuckByAddress(address)).length === 3)
    const [document] = await rows<{ id: number }>('select id from document order by id limit 1')
    await run('update open_item set open = 0 where document_id = $1', [document!.id])
    house.rules.set({ who: 'copy@ottermil.example', does: 'bounce at once' })
    await sendCopy(document!.id, { address: 'copy@ottermil.example' }, inTheNameOf('Test'))
    await until(
      'the copy to be stuck',
      async () => (await stuckByAddress('copy@ottermil.example')).length === 1,
    )

    const asked = await stuckByAddress(address)
    expect(asked.map(({ suggested, why }) => [suggested, why])).toEqual([
      [true, ''],
      [true, ''],
      [false, 'paid'],
    ])
    const { ids, customers } = await correctAddress(
      address,
      'office@ottermill.example',
      [asked[0]!.id],
      inTheNameOf('Test'),
    )
    expect(ids).toEqual([asked[0]!.id])
    expect(customers).toMatchObject([{ name: 'Ottermill Honey Co-op' }])
    await until('it to be gone', async () => (await house.mails('office@ottermill.example')).length === 1)
    expect(await stuckByAddress(address)).toHaveLength(2)

    const copy = await stuckByAddress('copy@ottermil.example')
    const corrected = await correctAddress(
      'copy@ottermil.example',
      'copy@ottermill.example',
      [copy[0]!.id],
      inTheNameOf('Test'),
    )
    expect(corrected).toMatchObject({ customers: [], copies: 1 })
    await until('the copy to be gone', async () => (await house.mails('copy@ottermill.example')).length === 1)
    await expect(correctAddress('nobody@h.example', 'x@h.example', [], inTheNameOf('Test'))).rejects.toThrow(
      'no customer',
    )
  })
})

describe('what was to go automatically and could not be issued', () => {
  test('is said on the Line and in one notice for many, once', async () => {
    await run('update dispatch set noticed = true')
    await addRoutine(
      {
        name: 'Invoice when closed',
        description: '',
        trust: 'automatic',
        isOn: true,
        sentence: { statuses: ['Closed'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
      },
      inTheNameOf('Test'),
    )
    const customer = house.customer('10434')
    await run('delete from contact where customer_id = $1', [customer.id])
    const orders = []
    for (let index = 0; index < 3; index++)
      orders.push(await house.newOrder({ customerId: customer.id, customerName: customer.name }))
    await run(`update sales_order set supplied_on = '2026-11-20' where id = any($1::int[])`, [orders])
    await setStatus(orders, 'Closed', inTheNameOf('Test'))
    await house.settle()
    expect((await papersOf(orders)).map((paper) => paper.state)).toEqual(['prepared', 'prepared', 'prepared'])
    const toCheck = (await lineCounts()).find((one) => one.stage === 'to check')!
    expect(inWords(toCheck.facts)).toContain('3 could not go')
    expect((await lineList({ stage: 'to check', search: customer.name, limit: 5 })).rows[0]!.keptBack).toBe(
      true,
    )
    const before = (await house.mails('maeve@tansyhollow.example')).length
    await sweep()
    const mails = await house.mails('maeve@tansyhollow.example')
    expect(mails).toHaveLength(before + 1)
    expect(mails[0]!.subject).toMatch(/^3 documents did not go/)
    expect(mails[0]!.text).toContain(customer.name)
    expect(mails[0]!.text).toContain('No address')
    await sweep()
    expect(await house.mails('maeve@tansyhollow.example')).toHaveLength(before + 1)
  })
})

describe('a rehearsal', () => {
  test('sends failure notices to its own address, marked', async () => {
    await changeHouse({ rehearsalAddress: 'rehearsal@tansyhollow.example' })
    await startRehearsal(inTheNameOf('Maeve'))
    await run(`update dispatch set noticed = false where state = 'stuck'`)
    const real = (await house.mails('maeve@tansyhollow.example')).length
    await sendFailureNotice()
    expect(await house.mails('maeve@tansyhollow.example')).toHaveLength(real)
    const [notice] = await house.mails('rehearsal@tansyhollow.example')
    expect(notice!.subject).toMatch(/^\[Rehearsal\] /)
    await endRehearsal()
  })

  test('that can never be mailed gets no further jobs, and its history says why', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    house.rules.set({ who: 'full@tansyhollow.example', does: 'bounce at once' })
    await sendOneToMe(paper!.id, { ...inTheNameOf('Col Varley'), email: 'full@tansyhollow.example' })
    await until(
      'it to be given up',
      async () => (await one('select id from rehearsal where given_up is not null')) !== undefined,
    )
    await run(`update rehearsal set made_at = now() - interval '1 hour'`)
    await sweep()
    const jobs = await rows(`select 1 from graphile_worker.jobs where task_identifier = 'send-rehearsals'`)
    expect(jobs).toEqual([])
    await sendRehearsals([1])
    const words = await rows<{ words: string }>('select words from history where prepared_id = $1', [
      paper!.id,
    ])
    expect(words.map((row) => row.words)).toContainEqual(expect.stringContaining('could not be mailed'))
  })
})
