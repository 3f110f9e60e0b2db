import { type Stage } from '../../../core/dispatch/states'
import type { Told } from '../../../core/said/told'

/** A stage's count and the facts its cloth shows. Times are instants; the page words them. */
export interface StageCount {
  stage: Stage
  count: number
  /** "4 not made", "2 put back" and the like. */
  facts: Told[]
  /** Oldest in the stage, or when the next goes, where that is the fact that matters. */
  at: Date | null
}
