import { createHash, randomUUID } from 'node:crypto'
import { beforeEach, describe, expect, test } from 'vitest'
import { PDFDocument } from 'pdf-lib'
import { one, rows, run } from '../../server/db/connection'
import { hold, printInstead, sendLater, decideByHand } from '../../server/services/dispatch/by-hand'
import { sendDispatches } from '../../server/services/dispatch/send'
import { printQueue, printQueuePdf } from '../../server/services/dispatch/print-queue'
import { sweep } from '../../server/services/dispatch/sweep'
import { sendDocumentToMe, sendOneToMe, sendSampleToMe } from '../../server/services/documents/rehearse'
import { startMatchingRun, startRun, stopRun, takeBack } from '../../server/services/documents/send-run'
import { runLines, runReport } from '../../server/services/runs/runs'
import {
  changeHouse,
  endRehearsal,
  pauseAll,
  resumeAll,
  startRehearsal,
} from '../../server/services/house/settings'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { checkSend } from '../../server/services/documents/send-check'
import { houseState } from '../../server/services/house/health'
import { closeMailConnections } from '../../server/outside/mail/smtp'
import { register } from '../../server/services/register/register-queries'
import { lineList } from '../../server/services/line/list-queries'
import { documentView } from '../../server/services/line/in-hand'
import { addRoutine, changeRoutine, listRoutines } from '../../server/services/routines/routines'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

/* What keeps papers back: undo time, stop, hold, another time, pause; rehearsal; and the print queue. */
const house = useHouse()
const user = { id: 1, name: 'Col Varley', brands: null }
const shipped = async (count: number, change = {}) => {
  const orders = []
  for (let index = 0; index < count; index++) orders.push(await house.newOrder(change))
  await house.ship(orders)
  return { orders, papers: await papersOf(orders) }
}
const issued = async (orders: number[]) =>
  (await one<{ count: number }>(`select count(*)::int count from document where source_id = any($1::int[])`, [
    orders,
  ]))!.count
const dispatchOf = async (order: number) =>
  (await one<{ id: number; state: string; held: boolean; channel: string }>(
    `select s.id, s.state, s.held, s.channel
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    where d.source_id = $1
    order by s.id desc
    limit 1`,
    [order],
  ))!
/** Has what waits for its next try go now; also what was just being tried. */
async function goneNow(order: number): Promise<boolean> {
  if (
    (await run(
      `update dispatch
      set next_try_at = now()
      where state = 'waiting' and next_try_at > now() + interval '1 second'`,
    )) > 0
  )
    await sweep()
  return ['on the way', 'arrived'].includes((await dispatchOf(order)).state)
}
const partOf = async (run: number, part: string) =>
  (await runReport(run)).parts.find((one) => one.part === part)?.documents ?? 0
const ready = (papers: { id: number; revision: number }[]) =>
  papers.map(({ id, revision }) => ({ id, revision }))

beforeEach(async () => {
  await run(`update company set undo_minutes = 0, paused_at = null, rehearsal_since = null`)
})

