import type { Paper } from '../../../core/documents/paper'
import { one, rows } from '../../db/connection'
import { textColumns } from '../house/house-queries'
import type { TextQuestion } from '../house/text-for'
import { senderColumns } from '../house/senders-queries'
import type { PaperRow } from './queries'

/* The statements of copy.ts. */

interface CopyRow extends TextQuestion {
  id: number
  number: string
  customerId: number
  customerName: string
  total: string
  currency: string
  painted: boolean
  voided: boolean
  takenOver: boolean
}

export const whoHasIt = (documentId: number) =>
  rows<{ address: string; at: Date; outcome: string }>(
    `select r.address, r.at, r.outcome
    from dispatch_recipient r
    join dispatch_document dd on dd.dispatch_id = r.dispatch_id
    where dd.document_id = $documentId and r.outcome in ('accepted', 'delivered')
    order by r.at desc`,
    { documentId },
  )

export const lockDocument = (documentId: number) =>
  one('select id from document where id = $documentId for no key update', { documentId })

export const documentToCopy = (documentId: number) =>
  one<CopyRow>(
    `select d.id, d.number, d.customer_id "customerId", d.customer_name "customerName",
      ${textColumns}, d.total, d.currency,
      d.series_id is null "takenOver",
      f.document_id is not null painted,
      exists (select from document_void v where v.document_id = d.id) voided
    from document d
    left join document_file f on f.document_id = d.id
    where d.id = $documentId`,
    { documentId },
  )

export const copyOnItsWay = (documentId: number, to: string) =>
  one(
    `select id
    from dispatch dp
    join dispatch_document dd on dd.dispatch_id = dp.id
    where dd.document_id = $documentId
      and dp.to_addresses ? $to
      and dp.state in ('waiting', 'claimed', 'handing over')`,
    { documentId, to },
  )

/** The email of a copy, with the text of its own; and the people of the customer. @param who would have it sent */
export const copyLetter = (documentId: number, emailTextId: number, unpaid: string | null, who: string) =>
  one<PaperRow & { content: Paper }>(
    `select d.prepared_id id, d.kind, d.paper content, 'email' channel, '[]'::jsonb "copyTo",
      '[]'::jsonb "toAddresses", null::jsonb "ownEmail", $unpaid::text unpaid,
      preferences_for(c, d.source_id, array[d.kind]) preferences, n.subject, n.text, t.design -> 'colours' colours,
      b.email_look "emailLook", b.id "brandId", b.name "brandName", ${senderColumns}, d.customer_name "customerName",
      d.customer_id "customerId", contacts_of(d.customer_id) contacts
    from document d
    join customer c on c.id = d.customer_id
    join email_text n on n.id = $emailTextId
    join brand b on b.id = d.brand_id
    join design t on t.id = d.design_id
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, $who, d.source_id, null) sender
    where d.id = $documentId`,
    { documentId, emailTextId, unpaid, who },
  )
