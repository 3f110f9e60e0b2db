import type { DigestRule } from '../../../core/dispatch/digest'
import { provokedDomain } from '../../../core/dispatch/provoked'
import type { DocumentKind } from '../../../core/documents/kinds'
import { one, rows, run } from '../../db/connection'

/* The statements of digest.ts. */

export const digestRule = () =>
  one<{ digest: DigestRule | null; digestUntil: Date | null }>(
    'select digest, digest_until "digestUntil" from company',
  )

/** What went until now is told. */
export const keepToldUntil = (now: Date) => run('update company set digest_until = $now', { now })

export interface WentRow {
  id: number
  number: string
  kind: DocumentKind
  customer: string
  total: string
  currency: string
  to: string
  at: Date
  isCopy: boolean
  /** How many went in all. */
  whole: number
}

/** Documents that left in a span, by email or as letters, the earliest first. @param given.kinds none for all */
export const wentBetween = (given: {
  after: Date
  until: Date
  kinds: readonly DocumentKind[]
  most: number
}) =>
  rows<WentRow>(
    `select d.id, d.number, d.kind, d.customer_name customer, d.total::text total, d.currency,
      case when s.channel = 'email' then s.send_to else '' end "to", g.at "at", s.is_copy "isCopy",
      count(*) over ()::int whole
    from dispatch s
    cross join lateral (
      values (case when s.channel = 'email' then s.handed_over_at when s.state = 'arrived' then s.arrived_at end)
    ) g (at)
    join dispatch_document x on x.dispatch_id = s.id
    join document d on d.id = x.document_id
    where g.at >= $after and g.at < $until
      and s.send_to not like '%@${provokedDomain}'
      and ($kinds::text[] = '{}' or d.kind = any($kinds::text[]))
    order by g.at, d.id
    limit $most`,
    given,
  )
