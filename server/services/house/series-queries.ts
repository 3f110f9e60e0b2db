import { one, run, rows } from '../../db/connection'
import type { SeriesRow } from './house'
import { seriesColumns } from './house-queries'

/* The statements of series.ts. */

export const lockSeries = (id: number) =>
  one<SeriesRow>(`select ${seriesColumns} from number_series s where id = $id for update`, { id })

export const lockCounters = (seriesId: number) =>
  run('select period from series_counter where series_id = $seriesId order by period for update', {
    seriesId,
  })

export const updateSeries = (given: {
  id: number
  prefix: string
  suffix: string
  length: number
  start: number
  restart: string
  businessYearStart: number
  source: string
}) =>
  run(
    `update number_series
    set prefix = $prefix, suffix = $suffix, length = $length, start = $start, restart = $restart,
      business_year_start = $businessYearStart,
      source = $source, version = version + 1
    where id = $id`,
    given,
  )

export const deleteUnusedCounters = (seriesId: number, start: number) =>
  run(
    `delete from series_counter c where series_id = $seriesId and last < $start
    and not exists (select from document d where d.series_id = $seriesId and d.period = c.period)`,
    { seriesId, start },
  )

export const newestInSeries = (seriesId: number, period: string) =>
  one<{ counter: number; number: string }>(
    `select counter, number
    from document
    where series_id = $seriesId and period = $period
    order by counter desc
    limit 1`,
    { seriesId, period },
  )

export const setCounter = (given: { seriesId: number; period: string; last: number }) =>
  run('update series_counter set last = $last where series_id = $seriesId and period = $period', given)

export const seriesWithScope = (given: {
  kind: string
  brandId: number
  country: string
  currency: string
  branch: string
}) =>
  one(
    `select id
    from number_series
    where kind = $kind and brand_id = $brandId and country = $country and currency = $currency
      and branch_id is not distinct from (select id from branch where brand_id = $brandId and name = $branch)`,
    given,
  )

export const branchCalled = (brandId: number, name: string) =>
  one<{ id: number }>('select id from branch where brand_id = $brandId and name = $name', { brandId, name })

export const seriesIsUsed = (id: number) =>
  one('select id from document where series_id = $id limit 1', { id })

export const deleteCounters = (id: number) => run('delete from series_counter where series_id = $id', { id })

export const deleteSeries = (id: number) => run('delete from number_series where id = $id', { id })

export const brandCode = (brandId: number) =>
  one<{ code: string }>('select code from brand where id = $brandId', { brandId })

export const otherSeries = (kind: string, id: number) =>
  rows<SeriesRow & { code: string; brand: string }>(
    `select ${seriesColumns}, b.code, b.name brand
    from number_series s
    join brand b on b.id = s.brand_id
    where s.kind = $kind and s.id <> $id`,
    { kind, id },
  )

export const seriesWithCode = () =>
  rows<SeriesRow & { code: string; brand: string }>(
    `select ${seriesColumns}, b.code, b.name brand
    from number_series s
    join brand b on b.id = s.brand_id
    order by s.id`,
  )

export const counterOf = (seriesId: number, period: string) =>
  one<{ last: number }>('select last from series_counter where series_id = $seriesId and period = $period', {
    seriesId,
    period,
  })

export const highestIn = (seriesId: number, period: string) =>
  one<{ highest: number | null }>(
    'select max(counter) highest from document where series_id = $seriesId and period = $period',
    { seriesId, period },
  )

/** The highest number of that look, whosever series it is of, with its counter. */
export const numberLike = (given: {
  kind: string
  prefixLength: number
  suffixLength: number
  prefix: string
  suffix: string
}) =>
  one<{ number: string; counter: string }>(
    `select x.number, x.counter
    from (
      select number,
        substr(number, $prefixLength::int + 1, length(number) - $prefixLength::int - $suffixLength::int) counter
      from document
      where kind = $kind and left(number, $prefixLength::int) = $prefix
        and right(number, $suffixLength::int) = $suffix
    ) x
    where x.counter ~ '^[0-9]{1,15}$'
    order by x.counter::bigint desc
    limit 1`,
    given,
  )
