import type { DocumentKind } from '../../../core/documents/kinds'
import {
  preparedLifecycle,
  type PreparedEvent,
  type PreparedState,
} from '../../../core/documents/prepared-states'
import type { Told } from '../../../core/said/told'
import { moveRows, type Columns, type Moved } from '../../db/move'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'

/*
 * The only writer of what state a prepared document is in, once it is there, with the entry in the history.
 * Called by issuing, by people and by what undoes a source, inside their transaction.
 */

export interface MovedPrepared extends Moved<PreparedState> {
  sourceId: number
  kind: DocumentKind
}

export interface PreparedEntry {
  who: Principal
  what: (moved: MovedPrepared) => Told
}

/** Lets something happen to prepared documents. @returns those that were moved */
export async function movePrepared(
  event: PreparedEvent,
  ids: readonly number[],
  set: Columns = {},
  entry?: PreparedEntry,
): Promise<MovedPrepared[]> {
  const moved = await moveRows<PreparedState, PreparedEvent, Omit<MovedPrepared, keyof Moved<PreparedState>>>(
    { table: 'prepared_document', lifecycle: preparedLifecycle },
    event,
    ids,
    set,
    ['t.source_id "sourceId"', 't.kind'],
  )
  if (!entry || moved.length === 0) return moved
  await noteAll(
    moved.map((one) => ({
      sourceId: one.sourceId,
      preparedId: one.id,
      actor: entry.who.name,
      ...entry.what(one),
    })),
  )
  publish(
    'line',
    moved.map((one) => one.id),
  )
  return moved
}
