import { isDeepStrictEqual } from 'node:util'
import type { DocumentKind } from '../../../core/documents/kinds'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { languages, type Language } from '../../../core/money/format'
import {
  changedPreference,
  isAddress,
  preferenceWords,
  type ContactFacts,
  type Preference,
  type PreferenceChange,
  type Preferences,
} from '../../../core/preferences/recipients'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { markStale } from '../outbox/stale'
import { keyset, likeText, paged, type Listed } from '../keyset'
import { publish } from '../live/publish'
import { buysWithin, theHouse, within, type Principal } from '../people/principal'
import { deliveryOf } from '../../../core/dispatch/delivery'

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

/** How a kind of paper goes to a customer, or what stops it. */
export interface Way {
  kind: DocumentKind
  words: string
  to: string
  problem: string | null
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
const sorts = { name: { key: 'c.name', type: 'text' }, number: { key: 'c.number', type: 'text' } } as const

interface Columns {
  id: number
  number: string
  name: string
  groupName: string
  country: string
  language: Language
  currency: string
  billing: Address | null
  preferences: Preferences
  treatment: TaxTreatment
  contacts: ContactFacts[]
}

const contactsOf = `
  coalesce(
    (
      select jsonb_agg(jsonb_build_object('name', k.name, 'email', k.email, 'role', k.role) order by k.id)
      from contact k
      where k.customer_id = c.id
    ),
    '[]'
  )`
const columns = `
  c.id, c.number, c.name, c.group_name "groupName", c.country, c.language, c.currency, c.billing, c.preferences,
  c.tax_treatment treatment, ${contactsOf} contacts`

/** How each kind goes to this customer by the house's usual addressing, said before anyone tries. */
export function waysOf(customer: {
  name: string
  billing: Address | null
  preferences: Preferences
  contacts: readonly ContactFacts[]
}): Way[] {
  return documentKinds.map((kind) => {
    const preference = customer.preferences[kind]
    const { channel, email, recipients, lacks } = deliveryOf({
      contacts: customer.contacts,
      role: kindFacts[kind].to,
      preference,
    })
    const problem =
      channel === 'nothing'
        ? null
        : !customer.billing
          ? 'no postal address'
          : lacks === null
            ? null
            : `no ${lacks} contact`
    return {
      kind,
      words: preferenceWords({ channel: 'email', ...preference }),
      to: email ? recipients.map((one) => one.address).join(', ') : '',
      problem,
    }
  })
}

function where(
  filter: Pick<CustomerFilter, 'search' | 'group' | 'trouble' | 'preference'>,
  parameters: unknown[],
  who: Principal,
): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [buysWithin(who, 'c.id')]
  if (filter.search?.trim()) {
    const text = bind(likeText(filter.search))
    found.push(
      `(
        lower(c.name) like ${text}
          or c.number like ${text}
          or exists (
            select from contact k where k.customer_id = c.id and lower(k.email || ' ' || k.name) like ${text}
          )
      )`,
    )
  }
  if (filter.group) found.push(`c.group_name = ${bind(filter.group)}`)
  if (filter.preference)
    found.push(`c.preferences @? ${bind(`$.*.channel ? (@ == "${filter.preference}")`)}::jsonpath`)
  if (filter.trouble)
    found.push(`
      (
        c.billing is null
          or exists (
            select
            from unnest(
              ${bind(documentKinds)}::text[], ${bind(documentKinds.map((kind) => kindFacts[kind].to))}::text[]
            ) as t (kind, role)
            where coalesce(c.preferences -> t.kind ->> 'channel', 'email') in ('email', 'both')
              and not exists (
                select
                from contact k
                where k.customer_id = c.id
                  and k.role in (coalesce(c.preferences -> t.kind ->> 'to', t.role), 'anyone')
              )
          )
      )`)
  return found.join(' and ')
}

