import type { EmailPart } from '../../../core/enclosures/parts'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand, Dispatch, DispatchDocument } from '../../db/models'
import { newMessageId } from '../../outside/mail/return-path'
import { addJobs } from '../../queue/add'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import { theHouse } from '../people/principal'
import { moveDispatches } from './move'

/**
 * Spreads the files of a claimed email over several, because its mail account takes no larger one: it becomes the
 * first and is let go, the others are new emails of the same words, each with a Message-ID of its own, that go at
 * once. Nothing of it has left. Where the claim was lost nothing happens.
 * Dies half-way: everything is undone, and the next try splits it.
 */
export async function splitDispatch(
  id: number,
  token: string,
  split: readonly EmailPart['files'][],
): Promise<void> {
  await inTransaction(async () => {
    const what = told('sent/split', { parts: split.length })
    const moved = await moveDispatches('lapse', [{ id, token, set: { tries: -1 } }], {
      who: theHouse,
      what: () => what,
    })
    if (moved.length === 0) return
    const [first, ...others] = split.map((files, at) => ({ place: at + 1, of: split.length, files }))
    const email = await Dispatch.findByPk(id, { rejectOnEmpty: true })
    await Dispatch.update({ part: first! }, { where: { id } })
    const ids = [id, ...(await furtherParts(email, others))]
    await addJobs('send-dispatches', ids, 10, (dispatchIds) => ({ dispatchIds }))
    publish('line')
  })
}

/** The other emails. They decide nothing about how a document stands, like copies. @returns their ids */
async function furtherParts(email: Dispatch, parts: readonly EmailPart[]): Promise<number[]> {
  const now = clock.now()
  const { senderAddress } = await Brand.findByPk(email.brandId, { rejectOnEmpty: true })
  const documents = await DispatchDocument.findAll({ where: { dispatchId: email.id }, raw: true })
  const { customerId, customerName, brandId, emailTextId, toRole, toAddresses, ownEmail, unpaid } = email
  const { number, total, currency, sendTo, createdBy, copyTo, despite, channel } = email
  const same = { customerId, customerName, brandId, emailTextId, toRole, toAddresses, ownEmail, unpaid }
  const alike = { number, total, currency, sendTo, createdBy, copyTo, despite, channel }
  const made = await Dispatch.bulkCreate(
    parts.map((part) => ({
      ...same,
      ...alike,
      part,
      state: 'waiting' as const,
      isCopy: true,
      ready: true,
      createdAt: now,
      since: now,
      notBefore: now,
      nextTryAt: now,
      messageId: newMessageId(senderAddress),
    })),
    { returning: ['id'] },
  )
  await DispatchDocument.bulkCreate(
    made.flatMap(({ id }) => documents.map(({ documentId }) => ({ dispatchId: id, documentId }))),
  )
  await noteAll(
    made.map(({ id }, at) => ({
      dispatchId: id,
      actor: theHouse.name,
      ...told('sent/part', { place: parts[at]!.place, of: parts[at]!.of }),
    })),
  )
  return made.map(({ id }) => id)
}
