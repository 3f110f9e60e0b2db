import type { FieldSubject } from '../../../core/fields/own-fields'
import { one, rows } from '../../db/connection'

/* The statements of own fields. */

const tableOf: Record<FieldSubject, string> = {
  order: 'sales_order',
  line: 'order_line',
  item: 'item',
  customer: 'customer',
}

/** How many have something in a field, and the first routine and email text in force that name it. */
export const usesOfField = async (of: FieldSubject, name: string) =>
  (await one<{ filled: number; routine: string | null; text: string | null }>(
    `select (
        select count(*)::int
        from (
          select fields from ${tableOf[of]}
          union all
          select l -> 'fields'
          from draft
          cross join jsonb_array_elements(facts -> 'lines') l
          where $of = 'line' and state = 'open'
        ) x
        where coalesce(x.fields ->> $name, '') <> ''
      ) filled,
      (
        select r.name
        from routine r
        where $of = 'order' and exists (
          select
          from jsonb_array_elements(r.sentence -> 'conditions') c
          where c ->> 'about' = 'field' and c ->> 'field' = $name
        )
        order by r.id
        limit 1
      ) routine, (
        select b.name || ', ' || n.kind
        from (
          select distinct on (brand_id, kind, purpose, language, variant_id) *
          from email_text
          order by brand_id, kind, purpose, language, variant_id, version desc
        ) n
        join brand b on b.id = n.brand_id
        where not n.given_up and exists (
          select
          from jsonb_path_query(jsonb_build_array(n.subject, n.text), '$.**.attrs') a
          where $of || '.' || $name in (a ->> 'name', a ->> 'field')
        )
        order by n.id
        limit 1
      ) text`,
    { of, name },
  ))!

/** How many have a word of a choice. */
export const havingChoice = async (of: FieldSubject, name: string, choice: string) =>
  (await one<{ filled: number }>(
    `select count(*)::int filled from ${tableOf[of]} where fields ->> $name = $choice`,
    { name, choice },
  ))!

/** How many have something in each field that is filled anywhere. */
export const filledCounts = () =>
  rows<{ of: FieldSubject; name: string; filled: number }>(
    Object.entries(tableOf)
      .map(
        ([of, table]) => `select '${of}' of, f.key name, count(*)::int filled
    from ${table}
    cross join jsonb_each_text(fields) f
    where f.value <> ''
    group by f.key`,
      )
      .join('\n    union all\n    '),
  )

/** A customer whose invoices wait for a field of orders. */
export const customerThatNeeds = (field: string) =>
  one<{ name: string }>(`select name from customer where needs -> 'fields' ? $field order by name limit 1`, {
    field,
  })
