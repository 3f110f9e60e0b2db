import { Decimal, type DecimalText } from '../money/decimal'
import type { LinePart } from '../shipping/quantities'
import type { CreditedLine } from './credit'

/** An invoice of an order as a return is credited from it. */
export interface InvoiceToCredit {
  id: number
  lines: {
    /** The line of the order that it bills; null where it is none. */
    position: number | null
    /** What of it is not credited yet. */
    left: DecimalText
  }[]
}

/** What of a return is credited on which invoice, and what no invoice has left. */
export interface ReturnCredits {
  credits: { id: number; lines: CreditedLine[]; contents: LinePart[] }[]
  uncredited: LinePart[]
}

/** Spreads what came back over an order's invoices, the first one first: just that much, never more than is left. */
export function creditsOf(
  cameBack: readonly LinePart[],
  invoices: readonly InvoiceToCredit[],
): ReturnCredits {
  const open = cameBack.map(({ position, quantity }) => ({ position, rest: new Decimal(quantity) }))
  const credits = invoices.flatMap(({ id, lines: billed }) => {
    const taken = billed.flatMap(({ position, left }, line) => {
      const part = open.find((one) => one.position === position)
      const most = new Decimal(left)
      if (!part || !most.gt(0) || !part.rest.gt(0)) return []
      const quantity = Decimal.min(most, part.rest)
      part.rest = part.rest.minus(quantity)
      return [{ line, position: part.position, quantity: quantity.toString() }]
    })
    const lines = taken.map(({ line, quantity }) => ({ line, quantity }))
    const contents = taken.map(({ position, quantity }) => ({ position, quantity }))
    return taken.length > 0 ? [{ id, lines, contents }] : []
  })
  return {
    credits,
    uncredited: open
      .filter(({ rest }) => rest.gt(0))
      .map(({ position, rest }) => ({ position, quantity: rest.toString() })),
  }
}
