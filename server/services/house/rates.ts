import { parse } from 'csv-parse/sync'
import { Refusal } from '../../../core/errors'
import { Decimal, type Currency, type DecimalText } from '../../../core/money/decimal'
import { isDay, type Day } from '../../../core/documents/days'
import { inTransaction, json, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'

/*
 * Exchange rates: how much of a currency one unit of the house's own is, by day and source. Invoices in foreign currency say their tax in the house's
 * currency at the newest rate up to their date. Prepared papers of a currency whose rates change are built anew.
 */

export interface RateRow { currency: Currency, day: Day, rate: DecimalText, source: string }
export interface RatesReport { added: number, changed: number, same: number, bad: { line: number, reason: string }[] }

/** The newest rates. */
export async function rates(): Promise<RateRow[]> {
  return rows<RateRow>('select currency, day::text "day", rate::text rate, source from exchange_rate where day <= current_date order by day desc, currency limit 60')
}

/** Keeps rates; the same again changes nothing. @throws Refusal when none is given */
export async function keepRates(given: readonly RateRow[]): Promise<RatesReport> {
  return inTransaction(async () => {
    const before = await rows<RateRow>(`select r.currency, r.day::text "day", r.rate::text rate, r.source from exchange_rate r join jsonb_to_recordset($1::jsonb) as g (currency text, day date) on g.currency = r.currency and g.day = r.day for update of r`, [json(given)])
    const known = new Map(before.map(rate => [`${rate.currency} ${rate.day}`, rate]))
    const differs = given.filter((rate) => {
      const old = known.get(`${rate.currency} ${rate.day}`)
      return !old || !new Decimal(old.rate).eq(rate.rate) || old.source !== rate.source
    })
    await run(`insert into exchange_rate (currency, day, rate, source) select currency, day, rate, source from jsonb_to_recordset($1::jsonb) as g (currency text, day date, rate numeric, source text)
      on conflict (currency, day) do update set rate = excluded.rate, source = excluded.source`, [json(differs)])
    const papers = await rows<{ id: number }>(`update paper set stale = true where currency = any($1::text[]) and state in ('prepared', 'due', 'put back') returning id`, [[...new Set(differs.map(rate => rate.currency))]])
    if (papers.length > 0) await addJob('refresh-papers', { paperIds: papers.map(paper => paper.id) })
    publish('house')
    const changed = differs.filter(rate => known.has(`${rate.currency} ${rate.day}`)).length
    return { added: differs.length - changed, changed, same: given.length - differs.length, bad: [] }
  })
}

/** Reads a CSV with the columns currency, day, rate, source; comma or semicolon. Bad lines are named and left out. @throws Refusal "bad-file" */
export async function importRates(text: string): Promise<RatesReport> {
  let read: Record<string, string>[]
  try {
    read = parse(text, { bom: true, columns: (heads: string[]) => heads.map(head => head.trim().toLowerCase()), skip_empty_lines: true, trim: true, delimiter: delimiterOf(text), relax_column_count: true })
  } catch (error) {
    throw new Refusal('bad-file', `The file cannot be read as CSV: ${(error as Error).message}`, { status: 400, about: { field: 'csv' } })
  }
  if (read.length === 0 || !['currency', 'day', 'rate'].every(column => column in read[0]!)) throw new Refusal('bad-file', 'The first line must name the columns currency, day and rate; source is welcome.', { status: 400, about: { field: 'csv' } })
  const good = new Map<string, RateRow>()
  const bad: RatesReport['bad'] = []
  read.forEach((row, index) => {
    const reason = wrongWith(row)
    const rate = { currency: row.currency?.toUpperCase() ?? '', day: row.day ?? '', rate: (row.rate ?? '').replace(',', '.'), source: row.source || 'import' }
    if (reason) bad.push({ line: index + 2, reason })
    else good.set(`${rate.currency} ${rate.day}`, rate)
  })
  const report = good.size > 0 ? await keepRates([...good.values()]) : { added: 0, changed: 0, same: 0, bad: [] }
  return { ...report, bad: bad.slice(0, 200) }
}

/** What stands between the names in the first line; a comma may then stand in the numbers. */
function delimiterOf(text: string): string {
  const head = text.split(/\r?\n/, 1)[0]!
  return [';', '\t'].find(one => head.includes(one)) ?? ','
}

function wrongWith(row: Record<string, string>): string | undefined {
  if (!/^[A-Za-z]{3}$/.test(row.currency ?? '')) return `“${row.currency ?? ''}” is not a currency like GBP`
  if (!/^(19|20|21)\d{2}-\d{2}-\d{2}$/.test(row.day ?? '')) return `“${row.day ?? ''}” is not a day like 2026-11-24`
  if (!isDay(row.day!)) return `${row.day} does not exist`
  if (!/^\d{1,9}([.,]\d{1,8})?$/.test(row.rate ?? '') || new Decimal(row.rate!.replace(',', '.')).lte(0)) return `“${row.rate ?? ''}” is not a rate above zero`
  return undefined
}
