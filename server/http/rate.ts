import type { Sequelize } from 'sequelize'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { Refusal } from '../../core/errors'
import { config } from '../config'
import { database } from '../db/connection'

/*
 * Limits on calls, kept in PostgreSQL: they hold for all web processes together and survive a restart.
 */

const made = new Map<string, RateLimiterPostgres>()
let madeFor: Sequelize | undefined

/** A limit of so many points in so many seconds, by its name. */
function limiter(name: string, points: number, duration: number): RateLimiterPostgres {
  const current = database()
  if (madeFor !== current) made.clear()
  madeFor = current
  const key = `${name} ${points}`
  let found = made.get(key)
  if (!found) {
    found = new RateLimiterPostgres({
      storeClient: current,
      storeType: 'sequelize',
      tableName: 'rate_limit',
      tableCreated: true,
      clearExpiredByTimeout: true,
      keyPrefix: name,
      points,
      duration,
      // once over the limit nothing is asked of the database until it ends
      inMemoryBlockOnConsumed: points + 1,
    })
    made.set(key, found)
  }
  return found
}

const secondsLeft = (left: unknown) =>
  Math.ceil((left instanceof RateLimiterRes ? left.msBeforeNext : 60_000) / 1000)

/** Calls a minute: many for a person at a screen, fewer for a program, fewest for nobody in particular. */
const calls = { staff: 3000, token: 600, nobody: 240 }

/** Counts a call. @returns the seconds to wait where it is one too many */
export async function countCall(of: keyof typeof calls, who: string): Promise<number> {
  try {
    await limiter(of, calls[of] * config.rateFactor, 60).consume(who)
    return 0
  } catch (left) {
    if (left instanceof Error) throw left
    return secondsLeft(left)
  }
}

const window = 300

/** Wrong passwords in five minutes: for one address from one place, and from one place for all addresses. */
const wrongTries = { account: 8, place: 40 }

/** @throws Refusal "too-many-tries" where this place has guessed too often */
export async function refuseGuesser(account: string, place: string): Promise<void> {
  for (const [name, key] of [
    ['account', `${account} ${place}`],
    ['place', place],
  ] as const) {
    const tries = await limiter(`wrong-${name}`, wrongTries[name], window).get(key)
    if (tries !== null && tries.consumedPoints >= wrongTries[name])
      throw new Refusal('too-many-tries', {
        values: { minutes: Math.ceil(tries.msBeforeNext / 60_000) },
        status: 429,
      })
  }
}

/** Counts a wrong password. */
export async function countWrongTry(account: string, place: string): Promise<void> {
  await limiter('wrong-account', wrongTries.account, window)
    .consume(`${account} ${place}`)
    .catch(() => {})
  await limiter('wrong-place', wrongTries.place, window)
    .consume(place)
    .catch(() => {})
}

/** A right password clears what was counted for that account there. */
export async function forgetWrongTries(account: string, place: string): Promise<void> {
  await limiter('wrong-account', wrongTries.account, window).delete(`${account} ${place}`)
}
