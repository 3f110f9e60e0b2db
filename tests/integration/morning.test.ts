import Holidays from 'date-holidays'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { addDays, dayInZone, instantInZone, weekdayOf } from '../../core/documents/days'
import { clock } from '../../server/clock'
import { one, run } from '../../server/db/connection'
import { sweep } from '../../server/services/dispatch/sweep'
import { changeHouse, houseSettings } from '../../server/services/house/settings'
import { sendMorningEmail } from '../../server/services/line/morning'
import { useHouse } from './house'

/* The email of the morning: one a working day, at its hour, with what is so. */
const house = useHouse({ trust: 'automatic', reports: false })
const to = 'desk@tansyhollow.example'
const zone = 'Europe/Dublin'
/** The next day that is worked on: its email tells of today, whatever day of the week this is. */
const next = (() => {
  const holidays = new Holidays('IE', { types: ['public'] })
  let day = addDays(dayInZone(new Date(), zone), 1)
  while (weekdayOf(day) > 5 || holidays.isHoliday(new Date(`${day}T12:00:00Z`))) day = addDays(day, 1)
  return day
})()
/** The next Monday. */
const monday = (() => {
  let day = addDays(dayInZone(new Date(), zone), 1)
  while (new Date(`${day}T12:00:00Z`).getUTCDay() !== 1 || day.endsWith('-12-28')) day = addDays(day, 1)
  return day
})()
let real = () => {}
const itIs = (day: string, time: string) => {
  real()
  real = clock.use(() => instantInZone(day, time, zone))
}
const mails = () => house.mails(to)

beforeEach(() =>
  run(`update company set morning = $1, morning_sent = null`, [JSON.stringify({ to, time: '08:00' })]),
)
afterEach(() => real())

describe('the email of the morning', () => {
  test('comes at its hour and not before, once, whoever asks, and says what went and what waits', async () => {
    await house.ship([await house.newOrder(), await house.newOrder()])
    await house.settle()
    itIs(next, '07:59')
    await sweep()
    await house.settle()
    expect(await mails()).toHaveLength(0)
    itIs(next, '08:00')
    await Promise.all([sendMorningEmail(), sendMorningEmail(), sweep()])
    await house.settle()
    const [mail, ...others] = await mails()
    expect(others).toEqual([])
    expect(mail!.subject).toContain('The morning at')
    expect(mail!.text).toContain('- 2 emails')
  })

  test('does not come on a Sunday, and on Monday tells of Friday too', async () => {
    const before = (await mails()).length
    itIs(addDays(monday, 6), '09:00')
    await sweep()
    await house.settle()
    expect(await mails()).toHaveLength(before)
    itIs(addDays(monday, 7), '09:00')
    await sendMorningEmail()
    expect((await mails())[0]!.text).toContain('Friday')
  })

  test('that the mail server does not take comes with a later sweep', async () => {
    const before = (await mails()).length
    itIs(monday, '08:30')
    house.rules.set({ who: to, does: 'bounce at once' })
    await sendMorningEmail()
    expect(await mails()).toHaveLength(before)
    expect(
      (await one<{ sent: string | null }>('select morning_sent::text sent from company'))!.sent,
    ).toBeNull()
    house.rules.remove(to)
    await sendMorningEmail()
    expect(await mails()).toHaveLength(before + 1)
  })

  test('is not written by a copied database, nor where nobody reads it', async () => {
    const before = (await mails()).length
    itIs(monday, '08:30')
    await run('update company set confirm_needed = true')
    await sendMorningEmail()
    await run('update company set confirm_needed = false')
    await changeHouse({ morning: null })
    await sendMorningEmail()
    await sweep()
    await house.settle()
    expect(await mails()).toHaveLength(before)
    expect((await houseSettings()).morning).toBeNull()
  })

  test('that is asked for in the afternoon begins the next day', async () => {
    const before = (await mails()).length
    itIs(monday, '15:00')
    await run('update company set morning = null, morning_sent = null')
    await changeHouse({ morning: { to, time: '08:00' } })
    await sendMorningEmail()
    expect(await mails()).toHaveLength(before)
    itIs(addDays(monday, 1), '08:00')
    await sendMorningEmail()
    expect(await mails()).toHaveLength(before + 1)
    await expect(changeHouse({ morning: { to: 'nobody', time: '08:00' } })).rejects.toThrow(
      'not an email address',
    )
  })
})
