import {
  importFields,
  guessMapping,
  oneOf,
  type ImportSubject,
  type Mapping,
} from '../../../core/imports/subjects'
import { readRecord, recordOf, type ImportRecord, type Reading } from '../../../core/imports/row'
import {
  decodeText,
  findDayOrder,
  findDecimalSign,
  type DayOrder,
  type DecimalSign,
} from '../../../core/imports/text'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { ImportFile } from '../../db/models'
import { keepFile, readFileBytes } from '../../outside/filestore/store'
import { addJob } from '../../queue/add'
import { keyset, paged, type Listed } from '../keyset'
import { publish } from '../live/publish'
import { headOf, rowsOf } from './read'
import { keyOf, knownOf, problemsOf } from './references'
import { writeGroups, type Group, type Written } from './write'

/*
 * Imports: a file is kept, its columns mapped with a sample beside them, every row checked before anything is
 * written, wrong ones mended on the spot, the right
 * ones written. Called from the Imports page, the job go-on-importing, and by other programs with records as JSON.
 * Dies half-way: checking begins anew; writing goes on with the rows that are not written, each batch is one
 * transaction with its rows' outcome.
 * Refuses: what is no CSV, a mapping without a needed field. The same file twice changes nothing.
 */

export type ImportState = 'new' | 'checking' | 'checked' | 'writing' | 'done' | 'refused'
export type RowState = 'right' | 'wrong' | 'written' | 'unchanged'

export interface ImportView {
  id: number
  subject: ImportSubject
  name: string
  encoding: string
  delimiter: string
  columns: string[]
  sample: string[][]
  mapping: Mapping
  decimalSign: DecimalSign
  dayOrder: DayOrder
  state: ImportState
  reason: string
  madeAt: Date
  madeBy: string
  /** On which row the columns are named, counted from 0. */
  heading: number
  /** Mapped as the last file with the same columns was. */
  asBefore: boolean
  /** Where movements of a bank are looked at once they are written. */
  bankFileId: number | null
  counts: Partial<Record<RowState, number>>
}

/** Most bytes of a file; some 300,000 rows. */
export const mostImportBytes = 40_000_000
/** Most records that another program gives in one call. */
export const mostRecords = 500

const columns = `
  i.id, i.subject, i.name, i.encoding, i.delimiter, i.columns, i.sample, i.mapping,
  i.decimal_sign "decimalSign", i.day_order "dayOrder", i.state, i.reason, i.made_at "madeAt",
  i.made_by "madeBy", i.heading, i.as_before "asBefore",
  (select f.id from bank_file f where f.import_id = i.id) "bankFileId",
  (
    select coalesce(jsonb_object_agg(c.state, c.count), '{}')
    from (select r.state, count(*) count from import_row r where r.import_id = i.id group by 1) c
  ) counts`

/**
 * Keeps a file and finds its making: encoding, delimiter, signs, and which column is which, as in the last
 * file with the same columns. @throws Refusal "not-text", "bad-file"
 */
export async function takeImport(
  subject: ImportSubject,
  name: string,
  bytes: Uint8Array,
  actor: string,
): Promise<number> {
  const { text, encoding } = decodeText(bytes)
  const head = headOf(text)
  const before = await one<Pick<ImportView, 'mapping' | 'decimalSign' | 'dayOrder'>>(
    `select mapping, decimal_sign "decimalSign", day_order "dayOrder"
    from import
    where subject = $1 and columns = $2::jsonb and state in ('checked', 'writing', 'done')
    order by id desc
    limit 1`,
    [subject, json(head.columns)],
  )
  const mapping = before?.mapping ?? guessMapping(subject, head.columns)
  const cellsOf = (kinds: string[]) =>
    head.sample.flatMap((row) =>
      importFields[subject].flatMap((field) => {
        const mapped = mapping[field.key]
        return kinds.includes(field.kind) && mapped && 'column' in mapped ? (row[mapped.column] ?? []) : []
      }),
    )
  return inTransaction(async () => {
    const sha256 = await keepFile(bytes, 'text/csv')
    const now = clock.now()
    const { id } = await ImportFile.create({
      subject,
      name,
      sha256,
      encoding,
      delimiter: head.delimiter,
      columns: head.columns,
      sample: head.sample,
      mapping,
      decimalSign: before?.decimalSign ?? findDecimalSign(cellsOf(['number', 'amount'])),
      dayOrder: before?.dayOrder ?? findDayOrder(cellsOf(['day'])),
      madeAt: now,
      madeBy: actor,
      since: now,
      heading: head.heading,
      asBefore: before !== undefined,
    })
    publish('import')
    return id
  })
}

