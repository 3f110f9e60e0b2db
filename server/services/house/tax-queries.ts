import type { DatedRate, TaxCode } from '../../../core/money/tax-codes'
import { rows, one, run, json } from '../../db/connection'
import type { TaxCodeRow } from './tax'

/* The statements of tax.ts. */

export const taxCodeRows = () =>
  rows<TaxCodeRow>(
    `select c.code, c.category, c.names, c.reasons, c.version,
      coalesce(
        jsonb_agg(
          jsonb_build_object('from', r.from_day, 'percent', trim_scale(r.percent)::text) order by r.from_day
        ) filter (where r.code is not null),
        '[]'
      ) rates
    from tax_code c
    left join tax_rate r on r.code = c.code
    group by c.code
    order by c.position`,
  )

export const lockTaxCode = (code: string) =>
  one<{ version: number }>('select version from tax_code where code = $code for update', { code })

export const upsertTaxCode = (given: {
  code: string
  category: string
  names: TaxCode['names']
  reasons: TaxCode['reasons']
}) =>
  run(
    `insert into tax_code (code, category, names, reasons)
    values ($code, $category, $names::jsonb, $reasons::jsonb)
    on conflict (code) do update
    set category = excluded.category, names = excluded.names, reasons = excluded.reasons,
      version = tax_code.version + 1`,
    { ...given, names: json(given.names), reasons: json(given.reasons) },
  )

export const deleteTaxRates = (code: string) => run('delete from tax_rate where code = $code', { code })

export const insertTaxRates = (code: string, rates: readonly DatedRate[]) =>
  run(
    `insert into tax_rate (code, from_day, percent)
    select $code, r."from", r.percent from jsonb_to_recordset($rates::jsonb) as r ("from" date, percent numeric)`,
    { code, rates: json(rates) },
  )
