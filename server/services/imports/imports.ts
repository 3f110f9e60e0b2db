import { importLifecycle, type ImportState } from '../../../core/imports/states'
import { moveRows } from '../../db/move'
import { fieldsOf, toldField } from '../../../core/imports/fields'
import { oneNeededOf, type ImportSubject } from '../../../core/imports/subjects'
import { guessMapping, type Mapping } from '../../../core/imports/mapping'
import { readRecord, type ImportRecord, type Reading } from '../../../core/imports/row'
import {
  decodeText,
  findDayOrder,
  findDecimalSign,
  type DayOrder,
  type DecimalSign,
} from '../../../core/imports/text'
import { badInput, Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { allOf, joined, told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction, json } from '../../db/connection'
import { ImportFile } from '../../db/models'
import { keepFile } from '../../outside/filestore/store'
import { addJob } from '../../queue/add'
import { ownFields } from '../fields/own-fields'
import { publish } from '../live/publish'
import { headOf } from './read'
import { keyOf, knownOf, problemsOf } from './references'
import { writeGroups, type Written } from './write'
import {
  mappingOfLike,
  importRow,
  newestImports,
  hasWritten,
  hasRight,
  lockRow,
  updateRow,
  rightAgain,
  rowView,
  countWithKey,
} from './imports-queries'
import { checkAll, checkRows, counted, judgeTogether } from './check-rows'
import { writeAll } from './write-rows'
import type { Principal } from '../people/principal'

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
  reason: Told | null
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
  who: Principal,
): Promise<number> {
  const { text, encoding } = decodeText(bytes)
  const head = headOf(text)
  const before = await mappingOfLike(subject, head.columns)
  const fields = fieldsOf(subject, await ownFields())
  const mapping = before?.mapping ?? guessMapping(subject, head.columns, await ownFields())
  const cellsOf = (kinds: string[]) =>
    head.sample.flatMap((row) =>
      fields.flatMap((field) => {
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
      madeBy: who.name,
      since: now,
      heading: head.heading,
      asBefore: before !== undefined,
    })
    publish('import')
    return id
  })
}

export const files = { table: 'import', lifecycle: importLifecycle }

/** @throws Refusal "no-such-import" */
export async function importView(id: number): Promise<ImportView> {
  const found = await importRow(id)
  if (!found) throw new Refusal('no-such-import', { status: 404 })
  return found
}

/** The newest imports. */
export async function imports(): Promise<ImportView[]> {
  return newestImports()
}

/** Has every row checked by a mapping. @throws Refusal "unmapped" naming the field, "busy" */
export async function checkImport(id: number, reading: Reading): Promise<void> {
  const { subject, columns: names } = await importView(id)
  const fields = fieldsOf(subject, await ownFields())
  const missing = fields.find((field) => field.needed && !reading.mapping[field.key])
  if (missing) throw badInput('unmapped', `mapping.${missing.key}`, { column: toldField(subject, missing) })
  const some = oneNeededOf(subject)
  if (some.length > 0 && !some.some((key) => reading.mapping[key])) {
    const called = fields.filter((field) => some.includes(field.key))
    throw badInput('unmapped/some', `mapping.${some[0]}`, {
      columns: joined(
        called.map((field) => told('needs/quoted', { name: toldField(subject, field) })),
        'list/or',
      ),
    })
  }
  const unknown = Object.entries(reading.mapping).find(
    ([key, mapped]) =>
      !fields.some((field) => field.key === key) || ('column' in mapped && mapped.column >= names.length),
  )
  if (unknown) throw badInput('unmapped/nothing', `mapping.${unknown[0]}`, { column: unknown[0] })
  await inTransaction(async () => {
    const [taken] = (await hasWritten(id))
      ? []
      : await moveRows(files, 'check', [id], {
          mapping: json(reading.mapping),
          decimal_sign: reading.decimalSign,
          day_order: reading.dayOrder,
          reason: null,
          since: clock.now(),
        })
    if (!taken) throw new Refusal('busy')
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
    if (!taken) throw new Refusal('nothing-right')
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

export interface RowView {
  id: number
  line: number
  cells: string[]
  state: RowState
  note: Told | null
}

/** Mends a wrong row on the spot; it is checked at once, with those of its order. @throws Refusal "not-wrong" */
export async function mendRow(importId: number, line: number, cells: string[]): Promise<RowView> {
  const view = await importView(importId)
  const [checked] = await checkRows(view.subject, view, [{ line, cells }], new Map())
  return inTransaction(async () => {
    const before = await lockRow(importId, line)
    if (!before || ['checking', 'writing'].includes(view.state)) throw new Refusal('not-wrong')
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
  who: Principal,
  tellRoutines = false,
): Promise<{ record: number; outcome: Written['outcome']; note: Told }[]> {
  return inTransaction(async () => {
    const usual = { decimalSign: '.', dayOrder: 'day first' } as const
    const own = await ownFields()
    const read = records.map((raw, index) => ({ at: index + 1, ...readRecord(subject, raw, usual, own) }))
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
      name: `given by ${who.name}`,
    }
    const written = await writeGroups(subject, right, known, source, who, tellRoutines)
    const outcome = new Map(
      right.flatMap((group, index) => group.lines.map((line) => [line, written[index]!] as const)),
    )
    return checked.map((one) => ({
      record: one.at,
      ...(outcome.get(one.at) ?? {
        outcome: 'wrong' as const,
        note: allOf(one.all) ?? told(subject === 'orders' ? 'row/other-line' : 'row/twice'),
      }),
    }))
  })
}
