import { importLifecycle, type ImportState } from '../../../core/imports/states'
import { moveRows } from '../../db/move'
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
import { inTransaction, json } from '../../db/connection'
import { ImportFile } from '../../db/models'
import { keepFile, readFileBytes } from '../../outside/filestore/store'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { headOf, rowsOf } from './read'
import { keyOf, knownOf, problemsOf } from './references'
import { writeGroups, type Group, type Written } from './write'
import {
  mappingOfLike,
  importRow,
  newestImports,
  hasWritten,
  hasRight,
  importFile,
  deleteRows,
  insertRows,
  touchImport,
  wrongTogether,
  wrongTwice,
  nextKeys,
  rightOfKeys,
  rightAfter,
  importToWrite,
  keepRowOutcomes,
  lockRow,
  updateRow,
  rightAgain,
  rowView,
  countWithKey,
} from './imports-queries'

/*
 * Imports: a file is kept, its columns mapped with a sample beside them, every row checked before anything is
 * written, wrong ones mended on the spot, the right
 * ones written. Called from the Imports page, the job go-on-importing, and by other programs with records as JSON.
 * Dies half-way: checking begins anew; writing goes on with the rows that are not written, each batch is one
 * transaction with its rows' outcome.
 * Refuses: what is no CSV, a mapping without a needed field. The same file twice changes nothing.
 */

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
  const before = await mappingOfLike(subject, head.columns)
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

const files = { table: 'import', lifecycle: importLifecycle }

/** @throws Refusal "no-such-import" */
export async function importView(id: number): Promise<ImportView> {
  const found = await importRow(id)
  if (!found) throw new Refusal('no-such-import', 'That import does not exist.', { status: 404 })
  return found
}

/** The newest imports. */
export async function imports(): Promise<ImportView[]> {
  return newestImports()
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
    const [taken] = (await hasWritten(id))
      ? []
      : await moveRows(files, 'check', [id], {
          mapping: json(reading.mapping),
          decimal_sign: reading.decimalSign,
          day_order: reading.dayOrder,
          reason: '',
          since: clock.now(),
        })
    if (!taken)
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
    const [taken] = (await hasRight(id))
      ? await moveRows(files, 'write', [id], { since: clock.now(), tell_routines: tellRoutines })
      : []
    if (!taken) throw new Refusal('nothing-right', 'No row of this import waits to be written.')
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
  const { sha256 } = (await importFile(id))!
  await deleteRows(id)
  const alike = new Map<string, number>()
  try {
    const { text } = decodeText(await readFileBytes(sha256))
    for await (const batch of rowsOf(text, view.delimiter, view.heading, 2000)) {
      const checked = await checkRows(subject, view, batch, alike)
      await insertRows(id, checked)
      await touchImport(id, clock.now())
      publish('import', [id])
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    await moveRows(files, 'refuse', [id], { reason: error.message, since: clock.now() })
    publish('import', [id])
    return
  }
  await judgeTogether(id, subject)
  await moveRows(files, 'end checking', [id], { since: clock.now() })
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
    await wrongTogether(id)
  } else if (!counted(subject)) {
    await wrongTwice(id)
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
  if (subject === 'orders') {
    const keys = (await nextKeys(id)).map((row) => row.key)
    return rightOfKeys(id, keys)
  }
  return rightAfter({ id, after, limit: subject === 'payments' ? 200 : 1000 })
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
  const { sha256, tellRoutines } = (await importToWrite(id))!
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
  await moveRows(files, 'end writing', [id], { since: clock.now() })
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
  await keepRowOutcomes(id, lines)
  await touchImport(id, clock.now())
}

export interface RowView {
  id: number
  line: number
  cells: string[]
  state: RowState
  note: string
}

/** Mends a wrong row on the spot; it is checked at once, with those of its order. @throws Refusal "not-wrong" */
export async function mendRow(importId: number, line: number, cells: string[]): Promise<RowView> {
  const view = await importView(importId)
  const [checked] = await checkRows(view.subject, view, [{ line, cells }], new Map())
  return inTransaction(async () => {
    const before = await lockRow(importId, line)
    if (!before || ['checking', 'writing'].includes(view.state))
      throw new Refusal('not-wrong', 'That row is written already, or the import is under way.')
    const key = counted(view.subject) ? await payableKey(importId, line, checked!.key) : checked!.key
    await updateRow({ importId, line, cells, key, state: checked!.state, note: checked!.note })
    if (view.subject === 'orders') await rightAgain(importId, [before.key, key])
    await judgeTogether(importId, view.subject)
    await moveRows(files, 'mend', [importId])
    publish('import', [importId])
    return (await rowView(importId, line))!
  })
}

/**
 * A mended payment or movement counts those alike in its file, so that the mended file, taken again, gives
 * the same key.
 */
async function payableKey(importId: number, line: number, key: string): Promise<string> {
  if (key.startsWith('id ')) return key
  const said = key.replace(/\|\d+$/, '|')
  const { count } = (await countWithKey({ importId, line, said }))!
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
