import { told, type Told } from '../../../core/said/told'
import { saidSentences } from '../../../core/said/sentences'
import { rows, one, json, run } from '../../db/connection'
import { type Listed, keyset, paged } from '../keyset'
import type { Checked } from './check-rows'
import type { RowState, RowView, ImportView } from './imports'

/* The statements of imports.ts. */

const columns = `
  i.id, i.subject, i.name, i.encoding, i.delimiter, i.columns, i.sample, i.mapping,
  i.decimal_sign "decimalSign", i.day_order "dayOrder", i.state, i.reason, i.made_at "madeAt",
  i.made_by "madeBy", i.heading, i.as_before "asBefore",
  (select f.id from bank_file f where f.import_id = i.id) "bankFileId",
  (
    select coalesce(jsonb_object_agg(c.state, c.count), '{}')
    from (select r.state, count(*) count from import_row r where r.import_id = i.id group by 1) c
  ) counts`

/** One page of an import's rows, by line. */
export async function importRows(filter: {
  importId: number
  state?: RowState
  after?: string
  limit: number
}): Promise<Listed<RowView>> {
  const parameters: unknown[] = [filter.importId, filter.state ?? null]
  const page = keyset({ key: 'r.line', type: 'int', descending: false }, 'r.line', filter.after, parameters)
  const found = await rows<RowView & { sortKey: string }>(
    `select r.line id, r.line, r.cells, r.state, r.note, r.line::text "sortKey"
    from import_row r
    where r.import_id = $1 and ($2::text is null or r.state = $2) and ${page.where}
    order by r.line
    limit ${filter.limit + 1}`,
    parameters,
  )
  return paged(found, filter.limit)
}

export const mappingOfLike = (subject: string, columns: readonly string[]) =>
  one<Pick<ImportView, 'mapping' | 'decimalSign' | 'dayOrder'>>(
    `select mapping, decimal_sign "decimalSign", day_order "dayOrder"
    from import
    where subject = $subject and columns = $columns::jsonb and state in ('checked', 'writing', 'done')
    order by id desc
    limit 1`,
    { subject, columns: json(columns) },
  )

export const importRow = (id: number) =>
  one<ImportView>(`select ${columns} from import i where i.id = $id`, { id })

export const newestImports = () =>
  rows<ImportView>(`select ${columns} from import i order by i.id desc limit 50`)

/** Whether a row is written already: then the file is not checked by another mapping. Locks the import. */
export const hasWritten = async (id: number) => {
  await run('select id from import where id = $id for update', { id })
  return (
    (await one(`select line from import_row where import_id = $id and state = 'written' limit 1`, { id })) !==
    undefined
  )
}

export const hasRight = async (id: number) =>
  (await one(`select line from import_row where import_id = $id and state = 'right' limit 1`, { id })) !==
  undefined

export const importFile = (id: number) =>
  one<{ sha256: string }>('select sha256 from import where id = $id', { id })

export const deleteRows = (id: number) => run('delete from import_row where import_id = $id', { id })

export const insertRows = (importId: number, rows: readonly Checked[]) =>
  run(
    `insert into import_row (import_id, line, key, cells, state, note)
    select $importId, c.line, left(c.key, 400), c.cells, c.state, c.note
    from jsonb_to_recordset($rows::jsonb) as c (line int, key text, cells jsonb, state text, note jsonb)
    on conflict do nothing`,
    { importId, rows: json(rows) },
  )

export const touchImport = (id: number, now: Date) =>
  run('update import set since = $now where id = $id', { id, now })

const otherLineWrong = told('row/other-line')

export const wrongTogether = (id: number) =>
  run(
    `update import_row r
    set state = 'wrong', note = $note::jsonb
    where r.import_id = $id
      and r.state = 'right'
      and exists (select from import_row w where w.import_id = $id and w.key = r.key and w.state = 'wrong')`,
    { id, note: json(otherLineWrong) },
  )

export const wrongTwice = (id: number) =>
  run(
    `update import_row r
    set state = 'wrong', note = jsonb_build_object(
      'says', 'row/here-already', 'values', jsonb_build_object('line', f.line),
      'words', replace($sentence, '{line}', f.line::text)
    )
    from (select key, min(line) line from import_row where import_id = $id group by 1 having count(*) > 1) f
    where r.import_id = $id and r.key = f.key and r.line > f.line and r.state = 'right'`,
    { id, sentence: saidSentences['row/here-already'] },
  )

export const nextKeys = (id: number) =>
  rows<{ key: string }>(
    `select distinct key
    from (select key from import_row where import_id = $id and state = 'right' order by key limit 1000) k`,
    { id },
  )

const right = `select r.line, r.key, r.cells from import_row r where r.import_id = $id and r.state = 'right'`

export const rightOfKeys = (id: number, keys: readonly string[]) =>
  rows<{ line: number; key: string; cells: string[] }>(
    `${right} and r.key = any($keys::text[]) order by r.key, r.line for update`,
    { id, keys },
  )

export const rightAfter = (given: { id: number; after: number; limit: 200 | 1000 }) =>
  rows<{ line: number; key: string; cells: string[] }>(
    `${right} and r.line > $after order by r.line limit $limit for update`,
    given,
  )

export const importToWrite = (id: number) =>
  one<{ sha256: string; tellRoutines: boolean }>(
    'select sha256, tell_routines "tellRoutines" from import where id = $id',
    { id },
  )

export const keepRowOutcomes = (
  importId: number,
  lines: readonly { line: number; state: 'written' | 'unchanged' | 'wrong'; note: Told }[],
) =>
  run(
    `update import_row r
    set state = l.state, note = l.note
    from jsonb_to_recordset($lines::jsonb) as l (line int, state text, note jsonb)
    where r.import_id = $importId and r.line = l.line`,
    { importId, lines: json(lines) },
  )

export const lockRow = (importId: number, line: number) =>
  one<{ key: string }>(
    `select key
    from import_row
    where import_id = $importId and line = $line and state in ('wrong', 'right')
    for update`,
    { importId, line },
  )

export const updateRow = (given: {
  importId: number
  line: number
  cells: readonly string[]
  key: string
  state: RowState
  note: Told | null
}) =>
  run(
    `update import_row
    set cells = $cells::jsonb, key = $key, state = $state, note = $note::jsonb
    where import_id = $importId and line = $line`,
    { ...given, cells: json(given.cells), note: given.note && json(given.note) },
  )

export const rightAgain = (importId: number, keys: readonly string[]) =>
  run(
    `update import_row
    set state = 'right', note = null
    where import_id = $importId and key = any($keys::text[]) and note ->> 'says' = $says`,
    { importId, keys, says: otherLineWrong.says },
  )

export const rowView = (importId: number, line: number) =>
  one<RowView>(
    'select line id, line, cells, state, note from import_row where import_id = $importId and line = $line',
    { importId, line },
  )

export const countWithKey = (given: { importId: number; line: number; said: string }) =>
  one<{ count: number }>(
    `select count(*)::int count
    from import_row
    where import_id = $importId and line <> $line and left(key, length($said)) = $said`,
    given,
  )