/** @throws Refusal "no-such-import" */
export async function importView(id: number): Promise<ImportView> {
  const found = await one<ImportView>(`select ${columns} from import i where i.id = $1`, [id])
  if (!found) throw new Refusal('no-such-import', 'That import does not exist.', { status: 404 })
  return found
}

/** The newest imports. */
export async function imports(): Promise<ImportView[]> {
  return rows<ImportView>(`select ${columns} from import i order by i.id desc limit 50`)
}

/** Has every row checked by a mapping. @throws Refusal "unmapped" naming the field, "busy" */
export async function checkImport(id: number, reading: Reading): Promise<void> {
  const { subject, columns: names } = await importView(id)
  const missing = importFields[subject].find((field) => field.needed && !reading.mapping[field.key])
  if (missing)
    throw new Refusal('unmapped', `Say which column is “${missing.words}”, or give one value for all.`, {
      status: 400,
      about: { field: `mapping.${missing.key}` },
    })
  const some = oneOf[subject]
  if (some && !some.keys.some((key) => reading.mapping[key])) {
    const wordsOf = (key: string) => importFields[subject].find((field) => field.key === key)!.words
    throw new Refusal(
      'unmapped',
      `Say which column is ${some.keys.map((key) => `“${wordsOf(key)}”`).join(' or ')}.`,
      { status: 400, about: { field: `mapping.${some.keys[0]}` } },
    )
  }
  const unknown = Object.entries(reading.mapping).find(
    ([key, mapped]) =>
      !importFields[subject].some((field) => field.key === key) ||
      ('column' in mapped && mapped.column >= names.length),
  )
  if (unknown)
    throw new Refusal('unmapped', `“${unknown[0]}” is mapped to nothing that is there.`, {
      status: 400,
      about: { field: `mapping.${unknown[0]}` },
    })
  await inTransaction(async () => {
    const taken = await run(
      `update import
      set mapping = $2::jsonb, decimal_sign = $3, day_order = $4, state = 'checking', reason = '', since = $5
      where id = $1
        and state in ('new', 'checked', 'refused')
        and not exists (select from import_row r where r.import_id = $1 and r.state = 'written')`,
      [id, json(reading.mapping), reading.decimalSign, reading.dayOrder, clock.now()],
    )
    if (taken === 0)
      throw new Refusal(
        'busy',
        'This import is under way, or partly written. Take the file once more for another mapping.',
      )
    await addJob('go-on-importing', { importId: id })
    publish('import', [id])
  })
}

/** Has the right rows written. @throws Refusal "nothing-right" */
export async function writeImport(id: number, tellRoutines = false): Promise<void> {
  await inTransaction(async () => {
    const taken = await run(
      `update import
      set state = 'writing', since = $2, tell_routines = $3
      where id = $1
        and state in ('checked', 'done')
        and exists (select from import_row r where r.import_id = $1 and r.state = 'right')`,
      [id, clock.now(), tellRoutines],
    )
    if (taken === 0) throw new Refusal('nothing-right', 'No row of this import waits to be written.')
    await addJob('go-on-importing', { importId: id })
    publish('import', [id])
  })
}

/** The job: checks or writes what the import's state asks for. */
export async function goOnImporting(id: number): Promise<void> {
  const view = await importView(id)
  if (view.state === 'checking') await checkAll(view)
  if (view.state === 'writing') await writeAll(view)
}

interface Checked {
  line: number
  cells: string[]
  key: string
  state: RowState
  note: string
}

