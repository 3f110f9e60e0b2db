import { createHash } from 'node:crypto'
import { beforeEach, describe, expect, onTestFinished, test } from 'vitest'
import { addDays } from '../../core/documents/days'
import type { Paper } from '../../core/documents/paper'
import type { BankEntry } from '../../core/receivables/bank-statement'
import type { StatementPeriod } from '../../core/receivables/statement'
import { starterReminders, type ReminderRule } from '../../core/receivables/reminders'
import { clock } from '../../server/clock'
import { inTransaction, one, rows, run } from '../../server/db/connection'
import { voidDocument } from '../../server/services/documents/void'
import { changeHouse } from '../../server/services/house/settings'
import { Matcher } from '../../server/services/receivables/bank-match'
import { copyToWrite, sendCopy } from '../../server/services/line/copy'
import { documentView } from '../../server/services/line/in-hand'
import { account, markItem } from '../../server/services/receivables/accounts'
import { prepareStatements } from '../../server/services/receivables/statements'
import { takeWaiverBack, waive } from '../../server/services/receivables/waive'
import { balances, statementsHold } from './books'
import { useHouse } from './house'
import { issuePrepared, lateInvoice, payInvoice, prepareReminder, today, who } from './money'

/* Interest and fees of reminders, and what is waived without a payment. */
const house = useHouse({ reports: false })
/** 36.5 % a year: a tenth of a per cent a day; every letter asks for interest and 5. */
const costly: ReminderRule = {
  ...starterReminders,
  levels: starterReminders.levels.map((level) => ({ ...level, interest: true, fee: '5' })),
  rates: [{ group: '', country: '', from: '2020-01-01', percent: '36.5' }],
  booksCharges: true,
}

beforeEach(async () => {
  await run('update company set closed_until = null')
  await changeHouse({ reminders: costly })
})

const openOf = async (customer: string) =>
  (await account(house.customer(customer).id)).items.map(({ kind, amount, open }) => ({ kind, amount, open }))
async function letterOf(customer: string) {
  const made = await prepareReminder(house, customer)
  const { outcome, documentId, reason } = await issuePrepared(made.preparedId!)
  expect(outcome, reason?.words).toBe('issued')
  const { paper } = (await one<{ paper: Paper }>('select paper from document where id = $1', [documentId]))!
  return { id: documentId!, paper }
}

describe('what a letter costs', () => {
  test('stands on it below the items, and is owed once it is issued where the house books it', async () => {
    await lateInvoice(house, '10417', 20)
    const { paper } = await letterOf('10417')
    // 612.54 × 0.1 % × 20 days
    expect(paper.sums.map(({ label, amount }) => [label.replace(/\d.*/, ''), amount])).toEqual([
      ['Past due', '612.54'],
      ['Interest until ', '12.25'],
      ['Reminder fee', '5.00'],
    ])
    expect(paper.toPay.amount).toBe('629.79')
    expect(paper.payment!.title).toContain('629.79')
    expect(paper.amounts.total).toBe('629.79')
    expect(await openOf('10417')).toEqual([
      { kind: 'invoice', amount: '612.54', open: '612.54' },
      { kind: 'payment reminder', amount: '17.25', open: '17.25' },
    ])
    await statementsHold(today())
    await balances()
  })

  test('is asked for and not owed where the house does not book it', async () => {
    await changeHouse({ reminders: { ...costly, booksCharges: false } })
    await lateInvoice(house, '10433', 20)
    const { paper } = await letterOf('10433')
    expect(paper.toPay.amount).toBe('629,79')
    expect(await openOf('10433')).toEqual([{ kind: 'invoice', amount: '612.54', open: '612.54' }])
    await statementsHold(today())
  })

  test('is owed no more once its letter is void, and the interest asked for anew', async () => {
    await lateInvoice(house, '10438', 20)
    const { id } = await letterOf('10438')
    const dispatches = '(select dispatch_id from dispatch_document where document_id = $1)'
    await run(`delete from dispatch_recipient where dispatch_id in ${dispatches}`, [id])
    // as if it waited, and for long: the worker must not come first
    await run(
      `update dispatch
      set state = 'waiting', attempts = 0, not_before = not_before + interval '30 days'
      where id in ${dispatches}`,
      [id],
    )
    await voidDocument(id, 'sent to the wrong one', who)
    expect(await openOf('10438')).toEqual([{ kind: 'invoice', amount: '612.54', open: '612.54' }])
    expect(await rows('select from booked_interest where reminder_id = $1', [id])).toEqual([])
    const { paper } = await letterOf('10438')
    expect(paper.exact.reminder!.charges!.total).toBe('17.25')
    await statementsHold(today())
  })

  test('is a group’s own where it has a rate', async () => {
    const { id } = house.customer('10451')
    await run(`update customer set group_name = 'Schools' where id = $1`, [id])
    await changeHouse({
      reminders: {
        ...costly,
        rates: [...costly.rates, { group: 'Schools', country: '', from: '2020-01-01', percent: '0' }],
      },
    })
    await lateInvoice(house, '10451', 20)
    expect((await letterOf('10451')).paper.exact.reminder!.charges).toMatchObject({
      interest: [],
      total: '5.00',
    })
  })
})

