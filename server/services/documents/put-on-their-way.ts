import { channelFacts } from '../../../core/dispatch/channels'
import { planSending } from '../../../core/dispatch/plan'
import { noAddress } from '../../../core/dispatch/send-to'
import type { DecimalText } from '../../../core/money/decimal'
import { sendingTime } from '../../../core/routines/sending-time'
import { told, toldKind } from '../../../core/said/told'
import { json } from '../../db/connection'
import { Undelivered } from '../../db/models'
import { type NewDispatch, gatheringDispatch, addToDispatch, newDispatches } from '../dispatch/create'
import { note } from '../history/history'
import type { PaperRow, IssuingRun } from './insert-document'
import type { Principal } from '../people/principal'

/*
 * Puts issued documents on their way: a dispatch for each way that is due, or a place in an email that gathers.
 * Called by insert-document.ts, in the transaction of issuing.
 */

interface ToGo {
  from: PaperRow
  documentId: number
  number: string
  total: DecimalText
  currency: string
}

/** The dispatches of documents: one a channel, or one more document in an email that its customer wants gathered. */
export async function putOnTheirWay(documents: readonly ToGo[], issuing: IssuingRun): Promise<void> {
  const { now, who, calendar, postOnly, despite, gatherAs } = issuing
  const wanted: NewDispatch[] = []
  for (const { from, documentId, number, total, currency } of documents) {
    const plan = planSending({
      ...from,
      hasAddress: from.sendTo !== noAddress,
      issueOnly: postOnly,
      despite,
      withoutAddress: true,
      // it was looked at before it was issued
      secondLook: null,
    })
    if (!plan.goes) throw new Error(`a document was issued that does not go: ${plan.reason.words}`)
    if (plan.channels.length === 0) {
      await goesNowhere(from, documentId, now, who)
      continue
    }
    const notBefore = sendingTime(now, from.delayMinutes, from.hours, calendar)
    for (const channel of plan.channels) {
      const alike = [
        from.customerId,
        from.brandId,
        from.kind,
        from.role,
        from.copyTo,
        currency,
        from.wish?.addresses,
      ]
      const gatherKey =
        channel === 'email' && from.wish?.gathered && from.toAddresses === null && !from.ownEmail
          ? `${gatherAs} ${json([...alike, from.delayMinutes, from.hours])}`
          : null
      const open = gatherKey && (await gatheringDispatch(gatherKey))
      if (open) {
        await addToDispatch(open, documentId)
        continue
      }
      wanted.push({
        channel,
        documentId,
        number,
        customerId: from.customerId,
        customerName: from.customerName,
        brandId: from.brandId,
        role: from.role,
        emailTextId: from.emailTextId,
        total,
        currency,
        sendTo: channelFacts[channel].sendTo || from.sendTo,
        toAddresses: channel === 'email' ? from.toAddresses : null,
        ownEmail: channel === 'email' ? from.ownEmail : null,
        copyTo: from.copyTo,
        isCopy: false,
        ready: false,
        notBefore,
        who,
        despite,
        gatherKey,
      })
    }
  }
  await newDispatches(wanted)
}

/** Nothing goes: its customer wants none, or it is issued only and waits in To send. */
async function goesNowhere(from: PaperRow, documentId: number, now: Date, who: Principal): Promise<void> {
  if (from.channel === 'nothing')
    await note(
      { sourceId: from.sourceId, documentId },
      who.name,
      told('issued/not-sent', { customer: from.customerName, kinds: toldKind(from.kind, 'many') }),
    )
  else await Undelivered.create({ documentId, since: now })
}
