import { dayInZone } from '../../../core/documents/days'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import {
  nothingToState,
  occasionOf,
  periodOf,
  type StatementFacts,
  type StatementPeriod,
} from '../../../core/receivables/statement'
import { clock } from '../../clock'
import { contactsOfCustomers } from '../customers/queries'
import { contextOf, houseContext } from '../documents/found-settings'
import type { Addressing, PaperContext } from '../documents/paper-context'
import type { Source } from '../documents/sources'
import { company } from '../house/house'
import {
  accountRows,
  accountVersions,
  balancesOf,
  entriesOf,
  occasionsWaiting,
  openOn,
} from './statement-queries'

/** The books of accounts for a period, by account: five statements to the database for any number of them. */
export async function booksOf(
  ids: readonly number[],
  period: StatementPeriod,
): Promise<Map<number, Omit<StatementFacts, 'currency'>>> {
  const from = period.form === 'activity' ? period.from : period.until
  const balances = await balancesOf(ids, from, period.until)
  const entries = groupBy(
    period.form === 'activity' ? await entriesOf(ids, from, period.until) : [],
    (entry) => entry.accountId,
  )
  const open = groupBy(await openOn(ids, period.until), (entry) => entry.accountId)
  return new Map(
    balances.map(({ accountId, opening, balance }) => [
      accountId,
      {
        period,
        opening: period.form === 'activity' ? opening : '0',
        balance,
        entries: (entries.get(accountId) ?? []).map(({ accountId: _, ...entry }) => entry),
        open: (open.get(accountId) ?? []).map(({ accountId: _, ...entry }) => entry),
      },
    ]),
  )
}

/**
 * Loads what statements of accounts are made of. Without an occasion it is the statement that was put back, or else
 * the open items of today.
 */
async function loadAccountContexts(
  kind: DocumentKind,
  ids: readonly number[],
  addressing: Addressing,
  occasion: string,
): Promise<Map<number, PaperContext>> {
  const today = dayInZone(clock.now(), (await company()).timeZone)
  const waiting = new Map(
    (occasion ? [] : await occasionsWaiting(ids, kind)).map((one) => [one.accountId, one.occasion]),
  )
  const meant = (id: number) => occasion || (waiting.get(id) ?? '')
  const house = await houseContext(kind)
  const contexts = new Map<number, PaperContext>()
  for (const [asked, own] of groupBy(ids, meant)) {
    const period = periodOf(asked) ?? { form: 'open items', until: today }
    const books = await booksOf(own, period)
    const found = await accountRows(own, period.until)
    const contacts = groupBy(
      await contactsOfCustomers([...new Set(found.map((row) => row.customerId))]),
      (contact) => contact.customerId,
    )
    for (const row of found) {
      const statement = { ...books.get(row.sourceId)!, currency: row.currency }
      const context = contextOf(
        kind,
        { ...row, total: statement.balance, statement },
        [],
        contacts.get(row.customerId) ?? [],
        { ...addressing, role: addressing.role ?? kindFacts[kind].to },
        house,
      )
      const nothing = nothingToState(statement)
      contexts.set(row.sourceId, nothing ? { ...context, nothing } : context)
    }
  }
  return contexts
}

/** A customer's account with a brand as the source of its statements. */
export const accountSource: Source = {
  table: 'account',
  load: loadAccountContexts,
  isAskedFor: true,
  occasion: (_kind, context) => occasionOf(context.source.statement!.period),
  versions: accountVersions,
}
