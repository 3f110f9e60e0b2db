import { type PaperChange, comparePapers } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { allOf, joined, told, toldKind, type Told } from '../../../core/said/told'
import { toldSendTo } from '../../../core/dispatch/send-to'
import { json, inTransaction } from '../../db/connection'
import { addJob } from '../../queue/add'
import { stoppedByFiles } from '../enclosures/going'
import { noteAll, note } from '../history/history'
import { publish } from '../live/publish'
import { sendToOf } from './found-settings'
import { occasionIn, baselineOf, planOf } from './prepare'
import { makeAll, type MadeDocument } from './make-papers'
import {
  lockStale,
  type StalePaper,
  updateRefreshed,
  moveClaim,
  type Baseline,
  markChangesSeen,
} from './prepare-queries'
import { lookForSecond } from './second-look'
import { lockSources, sourceOf } from './sources'
import type { Principal } from '../people/principal'

/*
 * Builds prepared documents anew after something that they are made of has changed, and marks what differs from
 * what somebody may have looked at.
 * Called by refresh-prepared and by the sweeper. Dies half-way: they are still marked and built again.
 */

/** Builds papers anew from what holds now, and marks what differs from what somebody may have looked at. */
export async function refreshPrepared(preparedIds: readonly number[]): Promise<void> {
  const stale = await lockStale(preparedIds)
  const large = await stoppedByFiles(
    stale.map(({ id }) => id),
    '',
  )
  const asked = ({ sourceKind, kind, occasion }: StalePaper) =>
    sourceOf(sourceKind).isAskedFor || kindFacts[kind].isUpdate ? occasion : ''
  const alike = (paper: StalePaper) =>
    json([paper.kind, paper.role, paper.copyTo, paper.asOnce, asked(paper)])
  for (const papers of groupBy(stale, alike).values()) {
    const { kind, role, copyTo, asOnce } = papers[0]!
    const laidOut = await makeAll(
      kind,
      papers.map((paper) => paper.sourceId),
      { role, copyTo, asOnce },
      asked(papers[0]!),
    )
    for (const paper of papers) {
      const made = laidOut.get(paper.sourceId)
      if (made) await keepRefreshed(paper, withProblem(made, large.get(paper.id)))
    }
  }
  await inTransaction(() => lookForSecond(stale.map(({ id }) => id)))
}

/** What is wrong with the email beside what is wrong with the document. */
const withProblem = (made: MadeDocument, why: Told | undefined): MadeDocument =>
  why ? { ...made, held: false, problem: allOf([...(made.problem ? [made.problem] : []), why]) } : made

async function keepRefreshed(paper: StalePaper, made: MadeDocument): Promise<void> {
  await inTransaction(async () => {
    const { context } = made
    const occasion = occasionIn(paper.sourceKind, paper.kind, context)
    const version = (await lockSources([paper.sourceId])).get(paper.sourceId)
    const now = baselineOf(made)
    // what goes automatically nobody has looked at; what a person wrote just now that person has
    const seen = paper.automatic || paper.onceComplete !== null || paper.baseline.own === true
    const changes = seen ? [] : difference(paper.baseline, now)
    // what was held until it is complete goes on as it was to
    const wasToGo = paper.automatic || paper.onceComplete === 'go'
    const automatic = wasToGo && planOf(paper.kind, made, null).goes
    const moved = difference(paper, now).length > 0
    const kept = await updateRefreshed({
      id: paper.id,
      source: json(context.source),
      content: made.paper ? json(made.paper) : null,
      designId: context.design.id,
      emailTextId: context.emailTextId,
      builtFrom: json(context.builtFrom),
      problem: made.problem && json(made.problem),
      total: made.paper?.amounts.total ?? context.total,
      currency: context.source.order.currency,
      channel: context.channel,
      sendTo: sendToOf(context),
      customerName: context.customerName,
      stale: version !== context.builtFrom.order,
      // marked again since it was read: it stays marked, for whoever was called by that mark
      staleMark: paper.staleMark,
      changes: changes.length > 0 ? json(changes) : null,
      further: moved ? 1 : 0,
      automatic,
      onceComplete: made.held ? (wasToGo ? 'go' : 'check') : null,
      keptBack: wasToGo && !automatic && !made.held,
      occasion,
      wantedDate: context.wantedDate,
      brandId: context.brandId,
      customerId: context.customerId,
      baseline: paper.baseline.own ? json(now) : null,
      eventDay: context.eventDay,
    })
    if (kept > 0) await moveClaim(paper.id, occasion)
    if (kept > 0 && automatic) await addJob('issue-prepared', { preparedIds: [paper.id] })
    if (kept > 0 && moved) {
      await noteAll([
        {
          sourceId: paper.sourceId,
          preparedId: paper.id,
          actor: 'Clothespin',
          ...toldAnew(paper, changes, paper.onceComplete !== null && !made.held, automatic),
          detail: changes,
        },
      ])
    }
    publish('line', [paper.id])
  })
}

function toldAnew(
  { kind, baseline }: StalePaper,
  changes: readonly PaperChange[],
  isComplete: boolean,
  automatic: boolean,
): Told {
  const same = told(baseline.own ? 'prepared/anew-draft' : 'prepared/anew-same')
  const differs = changes.map((change) => change.what)
  const what = differs.length > 0 ? joined(differs, 'list/comma') : same
  const anew = told('prepared/anew', { kind: toldKind(kind), what })
  if (!isComplete) return anew
  return told(automatic ? 'prepared/complete-goes' : 'prepared/complete', { anew })
}

function difference(before: Baseline, now: Baseline): PaperChange[] {
  const changes = before.content && now.content ? comparePapers(before.content, now.content) : []
  if (before.sendTo !== now.sendTo)
    changes.push({
      what: told('change/goes-to'),
      before: toldSendTo(before.sendTo),
      now: toldSendTo(now.sendTo),
    })
  if (before.problem?.words !== now.problem?.words) {
    const none = told('change/no-problem')
    changes.push({
      what: told('change/problem'),
      before: before.problem ?? none,
      now: now.problem ?? none,
    })
  }
  if (before.emailTextId !== now.emailTextId)
    changes.push({
      what: told('change/email-text'),
      before: told('change/earlier-text'),
      now: told('change/present-text'),
    })
  return changes
}

/**
 * A person has looked at what changed: from now on differences count against the paper as it is. @returns
 * false when it changed once more meanwhile
 */
export async function markSeen(preparedId: number, revision: number, who: Principal): Promise<boolean> {
  return inTransaction(async () => {
    const seen = await markChangesSeen(preparedId, revision)
    if (!seen) return false
    await note({ ...seen, preparedId }, who.name, told('prepared/seen'))
    publish('line', [preparedId])
    return true
  })
}
