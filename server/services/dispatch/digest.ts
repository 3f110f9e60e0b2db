import { dayInZone, instantInZone } from '../../../core/documents/days'
import { digestEmail, mostTold, type WentOut } from '../../../core/dispatch/digest'
import { kindFacts } from '../../../core/documents/kinds'
import { moneyText } from '../../../core/money/decimal'
import { clock } from '../../clock'
import { company } from '../house/house'
import { onceADay, type DailyMail } from '../house/once-a-day'
import { digestRule, keepToldUntil, wentBetween, type WentRow } from './digest-queries'

/*
 * One email a day that tells colleagues what went, in place of a copy of each. Called by the job daily-digest, which
 * the sweeper adds when it is time. Days on which nothing went have none.
 */

export const sendDigest = (): Promise<void> => onceADay('digest', digestDue)

async function digestDue(): Promise<DailyMail | undefined> {
  const now = clock.now()
  const { digest, digestUntil } = (await digestRule())!
  if (!digest) return undefined
  const { name, timeZone, publicAddress } = await company()
  const due = instantInZone(dayInZone(now, timeZone), digest.time, timeZone)
  if (now < due || (digestUntil && digestUntil >= due)) return undefined
  const wentOut = () => keepToldUntil(now)
  const found = await wentBetween({
    after: digestUntil ?? due,
    until: now,
    kinds: digest.kinds,
    most: mostTold,
  })
  if (found.length === 0) {
    await wentOut()
    return undefined
  }
  const today = dayInZone(now, timeZone)
  const { subject, text } = digestEmail(
    name,
    found.map((one) => toldOf(one, { today, timeZone, address: publicAddress })),
    found[0]!.whole,
  )
  return { subject, text, to: digest.to, wentOut }
}

function toldOf(
  { at, kind, total, currency, ...one }: WentRow,
  { today, timeZone, address }: { today: string; timeZone: string; address: string },
): WentOut {
  const words = (how: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat('en-IE', { ...how, timeZone, hourCycle: 'h23' }).format(at)
  const time = words({ hour: '2-digit', minute: '2-digit' })
  return {
    ...one,
    heading: kindFacts[kind].short,
    sum: kindFacts[kind].content === 'shipment' ? '' : `${moneyText(total, currency)} ${currency}`,
    at: dayInZone(at, timeZone) === today ? time : `${words({ day: 'numeric', month: 'short' })} ${time}`,
    href: address ? `${address}/register?in=${one.id}&search=${encodeURIComponent(one.number)}` : '',
  }
}
