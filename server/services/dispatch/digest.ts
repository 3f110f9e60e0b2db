import { dayInZone, instantInZone } from '../../../core/documents/days'
import { digestEmail, mostTold, type WentOut } from '../../../core/dispatch/digest'
import { kindFacts } from '../../../core/documents/kinds'
import { moneyText } from '../../../core/money/decimal'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { company } from '../house/house'
import { sendHouseMail } from '../house/house-mail'
import { gate } from '../house/queries'
import { claimDigest, digestRule, giveDigestBack, wentBetween, type WentRow } from './digest-queries'

/*
 * One email a day that tells colleagues what went, in place of a copy of each. Called by the job daily-digest, which
 * the sweeper adds when it is time. The span is claimed before it is written, so that nothing is told twice; where the
 * mail server does not take the email, the claim is given back and the next sweep tries again. Days on which nothing
 * went have none.
 */

export async function sendDigest(): Promise<void> {
  const now = clock.now()
  const { digest, digestUntil } = (await digestRule())!
  const { name, timeZone, publicAddress } = await company()
  const { rehearsalSince, rehearsalAddress, confirmNeeded } = await gate()
  // a copied or restored database says nothing to anybody
  if (!digest || confirmNeeded) return
  const due = instantInZone(dayInZone(now, timeZone), digest.time, timeZone)
  if (now < due || (digestUntil && digestUntil >= due)) return
  if (!(await inTransaction(() => claimDigest(digestUntil, now)))) return
  const found = await wentBetween({
    after: digestUntil ?? due,
    until: now,
    kinds: digest.kinds,
    most: mostTold,
  })
  if (found.length === 0) return
  const today = dayInZone(now, timeZone)
  const { subject, text } = digestEmail(
    name,
    found.map((one) => toldOf(one, { today, timeZone, address: publicAddress })),
    found[0]!.whole,
  )
  const results = await Promise.all(
    (rehearsalSince ? [rehearsalAddress] : digest.to).map((to) =>
      sendHouseMail({ to, subject: rehearsalSince ? `[Rehearsal] ${subject}` : subject, text }).catch(
        () => undefined,
      ),
    ),
  )
  // nobody has it: it is tried again; where somebody has, nobody gets it twice
  if (results.every((one) => one?.result !== 'accepted'))
    await inTransaction(() => giveDigestBack(digestUntil, now))
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
