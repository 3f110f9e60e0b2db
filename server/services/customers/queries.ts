import type { Address } from '../../../core/documents/facts'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { Needs } from '../../../core/documents/needs'
import type { FieldValues } from '../../../core/fields/own-fields'
import type { Language } from '../../../core/money/format'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { waysOf } from '../../../core/dispatch/ways'
import {
  standIn,
  type AddressMail,
  type ContactFacts,
  type Preferences,
} from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
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

export const noteOnPrepared = (given: { customerId: number; actor: string; what: Told }) =>
  run(
    `insert into history (at, actor, source_id, words, told)
    select now(), $actor, p.source_id, $what::jsonb ->> 'words', $what::jsonb - 'words'
    from prepared_document p
    where p.customer_id = $customerId and p.state = 'prepared'`,
    { ...given, what: json(given.what) },
  )

export const customersWithAddress = (address: string, inJson: string) =>
  rows<{ id: number; name: string; preferences: Preferences; billingMail: AddressMail }>(
    `select c.id, c.name, c.preferences, c.billing_mail "billingMail"
    from customer c
    where exists (select from contact k where k.customer_id = c.id and lower(k.email) = lower($address))
      or position(lower($inJson) in lower(c.preferences::text || c.billing_mail::text)) > 0
      or exists (
        select
        from customer_address a
        where a.customer_id = c.id and position(lower($inJson) in lower(a.mail::text)) > 0
      )
    order by c.id
    for update of c`,
    { address, inJson },
  )

export const correctContactAddress = (from: string, to: string) =>
  run('update contact set email = $to where lower(email) = lower($from)', { from, to })

export const keepCorrected = (given: { id: number; preferences: Preferences; billingMail: AddressMail }) =>
  run(
    `update customer
    set version = version + 1, preferences = $preferences::jsonb, billing_mail = $billingMail::jsonb
    where id = $id`,
    { ...given, preferences: json(given.preferences), billingMail: json(given.billingMail) },
  )

export const noteOnEachPrepared = (given: { customerId: number; actor: string; what: Told }) =>
  run(
    `insert into history (at, actor, source_id, prepared_id, words, told)
    select now(), $actor, p.source_id, p.id, $what::jsonb ->> 'words', $what::jsonb - 'words'
    from prepared_document p
    where p.customer_id = $customerId and p.state = 'prepared'`,
    { ...given, what: json(given.what) },
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
  terms: Terms
  billing: Address | null
  /** What the customer itself wishes. */
  preferences: Preferences
  /** With what its group and the house wish beneath it. */
  wished: Preferences
  treatment: TaxTreatment
  /** Values of the house's own fields. */
  fields: FieldValues
  needs: Needs
  linkCode: string
  contacts: ContactFacts[]
}

/** SQL: what is wished for each kind, with what the group and the house wish. */
const allWished = `preferences_for(c, null, array[${documentKinds.map((kind) => `'${kind}'`).join(', ')}])`

const columns = `
  c.id, c.number, c.name, c.group_name "groupName", c.country, c.language, c.currency, c.terms, c.billing,
  c.preferences,
  ${allWished} wished, c.tax_treatment treatment, c.fields, c.needs, c.link_code "linkCode",
  contacts_of(c.id) contacts`

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
    found.push(`${allWished} @? ${bind(`$.*.channel ? (@ == "${filter.preference}")`)}::jsonpath`)
  if (filter.trouble)
    found.push(`
      (
        c.billing is null
          or exists (
            -- worked out once a customer
            with wished as materialized (select ${allWished} of)
            select
            from wished
            cross join unnest(
              ${bind(documentKinds)}::text[], ${bind(documentKinds.map((kind) => kindFacts[kind].to))}::text[]
            ) as t (kind, role)
            cross join lateral (select coalesce(wished.of -> t.kind, '{}') wish) w
            where coalesce(w.wish ->> 'channel', 'email') in ('email', 'both')
              and coalesce(w.wish ->> 'unreachable', 'wait') = 'wait'
              and coalesce(w.wish -> 'addresses', '[]') = '[]'
              and not exists (
                select
                from contact k
                where k.customer_id = c.id
                  and (
                    k.role in (coalesce(w.wish ->> 'to', t.role), 'anyone')
                    or k.role = ${bind(json(standIn))}::jsonb ->> coalesce(w.wish ->> 'to', t.role)
                  )
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
    found.map(({ billing, preferences: _own, wished, contacts, treatment: _, ...row }) => ({
      ...row,
      ways: waysOf({ name: row.name, billing, wished, contacts }),
    })),
    filter.limit,
  )
  return { ...listed, matching: count, groups: groups.map((group) => group.name) }
}

export const customerFacts = (id: number) =>
  one<
    Columns &
      Pick<
        CustomerView,
        'version' | 'taxNumber' | 'salesperson' | 'pricesIncludeTax' | 'billingMail' | 'beneath' | 'addresses'
      >
  >(
    `select ${columns}, c.version, c.tax_number "taxNumber", c.salesperson,
      c.prices_include_tax "pricesIncludeTax", c.billing_mail "billingMail",
      jsonb_build_object(
        'house', (select preferences from company),
        'group', (select preferences from customer_group g where g.name = c.group_name)
      ) beneath,
      coalesce(
        (
          select jsonb_agg(
            jsonb_build_object(
              'id', a.id, 'purpose', a.purpose, 'label', a.label, 'address', a.address, 'mail', a.mail
            )
            order by a.position
          )
          from customer_address a
          where a.customer_id = c.id
        ),
        '[]'
      ) addresses
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
      ) state,
      exists (
        select
        from followed_offer f
        join dispatch_document dd on dd.dispatch_id = f.dispatch_id
        where dd.document_id = d.id and f.followed > 0
      ) "offerFollowed"
    from document d
    where d.customer_id = $id and ${within(who, 'd.brand_id')}
    order by d.issued_at desc, d.id desc
    limit 12`,
    { id },
  )

export const lockCustomerRows = (ids: readonly number[]) =>
  rows<Columns>(
    `select ${columns} from customer c where c.id = any($ids::int[]) order by c.id for update of c`,
    { ids },
  )

export const noteOnPreparedOfAll = (given: { customerIds: readonly number[]; actor: string; what: Told }) =>
  run(
    `insert into history (at, actor, source_id, prepared_id, words, told)
    select now(), $actor, p.source_id, p.id, $what::jsonb ->> 'words', $what::jsonb - 'words'
    from prepared_document p
    where p.customer_id = any($customerIds::int[]) and p.state = 'prepared'`,
    { ...given, what: json(given.what) },
  )

export const updatePreferences = (given: { id: number; preferences: Preferences; language: string }) =>
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
