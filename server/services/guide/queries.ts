import type { Language } from '../../../core/money/format'
import { rows, one } from '../../db/connection'

/* The statements of guide that have no file of their own. */

export const customerLanguages = () => rows<{ language: Language }>('select distinct language from customer')

export const seriesKinds = () =>
  rows<{ kind: string; brandId: number }>('select kind, brand_id "brandId" from number_series')

export const routinesOn = () => one<{ count: number }>('select count(*)::int count from routine where is_on')

/** Whether the house has customers and items at all. */
export const started = () =>
  one<{ customer: boolean; item: boolean }>(
    'select exists (select from customer) customer, exists (select from item) item',
  )
