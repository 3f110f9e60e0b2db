import { Refusal } from '../../../core/errors'
import { told, toldRefusal, type Told } from '../../../core/said/told'
import { creditDocument } from '../drafts/credit'
import { voidDocument } from '../documents/void'
import { standingOfWithdrawn } from './queries'
import type { Principal } from '../people/principal'

/*
 * Invoices whose order was withdrawn: never deleted, but voided where that is allowed, else credited whole by
 * a credit note in To check.
 * Called from the Register with the chosen ones, and for one order when the house's rule says so. Each is its
 * own transaction, so one that cannot be settled
 * stops only itself; dies half-way: those settled are settled, and calling again does the rest.
 */

export interface ReversedWithdrawn {
  voided: string[]
  credited: string[]
  refused: { id: number; number: string; reason: Told }[]
}

/** Settles those of the documents, or all of the orders, that stand although their order was withdrawn. */
export async function reverseWithdrawn(
  which: { documentIds: readonly number[] } | { orderIds: readonly number[] },
  who: Principal,
): Promise<ReversedWithdrawn> {
  const [of, ids] =
    'documentIds' in which
      ? (['documents', which.documentIds] as const)
      : (['orders', which.orderIds] as const)
  const report: ReversedWithdrawn = { voided: [], credited: [], refused: [] }
  if (ids.length === 0) return report
  const standing = await standingOfWithdrawn(of, ids)
  for (const { id, number, order } of standing) {
    const reason = told('order/withdrawn', { order }).words
    try {
      await voidDocument(id, reason, who)
      report.voided.push(number)
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      try {
        await creditDocument(id, { ask: { kind: 'whole' }, reason, anew: false }, who)
        report.credited.push(number)
      } catch (refusal) {
        if (!(refusal instanceof Refusal)) throw refusal
        report.refused.push({ id, number, reason: toldRefusal(refusal) })
      }
    }
  }
  return report
}
