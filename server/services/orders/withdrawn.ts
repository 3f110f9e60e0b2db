import { Refusal } from '../../../core/errors'
import { rows } from '../../db/connection'
import { creditDocument } from '../drafts/drafts'
import { voidDocument } from '../documents/void'

/*
 * Invoices whose order was withdrawn: never deleted, but voided where that is allowed, else credited whole by
 * a credit note on To check.
 * Called from the Register with the chosen ones, and for one order when the house's rule says so. Each is its
 * own transaction, so one that cannot be settled
 * stops only itself; dies half-way: those settled are settled, and calling again does the rest.
 */

export interface ReversedWithdrawn {
  voided: string[]
  credited: string[]
  refused: { id: number; number: string; reason: string }[]
}

/** Invoices of withdrawn orders that still stand: not void, not wholly credited. SQL over document `d`. */
export const standsWithdrawn = `
  d.kind = 'invoice'
    and exists (
      select from stopped_source ss where ss.source_id = d.source_id and ss.how = 'withdrawn'
    )
    and not exists (select from document_void v where v.document_id = d.id)
    and coalesce(
      (
        select sum(k.total)
        from document k
        where k.credits_id = d.id and not exists (select from document_void v where v.document_id = k.id)
      ),
      0
    ) < d.total`

/** Settles those of the documents, or all of the orders, that stand although their order was withdrawn. */
export async function reverseWithdrawn(
  which: { documentIds: readonly number[] } | { orderIds: readonly number[] },
  actor: string,
): Promise<ReversedWithdrawn> {
  const [chosen, ids] =
    'documentIds' in which
      ? ['d.id = any($1::int[])', which.documentIds]
      : ['d.source_id in (select id from source where root_id = any($1::int[]))', which.orderIds]
  const report: ReversedWithdrawn = { voided: [], credited: [], refused: [] }
  if (ids.length === 0) return report
  const standing = await rows<{ id: number; number: string; order: string }>(
    `select d.id, d.number, d.order_number "order"
    from document d
    where ${chosen} and ${standsWithdrawn}
    order by d.id`,
    [ids],
  )
  for (const { id, number, order } of standing) {
    const reason = `Order ${order} was withdrawn`
    try {
      await voidDocument(id, reason, actor)
      report.voided.push(number)
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      try {
        await creditDocument(id, { ask: { kind: 'whole' }, reason, anew: false }, actor)
        report.credited.push(number)
      } catch (refusal) {
        if (!(refusal instanceof Refusal)) throw refusal
        report.refused.push({ id, number, reason: refusal.message })
      }
    }
  }
  return report
}
