import { one, rows } from '../../db/connection'
import { keyset, likeText, paged, type Listed, type Sort } from '../keyset'
import { within } from '../people/brand-queries'
import { theHouse, type Principal } from '../people/principal'
import type { ShipmentFilter, ShipmentSort } from './list'
import type { ShipmentRow } from './shipments'

/* The statements of list.ts. */

const sorts: Record<ShipmentSort, Pick<Sort, 'key' | 'type'>> = {
  day: { key: 's.day', type: 'date' },
  label: { key: 's.label', type: 'text' },
  customer: { key: 'c.name', type: 'text' },
  service: { key: 's.service', type: 'text' },
}

function conditions(filter: ShipmentFilter, parameters: unknown[], who: Principal): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [within(who, 's.brand_id')]
  if (filter.search?.trim()) {
    const wanted = bind(likeText(filter.search))
    found.push(`lower(s.label || ' ' || c.name || ' ' || s.service) like ${wanted}`)
  }
  if (filter.state) found.push(`s.state = ${bind(filter.state)}`)
  if (filter.brand) found.push(`b.code = ${bind(filter.brand)}`)
  if (filter.labels === 'missing') found.push(lacksLabels)
  if (filter.from) found.push(`s.day >= ${bind(filter.from)}::date`)
  return found.join(' and ')
}

/** Some parcel has no label, and it goes by a carrier that labels are bought of. */
const lacksLabels = `s.state = 'packed' and exists (select from carrier)
    and exists (
      select from parcel p
      where p.source_id = s.id and not exists (
        select from label l
        where l.parcel_id = p.id and l.state in ('asked', 'booking', 'unclear', 'made', 'cancelling')
      )
    )
    and (
      s.service = ''
      or exists (
        select
        from carrier k, jsonb_to_recordset(k.services) as v (code text, name text)
        where lower(s.service) in (lower(v.code), lower(v.name), lower(k.name || ', ' || v.name))
      )
    )`

const tables = 'shipment s join customer c on c.id = s.customer_id join brand b on b.id = s.brand_id'

/** One page of shipments, with the count of all that match. */
export async function listShipments(
  filter: ShipmentFilter,
  who = theHouse,
): Promise<Listed<ShipmentRow> & { matching: number }> {
  const parameters: unknown[] = []
  const where = conditions(filter, parameters, who)
  const { matching } = (await one<{ matching: number }>(
    `select count(*)::int matching from ${tables} where ${where}`,
    parameters,
  ))!
  const page = keyset(
    { ...sorts[filter.sort], descending: filter.descending },
    's.id',
    filter.after,
    parameters,
  )
  const found = await rows<ShipmentRow & { sortKey: string }>(
    `select s.id, s.label, s.number, s.state, s.day::text "day", s.service, o.id "orderId",
      o.number "orderNumber", c.name "customerName", b.code brand,
      (select count(*)::int from parcel p where p.source_id = s.id) parcels,
      (
        select case when count(p.weight) = count(*) then trim_scale(sum(p.weight))::text end
        from parcel p
        where p.source_id = s.id
      ) weight,
      (
        select count(*)::int
        from label l
        join parcel p on p.id = l.parcel_id
        where p.source_id = s.id and l.state = 'made'
      ) labels,
      (${sorts[filter.sort].key})::text "sortKey"
    from ${tables}
    join sales_order o on o.id = s.order_id
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return { ...paged(found, filter.limit), matching }
}
