import type { Lifecycle } from '../../core/lifecycle'
import { json, rows } from './connection'

/** A table whose rows live by a lifecycle, in its column `state`. */
export interface Living<State extends string, Event extends string> {
  table: string
  lifecycle: Lifecycle<State, Event>
}

export interface Moved<State> {
  id: number
  before: State
  state: State
}

/** What is written beside the state, by column; columns are named by code, never by what somebody sent. */
export type Columns = Readonly<Record<string, string | number | boolean | Date | null>>

/**
 * Lets something happen to rows, in the caller's transaction, locked in the order of their ids. Rows in whose
 * state it may not happen are left as they are.
 * @param returning further columns of `t`, as SQL
 * @returns those that were moved
 */
export async function moveRows<State extends string, Event extends string, Extra extends object = object>(
  { table, lifecycle }: Living<State, Event>,
  event: Event,
  ids: readonly number[],
  set: Columns = {},
  returning: readonly string[] = [],
): Promise<(Moved<State> & Extra)[]> {
  if (ids.length === 0) return []
  const columns = Object.keys(set)
  return rows<Moved<State> & Extra>(
    `with
      steps as (select * from jsonb_to_recordset($steps::jsonb) as s (before text, after text)),
      locked as (
        select t.id, t.state
        from ${table} t
        where t.id = any($ids::int[]) and t.state in (select before from steps)
        order by t.id
        for update
      )
    update ${table} t
    set state = steps.after${columns.map((column) => `, ${column} = $${column}`).join('')}
    from locked
    join steps on steps.before = locked.state
    where t.id = locked.id
    returning ${['t.id', 'locked.state before', 't.state', ...returning].join(', ')}`,
    { ...set, ids, steps: json(lifecycle.steps(event)) },
  )
}
