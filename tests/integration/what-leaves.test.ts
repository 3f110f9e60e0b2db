import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { describe, expect, onTestFinished, test } from 'vitest'
import { config } from '../../server/config'
import { one, rows, run } from '../../server/db/connection'
import { hold, sendDocuments, decideByHand } from '../../server/services/dispatch/by-hand'
import { sendCopy } from '../../server/services/line/copy'
import { sendDispatches } from '../../server/services/dispatch/send'
import { printQueue } from '../../server/services/dispatch/print-queue'
import { prepareByHand, sendThisOnceTo } from '../../server/services/documents/prepare-by-hand'
import { checkSend } from '../../server/services/documents/send-check'
import { continueRun, startMatchingRun, startRun, stopRun } from '../../server/services/documents/send-run'
import { voidDocument } from '../../server/services/documents/void'
import { changeHouse } from '../../server/services/house/settings'
import { lineList } from '../../server/services/line/list-queries'
import { setStatus, trySetStatus } from '../../server/services/orders/status'
import { addRoutine } from '../../server/services/routines/routines'
import { runLines, runReport } from '../../server/services/runs/runs'
import { papersOf, historyWords, until, useHouse, type PaperRow } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/*
 * What leaves the house and what does not: Stop, held and withdrawn orders, void documents, customers who
 * want nothing.
 */
const house = useHouse()
const user = { id: 1, name: 'Col Varley', brands: null }
const ready = (papers: PaperRow[]) => papers.map(({ id, revision }) => ({ id, revision }))

async function shipped(count: number, change = {}) {
  const orders: number[] = []
  for (let index = 0; index < count; index++) orders.push(await house.newOrder(change))
  await house.ship(orders)
  return { orders, papers: await papersOf(orders) }
}
const documentsOf = (orders: number[]) =>
  rows<{ id: number; number: string }>(
    'select id, number from document where source_id = any($1::int[]) order by id',
    [orders],
  )
const dispatchesOf = (orders: number[]) =>
  rows<{ id: number; state: string; held: boolean; heldFor: string | null; number: string; total: string }>(
    `select distinct s.id, s.state, s.held, s.held_for "heldFor", s.number, s.total::text total
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    where d.source_id = any($1::int[])
    order by s.id`,
    [orders],
  )
/** Emails made from now on wait a minute, so that a test can look at Waiting. */
async function inWaiting<T>(act: () => Promise<T>): Promise<T> {
  await run(
    `create or replace function wait_a_minute() returns trigger language plpgsql as $fn$
    begin new.next_try_at := now() + interval '1 minute'; return new; end $fn$`,
  )
  await run(
    'create or replace trigger wait_a_minute before insert on dispatch for each row execute function wait_a_minute()',
  )
  try {
    return await act()
  } finally {
    await run('drop trigger wait_a_minute on dispatch')
  }
}
async function allDue(): Promise<number[]> {
  const due = await rows<{ id: number }>(
    `update dispatch set next_try_at = now() - interval '1 second' where state = 'waiting' returning id`,
  )
  return due.map((one) => one.id)
}
const sendAllDue = async () => sendDispatches(await allDue(), 'the worker of the test')
const mailsTo = async (address: string) => (await house.mails(address)).length

/** Locks a prepared document from outside, until it is let go. */
async function handOn({ id }: PaperRow): Promise<{ letGo: () => Promise<void> }> {
  const client = new pg.Client({ connectionString: config.databaseUrl })
  await client.connect()
  await client.query('begin')
  await client.query('select id from prepared_document where id = $1 for update', [id])
  onTestFinished(() => client.end())
  return { letGo: async () => void (await client.query('rollback')) }
}
const waitingForTurn = async () =>
  (await one<{ count: number }>(
    `select count(*)::int count
    from pg_locks l
    join pg_database b on b.oid = l.database
    where b.datname = current_database() and l.locktype = 'advisory' and not l.granted`,
  ))!.count

