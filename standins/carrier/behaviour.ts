/** The kinds of trouble that can be played. */
export const troubles = [
  'none',
  'is slow',
  'is down',
  'takes no address',
  'takes no weight',
  'sells and breaks the line',
  'lets nobody sign in',
] as const
export type Trouble = (typeof troubles)[number]

/** What the carrier does now instead of what it should, and how often still; 0 until it is told otherwise. */
export class Behaviour {
  does: Trouble = 'none'
  milliseconds = 0
  private left = 0

  play(does: Trouble, { times = 0, milliseconds = 3000 } = {}): void {
    this.does = does
    this.left = times
    this.milliseconds = milliseconds
  }

  /** The trouble of this call; counts it. */
  next(): Trouble {
    const does = this.does
    if (this.left > 0 && --this.left === 0) this.does = 'none'
    return does
  }
}
