import { dayInZone, dayWords } from '../../../core/documents/days'
import { clock } from '../../clock'
import { log } from '../../log'
import { type Gate } from './gate'
import { bytesLeft } from '../../outside/disk'
import { company } from './house'
import { gate, stateCounts, ping } from './queries'
import { tellStreams } from '../live/listen'

/*
 * How the house stands: paused, in rehearsal, or in trouble that every screen has to say: no worker, an old
 * queue, a mail server that is away or takes no more, a disk that is nearly full.
 * Asked by pages, and watched by each web process while somebody looks, since a worker that stopped cannot tell.
 */

export interface HouseState extends Gate {
  /** Plain sentences; empty when all is well. */
  troubles: string[]
}

/** Longest silence of a worker, and longest wait of something that is due, before it is said. */
const silentSeconds = 30

const oldSeconds = 300

export async function houseState(): Promise<HouseState> {
  const state = await gate()
  const now = clock.now()
  const seen = (await stateCounts(new Date(now.getTime() - oldSeconds * 1000)))!
  const troubles: string[] = []
  if (!seen.lastBeat || now.getTime() - seen.lastBeat.getTime() > silentSeconds * 1000) {
    troubles.push(
      'No worker is running: nothing is prepared, issued or sent. Start it again; nothing is lost meanwhile.',
    )
  } else if (seen.oldest && !state.paused)
    troubles.push(
      'Some work waits longer than five minutes. Is the worker overloaded or the mail server slow?',
    )
  if (seen.away > 0 && !state.paused)
    troubles.push(
      `The mail server is away: ${seen.away} ${seen.away === 1 ? 'email waits' : 'emails wait'} and ` +
        `${seen.away === 1 ? 'is' : 'are'} tried again by itself. (${seen.awayWords})`,
    )
  if (seen.paced > 0 && !state.paused)
    troubles.push(
      `The mail account “${seen.pacedBy}” takes no more for now: ${seen.paced} ` +
        `${seen.paced === 1 ? 'email waits' : 'emails wait'} more than an hour for their turn.`,
    )
  if (seen.carrierDown && seen.carrierDown.waiting > 0 && !state.paused) {
    const { name, waiting } = seen.carrierDown
    troubles.push(
      `The carrier ${name} does not answer: ${waiting} ${waiting === 1 ? 'label waits' : 'labels wait'} and ` +
        `${waiting === 1 ? 'is' : 'are'} asked for again by itself.`,
    )
  }
  if (seen.certificateUntil) {
    const { timeZone } = await company()
    const words = certificateWords(seen.certificateOf!, seen.certificateUntil, now, timeZone)
    if (words) troubles.push(words)
  }
  const left = await bytesLeft()
  if (left !== undefined && left < lowBytes) troubles.push(diskWords(left))
  return { ...state, troubles }
}

/** With less than this left, a day or two of documents would fill the disk. */
const lowBytes = 300_000_000

export const diskWords = (left: number): string =>
  `Only ${Math.floor(left / 1_000_000)} MB are left on the disk of this machine. Make room before it is full: ` +
  'then nothing could be issued or sent.'

/** Whoever runs a mail server needs some days to renew its certificate. */
const certificateDays = 14

/** What is said of a certificate that ends soon, or has ended; null while there is time. */
export function certificateWords(account: string, until: Date, now: Date, zone: string): string | null {
  if (until.getTime() - now.getTime() > certificateDays * 86_400_000) return null
  const day = dayWords(dayInZone(until, zone))
  const of = `The certificate of the mail server of “${account}”`
  return until > now
    ? `${of} ends on ${day}; from then on no email could go. Ask whoever runs the server to renew it.`
    : `${of} ended on ${day}. Ask whoever runs the server to renew it.`
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
