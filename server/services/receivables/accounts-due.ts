import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { moneyText } from '../../../core/money/decimal'
import { lateFor, occasionOf, overdueOf, type StatementPeriod } from '../../../core/receivables/statement'
import type { EventFacts } from '../../../core/routines/routine'
import type { Language } from '../../../core/money/format'
import { inTransaction } from '../../db/connection'
import { theHouse, type Principal } from '../people/principal'
import { booksOf, nothingIn, toldElsewhere, totalAsked, whatIsSaid } from './account-source'
import { accountsAfter, customersWithoutAccount, lockAccounts, makeAccounts } from './statement-queries'

/*
 * Which accounts have something to be said on a day, with the facts that routines test: what a statement or a
 * reminder is made of decides, so that a routine, its trial and the document cannot disagree.
 * Called by routines of the clock. Adds accounts of customers of whom something was booked since; else it reads.
 */

/** An account as routines ask about it. `customer` is the customer's number, `brand` its code. */
export interface AccountAsked {
  id: number
  customerId: number
  name: string
  currency: string
  brand: string
  customer: string
  customerLanguage: Language | null
  group: string
  country: string
  salesperson: string
  /** The house's own fields of the customer. */
  fields: Record<string, string>
}

export interface AccountDue {
  id: number
  customerId: number
  name: string
  facts: EventFacts
  /** What tells it from the next: the period of a statement, the level of a reminder. */
  once: string
}

const batch = 250

/** Adds the accounts of customers of whom something was booked since. */
export async function makeMissingAccounts(): Promise<void> {
  const missing = await customersWithoutAccount()
  if (missing.length === 0) return
  await inTransaction(async () => {
    await lockAccounts()
    await makeAccounts(missing.map((one) => one.customerId))
  })
}

/** @param period of a reminder: the day from which its items are late */
export async function accountsDue(
  kind: DocumentKind,
  period: StatementPeriod,
  who: Principal = theHouse,
): Promise<AccountDue[]> {
  await makeMissingAccounts()
  const due: AccountDue[] = []
  for (let after = 0; ;) {
    const asked = await accountsAfter(after, batch, who)
    if (asked.length === 0) return due
    due.push(...(await dueAmong(asked, kind, period, period.until)))
    after = asked.at(-1)!.id
  }
}

async function dueAmong(
  asked: readonly AccountAsked[],
  kind: DocumentKind,
  period: StatementPeriod,
  day: Day,
): Promise<AccountDue[]> {
  const ids = asked.map((one) => one.id)
  const books = await booksOf(ids, period)
  const elsewhere = await toldElsewhere(kind, ids)
  const said = await whatIsSaid(kind, books, day)
  const occasion = occasionOf(period)
  return asked.flatMap(({ id, customerId, name, customerLanguage, ...account }) => {
    const { currency } = account
    const all = { ...books.get(id)!, currency }
    const made = said({ sourceId: id, currency, customerLanguage }, all)
    if (elsewhere.has(id) || nothingIn(made)) return []
    const facts: EventFacts = {
      order: '',
      ...account,
      total: moneyText(totalAsked(made), currency),
      balance: moneyText(all.balance, currency),
      overdue: moneyText(overdueOf(all.open, day), currency),
      late: lateFor(all.open, day),
      occasion,
    }
    const once = made.reminder ? `level ${made.reminder.level}` : occasion
    return [{ id, customerId, name, facts, once }]
  })
}
