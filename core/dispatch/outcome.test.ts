import { describe, expect, test } from 'vitest'
import { outcomeOf, refusedFor } from './outcome'
import { parseReply } from './reply'
import { retryPauses } from './states'

const ok = parseReply('250 2.0.0 queued')
const later = parseReply('450 4.2.1 try later')
const never = parseReply('550 5.1.1 no such user')
const refused = (reply: typeof ok) => [{ address: 'ann@house.example', reply }]

describe('what becomes of a try', () => {
  test('accepted for everybody: it is on its way', () => {
    expect(outcomeOf({ result: 'accepted', reply: ok, refused: [] }, 1)).toMatchObject({
      event: 'accept',
      cause: null,
    })
  })

  test('accepted, but one is refused for good: it is stuck with that one’s words', () => {
    expect(outcomeOf({ result: 'accepted', reply: ok, refused: refused(never) }, 1)).toMatchObject({
      event: 'refuse',
      cause: 'refused',
      reply: never,
    })
  })

  test('accepted, but one is put off: it is tried again, also after the last pause, since others have it', () => {
    const last = retryPauses.length + 1
    expect(outcomeOf({ result: 'accepted', reply: ok, refused: refused(later) }, last)).toMatchObject({
      event: 'defer',
      pause: 60,
      away: false,
    })
  })

  test('put off: a growing pause, then given up', () => {
    const pauses = retryPauses.map(
      (_, tries) => outcomeOf({ result: 'refused', reply: later, refused: [] }, tries + 1).pause,
    )
    expect(pauses).toEqual(retryPauses)
    expect(outcomeOf({ result: 'refused', reply: later, refused: [] }, retryPauses.length + 1)).toMatchObject(
      { event: 'refuse', cause: 'given up' },
    )
  })

  test('refused for good: stuck at once, a full mailbox told apart', () => {
    expect(outcomeOf({ result: 'refused', reply: never, refused: [] }, 1).cause).toBe('refused')
    const full = parseReply('552 5.2.2 mailbox full')
    expect(outcomeOf({ result: 'refused', reply: full, refused: [] }, 1).cause).toBe('mailbox full')
  })

  test('the server away: tried again soon, however often, and it does not count', () => {
    const away = [1, 2, 3, 50].map((tries) => outcomeOf({ result: 'away', reply: ok }, tries))
    expect(away.map((one) => one.pause)).toEqual([6, 12, 20, 20])
    expect(away.every((one) => one.event === 'defer' && one.away)).toBe(true)
  })

  test('the line broke after the content: unclear, never tried again by itself', () => {
    expect(outcomeOf({ result: 'unclear', reply: ok }, 1)).toMatchObject({ event: 'lose', cause: 'unclear' })
  })

  test('not tried at all, for a reason of ours', () => {
    expect(refusedFor('no address')).toMatchObject({ event: 'refuse', cause: 'no address', reply: null })
  })
})
