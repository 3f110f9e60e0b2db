import { json, rows } from '../../db/connection'

/* The statements of item-codes.ts. */

/** What items are called by customers and by their bar codes; '' where they are not. */
export const codesOfItems = (pairs: readonly { customerId: number; item: string }[]) =>
  rows<{ customerId: number; item: string; customer: string; gtin: string }>(
    `select distinct p."customerId", p.item, coalesce(k.code, '') customer, i.gtin
    from jsonb_to_recordset($pairs::jsonb) as p ("customerId" int, item text)
    join item i on i.code = p.item
    left join item_customer_code k on k.item_id = i.id and k.customer_id = p."customerId"`,
    { pairs: json(pairs) },
  )
