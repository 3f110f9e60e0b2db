import { waysOf, type Way } from '../../../core/dispatch/ways'
import {
  documentsOfCustomer,
  customerFacts,
  type sorts,
  type Columns,
  updatePreferences,
  noteOnPreparedOfAll,
  lockCustomerRows,
} from './queries'
import { noteOnEachPrepared } from './queries'
import { isDeepStrictEqual } from 'node:util'
import type { Needs } from '../../../core/documents/needs'
import type { FieldValues } from '../../../core/fields/own-fields'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Address } from '../../../core/documents/facts'
import { badInput, Refusal } from '../../../core/errors'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { languages, type Language } from '../../../core/money/format'
import {
  addressesIn,
  changedPreference,
  type AddressMail,
  type ContactFacts,
  type Preference,
  type PreferenceChange,
  type Preferences,
} from '../../../core/preferences/recipients'
import { told, toldKind, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Customer } from '../../db/models'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'
import { refuseUnknownVariants } from '../house/variants'
import { checkFields, ownFields } from '../fields/own-fields'
import { checkAddresses, checkRole, refuseTakenNumber } from './checks'
import { type Principal, theHouse } from '../people/principal'

/*
 * Customers as papers see them: address, language, contacts and preferences, and whether a paper can go at all.
 * Called from the Customers page. A change marks prepared papers, which are then built anew; what waits looks
 * recipients up when it goes.
 * Refuses: an address that cannot be written to, a change on top of somebody else's.
 */

export interface CustomerRow {
  id: number
  number: string
  name: string
  groupName: string
  country: string
  language: Language
  currency: string
  /** When it pays. */
  terms: Terms
  /** Values of the house's own customer fields. */
  fields: FieldValues
  /** What an order has to say before it is invoiced. */
  needs: Needs
  /** Per kind: the preference in words, and what stops a paper now. */
  ways: Way[]
}

export interface CustomerFilter {
  search?: string
  group?: string
  trouble?: boolean
  preference?: string
  sort?: keyof typeof sorts
  descending?: boolean
  after?: string
  limit: number
}

export interface CustomerView extends Omit<Columns, 'contacts'> {
  version: number
  taxNumber: string | null
  salesperson: string
  terms: Terms
  /** Null: as the brand has it. */
  pricesIncludeTax: boolean | null
  /** The recipients that are kept at the postal address. */
  billingMail: AddressMail
  /** What is wished where the customer says nothing: by the house, and over it by its group. */
  beneath: { house: Preferences; group: Preferences | null }
  addresses: CustomerAddressView[]
  contacts: ContactFacts[]
  ways: Way[]
  documents: {
    id: number
    kind: DocumentKind
    number: string
    date: string
    total: string
    currency: string
    state: string | null
    /** Somebody followed the offer in its email. */
    offerFollowed: boolean
  }[]
}

/** A further address of a customer. */
export interface CustomerAddressView {
  id: number
  purpose: 'billing' | 'delivery'
  label: string
  address: Address
  mail: AddressMail
}

/** @throws Refusal "no-such-customer" */
export async function customerView(id: number, who = theHouse): Promise<CustomerView> {
  const customer = await customerFacts(id)
  if (!customer) throw new Refusal('no-such-customer', { status: 404 })
  const documents = await documentsOfCustomer(who, id)
  return { ...customer, ways: waysOf(customer), documents }
}

export interface CustomerChange {
  version: number
  number?: string
  name?: string
  groupName?: string
  country?: string
  currency?: string
  taxNumber?: string
  salesperson?: string
  billing?: Omit<Address, 'name'> | null
  billingMail?: AddressMail
  /** Values of the house's own customer fields, all of them. */
  fields?: FieldValues
  /** What an order has to say before it is invoiced. */
  needs?: Needs
  /** What links ask for before they give anything; empty: nothing. */
  linkCode?: string
  language?: Language
  preferences?: Preferences
  treatment?: TaxTreatment
  terms?: Terms
  pricesIncludeTax?: boolean | null
}

/**
 * Changes what is given of a customer; what is left out stays. Issued documents keep what they say.
 * @throws Refusal "bad-address", "same-number", "unknown-role", "no-such-field", "changed-meanwhile"
 */
