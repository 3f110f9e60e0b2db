import type { DocumentKind } from '../../../core/documents/kinds'
import type { Told } from '../../../core/said/told'
import { batches, inPeriod } from './numbers-queries'

/*
 * The number register: per series and period every number that was drawn, with its document, and what is
 * missing or double (always nothing).
 * Called from the Numbers page and its CSV. Reads only.
 */

/** A series in one period. */
export interface NumberPeriod {
  seriesId: number
  kind: DocumentKind
  brand: string
  /** What it is for; empty for the one for all. */
  scope: Told | null
  period: string
  first: string
  last: string
  count: number
  gaps: number
  doubles: number
}

/** A number with what it stands for. */
export interface NumberRow {
  id: number
  counter: number
  number: string
  date: string
  customerName: string
  total: string
  currency: string
  state: 'issued' | 'void' | 'credited' | 'part credited'
  /** Why it is void; empty where it is not. */
  reason: string
  /** The credit notes on it; empty where there are none. */
  creditedWith: string
  /** The newest date before it, where it was allowed an earlier one. */ earlierThan: string | null
  issuedAt: Date
  issuedBy: string
}

/** Numbers that were left out on purpose. */
export interface SkippedNumbers {
  first: number
  last: number
  reason: string
  at: Date
  by: string
}

/**
 * The whole of a series and period, in pieces, for its CSV. @throws Refusal "no-such-series" before anything
 * is sent
 */
export async function allNumbers(seriesId: number, period: string): Promise<AsyncGenerator<NumberRow[]>> {
  return batches(await inPeriod(seriesId, period))
}
