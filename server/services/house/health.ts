import { dayInZone, dayWords } from '../../../core/documents/days'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { log } from '../../log'
import { type Gate } from './gate'
import { bytesLeft } from '../../outside/disk'
import { company } from './house'
import { gate, stateCounts, ping, type StateCounts } from './queries'
import { tellStreams } from '../live/listen'

/*
 * How the house stands: paused, in rehearsal, or in trouble that every screen has to say: no worker, an old
 * queue, a mail server that is away or takes no more, a disk that is nearly full.
 * Asked by pages, and watched by each web process while somebody looks, since a worker that stopped cannot tell.
 */

export interface HouseState extends Gate {
  /** Empty when all is well. */
  troubles: Told[]
}

/** Longest silence of a worker, and longest wait of something that is due, before it is said. */
const silentSeconds = 30

const oldSeconds = 300

export async function houseState(): Promise<HouseState> {
  const state = await gate()
  const now = clock.now()
  const seen = (await stateCounts(new Date(now.getTime() - oldSeconds * 1000)))!
  const troubles: Told[] = []
  if (!seen.lastBeat || now.getTime() - seen.lastBeat.getTime() > silentSeconds * 1000) {
    troubles.push(told('state/no-worker'))
  } else if (seen.oldest && !state.paused) troubles.push(told('state/slow'))
  if (!state.paused) troubles.push(...outsideTroubles(seen))
  if (seen.certificateUntil) {
    const { timeZone } = await company()
    const ending = certificateTold(seen.certificateOf!, seen.certificateUntil, now, timeZone)
    if (ending) troubles.push(ending)
  }
  const left = await bytesLeft()
  if (left !== undefined && left < lowBytes) troubles.push(diskTold(left))
  return { ...state, troubles }
}

/** What others keep waiting: mail servers and carriers. */
function outsideTroubles({ away, awayWords, paced, pacedBy, carrierDown }: StateCounts): Told[] {
  const found: Told[] = []
  const reply = awayWords ?? ''
  if (away === 1) found.push(told('state/mail-away-one', { reply }))
  else if (away > 1) found.push(told('state/mail-away', { emails: away, reply }))
  const account = pacedBy ?? ''
  if (paced === 1) found.push(told('state/paced-one', { account }))
  else if (paced > 1) found.push(told('state/paced', { account, emails: paced }))
  if (carrierDown) {
    const { name: carrier, waiting: labels } = carrierDown
    if (labels === 1) found.push(told('state/carrier-down-one', { carrier }))
    else if (labels > 1) found.push(told('state/carrier-down', { carrier, labels }))
  }
  return found
}

/** With less than this left, a day or two of documents would fill the disk. */
const lowBytes = 300_000_000

export const diskTold = (left: number): Told =>
  told('state/disk', { megabytes: Math.floor(left / 1_000_000) })

/** Whoever runs a mail server needs some days to renew its certificate. */
const certificateDays = 14

/** What is said of a certificate that ends soon, or has ended; null while there is time. */
export function certificateTold(account: string, until: Date, now: Date, zone: string): Told | null {
  if (until.getTime() - now.getTime() > certificateDays * 86_400_000) return null
  const day = dayWords(dayInZone(until, zone))
  return told(until > now ? 'state/certificate-ends' : 'state/certificate-ended', { account, day })
}

let last = ''

/** Looks every few seconds and tells the pages of this process when something changed. @returns how to stop */
export function watchHealth(seconds = 5): () => void {
  const timer = setInterval(() => {
    houseState()
      .then((state) => {
        const now = JSON.stringify(state)
        if (last && now !== last) tellStreams([{ topic: 'worker', ids: [] }])
        last = now
      })
      .catch((error: unknown) => log.warn({ error: String(error) }, "the house's state could not be read"))
  }, seconds * 1000)
  timer.unref()
  return () => clearInterval(timer)
}

/** @throws when the database does not answer */
export async function databaseAnswers(): Promise<void> {
  await ping()
}
