import { badInput } from '../../../core/errors'
import { dayInZone, type Day } from '../../../core/documents/days'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { PeriodClose as PeriodCloseRow } from '../../db/models'
import { publish } from '../live/publish'
import { company } from './house'
import { recentCloses, waitingForPeriod, lockClosedUntilForUpdate, setClosedUntil } from './queries'
import type { Principal } from '../people/principal'

/*
 * Accounting periods: everything up to a day is closed. Nothing is dated, issued, voided or credited into it.
 * Closing and opening are kept with who and when; issuing looks at the day under its own locks.
 */

export interface PeriodClose {
  closedUntil: Day | null
  wasUntil: Day | null
  at: Date
  by: string
  reason: string
}

export interface Periods {
  closedUntil: Day | null
  history: PeriodClose[]
  waiting: { preparedId: number; label: string; date: Day }[]
}

/** How far the periods are closed, who closed them, and the drafts that ask for a date in one. */
export async function periods(): Promise<Periods> {
  const { closedUntil } = await company()
  const history = await recentCloses()
  const waiting = await waitingForPeriod(closedUntil)
  return { closedUntil, history, waiting }
}

/**
 * Closes everything up to and with a day, or opens again from the day after.
 * @throws Refusal "bad-day" for a day that is not over yet, "no-reason" for opening without one
 */
export async function closePeriods(until: Day | null, reason: string, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const { closedUntil: was } = (await lockClosedUntilForUpdate())!
    const { timeZone } = await company()
    if (until !== null && until >= dayInZone(clock.now(), timeZone)) throw badInput('bad-day', 'until')
    if (until === was) return
    const opens = was !== null && (until === null || until < was)
    if (opens && !reason.trim()) throw badInput('no-reason/period', 'reason')
    await setClosedUntil(until)
    await PeriodCloseRow.create({
      closedUntil: until,
      wasUntil: was,
      at: clock.now(),
      by: who.name,
      reason: reason.trim(),
    })
    publish('house')
  })
}
