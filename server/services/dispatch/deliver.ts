import { channelFacts, isByWorker } from '../../../core/dispatch/channels'
import { kindFacts } from '../../../core/documents/kinds'
import { sendingTime } from '../../../core/routines/sending-time'
import type { RoutineSentence } from '../../../core/routines/sentence'
import { deliveryOf } from '../../../core/dispatch/delivery'
import { Refusal } from '../../../core/errors'
import { told, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { note } from '../history/history'
import { houseCalendar } from '../house/calendar'
import { newDispatch } from './create'
import { lockUndelivered, isUnpainted } from './queries'
import type { Principal } from '../people/principal'

/*
 * Puts an issued document on its way that has no dispatch that lives: one dispatch for each way its customer wants.
 * Called inside the caller's transaction by a routine on posting and by a person from To send; the row in
 * "undelivered" is what only one of them can take.
 * Dies half-way: the caller's transaction is undone and the document stays in To send.
 */

/**
 * With no sentence it goes at once.
 * @returns false when it was on its way already, or void
 * @throws Refusal "wants-none" for a customer who wants none of its kind: that is never overruled
 */
export async function deliver(
  documentId: number,
  sentence: RoutineSentence | null,
  who: Principal,
  despite = false,
): Promise<boolean> {
  const document = await lockUndelivered(documentId)
  if (!document) return false
  // locked, so that painting either sees the dispatch or has stored the PDF before
  const painted = !(await isUnpainted(documentId))
  const role = sentence?.to ?? kindFacts[document.kind].to
  const copyTo = sentence?.copyTo ?? []
  const wished = deliveryOf({
    contacts: document.contacts,
    role,
    copyTo,
    preference: document.preferences[document.kind],
  })
  if (wished.channel === 'nothing')
    throw new Refusal('wants-none', {
      values: { customer: document.customerName, kinds: toldKind(document.kind, 'many') },
    })
  const now = clock.now()
  const notBefore = sentence
    ? sendingTime(now, sentence.delayMinutes, sentence.hours ?? null, await houseCalendar(now))
    : now
  for (const channel of wished.channels) {
    const id = await newDispatch({
      ...document,
      channel,
      documentId,
      role,
      sendTo: channelFacts[channel].sendTo,
      toAddresses: null,
      copyTo,
      isCopy: false,
      ready: painted,
      notBefore,
      who,
      despite,
    })
    if (painted && isByWorker(channel))
      await addJob('send-dispatches', { dispatchIds: [id] }, notBefore > now ? { runAt: notBefore } : {})
    await note({ documentId, dispatchId: id }, who.name, told(`queued/${channel}`))
  }
  publish('line')
  return true
}
