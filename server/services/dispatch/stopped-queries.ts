import type { DocumentKind } from '../../../core/documents/kinds'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import { rows, one, run } from '../../db/connection'

/* The statements of stopped.ts. */

const waitingKinds = documentKinds
  .filter((kind) => kindFacts[kind].waitsWithOrder)
  .map((kind) => `'${kind}'`)
  .join(', ')

/** SQL: orders by their ids, $orderIds, with their parts. */
const ofOrders = 'select id from source where root_id = any($orderIds::int[])'

/** SQL: the status that holds back a prepared or issued document `alias`, null when none does. */
export const stopOf = (alias: string): string => `(
    select ss.status
    from stopped_source ss
    where ss.source_id = ${alias}.source_id and ${alias}.kind in (${waitingKinds})
  )`

/** SQL: the first status that holds back a document of dispatch `alias`, null when none does. */
export const stopOfDispatch = (
  alias: string,
): string => `(select min(ss.status) from dispatch_document sd join document sdd on sdd.id = sd.document_id
      join stopped_source ss on ss.source_id = sdd.source_id
    where sd.dispatch_id = ${alias}.id and sdd.kind in (${waitingKinds}))`

export const holdBackPrepared = (orderIds: readonly number[]) =>
  rows<{ id: number; sourceId: number; kind: DocumentKind }>(
    `update prepared_document set automatic = false, once_complete = replace(once_complete, 'go', 'check')
    where source_id in (${ofOrders}) and state = 'prepared' and (automatic or once_complete = 'go')
      and kind in (${waitingKinds})
    returning id, source_id "sourceId", kind`,
    { orderIds },
  )

export const holdBackDispatches = (orderIds: readonly number[]) =>
  rows<{ id: number; channel: string }>(
    `update dispatch set held = true, held_for = 'order', despite = false
    where state = 'waiting' and not held and id in (
      select dd.dispatch_id from dispatch_document dd join document d on d.id = dd.document_id
      where d.source_id in (${ofOrders}) and d.kind in (${waitingKinds}))
    returning id, channel`,
    { orderIds },
  )

export const countUnheld = (orderIds: readonly number[]) =>
  one<{ toCheck: number; gone: number; labels: number }>(
    `select
    (
      select count(*)::int
      from prepared_document
      where source_id in (${ofOrders}) and state = 'prepared' and kind in (${waitingKinds})
    ) "toCheck",
    (
      select count(distinct d.id)::int
      from document d
      join dispatch_document dd on dd.document_id = d.id
      join dispatch s on s.id = dd.dispatch_id
      where d.source_id in (${ofOrders})
        and d.kind in (${waitingKinds})
        and not s.is_copy
        and s.state in ('claimed', 'handing over', 'on the way', 'arrived')
    ) gone,
    (
      select count(*)::int
      from label l
      join shipment g on g.id = l.source_id
      where l.source_id in (${ofOrders}) and l.state = 'made' and l.way = 'announced'
    ) labels`,
    { orderIds },
  )

export const letBackDispatches = (orderIds: readonly number[], letGo: boolean) =>
  rows<{ id: number; channel: string; ready: boolean; nextTryAt: Date }>(
    `update dispatch s set held = not $letGo::boolean, held_for = null
    where s.held_for = 'order' and s.state = 'waiting' and s.id in (
      select dd.dispatch_id from dispatch_document dd join document d on d.id = dd.document_id
      where d.source_id in (${ofOrders}))
      and ${stopOfDispatch('s')} is null
    returning s.id, s.channel, s.ready, s.next_try_at "nextTryAt"`,
    { orderIds, letGo },
  )

export const countToCheck = (orderIds: readonly number[]) =>
  one<{ toCheck: number }>(
    `select count(*)::int "toCheck"
    from prepared_document
    where source_id in (${ofOrders}) and state = 'prepared' and kind in (${waitingKinds})`,
    { orderIds },
  )

export const holdBackAllPrepared = () =>
  run(
    `update prepared_document p
    set automatic = false, once_complete = replace(once_complete, 'go', 'check')
    where p.state = 'prepared' and (p.automatic or p.once_complete = 'go') and ${stopOf('p')} is not null`,
  )

export const holdBackAllDispatches = () =>
  rows<{ id: number }>(
    `update dispatch s
    set held = true, held_for = 'order'
    where s.state = 'waiting' and not s.held and not s.despite and ${stopOfDispatch('s')} is not null
    returning s.id`,
  )

export const letBackNoLongerStopped = () =>
  rows<{ id: number }>(
    `update dispatch s set held_for = null where s.held_for = 'order' and s.state = 'waiting'
    and ${stopOfDispatch('s')} is null returning s.id`,
  )
