import { billedBy, remaining } from '../../../core/documents/draft'
import type { OrderLineFacts, ReplacedFacts } from '../../../core/documents/facts'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { prepareRefusal, stopWords, type OrderToDocument } from '../../../core/orders/statuses'
import { occasionOf } from '../../../core/routines/routine'
import type { ContactFacts } from '../../../core/preferences/recipients'
import { one, rows, run } from '../../db/connection'
import { partsOfOrders, depositOf, type OrderPart } from '../drafts/parts'
import {
  contextOf,
  houseContext,
  type Addressing,
  type PaperContext,
  type SubjectRow,
} from '../documents/found-settings'
import type { Source } from '../documents/sources'

/*
 * The order as a source of documents: its confirmation, its invoice.
 * Called by the engine through the registry.
 */

/** Loads the contexts of many orders with a fixed number of queries. Orders that do not exist are left out. */
export async function loadOrderContexts(
  kind: DocumentKind,
  orderIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const orders = await rows<SubjectRow>(
    `select o.id "sourceId", null::int "creditsId", null::int "replacesId", null "wantedDate",
      coalesce(
        o.supplied_on, (o.status_since at time zone (select time_zone from company))::date
      )::text "eventDay",
      o.number, o.date::text "date", o.supplied_on::text "suppliedOn", o.currency,
      o.prices_include_tax "pricesIncludeTax", o.reference, o.customer_note "customerNote", o.prepaid,
      o.adjustments, o.brand_id "brandId", o.version, o.revision, o.total, c.id "customerId",
      c.number "customerNumber", c.name "customerName", c.tax_number "taxNumber", c.terms,
      c.language "customerLanguage", c.billing, c.preferences, c.version "customerVersion",
      c.tax_treatment treatment
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = any($1::int[])`,
    [orderIds],
  )
  const lines = await rows<OrderLineFacts & { orderId: number; position: number }>(
    `select order_id "orderId", position, item_code item, description, detail, unit, quantity,
      unit_price "unitPrice", discount_percent "discountPercent", tax_code "taxCode"
    from order_line
    where order_id = any($1::int[])
    order by order_id, position`,
    [orderIds],
  )
  const contacts = await rows<ContactFacts & { customerId: number }>(
    `select customer_id "customerId", name, email, role
    from contact
    where customer_id = any($1::int[])
    order by id`,
    [[...new Set(orders.map((order) => order.customerId))]],
  )
  const house = await houseContext(kind)
  const linesOf = groupBy(lines, (line) => line.orderId)
  const contactsOf = groupBy(contacts, (contact) => contact.customerId)
  const replaced = kindFacts[kind].replacesEarlier
    ? await confirmationsOf(orderIds)
    : new Map<number, never>()
  const drafts =
    kindFacts[kind].books !== null ? await partsOfOrders(orderIds) : new Map<number, OrderPart[]>()
  return new Map(
    orders.map((order) => {
      const own = drafts.get(order.sourceId) ?? []
      const left = remaining(
        linesOf.get(order.sourceId) ?? [],
        order.adjustments,
        billedBy(own.map((draft) => draft.facts)),
      )
      const subject = {
        ...order,
        adjustments: left.adjustments,
        deposits: own.filter((draft) => draft.facts.deposit).map(depositOf),
        replaces: replaced.get(order.sourceId),
      }
      const contacts = contactsOf.get(order.customerId) ?? []
      const context = contextOf(kind, subject, left.lines, contacts, addressing, house)
      return [
        order.sourceId,
        left.lines.length === 0 && Number(order.total) !== 0
          ? { ...context, problem: 'Everything of this order is billed in parts already.' }
          : context,
      ]
    }),
  )
}

/**
 * The confirmations of orders that stand: the newest of each that is not void. Another one of the order takes
 * its place.
 */
export async function confirmationsOf(orderIds: readonly number[]): Promise<Map<number, ReplacedFacts>> {
  const found = await rows<ReplacedFacts & { orderId: number }>(
    `select distinct on (d.source_id) d.source_id "orderId", d.id, d.number, d.date::text date
    from document d
    where d.source_id = any($1::int[])
      and d.kind = 'order confirmation'
      and not exists (select from document_void v where v.document_id = d.id)
    order by d.source_id, d.id desc`,
    [orderIds],
  )
  return new Map(found.map(({ orderId, ...facts }) => [orderId, facts]))
}

/** Why a document of a kind is not made of an order now, looked at once the order is locked. */
async function refusal(kind: DocumentKind, orderId: number, despite: boolean): Promise<Refusal | undefined> {
  const order = (await one<OrderToDocument & { stopped: string | null }>(
    `select o.number, o.status, o.supplied_on::text "suppliedOn",
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped
    from sales_order o
    where o.id = $1`,
    [orderId],
  ))!
  const words = prepareRefusal(kind, order)
  if (words) return new Refusal('not-yet', words, { about: { record: { kind: 'order', id: orderId } } })
  if (order.stopped !== null && kindFacts[kind].waitsWithOrder && !despite)
    return new Refusal('order-stopped', stopWords(order.number, order.stopped), {
      about: { record: { kind: 'order', id: orderId, label: order.number } },
    })
  return undefined
}

export const orderSource: Source = {
  table: 'sales_order',
  load: loadOrderContexts,
  occasion: (kind, context) => occasionOf(kind, context.revision),
  refusal,
  voided: async (id) => {
    await run('update sales_order set version = version + 1 where id = $1', [id])
  },
}
