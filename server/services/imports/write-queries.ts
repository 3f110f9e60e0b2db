import type { Address } from '../../../core/documents/facts'
import type { ItemOption } from '../../../core/items/options'
import type { Language } from '../../../core/money/format'
import type { Adjustment } from '../../../core/money/totals'
import { one, run, json, rows } from '../../db/connection'
import type { LineEdit } from '../orders/orders'

/* The statements of write.ts. */

export const lockImportCustomer = (number: string | undefined) =>
  one<{ id: number; state: string }>(
    `select id,
      md5(
        concat_ws(
          '|', name, group_name, language, currency, country, terms, tax_number, salesperson, billing, fields
        )
      ) state
    from customer
    where number = $number
    for update`,
    { number },
  )

export const upsertCustomer = (given: {
  number: string | undefined
  name: string | undefined
  group: string | null
  language: string | null
  currency: string | null
  country: string | undefined
  /** When it pays, as JSON; its discount and its mandate stay. */
  terms: string | null
  /** That it is collected by direct debit, as JSON; empty where the file does not say. */
  collected: string
  taxNumber: string | null
  salesperson: string | null
  billing: string | null
  /** Of the house's own, as JSON; those that are not given stay. */
  fields: string
  houseLanguage: string
  houseCurrency: string
}) =>
  one<{ id: number; state: string }>(
    `insert into customer (
      number, name, group_name, language, currency, country, terms, tax_number, salesperson, billing, fields
    )
    values (
      $number, $name, coalesce($group, ''), coalesce($language, $houseLanguage), coalesce($currency, $houseCurrency),
      $country,
      coalesce($terms::jsonb, '{"kind": "days", "days": 30}') || $collected::jsonb, $taxNumber,
      coalesce($salesperson, ''), $billing::jsonb, $fields::jsonb
    )
    on conflict (number) do update
    set name = excluded.name, group_name = coalesce($group, customer.group_name),
      language = coalesce($language, customer.language), currency = coalesce($currency, customer.currency),
      country = excluded.country,
      terms = case
        when $terms::jsonb is null then customer.terms
        else customer.terms - '{kind,days,day,months}'::text[] || $terms::jsonb
      end || $collected::jsonb,
      tax_number = coalesce($taxNumber, customer.tax_number),
      salesperson = coalesce($salesperson, customer.salesperson),
      billing = coalesce($billing::jsonb, customer.billing), fields = customer.fields || excluded.fields
    returning id,
      md5(
        concat_ws(
          '|', name, group_name, language, currency, country, terms, tax_number, salesperson, billing, fields
        )
      ) state`,
    given,
  )

export const addBillingContact = (given: { customerId: number; name: string; email: string }) =>
  run(
    `insert into contact (customer_id, name, email, role)
    select $customerId, $name, $email, 'billing'
    where not exists (select from contact where customer_id = $customerId and lower(email) = lower($email))`,
    given,
  )

export const raiseCustomerVersion = (id: number) =>
  run('update customer set version = version + 1 where id = $id', { id })

/** What an import may change of an item. */
const itemState = `concat_ws(
    '|', names, unit, trim_scale(price), tax_code, gtin, trim_scale(weight), size, commodity_code, origin, place,
    category, fields, options
  )`

export const lockImportItem = (code: string | undefined) =>
  one<{ state: string }>(`select ${itemState} state from item where code = $code for update`, { code })

/** An item as a file gives it; what it does not give stays, or is empty. */
export const upsertItem = (given: {
  code: string | undefined
  names: Partial<Record<Language, string>>
  unit: string | null
  price: string | undefined
  taxCode: string | undefined
  gtin: string | null
  weight: string | null
  size: string | null
  commodityCode: string | null
  origin: string | null
  place: string | null
  category: string | null
  options: ItemOption[] | null
  fields: string
}) =>
  one<{ state: string }>(
    `insert into item (
      code, names, unit, price, tax_code, gtin, weight, size, commodity_code, origin, place, category, fields,
      options
    )
    values (
      $code, $names::jsonb, coalesce($unit, ''), $price, $taxCode, coalesce($gtin, ''), $weight::numeric,
      coalesce($size, ''), coalesce($commodityCode, ''), coalesce($origin, ''), coalesce($place, ''),
      coalesce($category, ''), $fields::jsonb, coalesce($options::jsonb, '[]')
    )
    on conflict (code) do update
    set names = item.names || excluded.names, unit = coalesce($unit, item.unit), price = excluded.price,
      tax_code = excluded.tax_code, gtin = coalesce($gtin, item.gtin),
      weight = coalesce($weight::numeric, item.weight), size = coalesce($size, item.size),
      commodity_code = coalesce($commodityCode, item.commodity_code), origin = coalesce($origin, item.origin),
      place = coalesce($place, item.place), category = coalesce($category, item.category),
      options = coalesce($options::jsonb, item.options),
      fields = item.fields || excluded.fields
    returning ${itemState} state`,
    { ...given, names: json(given.names), options: given.options && json(given.options) },
  )

export const raiseItemVersion = (code: string) =>
  run('update item set version = version + 1 where code = $code', { code })

export const ratesGiven = (
  given: readonly { currency: string; day: string; rate: string; source: string }[],
) =>
  rows<{ key: string; rate: string; source: string }>(
    `select r.currency || ' ' || r.day key, r.rate::text rate, r.source
    from exchange_rate r
    join jsonb_to_recordset($given::jsonb) as g (currency text, day date)
      on g.currency = r.currency
      and g.day = r.day`,
    { given: json(given) },
  )

export const paymentWithKey = (key: string) =>
  one('select id from payment where external_key = $key', { key })

export const documentToPay = (number: string) =>
  one<{ id: number; customerId: number; open: string; currency: string }>(
    `select d.id, d.customer_id "customerId", i.open::text open, i.currency
    from document d
    join open_item i on i.document_id = d.id
    where d.number = $number
    order by d.kind <> 'invoice', d.id
    limit 1`,
    { number },
  )

export const keepPaymentKey = (id: number, key: string) =>
  run('update payment set external_key = $key where id = $id', { id, key })

export const ordersByNumber = (numbers: readonly string[]) =>
  rows<{
    number: string
    id: number
    version: number
    status: string
    customer: string
    date: string
    brand: string
    reference: string | null
    note: string | null
    internalNote: string
    branchId: number | null
    fields: Record<string, string>
    delivery: Address | null
    adjustments: Adjustment[]
    lines: LineEdit[]
  }>(
    `select o.number, o.id, o.version, o.status, c.number customer, o.date::text "date", b.code brand,
      o.reference, o.customer_note note, o.internal_note "internalNote",
      o.branch_id "branchId", o.fields, o.delivery, o.adjustments,
      (
        select coalesce(
          jsonb_agg(
            jsonb_build_object(
              'item', l.item_code, 'description', l.description, 'detail', l.detail, 'unit', l.unit,
              'quantity', trim_scale(l.quantity)::text, 'unitPrice', trim_scale(l.unit_price)::text,
              'discountPercent', trim_scale(l.discount_percent)::text, 'taxCode', l.tax_code, 'fields', l.fields
            ) order by l.position
          ),
          '[]'
        )
        from order_line l
        where l.order_id = o.id
      ) lines
    from sales_order o
    join customer c on c.id = o.customer_id
    join brand b on b.id = o.brand_id
    where o.number = any($numbers::text[])`,
    { numbers },
  )
