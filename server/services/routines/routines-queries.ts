import type { RoutineSentence, Trust } from '../../../core/routines/sentence'
import { rows, one, run } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { RoutineView, RoutineVersion } from './routines'

/* The statements of routines.ts. */

/** The house's routines; what they made this month is counted within the brands of who asks. */
export const routineRows = (who: Principal, now: Date) =>
  rows<RoutineView>(
    `select r.id, r.name, r.description, r.is_on "isOn", r.applies_since "appliesSince", r.trust, r.version,
      r.sentence, r.changed_at "changedAt", r.changed_by "changedBy",
      r.next_turn "nextTurn",
      (
        select count(*)::int
        from prepared_document p
        where p.routine_id = r.id and p.state = 'issued' and p.since >= date_trunc('month', $now::timestamptz)
          and ${within(who, 'p.brand_id')}
      ) "thisMonth"
    from routine r
    order by r.name`,
    { now },
  )

export const versionsOfRoutine = (id: number) =>
  rows<RoutineVersion>(
    `select version, name, trust, is_on "isOn", sentence, made_at "madeAt", made_by "madeBy"
    from routine_version
    where routine_id = $id
    order by version desc
    limit 50`,
    { id },
  )

export const lockRoutine = (id: number) =>
  one<{ version: number; isOn: boolean; name: string; sentence: RoutineSentence }>(
    'select version, is_on "isOn", name, sentence from routine where id = $id for update',
    { id },
  )

export const updateRoutine = (given: {
  id: number
  name: string | null
  description: string | null
  isOn: boolean | null
  trust: Trust | null
  sentence: string | null
  now: Date
  actor: string
  switchedOn: boolean
  nextTurn: Date | null
}) =>
  run(
    `update routine
    set name = coalesce($name::text, name), description = coalesce($description::text, description),
      is_on = coalesce($isOn::boolean, is_on), trust = coalesce($trust::text, trust),
      sentence = coalesce($sentence::jsonb, sentence), version = version + 1, changed_at = $now::timestamptz,
      changed_by = $actor, next_turn = $nextTurn::timestamptz,
      applies_since = case when $switchedOn::boolean then $now::timestamptz else applies_since end
    where id = $id`,
    given,
  )

export const routineNamed = (name: string, except: number) =>
  one('select id from routine where lower(name) = lower($name) and id <> $except', { name, except })

export const insertRoutineVersion = (id: number) =>
  run(
    `insert into routine_version (routine_id, version, name, is_on, trust, sentence, made_at, made_by)
    select id, version, name, is_on, trust, sentence, changed_at, changed_by from routine where id = $id`,
    { id },
  )
