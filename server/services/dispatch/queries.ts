import type { LabelFailure } from '../../../core/shipping/labels'
import type { ContactFacts, Preferences } from '../../../core/preferences/recipients'
import type { DocumentKind } from '../../../core/documents/kinds'
import { one, rows, run } from '../../db/connection'
import { type Principal, theHouse } from '../people/principal'
import { within } from '../people/brand-queries'
import type { StuckByAddress } from './correct'
import { company } from '../house/house'
import { type Listed, likeText, type Sort, keyset, paged } from '../keyset'
import type { DispatchFilter, DispatchRow } from './list'
import type { StuckCause } from '../../../core/dispatch/states'
import type { Told } from '../../../core/said/told'
import type { PrintQueueRow } from './print-queue'

/* The statements of dispatch that have no file of their own. */

export const stuckDispatchesTo = (who: Principal, address: string) =>
  rows<Omit<StuckByAddress, 'days' | 'suggested' | 'why'>>(
    `select s.id, s.number, s.customer_name "customerName", s.is_copy "isCopy", max(d.date)::text "date",
      s.total::text total, s.currency, sum(i.open)::text open
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    left join open_item i on i.document_id = d.id
    where s.state = 'stuck' and s.channel = 'email' and ${within(who, 's.brand_id')} and exists (
      select from dispatch_recipient r
      where r.dispatch_id = s.id and r.address = lower($address) and r.outcome in ('bounced', 'refused'))
    group by s.id
    order by max(d.date) desc, s.id desc
    limit 500`,
    { address },
  )

export const correctDispatchAddress = (from: string, to: string) =>
  run(
    `update dispatch
    set
      to_addresses = (
        select jsonb_agg(case when lower(a) = lower($from) then $to else a end)
        from jsonb_array_elements_text(to_addresses) a
      ),
      send_to = case when lower(send_to) = lower($from) then $to else send_to end
    where state = 'stuck'
      and exists (select from jsonb_array_elements_text(to_addresses) a where lower(a) = lower($from))`,
    { from, to },
  )

interface Undelivered {
  kind: DocumentKind
  number: string
  customerId: number
  customerName: string
  brandId: number
  emailTextId: number
  total: string
  currency: string
  preferences: Preferences
  contacts: ContactFacts[]
}

export const lockUndelivered = (documentId: number) =>
  one<Undelivered>(
    `select d.kind, d.number, d.customer_id "customerId", d.customer_name "customerName", d.brand_id "brandId",
      d.email_text_id "emailTextId", d.total, d.currency,
      preferences_for(c, d.source_id, array[d.kind]) preferences, contacts_of(c.id) contacts
    from document d
    join undelivered u on u.document_id = d.id
    join customer c on c.id = d.customer_id
    where d.id = $documentId
    for update of u`,
    { documentId },
  )

export const isUnpainted = (documentId: number) =>
  one('select document_id from unpainted where document_id = $documentId for share', { documentId })

