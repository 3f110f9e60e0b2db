import { json, one } from '../../db/connection'

/* The statements of saved-filters.ts. */

/** Nothing where the page has a filter of that name. */
export const insertFilter = (given: {
  page: string
  name: string
  filters: Record<string, string>
  now: Date
  actor: string
}) =>
  one<{ id: number }>(
    `insert into saved_filter (page, name, filters, made_at, made_by)
    values ($page, $name, $filters::jsonb, $now, $actor)
    on conflict (page, name) do nothing
    returning id`,
    { ...given, filters: json(given.filters) },
  )
