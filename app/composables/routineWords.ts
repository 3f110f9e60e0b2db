import { t } from '../words'
import { type Told } from '../../core/said/told'
import { countryName } from '../../core/countries'
import { plainName, type ChoiceSubject, type Condition, type TotalOf } from '../../core/routines/conditions'
import { canBeAsked, type RoutineEvent } from '../../core/routines/sentence'
import type { RoutineChoices } from '../contract'
import type { WordChoice } from '../components/list/WordPicker.vue'

const same = (values: string[]): WordChoice[] => values.map((value) => ({ value, words: value }))

/** What a condition about this subject can name. */
export function choicesFor(choices: RoutineChoices, about: ChoiceSubject): WordChoice[] {
  switch (about) {
    case 'brand':
      return choices.brands
    case 'customer':
      return choices.customers
    case 'item':
      return choices.items
    case 'group':
      return same(choices.groups)
    case 'country':
      return choices.countries.map((value) => ({ value, words: countryName(value) }))
    case 'salesperson':
      return same(choices.salespersons)
    case 'currency':
      return same(choices.currencies)
  }
}

/** What people call a value: the brand's name for its code, the customer's for its number. */
export const nameIn =
  (choices: RoutineChoices) =>
  (about: ChoiceSubject, value: string): string | Told =>
    about === 'brand' || about === 'customer'
      ? (choicesFor(choices, about).find((one) => one.value === value)?.words ?? value)
      : plainName(about, value)

/** What "+ and" offers of an event, and the condition each begins with. */
export function newConditions(
  choices: RoutineChoices,
  event: RoutineEvent,
): { words: string; condition: Condition }[] {
  const subjects: [ChoiceSubject, string][] = [
    ['brand', t('common.itIsSoldBy')],
    ['customer', t('common.itsCustomerIs')],
    ['group', t('common.itsCustomerIsInThe')],
    ['country', t('common.itGoesTo')],
    ['salesperson', t('common.itsSalespersonIs')],
    ['item', t('common.itHoldsTheItem')],
    ['currency', t('common.itIsInTheCurrency')],
  ]
  const sums: [TotalOf, string][] = [
    ['gross', t('common.itsTotalIsOver')],
    ['overdue', t('routines.whatIsPastDueIsOver')],
    ['balance', t('routines.itsBalanceIsOver')],
  ]
  const all: { words: string; condition: Condition }[] = [
    ...sums.map(([of, words]) => ({
      words,
      condition: {
        about: 'total',
        of,
        is: 'over',
        amount: '',
        currency: choices.currencies[0] ?? 'EUR',
      } as Condition,
    })),
    { words: t('routines.itIsLateForOver'), condition: { about: 'late', is: 'over', days: '' } },
    ...subjects.map(([about, words]) => ({
      words,
      condition: { about, is: 'one of', values: [] } as Condition,
    })),
    ...(event === 'time' ? choices.customerFields : choices.fields).map((field) => ({
      words: t('common.itsFieldField', { field }),
      condition: { about: 'field', field, is: 'contains', value: '' } as Condition,
    })),
  ]
  return all.filter(({ condition }) => canBeAsked(condition, event))
}
