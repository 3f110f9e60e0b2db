import type { Day } from '../documents/days'

/** So many wrong codes end a link. */
export const mostWrongCodes = 10

/** Why a link gives nothing: its last day is past, somebody ended it, it was used up, or its document was voided. */
export type LinkState = 'good' | 'over' | 'ended' | 'used up' | 'withdrawn'

export interface LinkFacts {
  /** The last day on which it is good. */
  until: Day
  ended: boolean
  /** The document was voided, or the whole sale of what it gives taken back. */
  voided: boolean
  opened: number
  /** So often it can be had; null: any number of times. */
  mostOpened: number | null
}

/** @param today in the house's zone */
export function linkState({ until, ended, voided, opened, mostOpened }: LinkFacts, today: Day): LinkState {
  if (voided) return 'withdrawn'
  if (ended) return 'ended'
  if (mostOpened !== null && opened >= mostOpened) return 'used up'
  return today <= until ? 'good' : 'over'
}

/** Whether a code is the one that is asked for: how it is spaced and written large or small does not matter. */
export function isCode(given: string, asked: string): boolean {
  const bare = (text: string) => text.replace(/[\s-]/g, '').toLowerCase()
  return bare(given) === bare(asked) && bare(asked) !== ''
}
