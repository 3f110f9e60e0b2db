import { badInput } from '../errors'
import type { Day } from '../documents/days'
import { told } from '../said/told'
import type { DecimalText } from './decimal'
import type { Language } from './format'

/** What kind of supply a tax code is for: letters of UNTDID 5305, as EN 16931 uses them. */
export const taxCategories = ['S', 'Z', 'E', 'O'] as const
export type TaxCategory = (typeof taxCategories)[number]

/** A rate with the first day it holds on. */
export interface DatedRate {
  from: Day
  /** Percent. */
  percent: DecimalText
}

/** A tax code of the company: what kind of supply, its words in the documents' languages, and its rates over time. */
export interface TaxCode {
  code: string
  category: TaxCategory
  names: Partial<Record<Language, string>>
  /** Why no tax is charged, as it must be said; empty where tax is. */
  reasons: Partial<Record<Language, string>>
  /** In order of their days. */
  rates: DatedRate[]
}

/** Percent by tax code on a day. Before its first rate a code has that first rate. */
export function ratesOn(codes: readonly TaxCode[], day: Day): Record<string, DecimalText> {
  return Object.fromEntries(
    codes.flatMap(({ code, rates }) => {
      const rate = rates.findLast((one) => one.from <= day) ?? rates[0]
      return rate ? [[code, rate.percent]] : []
    }),
  )
}

/**
 * The code under which all of one category and percentage are taxed and told together: one row each (EN
 * 16931, BG-23).
 * Codes without tax stay apart where their reasons differ.
 */
export function togetherOn(codes: readonly TaxCode[], day: Day): Record<string, string> {
  const rates = ratesOn(codes, day)
  const first = new Map<string, string>()
  return Object.fromEntries(
    codes.map(({ code, category, reasons, names }) => {
      const percent = Number(rates[code] ?? 0)
      const apart = percent === 0 ? JSON.stringify([names, reasons]) : ''
      const key = [category, percent, apart].join(' ')
      if (!first.has(key)) first.set(key, code)
      return [code, first.get(key)!]
    }),
  )
}

/** @throws Refusal "bad-tax-code" saying what is missing or cannot be */
export function checkTaxCode({ code, category, names, reasons, rates }: TaxCode, company: Language): void {
  if (!/^[a-z][a-z0-9-]{0,19}$/.test(code)) throw badInput('bad-tax-code/code', 'code')
  if (!names[company]?.trim()) throw badInput('bad-tax-code/names', 'names')
  if (rates.length === 0) throw badInput('bad-tax-code/no-rate', 'rates')
  const days = rates.map((rate) => rate.from)
  if (new Set(days).size < days.length) throw badInput('bad-tax-code/same-day', 'rates')
  for (const { percent } of rates) {
    if (!/^\d{1,2}(\.\d{1,3})?$/.test(percent)) throw badInput('bad-tax-code/percent', 'rates', { percent })
    if (category !== 'S' && Number(percent) !== 0)
      throw badInput('bad-tax-code/not-zero', 'rates', { category: told(`tax/${category}`) })
    if (category === 'S' && Number(percent) === 0) throw badInput('bad-tax-code/zero', 'category')
  }
  if ((category === 'E' || category === 'O') && !reasons[company]?.trim())
    throw badInput('bad-tax-code/reason', 'reasons')
}
