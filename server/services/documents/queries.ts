import type { DocumentKind } from '../../../core/documents/kinds'
import { planSending } from '../../../core/dispatch/plan'
import { noAddress } from '../../../core/dispatch/send-to'
import type { Paper } from '../../../core/documents/paper'
import type { Exchange } from '../../../core/money/exchange'
import { json, one, rows, run } from '../../db/connection'
import type { Which, Candidate } from './send-check'
import { toCheckMatching } from './matching-queries'
import type { IssueHow } from './ready-to-issue'
import type { Principal } from '../people/principal'
import { isSecond, tooManyAtOnce } from '../../../core/documents/second-look'
import { secondLookColumns, secondLookRule } from './second-look-queries'
import { stopOf } from '../dispatch/stopped-queries'
import type { SourceKind, Source } from './sources'

/* The statements of documents that have no file of their own. */

export const releaseSettledClaim = (documentId: number) =>
  run(
    `delete from claim c using document d
    where d.id = $documentId
      and c.document_id = d.id
      and c.prepared_id = d.prepared_id
      and (
        exists (select from document_void v where v.document_id = d.id)
          or d.total <= coalesce(
            (
              select sum(k.total)
              from document k
              where k.credits_id = d.id
                and not exists (select from document_void v where v.document_id = k.id)
            ),
            0
          )
      )`,
    { documentId },
  )

export const retakeClaim = (documentId: number, now: Date) =>
  run(
    `insert into claim (source_id, document_kind, occasion, prepared_id, document_id, taken_at)
    select p.source_id, p.kind, p.occasion, p.id, d.id, $now
    from document d
    join prepared_document p on p.id = d.prepared_id
    where d.id = $documentId
    on conflict do nothing`,
    { documentId, now },
  )

export const lastCounters = () =>
  rows<{ id: number; last: number }>(
    'select series_id id, max(last) last from series_counter group by series_id',
  )

export const rateTable = (home: string, today: string) =>
  rows<Exchange>(
    `select $home home, currency, rate::text rate, day::text "day", source
    from (
      select *, row_number() over (partition by currency order by day desc) place
      from exchange_rate
      where day <= $today::date
    ) r
    where place <= 60
    order by day desc`,
    { home, today },
  )

export const claimsIssued = (
  issued: readonly {
    document_id: number
    source_id: number
    kind: DocumentKind
    occasion: string
    prepared_id: number
  }[],
) =>
  run(
    `update claim c
    set document_id = n.document_id
    from jsonb_to_recordset($issued::jsonb) as n (
      document_id int, source_id int, kind text, occasion text, prepared_id int
    )
    where c.source_id = n.source_id and c.document_kind = n.kind and c.occasion = n.occasion
      and c.prepared_id = n.prepared_id`,
    { issued: json(issued) },
  )

export interface Unpainted {
  id: number
  number: string
  kind: string
  paper: Paper
  designId: number
  issuedAt: Date
}

export const documentsToPaint = (documentIds: readonly number[]) =>
  rows<Unpainted>(
    `select d.id, d.number, d.kind, d.paper, d.design_id "designId", d.issued_at "issuedAt"
    from document d
    join unpainted u on u.document_id = d.id
    where d.id = any($documentIds::int[])
    order by d.id`,
    { documentIds },
  )

export const readyPainted = (documentIds: readonly number[]) =>
  rows<{ id: number; channel: string; notBefore: Date }>(
    `update dispatch
    set ready = true
    where not ready
      and id in (select dispatch_id from dispatch_document where document_id = any($documentIds::int[]))
      and not exists (
        select
        from dispatch_document dd
        join unpainted u on u.document_id = dd.document_id
        where dd.dispatch_id = dispatch.id
      )
    returning id, channel, not_before "notBefore"`,
    { documentIds },
  )

export const deleteUnpainted = (documentIds: readonly number[]) =>
  rows<{ id: number }>(
    'delete from unpainted where document_id = any($documentIds::int[]) returning document_id id',
    { documentIds },
  )

