import { optionsIn } from '../../../core/items/options'
import { ownValues } from '../../../core/imports/fields'
import type { ImportSubject } from '../../../core/imports/subjects'
import type { ImportRecord } from '../../../core/imports/row'
import { Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { told, toldRefusal, type Told } from '../../../core/said/told'
import { behindSavepoint, json } from '../../db/connection'
import { company } from '../house/house'
import { keepRates } from '../house/rates'
import { markStale } from '../outbox/stale'
import type { MovementSource } from '../receivables/bank'
import { recordPayment } from '../receivables/payments'
import { writeMovements } from './movements'
import { writeOpenItems } from './open-items'
import type { Known } from './references'
import {
  lockImportCustomer,
  upsertCustomer,
  addBillingContact,
  raiseCustomerVersion,
  raiseItemVersion,
  lockImportItem,
  upsertItem,
  ratesGiven,
  paymentWithKey,
  documentToPay,
  keepPaymentKey,
} from './write-queries'
import { writeOrders } from './write-orders'
import type { Principal } from '../people/principal'

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
  note: Told
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
  who: Principal,
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
      return writePayments(groups, known, who)
    case 'orders':
      return writeOrders(groups, known, who, tellRoutines)
    case 'open items':
      return writeOpenItems(groups, known, who)
    case 'bank movements':
      return writeMovements(groups, known, source, who)
  }
}

/** One after the other; one that is refused stops only itself. */
export async function each(
  groups: readonly Group[],
  write: (group: Group) => Promise<Written>,
): Promise<Written[]> {
  const done: Written[] = []
  for (const group of groups) {
    try {
      done.push(await behindSavepoint(() => write(group)))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done.push({ outcome: 'wrong', note: toldRefusal(error) })
    }
  }
  return done
}

export const unchanged: Written = { outcome: 'unchanged', note: told('row/same') }

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
    collected: json(record.mandate ? { collected: { mandate: record.mandate } } : {}),
    taxNumber: record.taxNumber ?? null,
    salesperson: record.salesperson ?? null,
    billing: billing ? json(billing) : null,
    fields: json(ownValues(record, 'fields.') ?? {}),
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
  return { outcome: 'written', note: told(before ? 'row/changed' : 'row/new') }
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
    gtin: record.gtin ?? null,
    weight: record.weight ?? null,
    size: record.size ?? null,
    commodityCode: record.commodityCode ?? null,
    origin: record.origin ?? null,
    place: record.place ?? null,
    category: record.category ?? null,
    options: record.options === undefined ? null : optionsIn(record.options),
    fields: json(ownValues(record, 'fields.') ?? {}),
  }))!
  if (before?.state === row.state) return unchanged
  // whoever has it open sees what the file changed before they save
  if (before) await raiseItemVersion(record.code!)
  return { outcome: 'written', note: told(before ? 'row/changed' : 'row/new') }
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
      : { outcome: 'written', note: told(before ? 'row/changed' : 'row/new') }
  })
}

/**
 * A payment has a key of its own: its program's id, else all that is said of it and how many alike stand
 * before it in the file.
 */
async function writePayments(groups: readonly Group[], known: Known, who: Principal): Promise<Written[]> {
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
      who,
    )
    await keepPaymentKey(id, key)
    return {
      outcome: 'written',
      note:
        document && settles.lt(amount)
          ? told('row/on-account', { sum: amount.minus(settles).toString() })
          : told('row/booked'),
    }
  })
}