export async function changeCustomer(id: number, change: CustomerChange, who: Principal): Promise<void> {
  for (const preference of Object.values(change.preferences ?? {})) await checkPreference(preference)
  checkAddresses(addressesIn(change.billingMail ?? {}), 'billingMail')
  if (change.needs) await checkNeeds(change.needs)
  const own = change.fields ? { fields: await checkFields('customer', change.fields) } : {}
  if (change.language && !languages.includes(change.language)) throw badInput('unknown-language', 'language')
  await inTransaction(async () => {
    const customer = await Customer.findByPk(id, { lock: true })
    if (!customer) throw new Refusal('no-such-customer', { status: 404 })
    if (customer.version !== change.version)
      throw new Refusal('changed-meanwhile/customer', { values: { customer: customer.name } })
    const { version, treatment, taxNumber, billing, number, ...others } = change
    if (number !== undefined) await refuseTakenNumber(number, id)
    const name = change.name ?? customer.name
    const address = billing === undefined ? customer.billing : billing
    await customer.update({
      ...others,
      ...own,
      ...(number === undefined ? {} : { number }),
      ...(treatment === undefined ? {} : { taxTreatment: treatment }),
      ...(taxNumber === undefined ? {} : { taxNumber: taxNumber || null }),
      billing: address && { ...address, name },
      version: version + 1,
    })
    await noteOnEachPrepared({
      customerId: id,
      actor: who.name,
      what: told('customer/changed', { customer: customer.name }),
    })
    await markStale('customer', id)
    publish('line')
    publish('customer', [id])
  })
}

/** @throws Refusal "no-such-field" for a field that orders do not have */
async function checkNeeds({ fields }: Needs): Promise<void> {
  const there = (await ownFields()).filter((field) => field.of === 'order').map(({ name }) => name)
  const wrong = fields.find((name) => !there.includes(name))
  if (wrong !== undefined) throw badInput('no-such-field/of-orders', 'needs', { field: wrong })
}

/** @throws Refusal "bad-address", "unknown-role", "no-such-variant" */
export async function checkPreference(preference: Preference): Promise<void> {
  checkAddresses(addressesIn(preference), 'preferences')
  if (preference.to !== undefined) await checkRole(preference.to, 'preferences')
  await refuseUnknownVariants([preference.text, preference.design], 'preferences')
}

export interface ManyPreferences {
  set: number
  skipped: { id: number; name: string; reason: Told }[]
  before: Before[]
}

interface Before {
  id: number
  preferences: Preferences
  language: Language
}

/**
 * Changes one kind's preference, and the language, of many customers at once. Those it would leave without any way
 * are skipped, with the reason.
 * `before` is what undo gives back.
 */
export async function setPreferences(
  ids: readonly number[],
  kind: DocumentKind,
  change: { preference: PreferenceChange; language?: Language },
  who: Principal,
): Promise<ManyPreferences> {
  const given = Object.entries(change.preference).filter(([, value]) => value !== null)
  await checkPreference(Object.fromEntries(given) as Preference)
  return inTransaction(async () => {
    const customers = await lockCustomerRows(ids)
    const skipped: ManyPreferences['skipped'] = []
    const before: ManyPreferences['before'] = []
    for (const customer of customers) {
      const { [kind]: old, ...others } = customer.preferences
      const preference = changedPreference(old, change.preference)
      const preferences: Preferences = preference ? { ...others, [kind]: preference } : others
      const language = change.language ?? customer.language
      const wished = { ...customer.wished, [kind]: { ...customer.wished[kind], ...preference } }
      const problem = waysOf({ ...customer, wished }).find((way) => way.kind === kind)!.problem
      if (isDeepStrictEqual(preferences, customer.preferences) && language === customer.language)
        skipped.push({ id: customer.id, name: customer.name, reason: told('customer/already-so') })
      else if (problem) skipped.push({ id: customer.id, name: customer.name, reason: problem })
      else {
        before.push({ id: customer.id, preferences: customer.preferences, language: customer.language })
        await keepPreferences({ id: customer.id, preferences, language })
      }
    }
    if (before.length > 0) {
      await noteOnPreparedOfAll({
        customerIds: before.map((one) => one.id),
        actor: who.name,
        what: told('customer/wishes', { kinds: toldKind(kind, 'many') }),
      })
    }
    publish('customer')
    return { set: before.length, skipped, before }
  })
}

/** Gives preferences back as they were, for undo. */
export async function restorePreferences(before: readonly Before[]): Promise<void> {
  await inTransaction(async () => {
    for (const one of [...before].sort((a, b) => a.id - b.id)) await keepPreferences(one)
    publish('customer')
  })
}

async function keepPreferences({ id, preferences, language }: Before): Promise<void> {
  await updatePreferences({ id, preferences, language })
  await markStale('customer', id)
}
