import type { ImportField } from './field'
import { customerFields, itemFields } from './master-fields'
import { movementFields, openItemFields, paymentFields, rateFields } from './money-fields'
import { orderFields } from './order-fields'

/** What can be read from a file or given by another program. */
export const importSubjects = [
  'customers',
  'items',
  'orders',
  'open items',
  'payments',
  'bank movements',
  'rates',
] as const
export type ImportSubject = (typeof importSubjects)[number]

/** The fields of each kind of record; their keys are stable. */
export const importFields: Readonly<Record<ImportSubject, readonly ImportField[]>> = {
  customers: customerFields,
  items: itemFields,
  orders: orderFields,
  'open items': openItemFields,
  payments: paymentFields,
  'bank movements': movementFields,
  rates: rateFields,
}

/** Fields of which a record needs at least one, with the words that say so. */
export const oneOf: Partial<Record<ImportSubject, { keys: readonly string[]; words: string }>> = {
  orders: { keys: ['item', 'description'], words: 'Its line has neither an item code nor a description.' },
  payments: {
    keys: ['customer', 'document'],
    words: 'Neither a customer number nor a document number is given.',
  },
  'bank movements': { keys: ['amount', 'moneyIn', 'moneyOut'], words: 'No amount is given.' },
}
