import { expect, test } from 'vitest'
import { addDays, dayInZone, type Day } from '../../core/documents/days'
import { Decimal, sum } from '../../core/money/decimal'
import { clock } from '../../server/clock'
import { rows, run } from '../../server/db/connection'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { inTheNameOf, theHouse } from '../../server/services/people/principal'
import { ageing } from '../../server/services/receivables/accounts'
import { accountsDue } from '../../server/services/receivables/accounts-due'
import { booksOf } from '../../server/services/receivables/account-source'
import { moneyFigures } from '../../server/services/receivables/money-figures'
import { recordPayment } from '../../server/services/receivables/payments'
import { prepareStatements } from '../../server/services/receivables/statements'
import { papersOf, useHouse } from './house'

/* How fast money comes: figures that agree with the accounts and the statements they lead to. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const today = () => dayInZone(clock.now(), 'Europe/Dublin')

/** An invoice over 612.54, past due for so many days. */
async function late(customer: string, days: number): Promise<number> {
  const { id, name } = house.customer(customer)
  const order = await house.newOrder({ customerId: id, customerName: name })
  await house.ship([order])
  const [paper] = await papersOf([order])
  const [result] = await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, {
    postOnly: true,
  })
  await run('update open_item set due_date = $2::date where document_id = $1', [
    result!.documentId,
    addDays(today(), -days),
  ])
  return result!.documentId!
}
const pay = (customer: string, documentId: number, amount: string, date: Day) =>
  recordPayment(
    {
      direction: 'in',
      customerId: house.customer(customer).id,
      date,
      method: 'bank transfer',
      amount,
      currency: 'EUR',
      reference: '',
      settle: [{ documentId, amount, discount: '0', writeOff: '0' }],
      another: true,
    },
    who,
  )

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
