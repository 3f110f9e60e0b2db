import { isDeepStrictEqual } from 'node:util'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import { ownValues } from '../../../core/imports/fields'
import type { ImportRecord } from '../../../core/imports/row'
import { Decimal } from '../../../core/money/decimal'
import { totals, type Adjustment } from '../../../core/money/totals'
import { told, toldRefusal } from '../../../core/said/told'
import { json } from '../../db/connection'
import { company } from '../house/house'
import { type NewOrder, addOrders, type LineEdit, editOrder } from '../orders/orders'
import { setStatus } from '../orders/status'
import { branchIn, type Known } from './references'
import { type Group, type Written, unchanged } from './write'
import { ordersByNumber } from './write-queries'
import type { Principal } from '../people/principal'

/*
 * Writes orders with their lines, whole; one that is there is changed where that is allowed.
 * Called by write.ts, in its transaction.
 */

export async function writeOrders(
  groups: readonly Group[],
  known: Known,
  who: Principal,
  tellRoutines: boolean,
): Promise<Written[]> {
  const { taxRates, orderStatuses } = await company()
  const found = new Map(
    (await ordersByNumber(groups.map((group) => group.key))).map((order) => [order.number, order]),
  )
  const fresh: { order: NewOrder; status: string; at: number }[] = []
  const done: Written[] = []
  for (const [at, group] of groups.entries()) {
    const [head] = group.records as [ImportRecord, ...ImportRecord[]]
    const customer = known.customers.get(head.customer!)!
    const lines = group.records.map((record) => lineOf(record, known, customer.language))
    const before = found.get(group.key)
    done[at] = { outcome: 'written', note: told('row/new') }
    try {
      if (before) {
        done[at] = await changeOrder(before, head, lines, who, known, tellRoutines)
        continue
      }
      const brand = known.brands.get(head.brand ?? [...known.brands.keys()][0]!)!
      const order: NewOrder = {
        number: group.key,
        brandId: brand.id,
        customerId: customer.id,
        customerName: customer.name,
        date: head.date!,
        status: orderStatuses[0]!,
        currency: head.currency ?? customer.currency,
        pricesIncludeTax: customer.pricesIncludeTax ?? brand.pricesIncludeTax,
        reference: head.reference ?? null,
        salesperson: head.salesperson ?? customer.salesperson,
        customerNote: head.note ?? null,
        prepaid: '0',
        adjustments: adjustmentsOf(head) ?? [],
        internalNote: head.internalNote ?? '',
        branchId: branchIn(head, known) ?? null,
        delivery: deliveryOf(head, customer.name) ?? null,
        fields: ownValues(head, 'fields.') ?? {},
        lines,
      }
      totals({ ...order, rates: taxRates })
      fresh.push({ order, status: head.status ?? orderStatuses[0]!, at })
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done[at] = { outcome: 'wrong', note: toldRefusal(error) }
    }
  }
  const ids = await addOrders(
    fresh.map((one) => one.order),
    who,
  )
  for (const status of new Set(fresh.map((one) => one.status))) {
    const own = fresh.flatMap((one, index) => (one.status === status ? ids[index]! : []))
    if (status !== orderStatuses[0]) await setStatus(own, status, who, { tellRoutines, anyStep: true })
  }
  return done
}

function lineOf(record: ImportRecord, known: Known, language: string): LineEdit {
  const item = known.items.get(record.item ?? '')
  const plain = (value: string) => new Decimal(value).toString()
  return {
    item: record.item ?? '',
    description: record.description ?? item?.names[language] ?? item?.names.en ?? record.item!,
    detail: null,
    unit: record.unit ?? item?.unit ?? '',
    quantity: plain(record.quantity!),
    unitPrice: plain(record.price ?? item!.price),
    discountPercent: plain(record.discount ?? '0'),
    taxCode: record.taxCode ?? item!.taxCode,
    fields: ownValues(record, 'lineFields.') ?? {},
  }
}

