import { clock } from '../../clock'
import { json, rows, run } from '../../db/connection'

export interface HistoryEntry {
  at: Date
  actor: string
  words: string
  detail: unknown
}

export interface HistorySubject {
  sourceId?: number
  preparedId?: number
  documentId?: number
  dispatchId?: number
}

/**
 * Writes what happened, by whom, in the transaction that does it. `words` is a plain sentence; `detail` holds
 * what stood behind it.
 */
export async function note(
  subject: HistorySubject,
  actor: string,
  words: string,
  detail?: unknown,
): Promise<void> {
  await noteAll([{ ...subject, actor, words, detail }])
}

/** Many entries in one statement. */
export async function noteAll(
  entries: readonly (HistorySubject & { actor: string; words: string; detail?: unknown })[],
): Promise<void> {
  if (entries.length === 0) return
  await run(
    `insert into history (at, actor, source_id, prepared_id, document_id, dispatch_id, words, detail)
    select $1::timestamptz, e.actor, e."sourceId", e."preparedId", e."documentId", e."dispatchId", e.words,
      e.detail
    from jsonb_to_recordset($2::jsonb) as e (
      actor text, "sourceId" int, "preparedId" int, "documentId" int, "dispatchId" int, words text, detail jsonb
    )`,
    [clock.now(), json(entries)],
  )
}

/** Everything that happened to a source and its parts, its papers, documents and dispatches; oldest first. */
export async function historyOf(subject: HistorySubject): Promise<HistoryEntry[]> {
  return rows<HistoryEntry>(
    `with
      sources as (select id from source where id = $1 or part_of = $1),
      papers as (
        select id
        from prepared_document
        where id = $2
        union
        select prepared_id
        from document
        where id = $3
        union
        select d.prepared_id
        from dispatch_document dd
        join document d on d.id = dd.document_id
        where dd.dispatch_id = $4
        union
        select id
        from prepared_document
        where source_id in (select id from sources)
      ),
      documents as (select id from document where id = $3 or prepared_id in (select id from papers)),
      dispatches as (
        select dispatch_id as id
        from dispatch_document
        where document_id in (select id from documents)
        union
        select $4::int
        where $4::int is not null
      )
    select at, actor, words, detail
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
    [
      subject.sourceId ?? null,
      subject.preparedId ?? null,
      subject.documentId ?? null,
      subject.dispatchId ?? null,
    ],
  )
}
