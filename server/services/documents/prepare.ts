import { capital, kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { planSending, type SendPlan } from '../../../core/dispatch/plan'
import { Refusal } from '../../../core/errors'
import { occasionOf } from '../../../core/routines/routine'
import type { SendingHours, Trust } from '../../../core/routines/sentence'
import type { ContactRole } from '../../../core/wishes/recipients'
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
import { sourceOf } from './sources'
import { note, noteAll } from '../trail/trail'
import { draft, loadContexts, sendToWords, type Addressing, type PaperContext } from './context'

/*
 * Preparing: everything of a paper but its number, laid out completely.
 * Called by the routines (look-at-events), by a person from To send or an order, and by refresh-papers after
 * a change.
 * Dies half-way: the transaction is undone, the event stays unseen and the sweeper calls again.
 * Refuses: a second paper for the same subject, kind and occasion, whoever asks.
 */

/** A laid-out draft with its problem, if any. */
export interface Draft {
  context: PaperContext
  paper: Paper | null
  problem: string | null
  /** What will be drawn otherwise than it was written; it stops nothing. */
  replaced: string[]
}

/** Builds and lays out drafts of many orders; in parallel in the render threads, outside of any transaction. */
export async function draftPapers(
  kind: DocumentKind,
  orderIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, Draft>> {
  return layOutAll(await loadContexts(kind, orderIds, addressing))
}

/** A draft names its kind itself, and its kind whom it goes to. */
const noAddressing: Addressing = { role: 'billing', copyTo: [] }

/** The same for bills, by their ids. */
export async function draftBills(billIds: readonly number[]): Promise<Map<number, Draft>> {
  return layOutAll(await sourceOf('bill').load(billIds, noAddressing))
}

/** The same for payments and refunds: their receipts. */
export async function draftReceipts(
  paymentIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, Draft>> {
  return layOutAll(await sourceOf('payment').load(paymentIds, addressing))
}

async function layOutAll(contexts: ReadonlyMap<number, PaperContext>): Promise<Map<number, Draft>> {
  const today = dayInZone(clock.now(), (await company()).timeZone)
  return new Map(
    await Promise.all(
      [...contexts].map(async ([id, context]): Promise<[number, Draft]> => {
        const made = draft(context, context.wishedDate ?? today)
        if ('problem' in made) return [id, { context, paper: null, problem: made.problem, replaced: [] }]
        const { problems, replaced } = await checkPaper(made.paper, context.stationery.design)
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
  orderId: number | null
  kind: DocumentKind
  addressing: Addressing
  trust: Trust
  delayMinutes: number
  hours: SendingHours | null
  routine: { id: number; version: number } | null
  actor: string
}

export type Prepared =
  | { outcome: 'due' | 'prepared' | 'goes by itself'; paperId: number; reason: string }
  | { outcome: 'already' | 'not wanted'; paperId: number | null; reason: string }

/**
 * Takes the claim and keeps the draft, in the caller's transaction. With trust "by hand" the paper is only
 * listed as due.
 * A paper with a problem never goes by itself: it waits for a person.
 */
export async function keepDraft(asked: Prepare, made: Draft): Promise<Prepared> {
  const { context } = made
  const occasion = occasionIn(asked.kind, context)
  const subject = subjectOf(context)
  const held = await claimHolder(subject, asked.kind, occasion)
  if (held) return { outcome: 'already', paperId: held.paperId, reason: held.words }

  if (asked.routine && context.channel === 'nothing' && !kindFacts[asked.kind].books)
    return {
      outcome: 'not wanted',
      paperId: null,
      reason: `${context.customerName} wants no ${kindFacts[asked.kind].many}.`,
    }

  if (
    asked.routine &&
    context.zeroTotals === 'skip' &&
    Number(made.paper?.amounts.total ?? context.total) === 0
  ) {
    const reason = `No ${asked.kind} was made: it comes to nothing, and the company makes no documents of that.`
    await note({ orderId: asked.orderId ?? undefined }, asked.actor, reason)
    return { outcome: 'not wanted', paperId: null, reason }
  }

  const byHand = asked.trust === 'by hand'
  const plan =
    asked.trust === 'by itself'
      ? planOf(asked.kind, made, await stopOfOrder(asked.kind, asked.orderId))
      : undefined
  const byItself = plan?.goes ?? false
  const keptBack = plan !== undefined && !plan.goes
  const state = byHand ? 'due' : 'prepared'
  const row = await one<{ id: number }>(
    `insert into paper (
      order_id, kind, occasion, state, by_itself, routine_id, routine_version, customer_id, brand_id,
      order_number, order_date, customer_name, total, currency, channel, send_to, to_role, delay_minutes,
      source, content, stationery_id, cover_note_id, built_from, problem, since, actor, baseline, copy_to,
      hours, bill_id, wished_date, payment_id, event_day, kept_back, kept_back_noticed
    )
    values (
      $orderId, $kind, $occasion, $state, $byItself, $routineId, $routineVersion, $customerId, $brandId,
      $orderNumber, $orderDate, $customerName, $total, $currency, $channel, $sendTo, $role,
      $delayMinutes, $source::jsonb, $content::jsonb, $stationeryId, $coverNoteId, $builtFrom::jsonb,
      $problem, $since, $actor, $baseline::jsonb, $copyTo::jsonb, $hours::jsonb, $billId, $wishedDate,
      $paymentId, $eventDay, $keptBack, not $keptBack
    )
    on conflict (coalesce(order_id, 0), kind, occasion)
    where state in ('due', 'prepared', 'put back') do update
    set state = excluded.state, by_itself = excluded.by_itself,
      routine_id = coalesce(excluded.routine_id, paper.routine_id),
      routine_version = coalesce(excluded.routine_version, paper.routine_version),
      customer_name = excluded.customer_name, total = excluded.total, currency = excluded.currency,
      channel = excluded.channel, send_to = excluded.send_to, to_role = excluded.to_role,
      delay_minutes = excluded.delay_minutes, copy_to = excluded.copy_to, hours = excluded.hours,
      source = excluded.source, content = excluded.content, stationery_id = excluded.stationery_id,
      cover_note_id = excluded.cover_note_id, built_from = excluded.built_from, problem = excluded.problem,
      baseline = excluded.baseline, changes = null, stale = false, since = excluded.since,
      revision = paper.revision + 1, actor = excluded.actor, kept_back = excluded.kept_back,
      kept_back_noticed = excluded.kept_back_noticed, wished_date = excluded.wished_date,
      event_day = excluded.event_day
    returning id`,
    {
      orderId: asked.orderId,
      kind: asked.kind,
      occasion,
      state,
      byItself,
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
      stationeryId: context.stationery.id,
      coverNoteId: context.coverNoteId,
      builtFrom: json(context.builtFrom),
      problem: made.problem,
      since: clock.now(),
      actor: asked.actor,
      baseline: json(baselineOf(made)),
      copyTo: json(asked.addressing.copyTo),
      hours: asked.hours ? json(asked.hours) : null,
      billId: context.billId,
      wishedDate: context.wishedDate,
      paymentId: context.paymentId,
      eventDay: context.eventDay,
      keptBack,
    },
  )
  const paperId = row!.id
  if (!byHand) {
    const taken = await run(
      `insert into claim (source_kind, source_id, document_kind, occasion, paper_id, taken_at)
      values ($1, $2, $3, $4, $5, $6) on conflict do nothing`,
      [subject.kind, subject.id, asked.kind, occasion, paperId, clock.now()],
    )
    if (taken === 0) throw new ClaimLost()
  }
  if (byItself) await addJob('issue-papers', { paperIds: [paperId] })
  await note(
    { orderId: asked.orderId ?? undefined, paperId },
    asked.actor,
    byHand
      ? `${capital(kindFacts[asked.kind].one)} is due; nothing is made until a person asks.`
      : [`The ${asked.kind} was prepared${preparedWords(plan, made.problem)}`, ...made.replaced].join(' '),
  )
  publish('line')
  return {
    outcome: byHand ? 'due' : byItself ? 'goes by itself' : 'prepared',
    paperId,
    reason: made.problem ?? '',
  }
}

/** What the claim of a paper is on: a bill, a payment, or an order. */
export function subjectOf(paper: {
  orderId: number | null
  billId: number | null
  paymentId: number | null
}): { kind: 'order' | 'bill' | 'payment'; id: number; table: string } {
  if (paper.billId !== null) return { kind: 'bill', id: paper.billId, table: 'bill' }
  return paper.paymentId === null
    ? { kind: 'order', id: paper.orderId!, table: 'sales_order' }
    : { kind: 'payment', id: paper.paymentId, table: 'payment' }
}

function occasionIn(kind: DocumentKind, context: PaperContext): string {
  if (context.billId !== null) return `draft ${context.billId}`
  return context.paymentId === null ? occasionOf(kind, context.revision) : `payment ${context.paymentId}`
}

/** Another transaction took the claim between look and insert; the caller starts again and then finds it. */
export class ClaimLost extends Error {}

/** How a prepared document goes on, in its history. */
function preparedWords(plan: SendPlan | undefined, problem: string | null): string {
  if (plan?.goes) return ' and goes automatically.'
  if (plan) return `; it was to go automatically, but waits for a person: ${plan.reason}`
  return problem ? `, but cannot be issued: ${problem}` : ' and waits for a check.'
}

/** The status that holds back a document of a kind; null when none does. */
async function stopOfOrder(kind: DocumentKind, orderId: number | null): Promise<string | null> {
  if (orderId === null || !kindFacts[kind].waitsWithOrder) return null
  const stop = await one<{ status: string }>('select status from stopped_order where order_id = $1', [
    orderId,
  ])
  return stop?.status ?? null
}

function planOf(kind: DocumentKind, { context, problem }: Draft, stopped: string | null): SendPlan {
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
  subject: { kind: string; id: number },
  kind: DocumentKind,
  occasion: string,
): Promise<{ paperId: number; words: string } | undefined> {
  const row = await one<{ paperId: number; number: string | null; byItself: boolean }>(
    `select c.paper_id "paperId", d.number, p.by_itself "byItself"
    from claim c
    join paper p on p.id = c.paper_id
    left join document d on d.id = c.document_id
    where c.source_kind = $1 and c.source_id = $2 and c.document_kind = $3 and c.occasion = $4
    for update of c`,
    [subject.kind, subject.id, kind, occasion],
  )
  if (!row) return undefined
  return {
    paperId: row.paperId,
    words: row.number
      ? `Nothing was made: ${kind} ${row.number} was already issued for this ` +
        `${subject.kind === 'bill' ? 'draft' : subject.kind}.`
      : `Nothing was made: the ${kind} of this ${subject.kind === 'bill' ? 'draft' : subject.kind} is ` +
        `already prepared and ${row.byItself ? 'goes by itself' : 'waits on To check'}.`,
  }
}

/** What somebody may have looked at: changes are told against this until they are seen. */
interface Baseline {
  own?: boolean
  content: Paper | null
  sendTo: string
  problem: string | null
  coverNoteId: number
}

function baselineOf(made: Draft): Baseline {
  return {
    content: made.paper,
    sendTo: sendToWords(made.context),
    problem: made.problem,
    coverNoteId: made.context.coverNoteId,
  }
}

interface StalePaper extends Omit<Baseline, 'own'> {
  id: number
  orderId: number | null
  billId: number | null
  paymentId: number | null
  kind: DocumentKind
  role: ContactRole
  copyTo: string[]
  baseline: Baseline
  byItself: boolean
}

/** Builds papers anew from what holds now, and marks what differs from what somebody may have looked at. */
export async function refreshPapers(paperIds: readonly number[]): Promise<void> {
  const stale = await rows<StalePaper>(
    `select id, order_id "orderId", bill_id "billId", payment_id "paymentId", kind, to_role role,
      copy_to "copyTo", content, send_to "sendTo", problem, cover_note_id "coverNoteId", baseline,
      by_itself "byItself"
    from paper
    where id = any($1::int[]) and stale`,
    [paperIds],
  )
  for (const papers of groupBy(stale, (paper) =>
    json([paper.kind, paper.role, paper.copyTo, subjectOf(paper).kind]),
  ).values()) {
    const { kind, role, copyTo } = papers[0]!
    const drafts = await draftSubjects(
      subjectOf(papers[0]!).kind,
      papers.map((paper) => subjectOf(paper).id),
      kind,
      { role, copyTo },
    )
    for (const paper of papers) {
      const made = drafts.get(subjectOf(paper).id)
      if (made) await keepRefreshed(paper, made)
    }
  }
}

function draftSubjects(
  of: 'order' | 'bill' | 'payment',
  ids: readonly number[],
  kind: DocumentKind,
  addressing: Addressing,
): Promise<Map<number, Draft>> {
  if (of === 'bill') return draftBills(ids)
  return of === 'payment' ? draftReceipts(ids, addressing) : draftPapers(kind, ids, addressing)
}

async function keepRefreshed(paper: StalePaper, made: Draft): Promise<void> {
  await inTransaction(async () => {
    const { context } = made
    const occasion = occasionIn(paper.kind, context)
    const subject = subjectOf(paper)
    const current = await one<{ version: number }>(
      `select version from ${subject.table} where id = $1 for share`,
      [subject.id],
    )
    const now = baselineOf(made)
    // what goes by itself nobody has looked at; what a person wrote just now that person has
    const seen = paper.byItself || paper.baseline.own === true
    const changes = seen ? [] : difference(paper.baseline, now)
    const stillByItself = paper.byItself && planOf(paper.kind, made, null).goes
    const moved = difference(paper, now).length > 0
    const kept = await run(
      `update paper
      set source = $source::jsonb, content = $content::jsonb, stationery_id = $stationeryId,
        cover_note_id = $coverNoteId, built_from = $builtFrom::jsonb, problem = $problem, total = $total,
        currency = $currency, channel = $channel,
        send_to = case when to_addresses is null then $sendTo else send_to end, customer_name = $customerName,
        stale = $stale, changes = $changes::jsonb, revision = revision + $further,
        by_itself = by_itself and $stillByItself, kept_back = kept_back or (by_itself and not $stillByItself),
        kept_back_noticed = kept_back_noticed and not (by_itself and not $stillByItself),
        occasion = $occasion, wished_date = $wishedDate, event_day = $eventDay, brand_id = $brandId,
        customer_id = $customerId, baseline = coalesce($baseline::jsonb, baseline)
      where id = $id and stale and state in ('prepared', 'due', 'put back')`,
      {
        id: paper.id,
        source: json(context.source),
        content: made.paper ? json(made.paper) : null,
        stationeryId: context.stationery.id,
        coverNoteId: context.coverNoteId,
        builtFrom: json(context.builtFrom),
        problem: made.problem,
        total: made.paper?.amounts.total ?? context.total,
        currency: context.source.order.currency,
        channel: context.channel,
        sendTo: sendToWords(context),
        customerName: context.customerName,
        stale: current?.version !== context.builtFrom.order,
        changes: changes.length > 0 ? json(changes) : null,
        further: moved ? 1 : 0,
        stillByItself,
        occasion,
        wishedDate: context.wishedDate,
        brandId: context.brandId,
        customerId: context.customerId,
        baseline: paper.baseline.own ? json(now) : null,
        eventDay: context.eventDay,
      },
    )
    if (kept > 0)
      await run(
        'update claim set occasion = $2 where paper_id = $1 and document_id is null and occasion <> $2',
        [paper.id, occasion],
      )
    if (kept > 0 && stillByItself) await addJob('issue-papers', { paperIds: [paper.id] })
    if (kept > 0 && moved) {
      await noteAll([
        {
          orderId: paper.orderId ?? undefined,
          paperId: paper.id,
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
  if (before.coverNoteId !== now.coverNoteId)
    changes.push({ what: 'Cover note', before: 'an earlier version', now: 'the version now in force' })
  return changes
}

/**
 * A person has looked at what changed: from now on differences count against the paper as it is. @returns
 * false when it changed once more meanwhile
 */
export async function markSeen(paperId: number, revision: number, actor: string): Promise<boolean> {
  return inTransaction(async () => {
    const seen = await one<{ orderId: number | null }>(
      `update paper
      set changes = null,
        baseline = jsonb_build_object(
          'content', content, 'sendTo', send_to, 'problem', problem, 'coverNoteId', cover_note_id
        )
      where id = $1 and revision = $2 and not stale
      returning order_id "orderId"`,
      [paperId, revision],
    )
    if (!seen) return false
    await note({ orderId: seen.orderId ?? undefined, paperId }, actor, 'The changes were looked at.')
    publish('line', [paperId])
    return true
  })
}
