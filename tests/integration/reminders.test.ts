import { createHash } from 'node:crypto'
import { beforeEach, describe, expect, onTestFinished, test } from 'vitest'
import type { Paper } from '../../core/documents/paper'
import { clock } from '../../server/clock'
import { one, rows, run } from '../../server/db/connection'
import { hold } from '../../server/services/dispatch/by-hand'
import { printQueue, printQueuePdf } from '../../server/services/dispatch/print-queue'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { refreshPrepared } from '../../server/services/documents/refresh'
import { voidDocument } from '../../server/services/documents/void'
import { documentView } from '../../server/services/line/in-hand'
import { account, markItem, setLevelBack } from '../../server/services/receivables/accounts'
import { startStatements, statementRun } from '../../server/services/receivables/statements'
import { papersOf, until, useHouse } from './house'
import { issuePrepared, lateInvoice, payInvoice, prepareReminder, today, who } from './money'
import { inWords } from '../../core/testing/in-words'

/* Payment reminders: each level once, none to who paid, and what is asked for is what is open. */
const house = useHouse({ reports: false })

beforeEach(() => run('update company set closed_until = null'))

const late = (customer: string, days: number) => lateInvoice(house, customer, days)
const remind = (customer: string) => prepareReminder(house, customer)
const issue = issuePrepared
const pay = (customer: string, documentId: number, amount: string) =>
  payInvoice(house, customer, { documentId, amount })
const levels = (documentId: number) =>
  rows('select level from reminder where document_id = $1 order by level', [documentId])
const daysLater = (days: number) => onTestFinished(clock.use(() => new Date(Date.now() + days * 86_400_000)))

/** Money that the bank says has come from a customer, and that nobody has booked. */
async function moneyOf(name: string, amount: string): Promise<number> {
  const bytes = Buffer.from(`movement of ${name}`)
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  await run(`insert into file values ($1, 'text/csv', $2, $3, now())`, [sha256, bytes.length, bytes])
  const { id: fileId } = (await one<{ id: number }>(
    `insert into bank_file (sha256, name, state, made_at, made_by)
    values ($1, 'movements', 'ready', now(), 'Test')
    returning id`,
    [sha256],
  ))!
  const { id } = (await one<{ id: number }>(
    `insert into bank_entry (file_id, account, key, booked_on, amount, currency, name, iban, text, reference, state,
      reason, proposal)
    values ($1, 'a', $2, current_date, $3, 'EUR', $2, '', '', '', 'strange', '{}', '{"customerId": null}')
    returning id`,
    [fileId, name, amount],
  ))!
  return id
}

