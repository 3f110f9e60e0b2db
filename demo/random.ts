/** Random numbers that are the same at every loading (mulberry32), so that the demo is always the same house. */
export class Dice {
  constructor(private state: number) {}

  /** 0 ≤ x < 1 */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  between(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1))
  }

  of<T>(values: readonly T[]): T {
    return values[Math.floor(this.next() * values.length)]!
  }

  chance(probability: number): boolean {
    return this.next() < probability
  }
}
