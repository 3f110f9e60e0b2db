import type { MovementState } from '../../../core/receivables/movement-states'
import { rows, one, run, json } from '../../db/connection'
import { type Listed, keyset, paged } from '../keyset'
import type { EntryView, BankFileView } from './bank'

/* The statements of bank.ts. */

const fileColumns = `
  f.id, f.name, f.account, f.state, f.reason, f.entries, f.known, f.made_at "madeAt", f.made_by "madeBy",
  (
    select coalesce(jsonb_object_agg(c.state, c.count), '{}')
    from (select e.state, count(*) count from bank_entry e where e.file_id = f.id group by 1) c
  ) counts`

const entryColumns = `
  e.id, e.file_id "fileId", e.booked_on::text "bookedOn", e.amount::text amount, e.currency, e.name, e.iban,
  e.text, e.reference, e.state, e.reason, e.proposal, e.payment_id "paymentId", e.decided_by "decidedBy"`

/** One page of a file's movements, those that need somebody first. */
export async function bankEntries(filter: {
  fileId: number
  state?: MovementState
  after?: string
  limit: number
}): Promise<Listed<EntryView>> {
  const parameters: unknown[] = [filter.fileId, filter.state ?? null]
  const rank = `array_position(array['unsure', 'strange', 'sure', 'to book', 'booked', 'set aside'], e.state)`
  const page = keyset({ key: rank, type: 'int', descending: false }, 'e.id', filter.after, parameters)
  const found = await rows<EntryView & { sortKey: string }>(
    `select ${entryColumns}, (${rank})::text "sortKey"
    from bank_entry e
    where e.file_id = $1 and ($2::text is null or e.state = $2) and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return paged(found, filter.limit)
}

export const bankFileBySum = (sha256: string) =>
  one<{ id: number; name: string; at: Date; by: string }>(
    'select id, name, made_at at, made_by by from bank_file where sha256 = $sha256 and import_id is null',
    { sha256 },
  )

export const insertBankFile = (given: { sha256: string; name: string; now: Date; actor: string }) =>
  one<{ id: number }>(
    `insert into bank_file (sha256, name, made_at, made_by)
    values ($sha256, $name, $now, $actor)
    on conflict (sha256)
    where import_id is null do nothing
    returning id`,
    given,
  )

export const bankFileState = (fileId: number) =>
  one<{ sha256: string; state: string }>('select sha256, state from bank_file where id = $fileId', { fileId })

export const lockReading = (fileId: number) =>
  one(`select id from bank_file where id = $fileId and state = 'reading' for update`, { fileId })

export const knownEntries = (keys: readonly { account: string; key: string }[]) =>
  rows<{ account: string; key: string }>(
    `select e.account, e.key
    from bank_entry e
    join jsonb_to_recordset($keys::jsonb) as n (account text, key text)
      on n.account = e.account
      and n.key = e.key`,
    { keys: json(keys) },
  )

export const insertEntries = (fileId: number, entries: unknown) =>
  run(
    `insert into bank_entry (
      file_id, account, key, booked_on, amount, currency, name, iban, text, reference, state, reason, proposal
    )
    select $fileId, n.account, n.key, n."bookedOn", n.amount, n.currency, left(n.name, 200), left(n.iban, 60),
      left(n.text, 1000), left(n.reference, 200), n.state, n.reason, n.proposal
    from jsonb_to_recordset($entries::jsonb) as n (
      account text, key text, "bookedOn" date, amount numeric, currency text, name text, iban text, text text,
      reference text, state text, reason jsonb, proposal jsonb
    )`,
    { fileId, entries: json(entries) },
  )

export const insertMovementsFile = (
  conflict: string,
  given: { sha256: string; name: string; importId: number | null; now: Date; actor: string },
) =>
  one<{ id: number }>(
    `insert into bank_file (sha256, name, import_id, state, made_at, made_by)
    values ($sha256, $name, $importId, 'ready', $now, $actor)
    on conflict ${conflict} do update
    set name = excluded.name
    returning id`,
    given,
  )

export const closeMovements = (id: number, known: number) =>
  run(
    `update bank_file f
    set known = f.known + $known,
      entries = f.known + $known + (select count(*) from bank_entry e where e.file_id = f.id),
      account = (
        select coalesce(left(string_agg(distinct e.account, ', '), 200), '')
        from bank_entry e
        where e.file_id = f.id and e.account <> ''
      )
    where f.id = $id`,
    { id, known },
  )

export const bankFileRows = () =>
  rows<BankFileView>(`select ${fileColumns} from bank_file f order by f.id desc limit 100`)

/** Movements of a file that are sure, all or of those named. */
export const sureOf = (fileId: number, ids: readonly number[] | null) =>
  rows<{ id: number }>(
    `select id
    from bank_entry
    where file_id = $fileId and state = 'sure' and ($ids::int[] is null or id = any($ids))`,
    { fileId, ids },
  )

export const nextToBook = (fileId: number) =>
  rows<{ id: number; by: string }>(
    `select id, decided_by by from bank_entry where file_id = $fileId and state = 'to book' order by id limit 100`,
    { fileId },
  )

export const lockEntry = (id: number) =>
  one<EntryView>(`select ${entryColumns} from bank_entry e where e.id = $id for update`, { id })

export const lockOpenEntries = (fileId: number) =>
  rows<EntryView>(
    `select ${entryColumns}
    from bank_entry e
    where e.file_id = $fileId and e.state in ('sure', 'unsure', 'strange')
    order by e.id
    limit 5000
    for update`,
    { fileId },
  )

export const keepProposals = (entries: unknown) =>
  run(
    `update bank_entry e
    set reason = n.reason, proposal = n.proposal
    from jsonb_to_recordset($entries::jsonb) as n (id int, reason jsonb, proposal jsonb)
    where e.id = n.id`,
    { entries: json(entries) },
  )