describe('Stop', () => {
  test('pressed while a batch is written, it comes before the next: the report is what was committed', async () => {
    const { orders, papers } = await shipped(45)
    await changeHouse({ undoMinutes: 60 })
    const id = await startRun(ready(papers), randomUUID(), user)
    await run(`update send_run set goes_at = now() - interval '1 second' where id = $1`, [id])
    await changeHouse({ undoMinutes: 0 })
    // somebody has a document of the second batch in hand: meanwhile Stop is pressed, and its job runs, too
    const inHand = await handOn(papers.find((paper) => paper.orderId === orders[25])!)
    const issuing = continueRun(id)
    await until('the first batch', async () => (await documentsOf(orders)).length > 0)
    const stopping = stopRun(id, inTheNameOf('Maeve Tarrant'))
    await until('Stop has its turn', async () => (await waitingForTurn()) === 1)
    const another = continueRun(id)
    await until('another job has its turn', async () => (await waitingForTurn()) === 2)
    await inHand.letGo()
    await Promise.all([issuing, stopping, another])
    await house.settle()
    const issued = (await documentsOf(orders)).length
    const report = await runReport(id)
    expect(issued).toBe(40)
    expect(report).toMatchObject({
      chosen: 45,
      issued,
      skipped: 45 - issued,
      open: 0,
      stoppedBy: 'Maeve Tarrant',
    })
    const prepared = (await papersOf(orders)).filter((paper) => paper.state === 'prepared')
    expect(prepared).toHaveLength(45 - issued)
    expect(report.numbers[0]!.count).toBe(issued)
  })

  test('several jobs of one run at one instant never write over each other', async () => {
    const { orders, papers } = await shipped(25)
    const id = await startRun(ready(papers), randomUUID(), user)
    await Promise.all([continueRun(id), continueRun(id), continueRun(id)])
    await house.settle()
    expect(await runReport(id)).toMatchObject({ chosen: 25, issued: 25, skipped: 0 })
    expect(await documentsOf(orders)).toHaveLength(25)
  })
})

