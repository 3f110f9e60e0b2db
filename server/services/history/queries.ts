import { run, json, rows } from '../../db/connection'
import type { HistoryEntry, HistoryNote } from './history'

/* The statements of history that have no file of their own. */

export const insertHistory = (now: Date, entries: readonly HistoryNote[]) =>
  run(
    `insert into history (at, actor, source_id, prepared_id, document_id, dispatch_id, words, detail, told)
    select $now::timestamptz, e.actor, e."sourceId", e."preparedId", e."documentId", e."dispatchId", e.words,
      e.detail, jsonb_build_object('says', e.says, 'values', e.values)
    from jsonb_to_recordset($entries::jsonb) as e (
      actor text, "sourceId" int, "preparedId" int, "documentId" int, "dispatchId" int, words text, detail jsonb,
      says text, values jsonb
    )`,
    { now, entries: json(entries) },
  )

export const historyEntries = (given: {
  sourceId: number | null
  preparedId: number | null
  documentId: number | null
  dispatchId: number | null
}) =>
  rows<HistoryEntry>(
    `with
      sources as (select id from source where id = $sourceId or part_of = $sourceId),
      papers as (
        select id
        from prepared_document
        where id = $preparedId
        union
        select prepared_id
        from document
        where id = $documentId
        union
        select d.prepared_id
        from dispatch_document dd
        join document d on d.id = dd.document_id
        where dd.dispatch_id = $dispatchId
        union
        select id
        from prepared_document
        where source_id in (select id from sources)
      ),
      documents as (select id from document where id = $documentId or prepared_id in (select id from papers)),
      dispatches as (
        select dispatch_id as id
        from dispatch_document
        where document_id in (select id from documents)
        union
        select $dispatchId::int
        where $dispatchId::int is not null
      )
    select at, actor, words, detail, coalesce(told ->> 'says', 'list/one') says,
      coalesce(told -> 'values', jsonb_build_object('first', words)) "values"
    from history
    where id in (
      select id
      from history
      where source_id in (select id from sources)
      union
      select id
      from history
      where prepared_id in (select id from papers)
      union
      select id
      from history
      where document_id in (select id from documents)
      union
      select id
      from history
      where dispatch_id in (select id from dispatches)
    )
    order by at, id
    limit 500`,
    given,
  )
