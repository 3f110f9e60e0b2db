import type { ImportSubject } from '../../../core/imports/subjects'
import type { ImportRecord } from '../../../core/imports/row'
import { Refusal } from '../../../core/errors'
import { totals } from '../../../core/money/totals'
import { Decimal } from '../../../core/money/decimal'
import { behindSavepoint, json } from '../../db/connection'
import { company } from '../house/house'
import { keepRates } from '../house/rates'
import { addOrders, editOrder, setStatus, type LineEdit, type NewOrder } from '../orders/orders'
import { markStale } from '../outbox/stale'
import type { MovementSource } from '../receivables/bank'
import { recordPayment } from '../receivables/payments'
import { writeMovements } from './movements'
import type { Known } from './references'
import {
  lockImportCustomer,
  upsertCustomer,
  addBillingContact,
  raiseCustomerVersion,
  lockImportItem,
  upsertItem,
  ratesGiven,
  paymentWithKey,
  documentToPay,
  keepPaymentKey,
  ordersByNumber,
} from './write-queries'

/*
 * Writes checked records, in the caller's transaction. What is there already and the same is left as it is,
 * so the same file twice changes nothing.
 * One that cannot be written stops only itself.
 */

/** Records that belong together, with the lines they stand on. */
export interface Group {
  key: string
  lines: number[]
  records: ImportRecord[]
}

export interface Written {
  outcome: 'written' | 'unchanged' | 'wrong'
  note: string
}

/**
 * @param source what was read, where records are kept with it
 * @param tellRoutines whether routines act on the statuses that orders come in with: not unless somebody asked
 */
export async function writeGroups(
  subject: ImportSubject,
  groups: readonly Group[],
  known: Known,
  source: MovementSource,
  actor: string,
  tellRoutines = false,
): Promise<Written[]> {
  switch (subject) {
    case 'customers':
      return each(groups, (group) => writeCustomer(group.records[0]!))
    case 'items':
      return each(groups, (group) => writeItem(group.records[0]!))
    case 'rates':
      return writeRates(groups)
    case 'payments':
      return writePayments(groups, known, actor)
    case 'orders':
      return writeOrders(groups, known, actor, tellRoutines)
    case 'bank movements':
      return writeMovements(groups, known, source, actor)
  }
}

async function each(groups: readonly Group[], write: (group: Group) => Promise<Written>): Promise<Written[]> {
  const done: Written[] = []
  for (const group of groups) {
    try {
      done.push(await behindSavepoint(() => write(group)))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done.push({ outcome: 'wrong', note: error.message })
    }
  }
  return done
}

const unchanged: Written = { outcome: 'unchanged', note: 'There already, and the same.' }

async function writeCustomer(record: ImportRecord): Promise<Written> {
  const lines = [record.street, record.town, record.region].filter((line): line is string => !!line)
  const billing = lines.length
    ? { name: record.name!, attention: record.attention ?? '', lines, country: record.country! }
    : null
  const terms =
    record.termsDays === undefined
      ? null
      : { kind: 'days', days: Math.max(0, Math.min(365, Math.round(Number(record.termsDays)))) }
  const before = await lockImportCustomer(record.number)
  const { currency: home, language } = await company()
  const row = (await upsertCustomer({
    number: record.number,
    name: record.name,
    group: record.group ?? null,
    language: record.language ?? null,
    currency: record.currency ?? null,
    country: record.country,
    terms: terms ? json(terms) : null,
    taxNumber: record.taxNumber ?? null,
    salesperson: record.salesperson ?? null,
    billing: billing ? json(billing) : null,
    houseLanguage: language,
    houseCurrency: home,
  }))!
  const contact = record.email
    ? await addBillingContact({ customerId: row.id, name: record.contact ?? '', email: record.email })
    : 0
  if (before && before.state === row.state && contact === 0) return unchanged
  if (before) {
    await raiseCustomerVersion(row.id)
    await markStale('customer', row.id)
  }
  return { outcome: 'written', note: before ? 'Changed.' : 'New.' }
}

async function writeItem(record: ImportRecord): Promise<Written> {
  const names = {
    en: record.name!,
    ...(record.nameDe ? { de: record.nameDe } : {}),
    ...(record.nameFr ? { fr: record.nameFr } : {}),
  }
  const before = await lockImportItem(record.code)
  const row = (await upsertItem({
    code: record.code,
    names,
    unit: record.unit ?? null,
    price: record.price,
    taxCode: record.taxCode,
  }))!
  return before?.state === row.state ? unchanged : { outcome: 'written', note: before ? 'Changed.' : 'New.' }
}

