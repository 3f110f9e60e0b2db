import { Refusal } from '../errors'
import { lifecycle } from '../lifecycle'
import { Decimal, type DecimalText } from '../money/decimal'
import { sumByPosition, type LinePart, type LineStanding } from './quantities'

/** Goods that come back: agreed on and expected, taken in, or given up before anything came. */
export const returnStates = ['expected', 'back', 'withdrawn'] as const
export type ReturnState = (typeof returnStates)[number]

export type ReturnEvent = 'come back' | 'withdraw' | 'reopen'

export const returnLifecycle = lifecycle<ReturnState, ReturnEvent>({
  expected: { 'come back': 'back', withdraw: 'withdrawn' },
  back: { reopen: 'expected' },
  withdrawn: {},
})

/** How much of a line of an order comes back. */
export interface ReturnedLine extends LinePart {
  reason: string
  /** What came of it; null until it did. */
  cameBack: DecimalText | null
}

/** What a return holds of its order: what is expected, or what came. */
export function heldBy(state: ReturnState, lines: readonly ReturnedLine[]): LinePart[] {
  if (state === 'withdrawn') return []
  return lines.map(({ position, quantity, cameBack }) => ({
    position,
    quantity: state === 'back' ? (cameBack ?? '0') : quantity,
  }))
}

/** How much of a line could still come back: what was shipped, less what other returns hold of it. */
export interface LineToReturn {
  position: number
  shipped: DecimalText
  returned: DecimalText
  left: DecimalText
}

/**
 * What went out of lines: what shipments say, or all that is ordered, where the goods left and nobody made a shipment.
 * @param left the order has its date of supply
 */
export function wentOut(
  standing: readonly Pick<LineStanding, 'position' | 'shipped' | 'ordered' | 'cancelled'>[],
  left: boolean,
): { position: number; shipped: DecimalText }[] {
  const byShipments = standing.some(({ shipped }) => new Decimal(shipped).gt(0))
  return standing.map(({ position, shipped, ordered, cancelled }) => ({
    position,
    shipped:
      byShipments || !left ? shipped : Decimal.max(0, new Decimal(ordered).minus(cancelled)).toString(),
  }))
}

/** @param held what returns that stand hold of the order */
export function returnable(
  standing: readonly Pick<LineStanding, 'position' | 'shipped'>[],
  held: readonly LinePart[],
): LineToReturn[] {
  const sums = sumByPosition(held)
  return standing.map(({ position, shipped }) => {
    const returned = sums.get(position) ?? '0'
    const left = Decimal.max(0, new Decimal(shipped).minus(returned))
    return { position, shipped, returned, left: left.toString() }
  })
}

/**
 * Refuses more than could come back.
 * @param nameOf what a person calls the line of a position
 * @throws Refusal "over-shipped", "nothing-returns" where nothing is wanted at all
 */
export function checkReturned(
  lines: readonly LineToReturn[],
  wanted: readonly LinePart[],
  nameOf: (position: number) => string,
): void {
  let some = false
  for (const [position, quantity] of sumByPosition(wanted)) {
    const left = lines.find((line) => line.position === position)?.left ?? '0'
    if (new Decimal(quantity).gt(left))
      throw new Refusal('over-shipped', {
        values: { item: nameOf(position), left, quantity },
        about: { field: `lines.${position}` },
      })
    if (new Decimal(quantity).gt(0)) some = true
  }
  if (!some) throw new Refusal('nothing-returns', { about: { field: 'lines' } })
}

/** What came back and is in no credit note yet. @param credited what credit notes hold of it */
export function toCredit(
  lines: readonly Pick<ReturnedLine, 'position' | 'cameBack'>[],
  credited: readonly LinePart[],
): LinePart[] {
  const sums = sumByPosition(credited)
  return lines
    .map(({ position, cameBack }) => ({
      position,
      quantity: new Decimal(cameBack ?? 0).minus(sums.get(position) ?? 0).toString(),
    }))
    .filter(({ quantity }) => new Decimal(quantity).gt(0))
}

/** Days that a customer has to send goods back, where nobody says otherwise. */
export const usualReturnDays = 30
