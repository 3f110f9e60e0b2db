import type { Day } from '../../../core/documents/days'
import { oldKind } from '../../../core/imports/row'
import { Decimal } from '../../../core/money/decimal'
import type { Language } from '../../../core/money/format'
import { told } from '../../../core/said/told'
import { company } from '../house/house'
import type { Principal } from '../people/principal'
import { takeOver, takeOverPayment, type OldDocument } from '../receivables/take-over'
import { documentsNumbered, onAccountKey } from '../receivables/take-over-queries'
import type { Known } from './references'
import { each, unchanged, type Group, type Written } from './write'
import { paymentWithKey } from './write-queries'

/*
 * Open items of the program before this one. Written in the caller's transaction, many at once; where one of them is
 * refused, one by one, so that it stops only itself.
 */

export async function writeOpenItems(
  groups: readonly Group[],
  known: Known,
  who: Principal,
): Promise<Written[]> {
  const { taxRates } = await company()
  const [usual] = Object.entries(taxRates).sort(([, a], [, b]) => Number(b) - Number(a))
  const brand = [...known.brands.values()][0]
  const there = await documentsNumbered(groups.map((group) => group.records[0]!.number!))
  return each(groups, async ({ records: [record] }): Promise<Written> => {
    const { number, date, customer: customerNumber } = record as Record<string, string>
    const customer = known.customers.get(customerNumber!)!
    const kind = oldKind(record!)
    const open = new Decimal(record!.open!).abs()
    const currency = record!.currency ?? customer.currency
    const common = { number: number!, date: date as Day, customerId: customer.id, currency }
    if (kind === 'payment') {
      if (await paymentWithKey(onAccountKey(number!))) return unchanged
      await takeOverPayment({ ...common, amount: open.toString(), reference: record!.reference ?? null }, who)
      return { outcome: 'written', note: told('row/all-on-account') }
    }
    const before = there.find((one) => one.kind === kind && one.number === number)
    if (before) return sameAs(before, customer.id, kind === 'invoice' ? open : open.neg())
    await takeOver(
      [
        {
          ...common,
          kind,
          dueDate: (record!.dueDate as Day | undefined) ?? null,
          language: customer.language as Language,
          brandId: record!.brand === undefined ? brand!.id : known.brands.get(record!.brand)!.id,
          total:
            kind === 'credit note' ? open.toString() : new Decimal(record!.total ?? open).abs().toString(),
          open: open.toString(),
          taxCode: record!.taxCode ?? usual?.[0] ?? '',
          reference: record!.reference ?? null,
        } satisfies OldDocument,
      ],
      who,
    )
    return { outcome: 'written', note: told(kind === 'invoice' ? 'row/owed' : 'row/credited') }
  })
}

/** A number that is there already is the same one, or somebody else's. */
function sameAs(
  before: { number: string; takenOver: boolean; voided: boolean; customerId: number; owed: string },
  customerId: number,
  owed: Decimal,
): Written {
  if (before.voided)
    return {
      outcome: 'wrong',
      note: told('row/void', { number: before.number }),
    }
  if (before.takenOver && before.customerId === customerId && owed.eq(before.owed)) return unchanged
  return {
    outcome: 'wrong',
    note: told(before.takenOver ? 'row/came-otherwise' : 'row/our-document', { number: before.number }),
  }
}