/** One page of customers, by name or number. */
export async function listCustomers(
  filter: CustomerFilter,
  who = theHouse,
): Promise<Listed<CustomerRow> & { matching: number; groups: string[] }> {
  const parameters: unknown[] = []
  const condition = where(filter, parameters, who)
  const sort = sorts[filter.sort ?? 'name']
  const { count } = (await one<{ count: number }>(
    `select count(*)::int count from customer c where ${condition}`,
    parameters,
  ))!
  const page = keyset({ ...sort, descending: filter.descending ?? false }, 'c.id', filter.after, parameters)
  const found = await rows<Columns & { sortKey: string }>(
    `select ${columns}, ${sort.key} "sortKey"
    from customer c
    where ${condition} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  const groups = await rows<{ name: string }>(
    `select distinct group_name name from customer where group_name <> '' order by 1`,
  )
  const listed = paged(
    found.map(({ billing, preferences, contacts, treatment: _, ...row }) => ({
      ...row,
      ways: waysOf({ name: row.name, billing, preferences, contacts }),
    })),
    filter.limit,
  )
  return { ...listed, matching: count, groups: groups.map((group) => group.name) }
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
  const customer = await one<
    Columns & Pick<CustomerView, 'version' | 'taxNumber' | 'salesperson' | 'terms' | 'pricesIncludeTax'>
  >(
    `select ${columns}, c.version, c.tax_number "taxNumber", c.salesperson, c.terms,
      c.prices_include_tax "pricesIncludeTax"
    from customer c
    where c.id = $1`,
    [id],
  )
  if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
  const documents = await rows<CustomerView['documents'][number]>(
    `select d.id, d.kind, d.number, d.date::text date, d.total::text total, d.currency,
      (
        select x.state
        from dispatch x
        join dispatch_document dd on dd.dispatch_id = x.id
        where dd.document_id = d.id
        order by x.id desc
        limit 1
      ) state
    from document d
    where d.customer_id = $1 and ${within(who, 'd.brand_id')}
    order by d.issued_at desc, d.id desc
    limit 12`,
    [id],
  )
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
export async function changeCustomer(id: number, change: CustomerChange, actor: string): Promise<void> {
  for (const preference of Object.values(change.preferences ?? {})) checkPreference(preference)
  if (change.language && !languages.includes(change.language))
    throw new Refusal('unknown-language', 'Papers come in English, German and French.', {
      status: 400,
      about: { field: 'language' },
    })
  await inTransaction(async () => {
    const customer = await one<{ version: number; name: string }>(
      'select version, name from customer where id = $1 for update',
      [id],
    )
    if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
    if (customer.version !== change.version)
      throw new Refusal('changed-meanwhile', `Somebody changed ${customer.name} meanwhile. Open it again.`)
    await run(
      `update customer
      set version = version + 1, billing = case when $2 then $3::jsonb else billing end,
        language = coalesce($4, language), preferences = coalesce($5::jsonb, preferences),
        tax_treatment = coalesce($6, tax_treatment), terms = coalesce($7::jsonb, terms),
        prices_include_tax = case when $8 then $9::boolean else prices_include_tax end
      where id = $1`,
      [
        id,
        change.billing !== undefined,
        change.billing ? json({ name: customer.name, ...change.billing }) : null,
        change.language ?? null,
        change.preferences ? json(change.preferences) : null,
        change.treatment ?? null,
        change.terms ? json(change.terms) : null,
        change.pricesIncludeTax !== undefined,
        change.pricesIncludeTax ?? null,
      ],
    )
    await run(
      `insert into history (at, actor, source_id, prepared_id, words)
      select now(), $2, p.source_id, p.id, $3
      from prepared_document p
      where p.customer_id = $1 and p.state = 'prepared'`,
      [id, actor, `${customer.name} was changed.`],
    )
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
  actor: string,
): Promise<ManyPreferences> {
  checkPreference({ cc: change.preference.cc ?? [], bcc: change.preference.bcc ?? [] })
  return inTransaction(async () => {
    const customers = await rows<Columns>(
      `select ${columns} from customer c where c.id = any($1::int[]) order by c.id for update of c`,
      [ids],
    )
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
      await run(
        `insert into history (at, actor, source_id, prepared_id, words)
        select now(), $2, p.source_id, p.id, $3
        from prepared_document p
        where p.customer_id = any($1::int[]) and p.state = 'prepared'`,
        [
          before.map((one) => one.id),
          actor,
          `The customer's wishes for ${kindFacts[kind].many} were changed.`,
        ],
      )
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
  await run(
    'update customer set preferences = $2::jsonb, language = $3, version = version + 1 where id = $1',
    [id, json(preferences), language],
  )
  await markStale('customer', id)
}
