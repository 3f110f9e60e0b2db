import { Decimal, type Currency, type DecimalText } from '../../../core/money/decimal'
import { dayInZone, type Day } from '../../../core/documents/days'
import { clock } from '../../clock'
import { company } from './house'
import { inTransaction, json, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'

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
  return rows<RateRow>(
    `select currency, day::text "day", rate::text rate, source
    from exchange_rate
    where day <= $1::date
    order by day desc, currency
    limit 60`,
    [dayInZone(clock.now(), (await company()).timeZone)],
  )
}

/** Keeps rates; the same again changes nothing. */
export async function keepRates(given: readonly RateRow[]): Promise<RatesReport> {
  return inTransaction(async () => {
    const before = await rows<RateRow>(
      `select r.currency, r.day::text "day", r.rate::text rate, r.source
      from exchange_rate r
      join jsonb_to_recordset($1::jsonb) as g (currency text, day date)
        on g.currency = r.currency
        and g.day = r.day
      for update of r`,
      [json(given)],
    )
    const known = new Map(before.map((rate) => [`${rate.currency} ${rate.day}`, rate]))
    const differs = given.filter((rate) => {
      const old = known.get(`${rate.currency} ${rate.day}`)
      return !old || !new Decimal(old.rate).eq(rate.rate) || old.source !== rate.source
    })
    await run(
      `insert into exchange_rate (currency, day, rate, source)
      select currency, day, rate, source
      from jsonb_to_recordset($1::jsonb) as g (currency text, day date, rate numeric, source text)
      on conflict (currency, day) do update
      set rate = excluded.rate, source = excluded.source`,
      [json(differs)],
    )
    const papers = await rows<{ id: number }>(
      `update prepared_document
      set stale = true
      where currency = any($1::text[]) and state in ('prepared', 'due', 'put back')
      returning id`,
      [[...new Set(differs.map((rate) => rate.currency))]],
    )
    if (papers.length > 0) await addJob('refresh-prepared', { preparedIds: papers.map((paper) => paper.id) })
    publish('house')
    const changed = differs.filter((rate) => known.has(`${rate.currency} ${rate.day}`)).length
    return { added: differs.length - changed, changed, same: given.length - differs.length }
  })
}
