import { Refusal } from '../../../core/errors'
import { checkSentence, trusts, type RoutineSentence, type Trust } from '../../../core/routines/sentence'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { Routine } from '../../db/models'
import { company } from '../house/house'
import { publish } from '../live/publish'

/*
 * Routines as a supervisor keeps them: name, sentence, on and off apart from editing, trust. Every change
 * makes a version with who and when.
 * Refuses: a sentence that cannot hold, a name taken, a change on top of somebody else's.
 */

export interface RoutineView {
  id: number
  name: string
  description: string
  isOn: boolean
  appliesSince: Date | null
  trust: Trust
  version: number
  sentence: RoutineSentence
  changedAt: Date
  changedBy: string
  thisMonth: number
}

export async function listRoutines(): Promise<RoutineView[]> {
  return rows<RoutineView>(
    `select r.id, r.name, r.description, r.is_on "isOn", r.applies_since "appliesSince", r.trust, r.version,
      r.sentence, r.changed_at "changedAt", r.changed_by "changedBy",
      (
        select count(*)::int
        from prepared_document p
        where p.routine_id = r.id and p.state = 'issued' and p.since >= date_trunc('month', $1::timestamptz)
      ) "thisMonth"
    from routine r
    order by r.name`,
    [clock.now()],
  )
}

export interface RoutineVersion {
  version: number
  trust: Trust
  isOn: boolean
  sentence: RoutineSentence
  madeAt: Date
  madeBy: string
  name: string
}

export async function routineVersions(id: number): Promise<RoutineVersion[]> {
  return rows<RoutineVersion>(
    `select version, name, trust, is_on "isOn", sentence, made_at "madeAt", made_by "madeBy"
    from routine_version
    where routine_id = $1
    order by version desc
    limit 50`,
    [id],
  )
}

export interface RoutineChange {
  version: number
  name?: string
  description?: string
  isOn?: boolean
  trust?: Trust
  sentence?: RoutineSentence
}

/** Changes a routine. Switching it on makes it apply from now on; older orders are never touched by it. */
export async function changeRoutine(id: number, change: RoutineChange, actor: string): Promise<void> {
  if (change.trust && !trusts.includes(change.trust))
    throw new Refusal('unknown-trust', 'Trust is by hand, after a check or by itself.', {
      status: 400,
      about: { field: 'trust' },
    })
  if (change.sentence) checkSentence(change.sentence, (await company()).orderStatuses)
  await inTransaction(async () => {
    const current = await one<{ version: number; isOn: boolean; name: string }>(
      'select version, is_on "isOn", name from routine where id = $1 for update',
      [id],
    )
    if (!current) throw new Refusal('no-such-routine', 'That routine does not exist.', { status: 404 })
    if (current.version !== change.version)
      throw new Refusal('changed-meanwhile', `Somebody changed “${current.name}” meanwhile. Load it again.`)
    if (change.name !== undefined) await refuseTakenName(change.name, id)
    const now = clock.now()
    const switchedOn = change.isOn === true && !current.isOn
    await run(
      `update routine
      set name = coalesce($2::text, name), description = coalesce($3::text, description),
        is_on = coalesce($4::boolean, is_on), trust = coalesce($5::text, trust),
        sentence = coalesce($6::jsonb, sentence), version = version + 1, changed_at = $7::timestamptz,
        changed_by = $8, applies_since = case when $9::boolean then $7::timestamptz else applies_since end
      where id = $1`,
      [
        id,
        change.name ?? null,
        change.description ?? null,
        change.isOn ?? null,
        change.trust ?? null,
        change.sentence ? json(change.sentence) : null,
        now,
        actor,
        switchedOn,
      ],
    )
    await keepVersion(id)
    publish('routine', [id])
  })
}

async function refuseTakenName(name: string, except: number): Promise<void> {
  const same = await one('select id from routine where lower(name) = lower($1) and id <> $2', [name, except])
  if (same)
    throw new Refusal('same-name', `There is already a routine “${name}”. Choose another name.`, {
      status: 400,
      about: { field: 'name' },
    })
}

export interface NewRoutine {
  name: string
  description: string
  trust: Trust
  sentence: RoutineSentence
  isOn: boolean
}

/** Adds a routine, switched off unless said otherwise. @throws Refusal "same-name", "bad-sentence" */
export async function addRoutine(routine: NewRoutine, actor: string): Promise<number> {
  checkSentence(routine.sentence, (await company()).orderStatuses)
  return inTransaction(async () => {
    await refuseTakenName(routine.name, 0)
    const now = clock.now()
    const { id } = await Routine.create({
      name: routine.name,
      description: routine.description,
      isOn: routine.isOn,
      appliesSince: routine.isOn ? now : null,
      trust: routine.trust,
      sentence: routine.sentence,
      changedAt: now,
      changedBy: actor,
    })
    await keepVersion(id)
    publish('routine', [id])
    return id
  })
}

async function keepVersion(id: number): Promise<void> {
  await run(
    `insert into routine_version (routine_id, version, name, is_on, trust, sentence, made_at, made_by)
    select id, version, name, is_on, trust, sentence, changed_at, changed_by from routine where id = $1`,
    [id],
  )
}
