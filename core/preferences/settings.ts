import { told, type Told } from '../said/told'

/** Where a value was found, from the most particular to the most general. */
export type Level =
  'this sending' | 'order' | 'customer' | 'group' | 'routine' | 'brand' | 'company' | 'built in'

const order: readonly Level[] = [
  'this sending',
  'order',
  'customer',
  'group',
  'routine',
  'brand',
  'company',
  'built in',
]

export interface Candidate<T> {
  level: Level
  value: T | null | undefined
  /** Name of the group, brand … for the words beside the value. */
  name?: string
  /** A routine may pin its design or email text, which then stands before the customer's. */
  pinned?: boolean
  /** Brand the candidate belongs to; one of another brand than the order's is skipped. */
  brand?: string
}

export interface Found<T> {
  value: T
  level: Level
  /** "from the group Schools". */
  source: Told
  /** Candidates left out because they belong to another brand. */
  skipped: Told[]
}

const toldLevel = ({ level, name }: { level: Level; name?: string }): Told =>
  name && level !== 'this sending' && level !== 'built in'
    ? told('found/named', { where: told(`found/${level}`), name })
    : told(`found/${level}`)

/**
 * The one way a single setting is found: the first filled candidate by level; pinned ones of a routine come
 * right after the order.
 * @throws RangeError when not even "built in" is given: a programming error
 */
export function findSetting<T>(candidates: readonly Candidate<T>[], brand?: string): Found<T> {
  const rank = (candidate: Candidate<T>) =>
    candidate.pinned ? order.indexOf('order') + 0.5 : order.indexOf(candidate.level)
  const skipped: Told[] = []
  for (const candidate of [...candidates].sort((a, b) => rank(a) - rank(b))) {
    if (candidate.value === null || candidate.value === undefined || candidate.value === '') continue
    if (brand && candidate.brand && candidate.brand !== brand) {
      skipped.push(told('found/other-brand', { where: toldLevel(candidate) }))
      continue
    }
    return {
      value: candidate.value,
      level: candidate.level,
      source: toldLevel(candidate),
      skipped,
    }
  }
  throw new RangeError('no candidate has a value')
}
