import { t } from '../../words'
import {
  isOwnFieldName,
  mergeFieldNames,
  ownFieldName,
  wordsOfOwnField,
  type FieldName,
  type NamedField,
} from '../../../core/emailtexts/fields'
import type { OwnFieldFacts } from '../../../core/fields/own-fields'
import type { Condition, TableName } from '../../../core/emailtexts/nodes'

/** What a clerk calls a field. */
const fieldWords = (): Record<NamedField, string> => ({
  number: t('emailtexts.number'),
  document: t('emailtexts.document'),
  date: t('emailtexts.date'),
  due: t('emailtexts.due'),
  total: t('emailtexts.total'),
  supplied: t('emailtexts.supplied'),
  invoice: t('emailtexts.invoice'),
  period: t('emailtexts.period'),
  overdue: t('emailtexts.overdue'),
  unpaid: t('emailtexts.unpaid'),
  reminder: t('emailtexts.reminder'),
  documents: t('emailtexts.documents'),
  order: t('emailtexts.order'),
  ordered: t('emailtexts.ordered'),
  salesperson: t('emailtexts.salesperson'),
  delivery: t('emailtexts.delivery'),
  reference: t('emailtexts.reference'),
  status: t('emailtexts.status'),
  greeting: t('emailtexts.greeting'),
  contact: t('emailtexts.contact'),
  customer: t('emailtexts.customer'),
  customerNumber: t('emailtexts.customerNumber'),
  brand: t('emailtexts.brand'),
  sender: t('emailtexts.sender'),
  paying: t('emailtexts.paying'),
  several: t('emailtexts.several'),
})

/** What it means. */
const fieldMeaning = (): Partial<Record<NamedField, string>> => ({
  number: t('emailtexts.aboutNumber'),
  document: t('emailtexts.aboutDocument'),
  date: t('emailtexts.aboutDate'),
  due: t('emailtexts.aboutDue'),
  total: t('emailtexts.aboutTotal'),
  supplied: t('emailtexts.aboutSupplied'),
  invoice: t('emailtexts.aboutInvoice'),
  period: t('emailtexts.aboutPeriod'),
  overdue: t('emailtexts.aboutOverdue'),
  unpaid: t('emailtexts.aboutUnpaid'),
  reminder: t('emailtexts.aboutReminder'),
  documents: t('emailtexts.aboutDocuments'),
  order: t('emailtexts.aboutOrder'),
  ordered: t('emailtexts.aboutOrdered'),
  salesperson: t('emailtexts.aboutSalesperson'),
  delivery: t('emailtexts.aboutDelivery'),
  reference: t('emailtexts.aboutReference'),
  status: t('emailtexts.aboutStatus'),
  greeting: t('emailtexts.aboutGreeting'),
  contact: t('emailtexts.aboutContact'),
  customer: t('emailtexts.aboutCustomer'),
  customerNumber: t('emailtexts.aboutCustomerNumber'),
  brand: t('emailtexts.aboutBrand'),
  sender: t('emailtexts.aboutSender'),
})

/** A field's words; its name where there is none of it. */
export const wordsOfField = (name: string): string =>
  isOwnFieldName(name) ? wordsOfOwnField(name) : (fieldWords()[name as NamedField] ?? name)

export const meaningOfField = (name: FieldName): string =>
  isOwnFieldName(name) ? t('emailtexts.aboutOwn') : (fieldMeaning()[name] ?? '')

const valued = (): Record<Exclude<Condition['is'], 'there'>, [string, string]> => ({
  due: [t('emailtexts.isDue'), t('emailtexts.isNotDue')],
  paid: [t('emailtexts.isPaid'), t('emailtexts.isNotPaid')],
  nothing: [t('emailtexts.isNothing'), t('emailtexts.isNotNothing')],
})

/** When a passage stands, in words. */
export function whenWords({ field, is, not }: Condition): string {
  if (field === 'several') return not ? t('emailtexts.isOne') : t('emailtexts.isSeveral')
  if (is !== 'there') return valued()[is][not ? 1 : 0]
  const words = { field: wordsOfField(field) }
  return not ? t('emailtexts.thereIsNot', words) : t('emailtexts.thereIs', words)
}

const mayBeEmpty: NamedField[] = mergeFieldNames.filter(
  (name) =>
    !['number', 'document', 'date', 'total', 'greeting', 'brand', 'sender', 'customer', 'documents'].includes(
      name,
    ),
)
const each = (field: FieldName, is: Condition['is'], nots = [false, true]): Condition[] =>
  nots.map((not) => ({ field, is, not }))

/** What a passage may ask, the likeliest first. @param own the house's own fields */
export const conditions = (own: readonly OwnFieldFacts[]): Condition[] => [
  ...each('paying', 'due'),
  ...each('paying', 'paid', [false]),
  ...each('paying', 'nothing', [false]),
  ...each('several', 'there'),
  ...mayBeEmpty.flatMap((field) => each(field, 'there')),
  ...own.flatMap(({ of, name }) =>
    of === 'order' || of === 'customer' ? each(ownFieldName(of, name), 'there') : [],
  ),
]

export const tableWords = (of: TableName): string =>
  ({
    lines: t('emailtexts.tableOfLines'),
    documents: t('emailtexts.tableOfDocuments'),
    open: t('emailtexts.tableOfOpenItems'),
    parcels: t('emailtexts.tableOfParcels'),
  })[of]
