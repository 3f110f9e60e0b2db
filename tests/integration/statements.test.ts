import { createHash, randomUUID } from 'node:crypto'
import { unzipSync } from 'fflate'
import { beforeEach, describe, expect, onTestFinished, test } from 'vitest'
import { addDays, dayInZone, type Day } from '../../core/documents/days'
import type { Paper } from '../../core/documents/paper'
import { Refusal } from '../../core/errors'
import { Decimal } from '../../core/money/decimal'
import type { StatementPeriod } from '../../core/receivables/statement'
import { one, rows, run } from '../../server/db/connection'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { refreshPrepared } from '../../server/services/documents/refresh'
import { startRun } from '../../server/services/documents/send-run'
import { changeHouse } from '../../server/services/house/settings'
import { account } from '../../server/services/receivables/accounts'
import { accounts } from '../../server/services/receivables/accounts-queries'
import { recordPayment, type NewPayment } from '../../server/services/receivables/payments'
import {
  continueStatements,
  prepareStatements,
  startStatements,
  statementRun,
  stopStatements,
} from '../../server/services/receivables/statements'
import { undoPayment } from '../../server/services/receivables/undo-payment'
import { inTheNameOf } from '../../server/services/people/principal'
import { sendAgain } from '../../server/services/dispatch/by-hand'
import { documentView, preparedView } from '../../server/services/line/in-hand'
import { statementsHold } from './books'
import { papersOf, until, useHouse } from './house'
import { postedInvoice } from './money'
import { inWords } from '../../core/testing/in-words'

/* Statements of account: what they say, when they are made anew, and many of them at once. */
const house = useHouse({ reports: false })
const today = () => dayInZone(new Date(), 'Europe/Dublin')
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const openItems = (until: Day = today()): StatementPeriod => ({ form: 'open items', until })

beforeEach(() => run('update company set closed_until = null'))

const mailsTo = (address: string) => house.mails(address)
const ottermill = () => house.customer('10417')
const key = () => ({ customerId: ottermill().id, currency: 'EUR' })

const invoice = (number = '10417') => postedInvoice(house, number)
const paid = (change: Partial<NewPayment> = {}): NewPayment => ({
  direction: 'in',
  customerId: ottermill().id,
  date: today(),
  method: 'bank transfer',
  amount: '100.00',
  currency: 'EUR',
  reference: '',
  settle: [],
  another: true,
  ...change,
})
const prepared = (id: number) =>
  one<{ stale: boolean; total: string; revision: number; problem: string | null; state: string }>(
    'select stale, total::text total, revision, problem, state from prepared_document where id = $1',
    [id],
  )
const balanceOf = async () =>
  (await accounts({ search: ottermill().name, sort: 'name', descending: false, limit: 5 })).rows.find(
    (row) => row.customerId === ottermill().id && row.currency === 'EUR',
  )!

describe('the books of every account', () => {
  test('come to what is open on any day, whatever was paid, given back and taken back', async () => {
    const { id } = await invoice()
    const settle = [{ documentId: id, amount: '200.00', discount: '0', writeOff: '0.54' }]
    await recordPayment(paid({ amount: '250.00', settle }), who)
    const undone = await recordPayment(paid({ amount: '30.00', date: addDays(today(), -5) }), who)
    await undoPayment(undone, 'booked on the wrong customer', who)
    await statementsHold(today())
  })
})

