import type { dispatchStages } from '../../../core/dispatch/states'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Channel } from '../../../core/preferences/recipients'
import { rows } from '../../db/connection'
import { company } from '../house/house'
import { keyset, likeText, paged, type Listed, type Sort } from '../keyset'
import { theHouse, within } from '../people/principal'

/*
 * All emails and print jobs there ever were: by address, state, kind, words and days. Each leads to its exact
 * words and files.
 * Called from the Emails page. Reads only.
 */

export interface DispatchRow {
  id: number
  channel: Channel
  state: string
  isCopy: boolean
  number: string
  documents: number
  documentId: number
  kind: DocumentKind
  customerName: string
  sendTo: string
  subject: string
  createdAt: Date
  sentAt: Date | null
  total: string
  currency: string
}

export interface DispatchFilter {
  /** A part of an address that it was written to, or is to go to. */
  address?: string
  state?: (typeof dispatchStages)[number]
  kind?: DocumentKind
  /** Words in subject or text, as they were sent. */
  text?: string
  from?: string
  to?: string
  copies?: boolean
  after?: string
  limit: number
}

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
    `select s.id, s.channel, s.state, s.is_copy "isCopy", s.number, f.documents, d.id "documentId", d.kind,
      s.customer_name "customerName", s.send_to "sendTo", coalesce(m.subject, '') subject,
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