describe('an order that is withdrawn or held', () => {
  const toCheck = async (search: string) => lineList({ stage: 'to check', search, limit: 50 })

  test('its invoice in To check is marked at once, in no Send, and goes alone once somebody read why', async () => {
    const customer = house.customer('10440')
    const { orders, papers } = await shipped(2, { customerId: customer.id, customerName: customer.name })
    const asked = await trySetStatus([orders[0]!], 'Withdrawn', inTheNameOf('Test'))
    expect(asked).toMatchObject({ turn: 'stops', effects: { toCheck: 1, emails: 0 } })
    expect(
      (await one<{ status: string }>('select status from sales_order where id = $1', [orders[0]]))!.status,
    ).toBe('Shipped')
    await setStatus([orders[0]!], 'Withdrawn', inTheNameOf('Test'))
    const list = await toCheck(customer.name)
    expect(list.rows.find((row) => row.sourceId === orders[0])!.stopped).toBe('Withdrawn')
    expect(list.sendable).toBe(1)
    const check = await checkSend({ matching: { search: customer.name } }, {})
    expect(check).toMatchObject({ documents: 1, leftOut: [{ bar: 'stopped', count: 1 }] })

    const all = await startRun(ready(papers), randomUUID(), user)
    await house.settle()
    const lines = await runLines(all)
    expect(lines.map((line) => line.outcome).sort()).toEqual([
      expect.stringMatching(/emailed|waiting/),
      'skipped',
    ])
    expect(lines.find((line) => line.outcome === 'skipped')!.reason).toContain('is Withdrawn')
    expect(await documentsOf([orders[0]!])).toEqual([])
    await expect(startRun(ready(papers), randomUUID(), user, { despite: true })).rejects.toThrow('one by one')

    const alone = await startRun(ready([papers[0]!]), randomUUID(), user, { despite: true })
    await until('it to be gone', async () =>
      (await runReport(alone)).parts.some((part) => part.part === 'emailed'),
    )
  })

  test('its emails and print jobs in Waiting are taken out, with counts, and asked about on return', async () => {
    const [{ orders, papers }, post] = [
      await shipped(1),
      await shipped(1, {
        customerId: house.customer('10419').id,
        customerName: house.customer('10419').name,
      }),
    ]
    await inWaiting(async () => {
      await startRun(ready([...papers, ...post.papers]), randomUUID(), user)
      await until(
        'both to be painted',
        async () =>
          (await rows('select document_id from unpainted')).length === 0 &&
          (await dispatchesOf([...orders, ...post.orders])).length === 2,
      )
    })
    const both = [...orders, ...post.orders]
    expect((await trySetStatus(both, 'Held', inTheNameOf('Test'))).effects).toMatchObject({
      emails: 1,
      prints: 1,
    })
    const { effects } = await setStatus(both, 'Held', inTheNameOf('Test'))
    expect(effects).toMatchObject({ emails: 1, prints: 1, gone: 0 })
    const before = await mailsTo('accounts@ottermill.example')
    await sendAllDue()
    expect(await mailsTo('accounts@ottermill.example')).toBe(before)
    expect((await printQueue()).map((row) => row.id)).not.toContain((await dispatchesOf(post.orders))[0]!.id)
    expect((await lineList({ stage: 'waiting', limit: 50 })).rows.map((row) => row.stopped)).toEqual([
      'Held',
      'Held',
    ])

    const back = await trySetStatus(both, 'Shipped', inTheNameOf('Test'))
    expect(back).toMatchObject({ turn: 'returns', effects: { emails: 1, prints: 1 } })
    await setStatus(both, 'Shipped', inTheNameOf('Test'), { letGo: false })
    expect(await dispatchesOf(both)).toMatchObject([
      { held: true, heldFor: null },
      { held: true, heldFor: null },
    ])
    await setStatus(both, 'Held', inTheNameOf('Test'))
    await hold(
      (await dispatchesOf(both)).map((one) => one.id),
      true,
      inTheNameOf('Test'),
    )
    await run(`update dispatch set held_for = 'order' where state = 'waiting' and held`)
    await setStatus(both, 'Shipped', inTheNameOf('Test'))
    await until(
      'the email to be gone',
      async () => (await mailsTo('accounts@ottermill.example')) === before + 1,
    )
    expect((await printQueue()).map((row) => row.id)).toContain((await dispatchesOf(post.orders))[0]!.id)
    await decideByHand(
      (await printQueue()).map((row) => row.id),
      'print',
      '',
      inTheNameOf('Test'),
    )
  })

  test('an email that is let go all the same goes alone; several are refused', async () => {
    const { orders, papers } = await shipped(2)
    await inWaiting(async () => {
      await startRun(ready(papers), randomUUID(), user)
      await until(
        'both to be painted',
        async () =>
          (await dispatchesOf(orders)).length === 2 &&
          (await rows('select document_id from unpainted')).length === 0,
      )
    })
    await setStatus(orders, 'Withdrawn', inTheNameOf('Test'))
    const ids = (await dispatchesOf(orders)).map((dispatch) => dispatch.id)
    await expect(hold(ids, false, inTheNameOf('Test'))).rejects.toThrow('is Withdrawn')
    await expect(hold(ids, false, inTheNameOf('Test'), true)).rejects.toThrow('one by one')
    const before = await mailsTo('accounts@ottermill.example')
    await run(`update dispatch set next_try_at = now() where id = any($1::int[])`, [ids])
    await hold([ids[0]!], false, inTheNameOf('Test'), true)
    await until(
      'the one to be gone',
      async () => (await mailsTo('accounts@ottermill.example')) === before + 1,
    )
    expect(await dispatchesOf(orders)).toMatchObject([{ held: false }, { state: 'waiting', held: true }])
    await decideByHand([ids[1]!], 'close', 'withdrawn', inTheNameOf('Test'))
  })

  test('a status set while a worker is about to send: what is claimed is looked at once more', async () => {
    const { orders, papers } = await shipped(1)
    await inWaiting(async () => {
      await startRun(ready(papers), randomUUID(), user)
      await until(
        'it to be painted',
        async () =>
          (await dispatchesOf(orders)).length === 1 &&
          (await rows('select document_id from unpainted')).length === 0,
      )
    })
    // written past the service, as another program or a race would
    await run(`update sales_order set status = 'Withdrawn' where id = $1`, [orders[0]])
    const before = await mailsTo('accounts@ottermill.example')
    await sendAllDue()
    expect(await mailsTo('accounts@ottermill.example')).toBe(before)
    expect(await dispatchesOf(orders)).toMatchObject([{ state: 'waiting', held: true, heldFor: 'order' }])
    await decideByHand(
      (await dispatchesOf(orders)).map((one) => one.id),
      'close',
      'withdrawn',
      inTheNameOf('Test'),
    )
  })

  test('a routine that lets documents go automatically lets none of it go', async () => {
    await addRoutine(
      {
        name: 'Confirmation, automatic',
        description: '',
        trust: 'automatic',
        isOn: true,
        sentence: {
          statuses: ['Confirmed'],
          conditions: [],
          issue: 'order confirmation',
          to: 'buying',
          delayMinutes: 0,
        },
      },
      inTheNameOf('Test'),
    )
    await run(`update company set paused_at = now(), paused_by = 'Test'`)
    const order = await house.newOrder({ status: 'Draft' })
    await setStatus([order], 'Confirmed', inTheNameOf('Test'))
    await house.settle()
    expect((await setStatus([order], 'Held', inTheNameOf('Test'))).effects).toMatchObject({
      toCheck: 1,
      nowByHand: 1,
    })
    await run('update company set paused_at = null')
    const { issueAutomatic } = await import('../../server/services/documents/issue')
    await issueAutomatic()
    expect(await documentsOf([order])).toEqual([])
    expect((await papersOf([order]))[0]).toMatchObject({ state: 'prepared' })
    expect(await historyWords(order)).toContainEqual(
      expect.stringContaining('does not go automatically any more'),
    )
  })

  test('nothing is prepared of it by hand unless alone and said so; of a Draft order nothing at all', async () => {
    const [held, other, draft] = [
      await house.newOrder({ status: 'Held' }),
      await house.newOrder({ status: 'Confirmed' }),
      await house.newOrder({ status: 'Draft' }),
    ]
    await expect(prepareByHand('order confirmation', [held], inTheNameOf('Test'))).rejects.toThrow('is Held')
    await expect(prepareByHand('order confirmation', [draft], inTheNameOf('Test'))).rejects.toThrow(
      'still a Draft',
    )
    await expect(
      prepareByHand('order confirmation', [draft], inTheNameOf('Test'), { despite: true }),
    ).rejects.toThrow('still a Draft')
    const many = await prepareByHand('order confirmation', [held, other, draft], inTheNameOf('Test'))
    expect(new Map(many.map((one) => [one.sourceId, one.result.outcome]))).toEqual(
      new Map([
        [held, 'refused'],
        [other, 'prepared'],
        [draft, 'refused'],
      ]),
    )
    const alone = await prepareByHand('order confirmation', [held], inTheNameOf('Test'), { despite: true })
    expect(alone[0]!.result.outcome).toBe('prepared')
  })

  test('an issued, unsent invoice of it goes only when somebody says so', async () => {
    const { orders, papers } = await shipped(1)
    await startRun(ready(papers), randomUUID(), user, { postOnly: true })
    await until('it to be issued', async () => (await documentsOf(orders)).length === 1)
    await setStatus(orders, 'Withdrawn', inTheNameOf('Test'))
    const [document] = await documentsOf(orders)
    await expect(sendDocuments([document!.id], inTheNameOf('Test'))).rejects.toThrow('is Withdrawn')
    await sendDocuments([document!.id], inTheNameOf('Test'), true)
    await until('it to be gone', async () =>
      ['on the way', 'arrived'].includes((await dispatchesOf(orders))[0]?.state ?? ''),
    )
  })
})

