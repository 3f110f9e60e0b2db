import { draftLifecycle, type DraftEvent } from '../../../core/documents/prepared-states'
import { moveRows } from '../../db/move'
import { isDeepStrictEqual } from 'node:util'
import { billedBy, remaining } from '../../../core/documents/draft'
import { Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { told } from '../../../core/said/told'
import { Allocation } from '../../db/models'
import { releaseClaim } from '../documents/claims'
import type { IssuedBy, IssuedFrom, Source } from '../documents/sources'
import { markStale } from '../outbox/stale'
import { note } from '../history/history'
import { creditedInvoices, creditFacts, loadDraftContexts } from './context'
import { partsOfOrders } from './parts'
import {
  draftToIssue,
  isVoided,
  orderLines,
  invoiceNumberOfOrder,
  raiseOrderVersion,
  lockOpenItem,
  lowerOpen,
  raiseOpen,
  documentNumber,
  raiseOrderVersionOf,
} from './source-queries'
import type { Principal } from '../people/principal'

/*
 * The part of issuing that only drafts need: a last check under the locks that issuing holds, and what follows
 * from it.
 * Called by issuing, inside its savepoint: what throws here leaves no number used.
 */

/** A draft that drafts a part of an order. */
const isPart = (paper: IssuedFrom) => paper.rootId !== paper.sourceId

/** @throws Refusal when an order would be billed twice or an invoice credited for more than is left */
async function checkDraft(paper: IssuedFrom): Promise<void> {
  const draft = (await draftToIssue(paper.sourceId))!
  if (draft.state !== 'open') throw new Refusal('draft-closed')
  if (paper.creditsId !== null) {
    const voided = await isVoided(paper.creditsId)
    if (voided) throw new Refusal('void/invoice')
    const invoice = (await creditedInvoices([paper.creditsId])).get(paper.creditsId)!
    const { credit } = creditFacts(invoice, draft.facts, paper.source.language)
    if (!isDeepStrictEqual(credit.sums, paper.source.credit?.sums)) throw new Refusal('credited-meanwhile')
  } else if (isPart(paper) && !draft.facts.deposit) {
    const lines = await orderLines(paper.rootId)
    const whole = await invoiceNumberOfOrder(paper.rootId)
    if (whole) throw new Refusal('billed-already/put-back', { values: { whole: whole.number } })
    const left = new Map(
      remaining(
        lines,
        [],
        billedBy(((await partsOfOrders([paper.rootId])).get(paper.rootId) ?? []).map((other) => other.facts)),
      ).lines.map((line) => [line.position, line.quantity]),
    )
    for (const [position, quantity] of billedBy([draft.facts]).quantities) {
      const rest = left.get(position) ?? '0'
      if (new Decimal(quantity).abs().gt(new Decimal(rest).abs()))
        throw new Refusal('too-much', {
          values: { draft: draft.facts.lines.find((line) => line.orderLine === position)!.description, rest },
        })
    }
  }
}

/** Books what an issued draft settles: a credit against its invoice, a part against its order. */
async function draftIssued(paper: IssuedFrom, documentId: number, by: IssuedBy): Promise<void> {
  await moveRows(drafts, 'issue', [paper.sourceId])
  if (paper.creditsId !== null) return allocateCredit(paper, documentId, by)
  if (isPart(paper)) {
    by.moved.add(paper.rootId)
    await raiseOrderVersion(paper.rootId)
    await markStale('source', paper.rootId)
  }
}

/**
 * Takes a credit off its invoice's open amount, as far as that reaches; a wholly credited invoice sets its
 * order free.
 */
async function allocateCredit(
  paper: IssuedFrom,
  creditId: number,
  { now, who }: { now: Date; who: Principal },
): Promise<void> {
  const item = (await lockOpenItem(paper.creditsId))!
  const { total } = paper.source.credit!.sums
  const amount = Decimal.max(0, Decimal.min(item.open, total))
  if (amount.gt(0)) {
    await Allocation.create({
      fromDocumentId: creditId,
      toDocumentId: paper.creditsId,
      amount: amount.toString(),
      currency: item.currency,
      at: now,
      by: who.name,
    })
    await lowerOpen(paper.creditsId, amount.toString())
    await raiseOpen(creditId, amount.toString())
  }
  const { number } = (await documentNumber(creditId))!
  await note(
    { documentId: paper.creditsId! },
    who.name,
    told('money/credited', {
      number,
      sum: `${total} ${item.currency}`,
      reason: paper.source.credit!.reason,
    }),
  )
  await releaseClaim(paper.creditsId!)
}

const drafts = { table: 'draft', lifecycle: draftLifecycle }
const letHappen = (event: DraftEvent) => async (ids: readonly number[]) => {
  await moveRows(drafts, event, ids)
}

/** A draft as the source of its invoice or credit note. */
export const draftSource: Source = {
  table: 'draft',
  issuingWrites: true,
  load: loadDraftContexts,
  check: checkDraft,
  issued: draftIssued,
  voided: async (id) => {
    await moveRows(drafts, 'void', [id])
    await raiseOrderVersionOf(id)
  },
  dropped: letHappen('drop'),
  restored: letHappen('restore'),
}
