import { Decimal, type Currency, type DecimalText } from '../../../core/money/decimal'
import { dayInZone, type Day } from '../../../core/documents/days'
import { clock } from '../../clock'
import { company } from './house'
import { inTransaction } from '../../db/connection'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { newestRates, lockRates, upsertRates } from './queries'

/*
 * Exchange rates: how much of a currency one unit of the house's own is, by day and source. Invoices in
 * foreign currency say their tax in the house's
 * currency at the newest rate up to their date. Prepared papers of a currency whose rates change are built anew.
 */

export interface RateRow {
  currency: Currency
  day: Day
  rate: DecimalText
  source: string
}

export interface RatesReport {
  added: number
  changed: number
  same: number
}

/** The newest rates. */
export async function rates(): Promise<RateRow[]> {
  return newestRates(dayInZone(clock.now(), (await company()).timeZone))
}

/** Keeps rates; the same again changes nothing. */
export async function keepRates(given: readonly RateRow[]): Promise<RatesReport> {
  return inTransaction(async () => {
    const before = await lockRates(given)
    const known = new Map(before.map((rate) => [`${rate.currency} ${rate.day}`, rate]))
    const differs = given.filter((rate) => {
      const old = known.get(`${rate.currency} ${rate.day}`)
      return !old || !new Decimal(old.rate).eq(rate.rate) || old.source !== rate.source
    })
    await upsertRates(differs)
    if (differs.length > 0)
      await markAllStale({ currencies: [...new Set(differs.map((rate) => rate.currency))] })
    publish('house')
    const changed = differs.filter((rate) => known.has(`${rate.currency} ${rate.day}`)).length
    return { added: differs.length - changed, changed, same: given.length - differs.length }
  })
}
