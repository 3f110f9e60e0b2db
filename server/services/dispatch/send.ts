import { randomUUID } from 'node:crypto'
import { groupBy } from '../../../core/group'
import { outcomeOf, refusedFor, type Outcome } from '../../../core/dispatch/outcome'
import { told, type Told } from '../../../core/said/told'
import type { Reply } from '../../../core/dispatch/reply'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction } from '../../db/connection'
import { log } from '../../log'
import { addJob, addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { workerChannelModules } from './channels'
import type { Attempt, ClaimedDispatch, WorkerChannel } from './channels/channel'
import { takeOut } from './create'
import { moveDispatches } from './move'
import { paced } from './pace'
import { claimable, holdForOrder, lockDue, voidedAmong, type DueDispatch } from './send-queries'
import { splitDispatch } from './split'
import { theHouse } from '../people/principal'

/*
 * What a worker hands over: claim → "handing over" written down → content → result, by whichever way.
 * Called by send-dispatches. A lost claim ends it without a trace.
 * Dies before handing over: the claim lapses and it is tried again. Dies after: it is unclear, and a person decides.
 * Refuses: what is paused, held, not due, or of an order that is held or withdrawn.
 */

/** So long a worker keeps what it has claimed and not begun to send. */
const holdMilliseconds = 5000

/**
 * Sends those of the dispatches that are due: claimed together, then one after another on one connection. Where
 * the other side takes its time, the rest is let go again, so that it can still be held or taken back.
 */
export async function sendDispatches(ids: readonly number[], workerId: string): Promise<void> {
  const token = randomUUID()
  const { claimed, rehearsal } = await claim(ids, token, workerId)
  const began = performance.now()
  for (const [name, own] of groupBy(claimed, (one) => one.channel)) {
    const channel = workerChannelModules[name]!
    const loaded = await channel.load(own.map(({ id }) => id))
    let place = 0
    while (place < loaded.length && (place === 0 || performance.now() - began < holdMilliseconds)) {
      const one = loaded[place++]!
      if (rehearsal) await divert(channel, one, token, rehearsal)
      else await sendOne(channel, one, token)
    }
    await letGo(
      loaded.slice(place).map(({ id }) => id),
      token,
    )
  }
}

/** Takes a claim back that nothing was done with. */
async function letGo(ids: readonly number[], token: string): Promise<void> {
  await inTransaction(async () => {
    const back = await moveDispatches(
      'lapse',
      ids.map((id) => ({ id, token, set: { tries: -1 } })),
    )
    await addJobs(
      'send-dispatches',
      back.map(({ id }) => id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
  })
}

async function sendOne(channel: WorkerChannel, one: ClaimedDispatch, token: string): Promise<void> {
  let attempt: Attempt
  try {
    attempt = await channel.handOver(one, () => markHandingOver(one.id, token))
  } catch (error) {
    if (!(error instanceof LostClaim)) throw error
    log.warn({ dispatch: one.id, error: String(error) }, 'a claim was lost before handing over')
    return
  }
  if ('split' in attempt) await splitDispatch(one.id, token, attempt.split)
  else await keepResult(one, token, attempt)
}

/**
 * A rehearsal: the document goes, as it is, to the rehearsal address; it stays unsent, and is held so that it
 * never goes by surprise.
 */
async function divert(
  channel: WorkerChannel,
  one: ClaimedDispatch,
  token: string,
  address: string,
): Promise<void> {
  const there = await channel.rehearse(one, address)
  const nextTryAt = new Date(clock.now().getTime() + (there ? 0 : 20_000))
  await inTransaction(async () => {
    await moveDispatches('lapse', [{ id: one.id, token, set: { tries: -1, held: there, nextTryAt } }], {
      who: theHouse,
      what: () => (there ? told('sent/rehearsed', { address }) : null),
    })
  })
}

/** Wins those of the dispatches for this worker that are due, that no other has, and of which something may leave. */
async function claim(
  ids: readonly number[],
  token: string,
  workerId: string,
): Promise<{ claimed: Pick<DueDispatch, 'id' | 'channel'>[]; rehearsal: string | null }> {
  return inTransaction(async () => {
    const now = clock.now()
    const due = await lockDue(ids, now)
    const leaving = await paced(await mayLeave(due))
    const claimed = await moveDispatches(
      'claim',
      leaving.map((id) => ({
        id,
        set: {
          tries: 1,
          claimToken: token,
          claimedBy: workerId,
          leaseUntil: new Date(now.getTime() + config.leaseSeconds * 1000),
        },
      })),
    )
    const won = new Set(claimed.map(({ id }) => id))
    return { claimed: due.filter(({ id }) => won.has(id)), rehearsal: due[0]?.rehearsal ?? null }
  })
}

/**
 * The last look, with the dispatches locked: a document that was voided meanwhile is taken out, and nothing goes
 * whose order is held or withdrawn unless somebody has read that and let it go.
 * @returns those of which something is left that may go
 */
async function mayLeave(due: readonly DueDispatch[]): Promise<number[]> {
  if (due.length === 0) return []
  const ids = due.map(({ id }) => id)
  const voided = await voidedAmong(ids)
  for (const { dispatchId, documentId } of voided) await takeOut(dispatchId, documentId, theHouse)
  const left = await claimable(ids)
  const stopped = left.filter((one) => one.stopped !== null && !one.despite)
  if (stopped.length > 0) {
    await holdForOrder(stopped.map(({ id }) => id))
    await noteAll(
      stopped.map((one) => ({
        dispatchId: one.id,
        actor: 'Clothespin',
        ...told('sent/stopped', { status: one.stopped! }),
      })),
    )
    publish('line')
  }
  return left.filter((one) => one.stopped === null || one.despite).map(({ id }) => id)
}

class LostClaim extends Error {}

/** Committed before the first byte of content can leave. @throws LostClaim when the claim is no longer ours */
async function markHandingOver(id: number, token: string): Promise<void> {
  const leaseUntil = new Date(
    clock.now().getTime() + (config.leaseSeconds + config.finalAnswerSeconds) * 1000,
  )
  const still = await moveDispatches('hand over', [{ id, token, set: { leaseUntil } }]).catch(
    (error: unknown) => {
      throw new LostClaim('it could not be written down', { cause: error })
    },
  )
  if (still.length === 0) throw new LostClaim('another worker has the claim')
}

/** Writes what became of a try, and what was said and sent; nothing where the claim is not ours any more. */
async function keepResult(
  one: ClaimedDispatch,
  token: string,
  attempt: Exclude<Attempt, { split: unknown }>,
): Promise<void> {
  const tried = 'result' in attempt
  const outcome = tried
    ? outcomeOf(attempt.result, one.attempts)
    : refusedFor(attempt.stuck, attempt.why && ourReply(attempt.why))
  await inTransaction(async () => {
    const nextTryAt = new Date(clock.now().getTime() + outcome.pause * 1000)
    const moved = await moveDispatches(
      outcome.event,
      [
        {
          id: one.id,
          token,
          set: {
            ...(outcome.cause && { cause: outcome.cause }),
            reply: outcome.reply?.text ?? null,
            nextTryAt,
            away: outcome.away,
            ...(outcome.away && { tries: -1 }),
            ...(tried && outcome.event === 'accept' && { sendTo: attempt.sentTo }),
          },
        },
      ],
      {
        who: theHouse,
        what: () => toldResult(outcome, tried ? attempt.sentToAll : '', tried ? null : attempt.why),
        detail: outcome.reply,
      },
    )
    if (moved.length === 0) {
      log.warn({ dispatch: one.id, event: outcome.event }, 'a result came too late and was left out')
      return
    }
    if (tried) await attempt.keep()
    if (outcome.event === 'defer')
      await addJob('send-dispatches', { dispatchIds: [one.id] }, { runAt: nextTryAt })
  })
}

/** What stands where else a mail server answered. */
const ourReply = ({ words }: Told): Reply => ({ code: 0, enhanced: null, text: words })

/** @param why it was not even tried */
function toldResult({ event, cause, reply, pause, away }: Outcome, people: string, why: Told | null): Told {
  const said = reply?.text ?? ''
  const and = (what: Told) => (said ? told('try/said', { what, reply: said }) : what)
  switch (event) {
    case 'accept':
      return and(told('try/accepted', { people }))
    case 'defer':
      return away
        ? told('try/away', { seconds: pause, reply: said })
        : and(told('try/put-off', { seconds: pause }))
    case 'lose':
      return told('try/unclear', { remedy: told('remedy/unclear'), reply: said })
    default: {
      const what = cause ? told(`remedy/${cause}`) : told('try/refused')
      return why ? told('try/why', { what, why }) : and(what)
    }
  }
}
