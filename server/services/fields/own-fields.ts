import {
  checkedValues,
  type FieldSubject,
  type FieldValues,
  type OwnFieldFacts,
} from '../../../core/fields/own-fields'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { OwnField } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { filledCounts, havingChoice, customerThatNeeds, usesOfField } from './queries'

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

/** Adds a field at the end. @throws Refusal "same-name", "no-choices" */
export async function addOwnField(field: OwnFieldFacts): Promise<number> {
  checkChoices(field)
  return inTransaction(async () => {
    if (await OwnField.findOne({ where: { of: field.of, name: field.name } }))
      throw badInput('same-name/field', 'name', { field: field.name, records: wordsOf[field.of] })
    const position = 1 + (await OwnField.count({ where: { of: field.of } }))
    const { id } = await OwnField.create({ ...field, position })
    publish('house')
    return id
  })
}

function checkChoices({ kind, choices }: Pick<OwnFieldFacts, 'kind' | 'choices'>): void {
  if (kind === 'choice' && choices.length === 0) throw badInput('no-choices', 'choices')
}

/** What can change of a field that is there. */
export type OwnFieldChange = Pick<OwnFieldFacts, 'choices' | 'labels' | 'printed'>

/** @throws Refusal "no-such-field", "changed-meanwhile", "no-choices", "in-use" for a word that something has */
export async function changeOwnField(id: number, version: number, change: OwnFieldChange): Promise<void> {
  await inTransaction(async () => {
    const field = await OwnField.findByPk(id, { lock: true })
    if (!field) throw new Refusal('no-such-field', { status: 404 })
    if (field.version !== version)
      throw new Refusal('changed-meanwhile/own-field', { values: { field: field.name } })
    checkChoices({ kind: field.kind, choices: change.choices })
    for (const choice of field.choices.filter((one) => !change.choices.includes(one))) {
      const { filled } = await havingChoice(field.of, field.name, choice)
      if (filled > 0)
        throw badInput('in-use/choice', 'choices', { filled, records: wordsOf[field.of], choice })
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
    const { filled, routine, text } = await usesOfField(field.of, field.name)
    if (filled > 0)
      throw new Refusal('in-use/field', { values: { filled, records: wordsOf[field.of], field: field.name } })
    const customer = field.of === 'order' ? await customerThatNeeds(field.name) : undefined
    if (customer)
      throw new Refusal('in-use/field-of-customer', {
        values: { customer: customer.name, field: field.name },
      })
    if (routine) throw new Refusal('in-use/field-of-routine', { values: { routine, field: field.name } })
    if (text) throw new Refusal('in-use/field-of-email', { values: { text, field: field.name } })
    await field.destroy()
    publish('house')
  })
}