describe('one customer’s statement', () => {
  test('is issued under its own number, goes to who gets invoices, and says what is open', async () => {
    const { number } = await invoice()
    const row = await balanceOf()
    const [made] = await prepareStatements(key(), openItems(), who)
    expect(made).toMatchObject({ outcome: 'prepared', reason: null })
    expect((await prepared(made!.preparedId!))!.total).toBe(row.balance)
    await startRun([{ id: made!.preparedId!, revision: 1 }], randomUUID(), who)
    await until('it to be issued', async () => (await prepared(made!.preparedId!))!.state === 'issued')
    const listed = (await account(ottermill().id)).statements[0]!
    expect(listed).toMatchObject({ number: expect.stringMatching(/^SA-\d{4}-\d{4}$/), balance: row.balance })
    const { paper } = (await one<{ paper: Paper }>('select paper from document where id = $1', [
      listed.documentId,
    ]))!
    expect(paper.lines.map((line) => line.item)).toContain(number)
    expect(paper.exact.statement!.period).toEqual(openItems())
    await until('the email', async () => (await documentView(listed.documentId!)).email!.sent)
    expect((await documentView(listed.documentId!)).email!.text).toContain(
      'Here is your statement of account',
    )
    expect((await balanceOf()).stated).toBe(today())
    expect((await balanceOf()).balance).toBe(row.balance)
  })

  test('of a day that has one is not made twice, and says which it is', async () => {
    const day = addDays(today(), -1)
    const period: StatementPeriod = { form: 'activity', from: addDays(day, -200), until: day }
    expect((await prepareStatements(key(), period, who))[0]!.outcome).toBe('prepared')
    expect(inWords((await prepareStatements(key(), period, who))[0])).toMatchObject({
      outcome: 'already',
      reason: expect.stringContaining('already prepared'),
    })
  })

  test('that waits is built anew when something is booked, and not sent as it was', async () => {
    await invoice()
    const period: StatementPeriod = { form: 'activity', from: addDays(today(), -3), until: today() }
    const [made] = await prepareStatements(key(), period, who)
    const before = (await prepared(made!.preparedId!))!
    await recordPayment(paid({ amount: '10.00' }), who)
    const [sent] = await issueInOneTransaction(
      [{ preparedId: made!.preparedId!, revision: before.revision }],
      who,
    )
    expect(sent).toMatchObject({ outcome: 'changed' })
    await refreshPrepared([made!.preparedId!])
    const after = (await prepared(made!.preparedId!))!
    expect(Number(after.total)).toBe(Number(before.total) - 10)
    expect(after.stale).toBe(false)
  })

  test('that was put back is prepared again for the same period', async () => {
    const period: StatementPeriod = {
      form: 'activity',
      from: addDays(today(), -400),
      until: addDays(today(), -2),
    }
    const [made] = await prepareStatements(key(), period, who)
    expect(made!.outcome).toBe('prepared')
    await putBack([made!.preparedId!], who)
    const source = (await one<{ id: number }>('select source_id id from prepared_document where id = $1', [
      made!.preparedId!,
    ]))!
    await prepareByHand('statement of account', [source.id], who)
    expect(
      await rows('select occasion, state from prepared_document where id = $1', [made!.preparedId!]),
    ).toEqual([
      { occasion: `activity ${addDays(today(), -400)} to ${addDays(today(), -2)}`, state: 'prepared' },
    ])
  })

  test('of a day to come, or that ends before it begins, is refused', async () => {
    const refused = (period: StatementPeriod) =>
      prepareStatements(key(), period, who).then(
        () => 'made',
        (error: unknown) => (error as Refusal).about?.field,
      )
    expect(await refused(openItems(addDays(today(), 1)))).toBe('period.until')
    expect(await refused({ form: 'activity', from: today(), until: addDays(today(), -1) })).toBe(
      'period.from',
    )
  })
})

describe('with copies of what it lists', () => {
  const wish = (copies: string | null) =>
    run(
      `update customer set preferences = jsonb_set(preferences, '{statement of account}', $2::jsonb) where id = $1`,
      [house.customer('10426').id, JSON.stringify(copies ? { copies } : {})],
    )
  const stated = async (period: StatementPeriod) => {
    const [made] = await prepareStatements(
      { customerId: house.customer('10426').id, currency: 'EUR' },
      period,
      who,
    )
    expect(made).toMatchObject({ outcome: 'prepared', reason: null })
    return made!.preparedId!
  }
  const issued = async (preparedId: number) => {
    const [one] = await issueInOneTransaction([{ preparedId, revision: null }], who)
    expect(one).toMatchObject({ outcome: 'issued' })
    await until('its email', async () => (await documentView(one!.documentId!)).email?.sent === true)
    return one!.documentId!
  }
  const painted = (id: number) =>
    until(
      'it to be painted',
      async () => (await rows('select 1 from document_file where document_id = $1', [id])).length === 1,
    )
  const sums = async (ids: readonly number[]) =>
    (
      await rows<{ sha256: string }>(
        'select sha256 from document_file where document_id = any($1::int[]) order by document_id',
        [ids],
      )
    ).map((one) => one.sha256)
  const hash = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')

  test('the ZIP holds exactly the listed documents, byte for byte as they were stored', async () => {
    await wish('zip')
    const first = await invoice('10426')
    const second = await invoice('10426')
    await painted(first.id)
    await painted(second.id)
    const preparedId = await stated(openItems())
    const listed = (await one<{ paper: Paper }>('select content paper from prepared_document where id = $1', [
      preparedId,
    ]))!.paper.exact.statement!.open.flatMap((entry) => entry.documentId ?? [])
    expect(listed).toEqual(expect.arrayContaining([first.id, second.id]))
    const before = (await preparedView(preparedId, who)).email!.files.find(
      (file) => file.name === 'Documents.zip',
    )!
    expect(before.of).toEqual(expect.arrayContaining([first.number, second.number]))
    const id = await issued(preparedId)
    const to = (await documentView(id)).email!.to[0]!.address
    const [mail] = await mailsTo(to)
    const zip = mail!.attachments.find((file) => file.filename === 'Documents.zip')!
    const inside = Object.values(unzipSync(zip.content)).map(hash)
    expect(inside.sort()).toEqual((await sums(listed)).sort())
    expect(zip.content.length).toBe(before.size)
    const file = (await documentView(id)).email!.files.find((one) => one.name === 'Documents.zip')!
    expect(file.of).toHaveLength(listed.length)
  })

  test('singly each is attached; one whose PDF cannot be had stops this email alone, with the way out', async () => {
    await wish('singly')
    const third = await invoice('10426')
    await painted(third.id)
    const period: StatementPeriod = { form: 'activity', from: addDays(today(), -1), until: today() }
    const preparedId = await stated(period)
    await run('alter table document_file disable trigger document_file_is_final')
    const [kept] = await rows<{ row: object }>(
      'delete from document_file where document_id = $1 returning to_jsonb(document_file) "row"',
      [third.id],
    )
    const [result] = await issueInOneTransaction([{ preparedId, revision: null }], who)
    const seen = async () => (await documentView(result!.documentId!)).dispatches[0]!
    await until('it to be stuck', async () => (await seen()).cause === 'not written')
    expect((await seen()).reply).toContain(`A copy of ${third.number} should go along`)
    await run(
      'insert into document_file select x.* from jsonb_populate_record(null::document_file, $1::jsonb) x',
      [JSON.stringify(kept!.row)],
    )
    await run('alter table document_file enable trigger document_file_is_final')
    await sendAgain([(await seen()).id], who)
    await until('its email', async () => (await documentView(result!.documentId!)).email!.sent)
    const [mail] = await mailsTo((await documentView(result!.documentId!)).email!.to[0]!.address)
    expect(mail!.attachments.map((file) => file.filename)).toContain(`Invoice-${third.number}.pdf`)
    await wish(null)
  })
})

