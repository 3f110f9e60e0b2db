import type { Needs } from '../documents/needs'
import type { Terms } from '../documents/terms'
import { documentKinds } from '../documents/kinds'
import type { Language } from '../money/format'
import type { Preference, Preferences } from './recipients'

/** How a customer is dealt with: all that another one could be given as well. */
export interface SetUp {
  groupName: string
  language: Language
  currency: string
  terms: Terms
  pricesIncludeTax: boolean | null
  salesperson: string
  needs: Needs
  preferences: Preferences
}

/** The parts of a preference that are somebody's own addresses: nobody else is given them. */
const ownAddresses = ({ addresses, cc, bcc }: Preference): Preference => ({
  ...(addresses ? { addresses } : {}),
  ...(cc ? { cc } : {}),
  ...(bcc ? { bcc } : {}),
})

function preferencesAs(from: Preferences, to: Preferences): Preferences {
  const given = documentKinds.map((kind) => {
    const { addresses: _addresses, cc: _cc, bcc: _bcc, ...rest } = from[kind] ?? {}
    return [kind, { ...rest, ...ownAddresses(to[kind] ?? {}) }] as const
  })
  return Object.fromEntries(given.filter(([, wish]) => Object.keys(wish).length > 0))
}

/** The same whatever the order of its parts. */
const inOrder = (value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([name, part]) => [name, inOrder(part)]),
      )
    : value
const isSame = (a: unknown, b: unknown) => JSON.stringify(inOrder(a)) === JSON.stringify(inOrder(b))

/**
 * What a customer is given to be dealt with like another one: only what differs. Its people, its addresses, its
 * numbers and its tax stay its own, and so do the addresses that copies go to.
 */
export function setUpAs(from: SetUp, to: SetUp): Partial<SetUp> {
  const { groupName, language, currency, terms, pricesIncludeTax, salesperson, needs } = from
  const given: SetUp = {
    groupName,
    language,
    currency,
    terms,
    pricesIncludeTax,
    salesperson,
    needs,
    preferences: preferencesAs(from.preferences, to.preferences),
  }
  return Object.fromEntries(
    Object.entries(given).filter(([name, value]) => !isSame(value, to[name as keyof SetUp])),
  )
}

/** Those parts as they are now, to give them back. */
export const setUpBefore = (of: SetUp, given: Partial<SetUp>): Partial<SetUp> =>
  Object.fromEntries(Object.keys(given).map((name) => [name, of[name as keyof SetUp]]))
