import { type SendQuestion, planSending } from '../../../core/dispatch/plan'
import { noAddress, notSent } from '../../../core/dispatch/send-to'
import type { DispatchState } from '../../../core/dispatch/states'
import { dayInZone } from '../../../core/documents/days'
import { asWritten } from '../../../core/said/told'
import { clock } from '../../clock'
import { json, rows } from '../../db/connection'
import { stopOf, stopOfDispatch } from '../dispatch/stopped-queries'
import { matchingConditions, preparedColumns } from '../documents/matching-queries'
import { secondLookColumns } from '../documents/second-look-queries'
import { sourceColumns, sourceJoins } from '../documents/sources'
import { company } from '../house/house'
import { type Listed, keyset, paged, type Sort } from '../keyset'
import { theHouse, type Principal } from '../people/principal'
import type { LineFilter, LineRow, LineGroup } from './list'

/* The statements of list.ts. */

/** One page of a stage. */
export async function lineList(
  filter: LineFilter,
  who = theHouse,
): Promise<
  Listed<LineRow> & {
    groups: LineGroup[]
    matching: number
    sendable: number
    sums: { currency: string; sum: string }[]
  }
> {
  const parts =
    filter.stage === 'to send' || filter.stage === 'to check'
      ? paperQuery(filter, who)
      : await dispatchQuery(filter, who)
  const parameters = [...parts.parameters]
  const { where, order } = keyset(parts.sort, 'x.id', filter.after, parameters)
  const found = await rows<LineRow & { sortKey: string; stale: boolean }>(
    `select x.*, (${parts.sort.key})::text "sortKey"
    from (${parts.sql}) x
    where ${where}
    order by ${order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  const page = paged(
    found.map(({ stale: _, ...row }) => row),
    filter.limit,
  )
  const sums = await rows<{ currency: string; sum: string; count: number }>(
    `select x.currency, sum(x.total::numeric)::text sum, count(*)::int count
    from (${parts.sql}) x
    group by 1
    order by 1`,
    parts.parameters,
  )
  const groups =
    filter.stage === 'to check'
      ? await rows<LineGroup>(
          `select x."routineId", x."routineName" name, count(*)::int count from (${parts.sql}) x group by 1, 2`,
          parts.parameters,
        )
      : filter.stage === 'stuck'
        ? await rows<LineGroup>(
            `select null::int "routineId", x.cause name, count(*)::int count from (${parts.sql}) x group by 2`,
            parts.parameters,
          )
        : []
  const sendable = filter.stage === 'to check' ? await sendableOf(parts, who) : 0
  return {
    ...page,
    groups,
    sendable,
    matching: sums.reduce((total, row) => total + row.count, 0),
    sums: sums.map(({ currency, sum }) => ({ currency, sum })),
  }
}

/** SQL: that there is something, where what it says does not matter. */
const some = `'${json(asWritten(''))}'::jsonb`

/** How many of To check would go: what decides is gathered into groups, and the one rule judges each group. */
async function sendableOf(parts: Query, who: Principal): Promise<number> {
  const groups = await rows<Omit<SendQuestion, 'orderNumber' | 'customerName'> & { count: number }>(
    `select x.kind, x.channel, x."sendTo" <> $${parts.parameters.length + 1} "hasAddress",
      case when x.problem is not null then ${some} end problem, x.changed or x.stale changed, x.stopped,
      case when x."secondLook" is not null then ${some} end "secondLook",
      case when x.asked is not null then jsonb_build_object('id', x.asked -> 'id', 'name', '', 'at', '') end asked,
      count(*)::int count
    from (${parts.sql}) x
    group by 1, 2, 3, 4, 5, 6, 7, 8`,
    [...parts.parameters, noAddress],
  )
  return groups
    .filter(
      (group) => planSending({ ...group, orderNumber: '', customerName: '', senderId: who.id ?? null }).goes,
    )
    .reduce((total, group) => total + group.count, 0)
}

interface Query {
  sql: string
  parameters: unknown[]
  sort: Sort
}

function paperQuery(filter: LineFilter, who: Principal): Query {
  const parameters: unknown[] = []
  const toCheck = filter.stage === 'to check'
  const rest = matchingConditions(filter, parameters, preparedColumns, who)
  const states = toCheck ? `p.state = 'prepared' and not p.automatic` : `p.state in ('due', 'put back')`
  let sql = `
    select p.id, 'paper' "of", p.kind,
      coalesce(nullif(p.order_number, ''), so.label) number, p.order_number "orderNumber", ${sourceColumns},
      null::int "documentId", p.customer_id "customerId", p.customer_name "customerName", p.send_to "sendTo",
      p.total::text total, p.currency, p.since, p.channel, p.routine_id "routineId", r.name "routineName",
      p.revision, p.changes is not null changed, p.problem, p.state, null "cause",
      null "badAddress", null reply, null::timestamptz "nextTryAt", null how, 1 documents,
      false held, ${stopOf('p')} stopped, p.kept_back "keptBack", p.stale,
      p.problem is not null and p.source #> '{order,lines}' = '[]' unwritten,
      p.once_complete is not null "untilComplete", ${secondLookColumns('p')}
    from prepared_document p
    ${sourceJoins('p')}
    left join routine r on r.id = p.routine_id
    where ${states}${rest}`
  if (!toCheck) {
    const others = matchingConditions(
      filter,
      parameters,
      {
        kind: 'd.kind',
        total: 'd.total',
        text: ['d.number', 'd.order_number', 'd.customer_name'],
        brand: 'd.brand_id',
      },
      who,
    )
    sql += `
      union all
      select d.id, 'document', d.kind, d.number, d.order_number, ${sourceColumns}, d.id,
        d.customer_id, d.customer_name, '${notSent}', d.total::text, d.currency, u.since, 'email', u.routine_id,
        (select r.name from routine r where r.id = u.routine_id), null, false, null::jsonb, 'issued', null,
        null, null, null, null, 1, false, ${stopOf('d')}, false, false, false, false,
        null::jsonb, null
      from undelivered u
      join document d on d.id = u.document_id
      ${sourceJoins('d')}
      where true${others}`
  }
  return {
    sql,
    parameters,
    sort: toCheck
      ? {
          key: `
            lpad(coalesce(x."routineId", 0)::text, 9, '0')
              || to_char(x.since at time zone 'UTC', 'YYYYMMDDHH24MISSUS')`,
          type: 'text',
          descending: false,
        }
      : { key: 'x.since', type: 'timestamptz', descending: false },
  }
}

/** The numbers of all documents in a dispatch, for the search. */
const numbersOf = `(
    select string_agg(n.number, ' ')
    from dispatch_document nd
    join document n on n.id = nd.document_id
    where nd.dispatch_id = s.id
  )`

async function dispatchQuery(filter: LineFilter, who: Principal): Promise<Query> {
  const parameters: unknown[] = []
  const states: Record<string, DispatchState[]> = {
    waiting: ['waiting', 'claimed', 'handing over'],
    'on the way': ['on the way'],
    arrived: ['arrived'],
    stuck: ['stuck'],
  }
  let condition = `s.state in (${states[filter.stage]!.map((state) => `'${state}'`).join(', ')})`
  if (filter.stage === 'arrived') {
    const { timeZone } = await company()
    parameters.push(dayInZone(clock.now(), timeZone), timeZone)
    condition += ' and s.arrived_at >= ($1::date::timestamp at time zone $2)'
  }
  const rest = matchingConditions(
    filter,
    parameters,
    {
      kind: 'd.kind',
      total: 's.total',
      text: [numbersOf, 's.customer_name', 's.send_to'],
      brand: 's.brand_id',
    },
    who,
  )
  const sql = `
    select s.id, 'dispatch' "of", d.kind, s.number, d.order_number "orderNumber", ${sourceColumns},
      d.id "documentId", s.customer_id "customerId",
      s.customer_name "customerName", s.send_to "sendTo", s.total::text total, s.currency, s.since, s.channel,
      null::int "routineId", null "routineName", null::int revision, false changed, null problem, s.state,
      s.stuck_cause "cause",
      (
        select r.address
        from dispatch_recipient r
        where r.dispatch_id = s.id and r.outcome in ('bounced', 'refused')
        order by r.at desc
        limit 1
      ) "badAddress",
      s.last_reply reply, s.next_try_at "nextTryAt", s.arrived_how how,
      (select count(*)::int from dispatch_document c where c.dispatch_id = s.id) documents, s.held,
      ${stopOfDispatch('s')} stopped, false "keptBack", false unwritten, false stale,
      false "untilComplete", null "secondLook", null::jsonb asked
    from dispatch s
    join lateral (
      select document_id from dispatch_document dd where dd.dispatch_id = s.id order by document_id limit 1
    ) f
      on true
    join document d on d.id = f.document_id
    ${sourceJoins('d')}
    where ${condition}${rest}`
  const newestFirst = filter.stage === 'arrived' || filter.stage === 'on the way'
  if (filter.stage === 'stuck')
    return {
      sql,
      parameters,
      sort: {
        key: `x.cause || to_char(x.since at time zone 'UTC', 'YYYYMMDDHH24MISSUS')`,
        type: 'text',
        descending: false,
      },
    }
  return { sql, parameters, sort: { key: 'x.since', type: 'timestamptz', descending: newestFirst } }
}
