import type { Day } from '../../../core/documents/days'
import type { PaymentMethod } from '../../../core/documents/facts'
import type { PaperSource } from '../../../core/documents/issue'
import type { DocumentKind } from '../../../core/documents/kinds'
import { sources, type SourceKind } from '../../../core/documents/sources'
import { groupBy } from '../../../core/group'
import type { Refusal } from '../../../core/errors'
import type { Told } from '../../../core/said/told'
import type { Addressing, PaperContext } from './paper-context'
import { kindsOfSources, rootsOfSources, lockRows } from './queries'
import type { Principal } from '../people/principal'

/*
 * What documents are made from: each source is a module beside its subject, and has its rows in the table
 * `source`. The engine asks it through this registry, so that subjects know the engine and the engine knows no
 * subject.
 * server/services/sources.ts registers them all; every process calls it once.
 */

export type { SourceKind }

/** A document that is being issued, as its source sees it. */
export interface IssuedFrom {
  id: number
  sourceId: number
  /** What the source is a part of, or itself. */
  rootId: number
  creditsId: number | null
  source: PaperSource
}

/** Who issues, and which sources changed by it in the same transaction: their documents were built before. */
export interface IssuedBy {
  now: Date
  who: Principal
  moved: Set<number>
}

export interface Source {
  /** Its table, which has `id` and `version`. */
  table: string
  /** Issuing writes into it, so it is locked for that and not only held as it is. */
  issuingWrites?: boolean
  /**
   * Facts and settings of these by their ids, in a fixed number of queries; what does not exist is left out.
   * @param occasion which of its documents of the kind is meant, where a person or a run chooses it: a statement's
   * period
   */
  load: (
    kind: DocumentKind,
    ids: readonly number[],
    addressing: Addressing,
    occasion: string,
  ) => Promise<Map<number, PaperContext>>
  /** Its documents are of an occasion that is asked for, and not one that follows from how it is. */
  isAskedFor?: true
  /** What lets it have another document of the same kind. One only, where it does not say. */
  occasion?: (kind: DocumentKind, context: PaperContext) => string
  /** Their versions, once they are locked, where what they are made of lies in other tables. */
  versions?: (ids: readonly number[]) => Promise<{ id: number; version: number }[]>
  /** Why a person may not have such a document prepared now, looked at once it is locked. */
  refusal?: (kind: DocumentKind, id: number, despite: boolean) => Promise<Refusal | undefined>
  /** Those of which a routine makes no other now, since one waits; with why. */
  waiting?: (kind: DocumentKind, ids: readonly number[]) => Promise<{ id: number; reason: Told }[]>
  /** A last look under the locks that issuing holds. @throws Refusal where it must not be issued any more */
  check?: (document: IssuedFrom) => Promise<void>
  /** What follows from issuing, in its transaction; of these kinds, or of all where none is named. */
  issuedKinds?: readonly DocumentKind[]
  issued?: (document: IssuedFrom, documentId: number, by: IssuedBy) => Promise<void>
  /** What follows from voiding, in its transaction. */
  voided?: (id: number) => Promise<void>
  /** Its prepared document was taken off To send, or put there again. */
  dropped?: (ids: readonly number[]) => Promise<void>
  restored?: (ids: readonly number[]) => Promise<void>
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

/** What must happen elsewhere when a document is paid at once, in the same transaction. */
export interface Hooks {
  paidAtOnce: (payment: PaidAtOnce, who: Principal) => Promise<unknown>
}

let registered: Readonly<Record<SourceKind, Source>> | undefined
let hooks: Hooks | undefined

/** Registers every kind of source, and what follows elsewhere from the engine's acts. */
export function register(modules: Readonly<Record<SourceKind, Source>>, follows: Hooks): void {
  registered = modules
  hooks = follows
}

const missing = 'no sources of documents are registered: call registerSources first'

/** @throws Error in a process that did not call registerSources */
export function sourceOf(kind: SourceKind): Source {
  if (!registered) throw new Error(missing)
  return registered[kind]
}

/** @throws Error in a process that did not call registerSources */
export function engineHooks(): Hooks {
  if (!hooks) throw new Error(missing)
  return hooks
}

/** These ids by their kind of source; what does not exist is left out. */
export async function byKind(ids: readonly number[]): Promise<Map<SourceKind, number[]>> {
  const found = await kindsOfSources(ids)
  return new Map([...groupBy(found, (one) => one.kind)].map(([kind, own]) => [kind, own.map(({ id }) => id)]))
}

/**
 * Locks sources, and what they are parts of, kind by kind in their order and within by id: to read them as they
 * are, to issue from them, or to change them. In the caller's transaction.
 * @returns the version of each
 */
export async function lockSources(
  ids: readonly number[],
  to: 'read' | 'issue' | 'change' = 'read',
): Promise<Map<number, number>> {
  const found = await rootsOfSources(ids)
  const versions = new Map<number, number>()
  for (const kind of Object.keys(sources) as SourceKind[]) {
    const source = sourceOf(kind)
    const wholes = found.filter((one) => one.rootId !== one.id && one.rootKind === kind)
    const own = found.filter((one) => one.kind === kind)
    const ownStrength = to === 'change' || (to === 'issue' && source.issuingWrites) ? 'update' : 'share'
    const wanted = [
      { of: wholes.map((one) => one.rootId), strength: to === 'read' ? 'share' : 'update' },
      { of: own.map((one) => one.id), strength: ownStrength },
    ]
    for (const { of, strength } of wanted) {
      if (of.length === 0) continue
      const locked = await lockRows(source, strength, of)
      for (const { id, version } of (await source.versions?.(of)) ?? locked) versions.set(id, version)
    }
  }
  return versions
}

/** SQL: what a prepared or issued document `alias` is made of, for a list or a view, as a SourceRef. */
export const sourceColumns = 'so.id "sourceId", so.kind "sourceKind", ro.id "rootId", ro.kind "rootKind"'

export const sourceJoins = (alias: string): string =>
  `join source so on so.id = ${alias}.source_id join source ro on ro.id = so.root_id`
