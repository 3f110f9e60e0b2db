import { randomUUID } from 'node:crypto'
import { beforeEach, describe, expect, test } from 'vitest'
import { noSecondLook, type SecondLookRule } from '../../core/documents/second-look'
import { one, run } from '../../server/db/connection'
import { checkSend } from '../../server/services/documents/send-check'
import { askSecond, confirmBanks } from '../../server/services/documents/second-look'
import { sendThisOnceTo } from '../../server/services/documents/prepare-by-hand'
import { continueRun, startRun } from '../../server/services/documents/send-run'
import { rehearseTexts } from '../../server/services/house/change-email'
import { brandViews, changeBrand } from '../../server/services/house/change'
import { changeHouse, houseSettings } from '../../server/services/house/settings'
import { preparedView } from '../../server/services/line/in-hand'
import { lineList } from '../../server/services/line/list-queries'
import { writeOwnEmail } from '../../server/services/line/own-email'
import { orderView } from '../../server/services/orders/list'
import { editOrder } from '../../server/services/orders/orders'
import { changeSettings } from '../../server/services/orders/settings'
import { runLines } from '../../server/services/runs/runs'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'
import { inWords } from '../../core/testing/in-words'

/* What a second person has to send. */
const house = useHouse({ reports: false })
const col = { ...inTheNameOf('Col Varley'), id: 1 }
const ida = { ...inTheNameOf('Ida Brandes'), id: 2 }

beforeEach(async () => {
  await run(
    `insert into staff (email, name, role) values ('a@house.example', 'A', 'clerk'), ('b@house.example', 'B', 'clerk')
    on conflict do nothing`,
  )
})
const rule = (change: Partial<SecondLookRule>) =>
  changeSettings({ secondLook: { ...noSecondLook, ...change } })

async function shipped(count = 1) {
  const orders: number[] = []
  for (let index = 0; index < count; index++) orders.push(await house.newOrder())
  await house.ship(orders)
  return (await papersOf(orders)).map(({ id, revision }) => ({ id, revision, order: orders[0]! }))
}
const lookOf = async (id: number) => (await preparedView(id, col)).secondLook?.words ?? null
async function send(papers: { id: number; revision: number }[], who: typeof col) {
  const key = await startRun(
    papers.map(({ id, revision }) => ({ id, revision })),
    randomUUID(),
    who,
  )
  await house.settle()
  return (await runLines(key)).map((line) => line.outcome)
}
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )

describe('a document over the limit', () => {
  test('waits, is asked for by one and sent by another; who asked cannot', async () => {
    await rule({ above: '100' })
    const [paper] = await shipped()
    expect(await lookOf(paper!.id)).toContain('over 100.00 EUR')
    const { documents, leftOut, toAsk } = await checkSend({ papers: [paper!] }, { senderId: col.id })
    expect([documents, leftOut[0]!.bar, toAsk.length]).toEqual([0, 'second look', 1])
    expect(await refused(send([paper!], col))).toBe('second-look')
    expect(await askSecond([paper!], col)).toBe(1)
    expect(await refused(send([paper!], col))).toBe('second-look')
    expect((await checkSend({ papers: [paper!] }, { senderId: ida.id })).documents).toBe(1)
    expect(await send([paper!], ida)).toEqual([expect.stringMatching(/emailed|waiting/)])
    const history = (await preparedView(paper!.id, col)).history.map((entry) => entry.words).join('\n')
    expect(history).toContain('A second person is asked to send it.')
  })

  test('is left out where that is said while the undo time lasts; taken back, nobody is asked any more', async () => {
    await rule({})
    const [paper] = await shipped()
    await changeHouse({ undoMinutes: 5 })
    const key = await startRun([{ id: paper!.id, revision: paper!.revision }], randomUUID(), col)
    await rule({ above: '100' })
    await run(`update send_run set goes_at = now() - interval '1 second' where id = $1`, [key])
    await changeHouse({ undoMinutes: 0 })
    await continueRun(key)
    const [line] = await runLines(key)
    expect(inWords(line)).toMatchObject({
      outcome: 'skipped',
      reason: expect.stringContaining('over 100.00 EUR'),
    })
    await askSecond([paper!], col)
    await askSecond([paper!], ida, true)
    expect((await preparedView(paper!.id, col)).asked).toBeNull()
    expect(await refused(send([paper!], ida))).toBe('second-look')
  })

  test('is asked for anew once it has changed, and can be sent by one once it is small', async () => {
    await rule({ above: '100' })
    const [paper] = await shipped()
    await askSecond([paper!], col)
    const edit = async (quantity: string) => {
      const { version, lines, reference, customerNote } = await orderView(paper!.order)
      await editOrder(
        paper!.order,
        { version, lines: lines.map((line) => ({ ...line, quantity })), reference, customerNote },
        col,
      )
      await house.settle()
    }
    await edit('3')
    expect((await preparedView(paper!.id, col)).asked).toBeNull()
    expect(await lookOf(paper!.id)).not.toBeNull()
    await rule({ above: '100000' })
    expect(await lookOf(paper!.id)).toBeNull()
  })

  test('is in the count of what could go only for who may send it', async () => {
    await rule({ above: '100' })
    const [paper] = await shipped()
    const { orderNumber } = await preparedView(paper!.id, col)
    const sendable = async (who: typeof col) =>
      (await lineList({ stage: 'to check', search: orderNumber, limit: 10 }, who)).sendable
    expect(await sendable(col)).toBe(0)
    await askSecond([paper!], col)
    expect([await sendable(col), await sendable(ida)]).toEqual([0, 1])
  })

  test('never goes by a routine alone', async () => {
    await rule({ above: '100' })
    await run(`update routine set trust = 'automatic' where sentence ->> 'issue' = 'invoice'`)
    const [paper] = await shipped()
    await run(`update routine set trust = 'after a check'`)
    expect(
      await one('select state, automatic, kept_back "keptBack" from prepared_document where id = $1', [
        paper!.id,
      ]),
    ).toEqual({ state: 'prepared', automatic: false, keptBack: true })
  })
})

