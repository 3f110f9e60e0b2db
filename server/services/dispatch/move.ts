import {
  dispatchLifecycle,
  stageOfState,
  type DispatchEvent,
  type DispatchState,
  type StuckCause,
} from '../../../core/dispatch/states'
import type { ChannelName } from '../../../core/dispatch/channels'
import type { Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import { lockDispatches, moveDispatchRows, type MovedDispatch } from './move-queries'
import type { Principal } from '../people/principal'

/*
 * The only writer of a dispatch's state, for one or many at once: under their locks, by the table of steps in
 * the core, with the entry in the history.
 * Called by workers, by people, by what mail servers report and by the sweeper, inside their transaction.
 * Refuses nothing: what may not happen to a dispatch in its state is left out, and who called sees what was moved.
 */

/** What is written beside the state; what is not said stays. */
export interface DispatchChange {
  cause?: StuckCause
  reply?: string | null
  nextTryAt?: Date
  /** How one knows that it arrived. */
  how?: string | null
  channel?: ChannelName
  sendTo?: string
  toAddresses?: string[]
  held?: boolean
  away?: boolean
  /** Tries that are counted on, or off again. */
  tries?: number
  attempts?: number
  claimToken?: string
  claimedBy?: string
  leaseUntil?: Date
}

export interface DispatchMove {
  id: number
  /** Moved only where the claim is still this one. */
  token?: string
  set?: DispatchChange
}

/** What the history says of a move; null for no entry. */
export interface MoveEntry {
  who: Principal
  /** Where it is about one document of the dispatch. */
  documentId?: number
  what: (moved: MovedDispatch) => Told | null
  detail?: unknown
}

const isClaimed = (state: DispatchState) => state === 'claimed' || state === 'handing over'

/** The steps of an event, with what each does to every dispatch. */
const stepsOf = (event: DispatchEvent) =>
  dispatchLifecycle.steps(event).map(({ before, after }) => ({
    before,
    after,
    turns: stageOfState[before] !== stageOfState[after] || event === 'send again',
    claimed: isClaimed(after),
    accepted: event === 'accept',
  }))

/**
 * Lets something happen to dispatches.
 * @returns those that were moved, as they are now
 */
export async function moveDispatches(
  event: DispatchEvent,
  moves: readonly DispatchMove[],
  entry?: MoveEntry,
): Promise<MovedDispatch[]> {
  if (moves.length === 0) return []
  return inTransaction(async () => {
    if (moves.length > 1) await lockDispatches(moves.map(({ id }) => id))
    const moved = await moveDispatchRows({
      moves: moves.map(({ id, token, set = {} }) => ({ id, token, set })),
      steps: stepsOf(event),
      now: clock.now(),
    })
    if (entry) await noteMoves(moved, entry)
    if (moved.some((one) => stageOfState[one.before] !== stageOfState[one.state]) || entry) publish('line')
    return moved
  })
}

const noteMoves = (moved: readonly MovedDispatch[], { who, documentId, what, detail }: MoveEntry) =>
  noteAll(
    moved.flatMap((one) => {
      const told = what(one)
      return told === null ? [] : { documentId, dispatchId: one.id, actor: who.name, ...told, detail }
    }),
  )
