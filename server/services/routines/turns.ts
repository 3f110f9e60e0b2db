import { dayInZone, type Day } from '../../../core/documents/days'
import { kindOfPeriod, type StatementPeriod } from '../../../core/receivables/statement'
import { periodOn } from '../../../core/receivables/relative-period'
import { eventOf, type RoutineSentence } from '../../../core/routines/sentence'
import { nextTurn, turnsBetween, type Calendar } from '../../../core/routines/time'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { RoutineTurn } from '../../db/models'
import { addJobs } from '../../queue/add'
import { houseCalendar } from '../house/calendar'
import { publish } from '../live/publish'
import { theHouse, type Principal } from '../people/principal'
import { accountsDue } from '../receivables/accounts-due'
import {
  insertAccountEvents,
  lockComingTurns,
  lockTurn,
  setNextTurn,
  turnDue,
  turnsTaken,
} from './turns-queries'

/*
 * Routines of the clock: at its turn, a routine is shown every account that has something to be said, each as an
 * event that it then looks at like any other.
 * Called by the job take-turn, which the sweeper adds for what is due. Dies half-way: nothing was written, the
 * sweeper adds another. Late: of the turns that were missed only the last is taken, and it says how many were not.
 */

/** When a routine has its next turn; null for one that is off or waits for something else. */
export async function turnAfter(sentence: RoutineSentence, isOn: boolean, now: Date): Promise<Date | null> {
  if (!isOn || eventOf(sentence) !== 'time' || !sentence.at) return null
  return nextTurn(sentence.at, now, await houseCalendar(now))
}

/**
 * Plans the next turns anew after the calendar of the house was changed; one that is due is taken first.
 * Called by the job plan-turns. Dies half-way: nothing was written, and the queue tries it again.
 */
export async function planTurns(): Promise<void> {
  const now = clock.now()
  await inTransaction(async () => {
    for (const { id, sentence } of await lockComingTurns(now))
      await setNextTurn(id, await turnAfter(sentence, true, now))
    publish('routine')
  })
}

/** What its documents are of, at a turn of a day: reminders ask for what is past due then. */
export function periodAtTurn(sentence: RoutineSentence, day: Day): StatementPeriod {
  return sentence.issue === 'payment reminder'
    ? { form: 'reminder', until: day }
    : periodOn(sentence.period ?? 'open items', day)
}

/** The turns that a sentence would have had, the newest first. */
export async function turnsOf(
  sentence: RoutineSentence,
  span: { after: Date; until: Date },
  most: number,
): Promise<{ at: Date; day: Day }[]> {
  if (!sentence.at) return []
  const calendar = await houseCalendar(span.until)
  return turnsBetween(sentence.at, span, calendar, most).map((at) => ({
    at,
    day: dayInZone(at, calendar.zone),
  }))
}

/** Takes the turn of a routine, if it is due. */
export async function takeTurn(routineId: number): Promise<void> {
  const now = clock.now()
  const due = await turnDue(routineId, now)
  if (!due) return
  const { sentence, nextTurn: planned } = due
  const calendar = await houseCalendar(now)
  const missed = turnsBetween(sentence.at!, { after: new Date(planned.getTime() - 1), until: now }, calendar)
  const at = missed[0] ?? planned
  // a statement is of the day of its turn, however late that is taken; a reminder asks for what is past due now
  const asOf = sentence.issue === 'payment reminder' ? now : at
  const period = periodAtTurn(sentence, dayInZone(asOf, calendar.zone))
  const accounts = await accountsDue(kindOfPeriod(period), period, theHouse)
  await inTransaction(async () => {
    const same = await lockTurn(routineId, planned)
    if (!same) return
    await RoutineTurn.create({
      routineId,
      at,
      takenAt: now,
      passed: Math.max(0, missed.length - 1),
    })
    await setNextTurn(routineId, nextTurn(sentence.at!, now, calendar))
    const events = await insertAccountEvents({
      routineId,
      at,
      actor: due.name,
      facts: accounts.map(({ id, facts }) => ({
        id,
        facts: { ...facts, moment: momentWords(at, calendar), byClock: true },
      })),
    })
    await addJobs(
      'look-at-events',
      events.map(({ id }) => id),
      25,
      (eventIds) => ({ eventIds }),
    )
    publish('routine', [routineId])
  })
}

/** "30 Nov 2026, 07:00", as a condition says what it saw. */
export const momentWords = (at: Date, { zone }: Pick<Calendar, 'zone'>): string =>
  new Intl.DateTimeFormat('en-IE', { dateStyle: 'medium', timeStyle: 'short', timeZone: zone }).format(at)

export interface Turn {
  at: Date
  takenAt: Date
  passed: number
  /** What came of the accounts that it was shown, by outcome. */
  outcomes: Record<string, number>
}

/** The newest turns of a routine, as far as this one may see the accounts. */
export const turnsOfRoutine = (routineId: number, who: Principal): Promise<Turn[]> =>
  turnsTaken(routineId, who)
