import { brandExists, usedCounters } from './change-queries'
import { badInput, Refusal } from '../../../core/errors'
import { dayInZone, type Day } from '../../../core/documents/days'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import {
  aroundCounter,
  checkSeries,
  counterIn,
  formatNumber,
  periodOf,
  toldScope,
  type NumberSeries,
  type SeriesScope,
} from '../../../core/numbering/series'
import { told, toldKind, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { NumberSeries as NumberSeriesRow, NumberSkip } from '../../db/models'
import { publish } from '../live/publish'
import { company, type SeriesRow } from './house'
import {
  lockSeries,
  lockCounters,
  updateSeries,
  deleteUnusedCounters,
  newestInSeries,
  setCounter,
  branchCalled,
  seriesWithScope,
  seriesIsUsed,
  deleteCounters,
  deleteSeries,
  brandCode,
  otherSeries,
  seriesWithCode,
  counterOf,
  highestIn,
  numberLike,
} from './series-queries'
import type { Principal } from '../people/principal'

/*
 * Number series: one for all of a brand's papers of a kind, and closer ones for a country or a currency.
 * Refuses every change after which a number could come twice, with the number it would come to again.
 */

/** What a supervisor says where a higher start leaves numbers out. */
export interface Skipping {
  reason: string
  who: Principal
}

/**
 * Changes how numbers look and begin, from the version that was on the screen. Numbers already issued stay. In
 * a period that has numbers a start counts, too: at or below the last it is refused, above it the numbers
 * between are left out for a reason that the number register keeps.
 * @throws Refusal "changed-meanwhile", "start-used", "numbers-skipped", "double-numbers"
 */
export async function changeSeries(
  seriesId: number,
  { version, ...series }: NumberSeries & { version: number },
  skipping?: Skipping,
): Promise<void> {
  checkSeries(series)
  await inTransaction(async () => {
    const before = await lockSeries(seriesId)
    if (!before) throw new Refusal('no-such-series', { status: 404 })
    if (before.version !== version) throw new Refusal('changed-meanwhile/series')
    await lockCounters(seriesId)
    await refuseDoubles({ ...before, ...series })
    if (series.source !== 'order' && series.start !== before.start)
      await startAt({ ...before, ...series }, skipping)
    await updateSeries({
      id: seriesId,
      prefix: series.prefix,
      suffix: series.suffix,
      length: series.length,
      start: series.start,
      restart: series.restart,
      businessYearStart: series.businessYearStart,
      source: series.source ?? 'own',
    })
    await deleteUnusedCounters(seriesId, series.start)
    publish('house')
  })
}

/** Lets a new start count in the period that runs and has numbers already. */
async function startAt(series: SeriesRow, skipping: Skipping | undefined): Promise<void> {
  const today = dayInZone(clock.now(), (await company()).timeZone)
  const period = periodOf(series, today)
  const last = await newestInSeries(series.id, period)
  if (!last) return
  const [first, until] = [last.counter + 1, series.start - 1]
  if (series.start <= last.counter)
    throw badInput('start-used', 'start', { number: last.number, start: series.start, counter: last.counter })
  if (until < first) return
  const numbers = first === until ? `Number ${first}` : `Numbers ${first} to ${until}`
  if (!skipping?.reason.trim())
    throw new Refusal('numbers-skipped', { values: { numbers }, about: { field: 'start' } })
  await NumberSkip.create({
    seriesId: series.id,
    period,
    first,
    last: until,
    reason: skipping.reason.trim(),
    at: clock.now(),
    by: skipping.who.name,
  })
  await setCounter({ seriesId: series.id, period, last: until })
}

/** Adds a series for a branch, a country, a currency or several. @throws Refusal "series-exists", "no-such-branch" */
export async function addSeries(
  brandId: number,
  kind: DocumentKind,
  scope: SeriesScope,
  series: NumberSeries,
): Promise<number> {
  checkSeries(series)
  if (!scope.country && !scope.currency && !scope.branch) throw badInput('no-scope', 'country')
  return inTransaction(async () => {
    if (!(await brandExists(brandId))) throw new Refusal('no-such-brand', { status: 404 })
    const branch = scope.branch ? await branchCalled(brandId, scope.branch) : null
    if (branch === undefined) throw badInput('no-such-branch/series', 'branch', { branch: scope.branch })
    if (await seriesWithScope({ kind, brandId, ...scope }))
      throw new Refusal('series-exists', { about: { field: 'country' } })
    await refuseDoubles({ ...series, ...scope, id: 0, version: 0, kind, brandId })
    const { id } = await NumberSeriesRow.create({
      kind,
      brandId,
      country: scope.country,
      currency: scope.currency,
      branchId: branch?.id ?? null,
      prefix: series.prefix,
      suffix: series.suffix,
      length: series.length,
      start: series.start,
      restart: series.restart,
      businessYearStart: series.businessYearStart,
      source: series.source ?? 'own',
    })
    publish('house')
    return id
  })
}

/** Takes a closer series away that has numbered nothing. @throws Refusal "series-used", "last-series" */
export async function removeSeries(id: number): Promise<void> {
  await inTransaction(async () => {
    const series = await lockSeries(id)
    if (!series) throw new Refusal('no-such-series', { status: 404 })
    if (toldScope(series) === null) throw new Refusal('last-series')
    if (await seriesIsUsed(id)) throw new Refusal('series-used')
    await deleteCounters(id)
    await deleteSeries(id)
    publish('house')
  })
}

/**
 * Why a number of another program cannot come in: a series of ours has yet to draw it, and would stop there.
 * @returns what answers that for a number and its date, as a sentence; null where it may come in
 */
export async function numbersToCome(): Promise<
  (kind: DocumentKind, number: string, date: Day) => Told | null
> {
  const all = await seriesWithCode()
  const counters = new Map((await usedCounters()).map((one) => [`${one.seriesId} ${one.period}`, one.last]))
  const today = dayInZone(clock.now(), (await company()).timeZone)
  return (kind, number, date) => {
    for (const series of all.filter((one) => one.kind === kind && one.source !== 'order'))
      for (const day of [today, date]) {
        const counter = counterIn(series, { date: day, brand: series.code, order: '' }, number)
        const last = counters.get(`${series.id} ${periodOf(series, day)}`) ?? series.start - 1
        if (counter !== null && counter > last)
          return told('row/to-come', {
            number,
            series: toldKind(kind, 'many'),
            brand: series.brand,
            counter,
          })
      }
    return null
  }
}

/** @throws Refusal "double-numbers" naming the number that would come again */
async function refuseDoubles(series: SeriesRow): Promise<void> {
  const { code } = (await brandCode(series.brandId))!
  const today = dayInZone(clock.now(), (await company()).timeZone)
  const look = (one: SeriesRow, brand: string) =>
    `${one.source === 'order' ? 'order' : 'own'} ${one.prefix}#${one.suffix}`.replaceAll('{brand}', brand)
  const others = await otherSeries(series.kind, series.id)
  const twin = others.find((other) => look(other, other.code) === look(series, code))
  if (twin)
    throw badInput('double-numbers', 'prefix', {
      kinds: kindFacts[series.kind].many,
      twin: [twin.brand, twin.branch, twin.country, twin.currency].filter(Boolean).join(', '),
      example: '{brand}',
    })
  if (series.source === 'order') return

  const facts = { date: today, brand: code, order: '' }
  const { before, after } = aroundCounter(series, facts)
  const period = periodOf(series, today)
  const last = (await counterOf(series.id, period))?.last
  const issuedHere = await highestIn(series.id, period)
  const next = issuedHere?.highest ? Math.max(issuedHere.highest, last ?? 0) + 1 : series.start
  const there = await numberLike({
    kind: series.kind,
    prefixLength: before.length,
    suffixLength: after.length,
    prefix: before,
    suffix: after,
  })
  if (there && Number(there.counter) >= next) {
    throw badInput('start-used/around', 'start', {
      number: there.number,
      next: formatNumber(series, next, facts),
      counter: Number(there.counter),
    })
  }
}
