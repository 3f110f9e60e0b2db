import { expect, test } from 'vitest'
import { type Day } from '../../core/documents/days'
import { starterReminders } from '../../core/receivables/reminders'
import { Decimal, sum } from '../../core/money/decimal'
import { rows, run } from '../../server/db/connection'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { changeHouse } from '../../server/services/house/settings'
import { theHouse } from '../../server/services/people/principal'
import { ageing } from '../../server/services/receivables/accounts'
import { accountsDue } from '../../server/services/receivables/accounts-due'
import { booksOf } from '../../server/services/receivables/account-source'
import { moneyFigures } from '../../server/services/receivables/money-figures'
import { prepareStatements } from '../../server/services/receivables/statements'
import { useHouse } from './house'
import { issuePrepared, lateInvoice, payInvoice, prepareReminder, today, who } from './money'

/* How fast money comes: figures that agree with the accounts and the statements they lead to. */
const house = useHouse({ reports: false })

const costly = {
  ...starterReminders,
  levels: starterReminders.levels.map((level) => ({ ...level, fee: '5' })),
  booksCharges: true,
}
const late = async (customer: string, days: number) => (await lateInvoice(house, customer, days)).id
const pay = (customer: string, documentId: number, amount: string, date: Day) =>
  payInvoice(house, customer, { documentId, amount, date })

test('what is open today, by age, is what Accounts says; of earlier days it is what statements said', async () => {
  await run('update company set closed_until = null')
  const first = await late('10417', 40)
  await late('10427', 10)
  await late('10433', -10)
  await pay('10417', first, '100.00', today())
  const { months } = await moneyFigures('EUR', theHouse)
  const now = months.at(-1)!
  const strip = (await ageing()).find((one) => one.currency === 'EUR')!
  expect(now.steps).toEqual(strip.steps.map((one) => one.sum))
  expect(now.open).toBe('1737.62')
  await accountsDue('statement of account', { form: 'open items', until: today() })
  const ids = (await rows<{ id: number }>('select id from account')).map((one) => one.id)
  for (const month of months) {
    const books = [...(await booksOf(ids, { form: 'open items', until: month.until })).values()]
    const owed = sum(
      books.flatMap(({ open }) => open.filter((one) => new Decimal(one.open).gt(0)).map((one) => one.open)),
    )
    expect([month.until, Number(month.open)]).toEqual([month.until, owed.toNumber()])
  }
  // three invoices of 612.54 on this one day: 1737.62 ÷ 1837.62 × 1
  expect(now).toMatchObject({ invoiced: '1837.62', outstanding: 1 })
})

test('money counts for the level that asked for it, from the day after and within its days', async () => {
  const id = await late('10438', 20)
  const [made] = await prepareStatements(
    { customerId: house.customer('10438').id, currency: 'EUR' },
    { form: 'reminder', until: today() },
    who,
  )
  await issueInOneTransaction([{ preparedId: made!.preparedId!, revision: null }], who)
  await run('update reminder set day = day - 10 where document_id = $1', [id])
  await pay('10438', id, '200.00', today())
  const { levels } = await moneyFigures('EUR', theHouse)
  expect(levels).toEqual([
    {
      level: 1,
      name: expect.any(String),
      items: 1,
      asked: '612.54',
      came: ['0', '200.00', '200.00'],
    },
  ])
})

test('a currency in which nothing was booked is answered with the house’s', async () => {
  expect(await moneyFigures('USD', theHouse)).toMatchObject({ currency: 'EUR' })
})

test('a fee is owed, and was not sold', async () => {
  const now = async () => (await moneyFigures('EUR', theHouse)).months.at(-1)!
  const before = await now()
  await changeHouse({ reminders: costly })
  const { outcome, reason } = await issuePrepared((await prepareReminder(house, '10417')).preparedId!)
  expect(outcome, reason?.words).toBe('issued')
  const after = await now()
  expect(new Decimal(after.open).minus(before.open).toFixed(2)).toBe('5.00')
  expect(after.invoiced).toBe(before.invoiced)
})
