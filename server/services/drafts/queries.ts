import type { Credited } from '../../../core/documents/credit'
import type { DraftFacts } from '../../../core/documents/draft'
import type { FieldValues } from '../../../core/fields/own-fields'
import { kindsOf, type DocumentKind } from '../../../core/documents/kinds'
import { rows } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'
import type { CreditedInvoice } from './context'
import type { OrderPart } from './parts'

/* The statements of drafts that have no file of their own. */

/** A draft with its customer, as its paper needs it. */
interface DraftRow extends SubjectRow {
  kind: DocumentKind
  facts: DraftFacts
}

export const draftRows = (draftIds: readonly number[]) =>
  rows<DraftRow>(
    `select b.id "sourceId", b.credits_id "creditsId", b.replaces_id "replacesId", b.kind,
      b.facts, b.facts ->> 'date' "wantedDate", coalesce(o.number, '') number,
      coalesce(o.date, (b.made_at at time zone 'UTC')::date)::text "date", b.brand_id "brandId",
      coalesce(o.branch_id, (b.facts ->> 'branchId')::int) "branchId", b.version,
      1 revision, '0' total, coalesce(b.facts ->> 'prepaid', '0') prepaid,
      c.id "customerId", c.number "customerNumber", c.name "customerName",
      c.tax_number "taxNumber", c.terms, c.language "customerLanguage",
      o.delivery, coalesce(o.fields, '{}') fields, c.fields "customerFields",
      coalesce(nullif(o.salesperson, ''), c.salesperson) salesperson,
      coalesce((billed_to(b.id)).address, c.billing) billing,
      preferences_for(c, b.id, $kinds::text[]) preferences,
      c.version "customerVersion", c.tax_treatment treatment,
      -- a draft has a reference of its own, and no fields of orders
      jsonb_set(c.needs, '{fields}', '[]') needs, 'draft' "enterAt"
    from draft b
    join customer c on c.id = b.customer_id
    left join sales_order o on o.id = b.order_id
    where b.id = any($draftIds::int[])`,
    { draftIds, kinds: kindsOf('draft') },
  )

/** What the house's own fields of items hold, by item number. */
export async function fieldsOfItems(codes: readonly string[]): Promise<Map<string, FieldValues>> {
  const found = await rows<{ code: string; fields: FieldValues }>(
    `select code, fields from item where code = any($codes::text[]) and fields <> '{}'`,
    { codes: [...new Set(codes)] },
  )
  return new Map(found.map(({ code, fields }) => [code, fields]))
}

export const creditedDocuments = (ids: readonly number[]) =>
  rows<Omit<CreditedInvoice, 'before'>>(
    `select d.id, d.number, d.date::text date, p.source
    from document d
    join prepared_document p on p.id = d.prepared_id
    where d.id = any($ids::int[])`,
    { ids },
  )

export const standingCredits = (ids: readonly number[]) =>
  rows<{ id: number; creditsId: number; credited: Credited }>(
    `select d.id, d.credits_id "creditsId", p.source -> 'credit' -> 'credited' credited
    from document d
    join prepared_document p on p.id = d.prepared_id
    where d.credits_id = any($ids::int[])
      and not exists (select from document_void v where v.document_id = d.id)
    order by d.id`,
    { ids },
  )

export const issuedParts = (orderIds: readonly number[]) =>
  rows<OrderPart>(
    `select b.order_id "orderId", b.facts, d.number, d.date::text date, p.source, d.total::text total
    from draft b
    join document d on d.source_id = b.id
    join prepared_document p on p.id = d.prepared_id
    where b.order_id = any($orderIds::int[])
      and b.kind = 'invoice'
      and not exists (select from document_void v where v.document_id = d.id)
      and coalesce(
        (
          select sum(c.total)
          from document c
          where c.credits_id = d.id and not exists (select from document_void v where v.document_id = c.id)
        ),
        0
      ) < d.total
    order by d.id`,
    { orderIds },
  )
