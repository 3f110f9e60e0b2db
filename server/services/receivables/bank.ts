import {
  bankFileLifecycle,
  movementLifecycle,
  type BankFileState,
  type MovementState,
} from '../../../core/receivables/movement-states'
import { moveRows } from '../../db/move'
import { company } from '../house/house'
import { dayWords, dayInZone } from '../../../core/documents/days'
import { createHash } from 'node:crypto'
import { setImmediate } from 'node:timers/promises'
import type { BankEntry, BankStatement } from '../../../core/receivables/bank-statement'
import { Camt053Reader } from '../../../core/receivables/camt053'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction, json } from '../../db/connection'
import { keepFile, readFileBytes } from '../../outside/filestore/store'
import { addJob } from '../../queue/add'
import { decodeText } from '../../../core/imports/text'
import { toldRefusal, type Told } from '../../../core/said/told'
import { publish } from '../live/publish'
import { Matcher, type Proposal } from './bank-match'
import {
  bankFileBySum,
  insertBankFile,
  bankFileState,
  lockReading,
  knownEntries,
  insertEntries,
  insertMovementsFile,
  closeMovements,
  bankFileRows,
} from './bank-queries'
import type { Principal } from '../people/principal'

/*
 * Bank files: read, each movement matched with what is open, looked at, and booked.
 * Called from the Bank files page and the jobs read-bank-file and book-bank-entries. The same file, and the
 * same movement in another file, comes in once.
 * Dies half-way: a file is read in one transaction and is read again when the job comes again; each booking
 * is a transaction of its own, the entry with its payment.
 * Refuses: the same file again, what is no bank statement, an entry that is booked or being booked.
 */

export interface BankFileView {
  id: number
  name: string
  account: string
  state: BankFileState
  reason: Told | null
  entries: number
  known: number
  madeAt: Date
  madeBy: string
  counts: Record<MovementState, number>
}

export interface EntryView extends Omit<BankEntry, 'key'> {
  id: number
  fileId: number
  state: MovementState
  reason: Told
  proposal: Proposal
  paymentId: number | null
  decidedBy: string
}

const files = { table: 'bank_file', lifecycle: bankFileLifecycle }
export const movements = { table: 'bank_entry', lifecycle: movementLifecycle }

/** Most bytes of a bank file; some 20,000 movements. */
export const mostBankBytes = 30_000_000

/** Keeps a file and has it read. @throws Refusal "read-before" */
export async function takeBankFile(name: string, bytes: Uint8Array, who: Principal): Promise<number> {
  if (bytes.length === 0) throw new Refusal('empty-file', { status: 400 })
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  const known = await bankFileBySum(sha256)
  if (known)
    throw new Refusal('read-before', {
      values: {
        day: dayWords(dayInZone(known.at, (await company()).timeZone)),
        by: known.by,
        name: known.name,
      },
      about: { record: { kind: 'bank file', id: known.id, label: known.name } },
    })
  return inTransaction(async () => {
    await keepFile(bytes, 'application/octet-stream')
    const row = await insertBankFile({ sha256, name, now: clock.now(), actor: who.name })
    if (!row) throw new Refusal('read-before/now')
    await addJob('read-bank-file', { fileId: row.id })
    publish('payment')
    return row.id
  })
}

/** Reads a kept file and matches its movements; those known from other files are counted and left out. */
export async function readBankFile(fileId: number): Promise<void> {
  const file = await bankFileState(fileId)
  if (file?.state !== 'reading') return
  let statements: BankStatement[]
  try {
    statements = await readStatements(decodeText(await readFileBytes(file.sha256)).text)
    if (statements.every((one) => one.entries.length === 0)) throw new Refusal('not-a-statement/empty')
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    await moveRows(files, 'refuse', [fileId], { reason: json(toldRefusal(error)) })
    publish('payment')
    return
  }
  await keepEntries(fileId, statements)
}

/** Piece by piece, so that what else this process does goes on meanwhile. */
async function readStatements(xml: string): Promise<BankStatement[]> {
  const reader = new Camt053Reader()
  for (let at = 0; at < xml.length; at += 131_072) {
    reader.write(xml.slice(at, at + 131_072))
    await setImmediate()
  }
  return reader.close()
}

/** Keeps the movements of a file that are not known, matched. */
async function keepEntries(fileId: number, statements: readonly BankStatement[]): Promise<void> {
  const all = statements.flatMap(({ account, entries }) =>
    entries.map((entry) => ({ ...entry, account, key: digested(entry.key) })),
  )
  await inTransaction(async () => {
    if (!(await lockReading(fileId))) return
    const matcher = new Matcher()
    let fresh = 0
    for (let at = 0; at < all.length; at += 500)
      fresh += (await addEntries(fileId, all.slice(at, at + 500), matcher)).size
    await moveRows(files, 'end reading', [fileId], {
      account: accountsOf(all),
      entries: all.length,
      known: all.length - fresh,
    })
    publish('payment')
  })
}

/** A movement as it is kept: its key, as everything that is said of it, may be longer than an index takes. */
export const digested = (key: string) =>
  `${createHash('sha256')
    .update(key.replace(/\|\d+$/, ''))
    .digest('hex')}|${/\d+$/.exec(key)![0]}`

const placed = ({ account, key }: { account: string; key: string }) => json([account, key])

const accountsOf = (entries: readonly { account: string }[]) =>
  [...new Set(entries.map((one) => one.account).filter(Boolean))].join(', ').slice(0, 200)

type Placed = BankEntry & { account: string }

/** Keeps a batch of movements, matched. @returns those that were not known, by account and key */
async function addEntries(fileId: number, batch: readonly Placed[], matcher: Matcher): Promise<Set<string>> {
  const there = new Set((await knownEntries(batch.map(({ account, key }) => ({ account, key })))).map(placed))
  const fresh = [
    ...new Map(
      batch.filter((entry) => !there.has(placed(entry))).map((entry) => [placed(entry), entry]),
    ).values(),
  ]
  const matches = await matcher.match(fresh)
  await insertEntries(
    fileId,
    fresh.map((entry, index) => ({
      ...entry,
      state: matches[index]!.certainty,
      reason: matches[index]!.reason,
      proposal: matches[index]!.proposal,
    })),
  )
  return new Set(fresh.map(placed))
}

/** Where movements come from that were mapped: an import of a CSV, or records that another program gave. */
export interface MovementSource {
  importId: number | null
  sha256: string
  name: string
}

/** Keeps mapped movements, matched, in the caller's transaction. @returns for each whether it was not known */
export async function keepMovements(
  source: MovementSource,
  entries: readonly Placed[],
  who: Principal,
): Promise<boolean[]> {
  const conflict = source.importId === null ? '(sha256) where import_id is null' : '(import_id)'
  const { id } = (await insertMovementsFile(conflict, {
    sha256: source.sha256,
    name: source.name,
    importId: source.importId,
    now: clock.now(),
    actor: who.name,
  }))!
  const fresh = await addEntries(id, entries, new Matcher())
  const known = entries.length - fresh.size
  await closeMovements(id, known)
  publish('payment')
  return entries.map((entry) => fresh.has(placed(entry)))
}

/** Files, newest first. */
export async function bankFiles(): Promise<BankFileView[]> {
  return bankFileRows()
}
