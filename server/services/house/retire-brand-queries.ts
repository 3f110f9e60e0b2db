import { one } from '../../db/connection'
import type { BrandUses } from './retire-brand'

/* The statements of retire-brand.ts. */

export const usesOfBrand = (brandId: number) =>
  one<BrandUses>(
    `select
      (
        select count(*)::int
        from sales_order o
        where o.brand_id = b.id and not (select withdrawn_statuses ? o.status from company)
          and not exists (select from claim c where c.source_id = o.id and c.document_kind = 'invoice')
      ) "openOrders",
      (
        select count(*)::int
        from prepared_document p
        where p.brand_id = b.id and p.state in ('due', 'prepared', 'put back')
      ) waiting,
      (
        select coalesce(jsonb_agg(r.name order by r.name), '[]')
        from routine r
        where r.is_on
          and exists (
            select from jsonb_array_elements(r.sentence -> 'conditions') c
            where c ->> 'about' = 'brand' and c ->> 'is' = 'one of' and c -> 'values' @> to_jsonb(b.code)
          )
      ) routines,
      (
        select coalesce(jsonb_agg(s.name order by s.name), '[]')
        from staff s
        where s.left_at is null
          and (select jsonb_agg(t.brand_id) from staff_brand t where t.staff_id = s.id) = to_jsonb(array[b.id])
      ) people
    from brand b
    where b.id = $brandId`,
    { brandId },
  )
