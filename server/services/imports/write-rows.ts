import { groupBy } from '../../../core/group'
import { readRecord, recordOf } from '../../../core/imports/row'
import type { ImportSubject } from '../../../core/imports/subjects'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { ownFields } from '../fields/own-fields'
import { publish } from '../live/publish'
import { type ImportView, files } from './imports'
import {
  nextKeys,
  rightOfKeys,
  rightAfter,
  importToWrite,
  keepRowOutcomes,
  touchImport,
} from './imports-queries'
import { knownOf } from './references'
import { type Group, writeGroups, type Written } from './write'
import { inTheNameOf } from '../people/principal'

/*
 * Writes the right rows of an import, batch by batch, each batch one transaction with what became of its rows.
 * Called by go-on-importing. Dies half-way: what is written stays, the rest is written next.
 */

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
  const books = subject === 'payments' || subject === 'open items'
  return rightAfter({ id, after, limit: books ? 200 : 1000 })
}

export async function writeAll({
  id,
  subject,
  name,
  mapping,
  decimalSign,
  dayOrder,
  madeBy,
}: ImportView): Promise<void> {
  const { sha256, tellRoutines } = (await importToWrite(id))!
  const fields = await ownFields()
  let after = 0
  for (;;) {
    const found = await inTransaction(async () => {
      const found = await nextToWrite(id, subject, after)
      if (found.length === 0) return found
      const groups = [...groupBy(found, (row) => row.key)].map(([key, own]): Group => ({
        key,
        lines: own.map((row) => row.line),
        records: own.map(
          (row) =>
            readRecord(subject, recordOf(row.cells, { mapping }), { decimalSign, dayOrder }, fields).record,
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
        inTheNameOf(madeBy),
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
