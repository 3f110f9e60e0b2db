import type { Day } from '../../../core/documents/days'
import type { Language } from '../../../core/money/format'
import { json, one, rows, run } from '../../db/connection'

/* The statements of links. */

export interface LinkRow {
  id: number
  dispatchId: number
  documentId: number
  sha256: string
  name: string
  size: number
  mediaType: string
  until: Day
  ended: boolean
  voided: boolean
  code: string
  opened: number
  mostOpened: number | null
  wrongCodes: number
  language: Language
  brandName: string
  colours: { brand: string; accent: string }
  replyTo: string
  heading: string
}

/** What is made once more keeps its id, and is good for longer. */
export const makeLinks = (given: {
  dispatchId: number
  files: readonly {
    sha256: string
    name: string
    documentId: number | null
    until: Day
    mostDownloads?: number | null
    ofItem?: boolean
  }[]
  now: Date
}) =>
  rows<{ id: number; sha256: string; until: Day }>(
    `insert into signed_link (dispatch_id, sha256, name, document_id, made_at, until, most_opened, of_item)
    select $dispatchId, x.sha256, x.name, x."documentId", $now, x.until, x."mostDownloads", coalesce(x."ofItem", false)
    from jsonb_to_recordset($files::jsonb) as x (
      sha256 text, name text, "documentId" integer, until date, "mostDownloads" integer, "ofItem" boolean
    )
    on conflict (dispatch_id, sha256) where ended_at is null do update
    set name = excluded.name, until = greatest(signed_link.until, excluded.until)
    returning id, sha256, until::text until`,
    {
      dispatchId: given.dispatchId,
      now: given.now,
      // their bytes are no part of it
      files: json(
        given.files.map(({ sha256, name, documentId, until, mostDownloads, ofItem }) => ({
          sha256,
          name,
          documentId,
          until,
          mostDownloads,
          ofItem,
        })),
      ),
    },
  )

/** SQL: a document of the email whose sale stands: neither voided nor credited as a whole. */
const saleStanding = `
  select from dispatch_document y
  join document sold on sold.id = y.document_id
  where y.dispatch_id = m.id
    and not exists (select from document_void w where w.document_id = sold.id)
    and (
      sold.total <= 0
      or sold.total > coalesce(
        (
          select sum(abs(k.total))
          from document k
          where k.credits_id = sold.id and not exists (select from document_void w where w.document_id = k.id)
        ),
        0
      )
    )`

const linkColumns = `l.id, l.dispatch_id "dispatchId", d.id "documentId", l.sha256, l.name, f.size,
  f.media_type "mediaType", l.until::text until, l.ended_at is not null ended,
  v.document_id is not null or (l.of_item and not exists (${saleStanding})) voided, l.opened,
  l.most_opened "mostOpened", c.link_code code, l.wrong_codes "wrongCodes", d.paper ->> 'language' "language",
  b.name "brandName",
  t.design -> 'colours' colours, coalesce(y.reply_to, b.reply_to) "replyTo",
  (d.paper ->> 'heading') || ' ' || d.number heading`

/** A link with what its page shows. @param locked in a transaction that changes it */
export const linkRow = (id: number, locked = false) =>
  one<LinkRow>(
    `select ${linkColumns}
    from signed_link l
    join file f using (sha256)
    join dispatch m on m.id = l.dispatch_id
    join customer c on c.id = m.customer_id
    join brand b on b.id = m.brand_id
    join document d on d.id = coalesce(
      l.document_id, (select min(x.document_id) from dispatch_document x where x.dispatch_id = m.id)
    )
    join design t on t.id = d.design_id
    left join document_void v on v.document_id = l.document_id
    left join mail_copy y on y.dispatch_id = m.id
    where l.id = $id
    ${locked ? 'for update of l' : ''}`,
    { id },
  )

export const linkBytes = (sha256: string) =>
  one<{ bytes: Buffer }>('select bytes from file where sha256 = $sha256', { sha256 })

