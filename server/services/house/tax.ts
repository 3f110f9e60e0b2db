import { checkTaxCode, type TaxCode } from '../../../core/money/tax-codes'
import { Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { company } from './house'
import { taxCodeRows, lockTaxCode, upsertTaxCode, deleteTaxRates, insertTaxRates } from './tax-queries'

/*
 * Tax codes: their kind of supply, their words and their rates with the day from which each holds.
 * Called from Settings, Tax, by a supervisor, and by everything that makes a document. Prepared documents are
 * built again after a change;
 * issued ones keep what they were issued with. Refuses a code that nothing could be printed of, and taking
 * away a rate that was used.
 */

export interface TaxCodeRow extends TaxCode {
  version: number
}

/** All tax codes with all their rates, in the order they were made. */
export async function taxCodes(): Promise<TaxCodeRow[]> {
  return taxCodeRows()
}

/** Writes a tax code, new or changed. @throws Refusal "bad-tax-code", "changed-meanwhile", "tax-code-exists" */
export async function keepTaxCode(code: TaxCode, version: number | null): Promise<void> {
  const { language } = await company()
  checkTaxCode(code, language)
  await inTransaction(async () => {
    const before = await lockTaxCode(code.code)
    if (version === null && before)
      throw new Refusal('tax-code-exists', { values: { code: code.code }, about: { field: 'code' } })
    if (version !== null && before?.version !== version) throw new Refusal('changed-meanwhile/tax-code')
    await upsertTaxCode({
      code: code.code,
      category: code.category,
      names: code.names,
      reasons: code.reasons,
    })
    await deleteTaxRates(code.code)
    await insertTaxRates(code.code, code.rates)
    await markAllStale()
    publish('house')
  })
}
