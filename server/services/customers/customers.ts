import { isDeepStrictEqual } from 'node:util'
import type { DocumentKind } from '../../../core/documents/kinds'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import { languages, type Language } from '../../../core/money/format'
import {
  changedWish,
  isAddress,
  recipientsFor,
  wishWords,
  type ContactFacts,
  type Wish,
  type WishChange,
  type Wishes,
} from '../../../core/wishes/recipients'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { markStale } from '../outbox/stale'
import { keyset, likeText, paged, type Listed } from '../keyset'
import { publish } from '../live/publish'

/*
 * Customers as papers see them: address, language, contacts and wishes, and whether a paper can go at all.
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
  /** Per kind: the wish in words, and what stops a paper now. */
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
  wish?: string
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
  wishes: Wishes
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
  c.id, c.number, c.name, c.group_name "groupName", c.country, c.language, c.currency, c.billing, c.wishes,
  c.tax_treatment treatment, ${contactsOf} contacts`

/** How each kind goes to this customer by the house's usual addressing, said before anyone tries. */
export function waysOf(customer: {
  name: string
  billing: Address | null
  wishes: Wishes
  contacts: readonly ContactFacts[]
}): Way[] {
  return documentKinds.map((kind) => {
    const wish = customer.wishes[kind]
    const recipients = recipientsFor({ contacts: customer.contacts, role: kindFacts[kind].to, wish })
    const channel = wish?.channel ?? 'email'
    const byEmail = channel === 'email' || channel === 'both'
    const problem =
      channel === 'nothing'
        ? null
        : !customer.billing
          ? 'no postal address'
          : byEmail && recipients.length === 0
            ? `no ${wish?.to ?? kindFacts[kind].to} contact`
            : null
    return {
      kind,
      words: wishWords({ channel: 'email', ...wish }),
      to: byEmail ? recipients.map((one) => one.address).join(', ') : '',
      problem,
    }
  })
}

function where(
  filter: Pick<CustomerFilter, 'search' | 'group' | 'trouble' | 'wish'>,
  parameters: unknown[],
): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = ['true']
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
  if (filter.wish) found.push(`c.wishes @? ${bind(`$.*.channel ? (@ == "${filter.wish}")`)}::jsonpath`)
  if (filter.trouble)
    found.push(`
      (
        c.billing is null
          or exists (
            select
            from unnest(
              ${bind(documentKinds)}::text[], ${bind(documentKinds.map((kind) => kindFacts[kind].to))}::text[]
            ) as t (kind, role)
            where coalesce(c.wishes -> t.kind ->> 'channel', 'email') in ('email', 'both')
              and not exists (
                select
                from contact k
                where k.customer_id = c.id
                  and k.role in (coalesce(c.wishes -> t.kind ->> 'to', t.role), 'anyone')
              )
          )
      )`)
  return found.join(' and ')
}

/** One page of customers, by name or number. */
export async function listCustomers(
  filter: CustomerFilter,
): Promise<Listed<CustomerRow> & { matching: number; groups: string[] }> {
  const parameters: unknown[] = []
  const condition = where(filter, parameters)
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
    found.map(({ billing, wishes, contacts, treatment: _, ...row }) => ({
      ...row,
      ways: waysOf({ name: row.name, billing, wishes, contacts }),
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
export async function customerView(id: number): Promise<CustomerView> {
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
    where d.customer_id = $1
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
  wishes?: Wishes
  treatment?: TaxTreatment
  terms?: Terms
  pricesIncludeTax?: boolean | null
}

/**
 * Changes address, language, wishes, tax, terms or how prices are said. @throws Refusal "bad-address",
 * "changed-meanwhile"
 */
export async function changeCustomer(id: number, change: CustomerChange, actor: string): Promise<void> {
  for (const wish of Object.values(change.wishes ?? {})) checkWish(wish)
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
        language = coalesce($4, language), wishes = coalesce($5::jsonb, wishes),
        tax_treatment = coalesce($6, tax_treatment), terms = coalesce($7::jsonb, terms),
        prices_include_tax = case when $8 then $9::boolean else prices_include_tax end
      where id = $1`,
      [
        id,
        change.billing !== undefined,
        change.billing ? json({ name: customer.name, ...change.billing }) : null,
        change.language ?? null,
        change.wishes ? json(change.wishes) : null,
        change.treatment ?? null,
        change.terms ? json(change.terms) : null,
        change.pricesIncludeTax !== undefined,
        change.pricesIncludeTax ?? null,
      ],
    )
    await run(
      `insert into trail (at, actor, source_id, paper_id, words)
      select now(), $2, p.source_id, p.id, $3
      from paper p
      where p.customer_id = $1 and p.state = 'prepared'`,
      [id, actor, `${customer.name} was changed.`],
    )
    await markStale('customer', id)
    publish('line')
    publish('customer', [id])
  })
}

function checkWish(wish: Wish): void {
  for (const address of [...(wish.cc ?? []), ...(wish.bcc ?? [])]) {
    if (!isAddress(address))
      throw new Refusal(
        'bad-address',
        `“${address}” is not an email address. Write one like name@house.example.`,
        { status: 400, about: { field: 'wishes' } },
      )
  }
}

export interface ManyWishes {
  set: number
  skipped: { id: number; name: string; reason: string }[]
  before: Before[]
}
interface Before {
  id: number
  wishes: Wishes
  language: Language
}

/**
 * Changes one kind's wish, and the language, of many customers at once. Those it would leave without any way
 * are skipped, with the reason.
 * `before` is what undo gives back.
 */
export async function setWishes(
  ids: readonly number[],
  kind: DocumentKind,
  change: { wish: WishChange; language?: Language },
  actor: string,
): Promise<ManyWishes> {
  checkWish({ cc: change.wish.cc ?? [], bcc: change.wish.bcc ?? [] })
  return inTransaction(async () => {
    const customers = await rows<Columns>(
      `select ${columns} from customer c where c.id = any($1::int[]) order by c.id for update of c`,
      [ids],
    )
    const skipped: ManyWishes['skipped'] = []
    const before: ManyWishes['before'] = []
    for (const customer of customers) {
      const { [kind]: old, ...others } = customer.wishes
      const wish = changedWish(old, change.wish)
      const wishes: Wishes = wish ? { ...others, [kind]: wish } : others
      const language = change.language ?? customer.language
      const problem = waysOf({ ...customer, wishes }).find((way) => way.kind === kind)!.problem
      if (isDeepStrictEqual(wishes, customer.wishes) && language === customer.language)
        skipped.push({ id: customer.id, name: customer.name, reason: 'already so' })
      else if (problem) skipped.push({ id: customer.id, name: customer.name, reason: problem })
      else {
        before.push({ id: customer.id, wishes: customer.wishes, language: customer.language })
        await keepWishes({ id: customer.id, wishes, language })
      }
    }
    if (before.length > 0) {
      await run(
        `insert into trail (at, actor, source_id, paper_id, words)
        select now(), $2, p.source_id, p.id, $3
        from paper p
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

/** Gives wishes back as they were, for undo. */
export async function restoreWishes(before: readonly Before[]): Promise<void> {
  await inTransaction(async () => {
    for (const one of [...before].sort((a, b) => a.id - b.id)) await keepWishes(one)
    publish('customer')
  })
}

async function keepWishes({ id, wishes, language }: Before): Promise<void> {
  await run('update customer set wishes = $2::jsonb, language = $3, version = version + 1 where id = $1', [
    id,
    json(wishes),
    language,
  ])
  await markStale('customer', id)
}
