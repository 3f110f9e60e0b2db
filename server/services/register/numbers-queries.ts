import { Refusal } from '../../../core/errors'
import { toldScope } from '../../../core/numbering/series'
import { rows, one } from '../../db/connection'
import { type Listed, keyset, paged } from '../keyset'
import { theHouse } from '../people/principal'
import { within } from '../people/brand-queries'
import type { NumberPeriod, NumberRow, SkippedNumbers } from './numbers'

/* The statements of numbers.ts. */

/**
 * Every series and period that has numbers; the newest periods first. Periods of order-numbered series are
 * gathered into one.
 */
export async function numberPeriods(who = theHouse): Promise<NumberPeriod[]> {
  const found = await rows<
    Omit<NumberPeriod, 'scope'> & { country: string; currency: string; branch: string }
  >(`
    with
      found as (
        select d.series_id, case s.source when 'order' then '' else d.period end period, min(d.counter) low,
          max(d.counter) high, count(*)::int count, count(*)::int - count(distinct d.number)::int doubles,
          s.source
        from document d
        join number_series s on s.id = d.series_id
        where ${within(who, 's.brand_id')}
        group by 1, 2, s.source
      )
    select f.series_id "seriesId", s.kind, b.name brand, s.country, s.currency,
      coalesce((select name from branch where branch.id = s.branch_id), '') branch, f.period, f.count, f.doubles,
      case f.source
        when 'order' then 0
        else f.high - f.low + 1 - f.count
          - coalesce(
            (
              select sum(k.last - k.first + 1)::int
              from number_skip k
              where k.series_id = f.series_id and k.period = f.period and k.first > f.low and k.last < f.high
            ),
            0
          )
      end gaps,
      (
        select number
        from document d
        where d.series_id = f.series_id and (f.source = 'order' or d.period = f.period)
        order by d.counter, d.id
        limit 1
      ) first,
      (
        select number
        from document d
        where d.series_id = f.series_id and (f.source = 'order' or d.period = f.period)
        order by d.counter desc, d.id desc
        limit 1
      ) last
    from found f
    join number_series s on s.id = f.series_id
    join brand b on b.id = s.brand_id
    order by f.period desc, s.kind <> 'invoice', s.kind, b.id, s.country, s.currency`)
  return found.map((one) => ({ ...one, scope: toldScope(one) }))
}

const columns = `
  d.id, d.counter, d.number, d.date::text date, d.customer_name "customerName", d.total::text total,
  d.currency, d.issued_at "issuedAt", d.issued_by "issuedBy",
  case
    when v.document_id is not null then 'void'
    when k.total is null then 'issued'
    when k.total < d.total then 'part credited'
    else 'credited'
  end state,
  coalesce(v.reason, '') reason, coalesce(k.numbers, '') "creditedWith", d.earlier_than::text "earlierThan"`

const joined = `
  document d left join document_void v on v.document_id = d.id left join lateral (
    select sum(o.total) total, string_agg(o.number, ', ' order by o.id) numbers
    from document o
    where o.credits_id = d.id and not exists (select from document_void x where x.document_id = o.id)
  ) k on true`

export async function inPeriod(
  seriesId: number,
  period: string,
): Promise<{ where: string; parameters: unknown[] }> {
  const series = await seriesSource(seriesId)
  if (!series) throw new Refusal('no-such-series', { status: 404 })
  return series.source === 'order'
    ? { where: 'd.series_id = $1', parameters: [seriesId] }
    : { where: 'd.series_id = $1 and d.period = $2', parameters: [seriesId, period] }
}

/** One page of a series and period, in order of the counter, and the numbers that are missing in it. */
export async function numbers(filter: {
  seriesId: number
  period: string
  after?: string
  limit: number
}): Promise<Listed<NumberRow> & { missing: number[]; skipped: SkippedNumbers[] }> {
  const { where, parameters } = await inPeriod(filter.seriesId, filter.period)
  const missing = parameters.length === 1 || filter.after ? [] : await missingIn(where, parameters)
  const page = keyset({ key: 'd.counter', type: 'int', descending: false }, 'd.id', filter.after, parameters)
  const found = await rows<NumberRow & { sortKey: string }>(
    `select ${columns}, d.counter::text "sortKey"
    from ${joined}
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  const skipped = await skippedNumbers(filter.seriesId, filter.period)
  return { ...paged(found, filter.limit), missing, skipped }
}

/**
 * Numbers that are missing between the first and the last, at most a hundred; counted first, since there are
 * none as a rule.
 */
async function missingIn(where: string, parameters: unknown[]): Promise<number[]> {
  const { whole } = (await one<{ whole: boolean }>(
    `select coalesce(max(d.counter) - min(d.counter) + 1 = count(*), true) whole from document d where ${where}`,
    parameters,
  ))!
  if (whole) return []
  const found = await rows<{ counter: number }>(
    `select counter
    from generate_series(
      (select min(counter) from document d where ${where}),
      (select max(counter) from document d where ${where})
    ) counter
    where not exists (select from document d where ${where} and d.counter = counter.counter)
      and not exists (
        select
        from number_skip k
        where k.series_id = $1 and k.period = $2 and counter.counter between k.first and k.last
      )
    limit 100`,
    parameters,
  )
  return found.map((row) => row.counter)
}

export async function* batches({
  where,
  parameters,
}: {
  where: string
  parameters: unknown[]
}): AsyncGenerator<NumberRow[]> {
  let last = -1
  let lastId = 0
  for (;;) {
    const found = await rows<NumberRow>(
      `select ${columns}
      from ${joined}
      where ${where} and (d.counter, d.id) > ($${parameters.length + 1}::int, $${parameters.length + 2}::int)
      order by d.counter, d.id
      limit 1000`,
      [...parameters, last, lastId],
    )
    if (found.length === 0) return
    yield found
    last = found.at(-1)!.counter
    lastId = found.at(-1)!.id
  }
}

export const seriesSource = (seriesId: number) =>
  one<{ source: string }>('select source from number_series where id = $seriesId', { seriesId })

export const skippedNumbers = (seriesId: number, period: string) =>
  rows<SkippedNumbers>(
    `select first, last, reason, at, by
    from number_skip
    where series_id = $seriesId and period = $period
    order by first`,
    { seriesId, period },
  )
