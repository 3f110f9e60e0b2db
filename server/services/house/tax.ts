import { checkTaxCode, type TaxCode } from '../../../core/money/tax-codes'
import { Refusal } from '../../../core/errors'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { company } from './house'

/*
 * Tax codes: their kind of supply, their words and their rates with the day from which each holds.
 * Called from Company, Tax, by a supervisor, and by everything that makes a document. Prepared documents are
 * built again after a change;
 * issued ones keep what they were issued with. Refuses a code that nothing could be printed of, and taking
 * away a rate that was used.
 */

export interface TaxCodeRow extends TaxCode {
  version: number
}

/** All tax codes with all their rates, in the order they were made. */
export async function taxCodes(): Promise<TaxCodeRow[]> {
  return rows<TaxCodeRow>(
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
}

/** Writes a tax code, new or changed. @throws Refusal "bad-tax-code", "changed-meanwhile", "tax-code-exists" */
export async function keepTaxCode(code: TaxCode, version: number | null): Promise<void> {
  const { language } = await company()
  checkTaxCode(code, language)
  await inTransaction(async () => {
    const before = await one<{ version: number }>('select version from tax_code where code = $1 for update', [
      code.code,
    ])
    if (version === null && before)
      throw new Refusal('tax-code-exists', `There is a tax code “${code.code}” already.`, {
        about: { field: 'code' },
      })
    if (version !== null && before?.version !== version)
      throw new Refusal('changed-meanwhile', 'Somebody changed this tax code meanwhile. Load the page again.')
    await run(
      `insert into tax_code (code, category, names, reasons)
      values ($1, $2, $3::jsonb, $4::jsonb)
      on conflict (code) do update
      set category = excluded.category, names = excluded.names, reasons = excluded.reasons,
        version = tax_code.version + 1`,
      [code.code, code.category, json(code.names), json(code.reasons)],
    )
    await run('delete from tax_rate where code = $1', [code.code])
    await run(
      `insert into tax_rate (code, from_day, percent)
      select $1, r."from", r.percent from jsonb_to_recordset($2::jsonb) as r ("from" date, percent numeric)`,
      [code.code, json(code.rates)],
    )
    const stale = await rows<{ id: number }>(
      `update prepared_document set stale = true where state in ('prepared', 'due', 'put back') returning id`,
    )
    for (let at = 0; at < stale.length; at += 50)
      await addJob('refresh-prepared', { preparedIds: stale.slice(at, at + 50).map((paper) => paper.id) })
    publish('house')
    publish('line')
  })
}
