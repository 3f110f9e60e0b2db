import { optionsIn } from '../core/items/options'
import type { Box } from '../core/shipping/parcels'
import type { AnswersTo } from '../core/dispatch/sender'
import type { TaxCode } from '../core/money/tax-codes'
import type { FieldKind, FieldSubject } from '../core/fields/own-fields'
import { addOwnField } from '../server/services/fields/own-fields'
import { keepBranch } from '../server/services/house/branches'
import { keepSender } from '../server/services/house/senders'
import { keepStandingText, type StandingTextChange } from '../server/services/house/standing-texts'
import { keepTaxCode } from '../server/services/house/tax'
import { readFileSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { parse } from 'csv-parse/sync'
import type { DocumentKind } from '../core/documents/kinds'
import { clock } from '../server/clock'
import { inTransaction, json, one, run } from '../server/db/connection'
import { hashPassword } from '../server/services/people/passwords'
import { loadBrand, type BrandData } from './brands'
import { inTheNameOf } from '../server/services/people/principal'

const folder = process.env.CLOTHESPIN_DEMO ?? 'demo/data'

interface HouseData {
  company: {
    name: string
    timeZone: string
    country: string
    currency: string
    language: string
    taxCodes: TaxCode[]
    orderStatuses: string[]
    presumeSeconds: number
    failureNoticeTo: string
    withdrawnStatuses: string[]
    heldStatuses: string[]
    boxes: Box[]
    smallDifference: string
  }
  ownFields: { of: FieldSubject; name: string; kind: FieldKind; choices?: string[]; printed?: boolean }[]
  standingTexts: Pick<StandingTextChange, 'name' | 'kinds' | 'place' | 'texts'>[]
  /** Without brands a person works for all of them. */
  branches: {
    brand: string
    name: string
    addressLines: string[]
    country: string
    phone: string
    sellsTo: string[]
  }[]
  /** What is chosen of items, by number. */
  choices: Record<string, string>
  senders: {
    brand: string
    kind: DocumentKind
    name: string
    address: string
    answersTo: AnswersTo
  }[]
  staff: { email: string; name: string; role: string; brands?: string[]; password: string }[]
  brands: BrandData[]
  /** Published weekly: the source, and per currency its rates in turn, newest first. */
  exchange: { source: string; GBP: string[] }
}

export interface CustomerData {
  id: number
  number: string
  name: string
  group: string
  language: string
  currency: string
  country: string
  terms: object
  tax: string | null
  salesperson: string
  fields?: Record<string, string>
  preferences?: object
  treatment?: string
  billing: { attention?: string; lines: string[] } | null
  contacts: [string, string, string][]
}

export interface ItemData {
  code: string
  en: string
  de: string
  fr: string
  unit: string
  price: string
  tax: string
  /** Kilograms; '' where nobody weighed it. */
  weight: string
  place: string
}

const read = <T>(file: string): T => JSON.parse(readFileSync(join(folder, file), 'utf8')) as T

/** Staff of the demo with their passwords, for the address card that bin/demo prints. */
export const demoStaff = () => read<HouseData>('house.json').staff

/** A text for everybody, for good. */
const noText = { brandId: null, customers: 'all' as const, from: null, until: null }

/** What the demo's orders are made from. */
export interface LoadedHouse {
  brands: { id: number; code: string }[]
  /** With the numbers of the customers that it sells to. */
  branches: { id: number; sellsTo: string[] }[]
  customers: CustomerData[]
  items: ItemData[]
}

/** What a sender leaves to its brand. */
const brandsOwn = { routineId: null, namesPerson: false, replyTo: '', mailAccountId: null }

/** Puts company, staff, brands, customers and items into an empty database. */
export async function loadHouse(): Promise<LoadedHouse> {
  const house = read<HouseData>('house.json')
  const customers = read<CustomerData[]>('customers.json')
  const items = parse(readFileSync(join(folder, 'items.csv')), { columns: true }) as ItemData[]
  const { company } = house
  return inTransaction(async () => {
    await run(
      `insert into company (
        id, name, installation_id, time_zone, country, currency, language, order_statuses, presume_seconds,
        failure_notice_to, withdrawn_statuses, small_difference, held_statuses, boxes
      )
      values (1, $1, $2, $3, $4, $5, $6, $7::jsonb, $8, $9, $10::jsonb, $11, $12::jsonb, $13::jsonb)`,
      [
        company.name,
        randomUUID(),
        company.timeZone,
        company.country,
        company.currency,
        company.language,
        json(company.orderStatuses),
        company.presumeSeconds,
        company.failureNoticeTo,
        json(company.withdrawnStatuses),
        company.smallDifference,
        json(company.heldStatuses),
        json(company.boxes),
      ],
    )
    for (const code of company.taxCodes) await keepTaxCode(code, null)
    for (const field of house.ownFields)
      await addOwnField({ choices: [], labels: {}, printed: false, ...field })
    for (const text of house.standingTexts) await keepStandingText(null, { ...noText, ...text })
    for (const person of house.staff) {
      await run('insert into staff (email, name, role, password_hash) values ($1, $2, $3, $4)', [
        person.email,
        person.name,
        person.role,
        await hashPassword(person.password),
      ])
    }
    const brands: LoadedHouse['brands'] = []
    const branches: LoadedHouse['branches'] = []
    for (const brand of house.brands) brands.push({ id: await loadBrand(brand, folder), code: brand.code })
    for (const person of house.staff)
      await run(
        `insert into staff_brand (staff_id, brand_id)
        select s.id, b.id
        from staff s
        join brand b on b.code = any($2::text[])
        where s.email = $1`,
        [person.email, person.brands ?? []],
      )
    const brandCalled = (code: string) => brands.find((one) => one.code === code)!.id
    for (const { brand, sellsTo, ...branch } of house.branches) {
      const facts = { email: '', banks: [], closed: false, ...branch, brandId: brandCalled(brand) }
      branches.push({ id: await keepBranch(null, facts, { ...inTheNameOf('Set-up'), id: 0 }), sellsTo })
    }
    for (const { brand, ...sender } of house.senders)
      await keepSender(null, { ...brandsOwn, ...sender, brandId: brandCalled(brand) })
    for (const customer of customers) customer.id = await loadCustomer(customer)
    for (const item of items) {
      await run(
        `insert into item (code, names, unit, price, tax_code, options, weight, place)
        values ($1, $2::jsonb, $3, $4, $5, $6::jsonb, nullif($7, '')::numeric, $8)`,
        [
          item.code,
          json({ en: item.en, de: item.de, fr: item.fr }),
          item.unit,
          item.price,
          item.tax,
          json(optionsIn(house.choices[item.code] ?? '')!),
          item.weight,
          item.place,
        ],
      )
    }
    await loadRates(house.exchange)
    return { brands, branches, customers, items }
  })
}

/** Weekly rates from half a year before the house's first day until long after, so that every day has one. */
async function loadRates({ source, ...rates }: HouseData['exchange']): Promise<void> {
  for (const [currency, values] of Object.entries(rates)) {
    for (let week = -26; week <= 16; week++) {
      await run(
        `insert into exchange_rate (currency, day, rate, source)
        values ($1, ($2::timestamptz + make_interval(days => $3))::date, $4, $5)`,
        [currency, clock.now(), week * 7, values[(week + 26) % values.length], source],
      )
    }
  }
}

async function loadCustomer(customer: CustomerData): Promise<number> {
  const billing = customer.billing
    ? { name: customer.name, country: customer.country, ...customer.billing }
    : null
  const row = await one<{ id: number }>(
    `insert into customer (
      number, name, group_name, language, currency, country, terms, tax_number, salesperson, billing, preferences,
      tax_treatment, fields
    )
    values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8, $9, $10::jsonb, $11::jsonb, $12, $13::jsonb)
    returning id`,
    [
      customer.number,
      customer.name,
      customer.group,
      customer.language,
      customer.currency,
      customer.country,
      json(customer.terms),
      customer.tax,
      customer.salesperson,
      billing ? json(billing) : null,
      json(customer.preferences ?? {}),
      customer.treatment ?? 'domestic',
      json(customer.fields ?? {}),
    ],
  )
  for (const [name, email, role] of customer.contacts) {
    await run('insert into contact (customer_id, name, email, role) values ($1, $2, $3, $4)', [
      row!.id,
      name,
      email,
      role,
    ])
  }
  return row!.id
}