/** Charge and discount on the whole order; undefined where the file says nothing of them. */
function adjustmentsOf(head: ImportRecord): Adjustment[] | undefined {
  const all: Adjustment[] = [
    ...(head.charge
      ? [{ kind: 'charge' as const, label: head.chargeLabel ?? 'Shipping', amount: head.charge }]
      : []),
    ...(head.orderDiscount
      ? [{ kind: 'discount' as const, label: 'Discount', amount: head.orderDiscount }]
      : []),
  ]
  return all.length ? all : undefined
}

/** Where the goods go; undefined where the file says nothing of it. */
function deliveryOf(head: ImportRecord, customerName: string): Address | undefined {
  const lines = [head.deliveryStreet, head.deliveryTown].filter((line): line is string => !!line)
  if (lines.length === 0) return undefined
  return {
    name: head.deliveryName ?? customerName,
    attention: '',
    lines,
    country: head.deliveryCountry ?? '',
  }
}

/**
 * Lines, texts and status follow the file. Whose order it is, of which day and brand, stands once papers may
 * rest on it. @throws Refusal "another-order"
 */
async function changeOrder(
  before: {
    id: number
    version: number
    status: string
    customer: string
    date: string
    brand: string
    reference: string | null
    note: string | null
    internalNote: string
    branchId: number | null
    fields: Record<string, string>
    delivery: Address | null
    adjustments: Adjustment[]
    lines: LineEdit[]
  },
  head: ImportRecord,
  read: LineEdit[],
  who: Principal,
  known: Known,
  tellRoutines: boolean,
): Promise<Written> {
  const differs = (
    [
      ['customer', head.customer],
      ['date', head.date],
      ['brand', head.brand],
    ] as const
  ).find(([key, given]) => given !== undefined && given !== before[key])
  if (differs)
    throw new Refusal('another-order', {
      values: { differ: differs[0], before: before[differs[0]], now: differs[1]! },
    })
  const said = (list: readonly LineEdit[]) =>
    json(
      list.map(({ item, description, unit, quantity, unitPrice, discountPercent, taxCode, fields = {} }) => [
        item,
        description,
        unit,
        quantity,
        unitPrice,
        discountPercent,
        taxCode,
        ...Object.entries(fields).sort(),
      ]),
    )
  // what the file does not give of a line stays with it
  const lines = read.map((line, at) =>
    Object.keys(line.fields ?? {}).length === 0 && before.lines[at]?.item === line.item
      ? { ...line, fields: before.lines[at].fields }
      : line,
  )
  const reference = head.reference ?? before.reference
  const note = head.note ?? before.note
  const more = {
    ...given('branchId', branchIn({ ...head, brand: before.brand }, known), before.branchId),
    ...given('internalNote', head.internalNote, before.internalNote),
    ...given('adjustments', adjustmentsOf(head), before.adjustments),
    ...given('delivery', deliveryOf(head, before.delivery?.name ?? ''), before.delivery),
    ...given('fields', mergedFields(ownValues(head, 'fields.'), before.fields), before.fields),
  }
  const sameLines =
    said(lines) === said(before.lines) &&
    reference === before.reference &&
    note === before.note &&
    Object.keys(more).length === 0
  const sameStatus = head.status === undefined || head.status === before.status
  if (sameLines && sameStatus) return unchanged
  if (!sameLines)
    await editOrder(
      before.id,
      { version: before.version, reference, customerNote: note, lines, ...more },
      who,
    )
  if (!sameStatus) await setStatus([before.id], head.status!, who, { tellRoutines })
  return {
    outcome: 'written',
    note: sameLines ? told('row/status-now', { status: head.status! }) : told('row/changed'),
  }
}

/** What the file gives and is another than before, under its name; nothing else. */
const given = <Key extends string, Value>(key: Key, value: Value | undefined, before: Value | null) =>
  value === undefined || isDeepStrictEqual(value, before) ? {} : ({ [key]: value } as Record<Key, Value>)

const mergedFields = (values: Record<string, string> | undefined, before: Record<string, string>) =>
  values && { ...before, ...values }
