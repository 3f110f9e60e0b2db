import { lifecycle } from '../lifecycle'

/** A prepared document, from the day it is due to its number. */
export type PreparedState = 'due' | 'prepared' | 'put back' | 'issued' | 'dropped'

/** What happens to a prepared document. It begins as "due" or "prepared" and is prepared again while it is open. */
export type PreparedEvent =
  | 'issue' /* it got its number */
  | 'put back' /* a person takes it off To check, to be prepared later */
  | 'drop' /* a person says that none is wanted */
  | 'take up' /* that was taken back */
  | 'undo' /* what it is of was undone */

export const preparedLifecycle = lifecycle<PreparedState, PreparedEvent>({
  due: { drop: 'dropped', undo: 'dropped' },
  prepared: { issue: 'issued', 'put back': 'put back', undo: 'dropped' },
  'put back': { drop: 'dropped', undo: 'dropped' },
  dropped: { 'take up': 'put back' },
  issued: {},
})

/** States that are not at their end: only one prepared document of a source, kind and occasion is in one of them. */
export const openPrepared: readonly PreparedState[] = ['due', 'prepared', 'put back']

/** A draft that a person writes. */
export type DraftState = 'open' | 'issued' | 'dropped'

/** What happens to a draft. */
export type DraftEvent = 'issue' | 'void' | 'drop' | 'restore'

export const draftLifecycle = lifecycle<DraftState, DraftEvent>({
  open: { issue: 'issued', drop: 'dropped' },
  issued: { void: 'dropped' },
  dropped: { restore: 'open' },
})
