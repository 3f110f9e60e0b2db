import { Decimal, sum, type DecimalText } from '../money/decimal'

/** What the program before this one says was open, by currency: how many items, and their sum. */
export type TrialBalance = Record<string, { count: number; sum: DecimalText }>

/** What was taken over of a currency: invoices over zero; credits and payments on account below. */
export interface TakenOver {
  currency: string
  invoices: { count: number; sum: DecimalText }
  credits: { count: number; sum: DecimalText }
  onAccount: { count: number; sum: DecimalText }
}

/** A currency of both sides, and what is missing here (over zero) or too much (below). */
export interface Comparison extends TakenOver {
  count: number
  sum: DecimalText
  /** What the earlier program says; null while nobody has entered it. */
  earlier: { count: number; sum: DecimalText } | null
  difference: { count: number; sum: DecimalText } | null
}

const nothing = { count: 0, sum: '0' }

/** Compares what was taken over with what the earlier program says, every currency of either side. */
export function compareBalance(taken: readonly TakenOver[], earlier: TrialBalance): Comparison[] {
  const currencies = [...new Set([...taken.map((one) => one.currency), ...Object.keys(earlier)])].sort()
  return currencies.map((currency) => {
    const own = taken.find((one) => one.currency === currency) ?? {
      currency,
      invoices: nothing,
      credits: nothing,
      onAccount: nothing,
    }
    const parts = [own.invoices, own.credits, own.onAccount]
    const count = parts.reduce((all, part) => all + part.count, 0)
    const total = sum(parts.map((part) => part.sum)).toString()
    const said = earlier[currency] ?? null
    return {
      ...own,
      count,
      sum: total,
      earlier: said,
      difference: said && {
        count: said.count - count,
        sum: new Decimal(said.sum).minus(total).toString(),
      },
    }
  })
}
