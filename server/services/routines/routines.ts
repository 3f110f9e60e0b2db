import { badInput, Refusal } from '../../../core/errors'
import { type Condition } from '../../../core/routines/conditions'
import { checkSentence, trusts, type RoutineSentence, type Trust } from '../../../core/routines/sentence'
import { clock } from '../../clock'
import { inTransaction, json } from '../../db/connection'
import { Routine } from '../../db/models'
import { brands, company } from '../house/house'
import { publish } from '../live/publish'
import {
  routineRows,
  versionsOfRoutine,
  lockRoutine,
  updateRoutine,
  routineNamed,
  insertRoutineVersion,
} from './routines-queries'
import { brandsOf, theHouse, type Principal } from '../people/principal'
import { turnAfter } from './turns'

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
  /** Of a routine of the clock that is on. */
  nextTurn: Date | null
}

/** The routines that can be about the brands of who asks; what is said of brands elsewhere is not theirs. */
export async function listRoutines(who: Principal = theHouse): Promise<RoutineView[]> {
  const all = await routineRows(who, clock.now())
  if (who.brands === null) return all
  const own = brandsOf(who, await brands()).map((brand) => brand.code)
  const isAboutOwn = (one: Condition) =>
    one.about !== 'brand' || one.is === 'not' || one.values.some((code) => own.includes(code))
  return all.filter(({ sentence }) => sentence.conditions.every(isAboutOwn))
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

/** @throws Refusal "no-such-routine" for one that is not there or cannot be about this one's brands */
export async function routineVersions(id: number, who: Principal = theHouse): Promise<RoutineVersion[]> {
  if (!(await listRoutines(who)).some((one) => one.id === id))
    throw new Refusal('no-such-routine', { status: 404 })
  return versionsOfRoutine(id)
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
export async function changeRoutine(id: number, change: RoutineChange, who: Principal): Promise<void> {
  if (change.trust && !trusts.includes(change.trust)) throw badInput('unknown-trust', 'trust')
  if (change.sentence) await check(change.sentence)
  await inTransaction(async () => {
    const current = await lockRoutine(id)
    if (!current) throw new Refusal('no-such-routine', { status: 404 })
    if (current.version !== change.version)
      throw new Refusal('changed-meanwhile/routine', { values: { name: current.name } })
    if (change.name !== undefined) await refuseTakenName(change.name, id)
    const now = clock.now()
    const switchedOn = change.isOn === true && !current.isOn
    await updateRoutine({
      id,
      name: change.name ?? null,
      description: change.description ?? null,
      isOn: change.isOn ?? null,
      trust: change.trust ?? null,
      sentence: change.sentence ? json(change.sentence) : null,
      now,
      actor: who.name,
      switchedOn,
      nextTurn: await turnAfter(change.sentence ?? current.sentence, change.isOn ?? current.isOn, now),
    })
    await keepVersion(id)
    publish('routine', [id])
  })
}

async function refuseTakenName(name: string, except: number): Promise<void> {
  const same = await routineNamed(name, except)
  if (same) throw badInput('same-name/routine', 'name', { name })
}

export interface NewRoutine {
  name: string
  description: string
  trust: Trust
  sentence: RoutineSentence
  isOn: boolean
}

/** Adds a routine, switched off unless said otherwise. @throws Refusal "same-name", "bad-sentence" */
export async function addRoutine(routine: NewRoutine, who: Principal): Promise<number> {
  await check(routine.sentence)
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
      changedBy: who.name,
      nextTurn: await turnAfter(routine.sentence, routine.isOn, now),
    })
    await keepVersion(id)
    publish('routine', [id])
    return id
  })
}

async function keepVersion(id: number): Promise<void> {
  await insertRoutineVersion(id)
}

async function check(sentence: RoutineSentence): Promise<void> {
  const { orderStatuses, contactRoles } = await company()
  checkSentence(sentence, orderStatuses, contactRoles)
}
