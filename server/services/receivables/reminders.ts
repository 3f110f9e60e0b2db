import { dayInZone, dayWords, type Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { ratesOf, type InterestRate } from '../../../core/receivables/interest'
import { toldArrived, asksInterest, remind, type ReminderFacts } from '../../../core/receivables/reminders'
import type { StatementFacts } from '../../../core/receivables/statement'
import { told, toldDay, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { BookedInterest, Reminder } from '../../db/models'
import type { SubjectRow } from '../documents/paper-context'
import type { IssuedBy, IssuedFrom } from '../documents/sources'
import { company } from '../house/house'
import { houseSettings } from '../house/settings'
import {
  changesOf,
  interestBooked,
  lastReminders,
  moneyArrived,
  placesOf,
  reminderWaiting,
  remindersWaiting,
} from './reminder-queries'

/*
 * What a payment reminder is beside a statement: the level that is due, what the letter costs, what stops it, and what
 * is kept once it is issued.
 * Called by the account as a source of documents. Reads, but for what issuing and voiding keep.
 */

/** What the document of an account is made of; or why there is none. */
export interface AccountFacts {
  statement: StatementFacts
  reminder?: ReminderFacts
  nothing?: Told
}

/** What the document of an account says, by its customer and its books. */
export type Said = (
  row: Pick<SubjectRow, 'sourceId' | 'currency' | 'customerLanguage'>,
  statement: StatementFacts,
) => AccountFacts

/** A reminder says what of them is past due; what was done about each item is found for all accounts at once. */
export async function remindersOf(
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
  const bearing = asksInterest(rule)
    ? await whatBears(rule.rates, [...books.keys()], items, today)
    : undefined
  return (row, statement) => {
    const open = statement.open.map((one) => {
      const { level = 0, remindedOn = null } = last.get(one.documentId ?? 0) ?? {}
      return { ...one, level, remindedOn, ...bearing?.of(one.documentId ?? 0) }
    })
    const language = row.customerLanguage ?? house.language
    const letter = remind(
      open,
      {
        currency: row.currency,
        language,
        rule,
        rates: bearing?.rates(row.sourceId),
        lastAgain: statement.period.form === 'reminder' && statement.period.lastAgain,
        arrived: arrived.get(row.sourceId),
      },
      today,
    )
    if ('nothing' in letter) return { statement, nothing: letter.nothing }
    return {
      statement: { ...statement, open: letter.open, balance: letter.asked },
      reminder: letter.reminder,
    }
  }
}

/** What interest is reckoned from, for all accounts at once: the rates of each, and what was settled of the items. */
async function whatBears(
  rates: readonly InterestRate[],
  accountIds: readonly number[],
  items: readonly number[],
  today: Day,
) {
  const places = new Map((await placesOf(accountIds)).map((one) => [one.accountId, one]))
  const changes = groupBy(await changesOf(items, today), (one) => one.documentId)
  const booked = new Map((await interestBooked(items, today)).map((one) => [one.documentId, one.amount]))
  return {
    rates: (accountId: number) => ratesOf(rates, places.get(accountId) ?? { group: '', country: '' }),
    of: (documentId: number) => ({
      changes: changes.get(documentId) ?? [],
      interestBooked: booked.get(documentId) ?? '0',
    }),
  }
}

/** One letter at a time: a second would ask for the same. */
export async function reminderRefusal(kind: DocumentKind, id: number): Promise<Refusal | undefined> {
  const waits = kind === 'payment reminder' ? await reminderWaiting(id) : undefined
  return waits && new Refusal('reminder-waits', { values: { day: dayWords(waits.day) } })
}

/** The bank may have been read since it was prepared. @throws Refusal "money-arrived" */
export async function refuseUnbooked({ sourceId, source }: IssuedFrom): Promise<void> {
  const [arrived] = source.reminder ? await moneyArrived([sourceId]) : []
  if (arrived) throw new Refusal('money-arrived', { values: { words: toldArrived(arrived) } })
}

/** Prepared, or listed in To send: what a person has not sent yet is not asked for once more by a routine. */
export async function waitingReminders(
  kind: DocumentKind,
  ids: readonly number[],
): Promise<{ id: number; reason: Told }[]> {
  const waiting = kind === 'payment reminder' ? await remindersWaiting(ids) : []
  return waiting.map(({ id, day, state }) => ({
    id,
    reason: told(state === 'prepared' ? 'looked/reminder-to-check' : 'looked/reminder-to-send', {
      day: toldDay(day),
    }),
  }))
}

/** Keeps at which level each item was reminded of by a letter that is issued, and the interest that it booked. */
export async function keepReminded(
  { source }: IssuedFrom,
  documentId: number,
  { now }: IssuedBy,
): Promise<void> {
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
  const { charges } = source.reminder ?? {}
  if (!charges?.booked) return
  await BookedInterest.bulkCreate(
    charges.interest.map(({ documentId: of, amount }) => ({
      documentId: of,
      reminderId: documentId,
      amount,
    })),
  )
}
