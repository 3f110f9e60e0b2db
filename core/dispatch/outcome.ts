import { causeOf, isTemporary, type Reply } from './reply'
import { pauseAfter, type DispatchEvent, type StuckCause } from './states'

/** How handing over ended, per recipient where the other side told them apart. */
export type HandOver =
  | { result: 'accepted'; reply: Reply; refused: { address: string; reply: Reply }[] }
  /** The other side said no; nothing left. */
  | { result: 'refused'; reply: Reply; refused: { address: string; reply: Reply }[] }
  /** It could not be reached, or the line broke before the content was complete; nothing left. */
  | { result: 'away'; reply: Reply }
  /** The line broke after the content was complete: nobody knows. */
  | { result: 'unclear'; reply: Reply }

/** What becomes of a dispatch after a try. */
export interface Outcome {
  event: Extract<DispatchEvent, 'accept' | 'defer' | 'refuse' | 'lose'>
  /** Why it is stuck; null where it is not. */
  cause: StuckCause | null
  reply: Reply | null
  /** Seconds until the next try, where it is put off. */
  pause: number
  /** The other side was not there: the try does not count. */
  away: boolean
}

const ends = (event: 'refuse' | 'lose', cause: StuckCause, reply: Reply | null): Outcome => ({
  event,
  cause,
  reply,
  pause: 0,
  away: false,
})

/** Stuck before anything was tried, for a reason of ours. */
export const refusedFor = (cause: StuckCause, reply: Reply | null = null): Outcome =>
  ends('refuse', cause, reply)

/**
 * What becomes of a dispatch after a hand-over. One recipient who is refused for good makes it stuck, also where
 * others have it: they are not written to again.
 * @param attempts with this one
 */
export function outcomeOf(result: HandOver, attempts: number): Outcome {
  const { reply } = result
  switch (result.result) {
    case 'away':
      return {
        event: 'defer',
        cause: null,
        reply,
        pause: Math.min(20, 3 * 2 ** Math.min(3, attempts)),
        away: true,
      }
    case 'unclear':
      return ends('lose', 'unclear', reply)
    case 'refused':
      if (!isTemporary(reply)) return ends('refuse', causeOf(reply, false), reply)
      return putOff(reply, pauseAfter(attempts)) ?? ends('refuse', 'given up', reply)
    case 'accepted': {
      const lost = result.refused.map((one) => one.reply)
      const forGood = lost.find((one) => !isTemporary(one))
      if (forGood) return ends('refuse', causeOf(forGood, false), forGood)
      if (lost[0]) return putOff(lost[0], pauseAfter(attempts) ?? 60)!
      return { event: 'accept', cause: null, reply, pause: 0, away: false }
    }
  }
}

const putOff = (reply: Reply, pause: number | undefined): Outcome | undefined =>
  pause === undefined ? undefined : { event: 'defer', cause: null, reply, pause, away: false }
