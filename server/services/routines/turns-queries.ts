import type { EventFacts } from '../../../core/routines/routine'
import type { RoutineSentence } from '../../../core/routines/sentence'
import { json, one, rows, run } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { Turn } from './turns'

/* The statements of turns.ts. */

export const turnDue = (id: number, now: Date) =>
  one<{ name: string; sentence: RoutineSentence; nextTurn: Date }>(
    `select name, sentence, next_turn "nextTurn"
    from routine
    where id = $id and is_on and next_turn <= $now::timestamptz`,
    { id, now },
  )

/** The routine, locked, where its turn was neither taken nor put off meanwhile. */
export const lockTurn = (id: number, planned: Date) =>
  one<{ id: number }>(
    `select id
    from routine
    where id = $id and is_on and date_trunc('milliseconds', next_turn) = $planned::timestamptz
    for update`,
    { id, planned },
  )

/** Routines of the clock whose next turn has not come, locked. */
export const lockComingTurns = (now: Date) =>
  rows<{ id: number; sentence: RoutineSentence }>(
    `select id, sentence
    from routine
    where is_on and next_turn > $now::timestamptz
    order by id
    for update`,
    { now },
  )

export const setNextTurn = (id: number, at: Date | null) =>
  run('update routine set next_turn = $at::timestamptz where id = $id', { id, at })

export const insertAccountEvents = (given: {
  routineId: number
  at: Date
  actor: string
  facts: readonly { id: number; facts: EventFacts }[]
}) =>
  rows<{ id: number }>(
    `insert into event (kind, source_id, facts, schema_version, at, actor, only_routine)
    select 'account', f.id, f.facts, 4, $at::timestamptz, $actor, $routineId
    from jsonb_to_recordset($facts::jsonb) as f (id int, facts jsonb)
    order by f.id
    returning id`,
    { ...given, facts: json(given.facts) },
  )

export const turnsTaken = (routineId: number, who: Principal) =>
  rows<Turn>(
    `select t.at, t.taken_at "takenAt", t.passed,
      (
        select coalesce(jsonb_object_agg(o.outcome, o.count), '{}')
        from (
          select coalesce(v.outcome, 'waits') outcome, count(*)
          from event e
          join account a on a.id = e.source_id
          left join evaluation v on v.event_id = e.id
          where e.only_routine = t.routine_id and e.at = t.at and ${within(who, 'a.brand_id')}
          group by 1
        ) o
      ) outcomes
    from routine_turn t
    where t.routine_id = $routineId
    order by t.at desc
    limit 12`,
    { routineId },
  )
