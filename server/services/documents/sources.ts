import type { PaymentMethod } from '../../../core/documents/facts'
import type { PaperSource } from '../../../core/documents/issue'
import type { Day } from '../../../core/documents/days'
import type { Addressing, PaperContext } from './context'

/*
 * What documents are made from beside whole orders. Each source is a module beside its subject; the engine asks
 * it through this registry, so that subjects know the engine and the engine knows no subject.
 * server/services/sources.ts registers them all; every process calls it once.
 */

export type SourceKind = 'bill' | 'payment'

/** A document that is being issued, as a source sees it. */
export interface IssuedFrom {
  id: number
  billId: number | null
  orderId: number | null
  creditsId: number | null
  source: PaperSource
}
/** Who issues, and what was billed in the same transaction. */
export interface IssuedBy {
  now: Date
  actor: string
  billedOrders: Set<number>
}

export interface Source {
  /** Facts and settings of these by their ids, in a fixed number of queries; what does not exist is left out. */
  load: (ids: readonly number[], addressing: Addressing) => Promise<Map<number, PaperContext>>
  /** A last look under the locks that issuing holds. @throws Refusal where it must not be issued any more */
  check?: (document: IssuedFrom) => Promise<void>
  /** What follows from issuing, in its transaction. */
  issued?: (document: IssuedFrom, documentId: number, by: IssuedBy) => Promise<void>
}

/** An invoice that is paid as it is issued. */
export interface PaidAtOnce {
  customerId: number
  date: Day
  method: PaymentMethod
  amount: string
  currency: string
  number: string
  documentId: number
}

/** What must happen elsewhere when a document is paid at once or voided, in the same transaction. */
export interface Hooks {
  paidAtOnce: (payment: PaidAtOnce, actor: string) => Promise<unknown>
  voided: (documentId: number) => Promise<void>
}

const sources = new Map<SourceKind, Source>()
let hooks: Hooks | undefined

export function registerSource(kind: SourceKind, source: Source): void {
  sources.set(kind, source)
}
export function registerHooks(all: Hooks): void {
  hooks = all
}

const missing = 'The sources of documents are not registered: call registerSources first.'

/** @throws Error in a process that did not call registerSources */
export function sourceOf(kind: SourceKind): Source {
  const source = sources.get(kind)
  if (!source) throw new Error(missing)
  return source
}

/** @throws Error in a process that did not call registerSources */
export function engineHooks(): Hooks {
  if (!hooks) throw new Error(missing)
  return hooks
}
