import type { HandOver } from '../../../../core/dispatch/outcome'
import type { StuckCause } from '../../../../core/dispatch/states'
import type { EmailPart } from '../../../../core/enclosures/parts'
import type { Told } from '../../../../core/said/told'

/** A dispatch that a worker has claimed. */
export interface ClaimedDispatch {
  id: number
  /** Tries with this one. */
  attempts: number
}

/** What came of handing over: what the other side said, or why nothing was tried. */
export type Attempt =
  | {
      result: HandOver
      /** For lists: to whom it went. */
      sentTo: string
      /** For the history: to whom it went, in full. */
      sentToAll: string
      /** Writes what was said and sent, in the transaction of the result, where the claim still held. */
      keep: () => Promise<void>
    }
  | { stuck: StuckCause; why: Told | null }
  /** It is too large for one: what goes in each of several. Nothing was tried. */
  | { split: EmailPart['files'][] }

/**
 * A way by which a worker hands documents over. Claiming, results, pauses, what is stuck and the history are
 * the same for all ways; a way knows what it sends, and how.
 */
export interface WorkerChannel<Loaded extends ClaimedDispatch = ClaimedDispatch> {
  /** Everything that is needed of claimed dispatches, in a fixed number of queries, by id. */
  load(ids: readonly number[]): Promise<Loaded[]>
  /**
   * Hands over. `beforeContent` is awaited when nothing but the content is left to send; it throws when the
   * claim was lost, and then nothing may leave.
   */
  handOver(loaded: Loaded, beforeContent: () => Promise<void>): Promise<Attempt>
  /** Sends it to one address of the house instead, without a trace at the customer. @returns whether it got there */
  rehearse(loaded: Loaded, address: string): Promise<boolean>
}
