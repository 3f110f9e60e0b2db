import type { Address } from '../../../core/documents/facts'
import type { Adjustment } from '../../../core/money/totals'
import type { LineEdit, OrderView } from '../../contract'
import { tidy } from '../shipping/goods-form'

/** What a person can write of an order. */
export interface OrderForm {
  lines: LineEdit[]
  reference: string
  customerNote: string
  /** The company's own order fields, by name. */
  fields: Record<string, string>
  adjustments: Adjustment[]
  /** The customer's billing address, null for its own. */
  billToId: number | null
  /** Where the goods go, null for the address that is billed. */
  delivery: Address | null
  internalNote: string
  /** The place it is sold from, null for the brand's own address. */
  branchId: number | null
}

/** What stands beside the lines. */
export type OrderMore = Pick<OrderForm, 'adjustments' | 'billToId' | 'delivery' | 'internalNote' | 'branchId'>

/** The form over an order as it is saved; empty while none is loaded. */
export const formOfOrder = (order: OrderView | undefined): OrderForm => ({
  lines: structuredClone(order?.lines ?? []),
  reference: order?.reference ?? '',
  customerNote: order?.customerNote ?? '',
  fields: { ...order?.fields },
  adjustments: structuredClone(order?.adjustments ?? []),
  billToId: order?.billToId ?? null,
  delivery: structuredClone(order?.delivery ?? null),
  internalNote: order?.internalNote ?? '',
  branchId: order?.branchId ?? null,
})

/** A form as it is saved: what is empty is left out. */
export const writtenOrder = (form: OrderForm) => ({
  lines: form.lines,
  reference: form.reference || null,
  customerNote: form.customerNote || null,
  fields: Object.fromEntries(Object.entries(form.fields).filter(([, value]) => value !== '')),
  ...writtenMore(form),
})

/** What stands beside the lines, as it is saved. */
export const writtenMore = (form: OrderMore) => ({
  adjustments: form.adjustments,
  billToId: form.billToId,
  delivery: form.delivery?.lines.some(Boolean) ? tidy(form.delivery) : null,
  internalNote: form.internalNote,
  branchId: form.branchId,
})

/** The code with the highest rate first: it is the usual one, and a line that is taxed too little is worse. */
export const usualRates = (rates: Readonly<Record<string, string>>) =>
  Object.entries(rates).sort(([, a], [, b]) => Number(b) - Number(a))

/** A line that nothing is written in yet. */
export const newLine = (rates: Readonly<Record<string, string>>): LineEdit => ({
  item: '',
  description: '',
  detail: null,
  unit: '',
  quantity: '1',
  unitPrice: '0.00',
  discountPercent: '0',
  taxCode: usualRates(rates)[0]?.[0] ?? '',
})

/** The lines that something is written in. */
export const writtenLines = (lines: readonly LineEdit[]): LineEdit[] =>
  lines.filter((line) => line.item.trim() || line.description.trim())
