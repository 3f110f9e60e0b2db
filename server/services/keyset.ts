import { Refusal } from '../../core/errors'

/** A page of a list and where the next one begins; `after` is null on the last page. */
export interface Listed<T> {
  rows: T[]
  after: string | null
}

export interface Sort {
  /** SQL of the sort key, never null. */ key: string
  /** SQL type of the key, for the comparison. */ type: string
  descending: boolean
}

/**
 * Keyset paging: the condition and order that continue a list after a row, by a sort key and the id.
 * `parameters` gets what the condition needs; the caller selects the key as "sortKey" text.
 */
export function keyset(
  sort: Sort,
  idColumn: string,
  after: string | undefined,
  parameters: unknown[],
): { where: string; order: string } {
  const direction = sort.descending ? 'desc' : 'asc'
  const order = `${sort.key} ${direction}, ${idColumn} ${direction}`
  if (!after) return { where: 'true', order }
  let cursor: unknown
  try {
    cursor = JSON.parse(Buffer.from(after, 'base64url').toString('utf8'))
  } catch {
    cursor = null
  }
  if (
    !Array.isArray(cursor) ||
    cursor.length !== 2 ||
    typeof cursor[0] !== 'string' ||
    !Number.isInteger(cursor[1])
  ) {
    throw new Refusal('bad-page', { status: 400 })
  }
  parameters.push(cursor[0], cursor[1])
  const compare = sort.descending ? '<' : '>'
  const place = `$${parameters.length - 1}::${sort.type}, $${parameters.length}::int`
  return { where: `(${sort.key}, ${idColumn}) ${compare} (${place})`, order }
}

/** Cuts the extra row that tells whether there is more, and makes the cursor. */
export function paged<T extends { id: number; sortKey: string }>(
  found: T[],
  limit: number,
): Listed<Omit<T, 'sortKey'>> {
  const rows = found.slice(0, limit)
  const last = rows.at(-1)
  const after =
    found.length > limit && last
      ? Buffer.from(JSON.stringify([last.sortKey, last.id])).toString('base64url')
      : null
  return { rows: rows.map(({ sortKey: _, ...row }) => row), after }
}

/** A text to look for with LIKE, its own wildcards made harmless. */
export function likeText(text: string): string {
  return `%${text
    .trim()
    .toLowerCase()
    .replace(/[\\%_]/g, '\\$&')}%`
}
