import { randomUUID } from 'node:crypto'
import type { ContactRole } from '../../../core/wishes/recipients'
import { clock } from '../../clock'
import { config } from '../../config'
import { json, one, run } from '../../db/connection'
import { note } from '../trail/trail'

export interface NewDispatch {
  channel: 'email' | 'paper'
  documentId: number
  number: string
  customerId: number
  customerName: string
  brandId: number
  role: ContactRole
  coverNoteId: number
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
}

/**
 * Puts one dispatch into the outbox, in the transaction of what it is about. Its Message-ID is fixed here, before any try,
 * and kept on every retry, so that a receiver can tell a repeated mail (RFC 5322 section 3.6.4).
 */
export async function newDispatch(wanted: NewDispatch): Promise<number> {
  const now = clock.now()
  const row = await one<{ id: number }>(
    `
    insert into dispatch (channel, state, customer_id, customer_name, brand_id, cover_note_id, to_role, to_addresses, is_copy, number, total, currency, send_to,
      created_at, created_by, ready, not_before, next_try_at, message_id, since, copy_to)
    values ($1, 'waiting', $2, $3, $4, $5, $6, $7::jsonb, $8, $9, $10, $11, $12, $13, $14, $15, $16, $16, $17, $13, $18::jsonb) returning id`,
    [
      wanted.channel,
      wanted.customerId,
      wanted.customerName,
      wanted.brandId,
      wanted.coverNoteId,
      wanted.role,
      wanted.toAddresses ? json(wanted.toAddresses) : null,
      wanted.isCopy,
      wanted.number,
      wanted.total,
      wanted.currency,
      wanted.sendTo,
      now,
      wanted.actor,
      wanted.ready,
      wanted.notBefore,
      `<${randomUUID()}@${config.returnDomain}>`,
      json(wanted.copyTo),
    ],
  )
  const id = row!.id
  await run('insert into dispatch_document (dispatch_id, document_id) values ($1, $2)', [
    id,
    wanted.documentId,
  ])
  await run('delete from undelivered where document_id = $1', [wanted.documentId])
  if (wanted.isCopy)
    await note(
      { documentId: wanted.documentId, dispatchId: id },
      wanted.actor,
      `A copy is to go to ${wanted.sendTo}.`,
    )
  return id
}

/** Puts one more document into an email that has not left its transaction yet. */
export async function addToDispatch(
  dispatchId: number,
  documentId: number,
  total: string,
  number: string,
): Promise<void> {
  await run('insert into dispatch_document (dispatch_id, document_id) values ($1, $2)', [
    dispatchId,
    documentId,
  ])
  await run('update dispatch set total = total + $2::numeric, number = $3 where id = $1', [
    dispatchId,
    total,
    number,
  ])
}