describe('grace', () => {
  test('a whole run is taken back while it lasts: nothing was numbered, all papers are in To check', async () => {
    await changeHouse({ undoMinutes: 5 })
    const { orders, papers } = await shipped(3)
    const id = await startRun(ready(papers), randomUUID(), user)
    await house.settle()
    expect(await issued(orders)).toBe(0)
    await takeBack(id, inTheNameOf('Col Varley'))
    await run('update send_run set goes_at = now() where id = $1', [id])
    expect(await runReport(id)).toMatchObject({
      chosen: 3,
      issued: 0,
      skipped: 3,
      takenBackBy: 'Col Varley',
      numbers: [],
    })
    expect((await papersOf(orders)).map((paper) => paper.state)).toEqual(['prepared', 'prepared', 'prepared'])
    await expect(takeBack(id, inTheNameOf('Col Varley'))).rejects.toThrow('The undo time is over')
  })

  test('over, the run goes by itself, even if its job was lost', async () => {
    await changeHouse({ undoMinutes: 5 })
    const { orders, papers } = await shipped(2)
    const id = await startRun(ready(papers), randomUUID(), user)
    await run(`update send_run set goes_at = now() - interval '1 second' where id = $1`, [id])
    await expect(takeBack(id, inTheNameOf('Col Varley'))).rejects.toThrow('The undo time is over')
    await run(`delete from graphile_worker._private_jobs`)
    await sweep()
    await house.settle()
    expect(await issued(orders)).toBe(2)
    expect(await runReport(id)).toMatchObject({ issued: 2, open: 0 })
  })

  test('a run that is stopped keeps what is issued and leaves the rest in To check', async () => {
    await changeHouse({ undoMinutes: 5 })
    const { orders, papers } = await shipped(2)
    const id = await startRun(ready(papers), randomUUID(), user)
    await stopRun(id, inTheNameOf('Maeve'))
    await run('update send_run set goes_at = now() where id = $1', [id])
    await sweep()
    await house.settle()
    expect(await runReport(id)).toMatchObject({ issued: 0, skipped: 2, stoppedBy: 'Maeve' })
    expect(await issued(orders)).toBe(0)
  })
})

describe('all that match', () => {
  test('are frozen with their count; another count than was shown sends nothing', async () => {
    const { orders } = await shipped(3, {
      customerId: house.customer('10440').id,
      customerName: 'Sally Gap Smallholders',
    })
    const key = randomUUID()
    await expect(startMatchingRun({ search: 'sally gap' }, 2, key, user)).rejects.toThrow(
      'Meanwhile it is 3 and not 2',
    )
    expect(await issued(orders)).toBe(0)
    const id = await startMatchingRun({ search: 'sally gap' }, 3, key, user)
    expect(await startMatchingRun({ search: 'sally gap' }, 3, key, user)).toBe(id)
    await house.settle()
    const report = await runReport(id)
    expect(report).toMatchObject({
      chosen: 3,
      issued: 3,
      sums: [{ currency: 'EUR' }],
      numbers: [{ count: 3 }],
    })
    expect(report).toMatchObject({ emails: 3, prints: 0 })
    expect((await runLines(id)).map((line) => line.outcome)).toEqual(['emailed', 'emailed', 'emailed'])
  })

  test('email and paper in one run have one report: documents and dispatches counted apart', async () => {
    const email = await shipped(1)
    const both = await shipped(1, {
      customerId: house.customer('10463').id,
      customerName: 'Bio-Gärtnerei Drei Linden',
    })
    const paper = await shipped(1, {
      customerId: house.customer('10419').id,
      customerName: 'Reedbank Orchards',
    })
    const id = await startRun(ready([...email.papers, ...both.papers, ...paper.papers]), randomUUID(), user)
    await house.settle()
    await until('the emails to be gone', async () => (await partOf(id, 'emailed')) === 1)
    expect(await runReport(id)).toMatchObject({
      chosen: 3,
      issued: 3,
      emails: 2,
      prints: 2,
      // the one that goes both ways counts as waiting until it is printed, too
      parts: [
        { part: 'emailed', documents: 1, emails: 1, prints: 0 },
        { part: 'waiting', documents: 2, emails: 1, prints: 2 },
      ],
    })
    await decideByHand(
      (await printQueue()).map((row) => row.id),
      'print',
      '',
      inTheNameOf('Col Varley'),
    )
    expect((await runReport(id)).parts).toMatchObject([
      { part: 'emailed', documents: 2 },
      { part: 'printed', documents: 1 },
    ])
  })
})

