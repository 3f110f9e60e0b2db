import type { NamesIn } from '../filled'
import { calls } from './calls'
import { customers } from './customers'
import { dispatch } from './dispatch'
import { documents } from './documents'
import { drafts } from './drafts'
import { enclosures } from './enclosures'
import { house } from './house'
import { imports } from './imports'
import { items } from './items'
import { line } from './line'
import { orders } from './orders'
import { people } from './people'
import { receivables } from './receivables'
import { routines } from './routines'
import { shared } from './shared'
import { shipping } from './shipping'

/**
 * Every sentence with which Clothespin says no, by its key: the stable code, and where one code is said in several
 * ways, what tells them apart after a slash. What stands in braces is a value of the refusal. The interface makes its
 * sentence from the same table, and a translation is another one with the same keys.
 */
export const sentences = {
  ...calls,
  ...customers,
  ...dispatch,
  ...documents,
  ...drafts,
  ...enclosures,
  ...house,
  ...imports,
  ...items,
  ...line,
  ...orders,
  ...people,
  ...receivables,
  ...routines,
  ...shared,
  ...shipping,
} as const

export type RefusalKey = keyof typeof sentences

export type ValueOf<Key extends RefusalKey> = NamesIn<(typeof sentences)[Key]>
