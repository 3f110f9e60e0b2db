import { i18n, t } from '../words'
import { kindWords } from './kinds'
import { saidWords } from '../words/speech'
import { counted } from '../../core/said/told'
import { formatQuantity, localeOf } from '../../core/money/format'
import type { verbs } from '../words/en/verbs'
import { useSession } from '../stores/session'
import { kindFacts, type DocumentKind } from '../../core/documents/kinds'
import { addDays, dayInZone } from '../../core/documents/days'
import { currencyDigits } from '../../core/money/decimal'

/** Words for numbers and times in the interface: in its language, and in the house's zone. */
const language = () => i18n.global.locale.value
export const locale = (): string => localeOf[language()]

const numbers = new Map<string, Intl.NumberFormat>()
function digits(amount: string, currency: string): string {
  const count = currencyDigits(currency)
  const key = `${locale()}/${count}`
  if (!numbers.has(key))
    numbers.set(
      key,
      new Intl.NumberFormat(locale(), { minimumFractionDigits: count, maximumFractionDigits: count }),
    )
  return numbers.get(key)!.format(amount as `${number}`)
}

/** A quantity from its decimal text: "1,204.5". */
export const quantity = (amount: string): string => formatQuantity(amount, language())

/** "a, b and c" */
export const listed = (all: readonly string[]): string => new Intl.ListFormat(locale()).format(all)

/** An exact amount from its decimal text: "1,284.46", with the currency where it is not the house's. */
export function money(amount: string, currency?: string): string {
  const home = useSession().house?.company.currency ?? 'EUR'
  const words = digits(amount, currency ?? home)
  return currency && currency !== home ? `${words} ${currency}` : words
}

/** The sum of a document in a list; nothing for one that says no money, like a packing slip. */
export const amountOf = ({
  kind,
  total,
  currency,
}: {
  kind: DocumentKind
  total: string
  currency: string
}) => (kindFacts[kind].content === 'shipment' ? '' : money(total, currency))

const signs: Record<string, string> = { EUR: '€', GBP: '£' }
export const moneyWithSign = (amount: string, currency: string) =>
  `${signs[currency] ?? currency}\u00a0${digits(amount, currency)}`

/** A day so many days ago, where the company is. */
export const daysAgo = (days: number): string => addDays(houseToday(), -days)

/** Today, where the company is. */
export const houseToday = (): string => dayInZone(new Date(), zone())

const zone = () => useSession().house?.company.timeZone ?? 'UTC'

export function shortDay(day: string): string {
  return new Intl.DateTimeFormat(locale(), { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(
    new Date(`${day}T12:00:00Z`),
  )
}

export function longDay(day: string): string {
  return new Intl.DateTimeFormat(locale(), {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${day}T12:00:00Z`))
}

/** "14:10" today, "Tue 14:10" within a week, "3 Nov" further off. */
export function shortTime(instant: string | Date): string {
  const at = new Date(instant)
  const days = Math.abs(Date.now() - at.getTime()) / 86_400_000
  const sameDay = dayOf(at) === dayOf(new Date())
  const options: Intl.DateTimeFormatOptions = sameDay
    ? { hour: '2-digit', minute: '2-digit' }
    : days < 6
      ? { weekday: 'short', hour: '2-digit', minute: '2-digit' }
      : { day: 'numeric', month: 'short' }
  return new Intl.DateTimeFormat(locale(), { ...options, hourCycle: 'h23', timeZone: zone() }).format(at)
}

const dayOf = (instant: Date) => new Intl.DateTimeFormat('en-CA', { timeZone: zone() }).format(instant)

/** "Mon 30 Nov 2026, 07:30" */
export function dayTime(instant: string | Date): string {
  return new Intl.DateTimeFormat(locale(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone(),
  }).format(new Date(instant))
}

export function fullTime(instant: string | Date): string {
  return new Intl.DateTimeFormat(locale(), {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
    timeZone: zone(),
  }).format(new Date(instant))
}

/** How long ago, in one unit: "12 s", "40 min", "2 h", "3 days". */
export function ago(instant: string | Date, now = Date.now()): string {
  const seconds = Math.max(0, Math.round((now - new Date(instant).getTime()) / 1000))
  if (seconds < 60) return t('common.valueSeconds', { value: seconds })
  if (seconds < 3600) return t('common.valueMin', { value: Math.floor(seconds / 60) })
  if (seconds < 86_400) return t('common.valueHours', { value: Math.floor(seconds / 3600) })
  return plural(Math.floor(seconds / 86_400), 'day')
}

/** A kind of document in a narrow column. */
export const kindShort = (kind: DocumentKind): string => kindWords(kind, 'short')

/** A count with its noun: "1,204 orders". */
export const plural = (count: number, noun: Parameters<typeof counted>[1]): string =>
  saidWords(counted(count, noun))

/** A word that agrees with a number which stands elsewhere: "is" of 1, "are" of 3. */
export const agreeing = (count: number, verb: keyof typeof verbs): string =>
  i18n.global.t(`verbs.${verb}`, count)
