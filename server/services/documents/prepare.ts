import { capital, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { planSending, type SendPlan } from '../../../core/dispatch/plan'
import { Refusal } from '../../../core/errors'
import type { SendingHours, Trust } from '../../../core/routines/sentence'
import type { ContactRole } from '../../../core/preferences/recipients'
import type { Paper } from '../../../core/documents/paper'
import { comparePapers, type PaperChange } from '../../../core/documents/issue'
import { dayInZone } from '../../../core/documents/days'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { checkPaper } from '../../render/pool'
import { fillLetter } from '../dispatch/compose'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { byKind, lockSources, sourceOf, type SourceKind } from './sources'
import { note, noteAll } from '../history/history'
import { paperOf, sendToWords, type Addressing, type PaperContext } from './found-settings'

/*
 * Preparing: everything of a paper but its number, laid out completely.
 * Called by the routines (look-at-events), by a person from To send or an order, and by refresh-prepared after
 * a change.
 * Dies half-way: the transaction is undone, the event stays unseen and the sweeper calls again.
 * Refuses: a second paper for the same subject, kind and occasion, whoever asks.
 */

/** A laid-out draft with its problem, if any. */
export interface MadeDocument {
  context: PaperContext
  paper: Paper | null
  problem: string | null
  /** What will be drawn otherwise than it was written; it stops nothing. */
  replaced: string[]
}

/**
 * Builds and lays out documents of many sources; in parallel in the render threads, outside of any transaction. What
 * a draft of a person is of, it says itself, and its kind whom it goes to.
 */
export async function makeAll(
  kind: DocumentKind,
  sourceIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, MadeDocument>> {
  const laidOut = new Map<number, MadeDocument>()
  for (const [of, ids] of await byKind(sourceIds))
    for (const [id, made] of await layOutAll(await sourceOf(of).load(kind, ids, addressing)))
      laidOut.set(id, made)
  return laidOut
}

async function layOutAll(contexts: ReadonlyMap<number, PaperContext>): Promise<Map<number, MadeDocument>> {
  const today = dayInZone(clock.now(), (await company()).timeZone)
  return new Map(
    await Promise.all(
      [...contexts].map(async ([id, context]): Promise<[number, MadeDocument]> => {
        const made = paperOf(context, context.wantedDate ?? today)
        if ('problem' in made) return [id, { context, paper: null, problem: made.problem, replaced: [] }]
        const { problems, replaced } = await checkPaper(made.paper, context.design.design)
        return [
          id,
          {
            context,
            paper: made.paper,
            replaced,
            problem:
              [...problems.map((problem) => problem.sentence), ...emailProblems(context, made.paper)].join(
                ' ',
              ) || null,
          },
        ]
      }),
    ),
  )
}

/** Why the email that is to carry a document cannot be written; it is found before the document gets a number. */
function emailProblems(context: PaperContext, paper: Paper): string[] {
  if (context.recipients.length === 0) return []
  try {
    fillLetter({
      ...context.email,
      paper,
      customerName: context.customerName,
      recipients: context.recipients,
    })
    return []
  } catch (error) {
    if (error instanceof Refusal) return [error.message]
    throw error
  }
}

export interface Prepare {
  kind: DocumentKind
  addressing: Addressing
  trust: Trust
  delayMinutes: number
  hours: SendingHours | null
  routine: { id: number; version: number } | null
  actor: string
}

export type Prepared =
  | { outcome: 'due' | 'prepared' | 'goes by itself'; preparedId: number; reason: string }
  | { outcome: 'already' | 'not wanted'; preparedId: number | null; reason: string }

/**
 * Takes the claim and keeps the draft, in the caller's transaction. With trust "by hand" the paper is only
 * listed as due.
 * A paper with a problem never goes automatically: it waits for a person.
 */
export async function keepDraft(asked: Prepare, made: MadeDocument): Promise<Prepared> {
  const { context } = made
  const { sourceId } = context
  const { kind: sourceKind } = (await one<{ kind: SourceKind }>('select kind from source where id = $1', [
    sourceId,
  ]))!
  const occasion = occasionIn(sourceKind, asked.kind, context)
  const held = await claimHolder(sourceId, sourceKind, asked.kind, occasion)
  if (held) return { outcome: 'already', preparedId: held.preparedId, reason: held.words }

  if (asked.routine && context.channel === 'nothing' && kindFacts[asked.kind].books === null)
    return {
      outcome: 'not wanted',
      preparedId: null,
      reason: `${context.customerName} wants no ${kindFacts[asked.kind].many}.`,
    }

  if (
    asked.routine &&
    context.zeroTotals === 'skip' &&
    Number(made.paper?.amounts.total ?? context.total) === 0
  ) {
    const reason = `No ${asked.kind} was made: it comes to nothing, and the company makes no documents of that.`
    await note({ sourceId }, asked.actor, reason)
    return { outcome: 'not wanted', preparedId: null, reason }
  }

  const byHand = asked.trust === 'by hand'
  const plan =
    asked.trust === 'automatic'
      ? planOf(asked.kind, made, await stopOfSource(asked.kind, sourceId))
      : undefined
  const automatic = plan?.goes ?? false
  const keptBack = plan !== undefined && !plan.goes
  const state = byHand ? 'due' : 'prepared'
  const row = await one<{ id: number }>(
    `insert into prepared_document (
      source_id, kind, occasion, state, automatic, routine_id, routine_version, customer_id, brand_id,
      order_number, order_date, customer_name, total, currency, channel, send_to, to_role, delay_minutes,
      source, content, design_id, email_text_id, built_from, problem, since, actor, baseline, copy_to,
      hours, credits_id, replaces_id, wanted_date, event_day, kept_back, kept_back_noticed
    )
    values (
      $sourceId, $kind, $occasion, $state, $automatic, $routineId, $routineVersion, $customerId, $brandId,
      $orderNumber, $orderDate, $customerName, $total, $currency, $channel, $sendTo, $role,
      $delayMinutes, $source::jsonb, $content::jsonb, $designId, $emailTextId, $builtFrom::jsonb,
      $problem, $since, $actor, $baseline::jsonb, $copyTo::jsonb, $hours::jsonb, $creditsId, $replacesId,
      $wantedDate, $eventDay, $keptBack, not $keptBack
    )
    on conflict (source_id, kind, occasion)
    where state in ('due', 'prepared', 'put back') do update
    set state = excluded.state, automatic = excluded.automatic,
      routine_id = coalesce(excluded.routine_id, prepared_document.routine_id),
      routine_version = coalesce(excluded.routine_version, prepared_document.routine_version),
      customer_name = excluded.customer_name, total = excluded.total, currency = excluded.currency,
      channel = excluded.channel, send_to = excluded.send_to, to_role = excluded.to_role,
      delay_minutes = excluded.delay_minutes, copy_to = excluded.copy_to, hours = excluded.hours,
      source = excluded.source, content = excluded.content, design_id = excluded.design_id,
      email_text_id = excluded.email_text_id, built_from = excluded.built_from, problem = excluded.problem,
      baseline = excluded.baseline, changes = null, stale = false, since = excluded.since,
      revision = prepared_document.revision + 1, actor = excluded.actor, kept_back = excluded.kept_back,
      kept_back_noticed = excluded.kept_back_noticed, wanted_date = excluded.wanted_date,
      event_day = excluded.event_day, credits_id = excluded.credits_id, replaces_id = excluded.replaces_id
    returning id`,
    {
      sourceId,
      kind: asked.kind,
      occasion,
      state,
      automatic,
      routineId: asked.routine?.id ?? null,
      routineVersion: asked.routine?.version ?? null,
      customerId: context.customerId,
      brandId: context.brandId,
      orderNumber: context.orderNumber,
      orderDate: context.orderDate,
      customerName: context.customerName,
      total: made.paper?.amounts.total ?? context.total,
      currency: context.source.order.currency,
      channel: context.channel,
      sendTo: sendToWords(context),
      role: asked.addressing.role,
      delayMinutes: asked.delayMinutes,
      source: json(context.source),
      content: made.paper ? json(made.paper) : null,
      designId: context.design.id,
      emailTextId: context.emailTextId,
      builtFrom: json(context.builtFrom),
      problem: made.problem,
      since: clock.now(),
      actor: asked.actor,
      baseline: json(baselineOf(made)),
      copyTo: json(asked.addressing.copyTo),
      hours: asked.hours ? json(asked.hours) : null,
      creditsId: context.creditsId,
      replacesId: context.replacesId,
      wantedDate: context.wantedDate,
      eventDay: context.eventDay,
      keptBack,
    },
  )
  const preparedId = row!.id
  if (!byHand) {
    const taken = await run(
      `insert into claim (source_id, document_kind, occasion, prepared_id, taken_at)
      values ($1, $2, $3, $4, $5) on conflict do nothing`,
      [sourceId, asked.kind, occasion, preparedId, clock.now()],
    )
    if (taken === 0) throw new ClaimLost()
  }
  if (automatic) await addJob('issue-prepared', { preparedIds: [preparedId] })
  await note(
    { sourceId, preparedId },
    asked.actor,
    byHand
      ? `${capital(kindFacts[asked.kind].one)} is due; nothing is made until a person asks.`
      : [`The ${asked.kind} was prepared${preparedWords(plan, made.problem)}`, ...made.replaced].join(' '),
  )
  publish('line')
  return {
    outcome: byHand ? 'due' : automatic ? 'goes by itself' : 'prepared',
    preparedId,
    reason: made.problem ?? '',
  }
}

const occasionIn = (of: SourceKind, kind: DocumentKind, context: PaperContext): string =>
  sourceOf(of).occasion?.(kind, context) ?? ''

/** Another transaction took the claim between look and insert; the caller starts again and then finds it. */
export class ClaimLost extends Error {}

/** How a prepared document goes on, in its history. */
function preparedWords(plan: SendPlan | undefined, problem: string | null): string {
  if (plan?.goes) return ' and goes automatically.'
  if (plan) return `; it was to go automatically, but waits for a person: ${plan.reason}`
  return problem ? `, but cannot be issued: ${problem}` : ' and waits for a check.'
}

/** The status that holds back a document of a kind; null when none does. */
async function stopOfSource(kind: DocumentKind, sourceId: number): Promise<string | null> {
  if (!kindFacts[kind].waitsWithOrder) return null
  const stop = await one<{ status: string }>('select status from stopped_source where source_id = $1', [
    sourceId,
  ])
  return stop?.status ?? null
}

function planOf(kind: DocumentKind, { context, problem }: MadeDocument, stopped: string | null): SendPlan {
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

/** Who has the claim, in plain words; undefined when it is free. */
async function claimHolder(
  sourceId: number,
  sourceKind: SourceKind,
  kind: DocumentKind,
  occasion: string,
): Promise<{ preparedId: number; words: string } | undefined> {
  const row = await one<{ preparedId: number; number: string | null; automatic: boolean }>(
    `select c.prepared_id "preparedId", d.number, p.automatic "automatic"
    from claim c
    join prepared_document p on p.id = c.prepared_id
    left join document d on d.id = c.document_id
    where c.source_id = $1 and c.document_kind = $2 and c.occasion = $3
    for update of c`,
    [sourceId, kind, occasion],
  )
  if (!row) return undefined
  return {
    preparedId: row.preparedId,
    words: row.number
      ? `Nothing was made: ${kind} ${row.number} was already issued for this ${sourceKind}.`
      : `Nothing was made: the ${kind} of this ${sourceKind} is already prepared and ` +
        `${row.automatic ? 'goes by itself' : 'waits on To check'}.`,
  }
}

/** What somebody may have looked at: changes are told against this until they are seen. */
interface Baseline {
  own?: boolean
  content: Paper | null
  sendTo: string
  problem: string | null
  emailTextId: number
}

function baselineOf(made: MadeDocument): Baseline {
  return {
    content: made.paper,
    sendTo: sendToWords(made.context),
    problem: made.problem,
    emailTextId: made.context.emailTextId,
  }
}

interface StalePaper extends Omit<Baseline, 'own'> {
  id: number
  sourceId: number
  sourceKind: SourceKind
  kind: DocumentKind
  role: ContactRole
  copyTo: string[]
  baseline: Baseline
  automatic: boolean
}

/** Builds papers anew from what holds now, and marks what differs from what somebody may have looked at. */
export async function refreshPrepared(preparedIds: readonly number[]): Promise<void> {
  const stale = await rows<StalePaper>(
    `select p.id, p.source_id "sourceId", s.kind "sourceKind", p.kind, p.to_role role, p.copy_to "copyTo",
      p.content, p.send_to "sendTo", p.problem, p.email_text_id "emailTextId", p.baseline,
      p.automatic "automatic"
    from prepared_document p
    join source s on s.id = p.source_id
    where p.id = any($1::int[]) and p.stale`,
    [preparedIds],
  )
  for (const papers of groupBy(stale, (paper) => json([paper.kind, paper.role, paper.copyTo])).values()) {
    const { kind, role, copyTo } = papers[0]!
    const laidOut = await makeAll(
      kind,
      papers.map((paper) => paper.sourceId),
      { role, copyTo },
    )
    for (const paper of papers) {
      const made = laidOut.get(paper.sourceId)
      if (made) await keepRefreshed(paper, made)
    }
  }
}

async function keepRefreshed(paper: StalePaper, made: MadeDocument): Promise<void> {
  await inTransaction(async () => {
    const { context } = made
    const occasion = occasionIn(paper.sourceKind, paper.kind, context)
    const version = (await lockSources([paper.sourceId])).get(paper.sourceId)
    const now = baselineOf(made)
    // what goes automatically nobody has looked at; what a person wrote just now that person has
    const seen = paper.automatic || paper.baseline.own === true
    const changes = seen ? [] : difference(paper.baseline, now)
    const stillAutomatic = paper.automatic && planOf(paper.kind, made, null).goes
    const moved = difference(paper, now).length > 0
    const kept = await run(
      `update prepared_document
      set source = $source::jsonb, content = $content::jsonb, design_id = $designId,
        email_text_id = $emailTextId, built_from = $builtFrom::jsonb, problem = $problem, total = $total,
        currency = $currency, channel = $channel,
        send_to = case when to_addresses is null then $sendTo else send_to end, customer_name = $customerName,
        stale = $stale, changes = $changes::jsonb, revision = revision + $further,
        automatic = automatic and $stillAutomatic, kept_back = kept_back or (automatic and not $stillAutomatic),
        kept_back_noticed = kept_back_noticed and not (automatic and not $stillAutomatic),
        occasion = $occasion, wanted_date = $wantedDate, event_day = $eventDay, brand_id = $brandId,
        customer_id = $customerId, baseline = coalesce($baseline::jsonb, baseline)
      where id = $id and stale and state in ('prepared', 'due', 'put back')`,
      {
        id: paper.id,
        source: json(context.source),
        content: made.paper ? json(made.paper) : null,
        designId: context.design.id,
        emailTextId: context.emailTextId,
        builtFrom: json(context.builtFrom),
        problem: made.problem,
        total: made.paper?.amounts.total ?? context.total,
        currency: context.source.order.currency,
        channel: context.channel,
        sendTo: sendToWords(context),
        customerName: context.customerName,
        stale: version !== context.builtFrom.order,
        changes: changes.length > 0 ? json(changes) : null,
        further: moved ? 1 : 0,
        stillAutomatic,
        occasion,
        wantedDate: context.wantedDate,
        brandId: context.brandId,
        customerId: context.customerId,
        baseline: paper.baseline.own ? json(now) : null,
        eventDay: context.eventDay,
      },
    )
    if (kept > 0)
      await run(
        'update claim set occasion = $2 where prepared_id = $1 and document_id is null and occasion <> $2',
        [paper.id, occasion],
      )
    if (kept > 0 && stillAutomatic) await addJob('issue-prepared', { preparedIds: [paper.id] })
    if (kept > 0 && moved) {
      await noteAll([
        {
          sourceId: paper.sourceId,
          preparedId: paper.id,
          actor: 'Clothespin',
          words: `The prepared ${paper.kind} was built anew: ${
            changes.map((change) => change.what).join(', ') ||
            (paper.baseline.own ? 'its draft was written on' : 'as it was before')
          }.`,
          detail: changes,
        },
      ])
    }
    publish('line', [paper.id])
  })
}

function difference(before: Baseline, now: Baseline): PaperChange[] {
  const changes = before.content && now.content ? comparePapers(before.content, now.content) : []
  if (before.sendTo !== now.sendTo) changes.push({ what: 'Goes to', before: before.sendTo, now: now.sendTo })
  if ((before.problem ?? '') !== (now.problem ?? ''))
    changes.push({ what: 'Problem', before: before.problem ?? 'none', now: now.problem ?? 'none' })
  if (before.emailTextId !== now.emailTextId)
    changes.push({ what: 'Cover note', before: 'an earlier version', now: 'the version now in force' })
  return changes
}

/**
 * A person has looked at what changed: from now on differences count against the paper as it is. @returns
 * false when it changed once more meanwhile
 */
export async function markSeen(preparedId: number, revision: number, actor: string): Promise<boolean> {
  return inTransaction(async () => {
    const seen = await one<{ sourceId: number }>(
      `update prepared_document
      set changes = null,
        baseline = jsonb_build_object(
          'content', content, 'sendTo', send_to, 'problem', problem, 'emailTextId', email_text_id
        )
      where id = $1 and revision = $2 and not stale
      returning source_id "sourceId"`,
      [preparedId, revision],
    )
    if (!seen) return false
    await note({ ...seen, preparedId }, actor, 'The changes were looked at.')
    publish('line', [preparedId])
    return true
  })
}
