import { told, type Told } from '../said/told'
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

const oneOf = {
  orders: ['item', 'description'],
  payments: ['customer', 'document'],
  'bank movements': ['amount', 'moneyIn', 'moneyOut'],
} as const satisfies Partial<Record<ImportSubject, readonly string[]>>

const needsOne = (subject: ImportSubject): subject is keyof typeof oneOf => subject in oneOf

/** Fields of which a record needs at least one. */
export const oneNeededOf = (subject: ImportSubject): readonly string[] =>
  needsOne(subject) ? oneOf[subject] : []

/** What a record lacks where it has none of the fields of which it needs one; null where it has. */
export const lacking = (subject: ImportSubject, has: (key: string) => boolean): Told | null =>
  needsOne(subject) && !oneOf[subject].some(has) ? told(`row/one-of/${subject}`) : null
