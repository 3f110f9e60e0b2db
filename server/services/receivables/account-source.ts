import { dayInZone, type Day } from '../../../core/documents/days'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { askedWith } from '../../../core/receivables/reminders'
import {
  nothingToState,
  occasionOf,
  periodOf,
  type StatementFacts,
  type StatementPeriod,
} from '../../../core/receivables/statement'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { contactsOfCustomers } from '../customers/queries'
import { contextOf, houseContext } from '../documents/found-settings'
import type { Addressing, PaperContext } from '../documents/paper-context'
import type { Source } from '../documents/sources'
import { company } from '../house/house'
import { forgetVoided } from './reminder-queries'
import {
  keepReminded,
  refuseUnbooked,
  reminderRefusal,
  remindersOf,
  waitingReminders,
  type AccountFacts,
  type Said,
} from './reminders'
import {
  accountRows,
  accountVersions,
  balancesOf,
  entriesOf,
  occasionsWaiting,
  openOn,
  statedElsewhere,
} from './statement-queries'

/** The books of accounts for a period, by account: five statements to the database for any number of them. */
export async function booksOf(
  ids: readonly number[],
  period: StatementPeriod,
): Promise<Map<number, Omit<StatementFacts, 'currency'>>> {
  const from = period.form === 'activity' ? period.from : period.until
  // reminders are of one brand, whatever statements tell of
  const together = period.form !== 'reminder'
  const balances = await balancesOf(ids, from, period.until, together)
  const entries = groupBy(
    period.form === 'activity' ? await entriesOf(ids, from, period.until, together) : [],
    (entry) => entry.accountId,
  )
  const open = groupBy(await openOn(ids, period.until, together), (entry) => entry.accountId)
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
  const elsewhere = await toldElsewhere(kind, ids)
  const contexts = new Map<number, PaperContext>()
  for (const [asked, own] of groupBy(ids, meant)) {
    const period = periodAsked(kind, asked, today)
    // a reminder asks for what is past due now, whenever it was prepared
    const books = await booksOf(own, period.form === 'reminder' ? { ...period, until: today } : period)
    const found = await accountRows(own, period.until)
    const factsFor = await whatIsSaid(kind, books, today)
    const contacts = groupBy(
      await contactsOfCustomers([...new Set(found.map((row) => row.customerId))]),
      (contact) => contact.customerId,
    )
    for (const row of found) {
      const made = factsFor(row, { ...books.get(row.sourceId)!, currency: row.currency })
      const { statement, reminder } = made
      const context = contextOf(
        kind,
        { ...row, total: totalAsked(made), statement, ...(reminder ? { reminder } : {}) },
        [],
        contacts.get(row.customerId) ?? [],
        { ...addressing, role: addressing.role ?? kindFacts[kind].to },
        house,
      )
      const nothing = elsewhere.get(row.sourceId) ?? nothingIn(made)
      contexts.set(row.sourceId, nothing ? { ...context, nothing } : context)
    }
  }
  return contexts
}

/** Of accounts whose books are told of by the statement of another brand, that; by account. */
export async function toldElsewhere(kind: DocumentKind, ids: readonly number[]): Promise<Map<number, Told>> {
  if (kind !== 'statement of account') return new Map()
  return new Map(
    (await statedElsewhere(ids)).map(({ accountId, brand }) => [
      accountId,
      told('problem/on-other-statement', { customer: brand }),
    ]),
  )
}

/** Why there is nothing to make; undefined where there is something. */
export const nothingIn = ({ nothing, statement }: AccountFacts) => nothing ?? nothingToState(statement)

/** What the document comes to: what is open, or what a reminder asks for with what it costs. */
export const totalAsked = ({ statement, reminder }: AccountFacts) =>
  askedWith(statement.balance, reminder?.charges)

const periodAsked = (kind: DocumentKind, occasion: string, today: Day): StatementPeriod =>
  periodOf(occasion) ?? {
    form: kind === 'payment reminder' ? 'reminder' : 'open items',
    until: today,
  }

/** A statement says all of the books. */
const asItIs: Said = (_row, statement) => ({ statement })

/** What documents of a kind say of books as they were on a day. */
export const whatIsSaid = async (
  kind: DocumentKind,
  books: ReadonlyMap<number, Pick<StatementFacts, 'open'>>,
  day: Day,
): Promise<Said> => (kind === 'payment reminder' ? remindersOf(books, day) : asItIs)

/** A customer's account with a brand as the source of its statements. */
export const accountSource: Source = {
  table: 'account',
  load: loadAccountContexts,
  isAskedFor: true,
  occasion: (_kind, { orderDate, source }) => {
    const { period } = source.statement!
    return occasionOf(period.form === 'reminder' ? { ...period, until: orderDate } : period)
  },
  versions: accountVersions,
  refusal: reminderRefusal,
  waiting: waitingReminders,
  // two letters of one account, one after the other: the second sees what the first reminded of
  issuingWrites: true,
  issued: keepReminded,
  check: refuseUnbooked,
  issuedKinds: ['payment reminder'],
  voided: async (id) => {
    await forgetVoided(id)
  },
}
