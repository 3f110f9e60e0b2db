import { rows } from '../../db/connection'
import type { Known } from './references'

/* The statements of imports that have no file of their own. */

export const customersByNumber = (numbers: readonly string[]) =>
  rows<{ number: string } & (Known['customers'] extends Map<string, infer C> ? C : never)>(
    `select number, id, name, currency, prices_include_tax "pricesIncludeTax", salesperson,
      coalesce(language, 'en') language, billing is not null "hasAddress"
    from customer
    where number = any($numbers::text[])`,
    { numbers },
  )

export const documentsByNumber = (numbers: readonly string[]) =>
  rows<{ id: number; number: string; customerId: number; open: string; currency: string }>(
    `select d.id, d.number, d.customer_id "customerId", i.open::text open, i.currency
    from document d
    join open_item i on i.document_id = d.id
    where d.number = any($numbers::text[])`,
    { numbers },
  )

export const itemsByCode = (codes: readonly string[]) =>
  rows<{
    code: string
    names: Record<string, string>
    unit: string
    price: string
    taxCode: string
  }>(
    `select code, names, unit, trim_scale(price)::text price, tax_code "taxCode"
    from item
    where code = any($codes::text[])`,
    { codes },
  )

export const openBranches = () =>
  rows<{ id: number; name: string; brand: string }>(
    `select r.id, r.name, b.code brand
    from branch r
    join brand b on b.id = r.brand_id
    where r.closed_at is null`,
  )

export const brandsByCode = () =>
  rows<{ code: string; id: number; pricesIncludeTax: boolean }>(
    'select code, id, prices_include_tax "pricesIncludeTax" from brand where retired_at is null order by id',
  )
