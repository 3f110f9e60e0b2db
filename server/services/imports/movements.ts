import type { ImportRecord } from '../../../core/imports/row'
import type { Unkeyed } from '../../../core/receivables/bank-statement'
import { moneyText } from '../../../core/money/decimal'
import { told } from '../../../core/said/told'
import { keepMovements, type MovementSource } from '../receivables/bank'
import type { Known } from './references'
import type { Group, Written } from './write'
import type { Principal } from '../people/principal'

/*
 * Movements of a bank that come as mapped rows: kept and matched as those of a statement are; nothing is
 * booked before somebody has looked.
 */

/** A record as a movement; its currency is the house's where none is given. */
export const movementOf = (
  {
    bookedOn = '',
    amount = '0',
    currency,
    name = '',
    iban = '',
    text = '',
    reference = '',
    bankReference = '',
  }: ImportRecord,
  home: string,
): Unkeyed => ({
  bookedOn,
  amount: moneyText(amount, currency ?? home),
  currency: currency ?? home,
  name,
  iban,
  text,
  reference,
  bankReference,
})

/** Keeps movements in the caller's transaction. */
export async function writeMovements(
  groups: readonly Group[],
  { home }: Known,
  source: MovementSource,
  who: Principal,
): Promise<Written[]> {
  const entries = groups.map(({ key, records: [record] }) => {
    const account = record!.account ?? ''
    const { bankReference: _, ...movement } = movementOf(record!, home)
    return { ...movement, account, key: key.slice(account.length + 1) }
  })
  const fresh = await keepMovements(source, entries, who)
  return fresh.map((is) =>
    is
      ? { outcome: 'written', note: told('row/kept-movement') }
      : { outcome: 'unchanged', note: told('row/known-movement') },
  )
}
