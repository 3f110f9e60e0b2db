import { badInput } from '../errors'
import { Decimal } from '../money/decimal'
import { joined, told, toldCountry, type Told } from '../said/told'

/** What a choice out of a list can be about. */
export const choiceSubjects = [
  'brand',
  'customer',
  'group',
  'country',
  'salesperson',
  'currency',
  'item',
] as const
export type ChoiceSubject = (typeof choiceSubjects)[number]

/** Sums that a condition can be about: of an order or document, and of an account. */
export const totalsOf = ['gross', 'net', 'balance', 'overdue'] as const
export type TotalOf = (typeof totalsOf)[number]

export type Condition =
  | { about: 'total'; of: TotalOf; is: 'over' | 'at most'; amount: string; currency: string }
  /** Of an account: for how many days the oldest of what is past due is late. */
  | { about: 'late'; is: 'over' | 'at most'; days: string }
  | { about: ChoiceSubject; is: 'one of' | 'not'; values: string[] }
  | { about: 'field'; field: string; is: 'filled' | 'empty' | 'contains' | 'is'; value: string }

/** Whether a condition says something yet: one that is just being added counts only once it is filled. */
export function isFilled(condition: Condition): boolean {
  if (condition.about === 'total') return condition.amount.trim() !== ''
  if (condition.about === 'late') return condition.days.trim() !== ''
  if (condition.about === 'field')
    return condition.is === 'filled' || condition.is === 'empty' || condition.value.trim() !== ''
  return condition.values.length > 0
}

/** What people call a value that no record of the house names better. */
export const plainName = (about: ChoiceSubject, value: string): string | Told =>
  about === 'country' ? toldCountry(value) : value

/** A condition as it stands in the sentence. `nameOf` gives what people call a value. */
export function toldCondition(
  condition: Condition,
  nameOf: (about: ChoiceSubject, value: string) => string | Told = plainName,
): Told {
  const { about } = condition
  if (about === 'total') {
    const { of, is, amount, currency } = condition
    return told(`condition/${of}/${is}`, { amount, currency })
  }
  if (about === 'late') return told(`condition/late/${condition.is}`, { days: condition.days })
  if (about === 'field') {
    const { field, is, value } = condition
    return is === 'contains' || is === 'is'
      ? told(`condition/field/${is}`, { field, value })
      : told(`condition/field/${is}`, { field })
  }
  const names = condition.values.map((value) => nameOf(about, value))
  return told(`condition/${about}/${condition.is}`, { names: joined(names, 'list/or') })
}

/** Says what is wrong with a condition by itself. @throws Refusal "bad-sentence" */
export function checkCondition(condition: Condition, field: string): void {
  if (condition.about === 'total') {
    if (!/^\d{1,10}(\.\d{1,4})?$/.test(condition.amount) || new Decimal(condition.amount).isNegative())
      throw badInput('bad-sentence/amount', field)
  } else if (condition.about === 'late') {
    if (!/^\d{1,4}$/.test(condition.days)) throw badInput('bad-sentence/days', field)
  } else if (condition.about === 'field') {
    if (!condition.field) throw badInput('bad-sentence/field', field)
    if ((condition.is === 'contains' || condition.is === 'is') && !condition.value.trim())
      throw badInput('bad-sentence/value', field, { field: condition.field })
  } else if (condition.values.length === 0)
    throw badInput('bad-sentence/empty', field, { about: condition.about })
}