/** What waits with a document, locked. */
export const dispatchesOfDocument = (documentId: number) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where state = 'waiting' and id in (select dispatch_id from dispatch_document where document_id = $documentId)
    order by id
    for update`,
    { documentId },
  )

export const releaseClaims = (preparedIds: readonly number[]) =>
  run('delete from claim where prepared_id = any($preparedIds::int[]) and document_id is null', {
    preparedIds,
  })

/** Those in whose place no other one is open. */
export const aloneInPlace = (ids: readonly number[]) =>
  rows<{ id: number }>(
    `select p.id
    from prepared_document p
    where p.id = any($ids::int[]) and not exists (
      select
      from prepared_document o
      where o.source_id = p.source_id and o.kind = p.kind and o.occasion = p.occasion
        and o.state in ('due', 'prepared', 'put back')
    )`,
    { ids },
  )

/** What is prepared, or was, of these sources. */
export const preparedOf = (sourceIds: readonly number[]) =>
  rows<{ id: number }>('select id from prepared_document where source_id = any($sourceIds::int[])', {
    sourceIds,
  })

export const addressOnce = (given: { id: number; toAddresses: string | null; sendTo: string | null }) =>
  one<{ sourceId: number; channel: string }>(
    `update prepared_document
    set to_addresses = $toAddresses::jsonb, send_to = coalesce($sendTo, send_to),
      stale = stale or $toAddresses::jsonb is null, stale_mark = stale_mark + 1,
      revision = revision + 1
    where id = $id and state = 'prepared'
    returning source_id "sourceId", channel`,
    given,
  )

export const sampleOrder = (brandId: number, language: string) =>
  one<{ id: number }>(
    `select id
    from sales_order
    where brand_id = $brandId and supplied_on is not null
    order by exists (select from customer c where c.id = customer_id and c.language = $language) desc, date desc,
      id desc
    limit 1`,
    { brandId, language },
  )

/** At most so many in one Send. */
export const mostSent = 10_000

/**
 * The prepared documents that a Send is about, each with what would become of it; at most one more than may
 * be sent.
 */
export async function candidates(which: Which, how: IssueHow, who: Principal): Promise<Candidate[]> {
  const parameters: unknown[] = [noAddress]
  const where =
    'papers' in which
      ? `p.id = any($${parameters.push(which.papers.map((paper) => paper.id))}::int[]) and p.state = 'prepared'`
      : toCheckMatching(which.matching, parameters, who)
  const found = await rows<Omit<Candidate, 'plan'>>(
    `with chosen as (
      select p.id, p.customer_id, p.kind, p.source_id, (billed_to(p.source_id)).mail mail
      from prepared_document p
      where ${where}
      order by p.id
      limit ${mostSent + 1}
    ),
    -- what a customer wants of a kind is found once for all that is billed alike
    alike as (
      select customer_id, kind, mail, min(source_id) source_id from chosen group by customer_id, kind, mail
    ),
    wishes as materialized (
      select a.customer_id, a.kind, a.mail, preferences_for(c, a.source_id, array[a.kind]) -> a.kind wish
      from alike a
      join customer c on c.id = a.customer_id
    )
    select p.id, p.revision, p.kind, p.channel, p.send_to <> $1 "hasAddress", p.problem,
      p.changes is not null or p.stale changed, ${stopOf('p')} stopped, p.order_number "orderNumber",
      p.customer_name "customerName", p.total::text total, p.currency, ${secondLookColumns('p')},
      rehearsal_for(p) "rehearseTo",
      case
        when (w.wish ->> 'gathered')::boolean then concat_ws(
          '|', w.wish ->> 'addresses',
          p.customer_id, p.brand_id, p.kind, p.to_role, p.copy_to, p.currency, p.delay_minutes, p.hours
        )
      end gather
    from chosen h
    join prepared_document p on p.id = h.id
    join wishes w on w.customer_id = h.customer_id and w.kind = h.kind and w.mail is not distinct from h.mail
    order by p.id`,
    parameters,
  )
  const seen =
    'papers' in which ? new Map(which.papers.map((paper) => [paper.id, paper.revision])) : undefined
  const senderId = how.senderId ?? null
  const wanted = {
    issueOnly: how.postOnly,
    despite: how.despite,
    withoutAddress: how.withoutAddress,
    senderId,
  }
  const judged = found.map((paper) => {
    const changed = paper.changed || (seen !== undefined && seen.get(paper.id) !== paper.revision)
    return { ...paper, changed, plan: planSending({ ...paper, ...wanted, changed }) }
  })
  // what is rehearsed goes to nobody
  const alone = judged.filter(
    (one) => one.plan.goes && one.rehearseTo === '' && !isSecond(one.asked ?? null, senderId),
  )
  const many = (await secondLookRule())!.rule.many
  if (many === null || alone.length <= many) return judged
  const secondLook = tooManyAtOnce(many)
  return judged.map((one) =>
    alone.includes(one) ? { ...one, plan: planSending({ ...one, ...wanted, secondLook }) } : one,
  )
}

export const kindsOfSources = (ids: readonly number[]) =>
  rows<{ id: number; kind: SourceKind }>(
    'select id, kind from source where id = any($ids::int[]) order by id',
    { ids },
  )

export const rootsOfSources = (ids: readonly number[]) =>
  rows<{ id: number; kind: SourceKind; rootId: number; rootKind: SourceKind }>(
    `select s.id, s.kind, s.root_id "rootId", r.kind "rootKind"
    from source s
    join source r on r.id = s.root_id
    where s.id = any($ids::int[])`,
    { ids },
  )

export const lockRows = (source: Source, strength: string, of: readonly number[]) =>
  rows<{ id: number; version: number }>(
    `select id, version from ${source.table} where id = any($of::int[]) order by id for ${strength}`,
    { of },
  )
