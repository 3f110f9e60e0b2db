import { Decimal, sum, type Currency, type DecimalText } from '../money/decimal'
import type { FieldValues } from '../fields/own-fields'
import type { Adjustment } from '../money/totals'
import type { CreditAsk } from './credit'
import type { Day } from './days'
import { sumByPosition, type LinePart } from '../shipping/quantities'
import type { OrderLineFacts } from './facts'

/** A line of an invoice being written; `orderLine` is the position of the order's line it drafts. */
export interface DraftLine extends OrderLineFacts {
  orderLine?: number
  /** The house's own line fields. */
  fields?: FieldValues
}

/**
 * An invoice or credit note being written: what a person decides. Everything else is found when its paper is
 * built.
 */
export interface DraftFacts {
  currency: Currency
  pricesIncludeTax: boolean
  reference: string | null
  customerNote: string | null
  suppliedOn: Day | null
  /** The document date that is wanted; null is the day of issue. */
  date: Day | null
  /** The branch it is sold from; without one the brand's own. With an order it is the order's. */
  branchId?: number | null
  lines: DraftLine[]
  adjustments: Adjustment[]
  /** It asks for a part of an order's sum before the goods go; the final invoice deducts it. */
  deposit?: boolean
  /** What was paid of it in the program before this one, where it was taken over. */
  prepaid?: DecimalText
  /** For a credit note: what of the invoice, and why. */
  credit?: { ask: CreditAsk; reason: string }
}

/**
 * What of an order was billed by its part-invoices: quantity per line position, and the labels of adjustments
 * with an amount.
 */
export interface Billed {
  quantities: ReadonlyMap<number, DecimalText>
  adjustments: ReadonlySet<string>
}

export function billedBy(drafts: readonly Pick<DraftFacts, 'lines' | 'adjustments' | 'deposit'>[]): Billed {
  const parts = drafts.filter((draft) => !draft.deposit)
  const quantities = new Map<number, DecimalText>()
  for (const { orderLine, quantity } of parts.flatMap((draft) => draft.lines)) {
    if (orderLine !== undefined)
      quantities.set(orderLine, sum([quantities.get(orderLine) ?? '0', quantity]).toString())
  }
  return {
    quantities,
    adjustments: new Set(
      parts.flatMap((draft) =>
        draft.adjustments.filter((one) => one.amount !== undefined).map((one) => one.label),
      ),
    ),
  }
}

/**
 * What remains to be billed of an order: lines with what is left of their quantity, percentages again,
 * amounts once.
 */
export function remaining<Line extends OrderLineFacts>(
  lines: readonly (Line & { position: number })[],
  adjustments: readonly Adjustment[],
  billed: Billed,
): { lines: (Line & { position: number })[]; adjustments: Adjustment[] } {
  return {
    lines: lines
      .map((line) => ({
        ...line,
        quantity: new Decimal(line.quantity).minus(billed.quantities.get(line.position) ?? 0).toString(),
      }))
      .filter((line) => !new Decimal(line.quantity).isZero()),
    adjustments: adjustments.filter((one) => one.amount === undefined || !billed.adjustments.has(one.label)),
  }
}

/** Of an order's lines just what was shipped and is not billed yet. */
export function shippedUnbilled<Line extends OrderLineFacts>(
  lines: readonly (Line & { position: number })[],
  shipped: readonly LinePart[],
  billed: Billed,
): (Line & { position: number })[] {
  const gone = sumByPosition(shipped)
  return lines
    .map((line) => ({
      ...line,
      quantity: Decimal.min(
        line.quantity,
        new Decimal(gone.get(line.position) ?? 0).minus(billed.quantities.get(line.position) ?? 0),
      ).toString(),
    }))
    .filter((line) => new Decimal(line.quantity).gt(0))
}