describe('of several brands of one company', () => {
  const ofBoth = async (change: object) => {
    await changeHouse(change)
    await house.settle()
  }
  const key = () => ({ customerId: house.customer('10427').id, currency: 'EUR' })
  const brandOf = (at: number) => house.brands[at]!
  const names = async () =>
    (await rows<{ name: string }>('select name from brand order by id')).map((row) => row.name)
  const invoiceOf = async (at: number) => {
    const order = await house.newOrder({ customerId: key().customerId, brandId: brandOf(at).id })
    await house.ship([order])
    const [paper] = await papersOf([order])
    const ask = [{ preparedId: paper!.id, revision: null }]
    const [result] = await issueInOneTransaction(ask, who, undefined, { postOnly: true })
    return (await documentView(result!.documentId!)).number
  }
  const stated = async (preparedId: number) =>
    (await one<{ paper: Paper }>('select content paper from prepared_document where id = $1', [preparedId]))!
      .paper

  test('is one statement where the house wants that, which names the other brand, and sums up to both', async () => {
    const [first, second] = await names()
    const [own, other] = [await invoiceOf(0), await invoiceOf(1)]
    const period: StatementPeriod = { form: 'activity', from: addDays(today(), -30), until: today() }
    expect(await prepareStatements(key(), period, who)).toHaveLength(2)
    const before = await account(key().customerId)
    await ofBoth({ statementsTogether: true })
    onTestFinished(() => ofBoth({ statementsTogether: false }))
    const [made, ...others] = await prepareStatements(key(), openItems(), who)
    expect(others).toEqual([])
    expect(made).toMatchObject({ outcome: 'prepared', brand: first })
    const paper = await stated(made!.preparedId!)
    const lines = new Map(paper.lines.map((line) => [line.item, line.detail ?? '']))
    expect(lines.get(own)).not.toContain(second)
    expect(lines.get(other)).toContain(second)
    const owed = before.items.reduce((sum, item) => sum.plus(item.open), new Decimal(0))
    const unused = before.payments.reduce((sum, payment) => sum.plus(payment.open), new Decimal(0))
    expect(paper.amounts.total).toBe(owed.minus(unused).toFixed(2))
    // what is booked with the other brand changes it
    const third = await invoiceOf(1)
    const ask = [{ preparedId: made!.preparedId!, revision: null }]
    expect((await issueInOneTransaction(ask, who))[0]).toMatchObject({ outcome: 'changed' })
    await refreshPrepared([made!.preparedId!])
    expect((await stated(made!.preparedId!)).lines.map((line) => line.item)).toContain(third)
  })

  test('is made and seen only by who may see them all; reminders stay one of each brand', async () => {
    await ofBoth({ statementsTogether: true })
    onTestFinished(() => ofBoth({ statementsTogether: false }))
    const limited = { ...who, brands: [brandOf(0).id] }
    await expect(prepareStatements(key(), openItems(), limited)).rejects.toThrow()
    const reminders = await prepareStatements(key(), { form: 'reminder', until: today() }, who)
    expect(reminders.map(({ brand }) => brand)).toEqual((await names()).slice(0, 2))
  })
})

