import { expect } from 'vitest'
import { Decimal } from '../../core/money/decimal'
import { addDays, type Day } from '../../core/documents/days'
import { statementOf } from '../../core/receivables/statement'
import { inTransaction, rows } from '../../server/db/connection'
import { booksOf } from '../../server/services/receivables/account-source'
import { lockAccounts, makeAccounts } from '../../server/services/receivables/statement-queries'
import { ageing } from '../../server/services/receivables/accounts'
import { reconciliationOf } from '../../server/services/register/reconciliation'

/** Posted = open + paid + credited: for every document, and every payment is settled or on account. */
export async function balances(): Promise<void> {
  expect(
    await rows(`
      select i.document_id
      from open_item i
      left join document_void v on v.document_id = i.document_id
      where v.document_id is null
        and i.open <> i.amount
          - sign(i.amount) * coalesce(
            (select sum(a.amount) from allocation a where a.to_document_id = i.document_id), 0
          ) + coalesce((select sum(a.amount) from allocation a where a.from_document_id = i.document_id), 0)`),
  ).toEqual([])
  expect(
    await rows(`
      select p.id
      from payment p
      where p.reverses_id is null
        and not exists (select from payment r where r.reverses_id = p.id)
        and p.open <> p.amount
          - coalesce(
            (select sum(a.amount) from allocation a where a.payment_id = p.id and a.kind = 'payment'), 0
          ) - coalesce((select sum(a.amount) from allocation a where a.to_payment_id = p.id), 0)`),
  ).toEqual([])
}

/**
 * All that must hold whatever was booked, credited, voided and taken back: sums, signs, the day's proof, and
 * the ages of what is open.
 */
export async function holds(day: string): Promise<void> {
  await balances()
  expect(
    await rows(
      'select document_id, amount, open from open_item where abs(open) > abs(amount) or open * amount < 0',
    ),
    'an open amount beyond its document',
  ).toEqual([])
  expect(
    await rows('select id, amount, open from payment where open < 0 or (open > 0 and open > amount)'),
    'more on account than was paid',
  ).toEqual([])
  expect(
    await rows(
      `select i.document_id
      from open_item i
      join document_void v on v.document_id = i.document_id
      where i.open <> 0`,
    ),
    'something owed on a void document',
  ).toEqual([])
  expect(
    (await reconciliationOf(day)).postings.filter((one) => !new Decimal(one.difference).isZero()),
    'a difference in the proof',
  ).toEqual([])
  const open = await rows<{ currency: string; open: string }>(
    `select currency, sum(open)::text open
    from (
      select currency, open
      from open_item
      union all
      select currency, case direction when 'in' then -open else open end
      from payment
    ) x
    group by 1
    having count(*) filter (where open <> 0) > 0`,
  )
  const aged = new Map((await ageing()).map((one) => [one.currency, one.open]))
  for (const one of open)
    expect(new Decimal(aged.get(one.currency) ?? 0).toString(), `open in ${one.currency} by age`).toBe(
      new Decimal(one.open).toString(),
    )
}

/**
 * Every account's statement comes out on any day: what was booked is what is open, and today's is what the open
 * items and the money on account say.
 */
export async function statementsHold(today: Day): Promise<void> {
  const customers = await rows<{ id: number }>('select id from customer')
  await inTransaction(async () => {
    await lockAccounts()
    await makeAccounts(customers.map((one) => one.id))
  })
  const accounts = await rows<{ id: number; currency: string; open: string }>(
    `select a.id, a.currency, (
      coalesce((
        select sum(i.open)
        from open_item i
        join document d on d.id = i.document_id
        where i.customer_id = a.customer_id and i.currency = a.currency and d.brand_id = a.brand_id
      ), 0) - coalesce((
        select sum(case p.direction when 'in' then p.open else -p.open end)
        from payment p
        where p.customer_id = a.customer_id and p.currency = a.currency and p.brand_id = a.brand_id
      ), 0)
    )::text open
    from account a`,
  )
  for (const days of [0, 1, 9, 40])
    for (const form of ['open items', 'activity'] as const) {
      const until = addDays(today, -days)
      const period = form === 'activity' ? { form, from: addDays(until, -30), until } : { form, until }
      const books = await booksOf(
        accounts.map((one) => one.id),
        period,
      )
      for (const { id, currency, open } of accounts) {
        const { closing } = statementOf({ ...books.get(id)!, currency })
        if (days === 0)
          expect(new Decimal(closing).toFixed(2), `account ${id}`).toBe(new Decimal(open).toFixed(2))
      }
    }
}
