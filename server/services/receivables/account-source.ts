import { dayInZone, dayWords, type Day } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { arrivedWords, remind, type ReminderFacts } from '../../../core/receivables/reminders'
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
import type { Addressing, PaperContext, SubjectRow } from '../documents/paper-context'
import type { IssuedBy, IssuedFrom, Source } from '../documents/sources'
import { Reminder } from '../../db/models'
import { houseSettings } from '../house/settings'
import { company } from '../house/house'
import {
  accountRows,
  accountVersions,
  balancesOf,
  entriesOf,
  forgetVoided,
  moneyArrived,
  lastReminders,
  reminderWaiting,
  remindersWaiting,
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
        { ...row, total: statement.balance, statement, ...(reminder ? { reminder } : {}) },
        [],
        contacts.get(row.customerId) ?? [],
        { ...addressing, role: addressing.role ?? kindFacts[kind].to },
        house,
      )
      const nothing = nothingIn(made)
      contexts.set(row.sourceId, nothing ? { ...context, nothing } : context)
    }
  }
  return contexts
}

/** Why there is nothing to make; undefined where there is something. */
export const nothingIn = ({ nothing, statement }: AccountFacts) => nothing ?? nothingToState(statement)

const periodAsked = (kind: DocumentKind, occasion: string, today: Day): StatementPeriod =>
  periodOf(occasion) ?? {
    form: kind === 'payment reminder' ? 'reminder' : 'open items',
    until: today,
  }

export interface AccountFacts {
  statement: StatementFacts
  reminder?: ReminderFacts
  nothing?: string
}

/** What the document of an account says, by its customer and its books. */
type Said = (
  row: Pick<SubjectRow, 'sourceId' | 'currency' | 'customerLanguage'>,
  statement: StatementFacts,
) => AccountFacts

/** A statement says all of the books. */
const asItIs: Said = (_row, statement) => ({ statement })

/** What documents of a kind say of books as they were on a day. */
export const whatIsSaid = async (
  kind: DocumentKind,
  books: ReadonlyMap<number, Pick<StatementFacts, 'open'>>,
  day: Day,
): Promise<Said> => (kind === 'payment reminder' ? remindersOf(books, day) : asItIs)

/** A reminder says what of them is past due; what was done about each item is found for all accounts at once. */
async function remindersOf(
  books: ReadonlyMap<number, Pick<StatementFacts, 'open'>>,
  today: Day,
): Promise<Said> {
  const { reminders: rule } = await houseSettings()
  const house = await company()
  const items = [...books.values()].flatMap(({ open }) => open.flatMap((one) => one.documentId ?? []))
  const last = new Map((await lastReminders(items, today)).map((one) => [one.documentId, one]))
  // of days that are past nobody knows any more what was booked late
  const isNow = today === dayInZone(clock.now(), house.timeZone)
  const money = isNow ? await moneyArrived([...books.keys()]) : []
  const arrived = new Map(money.map(({ accountId, ...one }) => [accountId, one]))
  return (row, statement) => {
    const open = statement.open.map((one) => {
      const { level = 0, remindedOn = null } = last.get(one.documentId ?? 0) ?? {}
      return { ...one, level, remindedOn }
    })
    const language = row.customerLanguage ?? house.language
    const letter = remind(
      open,
      { currency: row.currency, language, rule, arrived: arrived.get(row.sourceId) },
      today,
    )
    if ('nothing' in letter) return { statement, nothing: letter.nothing }
    return {
      statement: { ...statement, open: letter.open, balance: letter.asked },
      reminder: letter.reminder,
    }
  }
}

/** One letter at a time: a second would ask for the same. */
async function reminderRefusal(kind: DocumentKind, id: number): Promise<Refusal | undefined> {
  const waits = kind === 'payment reminder' ? await reminderWaiting(id) : undefined
  return waits && new Refusal('reminder-waits', { values: { day: dayWords(waits.day) } })
}

/** The bank may have been read since it was prepared. @throws Refusal "money-arrived" */
async function refuseUnbooked({ sourceId, source }: IssuedFrom): Promise<void> {
  const [arrived] = source.reminder ? await moneyArrived([sourceId]) : []
  if (arrived) throw new Refusal('money-arrived', { values: { words: arrivedWords(arrived) } })
}

/** Prepared, or listed in To send: what a person has not sent yet is not asked for once more by a routine. */
async function waitingReminders(
  kind: DocumentKind,
  ids: readonly number[],
): Promise<{ id: number; reason: string }[]> {
  const waiting = kind === 'payment reminder' ? await remindersWaiting(ids) : []
  return waiting.map(({ id, day, state }) => ({
    id,
    reason: `A reminder of ${dayWords(day)} waits in ${state === 'prepared' ? 'To check' : 'To send'} already.`,
  }))
}

/** Keeps at which level each item was reminded of by a letter that is issued. */
async function keepReminded({ source }: IssuedFrom, documentId: number, { now }: IssuedBy): Promise<void> {
  const { timeZone } = await company()
  await Reminder.bulkCreate(
    (source.reminder?.items ?? [])
      .filter((one) => one.reaches > one.from)
      .map((one) => ({
        documentId: one.documentId,
        level: one.reaches,
        reminderId: documentId,
        day: dayInZone(now, timeZone),
      })),
  )
}

/** A customer's account with a brand as the source of its statements. */
export const accountSource: Source = {
  table: 'account',
  load: loadAccountContexts,
  isAskedFor: true,
  occasion: (kind, context) =>
    occasionOf(
      kind === 'payment reminder'
        ? { form: 'reminder', until: context.orderDate }
        : context.source.statement!.period,
    ),
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
