import type { SecondLookRule } from '../../../core/documents/second-look'
import type { Exchange } from '../../../core/money/exchange'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { ContactFacts, ContactRole, Preferences } from '../../../core/preferences/recipients'
import type { Told } from '../../../core/said/told'
import { json, one, rows, run } from '../../db/connection'

/* The statements of second-look.ts. */

/**
 * SQL: why a second person has to send a prepared document, and who asked for one; who asked for it as it was before
 * it changed has not asked for it as it is.
 */
export const secondLookColumns = (p: string) => `
  case when ${p}.second_look is not null and rehearsal_for(${p}) = '' then ${p}.second_look end "secondLook",
  case when (${p}.asked ->> 'revision')::int = ${p}.revision then ${p}.asked - 'revision' end asked`

export const secondLookRule = () =>
  one<{ rule: SecondLookRule; home: string }>('select second_look rule, currency home from company')

export interface LookedAt {
  id: number
  kind: DocumentKind
  role: ContactRole
  total: string
  currency: string
  customerId: number
  copyTo: string[]
  toAddresses: string[] | null
  alsoTo: Pick<OwnEmail, 'cc' | 'bcc'> | null
  preferences: Preferences
  contacts: ContactFacts[]
  banksChangedBy: string | null
  rate: Exchange['rate'] | null
}

/** What decides for prepared documents. */
export const documentsLookedAt = (ids: readonly number[]) =>
  rows<LookedAt>(
    `with chosen as (
      select id, customer_id, kind, source_id, (billed_to(source_id)).mail mail
      from prepared_document
      where id = any($ids::int[])
    ),
    -- whom a customer has, and what it wants of a kind, is found once for all that is billed alike
    alike as (
      select customer_id, kind, mail, min(source_id) source_id from chosen group by customer_id, kind, mail
    ),
    wishes as materialized (
      select a.customer_id, a.kind, a.mail, preferences_for(c, a.source_id, array[a.kind]) preferences
      from alike a
      join customer c on c.id = a.customer_id
    ),
    people as materialized (
      select customer_id, contacts_of(customer_id) contacts from (select distinct customer_id from chosen) x
    ),
    rates as (select distinct on (currency) currency, rate::text from exchange_rate order by currency, day desc)
    select p.id, p.kind, p.to_role role, p.total::text total, p.currency, p.customer_id "customerId",
      p.copy_to "copyTo", p.to_addresses "toAddresses", p.own_email "alsoTo", w.preferences, o.contacts,
      b.banks_changed ->> 'name' "banksChangedBy", r.rate
    from chosen h
    join prepared_document p on p.id = h.id
    join wishes w on w.customer_id = h.customer_id and w.kind = h.kind and w.mail is not distinct from h.mail
    join people o on o.customer_id = h.customer_id
    join brand b on b.id = p.brand_id
    left join rates r on r.currency = p.currency`,
    { ids },
  )

/** Of addresses of customers, those at which the customer has had an email. */
export const addressesReached = (wanted: readonly { customerId: number; address: string }[]) =>
  rows<{ customerId: number; address: string }>(
    `select distinct n."customerId", n.address
    from jsonb_to_recordset($wanted::jsonb) as n ("customerId" int, address text)
    join dispatch_recipient r on lower(r.address) = n.address and r.outcome in ('accepted', 'delivered')
    join dispatch s on s.id = r.dispatch_id and s.customer_id = n."customerId"`,
    { wanted: json(wanted) },
  )

/** In the order of their ids, as everywhere. @returns those that say something else now */
export const keepSecondLooks = (found: readonly { id: number; why: Told | null }[]) =>
  rows<{ id: number }>(
    `with other as (
      select p.id, n.why
      from prepared_document p
      join jsonb_to_recordset($found::jsonb) as n (id int, why jsonb) on n.id = p.id
      where p.second_look is distinct from n.why
      order by p.id
      for update of p
    )
    update prepared_document p
    set second_look = other.why
    from other
    where p.id = other.id
    returning p.id`,
    { found: json(found) },
  )

/** Everything prepared, or what is of one brand. */
export const preparedIn = (brandId: number | null) =>
  rows<{ id: number }>(
    `select id
    from prepared_document
    where state in ('due', 'prepared', 'put back') and ($brandId::int is null or brand_id = $brandId)`,
    { brandId },
  )

/** Asks for a second person, or takes that back; @returns what of it is still as it was looked at. */
export const keepAsked = (given: {
  documents: readonly { id: number; revision: number }[]
  asked: object | null
}) =>
  rows<{ id: number; sourceId: number; secondLook: Told | null }>(
    `with looked_at as (
      select p.id
      from prepared_document p
      join jsonb_to_recordset($documents::jsonb) as n (id int, revision int) on n.id = p.id
      where p.revision = n.revision and p.state = 'prepared'
      order by p.id
      for update of p
    )
    update prepared_document p
    set asked = $asked::jsonb || jsonb_build_object('revision', p.revision)
    from looked_at
    where p.id = looked_at.id
    returning p.id, p.source_id "sourceId", p.second_look "secondLook"`,
    { documents: json(given.documents), asked: given.asked && json(given.asked) },
  )

export const confirmBanksRow = (brandId: number) =>
  run('update brand set banks_changed = null where id = $brandId', { brandId })

export const lockBanksChanged = (brandId: number) =>
  one<{ changed: { id: number; name: string; at: string } | null }>(
    'select banks_changed changed from brand where id = $brandId for update',
    { brandId },
  )