describe('void', () => {
  test('a voided invoice leaves a gathered email; the others go, and their number and sum are told', async () => {
    const kilbrack = house.customer('10493')
    await run(`update customer set preferences = '{"invoice": {"gathered": true}}' where id = $1`, [
      kilbrack.id,
    ])
    const { orders, papers } = await shipped(3, { customerId: kilbrack.id, customerName: kilbrack.name })
    await inWaiting(async () => {
      await startRun(ready(papers), randomUUID(), user)
      await until(
        'all to be painted',
        async () =>
          (await documentsOf(orders)).length === 3 &&
          (await rows('select document_id from unpainted')).length === 0,
      )
    })
    const documents = await documentsOf(orders)
    expect(await dispatchesOf(orders)).toMatchObject([
      { number: `${documents[0]!.number} +2`, total: '1837.62' },
    ])
    await voidDocument(documents[0]!.id, 'wrong prices', inTheNameOf('Test'))
    expect(await dispatchesOf(orders)).toMatchObject([
      { number: `${documents[1]!.number} +1`, total: '1225.08' },
    ])
    const to = kilbrack.contacts.find((contact) => contact[2] === 'billing')![1]
    await sendAllDue()
    await until('it to be gone', async () => (await mailsTo(to)) === 1)
    const [mail] = await house.mails(to)
    expect(mail!.attachments.map((file) => file.filename)).toEqual(
      documents.slice(1).map((document) => `Invoice-${document.number}.pdf`),
    )
    expect(mail!.text).not.toContain(documents[0]!.number)
  })

  test('one that became void behind the back of an email is taken out when the email is claimed', async () => {
    const { orders, papers } = await shipped(1)
    await inWaiting(async () => {
      await startRun(ready(papers), randomUUID(), user)
      await until(
        'it to be painted',
        async () =>
          (await dispatchesOf(orders)).length === 1 &&
          (await rows('select document_id from unpainted')).length === 0,
      )
    })
    const [document] = await documentsOf(orders)
    await run(`insert into document_void (document_id, at, by, reason) values ($1, now(), 'Test', 'test')`, [
      document!.id,
    ])
    const before = await mailsTo('accounts@ottermill.example')
    await sendAllDue()
    expect(await mailsTo('accounts@ottermill.example')).toBe(before)
    expect(await dispatchesOf(orders)).toMatchObject([{ state: 'closed' }])
    await expect(
      sendCopy(document!.id, { address: 'someone@ottermill.example' }, inTheNameOf('Test')),
    ).rejects.toThrow('is void')
  })
})

