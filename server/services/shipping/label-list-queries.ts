import { lateAfterDays } from '../../../core/shipping/tracking'
import type { Cost } from '../../../core/shipping/labels'
import { one, rows } from '../../db/connection'
import { keyset, likeText, paged, type Listed } from '../keyset'
import { within } from '../people/brand-queries'
import { theHouse, type Principal } from '../people/principal'
import type { LabelFilter, LabelList, LabelRow } from './label-list'

/* The statements of label-list.ts. */

const shown: Record<LabelList, string> = {
  problem: `(l.state in ('refused', 'unclear') or l.state = 'asked' and l.tries > 0)`,
  unused: `l.state = 'made' and coalesce(l.way, '') = 'announced' and (
      l.parcel_id is null or not s.stands
      or not s.is_return
        and exists (select from stopped_source ss where ss.source_id = s.id and ss.how = 'withdrawn')
    )`,
  late: `l.state = 'made' and l.way in ('accepted', 'under way', 'held')
    and l.made_at < now() - interval '${lateAfterDays} days'`,
  all: `l.state <> 'closed'`,
}

/** SQL: it costs something by now, as the core's isCharged says it. */
const isCharged = `(not s.is_return or l.way <> 'announced')`

function conditions(
  filter: Omit<LabelFilter, 'after' | 'limit'>,
  parameters: unknown[],
  who: Principal,
): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [within(who, 's.brand_id'), shown[filter.what]]
  if (filter.search?.trim()) {
    const wanted = bind(likeText(filter.search))
    found.push(`lower(s.label || ' ' || l.tracking || ' ' || c.name || ' ' || l.service_name) like ${wanted}`)
  }
  if (filter.brand) found.push(`b.code = ${bind(filter.brand)}`)
  const zone = `(select time_zone from company)`
  if (filter.from) found.push(`(l.asked_at at time zone ${zone})::date >= ${bind(filter.from)}::date`)
  if (filter.to) found.push(`(l.asked_at at time zone ${zone})::date <= ${bind(filter.to)}::date`)
  return found.join(' and ')
}

const tables = `label l
    join consignment s on s.id = l.source_id
    join customer c on c.id = s.customer_id
    join brand b on b.id = s.brand_id`

/** One page of labels, with the count of all that match and what they cost. */
export async function listLabels(
  filter: LabelFilter,
  who = theHouse,
): Promise<Listed<LabelRow> & { matching: number; cost: Cost[] }> {
  const parameters: unknown[] = []
  const where = conditions(filter, parameters, who)
  const { matching, cost } = (await one<{ matching: number; cost: Cost[] }>(
    `select coalesce(sum(n), 0)::int matching,
      coalesce(
        jsonb_agg(jsonb_build_object('amount', amount::text, 'currency', currency) order by currency)
          filter (where currency is not null and amount is not null),
        '[]'
      ) cost
    from (
      select l.currency, count(*) n,
        sum(l.price) filter (where l.state in ('made', 'cancelling') and ${isCharged}) amount
      from ${tables}
      where ${where}
      group by l.currency
    ) sums`,
    parameters,
  ))!
  const page = keyset(
    { key: 'l.asked_at', type: 'timestamptz', descending: true },
    'l.id',
    filter.after,
    parameters,
  )
  const found = await rows<LabelRow & { sortKey: string }>(
    `select l.id, l.source_id "sourceId", s.is_return "isReturn", s.label shipment, o.id "orderId",
      o.number "orderNumber",
      c.name "customerName", b.code brand, l.parcel, l.parcels, l.state, k.name carrier, l.service_name service,
      l.failure, l.reply, trim_scale(l.price)::text price, l.currency, l.tracking, l.tracking_url "trackingUrl",
      l.way, l.way_at "wayAt", l.asked_at "askedAt", l.asked_by "askedBy", l.next_try_at "nextTryAt",
      l.made_at "madeAt", l.asked_at::text "sortKey"
    from ${tables}
    join carrier k on k.id = l.carrier_id
    join sales_order o on o.id = s.order_id
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return { ...paged(found, filter.limit), matching, cost }
}

/** How many labels each list has that a person has to do something about. */
export const labelCounts = (who: Principal) =>
  one<{ problem: number; unused: number; late: number }>(
    `select count(*) filter (where ${shown.problem})::int problem,
      count(*) filter (where ${shown.unused})::int unused,
      count(*) filter (where ${shown.late})::int late
    from label l
    join consignment s on s.id = l.source_id
    where ${within(who, 's.brand_id')}
      and (
        l.state in ('refused', 'unclear', 'asked')
        or l.state = 'made' and l.way not in ('delivered', 'sent back')
      )`,
  )