async function checkAll(view: ImportView): Promise<void> {
  const { id, subject } = view
  const { sha256 } = (await one<{ sha256: string }>('select sha256 from import where id = $1', [id]))!
  await run('delete from import_row where import_id = $1', [id])
  const alike = new Map<string, number>()
  try {
    const { text } = decodeText(await readFileBytes(sha256))
    for await (const batch of rowsOf(text, view.delimiter, view.heading, 2000)) {
      const checked = await checkRows(subject, view, batch, alike)
      await run(
        `insert into import_row (import_id, line, key, cells, state, note)
        select $1, c.line, left(c.key, 400), c.cells, c.state, c.note
        from jsonb_to_recordset($2::jsonb) as c (line int, key text, cells jsonb, state text, note text)
        on conflict do nothing`,
        [id, json(checked)],
      )
      await run('update import set since = $2 where id = $1', [id, clock.now()])
      publish('import', [id])
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    await run(
      `update import set state = 'refused', reason = $2, since = $3 where id = $1 and state = 'checking'`,
      [id, error.message, clock.now()],
    )
    publish('import', [id])
    return
  }
  await judgeTogether(id, subject)
  await run(`update import set state = 'checked', since = $2 where id = $1 and state = 'checking'`, [
    id,
    clock.now(),
  ])
  publish('import', [id])
}

async function checkRows(
  subject: ImportSubject,
  reading: Reading,
  batch: readonly { line: number; cells: string[] }[],
  alike: Map<string, number>,
): Promise<Checked[]> {
  const read = batch.map((row) => ({ ...row, ...readRecord(subject, recordOf(row.cells, reading), reading) }))
  const known = await knownOf(
    subject,
    read.map((one) => one.record),
  )
  return read.map(({ line, cells, record, problems }) => {
    const all = [...problems, ...(problems.length ? [] : problemsOf(subject, record, known))]
    return {
      line,
      cells,
      key: keyOf(subject, record, line, alike, known.home),
      state: all.length ? 'wrong' : 'right',
      note: all.join(' '),
    }
  })
}

/** Records that may stand in a file twice: how many alike came before is part of their key. */
const counted = (subject: ImportSubject) => subject === 'payments' || subject === 'bank movements'

/**
 * Rows that stand together: an order with a wrong line waits whole; what may come once and comes twice is
 * wrong the second time.
 */
async function judgeTogether(id: number, subject: ImportSubject): Promise<void> {
  if (subject === 'orders') {
    await run(
      `update import_row r
      set state = 'wrong', note = 'Another line of this order is wrong.'
      where r.import_id = $1
        and r.state = 'right'
        and exists (select from import_row w where w.import_id = $1 and w.key = r.key and w.state = 'wrong')`,
      [id],
    )
  } else if (!counted(subject)) {
    await run(
      `update import_row r
      set state = 'wrong', note = 'It stands in this file already, on line ' || f.line || '.'
      from (select key, min(line) line from import_row where import_id = $1 group by 1 having count(*) > 1) f
      where r.import_id = $1 and r.key = f.key and r.line > f.line and r.state = 'right'`,
      [id],
    )
  }
}

/**
 * What is written next: orders whole, in order of their numbers; all else as it stands in the file, after the
 * line that was written last.
 */
async function nextToWrite(
  id: number,
  subject: ImportSubject,
  after: number,
): Promise<{ line: number; key: string; cells: string[] }[]> {
  const right = `select r.line, r.key, r.cells from import_row r where r.import_id = $1 and r.state = 'right'`
  if (subject === 'orders') {
    const keys = (
      await rows<{ key: string }>(
        `select distinct key
        from (select key from import_row where import_id = $1 and state = 'right' order by key limit 1000) k`,
        [id],
      )
    ).map((row) => row.key)
    return rows(`${right} and r.key = any($2::text[]) order by r.key, r.line for update`, [id, keys])
  }
  return rows(`${right} and r.line > $2 order by r.line limit $3 for update`, [
    id,
    after,
    subject === 'payments' ? 200 : 1000,
  ])
}

async function writeAll({
  id,
  subject,
  name,
  mapping,
  decimalSign,
  dayOrder,
  madeBy,
}: ImportView): Promise<void> {
  const { sha256, tellRoutines } = (await one<{ sha256: string; tellRoutines: boolean }>(
    'select sha256, tell_routines "tellRoutines" from import where id = $1',
    [id],
  ))!
  let after = 0
  for (;;) {
    const found = await inTransaction(async () => {
      const found = await nextToWrite(id, subject, after)
      if (found.length === 0) return found
      const groups = [...groupBy(found, (row) => row.key)].map(([key, own]): Group => ({
        key,
        lines: own.map((row) => row.line),
        records: own.map(
          (row) => readRecord(subject, recordOf(row.cells, { mapping }), { decimalSign, dayOrder }).record,
        ),
      }))
      const known = await knownOf(
        subject,
        groups.flatMap((group) => group.records),
      )
      const written = await writeGroups(
        subject,
        groups,
        known,
        { importId: id, sha256, name },
        madeBy,
        tellRoutines,
      )
      await keepOutcomes(id, groups, written)
      return found
    })
    publish('import', [id])
    if (found.length === 0) break
    if (subject !== 'orders') after = found.at(-1)!.line
  }
  await run(`update import set state = 'done', since = $2 where id = $1 and state = 'writing'`, [
    id,
    clock.now(),
  ])
  publish('import', [id])
}

async function keepOutcomes(
  id: number,
  groups: readonly Group[],
  written: readonly Written[],
): Promise<void> {
  const lines = groups.flatMap((group, index) =>
    group.lines.map((line) => ({ line, state: written[index]!.outcome, note: written[index]!.note })),
  )
  await run(
    `update import_row r
    set state = l.state, note = l.note
    from jsonb_to_recordset($2::jsonb) as l (line int, state text, note text)
    where r.import_id = $1 and r.line = l.line`,
    [id, json(lines)],
  )
  await run('update import set since = $2 where id = $1', [id, clock.now()])
}

export interface RowView {
  id: number
  line: number
  cells: string[]
  state: RowState
  note: string
}

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

/** Mends a wrong row on the spot; it is checked at once, with those of its order. @throws Refusal "not-wrong" */
export async function mendRow(importId: number, line: number, cells: string[]): Promise<RowView> {
  const view = await importView(importId)
  const [checked] = await checkRows(view.subject, view, [{ line, cells }], new Map())
  return inTransaction(async () => {
    const before = await one<{ key: string }>(
      `select key from import_row where import_id = $1 and line = $2 and state in ('wrong', 'right') for update`,
      [importId, line],
    )
    if (!before || ['checking', 'writing'].includes(view.state))
      throw new Refusal('not-wrong', 'That row is written already, or the import is under way.')
    const key = counted(view.subject) ? await payableKey(importId, line, checked!.key) : checked!.key
    await run(
      `update import_row
      set cells = $3::jsonb, key = $4, state = $5, note = $6
      where import_id = $1 and line = $2`,
      [importId, line, json(cells), key, checked!.state, checked!.note],
    )
    if (view.subject === 'orders')
      await run(
        `update import_row
        set state = 'right', note = ''
        where import_id = $1 and key = any($2::text[]) and note = 'Another line of this order is wrong.'`,
        [importId, [before.key, key]],
      )
    await judgeTogether(importId, view.subject)
    await run(`update import set state = 'checked' where id = $1 and state = 'done'`, [importId])
    publish('import', [importId])
    return (await one<RowView>(
      'select line id, line, cells, state, note from import_row where import_id = $1 and line = $2',
      [importId, line],
    ))!
  })
}

/**
 * A mended payment or movement counts those alike in its file, so that the mended file, taken again, gives
 * the same key.
 */
async function payableKey(importId: number, line: number, key: string): Promise<string> {
  if (key.startsWith('id ')) return key
  const said = key.replace(/\|\d+$/, '|')
  const { count } = (await one<{ count: number }>(
    `select count(*)::int count
    from import_row
    where import_id = $1 and line <> $2 and left(key, length($3)) = $3`,
    [importId, line, said],
  ))!
  return `${said}${count + 1}`
}

/**
 * Records as another program gives them: checked and written in one transaction, with what became of each. A
 * wrong one stops only itself.
 */
export async function importRecords(
  subject: ImportSubject,
  records: readonly ImportRecord[],
  actor: string,
  tellRoutines = false,
): Promise<{ record: number; outcome: Written['outcome']; note: string }[]> {
  return inTransaction(async () => {
    const usual = { decimalSign: '.', dayOrder: 'day first' } as const
    const read = records.map((raw, index) => ({ at: index + 1, ...readRecord(subject, raw, usual) }))
    const known = await knownOf(
      subject,
      read.map((one) => one.record),
    )
    const alike = new Map<string, number>()
    const checked = read.map((one) => ({
      ...one,
      all: [...one.problems, ...(one.problems.length ? [] : problemsOf(subject, one.record, known))],
      key: keyOf(subject, one.record, one.at, alike, known.home),
    }))
    const groups = [...groupBy(checked, (one) => one.key)].map(([key, own]) => ({
      key,
      lines: own.map((one) => one.at),
      records: own.map((one) => one.record),
      wrong: own.some((one) => one.all.length > 0),
    }))
    const right = groups.filter(
      (group) => !group.wrong && (group.records.length === 1 || subject === 'orders'),
    )
    const source = {
      importId: null,
      sha256:
        subject === 'bank movements' ? await keepFile(Buffer.from(json(records)), 'application/json') : '',
      name: `given by ${actor}`,
    }
    const written = await writeGroups(subject, right, known, source, actor, tellRoutines)
    const outcome = new Map(
      right.flatMap((group, index) => group.lines.map((line) => [line, written[index]!] as const)),
    )
    return checked.map((one) => ({
      record: one.at,
      ...(outcome.get(one.at) ?? {
        outcome: 'wrong' as const,
        note:
          one.all.join(' ') ||
          (subject === 'orders' ? 'Another line of this order is wrong.' : 'It is given twice.'),
      }),
    }))
  })
}
