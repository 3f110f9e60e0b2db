import { countryName } from '../countries'
import { badInput } from '../errors'
import { Decimal } from '../money/decimal'

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
const totalWords: Record<TotalOf, string> = {
  gross: 'its total',
  net: 'its net total',
  balance: 'its balance',
  overdue: 'what is past due of it',
}

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
export const plainName = (about: ChoiceSubject, value: string): string =>
  about === 'country' ? countryName(value) : value

/** The words of a condition as they stand in the sentence. `nameOf` gives what people call a value. */
export function conditionWords(
  condition: Condition,
  nameOf: (about: ChoiceSubject, value: string) => string = plainName,
): string {
  if (condition.about === 'total')
    return `${totalWords[condition.of]} is ${condition.is} ${condition.amount} ${condition.currency}`
  if (condition.about === 'late') return `its oldest item is late for ${condition.is} ${condition.days} days`
  if (condition.about === 'field') {
    const value = `“${condition.value}”`
    const says = {
      filled: 'is filled',
      empty: 'is empty',
      contains: `contains ${value}`,
      is: `is ${value}`,
    }[condition.is]
    return `its field “${condition.field}” ${says}`
  }
  const names = condition.values.map((value) => nameOf(condition.about as ChoiceSubject, value)).join(' or ')
  const not = condition.is === 'not' ? 'not ' : ''
  switch (condition.about) {
    case 'brand':
      return `it is ${not}sold by ${names}`
    case 'customer':
      return `its customer is ${not}${names}`
    case 'group':
      return `its customer is ${not}in the group ${names}`
    case 'country':
      return not ? `it goes to another country than ${names}` : `it goes to ${names}`
    case 'salesperson':
      return `its salesperson is ${not}${names}`
    case 'currency':
      return `it is ${not}in ${names}`
    case 'item':
      return not ? `it holds no ${names}` : `it holds ${names}`
  }
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
