import type { ChannelName } from '../../../core/dispatch/channels'
import { byWorker } from '../../db/by-worker'
import { rows, run } from '../../db/connection'
import { stopOfDispatch } from './stopped-queries'

/* The statements of send.ts. */

export interface DueDispatch {
  id: number
  channel: ChannelName
  despite: boolean
  /** The address that gets everything while the house rehearses. */
  rehearsal: string | null
}

export const lockDue = (ids: readonly number[], now: Date) =>
  rows<DueDispatch>(
    `select id, channel, despite,
      (select rehearsal_address from company where rehearsal_since is not null) rehearsal
    from dispatch
    where id = any($ids::int[]) and state = 'waiting' and ${byWorker('channel')} and ready and not held
      and gather_key is null and next_try_at <= $now
      and not exists (select from company where paused_at is not null)
    order by id
    for update`,
    { ids, now },
  )

export const voidedAmong = (ids: readonly number[]) =>
  rows<{ dispatchId: number; documentId: number }>(
    `select dd.dispatch_id "dispatchId", v.document_id "documentId"
    from document_void v
    join dispatch_document dd on dd.document_id = v.document_id
    where dd.dispatch_id = any($ids::int[])`,
    { ids },
  )

export const claimable = (ids: readonly number[]) =>
  rows<{ id: number; stopped: string | null; despite: boolean }>(
    `select s.id, s.despite, ${stopOfDispatch('s')} stopped
    from dispatch s
    where s.id = any($ids::int[]) and s.state = 'waiting'
    order by s.id`,
    { ids },
  )

export const holdForOrder = (ids: readonly number[]) =>
  run(`update dispatch set held = true, held_for = 'order' where id = any($ids::int[])`, { ids })
