import { Refusal } from '../../../core/errors'
import { type Reading, readRecord, recordOf } from '../../../core/imports/row'
import type { ImportSubject } from '../../../core/imports/subjects'
import { decodeText } from '../../../core/imports/text'
import { allOf, toldRefusal, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { json } from '../../db/connection'
import { moveRows } from '../../db/move'
import { ownFields } from '../fields/own-fields'
import { readFileBytes } from '../../outside/filestore/store'
import { publish } from '../live/publish'
import { type RowState, type ImportView, files } from './imports'
import { importFile, deleteRows, insertRows, touchImport, wrongTogether, wrongTwice } from './imports-queries'
import { rowsOf } from './read'
import { knownOf, problemsOf, keyOf } from './references'

/*
 * Checks the rows of an import: each by itself, then those that stand together.
 * Called by go-on-importing. Dies half-way: all rows are checked anew.
 */

export interface Checked {
  line: number
  cells: string[]
  key: string
  state: RowState
  note: Told | null
}

export async function checkAll(view: ImportView): Promise<void> {
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
    await moveRows(files, 'refuse', [id], { reason: json(toldRefusal(error)), since: clock.now() })
    publish('import', [id])
    return
  }
  await judgeTogether(id, subject)
  await moveRows(files, 'end checking', [id], { since: clock.now() })
  publish('import', [id])
}

export async function checkRows(
  subject: ImportSubject,
  reading: Reading,
  batch: readonly { line: number; cells: string[] }[],
  alike: Map<string, number>,
): Promise<Checked[]> {
  const own = await ownFields()
  const read = batch.map((row) => ({
    ...row,
    ...readRecord(subject, recordOf(row.cells, reading), reading, own),
  }))
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
      note: allOf(all),
    }
  })
}

/** Records that may stand in a file twice: how many alike came before is part of their key. */
export const counted = (subject: ImportSubject) => subject === 'payments' || subject === 'bank movements'

/**
 * Rows that stand together: an order with a wrong line waits whole; what may come once and comes twice is
 * wrong the second time.
 */
export async function judgeTogether(id: number, subject: ImportSubject): Promise<void> {
  if (subject === 'orders') {
    await wrongTogether(id)
  } else if (!counted(subject)) {
    await wrongTwice(id)
  }
}