describe('a reminder', () => {
  test('is taken back from one invoice with a reason: what waits is built anew, at the level before', async () => {
    const { id } = await late('10451', 20)
    const letter = await issue((await remind('10451')).preparedId!)
    expect(letter.outcome).toBe('issued')
    await expect(setLevelBack((await late('10451', -5)).id, { level: 1, reason: 'x' }, who)).rejects.toThrow(
      'not at that level any more',
    )
    // it was reminded once more meanwhile; two people set that back at once: it goes back by one
    await run(
      'insert into reminder select document_id, 2, reminder_id, day from reminder where document_id = $1',
      [id],
    )
    const twice = { level: 2, reason: 'too soon' }
    const both = await Promise.allSettled([setLevelBack(id, twice, who), setLevelBack(id, twice, who)])
    expect(both.map((one) => one.status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(await levels(id)).toEqual([{ level: 1 }])
    await setLevelBack(id, { level: 1, reason: 'they had a new address' }, who)
    expect(await levels(id)).toEqual([])
    const [item] = (await account(house.customer('10451').id)).items
    expect(item!.reminders).toEqual([])
    const [kept] = await rows<{ words: string }>(
      `select words from history where document_id = $1 and words like 'Set back from reminder level 1%'`,
      [id],
    )
    expect(kept!.words).toBe('Set back from reminder level 1: they had a new address')
  })

  test('is not made of who has paid as far as the bank knows, nor issued where that came between', async () => {
    const { name } = house.customer('10438')
    const { id } = await late('10438', 20)
    const made = await remind('10438')
    const entry = await moneyOf(name.toUpperCase(), '612.54')
    const result = await issue(made.preparedId!)
    expect(result.reason?.words).toContain('612.54 EUR came on')
    expect(await levels(id)).toEqual([])
    await run(
      `update bank_entry set state = 'set aside', decided_by = 'Test', decided_at = now() where id = $1`,
      [entry],
    )
    expect(await issue(made.preparedId!)).toMatchObject({ outcome: 'issued' })
    expect(await levels(id)).toEqual([{ level: 1 }])
  })

  test('asks for all that is past due with the words of its level, and stands at each invoice', async () => {
    const first = await late('10417', 30)
    const second = await late('10417', 8)
    const disputed = await late('10417', 40)
    await markItem(disputed.id, { dispute: 'two boxes short' }, who)
    const made = await remind('10417')
    expect(made).toMatchObject({ outcome: 'prepared', reason: null })
    const letter = await issue(made.preparedId!)
    const { paper } = (await one<{ paper: Paper }>('select paper from document where id = $1', [
      letter.documentId,
    ]))!
    expect(paper.heading).toBe('Payment reminder')
    expect(paper.lines.map((line) => line.item).sort()).toEqual([first.number, second.number].sort())
    expect(paper.amounts.toPay).toBe('1225.08')
    await until('its email', async () => (await documentView(letter.documentId!)).email!.sent)
    expect((await documentView(letter.documentId!)).email!.text).toContain('These invoices are past due.')
    const items = (await account(house.customer('10417').id)).items
    expect(items.find((item) => item.id === first.id)!.reminders).toMatchObject([{ level: 1, day: today() }])
    expect(items.find((item) => item.id === disputed.id)!.reminders).toEqual([])
    expect((await remind('10417')).outcome).toBe('already')
  })

  test('that waits keeps a second one back, on whatever day', async () => {
    await late('10493', 20)
    expect((await remind('10493')).outcome).toBe('prepared')
    daysLater(1)
    await expect(remind('10493')).rejects.toThrow('waits in To check already')
  })

  test('that waits asks for nothing any more once all is paid, and is not issued', async () => {
    const { id } = await late('10419', 20)
    const made = await remind('10419')
    await pay('10419', id, '612.54')
    expect((await issue(made.preparedId!)).outcome).toBe('changed')
    await refreshPrepared([made.preparedId!])
    expect(
      inWords(await one('select problem from prepared_document where id = $1', [made.preparedId])),
    ).toMatchObject({ problem: 'Nothing is past due.' })
    expect(await issue(made.preparedId!)).toMatchObject({ outcome: 'failed' })
    expect(await levels(id)).toEqual([])
  })

  test('does not leave when something is paid before it does; voided, its level is free again', async () => {
    const { id, number } = await late('10426', 20)
    const made = await remind('10426')
    await run(`update prepared_document set delay_minutes = 30 where id = $1`, [made.preparedId])
    const letter = await issue(made.preparedId!)
    expect(letter).toMatchObject({ outcome: 'issued' })
    const dispatch = async () => (await documentView(letter.documentId!)).dispatches[0]!
    await hold([(await dispatch()).id], true, who)
    await pay('10426', id, '100.00')
    await run('update dispatch set not_before = now(), next_try_at = now() where id = $1', [
      (await dispatch()).id,
    ])
    await hold([(await dispatch()).id], false, who)
    await until('it to be stuck', async () => (await dispatch()).cause === 'not written')
    expect((await dispatch()).reply).toContain(`Something was booked on ${number}`)
    await voidDocument(letter.documentId!, 'part-paid meanwhile', who)
    expect(await levels(id)).toEqual([])
    const again = await remind('10426')
    expect(again.outcome).toBe('prepared')
    const next = await issue(again.preparedId!)
    expect(
      await one('select total::text total from document where id = $1', [next.documentId]),
    ).toMatchObject({ total: '512.54' })
  })

  test('that waits for the printer is not printed once something is paid, and says on what', async () => {
    await run(
      `update customer set preferences = jsonb_set(preferences, '{payment reminder}', '{"channel": "paper"}')
      where id = $1`,
      [house.customer('10427').id],
    )
    const invoice = await lateInvoice(house, '10427', 20)
    const { preparedId } = await prepareReminder(house, '10427')
    const { documentId } = await issuePrepared(preparedId!)
    const lying = async () => (await printQueue()).find((row) => row.documentId === documentId)
    await until('it to lie there', async () => (await lying()) !== undefined)
    const { id, overtaken } = (await lying())!
    expect(overtaken).toEqual([])
    expect((await printQueuePdf([id], 1)).length).toBeGreaterThan(1000)
    await payInvoice(house, '10427', { documentId: invoice.id, amount: '100.00' })
    expect((await lying())!.overtaken).toEqual([invoice.number])
    await expect(printQueuePdf([id], 1)).rejects.toThrow('they would ask for too much')
    await voidDocument(documentId!, 'Part was paid', who)
    expect(await lying()).toBeUndefined()
  })

  test('of the second level comes once the days between are over, and not before', async () => {
    const { id } = await late('10418', 30)
    await issue((await remind('10418')).preparedId!)
    daysLater(5)
    expect(inWords(await remind('10418'))).toMatchObject({
      outcome: 'nothing',
      reason: expect.stringContaining('reminded a short while ago'),
    })
    daysLater(12)
    const second = await remind('10418')
    expect(second.outcome).toBe('prepared')
    await issue(second.preparedId!)
    expect(await levels(id)).toEqual([{ level: 1 }, { level: 2 }])
  })
})

test('reminders of many: each customer one letter, who has nothing past due is left out with why', async () => {
  await late('10424', 15)
  await late('10424', 25)
  const { id, name } = house.customer('10434')
  const order = await house.newOrder({ customerId: id, customerName: name })
  await house.ship([order])
  const [paper] = await papersOf([order])
  await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, { postOnly: true })
  const runId = await startStatements(
    {
      these: ['10424', '10434'].map((number) => ({ customerId: house.customer(number).id, currency: 'EUR' })),
    },
    { form: 'reminder', until: today() },
    who,
  )
  await until('the run to end', async () => (await statementRun(runId, who)).waiting === 0)
  const { counts, left } = await statementRun(runId, who)
  expect(counts).toMatchObject({ prepared: 1, refused: 0 })
  expect(inWords(left.find((one) => one.customerId === id))).toMatchObject({
    outcome: 'nothing',
    reason: 'Nothing is past due.',
  })
})