test('the same copy asked for three times at one instant is one email', async () => {
  const { orders, papers } = await shipped(1)
  await startRun(ready(papers), randomUUID(), user)
  await until('it to be gone', async () => (await dispatchesOf(orders))[0]?.state === 'arrived')
  const [document] = await documentsOf(orders)
  const asked = await Promise.allSettled(
    [1, 2, 3].map(() => sendCopy(document!.id, { address: 'copy@ottermill.example' }, inTheNameOf('Test'))),
  )
  expect(asked.filter((one) => one.status === 'fulfilled')).toHaveLength(1)
  await until('the copy', async () => (await mailsTo('copy@ottermill.example')) === 1)
  await house.settle()
  expect(await mailsTo('copy@ottermill.example')).toBe(1)
})

describe('what a Send says before', () => {
  test('documents without an address are told by cause and left out, or issued when that was said', async () => {
    const customer = house.customer('10434')
    await run('delete from contact where customer_id = $1', [customer.id])
    await run('update customer set version = version + 1, preferences = $2 where id = $1', [
      customer.id,
      '{}',
    ])
    const { orders, papers } = await shipped(2, { customerId: customer.id, customerName: customer.name })
    const matching = { search: customer.name }
    const check = await checkSend({ matching }, {})
    expect(check).toMatchObject({
      documents: 0,
      sums: [],
      leftOut: [{ bar: 'no address', count: 2, sums: [{ currency: 'EUR', sum: '1225.08' }], rows: [{}, {}] }],
    })
    await expect(startMatchingRun(matching, 2, randomUUID(), user)).rejects.toThrow(
      'Meanwhile it is 0 and not 2',
    )
    const plain = await startRun(ready(papers), randomUUID(), user)
    await house.settle()
    expect(await runReport(plain)).toMatchObject({ issued: 0, skipped: 2 })

    expect(await checkSend({ matching }, { withoutAddress: true })).toMatchObject({
      documents: 2,
      emails: 2,
      leftOut: [],
    })
    const said = await startMatchingRun(matching, 2, randomUUID(), user, { withoutAddress: true })
    await until('both to be stuck', async () =>
      (await runReport(said)).parts.some((part) => part.part === 'stuck' && part.documents === 2),
    )
    const report = await runReport(said)
    expect(report.parts.reduce((sum, part) => sum + part.documents, 0)).toBe(report.chosen)
    expect(report.problems).toMatchObject([{ part: 'stuck', cause: 'no address' }, { part: 'stuck' }])
    expect(orders).toHaveLength(2)
  })
})

test('a document that no number series fits says so in the report, and the others go', async () => {
  const { orders, papers } = await shipped(1)
  const other = await shipped(1, { brandId: house.brands[1]!.id })
  const scope = (country: string) =>
    run(`update number_series set country = $1 where kind = 'invoice' and brand_id = $2`, [
      country,
      house.brands[0]!.id,
    ])
  await scope('Nowhere')
  const runId = await startRun(ready([...papers, ...other.papers]), randomUUID(), user)
  await until('the run to end', async () => (await runReport(runId)).endedAt !== null)
  await scope('')
  expect(inWords(await runReport(runId))).toMatchObject({
    issued: 1,
    failed: 1,
    problems: [
      { part: 'failed', reason: expect.stringMatching(/has no number series for it\. Add one in Settings/) },
    ],
  })
  expect(await documentsOf([...orders, ...other.orders])).toHaveLength(1)
})

test('whom a document goes to is changed for this time only: the contacts stay as they are', async () => {
  const { orders, papers } = await shipped(1)
  const contacts = () => rows('select email from contact order by id')
  const before = await contacts()
  await expect(sendThisOnceTo(papers[0]!.id, ['nobody'], inTheNameOf('Test'))).rejects.toThrow(
    'is not an email address',
  )
  await sendThisOnceTo(papers[0]!.id, ['this-once@ottermill.example'], inTheNameOf('Test'))
  await startRun(ready(await papersOf(orders)), randomUUID(), user)
  await until('the email', async () => (await mailsTo('this-once@ottermill.example')) === 1)
  expect(await contacts()).toEqual(before)
})
