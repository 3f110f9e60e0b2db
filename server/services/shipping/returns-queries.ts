import type { Address } from '../../../core/documents/facts'
import type { GoesOn } from '../../../core/shipping/labels'
import type { LinePart } from '../../../core/shipping/quantities'
import type { ReturnState, ReturnedLine } from '../../../core/shipping/returns'
import { json, one, rows, run } from '../../db/connection'
import { waysOf, type ParcelOnItsWay } from './queries'
import type { ReturnView } from './returns'

/* The statements of returns.ts. */

/** An order as goods come back of it. */
export interface OrderToReturn {
  id: number
  number: string
  status: string
  brandId: number
  customerId: number
  customerName: string
  /** It has its date of supply. */
  hasLeft: boolean
  /** Who sends the goods back: who got them, or who is billed. */
  sender: Address | null
  /** Where goods of the brand came back to the last time; null where none did. */
  lastDelivery: Address | null
}

export const orderToReturn = (id: number) =>
  one<OrderToReturn>(
    `select o.id, o.number, o.status, o.brand_id "brandId", o.customer_id "customerId", c.name "customerName",
      o.supplied_on is not null "hasLeft",
      coalesce(o.delivery, coalesce((billed_to(o.id)).address, c.billing) - 'attention') sender,
      (
        select r.delivery
        from goods_return r
        where r.brand_id = o.brand_id
        order by r.id desc
        limit 1
      ) "lastDelivery"
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $id`,
    { id },
  )

/** What each return of orders holds of it, with how it stands. */
export const returnedLines = (orderIds: readonly number[]) =>
  rows<ReturnedLine & { orderId: number; returnId: number; state: ReturnState }>(
    `select r.order_id "orderId", r.id "returnId", r.state, l.position, trim_scale(l.quantity)::text quantity,
      l.reason, trim_scale(l.came_back)::text "cameBack"
    from goods_return r
    join return_line l on l.return_id = r.id
    where r.order_id = any($orderIds::int[])
    order by r.id, l.position`,
    { orderIds },
  )

export const nextReturnNumber = (orderId: number) =>
  one<{ number: number }>(
    'select coalesce(max(number), 0) + 1 number from goods_return where order_id = $orderId',
    { orderId },
  )

export const insertReturnLines = (returnId: number, lines: readonly (LinePart & { reason: string })[]) =>
  run(
    `insert into return_line (return_id, position, quantity, reason)
    select $returnId, l.position, l.quantity, l.reason
    from jsonb_to_recordset($lines::jsonb) as l (position int, quantity numeric, reason text)`,
    { returnId, lines: json(lines) },
  )

export const lockReturn = (id: number) =>
  one<{ id: number; label: string; version: number; state: ReturnState; orderId: number }>(
    'select id, label, version, state, order_id "orderId" from goods_return where id = $id for update',
    { id },
  )

export const returnRow = (id: number) =>
  one<
    Omit<
      ReturnView,
      'lines' | 'parcels' | 'boxes' | 'toCredit' | 'papers' | 'labels' | 'history' | 'credits'
    > & {
      customerNumber: string
      brandId: number
    }
  >(
    `select r.id, r.label, r.number, r.state, r.day::text "day", r.until::text until, r.sender, r.delivery, r.service,
      r.remarks, r.back_on::text "backOn", r.version, r.made_at "madeAt", r.made_by "madeBy",
      r.goes_on is not null "isWritten", o.id "orderId", o.number "orderNumber", o.status "orderStatus",
      c.id "customerId", c.number "customerNumber", c.name "customerName", b.id "brandId", b.code brand, c.language
    from goods_return r
    join sales_order o on o.id = r.order_id
    join customer c on c.id = r.customer_id
    join brand b on b.id = r.brand_id
    where r.id = $id`,
    { id },
  )

/** What came back of each line, or null for all while nothing did. */
export const keepCameBack = (returnId: number, lines: readonly LinePart[] | null) =>
  run(
    `update return_line l
    set came_back = (
      select p.quantity
      from jsonb_to_recordset($lines::jsonb) as p (position int, quantity numeric)
      where p.position = l.position
    )
    where l.return_id = $returnId`,
    { returnId, lines: json(lines ?? []) },
  )

export const creditsOfReturn = (returnId: number) =>
  rows<ReturnView['credits'][number] & { contents: LinePart[] }>(
    `select b.id "draftId", b.state, k.contents, i.id "invoiceId", i.number invoice,
      (select d.id from document d where d.source_id = b.id order by d.id desc limit 1) "documentId",
      (select d.number from document d where d.source_id = b.id order by d.id desc limit 1) number
    from return_credit k
    join draft b on b.id = k.draft_id
    join document i on i.id = b.credits_id
    where k.return_id = $returnId and b.state <> 'dropped'
      and not exists (
        select from document d
        join document_void v on v.document_id = d.id
        where d.source_id = b.id
      )
    order by b.id`,
    { returnId },
  )

/** How the note of a return goes on that comes without labels; undefined where a person prepares it, or it is there. */
export const noteToCome = (id: number) =>
  one<{ goesOn: GoesOn; askedBy: string }>(
    `select r.goes_on "goesOn", r.made_by "askedBy"
    from goods_return r
    where r.id = $id and r.state = 'expected' and r.goes_on is not null
      and not exists (select from label l where l.source_id = r.id and l.state <> 'closed')
      and not exists (select from prepared_document p where p.source_id = r.id)`,
    { id },
  )

/** Returns of an order as its screen names them. */
export const returnsOfOrder = (orderId: number) =>
  rows<{
    id: number
    label: string
    number: number
    state: ReturnState
    until: string
    quantity: string
    credits: string[]
    ways: ParcelOnItsWay[]
  }>(
    `select r.id, r.label, r.number, r.state, r.until::text until,
      trim_scale(sum(case when r.state = 'back' then l.came_back else l.quantity end))::text quantity,
      array(
        select d.number
        from return_credit k
        join document d on d.source_id = k.draft_id
        where k.return_id = r.id and not exists (select from document_void v where v.document_id = d.id)
        order by d.id
      ) credits,
      ${waysOf('r.id')} ways
    from goods_return r
    join return_line l on l.return_id = r.id
    where r.order_id = $orderId
    group by r.id
    order by r.number`,
    { orderId },
  )

/** Labels of returns that ended, or are not to come any more, and that nobody used. */
export const endedReturnLabels = (today: string) =>
  rows<{ id: number }>(
    `select l.id
    from label l
    join goods_return r on r.id = l.source_id
    where l.state = 'made' and l.way = 'announced' and l.asked ->> 'isReturn' = 'true'
      and (r.state <> 'expected' or r.until < $today::date)
      -- one that the carrier does not take back is asked about once a day at most
      and (l.reply = '' or l.next_try_at < now() - interval '1 day')
    order by l.id
    limit 100`,
    { today },
  )