describe('hold, another time, cancel', () => {
  test('a held email does not go, not even when the sweeper looks; let go, it does', async () => {
    await pauseAll('', inTheNameOf('Test'))
    const { orders, papers } = await shipped(1)
    await resumeAll()
    await pauseSending()
    await startRun(ready(papers), randomUUID(), user)
    await until('it to be issued', async () => (await issued(orders)) === 1)
    await until(
      'it to be painted',
      async () =>
        (await one<{ ready: boolean }>('select ready from dispatch where id = $1', [
          (await dispatchOf(orders[0]!)).id,
        ]))!.ready,
    )
    const { id } = await dispatchOf(orders[0]!)
    expect(await hold([id], true, inTheNameOf('Test'))).toEqual([id])
    await letSending()
    await sweep()
    await sendDispatches([id], 'a job from before it was held')
    await house.settle()
    expect(await dispatchOf(orders[0]!)).toMatchObject({ state: 'waiting', held: true })
    await hold([id], false, inTheNameOf('Test'))
    await until('it to be gone', async () => (await dispatchOf(orders[0]!)).state !== 'waiting')
  })

  test('one set to tomorrow waits; a time that is past is refused', async () => {
    await pauseSending()
    const { orders, papers } = await shipped(1)
    await startRun(ready(papers), randomUUID(), user)
    await until('it to be issued', async () => (await issued(orders)) === 1)
    const { id } = await dispatchOf(orders[0]!)
    await expect(sendLater([id], new Date(Date.now() - 1000), inTheNameOf('Test'))).rejects.toThrow(
      'a time from now on',
    )
    await sendLater([id], new Date(Date.now() + 86_400_000), inTheNameOf('Test'))
    await letSending()
    await house.settle()
    expect(await dispatchOf(orders[0]!)).toMatchObject({ state: 'waiting' })
    expect(await decideByHand([id], 'close', 'brought by hand', inTheNameOf('Test'))).toEqual([id])
    expect(await dispatchOf(orders[0]!)).toMatchObject({ state: 'closed' })
  })
})

/** Lets nothing be sent while a test looks, without pausing: every email waits a minute. */
async function pauseSending(): Promise<void> {
  await run(
    'create or replace function wait_a_minute() returns trigger language plpgsql as $fn$ begin ' +
      `new.next_try_at := now() + interval '1 minute'; return new; end $fn$`,
  )
  await run(
    `create or replace trigger wait_a_minute before insert on dispatch for each row execute function wait_a_minute()`,
  )
}
async function letSending(): Promise<void> {
  await run('drop trigger wait_a_minute on dispatch')
  await run(
    `update dispatch
    set next_try_at = now() - interval '1 minute'
    where state = 'waiting' and not_before <= now()`,
  )
}

