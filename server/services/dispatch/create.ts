import { randomUUID } from 'node:crypto'
import type { ContactRole } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { config } from '../../config'
import { one, rows, run } from '../../db/connection'
import { Dispatch, DispatchDocument } from '../../db/models'
import { addJobs } from '../../queue/add'
import { note, noteAll } from '../history/history'

export interface NewDispatch {
  channel: 'email' | 'paper'
  documentId: number
  number: string
  customerId: number
  customerName: string
  brandId: number
  role: ContactRole
  emailTextId: number
  total: string
  currency: string
  /** For lists only; who really gets it is looked up at the moment of sending. */
  sendTo: string
  /** Set when a person named other recipients for this one sending. */
  toAddresses: string[] | null
  /** Addresses that get a copy. */
  copyTo: readonly string[]
  isCopy: boolean
  /** Whether the PDF is already stored. */
  ready: boolean
  notBefore: Date
  actor: string
  /** Somebody read that its order is held or withdrawn, and sends it all the same. */
  despite?: boolean
  /** What documents are gathered by that go in this email; it goes once the gathering is closed. */
  gatherKey?: string | null
}

/**
 * Puts dispatches into the outbox, in the transaction of what they are about. Their Message-IDs are fixed here,
 * before any try, and kept on every retry, so that a receiver can tell a repeated mail (RFC 5322 section 3.6.4).
 * @returns their ids, in the order given
 */
export async function newDispatches(wanted: readonly NewDispatch[]): Promise<number[]> {
  if (wanted.length === 0) return []
  const now = clock.now()
  const made = await Dispatch.bulkCreate(
    wanted.map((one) => ({
      channel: one.channel,
      state: 'waiting' as const,
      customerId: one.customerId,
      customerName: one.customerName,
      brandId: one.brandId,
      emailTextId: one.emailTextId,
      toRole: one.role,
      toAddresses: one.toAddresses ?? null,
      isCopy: one.isCopy,
      number: one.number,
      total: one.total,
      currency: one.currency,
      sendTo: one.sendTo,
      createdAt: now,
      createdBy: one.actor,
      ready: one.ready,
      notBefore: one.notBefore,
      nextTryAt: one.notBefore,
      messageId: `<${randomUUID()}@${config.returnDomain}>`,
      since: now,
      copyTo: [...one.copyTo],
      despite: one.despite ?? false,
      gatherKey: one.gatherKey ?? null,
    })),
    { returning: ['id'] },
  )
  const ids = made.map(({ id }) => id)
  await DispatchDocument.bulkCreate(
    wanted.map((one, index) => ({ dispatchId: ids[index]!, documentId: one.documentId })),
  )
  await run('delete from undelivered where document_id = any($1::int[])', [
    wanted.map((one) => one.documentId),
  ])
  await noteAll(
    wanted.flatMap((one, index) =>
      one.isCopy
        ? {
            documentId: one.documentId,
            dispatchId: ids[index]!,
            actor: one.actor,
            words: `A copy is to go to ${one.sendTo}.`,
          }
        : [],
    ),
  )
  return ids
}

/** One dispatch. */
export const newDispatch = async (wanted: NewDispatch): Promise<number> => (await newDispatches([wanted]))[0]!

/** The email that still gathers what is alike, locked; undefined where there is none yet. */
export async function gatheringDispatch(gatherKey: string): Promise<number | undefined> {
  return (
    await one<{ id: number }>(
      `select id from dispatch where gather_key = $1 and state = 'waiting' for update`,
      [gatherKey],
    )
  )?.id
}

/** Puts one more document into an email that still gathers. */
export async function addToDispatch(dispatchId: number, documentId: number): Promise<void> {
  await DispatchDocument.create({ dispatchId, documentId })
  await run('update dispatch set ready = false where id = $1', [dispatchId])
  await describeDispatch(dispatchId)
}

/** Writes what lists show of an email: its first number and how many more, and the sum of its documents. */
export async function describeDispatch(dispatchId: number): Promise<void> {
  await run(
    `update dispatch s
    set total = c.total,
      number = c.first || case when c.documents > 1 then ' +' || (c.documents - 1) else '' end
    from (
      select sum(d.total) total, count(*) documents, (array_agg(d.number order by d.id))[1] first
      from dispatch_document dd
      join document d on d.id = dd.document_id
      where dd.dispatch_id = $1
    ) c
    where s.id = $1 and c.documents > 0`,
    [dispatchId],
  )
}

/** Ends a gathering: its emails take no more documents, and those that are ready go. */
export async function closeGathering(gatherAs: string): Promise<void> {
  const closed = await rows<{ id: number; ready: boolean; notBefore: Date }>(
    `update dispatch set gather_key = null where gather_key like $1 || ' %'
    returning id, ready, not_before "notBefore"`,
    [gatherAs],
  )
  await addJobs(
    'send-dispatches',
    closed.filter((one) => one.ready && one.notBefore <= clock.now()).map((one) => one.id),
    10,
    (dispatchIds) => ({ dispatchIds }),
  )
}

/**
 * Takes a document that was voided out of an email or print job that has not left. What is left of it goes
 * on; with nothing left it is closed.
 * In the caller's transaction, with the dispatch locked.
 */
export async function takeOut(dispatchId: number, documentId: number, actor: string): Promise<void> {
  const others = await one(
    'select document_id from dispatch_document where dispatch_id = $1 and document_id <> $2 limit 1',
    [dispatchId, documentId],
  )
  if (!others) {
    await run(
      `update dispatch set state = 'closed', since = $2, held = false, held_for = null where id = $1`,
      [dispatchId, clock.now()],
    )
    return
  }
  await run('delete from dispatch_document where dispatch_id = $1 and document_id = $2', [
    dispatchId,
    documentId,
  ])
  await describeDispatch(dispatchId)
  await note({ documentId, dispatchId }, actor, 'The voided document was taken out; the others go.')
  const ready = await one<{ channel: string }>(
    `update dispatch
    set ready = true
    where id = $1
      and not ready
      and not exists (
        select
        from dispatch_document dd
        join unpainted u on u.document_id = dd.document_id
        where dd.dispatch_id = dispatch.id
      )
    returning channel`,
    [dispatchId],
  )
  if (ready?.channel === 'email')
    await addJobs('send-dispatches', [dispatchId], 1, (dispatchIds) => ({ dispatchIds }))
}