test('the first email to an address waits; once it has gone, the next is like any other', async () => {
  await rule({})
  const known = await shipped()
  await send(known, col)
  await until('the outcome', async () =>
    Boolean(await one(`select 1 from dispatch_recipient where outcome = 'accepted' limit 1`)),
  )
  await rule({ newAddress: true })
  const [paper, next] = await shipped(2)
  expect(await lookOf(paper!.id)).toBeNull()
  await sendThisOnceTo(paper!.id, ['new@ottermill.example'], col)
  expect(await lookOf(paper!.id)).toContain('first email to new@ottermill.example')
  const revision = (await preparedView(next!.id, col)).revision
  const words = (await preparedView(next!.id, col)).words!
  const own = {
    subject: words.subject,
    text: words.text,
    cc: ['cc@new.example'],
    bcc: [],
    leftOut: [],
    added: [],
  }
  await writeOwnEmail(next!.id, revision, own, col)
  expect(await lookOf(next!.id)).toContain('cc@new.example')
  const now = { id: paper!.id, revision: (await preparedView(paper!.id, col)).revision }
  await askSecond([now], col)
  await send([now], ida)
  await until('the email', async () => (await house.mails('new@ottermill.example')).length > 0)
  const [third] = await shipped()
  await sendThisOnceTo(third!.id, ['new@ottermill.example'], col)
  expect(await lookOf(third!.id)).toBeNull()
})

test('changed bank accounts wait until somebody else confirms them', async () => {
  await rule({ newBank: true })
  const [paper] = await shipped()
  expect(await lookOf(paper!.id)).toBeNull()
  const brand = (await brandViews('invoice')).find((one) => one.name.includes('Tansy'))!
  const banks = [...brand.banks].reverse().concat(brand.banks[0]!)
  await changeBrand(brand.id, { ...brand, banks }, col)
  await house.settle()
  expect(await lookOf(paper!.id)).toContain('Col Varley changed the bank accounts')
  expect(await refused(confirmBanks(brand.id, col))).toBe('own-change')
  await confirmBanks(brand.id, ida)
  expect(await lookOf(paper!.id)).toBeNull()
})

test('more than so many in one Send wait for a second person, who sends them all', async () => {
  await rule({ many: 2 })
  const papers = await shipped(3)
  const check = await checkSend({ papers }, { senderId: col.id })
  expect([check.documents, check.toAsk.length]).toEqual([0, 3])
  expect(await refused(startRun(papers, randomUUID(), col))).toBe('many-at-once')
  expect((await checkSend({ papers: papers.slice(1) }, { senderId: col.id })).documents).toBe(2)
  // what is issued without an address is said to wait for the same reason
  await run(`update prepared_document set send_to = 'No address' where id = $1`, [papers[0]!.id])
  const without = await checkSend({ papers }, { senderId: col.id, withoutAddress: true })
  expect(without.leftOut.map(({ bar, count }) => [bar, count])).toEqual([['second look', 3]])
  await run(`update prepared_document set send_to = 'accounts@ottermill.example' where id = $1`, [
    papers[0]!.id,
  ])
  await askSecond(papers, col)
  expect((await checkSend({ papers }, { senderId: ida.id })).documents).toBe(3)
  expect(await send(papers, ida)).toHaveLength(3)
})

test('what is rehearsed goes to nobody: one person is enough, and two again for the real one', async () => {
  await rule({ above: '100', many: 1 })
  const papers = await shipped(2)
  const sendable = async () => (await lineList({ stage: 'to check', limit: 50 }, col)).sendable
  const before = await sendable()
  await rehearseTexts(1, 'invoice', 'trying@house.example')
  expect(await lookOf(papers[0]!.id)).toBeNull()
  expect(await sendable()).toBeGreaterThanOrEqual(before + 2)
  const check = await checkSend({ papers }, { senderId: col.id })
  expect(check).toMatchObject({ documents: 2, rehearsed: 2, leftOut: [], toAsk: [] })
  expect(await send(papers, col)).toEqual(['rehearsed', 'rehearsed'])
  await rehearseTexts(1, 'invoice', '')
  expect(await lookOf(papers[0]!.id)).toContain('over 100.00 EUR')
  expect(await refused(send([papers[0]!], col))).toBe('second-look')
  await rule({})
})

test('a house with one person cannot ask for two', async () => {
  await run('update staff set left_at = now()')
  await expect(rule({ above: '100' })).rejects.toMatchObject({ code: 'nobody-second' })
  await run('update staff set left_at = null')
  expect((await houseSettings()).secondLook.above).not.toBe('100')
})
