import { rows } from '../../db/connection'
import type { VariantView } from './variants'

/* The statements of variants.ts. */

/** SQL: whether preferences give a variant `v`, with its text or its design. */
const gives = (preferences: string) =>
  `exists (
    select
    from jsonb_each(${preferences}) wish
    where v.id in ((wish.value ->> 'text')::int, (wish.value ->> 'design')::int)
  )`

/** SQL: how many of a table are in force of a variant `v`, told apart by some columns. */
const having = (table: 'design' | 'email_text', by: string) =>
  `(
    select count(*)::int
    from (
      select distinct on (${by}) given_up
      from ${table}
      where variant_id = v.id
      order by ${by}, version desc
    ) own
    where not own.given_up
  )`

export const variantRows = () =>
  rows<VariantView>(
    `select v.id, v.name, v.retired, v.version,
      (select count(*)::int from customer c where ${gives('c.preferences')}) customers,
      coalesce(
        (select jsonb_agg(g.name order by g.name) from customer_group g where ${gives('g.preferences')}), '[]'
      ) groups,
      (select ${gives('h.preferences')} from company h) everybody,
      ${having('email_text', 'brand_id, kind, purpose, language')} texts,
      ${having('design', 'brand_id, kind')} designs
    from variant v
    order by v.retired, v.name, v.id`,
  )
