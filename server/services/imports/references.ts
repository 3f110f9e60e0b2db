import type { ImportSubject } from '../../../core/imports/subjects'
import { countAlike, saidOf } from '../../../core/receivables/bank-statement'
import { optionsIn } from '../../../core/items/options'
import { isGtin } from '../../../core/items/gtin'
import { oldKind, type ImportRecord } from '../../../core/imports/row'
import { Decimal, moneyText } from '../../../core/money/decimal'
import { dayInZone, type Day } from '../../../core/documents/days'
import { joined, told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { company } from '../house/house'
import { numbersToCome } from '../house/series'
import { digested } from '../receivables/bank'
import { movementOf } from './movements'
import { customersByNumber, documentsByNumber, itemsByCode, brandsByCode, openBranches } from './queries'

/** What the house knows of what records name. */
export interface Known {
  customers: Map<
    string,
    {
      id: number
      name: string
      currency: string
      pricesIncludeTax: boolean | null
      salesperson: string
      language: string
      hasAddress: boolean
    }
  >
  documents: Map<string, { id: number; number: string; customerId: number; open: string; currency: string }>
  items: Map<string, { names: Record<string, string>; unit: string; price: string; taxCode: string }>
  brands: Map<string, { id: number; pricesIncludeTax: boolean }>
  /** Those where something new may begin, by brand code and name. */
  branches: Map<string, number>
  taxCodes: Set<string>
  statuses: string[]
  home: string
  today: Day
  /** Why a number of another program cannot come in; asked of open items only. */
  toCome?: Awaited<ReturnType<typeof numbersToCome>>
}

const branchKey = (brand: string, name: string) => `${brand} ${name.toLowerCase()}`

/** The branch that an order's record names, within its brand. */
export const branchIn = ({ brand, branch }: ImportRecord, known: Known): number | undefined =>
  branch === undefined
    ? undefined
    : known.branches.get(branchKey(brand ?? [...known.brands.keys()][0] ?? '', branch))

const named = (records: readonly ImportRecord[], key: string) => [
  ...new Set(records.flatMap((record) => record[key] ?? [])),
]

/** Looks up with one query a kind what a batch of records names. */
export async function knownOf(subject: ImportSubject, records: readonly ImportRecord[]): Promise<Known> {
  const { taxRates, orderStatuses, currency, timeZone } = await company()
  const customers =
    subject === 'orders' || subject === 'payments' || subject === 'open items'
      ? await customersByNumber(named(records, 'customer'))
      : []
  const documents = subject === 'payments' ? await documentsByNumber(named(records, 'document')) : []
  const items = subject === 'orders' ? await itemsByCode(named(records, 'item')) : []
  const brands = await brandsByCode()
  return {
    customers: new Map(customers.map((one) => [one.number, one])),
    documents: new Map(documents.map((one) => [one.number, one])),
    items: new Map(items.map((one) => [one.code, one])),
    brands: new Map(brands.map((one) => [one.code, one])),
    branches: new Map(
      (subject === 'orders' ? await openBranches() : []).map((one) => [
        branchKey(one.brand, one.name),
        one.id,
      ]),
    ),
    taxCodes: new Set(Object.keys(taxRates)),
    statuses: orderStatuses,
    home: currency,
    today: dayInZone(clock.now(), timeZone),
    ...(subject === 'open items' ? { toCome: await numbersToCome() } : {}),
  }
}

/** What a record names that the house does not have. */
export function problemsOf(subject: ImportSubject, record: ImportRecord, known: Known): Told[] {
  const problems: Told[] = []
  const taxCode = record.taxCode ?? known.items.get(record.item ?? '')?.taxCode
  if (subject === 'items' && !known.taxCodes.has(record.taxCode!))
    problems.push(noneOf('taxCode', record.taxCode!, [...known.taxCodes]))
  if (subject === 'orders' || subject === 'payments' || subject === 'open items') {
    if (record.customer !== undefined && !known.customers.has(record.customer))
      problems.push(told('row/no-customer', { customer: record.customer }))
  }
  if (subject === 'orders') {
    if (record.item !== undefined && !record.description && !known.items.has(record.item))
      problems.push(told('row/no-item', { item: record.item }))
    if (record.price === undefined && !known.items.has(record.item ?? '')) problems.push(told('row/no-price'))
    if (taxCode === undefined) problems.push(told('row/no-tax-code'))
    else if (!known.taxCodes.has(taxCode)) problems.push(noneOf('taxCode', taxCode, [...known.taxCodes]))
    if (record.brand !== undefined && !known.brands.has(record.brand))
      problems.push(noBrand(record.brand, known))
    if (record.branch !== undefined && branchIn(record, known) === undefined)
      problems.push(told('row/no-branch', { branch: record.branch }))
    if (record.status !== undefined && !known.statuses.includes(record.status))
      problems.push(noneOf('status', record.status, known.statuses))
    if (record.discount !== undefined && (Number(record.discount) < 0 || Number(record.discount) > 100))
      problems.push(told('row/discount'))
  }
  if (subject === 'payments' && record.document !== undefined) {
    const document = known.documents.get(record.document)
    if (!document) problems.push(told('row/no-document', { document: record.document }))
    else if (
      record.customer !== undefined &&
      known.customers.get(record.customer)?.id !== document.customerId
    )
      problems.push(told('row/other-customer', { document: record.document, customer: record.customer }))
  }
  if (subject === 'items' && record.gtin !== undefined && !isGtin(record.gtin))
    problems.push(told('row/no-gtin', { gtin: record.gtin }))
  if (subject === 'items' && record.options !== undefined && optionsIn(record.options) === null)
    problems.push(told('row/no-options', { options: record.options }))
  if (
    subject === 'orders' &&
    (record.deliveryStreet !== undefined || record.deliveryTown !== undefined) &&
    record.deliveryCountry === undefined
  )
    problems.push(told('row/no-delivery-country'))
  if (subject === 'open items') problems.push(...problemsOfOpenItem(record, known))
  if (subject === 'rates' && !(Number(record.rate) > 0)) problems.push(told('row/no-rate'))
  if (subject === 'rates' && record.currency === known.home)
    problems.push(told('row/own-currency', { currency: known.home }))
  if (subject === 'bank movements') {
    const currency = record.currency ?? known.home
    if (record.bookedOn! > known.today) problems.push(told('row/future-movement', { day: record.bookedOn! }))
    if (!new Decimal(moneyText(record.amount!, currency)).eq(record.amount!))
      problems.push(told('row/digits', { amount: record.amount!, currency }))
  }
  return problems
}

const noneOf = (field: 'taxCode' | 'status', value: string, known: readonly string[]): Told =>
  told('row/none-of-house', {
    field: told(`import-field/orders/${field}`),
    value,
    known: joined(known, 'list/comma'),
  })

const noBrand = (brand: string, { brands }: Known): Told =>
  told('row/no-brand', { brand, known: joined([...brands.keys()], 'list/comma') })

function problemsOfOpenItem(record: ImportRecord, known: Known): Told[] {
  const problems: Told[] = []
  const customer = known.customers.get(record.customer!)
  const currency = record.currency ?? customer?.currency ?? known.home
  const kind = oldKind(record)
  const open = new Decimal(record.open!)
  const total = new Decimal(record.total ?? open).abs()
  if (open.isZero()) problems.push(told('row/nothing-open'))
  if (kind === 'invoice' && open.lt(0)) problems.push(told('row/below-zero'))
  if (open.abs().gt(total))
    problems.push(told('row/more-open', { open: open.abs().toString(), total: total.toString() }))
  for (const amount of [open, total])
    if (!new Decimal(moneyText(amount, currency)).eq(amount))
      problems.push(told('row/digits', { amount: amount.toString(), currency }))
  if (record.date! > known.today) problems.push(told('row/future', { day: record.date! }))
  const toCome = kind === 'payment' ? null : known.toCome?.(kind, record.number!, record.date as Day)
  if (toCome) problems.push(toCome)
  if (customer && !customer.hasAddress) problems.push(told('row/no-billing', { customer: record.customer! }))
  if (record.brand !== undefined && !known.brands.has(record.brand))
    problems.push(noBrand(record.brand, known))
  if (record.taxCode !== undefined && !known.taxCodes.has(record.taxCode))
    problems.push(noneOf('taxCode', record.taxCode!, [...known.taxCodes]))
  return problems
}

/**
 * What belongs together: the lines of an order. Any other record stands alone and must not come twice; a
 * payment or a movement of a bank has its program's id,
 * else all that is said of it and how many alike stood before it, which `alike` counts over the whole file.
 */
export function keyOf(
  subject: ImportSubject,
  record: ImportRecord,
  line: number,
  alike: Map<string, number>,
  home: string,
): string {
  switch (subject) {
    case 'customers':
      return record.number ?? `line ${line}`
    case 'open items':
      return record.number ? `${oldKind(record)} ${record.number}` : `line ${line}`
    case 'items':
      return record.code ?? `line ${line}`
    case 'orders':
      return record.number ?? `line ${line}`
    case 'rates':
      return record.currency && record.day ? `${record.currency} ${record.day}` : `line ${line}`
    case 'payments': {
      if (record.id) return `id ${record.id}`
      const said = [
        record.customer,
        record.document,
        record.date,
        record.amount,
        record.currency,
        record.method,
        record.reference,
      ].join('|')
      return `${said}|${countAlike(alike, said)}`
    }
    case 'bank movements': {
      const account = record.account ?? ''
      const said = saidOf(movementOf(record, home))
      return `${account}|${digested(`${said}|${countAlike(alike, `${account}|${said}`)}`)}`
    }
  }
}
