import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import type { AsOnce } from '../../../core/preferences/variants'
import type { ContactRole } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
import { rows, run, json, one } from '../../db/connection'
import type { SourceKind } from './sources'

/* The statements of prepare.ts. */

/** What somebody may have looked at: changes are told against this until they are seen. */
export interface Baseline {
  own?: boolean
  content: Paper | null
  sendTo: string
  problem: Told | null
  emailTextId: number
}

export interface StalePaper extends Omit<Baseline, 'own'> {
  id: number
  sourceId: number
  sourceKind: SourceKind
  kind: DocumentKind
  occasion: string
  role: ContactRole
  copyTo: string[]
  asOnce: AsOnce | null
  baseline: Baseline
  automatic: boolean
  /** It was held until it is complete: what follows then. */
  onceComplete: 'check' | 'go' | null
  /** How often it had been marked when it was read. */
  staleMark: number
}

export const sourcesWithStop = (ids: readonly number[]) =>
  rows<{ id: number; kind: SourceKind; stopped: string | null }>(
    `select s.id, s.kind, (select ss.status from stopped_source ss where ss.source_id = s.id) stopped
    from source s
    where s.id = any($ids::int[])`,
    { ids },
  )

export const takeClaims = (
  claims: readonly { source_id: number; kind: DocumentKind; occasion: string; prepared_id?: number }[],
  now: Date,
) =>
  run(
    `insert into claim (source_id, document_kind, occasion, prepared_id, taken_at)
    select n.source_id, n.kind, n.occasion, n.prepared_id, $now
    from jsonb_to_recordset($claims::jsonb) as n (source_id int, kind text, occasion text, prepared_id int)
    on conflict do nothing`,
    { claims: json(claims), now },
  )

export const insertPreparedRows = (papers: unknown, now: Date) =>
  rows<{ id: number; sourceId: number; kind: string; occasion: string }>(
    `insert into prepared_document (
      source_id, kind, occasion, state, automatic, routine_id, routine_version, customer_id, brand_id,
      order_number, order_date, customer_name, total, currency, channel, send_to, to_role, delay_minutes,
      source, content, design_id, email_text_id, built_from, problem, since, actor, baseline, copy_to,
      hours, credits_id, replaces_id, wanted_date, event_day, kept_back, kept_back_noticed, stale,
      once_complete
    )
    select n."sourceId", n.kind, n.occasion, n.state, n.automatic, n."routineId", n."routineVersion",
      n."customerId", n."brandId", n."orderNumber", n."orderDate", n."customerName", n.total, n.currency,
      n.channel, n."sendTo", n.role, n."delayMinutes", n.source, n.content, n."designId", n."emailTextId",
      n."builtFrom", n.problem, $now, n.actor, n.baseline, n."copyTo", n.hours, n."creditsId", n."replacesId",
      n."wantedDate", n."eventDay", n."keptBack", not n."keptBack", n.stale, n."onceComplete"
    from jsonb_to_recordset($papers::jsonb) as n (
      "sourceId" int, kind text, occasion text, state text, automatic boolean, "routineId" int,
      "routineVersion" int, "customerId" int, "brandId" int, "orderNumber" text, "orderDate" date,
      "customerName" text, total numeric, currency text, channel text, "sendTo" text, role text,
      "delayMinutes" int, source jsonb, content jsonb, "designId" int, "emailTextId" int, "builtFrom" jsonb,
      problem jsonb, actor text, baseline jsonb, "copyTo" jsonb, hours jsonb, "creditsId" int,
      "replacesId" int, "wantedDate" date, "eventDay" date, "keptBack" boolean, stale boolean,
      "onceComplete" text
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
      baseline = excluded.baseline, changes = null, stale = excluded.stale, since = excluded.since,
      revision = prepared_document.revision + 1, actor = excluded.actor, kept_back = excluded.kept_back,
      kept_back_noticed = excluded.kept_back_noticed, wanted_date = excluded.wanted_date,
      once_complete = excluded.once_complete, event_day = excluded.event_day, credits_id = excluded.credits_id,
      replaces_id = excluded.replaces_id, as_once = null
    returning id, source_id "sourceId", kind, occasion`,
    { papers: json(papers), now },
  )

export const holdersOfClaims = (
  wanted: readonly { source_id: number; kind: DocumentKind; occasion: string }[],
) =>
  rows<{
    preparedId: number
    number: string | null
    automatic: boolean
    sourceId: number
    sourceKind: SourceKind
    kind: DocumentKind
    occasion: string
  }>(
    `select c.prepared_id "preparedId", d.number, p.automatic, c.source_id "sourceId", s.kind "sourceKind",
      c.document_kind kind, c.occasion
    from jsonb_to_recordset($wanted::jsonb) as n (source_id int, kind text, occasion text)
    join claim c on c.source_id = n.source_id and c.document_kind = n.kind and c.occasion = n.occasion
    join source s on s.id = c.source_id
    join prepared_document p on p.id = c.prepared_id
    left join document d on d.id = c.document_id
    order by c.source_id, c.document_kind
    for update of c`,
    { wanted: json(wanted) },
  )

export const lockStale = (preparedIds: readonly number[]) =>
  rows<StalePaper>(
    `select p.id, p.source_id "sourceId", s.kind "sourceKind", p.kind, p.occasion, p.to_role role, p.copy_to "copyTo",
      p.as_once "asOnce",
      p.content, p.send_to "sendTo", p.problem, p.email_text_id "emailTextId", p.baseline,
      p.automatic "automatic", p.once_complete "onceComplete", p.stale_mark "staleMark"
    from prepared_document p
    join source s on s.id = p.source_id
    where p.id = any($preparedIds::int[]) and p.stale`,
    { preparedIds },
  )

export const updateRefreshed = (given: Readonly<Record<string, unknown>>) =>
  run(
    `update prepared_document
    set source = $source::jsonb, content = $content::jsonb, design_id = $designId,
      email_text_id = $emailTextId, built_from = $builtFrom::jsonb, problem = $problem::jsonb, total = $total,
      currency = $currency, channel = $channel,
      send_to = case when to_addresses is null then $sendTo else send_to end, customer_name = $customerName,
      stale = $stale or stale_mark <> $staleMark, changes = $changes::jsonb, revision = revision + $further,
      automatic = $automatic and (automatic or once_complete = 'go'), once_complete = $onceComplete,
      kept_back = kept_back or $keptBack,
      kept_back_noticed = kept_back_noticed and not $keptBack,
      occasion = $occasion, wanted_date = $wantedDate, event_day = $eventDay, brand_id = $brandId,
      customer_id = $customerId, baseline = coalesce($baseline::jsonb, baseline)
    where id = $id and stale and state in ('prepared', 'due', 'put back')`,
    given,
  )

export const moveClaim = (preparedId: number, occasion: string) =>
  run(
    `update claim
    set occasion = $occasion
    where prepared_id = $preparedId and document_id is null and occasion <> $occasion`,
    { preparedId, occasion },
  )

export const markChangesSeen = (preparedId: number, revision: number) =>
  one<{ sourceId: number }>(
    `update prepared_document
    set changes = null,
      baseline = jsonb_build_object(
        'content', content, 'sendTo', send_to, 'problem', problem, 'emailTextId', email_text_id
      )
    where id = $preparedId and revision = $revision and not stale
    returning source_id "sourceId"`,
    { preparedId, revision },
  )