describe('what is open', () => {
  test('is waived with a reason, once by two people, and is owed again when that is taken back', async () => {
    const { id, number } = await lateInvoice(house, '10444', 20)
    const given = { open: '612.54', amount: '612.54', reason: 'agreed on the telephone' }
    const both = await Promise.allSettled([waive(id, given, who), waive(id, given, who)])
    expect(both.map((each) => each.status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(await openOf('10444')).toEqual([])
    await balances()
    await statementsHold(today())
    const [kept] = await rows<{ words: string }>(
      `select words from history where document_id = $1 and words like '%waived%'`,
      [id],
    )
    expect(kept!.words).toBe('612.54 EUR was waived: agreed on the telephone')
    await expect(takeWaiverBack(id, '-1', who)).rejects.toThrow('not waived any more')
    await expect(takeWaiverBack(id, '612.55', who)).rejects.toThrow('not waived any more')
    await takeWaiverBack(id, '612.54', who)
    await expect(takeWaiverBack(id, '612.54', who)).rejects.toThrow(`So much of ${number} is not waived`)
    expect(await openOf('10444')).toEqual([{ kind: 'invoice', amount: '612.54', open: '612.54' }])
    await balances()
    await statementsHold(today())
  })

  test('is not waived where it is another sum by now, nor in a closed period', async () => {
    const { id } = await lateInvoice(house, '10444', 20)
    await payInvoice(house, '10444', { documentId: id, amount: '100.00' })
    await expect(waive(id, { open: '612.54', amount: '612.54', reason: 'x' }, who)).rejects.toThrow(
      '512.54 EUR are open',
    )
    await run('update company set closed_until = current_date + 1')
    await expect(waive(id, { open: '512.54', amount: '512.54', reason: 'x' }, who)).rejects.toThrow('closed')
  })
})

describe('a part of what is open', () => {
  test('is waived alone; the rest is owed, and a promise for it stands', async () => {
    const { id } = await lateInvoice(house, '10438', 20)
    await markItem(id, { promisedOn: addDays(today(), 9) }, who)
    const some = (amount: string) => waive(id, { open: '612.54', amount, reason: 'half the freight' }, who)
    for (const amount of ['612.55', '0', '-1', '12.544'])
      await expect(some(amount)).rejects.toThrow('At most what is open can be waived, above zero: 612.54 EUR')
    await some('12.54')
    const item = async () => (await account(house.customer('10438').id)).items.find((row) => row.id === id)
    expect(await item()).toMatchObject({ open: '600.00', promisedOn: addDays(today(), 9) })
    const { booked } = await documentView(id)
    expect(booked).toMatchObject([{ amount: '12.54', kind: 'write-off', waiver: true, how: 'Col Varley' }])
    await takeWaiverBack(id, '12.54', who)
    expect(await item()).toMatchObject({ open: '612.54' })
    await balances()
    await statementsHold(today())
  })
})

describe('the invoice once more, because it is not paid', () => {
  const address = 'accounts@ottermill.example'
  const remindOf = (id: number, change = {}) => sendCopy(id, { address, purpose: 'reminder', ...change }, who)
  const stateOf = (id: number) =>
    one<{ state: string; lastReply: string }>(
      'select state, last_reply "lastReply" from dispatch where id = $1',
      [id],
    )

  test('goes with what is still open, the very bytes, and not again within the days between', async () => {
    const { id, number } = await lateInvoice(house, '10417', 12)
    await payInvoice(house, '10417', { documentId: id, amount: '100.00' })
    const { email } = await copyToWrite(id, 'reminder', who)
    expect(email.text).toMatch(/512\.54\sEUR\sof\sit\sis\sstill\sopen/)
    await remindOf(id)
    await house.settle()
    const [mail] = await house.mails(address)
    expect(mail!.subject).toContain(`Reminder: invoice ${number} was due on`)
    expect(mail!.text).toMatch(/512\.54\sEUR\sof\sit\sis\sstill\sopen/)
    const { sha256 } = (await one<{ sha256: string }>(
      'select sha256 from document_file where document_id = $1',
      [id],
    ))!
    expect(createHash('sha256').update(mail!.attachments[0]!.content).digest('hex')).toBe(sha256)
    await expect(remindOf(id)).rejects.toThrow('was reminded of on')
    await remindOf(id, { again: true, address: 'other@ottermill.example' })
  })

  test('does not leave once something was booked on it, and says what to do', async () => {
    const { id } = await lateInvoice(house, '10417', 12)
    await run('update company set undo_minutes = 0')
    const dispatchId = await inTransaction(async () => {
      const made = await remindOf(id)
      await payInvoice(house, '10417', { documentId: id, amount: '612.54' })
      return made
    })
    await house.settle()
    expect(await stateOf(dispatchId)).toMatchObject({
      state: 'stuck',
      lastReply: expect.stringContaining('was booked on'),
    })
  })

  test('is refused where nothing is to be reminded of, with why', async () => {
    const { id, number } = await lateInvoice(house, '10417', -3)
    await expect(remindOf(id)).rejects.toThrow(`${number} is due on`)
    await run('update open_item set due_date = current_date - 9 where document_id = $1', [id])
    await markItem(id, { dispute: 'two boxes short' }, who)
    await expect(copyToWrite(id, 'reminder', who)).rejects.toThrow('“two boxes short”')
    await markItem(id, { dispute: '', promisedOn: addDays(today(), 2) }, who)
    await expect(remindOf(id)).rejects.toThrow('is promised for')
    await markItem(id, { promisedOn: null }, who)
    await payInvoice(house, '10417', { documentId: id, amount: '612.54' })
    await expect(remindOf(id)).rejects.toThrow('Nothing is open on')
  })
})

test('a payment that names the letter is held against what it lists', async () => {
  await run(`update company set small_difference = '0'`)
  const numbers = [await lateInvoice(house, '10418', 25), await lateInvoice(house, '10418', 24)]
  const { paper } = await letterOf('10418')
  expect(paper.payment!.code).toContain(`EUR${paper.toPay.amount.replace(',', '')}`)
  const entry = (change: Partial<BankEntry>): BankEntry => ({
    key: 'k',
    bookedOn: today(),
    amount: paper.amounts.toPay,
    currency: 'EUR',
    name: 'Whoever pays',
    iban: '',
    text: '',
    reference: paper.payment!.reference,
    ...change,
  })
  const [exact, less] = await new Matcher().match([entry({}), entry({ key: 'l', amount: '700.00' })])
  expect(exact).toMatchObject({ certainty: 'sure', customerId: house.customer('10418').id })
  expect(exact!.settlements.length).toBeGreaterThanOrEqual(numbers.length + 1)
  expect(less!.certainty).not.toBe('sure')
})

// last: it goes on for months
test('a second letter asks for what came since, a fee again, and for the first one’s as an item', async () => {
  const { id } = await lateInvoice(house, '10427', 20)
  await letterOf('10427')
  onTestFinished(clock.use(() => new Date(Date.now() + 30 * 86_400_000)))
  const { paper } = await letterOf('10427')
  // 30 days more
  expect(paper.exact.reminder!.charges).toMatchObject({
    fee: '5.00',
    interest: [{ documentId: id, amount: '18.38' }],
    total: '23.38',
  })
  expect(paper.lines.map((line) => line.description).join()).toContain('Fee and interest')
  expect(paper.toPay.amount).toBe('653.17')
  const [made] = await prepareStatements(
    { customerId: house.customer('10427').id, currency: 'EUR' },
    { form: 'activity', from: addDays(today(), -60), until: today() },
    who,
  )
  const statement = await issuePrepared(made!.preparedId!)
  const { total } = (await one<{ total: string }>('select total::text total from document where id = $1', [
    statement.documentId,
  ]))!
  expect(total).toBe('653.17')
  await payInvoice(house, '10427', { documentId: id, amount: '612.54' })
  onTestFinished(clock.use(() => new Date(Date.now() + 60 * 86_400_000)))
  expect((await prepareReminder(house, '10427')).reason?.words).toContain('alone are not reminded of')
  await statementsHold(today())
})

test('what is at the last level is asked for once more by hand alone, and that stands at it', async () => {
  const daysOn = (days: number) => onTestFinished(clock.use(() => new Date(Date.now() + days * 86_400_000)))
  daysOn(70)
  const { id } = await lateInvoice(house, '10444', 90)
  const levels = () =>
    rows<{ level: number }>('select level from reminder where document_id = $1 order by 1', [id])
  await letterOf('10444')
  const letter = (
    await rows<{ id: number }>('select reminder_id id from reminder where document_id = $1', [id])
  )[0]!
  await run(`insert into reminder select $1, level, $2, $3::date from generate_series(2, 3) level`, [
    id,
    letter.id,
    addDays(today(), -20),
  ])
  await run('update reminder set day = $2::date where document_id = $1', [id, addDays(today(), -20)])
  const key = { customerId: house.customer('10444').id, currency: 'EUR' }
  const ask = async (period: StatementPeriod) => (await prepareStatements(key, period, who))[0]!
  daysOn(71)
  expect((await ask({ form: 'reminder', until: today() })).reason?.words).toContain(
    'at the last level already',
  )
  const made = await ask({ form: 'reminder', until: today(), lastAgain: true })
  const { documentId, reason } = await issuePrepared(made.preparedId!)
  expect(documentId, reason?.words).not.toBeNull()
  expect((await levels()).map((one) => one.level)).toEqual([1, 2, 3, 4])
  const { paper } = (await one<{ paper: Paper }>('select paper from document where id = $1', [documentId]))!
  expect(paper.heading).toBe(starterReminders.levels[2]!.heading[paper.language])
})
