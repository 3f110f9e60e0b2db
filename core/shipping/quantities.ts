import { Refusal } from '../errors'
import { Decimal, sum, type DecimalText } from '../money/decimal'

/** A line of an order as shipping sees it. */
export interface OrderedLine {
  position: number
  /** What is ordered now. */
  quantity: DecimalText
  /** What was ordered besides and is not any more. */
  cancelled: DecimalText
}

/** So much of a line of an order. */
export interface LinePart {
  position: number
  quantity: DecimalText
}

/** How a line of an order stands: ordered = shipped + cancelled + left, unless more was shipped than is ordered now. */
export interface LineStanding {
  position: number
  ordered: DecimalText
  shipped: DecimalText
  cancelled: DecimalText
  left: DecimalText
}

/** What all parts together are of each position. */
export function sumByPosition(parts: readonly LinePart[]): Map<number, DecimalText> {
  const sums = new Map<number, DecimalText>()
  for (const { position, quantity } of parts)
    sums.set(position, sum([sums.get(position) ?? '0', quantity]).toString())
  return sums
}

/**
 * How the lines of an order stand. What goes back (a line below nothing) is never shipped.
 * @param shipped what shipments that stand hold of it
 */
export function standingOf(lines: readonly OrderedLine[], shipped: readonly LinePart[]): LineStanding[] {
  const sums = sumByPosition(shipped)
  return lines.map(({ position, quantity, cancelled }) => {
    const gone = sums.get(position) ?? '0'
    const left = Decimal.max(0, new Decimal(quantity).minus(gone))
    return {
      position,
      ordered: new Decimal(quantity).plus(cancelled).toString(),
      shipped: new Decimal(gone).toString(),
      cancelled: new Decimal(cancelled).toString(),
      left: left.toString(),
    }
  })
}

/** Whether nothing is left to ship. */
export const isShipped = (standing: readonly LineStanding[]): boolean =>
  standing.every(({ left }) => new Decimal(left).isZero())

/** Everything that is left. */
export const allLeft = (standing: readonly LineStanding[]): LinePart[] =>
  standing
    .filter(({ left }) => !new Decimal(left).isZero())
    .map(({ position, left }) => ({ position, quantity: left }))

/**
 * What a person wants to ship, without the lines of which nothing goes.
 * @param nameOf what a person calls the line of a position
 * @throws Refusal "over-left" where it is more than is left, "nothing-to-ship"
 */
export function checkShipped(
  standing: readonly LineStanding[],
  wanted: readonly LinePart[],
  nameOf: (position: number) => string,
): LinePart[] {
  const going = [...sumByPosition(wanted)]
    .map(([position, quantity]) => ({ position, quantity }))
    .filter(({ quantity }) => new Decimal(quantity).gt(0))
  for (const { position, quantity } of going) {
    const left = standing.find((line) => line.position === position)?.left ?? '0'
    if (new Decimal(quantity).gt(left))
      throw new Refusal('over-left', {
        values: { item: nameOf(position), left, quantity },
        about: { field: `lines.${position}` },
      })
  }
  if (going.length === 0) throw new Refusal('nothing-to-ship', { about: { field: 'lines' } })
  return going
}
