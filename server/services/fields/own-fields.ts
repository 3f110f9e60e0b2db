import {
  checkedValues,
  type FieldSubject,
  type FieldValues,
  type OwnFieldFacts,
} from '../../../core/fields/own-fields'
import { Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { OwnField } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { filledCounts, havingChoice, usesOfField } from './queries'

/*
 * Fields of the house's own that orders, their lines, items and customers have. Kept in Settings, Own fields, by a
 * supervisor; every service that writes such a thing asks here what its values may be. A name stays as it is, since
 * conditions, files and other programs use it. Refuses to take away a field that is used, and says by what.
 */

export interface OwnFieldView extends OwnFieldFacts {
  id: number
  version: number
  /** How many have something in it. */
  filled: number
}

export async function ownFields(of?: FieldSubject): Promise<OwnFieldFacts[]> {
  const found = await OwnField.findAll({
    ...(of ? { where: { of } } : {}),
    order: ['of', 'position', 'id'],
  })
  return found.map(({ of, name, kind, choices, labels, printed }) => ({
    of,
    name,
    kind,
    choices,
    labels,
    printed,
  }))
}

/** With how many use each, for Settings. */
export async function ownFieldViews(): Promise<OwnFieldView[]> {
  const found = await OwnField.findAll({ order: ['of', 'position', 'id'] })
  const counts = new Map((await filledCounts()).map((one) => [`${one.of} ${one.name}`, one.filled]))
  return found.map(({ id, of, name, kind, choices, labels, printed, version }) => ({
    id,
    version,
    of,
    name,
    kind,
    choices,
    labels,
    printed,
    filled: counts.get(`${of} ${name}`) ?? 0,
  }))
}

const wordsOf: Record<FieldSubject, string> = {
  order: 'orders',
  line: 'lines',
  item: 'items',
  customer: 'customers',
}

/** Values as they are kept. @throws Refusal "unknown-field", "wrong-value" */
export const checkFields = async (of: FieldSubject, values: Readonly<FieldValues>): Promise<FieldValues> =>
  checkedValues(await ownFields(of), values, wordsOf[of])

const refuse = (code: string, words: string, field: string) =>
  new Refusal(code, words, { status: 400, about: { field } })

/** Adds a field at the end. @throws Refusal "same-name", "no-choices" */
export async function addOwnField(field: OwnFieldFacts): Promise<number> {
  checkChoices(field)
  return inTransaction(async () => {
    if (await OwnField.findOne({ where: { of: field.of, name: field.name } }))
      throw refuse('same-name', `There is already a field “${field.name}” of ${wordsOf[field.of]}.`, 'name')
    const position = 1 + (await OwnField.count({ where: { of: field.of } }))
    const { id } = await OwnField.create({ ...field, position })
    publish('house')
    return id
  })
}

function checkChoices({ kind, choices }: Pick<OwnFieldFacts, 'kind' | 'choices'>): void {
  if (kind === 'choice' && choices.length === 0)
    throw refuse('no-choices', 'Write at least one word to choose from.', 'choices')
}

/** What can change of a field that is there. */
export type OwnFieldChange = Pick<OwnFieldFacts, 'choices' | 'labels' | 'printed'>

/** @throws Refusal "no-such-field", "changed-meanwhile", "no-choices", "in-use" for a word that something has */
export async function changeOwnField(id: number, version: number, change: OwnFieldChange): Promise<void> {
  await inTransaction(async () => {
    const field = await OwnField.findByPk(id, { lock: true })
    if (!field)
      throw new Refusal('no-such-field', 'That field does not exist any more. Load the page again.', {
        status: 404,
      })
    if (field.version !== version)
      throw new Refusal('changed-meanwhile', `Somebody changed “${field.name}” meanwhile. Open it again.`)
    checkChoices({ kind: field.kind, choices: change.choices })
    for (const choice of field.choices.filter((one) => !change.choices.includes(one))) {
      const { filled } = await havingChoice(field.of, field.name, choice)
      if (filled > 0)
        throw refuse('in-use', `${filled} ${wordsOf[field.of]} have “${choice}”. It stays.`, 'choices')
    }
    await field.update({ ...change, version: version + 1 })
    await markAllStale()
    publish('house')
  })
}

/** Takes a field away that nothing uses. @throws Refusal "in-use" */
export async function dropOwnField(id: number): Promise<void> {
  await inTransaction(async () => {
    const field = await OwnField.findByPk(id, { lock: true })
    if (!field) return
    const { filled, routine } = await usesOfField(field.of, field.name)
    if (filled > 0)
      throw new Refusal(
        'in-use',
        `${filled} ${wordsOf[field.of]} have something in “${field.name}”. It would be lost.`,
      )
    if (routine)
      throw new Refusal('in-use', `The routine “${routine}” asks for “${field.name}”. Change it first.`)
    await field.destroy()
    publish('house')
  })
}
