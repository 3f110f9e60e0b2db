import { createHmac } from 'node:crypto'
import { connect } from 'node:net'
import { describe, expect, test } from 'vitest'
import { clock } from '../../server/clock'
import { one, rows, run } from '../../server/db/connection'
import { config } from '../../server/config'
import { dispatchOfReturnPath, returnPath } from '../../server/outside/mail/return-path'
import { sendAgain, decideByHand } from '../../server/services/dispatch/by-hand'
import { keepReport, presumeArrived } from '../../server/services/dispatch/reports'
import { sendDispatches } from '../../server/services/dispatch/send'
import { sweep } from '../../server/services/dispatch/sweep'
import { provokedAddress, type Provocation } from '../../core/dispatch/provoked'
import { figures } from '../../server/services/dispatch/figures'
import { sendCopy } from '../../server/services/line/copy'
import { lineCounts } from '../../server/services/line/counts-queries'
import { documentView } from '../../server/services/line/in-hand'
import { until, useHouse } from './house'
import { inTheNameOf, theHouse } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

const house = useHouse({ trust: 'automatic', reports: false })

interface Dispatch {
  id: number
  state: string
  cause: string | null
  attempts: number
  messageId: string
  lastReply: string | null
  documentId: number
}
const dispatchOf = async (order: number) =>
  (await one<Dispatch>(
    `select s.id, s.state, s.stuck_cause "cause", s.attempts, s.message_id "messageId",
      s.last_reply "lastReply", d.id "documentId"
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    where d.source_id = $1
    order by s.id desc`,
    [order],
  ))!

/** Ships an order to a customer whose only billing contact has this address. */
async function shipTo(...addresses: string[]): Promise<number> {
  const customer = house.customer('10426')
  await run('delete from contact where customer_id = $1', [customer.id])
  for (const address of addresses)
    await run(`insert into contact (customer_id, name, email, role) values ($1, 'Desk', $2, 'billing')`, [
      customer.id,
      address,
    ])
  await run('update customer set version = version + 1 where id = $1', [customer.id])
  const order = await house.newOrder({ customerId: customer.id, customerName: customer.name })
  await house.ship([order])
  return order
}

/** A report (RFC 3464) that it lies in the mailbox of an address. */
const delivered = (address: string) =>
  [
    'Reporting-MTA: dns; post.example',
    '',
    `Final-Recipient: rfc822;${address}`,
    'Action: delivered',
    'Status: 2.0.0',
    '',
  ].join('\r\n')

describe('a mail server that takes its time', () => {
  test('the emails claimed with a slow one are let go again, and each goes once', async () => {
    const address = 'slow@house.example'
    const refusing = new Date(Date.now() + 600_000).toISOString()
    house.rules.set({ who: address, does: 'refuse for minutes', until: refusing })
    const orders = [await shipTo(address), await shipTo(address)]
    const [first, second] = [await dispatchOf(orders[0]!), await dispatchOf(orders[1]!)]
    expect([first.state, second.state]).toEqual(['waiting', 'waiting'])
    house.rules.set({ who: address, does: 'accept slowly', seconds: 5.5 })
    await run('update dispatch set next_try_at = now() where id = any($1::int[])', [[first.id, second.id]])
    await sendDispatches([first.id, second.id], 'worker of the test')
    const onTheWay = async () =>
      (await Promise.all(orders.map(dispatchOf))).filter((one) => one.state === 'on the way').length
    expect(await onTheWay()).toBeLessThan(2)
    await until('both', async () => (await onTheWay()) === 2, 20)
    expect(await house.mails(address)).toHaveLength(2)
    house.rules.remove(address)
  })
})

describe('a result that comes when the claim is lost', () => {
  test('writes nothing: no state, nobody as written to, no copy of the mail', async () => {
    const address = 'lost@house.example'
    const refusing = new Date(Date.now() + 600_000).toISOString()
    house.rules.set({ who: address, does: 'refuse for minutes', until: refusing })
    const { id } = await dispatchOf(await shipTo(address))
    await run('delete from dispatch_recipient where dispatch_id = $1', [id])
    house.rules.set({ who: address, does: 'accept slowly', seconds: 2 })
    await run('update dispatch set next_try_at = now() where id = $1', [id])
    const sending = sendDispatches([id], 'worker of the test')
    await until('handing over', async () => {
      const now = await one<{ state: string }>('select state from dispatch where id = $1', [id])
      return now!.state === 'handing over'
    })
    await run('update dispatch set claim_token = gen_random_uuid() where id = $1', [id])
    await sending
    expect(await one('select state from dispatch where id = $1', [id])).toEqual({ state: 'handing over' })
    for (const table of ['dispatch_recipient', 'mail_copy'])
      expect(await rows(`select 1 from ${table} where dispatch_id = $1`, [id]), table).toEqual([])
    await run(`update dispatch set lease_until = now() - interval '1 second' where id = $1`, [id])
    await sweep()
    expect(await one('select state, stuck_cause cause from dispatch where id = $1', [id])).toEqual({
      state: 'stuck',
      cause: 'unclear',
    })
    house.rules.remove(address)
  })
})

