import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { planSending, type SendPlan } from '../../../core/dispatch/plan'
import type { SendingHours, Trust } from '../../../core/routines/sentence'
import { joined, raised, told, toldKind, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { addJob } from '../../queue/add'
import { company } from '../house/house'
import { refuseKindOff, toldKindOff } from '../house/kinds'
import { publish } from '../live/publish'
import { sourceOf, type SourceKind } from './sources'
import { stoppedByFiles } from '../enclosures/going'
import { noteAll } from '../history/history'
import { holdPapersVersion } from '../outbox/queries'
import { markThese } from '../outbox/stale'
import { claimKey, holdersOf } from './claims'
import { sendToOf } from './found-settings'
import { type Addressing, type PaperContext } from './paper-context'
import { sourcesWithStop, takeClaims, insertPreparedRows, type Baseline } from './prepare-queries'
import type { Principal } from '../people/principal'
import { lookForSecond } from './second-look'
import type { MadeDocument } from './make-papers'

/*
 * Preparing: everything of a paper but its number, laid out completely.
 * Called by the routines (look-at-events), by a person from To send or an order, and by refresh-prepared after
 * a change.
 * Dies half-way: the transaction is undone, the event stays unseen and the sweeper calls again.
 * Refuses: a second paper for the same subject, kind and occasion, whoever asks.
 */

export interface Prepare {
  kind: DocumentKind
  addressing: Addressing
  trust: Trust
  delayMinutes: number
  hours: SendingHours | null
  routine: { id: number; version: number } | null
  who: Principal
}

export type Prepared =
  | { outcome: 'due' | 'prepared' | 'goes by itself'; preparedId: number; reason: Told | null }
  | { outcome: 'already' | 'not wanted'; preparedId: number | null; reason: Told }

/** What is asked for, with what was made of it. */
export interface ToKeep {
  asked: Prepare
  made: MadeDocument
}

/** The same as `keepDrafts`, for one. */
export const keepDraft = async (asked: Prepare, made: MadeDocument): Promise<Prepared> =>
  (await keepDrafts([{ asked, made }]))[0]!

/**
 * Takes the claims and keeps the drafts, in the caller's transaction. With trust "by hand" the paper is only
 * listed as due. A paper with a problem never goes automatically: it waits for a person. Of two that ask for the
 * same, the first has it.
 * @returns what became of each, in their order. @throws ClaimLost, Refusal "kind-off" where a person asks
 */
export async function keepDrafts(all: readonly ToKeep[]): Promise<Prepared[]> {
  if (all.length === 0) return []
  const { kindsOff } = await company()
  const { version } = (await holdPapersVersion())!
  for (const { asked } of all) if (!asked.routine) refuseKindOff(asked.kind, kindsOff)
  const sources = new Map(
    (await sourcesWithStop(all.map(({ made }) => made.context.sourceId))).map((source) => [
      source.id,
      source,
    ]),
  )
  const wanted = all.map(({ asked, made }, place) => {
    const source = sources.get(made.context.sourceId)!
    return { asked, made, place, source, occasion: occasionIn(source.kind, asked.kind, made.context) }
  })
  const results: Prepared[] = []
  for (const round of rounds(wanted)) await keepRound(round, results, kindsOff, version)
  publish('line')
  return results
}

interface Wanted extends ToKeep {
  /** Its place among all that were asked for. */
  place: number
  source: { id: number; kind: SourceKind; stopped: string | null }
  occasion: string
}

const keyOf = (one: Wanted) => claimKey(one.source.id, one.asked.kind, one.occasion)

/** Groups in which no two ask for the same claim: the second of them comes in a later one. */
function rounds(wanted: readonly Wanted[]): Wanted[][] {
  const found: Wanted[][] = []
  for (const same of groupBy(wanted, keyOf).values())
    same.forEach((one, round) => (found[round] ??= []).push(one))
  return found
}

/** Why nothing is made, before a claim is taken, and whether its history says so; undefined where it is made. */
function notWanted(
  { asked, made: { context, paper } }: Wanted,
  kindsOff: readonly DocumentKind[],
): { why: Told; noted: boolean } | undefined {
  if (context.nothing) return { why: context.nothing, noted: false }
  if (!asked.routine) return undefined
  if (kindsOff.includes(asked.kind)) return { why: toldKindOff(asked.kind), noted: false }
  if (context.channel === 'nothing' && kindFacts[asked.kind].books === null)
    return {
      why: told('problem/not-wanted', {
        customer: context.customerName,
        kinds: toldKind(asked.kind, 'many'),
      }),
      noted: false,
    }
  const isOfMoney = kindFacts[asked.kind].content !== 'shipment'
  if (isOfMoney && context.zeroTotals === 'skip' && Number(paper?.amounts.total ?? context.total) === 0)
    return { why: told('problem/nothing-made', { kind: toldKind(asked.kind) }), noted: true }
  return undefined
}

async function keepRound(
  round: readonly Wanted[],
  results: Prepared[],
  kindsOff: readonly DocumentKind[],
  papersVersion: number,
): Promise<void> {
  const holders = await holdersOf(
    round.map(({ source, asked, occasion }) => ({ source_id: source.id, kind: asked.kind, occasion })),
  )
  const notes: Parameters<typeof noteAll>[0][number][] = []
  const kept = round.flatMap((one) => {
    const { asked, made, place, source } = one
    const held = holders.get(keyOf(one))
    if (held) {
      results[place] = { outcome: 'already', preparedId: held.preparedId, reason: held.why }
      return []
    }
    const not = notWanted(one, kindsOff)
    if (not) {
      results[place] = { outcome: 'not wanted', preparedId: null, reason: not.why }
      if (not.noted) notes.push({ sourceId: source.id, actor: asked.who.name, ...not.why })
      return []
    }
    const stopped = kindFacts[asked.kind].waitsWithOrder ? source.stopped : null
    const plan = asked.trust === 'automatic' ? planOf(asked.kind, made, stopped) : undefined
    return { ...one, plan, byHand: asked.trust === 'by hand', automatic: plan?.goes ?? false }
  })
  const ids = await insertPrepared(kept, papersVersion)
  const claimed = kept.filter((one) => !one.byHand)
  const taken = await takeClaims(
    claimed.map((one) => ({
      source_id: one.source.id,
      kind: one.asked.kind,
      occasion: one.occasion,
      prepared_id: ids.get(keyOf(one)),
    })),
    clock.now(),
  )
  if (taken < claimed.length) throw new ClaimLost()
  const idsOf = (some: typeof kept) => some.map((one) => ids.get(keyOf(one))!)
  const going = idsOf(kept.filter((one) => one.automatic))
  if (going.length > 0) await addJob('issue-prepared', { preparedIds: going })
  const large = await stoppedByFiles([...ids.values()], round[0]!.asked.who.name)
  if (large.size > 0) await markThese([...large.keys()])
  await lookForSecond([...ids.values()])
  const stale = idsOf(kept.filter((one) => isStale(one, papersVersion)))
  if (stale.length > 0) await addJob('refresh-prepared', { preparedIds: stale })
  for (const one of kept) {
    const { asked, made, plan, byHand, automatic, place, source } = one
    const preparedId = ids.get(keyOf(one))!
    notes.push({
      sourceId: source.id,
      preparedId,
      actor: asked.who.name,
      ...(byHand
        ? told('prepared/due', { kind: raised(toldKind(asked.kind, 'one')) })
        : joined([toldPrepared(asked.kind, plan, made), ...made.replaced], 'list/sentences')),
    })
    results[place] = {
      outcome: byHand ? 'due' : automatic ? 'goes by itself' : 'prepared',
      preparedId,
      reason: made.problem,
    }
  }
  await noteAll(notes)
}

/** Whether something of the whole house was changed since it was read for this document. */
const isStale = ({ made }: Wanted, papersVersion: number) => made.context.builtFrom.house !== papersVersion

/** Writes prepared documents, each over the open one of its claim if there is one. @returns ids by claim */
async function insertPrepared(
  kept: readonly (Wanted & { plan: SendPlan | undefined; byHand: boolean; automatic: boolean })[],
  papersVersion: number,
): Promise<Map<string, number>> {
  const written = await insertPreparedRows(
    kept.map((one) => {
      const { asked, made, plan, byHand, automatic, occasion } = one
      return {
        sourceId: made.context.sourceId,
        kind: asked.kind,
        occasion,
        state: byHand ? 'due' : 'prepared',
        automatic,
        routineId: asked.routine?.id ?? null,
        routineVersion: asked.routine?.version ?? null,
        customerId: made.context.customerId,
        brandId: made.context.brandId,
        orderNumber: made.context.orderNumber,
        orderDate: made.context.orderDate,
        customerName: made.context.customerName,
        total: made.paper?.amounts.total ?? made.context.total,
        currency: made.context.source.order.currency,
        channel: made.context.channel,
        sendTo: sendToOf(made.context),
        role: asked.addressing.role,
        delayMinutes: asked.delayMinutes,
        source: made.context.source,
        content: made.paper,
        designId: made.context.design.id,
        emailTextId: made.context.emailTextId,
        builtFrom: made.context.builtFrom,
        problem: made.problem,
        actor: asked.who.name,
        baseline: baselineOf(made),
        copyTo: asked.addressing.copyTo,
        hours: asked.hours,
        creditsId: made.context.creditsId,
        replacesId: made.context.replacesId,
        wantedDate: made.context.wantedDate,
        eventDay: made.context.eventDay,
        keptBack: plan !== undefined && !plan.goes && !made.held,
        onceComplete: made.held ? (plan ? 'go' : 'check') : null,
        stale: isStale(one, papersVersion),
      }
    }),
    clock.now(),
  )
  return new Map(written.map((one) => [claimKey(one.sourceId, one.kind, one.occasion), one.id]))
}

export const occasionIn = (of: SourceKind, kind: DocumentKind, context: PaperContext): string =>
  sourceOf(of).occasion?.(kind, context) ?? ''

/** Another transaction took the claim between look and insert; the caller starts again and then finds it. */
export class ClaimLost extends Error {}

/** How a prepared document goes on, in its history. */
function toldPrepared(of: DocumentKind, plan: SendPlan | undefined, { problem, held }: MadeDocument): Told {
  const kind = toldKind(of)
  if (plan?.goes) return told('prepared/goes', { kind })
  if (held) return told(plan ? 'prepared/held-goes' : 'prepared/held', { kind, problem: problem! })
  if (plan) return told('prepared/waits', { kind, why: plan.reason })
  return problem ? told('prepared/problem', { kind, problem }) : told('prepared/checks', { kind })
}

export function planOf(
  kind: DocumentKind,
  { context, problem }: MadeDocument,
  stopped: string | null,
): SendPlan {
  return planSending({
    kind,
    channel: context.channel,
    hasAddress: context.recipients.length > 0,
    problem,
    changed: false,
    stopped,
    orderNumber: context.orderNumber,
    customerName: context.customerName,
  })
}

export function baselineOf(made: MadeDocument): Baseline {
  return {
    content: made.paper,
    sendTo: sendToOf(made.context),
    problem: made.problem,
    emailTextId: made.context.emailTextId,
  }
}
