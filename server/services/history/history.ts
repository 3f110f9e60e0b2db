import type { Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { insertHistory, historyEntries } from './queries'

/** What happened: what is said of it, and in which words it was said then. */
export interface HistoryEntry extends Told {
  at: Date
  actor: string
  detail: unknown
}

export interface HistorySubject {
  sourceId?: number
  preparedId?: number
  documentId?: number
  dispatchId?: number
}

/** Writes what happened, by whom, in the transaction that does it; `detail` holds what stood behind it. */
export async function note(
  subject: HistorySubject,
  actor: string,
  what: Told,
  detail?: unknown,
): Promise<void> {
  await noteAll([{ ...subject, actor, ...what, detail }])
}

/** An entry as it is written. */
export interface HistoryNote extends HistorySubject, Told {
  actor: string
  detail?: unknown
}

/** Many entries in one statement. */
export async function noteAll(entries: readonly HistoryNote[]): Promise<void> {
  if (entries.length === 0) return
  await insertHistory(clock.now(), entries)
}

/** Everything that happened to a source and its parts, its papers, documents and dispatches; oldest first. */
export async function historyOf(subject: HistorySubject): Promise<HistoryEntry[]> {
  return historyEntries({
    sourceId: subject.sourceId ?? null,
    preparedId: subject.preparedId ?? null,
    documentId: subject.documentId ?? null,
    dispatchId: subject.dispatchId ?? null,
  })
}