describe('trouble ends in a plain cause', () => {
  test.each([
    ['bounce at once', 'refused'],
    ['mailbox full', 'mailbox full'],
  ] as const)("%s → %s, with the server's own words", async (does, cause) => {
    const address = `${does.replaceAll(' ', '-')}@house.example`
    house.rules.set({ who: address, does })
    const dispatch = await dispatchOf(await shipTo(address))
    expect(dispatch).toMatchObject({ state: 'stuck', cause })
    expect(dispatch.lastReply).toMatch(/^55\d 5\./)
  })

  test('a bounce that comes later brings the paper back, even after it was presumed to have arrived', async () => {
    house.rules.set({ who: 'later@house.example', does: 'bounce later', seconds: 0.6 })
    const order = await shipTo('later@house.example')
    const putBack = clock.use(() => new Date(Date.now() + 60_000))
    expect(await presumeArrived(20)).toBeGreaterThan(0)
    putBack()
    expect((await dispatchOf(order)).state).toBe('arrived')
    await until('the bounce', async () => (await dispatchOf(order)).state === 'stuck')
    expect(await dispatchOf(order)).toMatchObject({ cause: 'bounced' })
  })

  test('a temporary refusal is tried again with the same Message-ID and a growing pause', async () => {
    house.rules.set({
      who: 'busy@house.example',
      does: 'refuse for minutes',
      until: new Date(Date.now() + 600_000).toISOString(),
    })
    const order = await shipTo('busy@house.example')
    const first = await dispatchOf(order)
    expect(first).toMatchObject({ state: 'waiting', attempts: 1 })
    house.rules.remove('busy@house.example')
    await run(`update dispatch set next_try_at = now() where id = $1`, [first.id])
    const later = clock.use(() => new Date(Date.now() + 30_000))
    await sweep()
    await house.settle()
    later()
    await until('the second try', async () => (await dispatchOf(order)).state === 'on the way')
    expect((await house.mails('busy@house.example'))[0]!.messageId).toBe(first.messageId)
  })

  test('a line that breaks during the content is unclear: a person decides, nothing goes twice', async () => {
    house.rules.set({ who: 'torn@house.example', does: 'drop during data' })
    const order = await shipTo('torn@house.example')
    const dispatch = await dispatchOf(order)
    expect(dispatch).toMatchObject({ state: 'stuck', cause: 'unclear' })
    await decideByHand([dispatch.id], 'confirm', '', inTheNameOf('Test'))
    expect((await dispatchOf(order)).state).toBe('arrived')
  })

  test('an unclear one arrived once a report names who it went to, and who got it is kept', async () => {
    const address = 'torn-later@house.example'
    house.rules.set({ who: address, does: 'drop during data' })
    const order = await shipTo(address)
    const { id } = await dispatchOf(order)
    await keepReport(id, delivered('somebody-else@house.example'))
    expect(await dispatchOf(order)).toMatchObject({ state: 'stuck', cause: 'unclear' })
    await keepReport(id, delivered(address))
    expect(await dispatchOf(order)).toMatchObject({ state: 'arrived' })
    expect(
      await rows('select address, outcome from dispatch_recipient where dispatch_id = $1', [id]),
    ).toEqual([{ address, outcome: 'delivered' }])
  })

  test('an unclear one that went to several stays unclear when one of them has it', async () => {
    const address = 'torn-too@house.example'
    house.rules.set({ who: address, does: 'drop during data' })
    const order = await shipTo('first@house.example', address)
    const { id, state } = await dispatchOf(order)
    expect(state).toBe('stuck')
    await keepReport(id, delivered('first@house.example'))
    expect(await dispatchOf(order)).toMatchObject({ state: 'stuck', cause: 'unclear' })
  })

  test('nobody to write to: stuck as "no address"; with a contact it goes to whom is right now', async () => {
    const order = await shipTo('bounce-at-once@house.example')
    const customer = house.customer('10426')
    const dispatch = await dispatchOf(order)
    await run('update contact set email = $2 where customer_id = $1', [customer.id, 'mended@house.example'])
    expect(await sendAgain([dispatch.id], inTheNameOf('Test'))).toEqual([dispatch.id])
    await house.settle()
    await until('the mended mail', async () => house.mailboxes.of('mended@house.example').length === 1)
    expect(house.mailboxes.of('bounce-at-once@house.example')).toHaveLength(0)
  })

  test('one of two addresses refused: the other has it and is not written to again', async () => {
    const order = await shipTo('good@house.example', 'bounce-at-once@house.example')
    const dispatch = await dispatchOf(order)
    expect(dispatch).toMatchObject({ state: 'stuck', cause: 'refused' })
    house.rules.remove('bounce-at-once@house.example')
    await sendAgain([dispatch.id], inTheNameOf('Test'))
    await house.settle()
    await until(
      'the second mail',
      async () => house.mailboxes.of('bounce-at-once@house.example').length === 1,
    )
    expect(house.mailboxes.of('good@house.example')).toHaveLength(1)
  })

  test('closing needs a reason, and the document waits in To send again', async () => {
    house.rules.set({ who: 'gone@house.example', does: 'bounce at once' })
    const order = await shipTo('gone@house.example')
    const dispatch = await dispatchOf(order)
    await expect(decideByHand([dispatch.id], 'close', ' ', inTheNameOf('Test'))).rejects.toThrow(
      'why it is closed',
    )
    await decideByHand([dispatch.id], 'close', 'handed over in person', inTheNameOf('Test'))
    const toSend = (await lineCounts()).find((one) => one.stage === 'to send')!
    expect(inWords(toSend.facts)).toContain('1 issued, not sent')
    expect((await documentView(dispatch.documentId)).history.map((entry) => entry.words)).toContain(
      'Closed: handed over in person',
    )
  })
})