export async function listDispatches(filter: DispatchFilter, who = theHouse): Promise<Listed<DispatchRow>> {
  const { timeZone } = await company()
  const parameters: unknown[] = []
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const conditions = [within(who, 's.brand_id')]
  if (filter.address?.trim()) {
    const like = bind(likeText(filter.address))
    conditions.push(
      `(
        s.id in (select r.dispatch_id from dispatch_recipient r where r.address like ${like})
          or lower(s.send_to) like ${like}
      )`,
    )
  }
  if (filter.state === 'waiting') conditions.push(`s.state in ('waiting', 'claimed', 'handing over')`)
  else if (filter.state) conditions.push(`s.state = ${bind(filter.state)}`)
  if (filter.kind) conditions.push(`d.kind = ${bind(filter.kind)}`)
  if (filter.text?.trim())
    conditions.push(
      `s.id in (
        select m.dispatch_id
        from mail_copy m
        where lower(m.subject || ' ' || m.text) like ${bind(likeText(filter.text))}
      )`,
    )
  if (filter.from)
    conditions.push(`s.created_at >= (${bind(filter.from)}::date::timestamp at time zone ${bind(timeZone)})`)
  if (filter.to)
    conditions.push(
      `s.created_at < ((${bind(filter.to)}::date + 1)::timestamp at time zone ${bind(timeZone)})`,
    )
  if (filter.copies !== undefined) conditions.push(`s.is_copy = ${bind(filter.copies)}`)
  const sort: Sort = { key: 's.created_at', type: 'timestamptz', descending: true }
  const { where, order } = keyset(sort, 's.id', filter.after, parameters)
  const found = await rows<DispatchRow & { sortKey: string }>(
    `select s.id, s.channel, s.state, s.is_copy "isCopy", s.part - 'files' part, s.number, f.documents,
      d.id "documentId", d.kind, s.customer_name "customerName", s.send_to "sendTo", coalesce(m.subject, '') subject,
      s.created_at "createdAt", m.sent_at "sentAt", s.total::text total, s.currency,
      s.created_at::text "sortKey"
    from dispatch s
    join lateral (
      select min(document_id) id, count(*)::int documents from dispatch_document where dispatch_id = s.id
    ) f
      on true
    join document d on d.id = f.id
    left join mail_copy m on m.dispatch_id = s.id
    where ${[...conditions, where].join(' and ')}
    order by ${order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return paged(found, filter.limit)
}

export interface Stuck {
  id: number
  number: string
  customerName: string
  cause: StuckCause
  reply: string | null
}

export interface KeptBack {
  id: number
  kind: DocumentKind
  orderNumber: string
  customerName: string
  problem: Told | null
  sendTo: string
}

/** Most of each that one mail names; the rest comes with the next. */
const most = 200

export const unnoticedStuck = () =>
  rows<Stuck>(
    `select id, number, customer_name "customerName", stuck_cause cause, last_reply reply
    from dispatch where state = 'stuck' and not noticed order by id limit ${most}`,
  )

export const unnoticedKeptBack = () =>
  rows<KeptBack>(
    `select id, kind, order_number "orderNumber", customer_name "customerName",
      problem, send_to "sendTo"
    from prepared_document
    where state = 'prepared' and kept_back and not kept_back_noticed
    order by id
    limit ${most}`,
  )

export interface Unbought {
  id: number
  shipment: string
  parcel: number
  customerName: string
  failure: LabelFailure
  reply: string
}

/** Labels that a routine asked for and that could not be bought; whoever pressed the button saw it. */
export const unnoticedLabels = () =>
  rows<Unbought>(
    `select l.id, s.label shipment, l.parcel, c.name "customerName", l.failure, l.reply
    from label l
    join consignment s on s.id = l.source_id
    join customer c on c.id = s.customer_id
    where l.state = 'refused' and not l.noticed and l.goes_on ->> 'routine' is not null
    order by l.id
    limit ${most}`,
  )

/** Carriers that do not answer for some minutes, with the labels that wait for them. */
export const unnoticedCarriers = (before: Date) =>
  rows<{ id: number; name: string; waiting: number }>(
    `select c.id, c.name, count(l.id)::int waiting
    from carrier c
    join label l on l.carrier_id = c.id and l.state in ('asked', 'booking', 'unclear')
    where c.down_since < $before and not c.down_noticed
    group by c.id`,
    { before },
  )

export const markLabelsNoticed = (ids: readonly number[]) =>
  run('update label set noticed = true where id = any($ids::int[])', { ids })

export const markCarriersNoticed = (ids: readonly number[]) =>
  run('update carrier set down_noticed = true where id = any($ids::int[])', { ids })

export const markStuckNoticed = (ids: readonly number[]) =>
  run('update dispatch set noticed = true where id = any($ids::int[])', { ids })

export const markKeptBackNoticed = (ids: readonly number[]) =>
  run('update prepared_document set kept_back_noticed = true where id = any($ids::int[])', { ids })

/** Most papers in one print job. */
export const mostPrinted = 500

/** What waits for the printer, a row a print job, in posting order: customer by customer, each by number. */
export const papersToPrint = (who: Principal) =>
  rows<Omit<PrintQueueRow, 'overtaken'>>(`
    select s.id, s.number, s.customer_name "customerName", sum(f.pages)::int pages, s.total::text total,
      s.currency, s.since, min(f.document_id) "documentId", min(d.kind) kind
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    join document_file f on f.document_id = dd.document_id
    where s.state = 'waiting' and s.channel = 'paper' and s.ready and not s.held
      and ${within(who, 's.brand_id')}
    group by s.id
    order by s.customer_name, length(s.number), s.number, s.id
    limit ${mostPrinted}`)

export const printFiles = (ids: readonly number[]) =>
  rows<{ id: number; sha256: string }>(
    `select s.id, f.sha256
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document_file f on f.document_id = dd.document_id
    where s.id = any($ids::int[]) and s.channel = 'paper' and not s.held
    order by s.customer_name, length(s.number), s.number, s.id, f.document_id
    limit ${mostPrinted}`,
    { ids },
  )
