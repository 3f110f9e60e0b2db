import type { LineEdit, OrderView } from '../../contract'

/** What a person can write of an order. */
export interface OrderForm {
  lines: LineEdit[]
  reference: string
  customerNote: string
  /** The company's own order fields, by name. */
  fields: Record<string, string>
}

/** The form over an order as it is saved; empty while none is loaded. */
export const formOfOrder = (order: OrderView | undefined): OrderForm => ({
  lines: structuredClone(order?.lines ?? []),
  reference: order?.reference ?? '',
  customerNote: order?.customerNote ?? '',
  fields: { ...order?.fields },
})

/** A form as it is saved: what is empty is left out. */
export const writtenOrder = (form: OrderForm) => ({
  lines: form.lines,
  reference: form.reference || null,
  customerNote: form.customerNote || null,
  fields: Object.fromEntries(Object.entries(form.fields).filter(([, value]) => value !== '')),
})