describe('pause', () => {
  test('stops issuing and sending; nothing is lost, and all goes on when it is lifted', async () => {
    const { orders, papers } = await shipped(2)
    await pauseAll('the prices are wrong', inTheNameOf('Col Varley'))
    expect(await houseState()).toMatchObject({
      paused: true,
      pausedBy: 'Col Varley',
      pauseReason: 'the prices are wrong',
    })
    await startRun(ready(papers), randomUUID(), user)
    await house.settle()
    expect(await issued(orders)).toBe(0)
    await resumeAll()
    await until(
      'both to be gone',
      async () =>
        (await dispatchOf(orders[1]!))?.state === 'arrived' ||
        (await dispatchOf(orders[1]!))?.state === 'on the way',
    )
    expect(await issued(orders)).toBe(2)
  })

  test('holds what goes by itself as well', async () => {
    await addRoutine(
      {
        name: 'Closed',
        description: '',
        trust: 'automatic',
        isOn: true,
        sentence: { statuses: ['Closed'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
      },
      inTheNameOf('Test'),
    )
    await pauseAll('', inTheNameOf('Test'))
    const { orders } = await shipped(0)
    const order = await house.newOrder({ status: 'Draft' })
    const { setStatus } = await import('../../server/services/orders/status')
    await run(`update sales_order set supplied_on = '2026-11-20' where id = $1`, [order])
    await setStatus([order], 'Closed', inTheNameOf('Test'))
    await house.settle()
    expect((await papersOf([order]))[0]).toMatchObject({ state: 'prepared' })
    await resumeAll()
    await until('it to be issued', async () => (await issued([order])) === 1)
    expect(orders).toEqual([])
  })
})

describe('rehearsal', () => {
  test(
    'nothing reaches the customer: a watermarked paper under its own number goes to the rehearsal ' +
      'address, the real one stays due',
    async () => {
      const { orders, papers } = await shipped(1)
      await expect(startRehearsal(inTheNameOf('Test'))).rejects.toThrow('Say first to which address')
      await changeHouse({ rehearsalAddress: 'rehearsal@tansyhollow.example' })
      await startRehearsal(inTheNameOf('Maeve'))
      const before = (await house.mails('accounts@ottermill.example')).length
      const counter = await one<{ last: number }>(
        'select coalesce(max(last), 0)::int last from series_counter',
      )
      const id = await startRun(ready(papers), randomUUID(), user)
      await house.settle()
      await until(
        'the rehearsal to be mailed',
        async () => (await house.mails('rehearsal@tansyhollow.example')).length === 1,
      )
      expect(await runReport(id)).toMatchObject({ issued: 0, rehearsed: 1, numbers: [] })
      const [mail] = await house.mails('rehearsal@tansyhollow.example')
      expect(mail!.subject).toMatch(/^\[Rehearsal\] .*REHEARSAL-\d{5}/)
      expect(mail!.text).toContain('For real this would go to: To accounts@ottermill.example')
      expect(mail!.html).toContain('For real this would go to')
      expect(mail!.attachments[0]!.filename).toMatch(/^REHEARSAL-\d{5}\.pdf$/)
      expect(await house.mails('accounts@ottermill.example')).toHaveLength(before)
      expect(await one('select coalesce(max(last), 0)::int last from series_counter')).toEqual(counter)
      expect((await papersOf(orders))[0]).toMatchObject({ state: 'prepared' })
      expect(
        (await register({ search: 'REHEARSAL', sort: 'issued', descending: true, limit: 10 })).rows,
      ).toEqual([])
      expect(await historyWords(orders[0]!)).toContainEqual(
        expect.stringMatching(/^Rehearsed as REHEARSAL-\d{5} to rehearsal@/),
      )
      await endRehearsal()
      await startRun(ready(await papersOf(orders)), randomUUID(), user)
      await until(
        'the real one to be gone',
        async () => (await house.mails('accounts@ottermill.example')).length === before + 1,
      )
    },
  )

  test(
    'an issued document is diverted as it is, stays unsent and held, and goes for real only when ' +
      'somebody lets it',
    async () => {
      await pauseSending()
      const { orders, papers } = await shipped(1)
      await startRun(ready(papers), randomUUID(), user)
      await until('it to be issued', async () => (await issued(orders)) === 1)
      const number = (await one<{ number: string }>('select number from document where source_id = $1', [
        orders[0],
      ]))!.number
      const [before, real] = [
        (await house.mails('rehearsal@tansyhollow.example')).length,
        (await house.mails('accounts@ottermill.example')).length,
      ]
      await startRehearsal(inTheNameOf('Maeve'))
      await letSending()
      await sweep()
      await until(
        'it to be rehearsed',
        async () => (await house.mails('rehearsal@tansyhollow.example')).length === before + 1,
      )
      const mail = (await house.mails('rehearsal@tansyhollow.example')).find((one) =>
        one.subject!.includes(number),
      )
      expect(mail!.attachments[0]!.filename).toContain(number)
      await until('it to be held', async () => (await dispatchOf(orders[0]!)).held)
      await endRehearsal()
      await sweep()
      await house.settle()
      expect(await house.mails('accounts@ottermill.example')).toHaveLength(real)
      await hold([(await dispatchOf(orders[0]!)).id], false, inTheNameOf('Test'))
      await until(
        'it to be gone',
        async () => (await house.mails('accounts@ottermill.example')).length === real + 1,
      )
    },
  )

  test('of one routine: its documents alone are rehearsed to its own address, the others go for real', async () => {
    const tried = 'tried@tansyhollow.example'
    const [routine] = (await listRoutines()).filter(({ name }) => name === 'Invoice when shipped')
    const { id, version, sentence } = routine!
    await changeRoutine(id, { version, sentence: { ...sentence, rehearseTo: tried } }, inTheNameOf('Test'))
    const { orders, papers } = await shipped(1)
    const byHand = await house.newOrder()
    await prepareByHand('order confirmation', [byHand], inTheNameOf('Test'))
    const all = [...papers, ...(await papersOf([byHand]))]
    expect(await checkSend({ papers: ready(all) }, {})).toMatchObject({ documents: 2, rehearsed: 1 })
    const before = (await house.mails('accounts@ottermill.example')).length
    const run = await startRun(ready(all), randomUUID(), user)
    await until('the rehearsal', async () => (await house.mails(tried)).length === 1)
    await until('the run', async () => (await runReport(run)).open === 0)
    expect(await runReport(run)).toMatchObject({ issued: 1, rehearsed: 1 })
    expect([await issued(orders), await issued([byHand])]).toEqual([0, 1])
    expect(await house.mails('accounts@ottermill.example')).toHaveLength(before)
    expect((await papersOf(orders))[0]).toMatchObject({ state: 'prepared' })

    // the narrower wins while the house rehearses as well
    await startRehearsal(inTheNameOf('Maeve'))
    const elsewhere = (await house.mails('rehearsal@tansyhollow.example')).length
    await startRun(ready(await papersOf(orders)), randomUUID(), user)
    await until('the second rehearsal', async () => (await house.mails(tried)).length === 2)
    expect(await house.mails('rehearsal@tansyhollow.example')).toHaveLength(elsewhere)
    await endRehearsal()
    const now = (await listRoutines()).find((one) => one.id === id)!
    await changeRoutine(id, { version: now.version, sentence }, inTheNameOf('Test'))
    await startRun(ready(await papersOf(orders)), randomUUID(), user)
    await until(
      'the real one',
      async () => (await house.mails('accounts@ottermill.example')).length === before + 1,
    )
  })

  test("send one to me: to one's own address, and nothing else happens", async () => {
    const { orders, papers } = await shipped(1)
    const number = await sendOneToMe(papers[0]!.id, {
      ...inTheNameOf('Col Varley'),
      email: 'col@tansyhollow.example',
    })
    await until(
      'the mail to be there',
      async () => (await house.mails('col@tansyhollow.example')).length === 1,
    )
    expect((await house.mails('col@tansyhollow.example'))[0]!.subject).toContain(number)
    expect((await papersOf(orders))[0]).toMatchObject({ state: 'prepared', revision: papers[0]!.revision })
  })
})

describe('send one to me', () => {
  const me = { ...inTheNameOf('Ida Brandes'), email: 'ida@tansyhollow.example' }

  test('a document goes as it is, byte for byte; its customer and its dispatches hear nothing', async () => {
    const { orders, papers } = await shipped(1)
    await startRun(ready(papers), randomUUID(), user)
    await until('it to be gone', async () =>
      ['on the way', 'arrived'].includes((await dispatchOf(orders[0]!))?.state),
    )
    const document = (await one<{ id: number; number: string; sha256: string }>(
      `select d.id, d.number, f.sha256
      from document d
      join document_file f on f.document_id = d.id
      where d.source_id = $1`,
      [orders[0]!],
    ))!
    await sendDocumentToMe(document.id, me)
    await until('the mail to be there', async () => (await house.mails(me.email)).length === 1)
    const [mail] = await house.mails(me.email)
    expect(createHash('sha256').update(mail!.attachments[0]!.content).digest('hex')).toBe(document.sha256)
    expect(mail!.subject).toContain(document.number)
    expect(mail!.text).toContain('the customer hears nothing of it')
    expect(
      await one(
        `select count(*)::int count
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        where dd.document_id = $1`,
        [document.id],
      ),
    ).toEqual({ count: 1 })
  })

  test("a brand's sample comes watermarked with its email, and draws no number", async () => {
    const counters = await rows('select * from series_counter order by 1, 2')
    await sendSampleToMe(1, 'invoice', { ...me, email: 'sample@tansyhollow.example' })
    await until(
      'the mail to be there',
      async () => (await house.mails('sample@tansyhollow.example')).length === 1,
    )
    expect((await house.mails('sample@tansyhollow.example'))[0]!.subject).toMatch(
      /^\[Rehearsal\].*REHEARSAL-/,
    )
    expect(await rows('select * from series_counter order by 1, 2')).toEqual(counters)
  })
})

describe('the print queue', () => {
  test('merges the stored PDFs in posting order; marking as posted is an act of its own', async () => {
    const reedbank = { customerId: house.customer('10419').id, customerName: 'Reedbank Orchards' }
    const { papers } = await shipped(2, reedbank)
    await startRun(ready(papers), randomUUID(), user)
    await house.settle()
    await until('both to lie there', async () => (await printQueue()).length >= 2)
    const lying = await printQueue()
    expect(lying.map((row) => row.number)).toEqual([...lying.map((row) => row.number)].sort())
    const merged = await PDFDocument.load(
      await printQueuePdf(
        lying.map((row) => row.id),
        2,
      ),
    )
    expect(merged.getPageCount()).toBe(2 * lying.reduce((total, row) => total + row.pages, 0))
    expect((await printQueue()).length).toBe(lying.length)
    await decideByHand(
      lying.map((row) => row.id),
      'print',
      '',
      inTheNameOf('Col Varley'),
    )
    expect(await printQueue()).toEqual([])
    await expect(printQueuePdf([999_999], 1)).rejects.toThrow('waits for the printer any more')
  })

  test('an email of several documents, printed instead, is one row with its sum once', async () => {
    const { id: customerId, name: customerName } = house.customer('10424')
    await run(`update customer set preferences = '{"invoice": {"gathered": true}}' where id = $1`, [
      customerId,
    ])
    const { orders, papers } = await shipped(2, { customerId, customerName })
    await startRun(ready(papers), randomUUID(), user, { withoutAddress: true })
    await until('it to be stuck', async () => (await dispatchOf(orders[0]!))?.state === 'stuck')
    const { id } = await dispatchOf(orders[0]!)
    expect((await dispatchOf(orders[1]!)).id).toBe(id)
    await printInstead([id], inTheNameOf('Test'))
    const lying = (await printQueue()).filter((row) => row.id === id)
    const both = (await one<{ total: string; pages: number }>(
      `select sum(d.total)::text total, sum(f.pages)::int pages
      from document d join document_file f on f.document_id = d.id where d.source_id = any($1::int[])`,
      [orders],
    ))!
    expect(lying).toMatchObject([both])
    await decideByHand([id], 'print', '', inTheNameOf('Test'))
    await run(`update customer set preferences = '{}' where id = $1`, [customerId])
  })

  test('a stuck email can be printed instead', async () => {
    const { orders, papers } = await shipped(1, {
      customerId: house.customer('10424').id,
      customerName: 'Gorsefield Estate',
    })
    await startRun(ready(papers), randomUUID(), user, { withoutAddress: true })
    await until('it to be stuck', async () => (await dispatchOf(orders[0]!))?.state === 'stuck')
    const { id } = await dispatchOf(orders[0]!)
    expect(await printInstead([id], inTheNameOf('Test'))).toEqual([id])
    expect((await printQueue()).map((row) => row.id)).toContain(id)
    expect((await lineList({ stage: 'waiting', limit: 50 })).rows.find((row) => row.id === id)).toMatchObject(
      { channel: 'paper' },
    )
    expect(await printInstead([id], inTheNameOf('Test'))).toEqual([])
  })
})

describe('gathered', () => {
  test(
    'several invoices of one Send go in one email where the customer wishes it: each with its own ' +
      'number, one dispatch',
    async () => {
      const kilbrack = house.customer('10493')
      await run(`update customer set preferences = '{"invoice": {"gathered": true}}' where id = $1`, [
        kilbrack.id,
      ])
      const gatheredOnes = await shipped(3, { customerId: kilbrack.id, customerName: kilbrack.name })
      const single = await shipped(2)
      const id = await startRun(ready([...gatheredOnes.papers, ...single.papers]), randomUUID(), user)
      await until('all to be gone', async () => (await partOf(id, 'emailed')) === 5)
      // five documents, but only three emails
      expect(await runReport(id)).toMatchObject({ issued: 5, emails: 3 })
      const numbers = (await runLines(id))
        .filter((line) => line.customer === kilbrack.name)
        .map((line) => line.document)
      const to = kilbrack.contacts.find((contact) => contact[2] === 'billing')![1]
      const mails = await house.mails(to)
      expect(mails).toHaveLength(1)
      for (const number of numbers) expect(mails[0]!.subject).toContain(number)
      expect(mails[0]!.attachments.map((file) => file.filename)).toEqual(
        numbers.map((number) => `Invoice-${number}.pdf`),
      )
      expect(
        await one(
          `select count(distinct s.id)::int count
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        join document d on d.id = dd.document_id
        where d.customer_id = $1`,
          [kilbrack.id],
        ),
      ).toEqual({ count: 1 })
      for (const search of numbers) {
        const found = [
          ...(await lineList({ stage: 'arrived', search, limit: 5 })).rows,
          ...(await lineList({ stage: 'on the way', search, limit: 5 })).rows,
        ]
        expect(found).toMatchObject([{ number: `${numbers[0]} +2`, documents: 3 }])
      }
    },
  )
})

test('a gathered email that waits reads as it will be: every number, every file', async () => {
  const there = process.env.CLOTHESPIN_SMTP_URL
  closeMailConnections()
  process.env.CLOTHESPIN_SMTP_URL = 'smtp://127.0.0.1:9'
  const kilbrack = house.customer('10493')
  await run(`update customer set preferences = '{"invoice": {"gathered": true}}' where id = $1`, [
    kilbrack.id,
  ])
  const { orders, papers } = await shipped(2, { customerId: kilbrack.id, customerName: kilbrack.name })
  await startRun(ready(papers), randomUUID(), user)
  await until('it to wait', async () => (await dispatchOf(orders[1]!))?.state === 'waiting')
  const documents = await rows<{ id: number; number: string }>(
    'select id, number from document where source_id = any($1::int[]) order by id',
    [orders],
  )
  const { email } = await documentView(documents[1]!.id)
  expect(email!.sent).toBe(false)
  expect(email!.files.map((file) => file.name)).toEqual(
    documents.map(({ number }) => `Invoice-${number}.pdf`),
  )
  for (const { number } of documents) expect(email!.subject).toContain(number)
  process.env.CLOTHESPIN_SMTP_URL = there
  await until('it to be gone', () => goneNow(orders[1]!))
})

test(
  'the mail server away: the email waits by itself, every screen says so, and it goes when the ' +
    'server is back',
  async () => {
    const there = process.env.CLOTHESPIN_SMTP_URL
    closeMailConnections()
    process.env.CLOTHESPIN_SMTP_URL = 'smtp://127.0.0.1:9'
    const { orders, papers } = await shipped(1)
    await startRun(ready(papers), randomUUID(), user)
    await until('it to be said', async () =>
      (await houseState()).troubles.some(({ words }) =>
        words.startsWith('The mail server is away: 1 email waits'),
      ),
    )
    expect(await dispatchOf(orders[0]!)).toMatchObject({ state: 'waiting' })
    process.env.CLOTHESPIN_SMTP_URL = there
    await until('it to be gone', () => goneNow(orders[0]!))
    expect(
      (await houseState()).troubles.some(({ words }) => words.startsWith('The mail server is away')),
    ).toBe(false)
  },
)
