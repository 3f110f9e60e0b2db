import { t } from '../words'
import { houseToday, longDay } from './format'
import { monthsBefore } from '../../core/documents/days'

/** Since when a list looks back: offered in words; another first day is said as a date. */
export function timeChoices() {
  const today = houseToday()
  const times = [
    { value: '', words: t('common.anyTime') },
    { value: today, words: t('bank.today') },
    { value: monthsBefore(today, 1), words: t('common.theLastMonth') },
    { value: monthsBefore(today, 3), words: t('common.theLastThreeMonths') },
  ]
  const timeWords = (from: string) =>
    times.find((one) => one.value === from)?.words ?? t('common.sinceFrom', { from: longDay(from) })
  return { times, timeWords }
}