async function writeRates(groups: readonly Group[]): Promise<Written[]> {
  const given = groups.map(({ records: [record] }) => ({
    currency: record!.currency!,
    day: record!.day!,
    rate: record!.rate!,
    source: record!.source ?? 'import',
  }))
  const known = new Map((await ratesGiven(given)).map((row) => [row.key, row]))
  await keepRates(given)
  return given.map(({ currency, day, rate, source }) => {
    const before = known.get(`${currency} ${day}`)
    return before && new Decimal(before.rate).eq(rate) && before.source === source
      ? unchanged
      : { outcome: 'written', note: before ? 'Changed.' : 'New.' }
  })
}

/**
 * A payment has a key of its own: its program's id, else all that is said of it and how many alike stand
 * before it in the file.
 */
async function writePayments(groups: readonly Group[], known: Known, actor: string): Promise<Written[]> {
  return each(groups, async ({ records: [record], key }) => {
    if (await paymentWithKey(key)) return unchanged
    const document = record!.document === undefined ? undefined : await documentToPay(record!.document)
    const customer = record!.customer === undefined ? undefined : known.customers.get(record!.customer)
    const amount = new Decimal(record!.amount!)
    const settles = document ? Decimal.min(amount, Decimal.max(0, document.open)) : new Decimal(0)
    const id = await recordPayment(
      {
        direction: 'in',
        customerId: document?.customerId ?? customer!.id,
        date: record!.date!,
        method: (record!.method ?? 'bank transfer') as 'bank transfer',
        amount: record!.amount!,
        currency: record!.currency ?? document?.currency ?? customer!.currency,
        reference: record!.reference ?? record!.document ?? '',
        settle:
          document && settles.gt(0)
            ? [{ documentId: document.id, amount: settles.toString(), discount: '0', writeOff: '0' }]
            : [],
        another: true,
      },
      actor,
    )
    await keepPaymentKey(id, key)
    return {
      outcome: 'written',
      note:
        document && settles.lt(amount) ? `${amount.minus(settles).toString()} stays on account.` : 'Booked.',
    }
  })
}

async function writeOrders(
  groups: readonly Group[],
  known: Known,
  actor: string,
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
    done[at] = { outcome: 'written', note: 'New.' }
    try {
      if (before) {
        done[at] = await changeOrder(before, head, lines, actor, tellRoutines)
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
        adjustments: [],
        lines,
      }
      totals({ ...order, rates: taxRates })
      fresh.push({ order, status: head.status ?? orderStatuses[0]!, at })
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done[at] = { outcome: 'wrong', note: error.message }
    }
  }
  const ids = await addOrders(
    fresh.map((one) => one.order),
    actor,
  )
  for (const status of new Set(fresh.map((one) => one.status))) {
    const own = fresh.flatMap((one, index) => (one.status === status ? ids[index]! : []))
    if (status !== orderStatuses[0]) await setStatus(own, status, actor, true, tellRoutines)
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
    lines: LineEdit[]
  },
  head: ImportRecord,
  lines: LineEdit[],
  actor: string,
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
    throw new Refusal(
      'another-order',
      `This order is there with the ${differs[0]} ${before[differs[0]]}, not ${differs[1]}. An import ` +
        'does not change that: withdraw it and give the new one its own number.',
    )
  const said = (list: readonly LineEdit[]) =>
    json(
      list.map(({ item, description, unit, quantity, unitPrice, discountPercent, taxCode }) => [
        item,
        description,
        unit,
        quantity,
        unitPrice,
        discountPercent,
        taxCode,
      ]),
    )
  const reference = head.reference ?? before.reference
  const note = head.note ?? before.note
  const sameLines =
    said(lines) === said(before.lines) && reference === before.reference && note === before.note
  const sameStatus = head.status === undefined || head.status === before.status
  if (sameLines && sameStatus) return unchanged
  if (!sameLines)
    await editOrder(before.id, { version: before.version, reference, customerNote: note, lines }, actor)
  if (!sameStatus) await setStatus([before.id], head.status!, actor, true, tellRoutines)
  return { outcome: 'written', note: sameLines ? `Now ${head.status}.` : 'Changed.' }
}
