import { likeText } from '../keyset'
import type { Matching } from './send-run'
import { type Principal } from '../people/principal'
import { within } from '../people/brand-queries'

/** The conditions that lists of documents share, as SQL over the given columns; adds to the parameters. */
export function matchingConditions(
  filter: Matching,
  parameters: unknown[],
  columns: { kind: string; total: string; text: string[]; brand: string },
  who: Principal,
): string {
  const conditions = [within(who, columns.brand)]
  const bind = (value: unknown) => `$${parameters.push(value)}`
  if (filter.kind) conditions.push(`${columns.kind} = ${bind(filter.kind)}`)
  if (filter.brand)
    conditions.push(`${columns.brand} = (select id from brand where code = ${bind(filter.brand)})`)
  if (filter.over) conditions.push(`${columns.total} > ${bind(filter.over)}::numeric`)
  if (filter.search?.trim()) {
    const text = bind(likeText(filter.search))
    conditions.push(`(${columns.text.map((column) => `lower(${column}) like ${text}`).join(' or ')})`)
  }
  return conditions.map((condition) => ` and ${condition}`).join('')
}

/** What a filter is about in prepared documents `p`; they are found by what lists call them. */
export const preparedColumns = {
  kind: 'p.kind',
  total: 'p.total',
  text: [
    'p.order_number',
    'p.customer_name',
    'p.send_to',
    '(select s.label from source s where s.id = p.source_id)',
  ],
  brand: 'p.brand_id',
}

/** The condition of all in To check that match, over paper `p`; adds to the parameters. */
export function toCheckMatching(filter: Matching, parameters: unknown[], who: Principal): string {
  const rest = matchingConditions(filter, parameters, preparedColumns, who)
  return `p.state = 'prepared' and not p.automatic${rest}`
}
