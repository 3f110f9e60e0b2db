import { waysOf, type Way } from '../../../core/dispatch/ways'
import {
  documentsOfCustomer,
  customerFacts,
  lockCustomer,
  type sorts,
  type Columns,
  updatePreferences,
  updateCustomer,
  noteOnPreparedOfAll,
  lockCustomerRows,
} from './queries'
import { noteOnEachPrepared } from './queries'
import { isDeepStrictEqual } from 'node:util'
import type { DocumentKind } from '../../../core/documents/kinds'
import { kindFacts } from '../../../core/documents/kinds'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { languages, type Language } from '../../../core/money/format'
import {
  changedPreference,
  isAddress,
  type ContactFacts,
  type Preference,
  type PreferenceChange,
  type Preferences,
} from '../../../core/preferences/recipients'
import { inTransaction, json } from '../../db/connection'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'
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
  }[]
}

/** @throws Refusal "no-such-customer" */
export async function customerView(id: number, who = theHouse): Promise<CustomerView> {
  const customer = await customerFacts(id)
  if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
  const documents = await documentsOfCustomer(who, id)
  return { ...customer, ways: waysOf(customer), documents }
}

export interface CustomerChange {
  version: number
  billing?: Omit<Address, 'name'> | null
  language?: Language
  preferences?: Preferences
  treatment?: TaxTreatment
  terms?: Terms
  pricesIncludeTax?: boolean | null
}

/**
 * Changes address, language, preferences, tax, terms or how prices are said. @throws Refusal "bad-address",
 * "changed-meanwhile"
 */
export async function changeCustomer(id: number, change: CustomerChange, who: Principal): Promise<void> {
  for (const preference of Object.values(change.preferences ?? {})) checkPreference(preference)
  if (change.language && !languages.includes(change.language))
    throw new Refusal('unknown-language', 'Papers come in English, German and French.', {
      status: 400,
      about: { field: 'language' },
    })
  await inTransaction(async () => {
    const customer = await lockCustomer(id)
    if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
    if (customer.version !== change.version)
      throw new Refusal('changed-meanwhile', `Somebody changed ${customer.name} meanwhile. Open it again.`)
    await updateCustomer({
      id,
      billingGiven: change.billing !== undefined,
      billing: change.billing ? json({ name: customer.name, ...change.billing }) : null,
      language: change.language ?? null,
      preferences: change.preferences ? json(change.preferences) : null,
      treatment: change.treatment ?? null,
      terms: change.terms ? json(change.terms) : null,
      pricesGiven: change.pricesIncludeTax !== undefined,
      pricesIncludeTax: change.pricesIncludeTax ?? null,
    })
    await noteOnEachPrepared({ customerId: id, actor: who.name, words: `${customer.name} was changed.` })
    await markStale('customer', id)
    publish('line')
    publish('customer', [id])
  })
}

function checkPreference(preference: Preference): void {
  for (const address of [...(preference.cc ?? []), ...(preference.bcc ?? [])]) {
    if (!isAddress(address))
      throw new Refusal(
        'bad-address',
        `“${address}” is not an email address. Write one like name@house.example.`,
        { status: 400, about: { field: 'preferences' } },
      )
  }
}

export interface ManyPreferences {
  set: number
  skipped: { id: number; name: string; reason: string }[]
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
  checkPreference({ cc: change.preference.cc ?? [], bcc: change.preference.bcc ?? [] })
  return inTransaction(async () => {
    const customers = await lockCustomerRows(ids)
    const skipped: ManyPreferences['skipped'] = []
    const before: ManyPreferences['before'] = []
    for (const customer of customers) {
      const { [kind]: old, ...others } = customer.preferences
      const preference = changedPreference(old, change.preference)
      const preferences: Preferences = preference ? { ...others, [kind]: preference } : others
      const language = change.language ?? customer.language
      const problem = waysOf({ ...customer, preferences }).find((way) => way.kind === kind)!.problem
      if (isDeepStrictEqual(preferences, customer.preferences) && language === customer.language)
        skipped.push({ id: customer.id, name: customer.name, reason: 'already so' })
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
        words: `The customer's wishes for ${kindFacts[kind].many} were changed.`,
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