describe('return paths', () => {
  test('only our own signature names a dispatch', () => {
    expect(dispatchOfReturnPath(returnPath(42, 'us@house.example'))).toBe(42)
    expect(dispatchOfReturnPath(returnPath(42, 'us@house.example').replace('d42-', 'd43-'))).toBeUndefined()
    const forged = createHmac('sha256', 'another secret')
      .update('return path of dispatch 42')
      .digest('hex')
      .slice(0, 20)
    expect(dispatchOfReturnPath(`d42-${forged}@${config.returnDomain}`)).toBeUndefined()
  })

  test('the listener takes no mail for anybody else', async () => {
    const answer = await new Promise<string>((resolve) => {
      let said = ''
      const socket = connect(config.returnPort, '127.0.0.1')
      const lines = [
        'EHLO x',
        'MAIL FROM:<>',
        `RCPT TO:<d1-${'0'.repeat(20)}@${config.returnDomain}>`,
        'QUIT',
      ]
      socket.on('data', (data) => {
        said += data.toString()
        const line = lines.shift()
        if (line) socket.write(`${line}\r\n`)
      })
      socket.on('close', () => resolve(said))
    })
    expect(answer).toContain('550 5.1.1 No such return path')
  })
})

test('one notice tells of everything that got stuck, once', async () => {
  await sweep()
  const [notice] = await house.mails('maeve@tansyhollow.example')
  expect(notice!.subject).toMatch(/^\d+ documents did not go|^Stuck: /)
  const count = house.mailboxes.of('maeve@tansyhollow.example').length
  await sweep()
  expect(house.mailboxes.of('maeve@tansyhollow.example')).toHaveLength(count)
  expect(await rows(`select id from dispatch where state = 'stuck' and not noticed`)).toEqual([])
})

test('a failure that somebody provokes is caught as a real one is, and no mail server hears of it', async () => {
  const order = await shipTo('desk@provoked-not.example')
  await until('the invoice', async () => (await dispatchOf(order))?.state === 'on the way')
  const { documentId } = await dispatchOf(order)
  const who = { ...inTheNameOf('Col Varley'), id: 1 }
  const provoked = async (what: Provocation, state: string, cause: string | null, seconds = 15) => {
    await sendCopy(documentId, { address: provokedAddress(what) }, who)
    const found = () => dispatchOf(order)
    await until(
      what,
      async () => {
        const now = await found()
        return now.state === state && now.cause === cause && now.lastReply !== null
      },
      seconds,
    )
    return found()
  }
  const before = await figures(7, theHouse)
  await provoked('refused', 'stuck', 'refused')
  await provoked('full', 'stuck', 'mailbox full')
  expect((await provoked('late', 'waiting', null)).lastReply).toContain('451 4.7.1')
  await provoked('bounced', 'on the way', null)
  await until('it to come back', async () => (await dispatchOf(order)).cause === 'bounced', 40)
  expect(house.mailboxes.all().filter(({ to }) => /provoked\.invalid/.test(to))).toEqual([])
  expect((await figures(7, theHouse)).emails).toBe(before.emails)
})