describe('an invoice’s email that lists what is open', () => {
  test('names the account’s open items as it leaves, with the money that settles nothing yet', async () => {
    await run(
      `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
      select brand_id, kind, purpose, language, version + 1, subject,
        jsonb_set(text, '{content}', text -> 'content' || '[{"type": "factTable", "attrs": {"of": "open"}}]'),
        now(), 'Test'
      from email_text
      where kind = 'invoice' and purpose = 'first'`,
    )
    const customer = house.customer('10444')
    const earlier = await invoice('10444')
    await recordPayment(paid({ customerId: customer.id, amount: '7.77' }), who)
    const order = await house.newOrder({ customerId: customer.id, customerName: customer.name })
    await house.ship([order])
    const document = async () =>
      (await one<{ id: number; number: string }>('select id, number from document where source_id = $1', [
        order,
      ]))!
    const [paper] = await papersOf([order])
    await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who)
    const { id, number } = await document()
    await until('its email', async () => (await documentView(id)).email?.sent === true)
    const { text } = (await documentView(id)).email!
    expect(text).toContain(`${earlier.number}, `)
    expect(text).toMatch(new RegExp(`${number}, .+, 612[.,]54`))
    expect(text).toMatch(/^(Payment|Règlement), −7[.,]77$/m)
  })
})

describe('statements of many', () => {
  const done = async (id: number) => (await statementRun(id, who)).waiting === 0
  test('all that match but those taken off: each has one, and who has nothing open says so', async () => {
    for (const number of ['10418', '10419', '10420', '10424']) await invoice(number)
    const filter = { balanceOver: '500', sort: 'name', descending: false, limit: 50 } as const
    const found = await accounts(filter)
    expect(found.matching).toBeGreaterThanOrEqual(5)
    const [off] = found.rows
    const id = await startStatements(
      { matching: filter, but: [{ customerId: off!.customerId, currency: off!.currency }] },
      openItems(),
      who,
    )
    await until('the run to end', () => done(id), 60)
    const seen = await statementRun(id, who)
    const made = await rows<{ customerId: number }>(
      `select a.customer_id "customerId" from statement_run_account x join account a on a.id = x.account_id
      where x.run_id = $1`,
      [id],
    )
    expect(seen.counts.prepared + seen.counts.already).toBe(made.length)
    expect(seen.counts.prepared).toBeGreaterThan(2)
    expect(new Set(made.map((one) => one.customerId)).size).toBe(
      new Set(found.rows.map((row) => row.customerId)).size - 1 || found.matching - 1,
    )
    expect(made.map((one) => one.customerId)).not.toContain(off!.customerId)
    const again = await startStatements({ matching: filter, but: [] }, openItems(), who)
    await until('the second run to end', () => done(again), 60)
    expect((await statementRun(again, who)).counts.already).toBeGreaterThanOrEqual(seen.counts.prepared)
  })

  test('two workers at one run prepare each once, and its report says so', async () => {
    await run('delete from graphile_worker._private_jobs')
    const [row] = (await accounts({ sort: 'name', descending: true, limit: 1 })).rows
    const period: StatementPeriod = { form: 'activity', from: '2020-01-01', until: today() }
    const id = await startStatements(
      { these: [{ customerId: row!.customerId, currency: row!.currency }, key()] },
      period,
      who,
    )
    await Promise.all([continueStatements(id), continueStatements(id)])
    await until('the run to end', () => done(id))
    const { counts } = await statementRun(id, who)
    expect(counts.already).toBe(0)
    expect(counts.prepared).toBeGreaterThanOrEqual(2)
  })

  test('are stopped: what waits is not made, and says who stopped it', async () => {
    const period: StatementPeriod = { form: 'activity', from: '2020-01-01', until: addDays(today(), -8) }
    const id = (await one<{ id: number }>(
      `insert into statement_run (period, made_at, made_by) values ($1::jsonb, now(), 'Col Varley') returning id`,
      [JSON.stringify(period)],
    ))!.id
    await run('insert into statement_run_account (run_id, account_id) select $1, id from account', [id])
    const all = (await statementRun(id, who)).waiting
    await stopStatements(id, who)
    const { counts, left } = await statementRun(id, who)
    expect(counts.stopped).toBe(all)
    expect(left[0]!.reason?.words).toBe('Stopped by Col Varley.')
    await continueStatements(id)
    expect((await statementRun(id, who)).counts.stopped).toBe(all)
  })
})
