import { addDays, dayInZone, instantInZone, type Day } from '../../../core/documents/days'
import { morningEmail, type MorningFacts } from '../../../core/line/morning'
import { moneyText } from '../../../core/money/decimal'
import type { Calendar } from '../../../core/routines/time'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { houseCalendar } from '../house/calendar'
import { company } from '../house/house'
import { onceADay, type DailyMail } from '../house/once-a-day'
import { gate } from '../house/queries'
import { accountsDue } from '../receivables/accounts-due'
import { lineCounts } from './counts-queries'
import {
  keepMorning,
  morningCounts,
  morningRule,
  promisedFor,
  silentRoutines,
  turnsUntil,
} from './morning-queries'

/*
 * The email that the desk reads in the morning of a working day: what went, what waits, what the day brings.
 * Called by the job morning-email, which the sweeper adds when it is time.
 */

export const sendMorningEmail = (): Promise<void> => onceADay('morning email', morningDue)

async function morningDue(): Promise<DailyMail | undefined> {
  const now = clock.now()
  const { morning, morningSent } = (await morningRule())!
  const calendar = await houseCalendar(now)
  const today = dayInZone(now, calendar.zone)
  if (!morning?.to || morningSent === today || now < instantInZone(today, morning.time, calendar.zone))
    return undefined
  const wentOut = () => keepMorning(today)
  if (!calendar.isWorkingDay(today)) {
    await wentOut()
    return undefined
  }
  return { ...morningEmail(await factsOf(now, today, calendar)), to: [morning.to], wentOut }
}

/** The working day before: of it and what came after it the email tells. */
function dayBefore(today: Day, { isWorkingDay }: Calendar): Day {
  for (let back = 1; back < 31; back++) if (isWorkingDay(addDays(today, -back))) return addDays(today, -back)
  return addDays(today, -1)
}

async function factsOf(now: Date, today: Day, calendar: Calendar): Promise<MorningFacts> {
  const house = await company()
  const { zone } = calendar
  const before = dayBefore(today, calendar)
  const since = instantInZone(before, '00:00', zone)
  const timeOf = (at: Date) =>
    new Intl.DateTimeFormat('en-IE', {
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
      timeZone: zone,
    }).format(at)
  const { rehearsalSince, pausedAt } = await gate()
  const reminders = await accountsDue('payment reminder', { form: 'reminder', until: today })
  const turns = await turnsUntil(now, instantInZone(addDays(today, 1), '00:00', zone))
  const silent = await silentRoutines(now)
  const promises = await promisedFor(today)
  // what waits is counted where the Line counts it
  const stages = new Map((await lineCounts()).map(({ stage, count }) => [stage, count]))
  return {
    ...(await morningCounts(since, now))!,
    stuck: stages.get('stuck') ?? 0,
    toCheck: stages.get('to check') ?? 0,
    toSend: stages.get('to send') ?? 0,
    house: house.name,
    since: new Intl.DateTimeFormat('en-IE', { weekday: 'long', day: 'numeric', month: 'long' }).format(
      new Date(`${before}T12:00:00Z`),
    ),
    address: house.publicAddress.replace(/\/$/, ''),
    silent: silent.map(({ name }) => name),
    rehearsing: !!rehearsalSince,
    paused: !!pausedAt,
    promises: promises.map(
      ({ customer, number, open, currency }) =>
        told('morning/promise', { customer, number, sum: `${moneyText(open, currency)} ${currency}` }).words,
    ),
    remindersDue: reminders.length,
    turns: turns.map(({ name, at }) => `${timeOf(at)} ${name}`),
  }
}
