import type { DraftFacts } from '../../../core/documents/draft'
import type { FieldValues } from '../../../core/fields/own-fields'
import type { OrderLineFacts } from '../../../core/documents/facts'
import type { Language } from '../../../core/money/format'
import type { Adjustment } from '../../../core/money/totals'
import { one, rows, run, json } from '../../db/connection'
import type { DraftView } from './drafts'
import type { CreditOffer } from './credit'

/* The statements of drafts.ts. */

export interface OrderHead {
  id: number
  number: string
  brandId: number
  customerId: number
  currency: string
  pricesIncludeTax: boolean
  reference: string | null
  customerNote: string | null
  suppliedOn: string | null
  adjustments: Adjustment[]
  language: Language
}

export const draftRow = (id: number) =>
  one<DraftView>(
    `select b.id, b.kind, b.brand_id "brandId", b.customer_id "customerId", c.name "customerName",
      c.language, b.order_id "orderId", coalesce(o.number, '') "orderNumber", b.version, b.state, b.facts,
      (
        select jsonb_build_object('id', d.id, 'number', d.number) from document d where d.id = b.credits_id
      ) credits,
      (
        select jsonb_build_object('id', d.id, 'number', d.number) from document d where d.id = b.replaces_id
      ) replaces,
      (
        select jsonb_build_object(
          'id', p.id, 'state', p.state, 'problem', p.problem, 'earlierDateOk', p.earlier_date_ok,
          'total', p.total::text
        )
        from prepared_document p
        where p.source_id = b.id
        order by p.id desc
        limit 1
      ) paper,
      (
        select jsonb_build_object('id', d.id, 'number', d.number)
        from document d
        where d.source_id = b.id
        order by d.id desc
        limit 1
      ) document
    from draft b
    join customer c on c.id = b.customer_id
    left join sales_order o on o.id = b.order_id
    where b.id = $id`,
    { id },
  )

export const customerTerms = (customerId: number, brandId: number) =>
  one<{ currency: string; pricesIncludeTax: boolean }>(
    `select currency,
      coalesce(
        prices_include_tax, (select prices_include_tax from brand where id = $brandId), false
      ) "pricesIncludeTax"
    from customer
    where id = $customerId`,
    { customerId, brandId },
  )

export const orderHead = (orderId: number) =>
  one<OrderHead>(
    `select o.id, o.number, o.brand_id "brandId", o.customer_id "customerId", o.currency,
      o.prices_include_tax "pricesIncludeTax", o.reference, o.customer_note "customerNote",
      o.supplied_on::text "suppliedOn", o.adjustments, c.language
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $orderId`,
    { orderId },
  )

export const invoiceOfOrder = (orderId: number) =>
  one<{ number: string | null }>(
    `select d.number
    from claim c
    left join document d on d.id = c.document_id
    where c.source_id = $orderId
      and c.document_kind = 'invoice'
      and c.document_id is not null`,
    { orderId },
  )

export const linesToInvoice = (orderId: number) =>
  rows<OrderLineFacts & { position: number; fields: FieldValues }>(
    `select position, item_code item, description, detail, unit, fields, trim_scale(quantity)::text quantity,
      (
        case when scale(trim_scale(unit_price)) < 2 then round(unit_price, 2) else trim_scale(unit_price) end
      )::text "unitPrice",
      trim_scale(discount_percent)::text "discountPercent", tax_code "taxCode"
    from order_line
    where order_id = $orderId
    order by position`,
    { orderId },
  )

export const creditsOfInvoice = (documentId: number) =>
  rows<CreditOffer['credits'][number]>(
    `select id, number, total::text total
    from document d
    where credits_id = $documentId and not exists (select from document_void v where v.document_id = d.id)
    order by id`,
    { documentId },
  )

export const documentToCredit = (documentId: number) =>
  one<{
    kind: string
    number: string
    voided: boolean
    brandId: number
    customerId: number
    /** Its order, where it is of one or of a part of one. */
    orderId: number | null
    /** The draft that it was written as. */
    draft: DraftFacts | null
  }>(
    `select d.kind, d.number, exists (select from document_void v where v.document_id = d.id) voided,
      d.brand_id "brandId", d.customer_id "customerId", o.id "orderId", b.facts draft
    from document d
    join source s on s.id = d.source_id
    left join sales_order o on o.id = s.root_id
    left join draft b on b.id = d.source_id
    where d.id = $documentId`,
    { documentId },
  )

export const lockDocument = (documentId: number) =>
  one('select id from document where id = $documentId for no key update', { documentId })

export const openCreditDraft = (documentId: number) =>
  one(
    `select b.id
    from draft b
    join prepared_document p on p.source_id = b.id
    where b.credits_id = $documentId and b.state = 'open' and p.state = 'prepared'`,
    { documentId },
  )

export const linePositions = (orderId: number) =>
  rows<{ position: number }>('select position from order_line where order_id = $orderId order by position', {
    orderId,
  })

export const lockDraft = (id: number) =>
  one<{ version: number; state: string; kind: string; creditsId: number | null }>(
    'select version, state, kind, credits_id "creditsId" from draft where id = $id for update',
    { id },
  )

export const updateDraft = (given: { id: number; facts: DraftFacts; brandId: number; customerId: number }) =>
  run(
    `update draft
    set version = version + 1, facts = $facts::jsonb,
      brand_id = case when credits_id is null then $brandId else brand_id end,
      customer_id = case when credits_id is null then $customerId else customer_id end
    where id = $id`,
    { ...given, facts: json(given.facts) },
  )

export const markOwnChange = (draftId: number, earlierDateOk: boolean) =>
  run(
    `update prepared_document
    set earlier_date_ok = $earlierDateOk, changes = null, baseline = baseline || '{"own": true}'
    where source_id = $draftId and state in ('prepared', 'put back', 'due')`,
    { draftId, earlierDateOk },
  )
