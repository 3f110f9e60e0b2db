import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import { one, rows, run } from '../../db/connection'

/* The statements of stale.ts. */

/**
 * How every statement marks a prepared document. Marks are counted: whoever builds it anew clears only those that
 * were there when they began to read what it is made of.
 */
export const markedStale = 'stale = true, stale_mark = stale_mark + 1'

/** Documents that are made and not issued. */
const open = `state in ('prepared', 'due', 'put back')`

/** Says that something of the whole house has changed: see `holdPapersVersion`. */
const raisePapersVersion = () => run('update company set papers_version = papers_version + 1')

/**
 * The version of what of the whole house stands on documents; nobody raises it before the caller's transaction ends.
 * Who inserts a prepared document compares it with the one that it was built from: what is marked after it is held
 * finds the new document, and what was marked before shows in the version.
 */
export const holdPapersVersion = () =>
  one<{ version: number }>('select papers_version version from company for share')

/** What a prepared document is built from; a source counts with its parts. */
const built = {
  source: 'source_id in (select id from source where id = $id or part_of = $id)',
  customer: 'customer_id = $id',
  brand: 'brand_id = $id',
}
export type BuiltFrom = keyof typeof built

export const markBuiltFrom = (of: BuiltFrom, id: number) =>
  rows<{ id: number }>(
    `update prepared_document
    set ${markedStale}
    where ${built[of]} and ${open}
    returning id`,
    { id },
  )

export const markById = (ids: readonly number[]) =>
  rows<{ id: number }>(
    `update prepared_document set ${markedStale} where id = any($ids::int[]) and ${open} returning id`,
    { ids },
  )

/** Marks what of these orders tells how they stand: updates, and whatever has an email that names the status. */
export const markOfStatus = (orderIds: readonly number[]) =>
  rows<{ id: number }>(
    `update prepared_document p
    set ${markedStale}
    from email_text n
    where p.source_id = any($orderIds::int[]) and ${open} and n.id = p.email_text_id
      and (
        p.kind = any($updates::text[])
          or jsonb_path_exists(
            jsonb_build_array(n.subject, n.text), '$.**.attrs ? (@.name == "status" || @.field == "status")'
          )
      )
    returning p.id`,
    { orderIds, updates: documentKinds.filter((kind) => kindFacts[kind].isUpdate) },
  )

/** Marks all there are, or those of the customers of a group, or in some currencies. */
export async function markOfHouse(which: {
  group?: string
  currencies?: readonly string[]
}): Promise<{ id: number }[]> {
  await raisePapersVersion()
  return rows<{ id: number }>(
    `update prepared_document
    set ${markedStale}
    where ${open}
      and ($currencies::text[] is null or currency = any($currencies))
      and ($group::text is null or customer_id in (select id from customer where group_name = $group))
    returning id`,
    { group: which.group ?? null, currencies: which.currencies ?? null },
  )
}
