import { checkSeries, type NumberSeries, type Restart } from '../../../core/numbering/series'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { SeriesView } from '../../contract'

/* A number series as it is written in fields, and read from them again. */

export interface SeriesForm {
  prefix: string
  suffix: string
  length: string
  start: string
  restart: string
  businessYearStart: string
  source: 'own' | 'order'
}

export const seriesForm = (series: NumberSeries): SeriesForm => ({
  prefix: series.prefix,
  suffix: series.suffix,
  length: String(series.length),
  start: String(series.start),
  restart: series.restart,
  businessYearStart: String(series.businessYearStart),
  source: series.source ?? 'own',
})

export const seriesOf = (form: SeriesForm): NumberSeries => ({
  prefix: form.prefix,
  suffix: form.suffix,
  length: Number(form.length),
  start: Number(form.start),
  restart: form.restart as Restart,
  businessYearStart: Number(form.businessYearStart),
  source: form.source,
})

/** What is wrong with a series and at which field; empty where nothing is. */
export function wrongOf(series: NumberSeries): { field: string; words: string } {
  try {
    checkSeries(series)
    return { field: '', words: '' }
  } catch (error) {
    const { about, message } = error as Error & { about?: { field?: string } }
    return { field: about?.field ?? '', words: message }
  }
}

/** A series that is not kept yet: five digits, from 1 each year. */
export const freshSeries = (kind: DocumentKind, brandId: number): SeriesView => ({
  id: 0,
  kind,
  brandId,
  country: '',
  currency: '',
  branch: '',
  prefix: '',
  suffix: '',
  length: 5,
  start: 1,
  restart: 'year',
  businessYearStart: 1,
  source: 'own',
  version: 0,
  counters: [],
})
