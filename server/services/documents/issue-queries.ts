import type { Day } from '../../../core/documents/days'
import type { Preference } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
import { run, rows, json, one } from '../../db/connection'
import { markedStale } from '../outbox/queries'
import { stopOf } from '../dispatch/stopped-queries'
import { type SeriesRow } from '../house/house'
import { seriesColumns } from '../house/house-queries'
import type { PaperRow } from './insert-document'
import type { IssueResult } from './ready-to-issue'
import { secondLookColumns } from './second-look-queries'

/* The statements of issue.ts. */

const paperColumns = `
  id, ${stopOf('prepared_document')} stopped, to_addresses "toAddresses", own_email "ownEmail", source_id "sourceId",
  (select kind from source s where s.id = source_id) "sourceKind",
  (select root_id from source s where s.id = source_id) "rootId", credits_id "creditsId",
  replaces_id "replacesId", wanted_date::text "wantedDate", event_day::text "eventDay",
  earlier_date_ok "earlierDateOk", kind, occasion, state, revision, problem, changes is not null "changed",
  stale, source, built_from "builtFrom", design_id "designId", email_text_id "emailTextId",
  customer_id "customerId", customer_name "customerName", brand_id "brandId", order_number "orderNumber",
  order_date::text "orderDate", channel, send_to "sendTo", to_role role, delay_minutes "delayMinutes",
  copy_to "copyTo", hours, ${secondLookColumns('prepared_document')}`

export type Outcome = Omit<IssueResult, 'preparedId'>

export const failed = (reason: Told): Outcome => ({
  outcome: 'failed',
  number: null,
  reason,
  documentId: null,
})

/** Where prepared documents go as rehearsals; those that go for real are none. */
export const rehearsalsOf = async (ids: readonly number[]): Promise<Map<number, string>> => {
  const found = await rows<{ id: number; address: string }>(
    `select x.id, x.address
    from (select p.id, rehearsal_for(p) address from prepared_document p where p.id = any($ids::int[])) x
    where x.address <> ''`,
    { ids },
  )
  return new Map(found.map(({ id, address }) => [id, address]))
}

export const notAutomatic = (ids: readonly number[]) =>
  run('update prepared_document set automatic = false where id = any($ids::int[])', { ids })

export const lockIssuer = () => run(`select pg_advisory_xact_lock(hashtext('issue automatic'))`)

export const nextAutomatic = (limit: number) =>
  rows<{ preparedId: number }>(
    `select id "preparedId"
    from prepared_document
    where state = 'prepared' and automatic and not stale and ${stopOf('prepared_document')} is null
    order by order_date, length(order_number), order_number
    limit $limit`,
    { limit },
  )

export const keepBack = (failed: readonly IssueResult[]) =>
  run(
    `update prepared_document p
    set automatic = false, kept_back = true, kept_back_noticed = false,
      problem = case when f.outcome = 'failed' then f.reason else p.problem end
    from jsonb_to_recordset($failed::jsonb) as f ("preparedId" int, reason jsonb, outcome text)
    where p.id = f."preparedId" and p.state = 'prepared'`,
    { failed: json(failed) },
  )

export const creditedBy = (ids: readonly number[]) =>
  rows<{ sourceId: number; creditsId: number | null }>(
    'select source_id "sourceId", credits_id "creditsId" from prepared_document where id = any($ids::int[])',
    { ids },
  )

export const lockOpenItems = (documentIds: readonly number[]) =>
  run(
    `select document_id
    from open_item
    where document_id = any($documentIds::int[])
    order by document_id
    for update`,
    { documentIds },
  )

export const lockCustomersOf = (paidBy: undefined | null | string, ids: readonly number[]) =>
  rows<{
    id: number
    version: number
    facts: PaperRow['customerFacts']
  }>(
    `select c.id, c.version,
      jsonb_build_object('group', c.group_name, 'country', c.country, 'salesperson', c.salesperson) facts
    from customer c
    where c.id in (select customer_id from prepared_document where id = any($ids::int[]))
    order by c.id for ${paidBy ? 'update' : 'share'}`,
    { ids },
  )

/** What the customers of prepared documents want of their kind. */
export const wishesOf = (ids: readonly number[]) =>
  rows<{ id: number; wish: Preference }>(
    `select p.id, preferences_for(c, p.source_id, array[p.kind]) -> p.kind wish
    from prepared_document p
    join customer c on c.id = p.customer_id
    where p.id = any($ids::int[])`,
    { ids },
  )

export const lockPrepared = (ids: readonly number[]) =>
  rows<Omit<PaperRow, 'rehearseTo'>>(
    `select ${paperColumns} from prepared_document where id = any($ids::int[]) order by id for update`,
    { ids },
  )

export const brandVersions = () => rows<{ id: number; version: number }>('select id, version from brand')

export const markPreparedStale = (ids: readonly number[]) =>
  run(`update prepared_document set ${markedStale} where id = any($ids::int[])`, { ids })

export const seriesOfBrands = (brandIds: readonly number[]) =>
  rows<SeriesRow>(
    `select ${seriesColumns}
    from number_series s
    where brand_id = any($brandIds::int[])
    order by id`,
    { brandIds },
  )

export const postedRoutine = () =>
  one(`select id from routine where is_on and sentence ->> 'on' = 'posted' limit 1`)

export const lockCounter = (seriesId: number, period: string) =>
  one<{ last: number }>(
    'select last from series_counter where series_id = $seriesId and period = $period for update',
    { seriesId, period },
  )

export const newestDateIn = (seriesId: number, period: string) =>
  one<{ newest: Day | null }>(
    'select max(date)::text newest from document where series_id = $seriesId and period = $period',
    { seriesId, period },
  )

export const setCounter = (given: { seriesId: number; period: string; last: number }) =>
  run('update series_counter set last = $last where series_id = $seriesId and period = $period', given)

export const insertCounter = (given: { seriesId: number; period: string; last: number }) =>
  run(
    'insert into series_counter (series_id, period, last) values ($seriesId, $period, $last) on conflict do nothing',
    given,
  )
