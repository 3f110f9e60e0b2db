import type { OwnEmail } from '../../../core/emailtexts/own-email'
import { isByWorker, type ChannelName } from '../../../core/dispatch/channels'
import type { ContactRole } from '../../../core/preferences/recipients'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { newMessageId } from '../../outside/mail/return-path'
import { Brand, Dispatch, DispatchDocument } from '../../db/models'
import { addJobs } from '../../queue/add'
import { note, noteAll } from '../history/history'
import {
  deleteUndelivered,
  gatheringFor,
  notReady,
  nameGathered,
  closeGatheringOf,
  otherDocumentIn,
  takeDocumentOut,
  readyIfPainted,
} from './create-queries'
import { moveDispatches } from './move'
import type { Principal } from '../people/principal'

export interface NewDispatch {
  channel: ChannelName
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
  /** What a person wrote for this one email; left out, it says what the house says. */
  ownEmail?: OwnEmail | null
  /** What it says is still open of its invoice, where it reminds of that. */
  unpaid?: string | null
  /** Addresses that get a copy. */
  copyTo: readonly string[]
  isCopy: boolean
  /** Whether the PDF is already stored. */
  ready: boolean
  notBefore: Date
  who: Principal
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
  const senders = await sendersOf(wanted.map((one) => one.brandId))
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
      ownEmail: one.ownEmail ?? null,
      unpaid: one.unpaid ?? null,
      isCopy: one.isCopy,
      number: one.number,
      total: one.total,
      currency: one.currency,
      sendTo: one.sendTo,
      createdAt: now,
      createdBy: one.who.name,
      ready: one.ready,
      notBefore: one.notBefore,
      nextTryAt: one.notBefore,
      messageId: newMessageId(senders.get(one.brandId)!),
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
  await deleteUndelivered(wanted.map((one) => one.documentId))
  await noteAll(
    wanted.flatMap((one, index) =>
      one.isCopy
        ? {
            documentId: one.documentId,
            dispatchId: ids[index]!,
            actor: one.who.name,
            ...told('sent/copy', { address: one.sendTo }),
          }
        : [],
    ),
  )
  return ids
}

/** The sender's address of each brand. */
async function sendersOf(brandIds: readonly number[]): Promise<Map<number, string>> {
  const brands = await Brand.findAll({
    where: { id: [...new Set(brandIds)] },
    attributes: ['id', 'senderAddress'],
  })
  return new Map(brands.map((brand) => [brand.id, brand.senderAddress]))
}

/** One dispatch. */
export const newDispatch = async (wanted: NewDispatch): Promise<number> => (await newDispatches([wanted]))[0]!

/** The email that still gathers what is alike, locked; undefined where there is none yet. */
export async function gatheringDispatch(gatherKey: string): Promise<number | undefined> {
  return (await gatheringFor(gatherKey))?.id
}

/** Puts one more document into an email that still gathers. */
export async function addToDispatch(dispatchId: number, documentId: number): Promise<void> {
  await DispatchDocument.create({ dispatchId, documentId })
  await notReady(dispatchId)
  await describeDispatch(dispatchId)
}

/** Writes what lists show of an email: its first number and how many more, and the sum of its documents. */
export async function describeDispatch(dispatchId: number): Promise<void> {
  await nameGathered(dispatchId)
}

/** Ends a gathering: its emails take no more documents, and those that are ready go. */
export async function closeGathering(gatherAs: string): Promise<void> {
  const closed = await closeGatheringOf(gatherAs)
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
export async function takeOut(dispatchId: number, documentId: number, who: Principal): Promise<void> {
  const others = await otherDocumentIn(dispatchId, documentId)
  if (!others) {
    await moveDispatches('close', [{ id: dispatchId, set: { held: false } }])
    return
  }
  await takeDocumentOut(dispatchId, documentId)
  await describeDispatch(dispatchId)
  await note({ documentId, dispatchId }, who.name, told('sent/taken-out'))
  const ready = await readyIfPainted(dispatchId)
  if (ready && isByWorker(ready.channel))
    await addJobs('send-dispatches', [dispatchId], 1, (dispatchIds) => ({ dispatchIds }))
}
