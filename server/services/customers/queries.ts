import type { Address } from '../../../core/documents/facts'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { waysOf } from '../../../core/dispatch/ways'
import { type ContactFacts, type Preferences } from '../../../core/preferences/recipients'
import { one, run, rows, json } from '../../db/connection'
import type { CustomerFilter, CustomerRow, CustomerView } from './customers'
import { type Principal, theHouse } from '../people/principal'
import { buysWithin, within } from '../people/brand-queries'
import { likeText, type Listed, keyset, paged } from '../keyset'

/* The statements of customers that have no file of their own. */

export const lockCustomer = (id: number) =>
  one<{ version: number; name: string }>('select version, name from customer where id = $id for update', {
    id,
  })

export const raiseCustomerVersion = (id: number) =>
  run('update customer set version = version + 1 where id = $id', { id })

export const deleteContacts = (id: number) => run('delete from contact where customer_id = $id', { id })

export const noteOnPrepared = (given: { customerId: number; actor: string; words: string }) =>
  run(
    `insert into history (at, actor, source_id, words)
    select now(), $actor, p.source_id, $words
    from prepared_document p
    where p.customer_id = $customerId and p.state = 'prepared'`,
    given,
  )

export const customersWithAddress = (address: string, inJson: string) =>
  rows<{ id: number; name: string; preferences: Preferences }>(
    `select c.id, c.name, c.preferences
    from customer c
    where exists (select from contact k where k.customer_id = c.id and lower(k.email) = lower($address))
      or position(lower($inJson) in lower(c.preferences::text)) > 0
    order by c.id
    for update of c`,
    { address, inJson },
  )

export const correctContactAddress = (from: string, to: string) =>
  run('update contact set email = $to where lower(email) = lower($from)', { from, to })

export const keepCorrectedPreferences = (id: number, now: unknown) =>
  run('update customer set version = version + 1, preferences = $now::jsonb where id = $id', {
    id,
    now: json(now),
  })

export const noteOnEachPrepared = (given: { customerId: number; actor: string; words: string }) =>
  run(
    `insert into history (at, actor, source_id, prepared_id, words)
    select now(), $actor, p.source_id, p.id, $words
    from prepared_document p
    where p.customer_id = $customerId and p.state = 'prepared'`,
    given,
  )

export const sorts = {
  name: { key: 'c.name', type: 'text' },
  number: { key: 'c.number', type: 'text' },
} as const
export interface Columns {
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

export const customerFacts = (id: number) =>
  one<Columns & Pick<CustomerView, 'version' | 'taxNumber' | 'salesperson' | 'terms' | 'pricesIncludeTax'>>(
    `select ${columns}, c.version, c.tax_number "taxNumber", c.salesperson, c.terms,
      c.prices_include_tax "pricesIncludeTax"
    from customer c
    where c.id = $id`,
    { id },
  )

export const documentsOfCustomer = (who: Principal, id: number) =>
  rows<CustomerView['documents'][number]>(
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
    where d.customer_id = $id and ${within(who, 'd.brand_id')}
    order by d.issued_at desc, d.id desc
    limit 12`,
    { id },
  )

export const updateCustomer = (given: {
  id: number
  billingGiven: boolean
  billing: string | null
  language: null | string
  preferences: string | null
  treatment: null | string
  terms: string | null
  pricesGiven: boolean
  pricesIncludeTax: boolean | null
}) =>
  run(
    `update customer
    set version = version + 1, billing = case when $billingGiven then $billing::jsonb else billing end,
      language = coalesce($language, language), preferences = coalesce($preferences::jsonb, preferences),
      tax_treatment = coalesce($treatment, tax_treatment), terms = coalesce($terms::jsonb, terms),
      prices_include_tax = case when $pricesGiven then $pricesIncludeTax::boolean else prices_include_tax end
    where id = $id`,
    given,
  )

export const lockCustomerRows = (ids: readonly number[]) =>
  rows<Columns>(
    `select ${columns} from customer c where c.id = any($ids::int[]) order by c.id for update of c`,
    { ids },
  )

export const noteOnPreparedOfAll = (given: {
  customerIds: readonly number[]
  actor: string
  words: string
}) =>
  run(
    `insert into history (at, actor, source_id, prepared_id, words)
    select now(), $actor, p.source_id, p.id, $words
    from prepared_document p
    where p.customer_id = any($customerIds::int[]) and p.state = 'prepared'`,
    given,
  )

export const updatePreferences = (given: { id: number; preferences: unknown; language: string }) =>
  run(
    'update customer set preferences = $preferences::jsonb, language = $language, version = version + 1 where id = $id',
    { ...given, preferences: json(given.preferences) },
  )

/** Who can be written to at these customers. */
export const contactsOfCustomers = (customerIds: readonly number[]) =>
  rows<ContactFacts & { customerId: number }>(
    `select customer_id "customerId", name, email, role
    from contact
    where customer_id = any($customerIds::int[])
    order by id`,
    { customerIds },
  )