export const countOpened = (id: number, now: Date) =>
  one<{ opened: number }>(
    `update signed_link
    set opened = opened + 1, first_opened_at = coalesce(first_opened_at, $now), last_opened_at = $now
    where id = $id
    returning opened`,
    { id, now },
  )

export const countWrongCode = (id: number) =>
  run('update signed_link set wrong_codes = wrong_codes + 1 where id = $id', { id })

/** A link as the desk sees it. */
export interface LinkView {
  id: number
  name: string
  /** Whom its email went to. */
  sentTo: string
  until: Day
  /** When it was ended, and by whom. */
  ended: { at: Date; by: string } | null
  opened: number
  /** So often it can be had; null: any number of times. */
  mostOpened: number | null
  lastOpenedAt: Date | null
}

export const linksOf = (documentId: number) =>
  rows<LinkView>(
    `select l.id, l.name, m.send_to "sentTo", l.until::text until,
      case
        when l.ended_at is not null then jsonb_build_object('at', l.ended_at, 'by', l.ended_by)
      end ended,
      l.opened, l.most_opened "mostOpened", l.last_opened_at "lastOpenedAt"
    from signed_link l
    join dispatch m on m.id = l.dispatch_id
    where l.dispatch_id in (select x.dispatch_id from dispatch_document x where x.document_id = $documentId)
      and (l.document_id is null or l.document_id = $documentId)
    order by l.id`,
    { documentId },
  )

/** Only of the document's own emails, and only those that are not ended. */
export const endThese = (given: { documentId: number; ids: readonly number[]; now: Date; by: string }) =>
  rows<{ id: number; name: string; dispatchId: number }>(
    `update signed_link l
    set ended_at = $now, ended_by = $by
    where l.id = any($ids::int[]) and l.ended_at is null
      and l.dispatch_id in (select x.dispatch_id from dispatch_document x where x.document_id = $documentId)
    returning l.id, l.name, l.dispatch_id "dispatchId"`,
    given,
  )

/** All of a document's own files, wherever they went. */
export const endAllOf = (given: { documentId: number; now: Date; by: string }) =>
  rows<{ id: number; name: string; dispatchId: number }>(
    `update signed_link
    set ended_at = $now, ended_by = $by
    where document_id = $documentId and ended_at is null
    returning id, name, dispatch_id "dispatchId"`,
    given,
  )

export const lengthenThese = (given: { documentId: number; ids: readonly number[]; until: Day }) =>
  rows<{ id: number; name: string; dispatchId: number }>(
    `update signed_link l
    set until = greatest(l.until, $until), most_opened = l.most_opened + l.opened
    where l.id = any($ids::int[]) and l.ended_at is null
      and l.dispatch_id in (select x.dispatch_id from dispatch_document x where x.document_id = $documentId)
    returning l.id, l.name, l.dispatch_id "dispatchId"`,
    given,
  )

/** When an email was handed over; nothing where there is none of that id. */
export const handedOver = (dispatchId: number) =>
  one<{ handedOverAt: Date | null }>(
    `select handed_over_at "handedOverAt" from dispatch where id = $dispatchId and channel = 'email'`,
    { dispatchId },
  )

export const countOpen = (given: { dispatchId: number; byMachine: boolean; now: Date }) =>
  one<{ opened: number }>(
    `insert into email_open as o (dispatch_id, opened, by_machine, first_opened_at, last_opened_at)
    select $dispatchId, 1 - m.machine, m.machine, t.at, t.at
    from (values (case when $byMachine then 1 else 0 end)) m (machine)
    cross join lateral (values (case when m.machine = 0 then $now::timestamptz end)) t (at)
    on conflict (dispatch_id) do update
    set opened = o.opened + excluded.opened,
      by_machine = o.by_machine + excluded.by_machine,
      first_opened_at = coalesce(o.first_opened_at, excluded.first_opened_at),
      last_opened_at = coalesce(excluded.last_opened_at, o.last_opened_at)
    returning opened`,
    given,
  )
