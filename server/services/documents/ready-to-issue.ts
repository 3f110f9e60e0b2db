import { planSending, type SendBar } from '../../../core/dispatch/plan'
import { noAddress } from '../../../core/dispatch/send-to'
import type { PaymentMethod } from '../../../core/documents/facts'
import { told, type Told } from '../../../core/said/told'
import { addJob } from '../../queue/add'
import type { PaperRow } from './insert-document'
import {
  brandVersions,
  creditedBy,
  lockCustomersOf,
  lockOpenItems,
  lockPrepared,
  markPreparedStale,
  rehearsalsOf,
  wishesOf,
} from './issue-queries'
import { lookForSecond } from './second-look'
import { lockSources } from './sources'

/*
 * Whether papers may be issued as they were looked at, asked once more under their locks. Called by issuing, in its
 * transaction.
 */

export interface ToIssue {
  preparedId: number
  /** The revision that was looked at; null for a routine's own. */
  revision: number | null
}

export interface IssueResult {
  preparedId: number
  outcome: 'issued' | 'rehearsed' | 'changed' | 'skipped' | 'failed'
  /** The number it got, as a document or as a rehearsal. */
  number: string | null
  /** Why it was not issued. */
  reason: Told | null
  documentId: number | null
}

/** What a person may want of an issuing. */
export interface IssueHow {
  postOnly?: boolean
  paidBy?: PaymentMethod | null
  /** Somebody read that the order is held or withdrawn, and sends its document all the same. */
  despite?: boolean
  /** Somebody read that nobody is there to write to, and issues it all the same. */
  withoutAddress?: boolean
  /** The person who sends; left out for a routine. */
  senderId?: number | null
  /** What documents are gathered by that go in one email; whoever gives it closes the gathering. */
  gatherAs?: string
}

/** How a report calls what was not issued. */
const outcomeOfBar: Record<SendBar, IssueResult['outcome']> = {
  changed: 'changed',
  problem: 'failed',
  stopped: 'skipped',
  'not wanted': 'skipped',
  'no address': 'skipped',
  'second look': 'skipped',
}

/**
 * Locks credited invoices, sources, customers and papers, in this order, and keeps those that may be issued as
 * they were looked at.
 */
export async function readyToIssue(
  asked: readonly ToIssue[],
  results: IssueResult[],
  { paidBy, postOnly, despite, withoutAddress, senderId }: IssueHow,
): Promise<PaperRow[]> {
  const ids = asked.map((one) => one.preparedId)
  const of = await creditedBy(ids)
  await lockOpenItems(of.flatMap((one) => one.creditsId ?? []))
  const sourceVersion = await lockSources(
    of.map((one) => one.sourceId),
    'issue',
  )
  const customers = await lockCustomersOf(paidBy, ids)
  const papers = await lockPrepared(ids)
  // once more at the last moment: a rate, an address or a bank account may be another one
  const looks = await lookForSecond(ids)
  const rehearsals = await rehearsalsOf(ids)
  const wishOf = new Map((await wishesOf(ids)).map(({ id, wish }) => [id, wish]))
  const brands = await brandVersions()
  const customerVersion = new Map(customers.map((row) => [row.id, row.version]))
  const customerOf = new Map(customers.map((row) => [row.id, row]))
  const brandVersion = new Map(brands.map((row) => [row.id, row.version]))
  const revision = new Map(asked.map((one) => [one.preparedId, one.revision]))

  const ready: PaperRow[] = []
  const moved: number[] = []
  for (const paper of papers) {
    const refuse = (outcome: IssueResult['outcome'], reason: Told) =>
      results.push({ preparedId: paper.id, outcome, number: null, reason, documentId: null })
    const lookedAt = revision.get(paper.id)
    const rehearseTo = rehearsals.get(paper.id) ?? ''
    const { builtFrom } = paper
    const outdated =
      builtFrom.order !== sourceVersion.get(paper.sourceId) ||
      builtFrom.customer !== customerVersion.get(paper.customerId) ||
      builtFrom.brand !== brandVersion.get(paper.brandId)
    if (paper.state !== 'prepared')
      refuse('skipped', told(paper.state === 'issued' ? 'problem/issued-already' : 'problem/not-waiting'))
    else if (outdated || paper.stale) {
      refuse('changed', told('run/waits', { why: told('plan/changed'), help: told('plan/changed-help') }))
      moved.push(paper.id)
    } else {
      const plan = planSending({
        ...paper,
        hasAddress: paper.sendTo !== noAddress,
        changed: paper.changed || (lookedAt !== null && lookedAt !== paper.revision),
        issueOnly: postOnly,
        despite,
        withoutAddress,
        // what is rehearsed goes to nobody: one person is enough
        secondLook: rehearseTo === '' ? (looks.get(paper.id) ?? null) : null,
        senderId,
      })
      const customer = customerOf.get(paper.customerId)!
      if (plan.goes)
        ready.push({
          ...paper,
          wish: wishOf.get(paper.id),
          rehearseTo,
          customerFacts: customer.facts,
        })
      else refuse(outcomeOfBar[plan.bar], told('run/waits', { why: plan.reason, help: plan.help }))
    }
  }
  if (moved.length > 0) {
    await markPreparedStale(moved)
    await addJob('refresh-prepared', { preparedIds: moved })
  }
  return ready.sort(
    (a, b) =>
      (a.wantedDate ?? '9999').localeCompare(b.wantedDate ?? '9999') ||
      a.orderDate.localeCompare(b.orderDate) ||
      a.orderNumber.localeCompare(b.orderNumber, 'en', { numeric: true }),
  )
}
