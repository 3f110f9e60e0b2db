import { rows } from '../../db/connection'

/* The statements of stale.ts. */

/**
 * How every statement marks a prepared document. Marks are counted: whoever builds it anew clears only those that
 * were there when they began to read what it is made of.
 */
export const markedStale = 'stale = true, stale_mark = stale_mark + 1'

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
    where ${built[of]} and state in ('prepared', 'due', 'put back')
    returning id`,
    { id },
  )

export const markOfGroup = (group: string | null) =>
  rows<{ id: number }>(
    `update prepared_document
    set ${markedStale}
    where state in ('prepared', 'due', 'put back')
      and customer_id in (select id from customer where $group::text is null or group_name = $group)
    returning id`,
    { group },
  )
