import type { DecimalText } from '../../../core/money/decimal'
import type { Principal } from '../people/principal'
import { booksOf, totalAsked, whatIsSaid } from './account-source'
import { makeMissingAccounts } from './accounts-due'
import { today } from './accounts-queries'
import { accountsToState } from './statement-run-queries'
import type { AccountKey } from './statements'

/*
 * Which accounts have a reminder due today, and at which level: asked of the functions that make the letter.
 * Called from the list of accounts for those that it shows. Adds accounts of customers of whom something was booked
 * since; else it reads.
 */

export interface LevelDue extends AccountKey {
  /** The highest of its brands' letters. */
  level: number
  /** What the letters would ask for. */
  asked: DecimalText[]
}

export async function levelsDue(keys: readonly AccountKey[], who: Principal): Promise<LevelDue[]> {
  await makeMissingAccounts()
  const found = await accountsToState(keys, 'payment reminder', who)
  const day = await today()
  const ids = found.map((one) => one.id)
  const books = await booksOf(ids, { form: 'reminder', until: day })
  const said = await whatIsSaid('payment reminder', books, day)
  const due = new Map<string, LevelDue>()
  for (const { id, customerId, currency, customerLanguage } of found) {
    const made = said({ sourceId: id, currency, customerLanguage }, { ...books.get(id)!, currency })
    if (!made.reminder || made.nothing) continue
    const key = `${customerId} ${currency}`
    const before = due.get(key) ?? { customerId, currency, level: 0, asked: [] }
    due.set(key, {
      ...before,
      level: Math.max(before.level, made.reminder.level),
      asked: [...before.asked, totalAsked(made)],
    })
  }
  return [...due.values()]
}
