import { answerKind, toldAnswer, type AnswerKind, type AnswerMail } from '../../../core/dispatch/answer'
import { parseDeliveryStatus, type RecipientReport } from '../../../core/dispatch/delivery-report'
import { causeOf, parseReply } from '../../../core/dispatch/reply'
import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { readAnswer } from '../../outside/mail/answer'
import { publish } from '../live/publish'
import { note } from '../history/history'
import { moveDispatches } from './move'
import {
  keepRecipientOutcome,
  keepUnclearRecipient,
  lockSilent,
  lockState,
  recipientsNotDelivered,
} from './reports-queries'
import { theHouse } from '../people/principal'

/*
 * What comes back: delivery reports (RFC 3464), absences, complaints (RFC 5965), and the silence that is presumed to be
 * good news.
 * Called by the SMTP listener with a report for a dispatch named by its signed return path, and by the sweeper.
 * Dies half-way: the report was not accepted, so the mail server brings it again.
 * Refuses: nothing; a report about an address we did not write to is noted and changes nothing.
 */

/** Who the history names. */
const mailServer = 'Mail server'

/**
 * Keeps what came back to the return path of a dispatch: a delivery report, or another answer.
 * Answers false when the dispatch is just being handed over: the report should come again in a moment. */
export async function keepReport(dispatchId: number, text: string): Promise<boolean> {
  const reports = parseDeliveryStatus(text)
  if (reports.length === 0) return keepAnswer(dispatchId, await readAnswer(text))
  return inTransaction(async () => {
    const dispatch = await lockState(dispatchId)
    if (!dispatch) return true
    if (dispatch.state === 'handing over') return false
    let failed: { report: RecipientReport; cause: StuckCause } | undefined
    let isAboutOurs = false
    for (const report of reports) {
      if (report.action === 'delayed') {
        await note(
          { dispatchId },
          mailServer,
          told('report/delayed', {
            recipient: report.recipient,
            reply: report.diagnostic || report.status,
          }),
        )
        continue
      }
      const outcome = report.action === 'failed' ? 'bounced' : 'delivered'
      if (outcome === 'delivered' && isSettled(dispatch)) {
        await note(
          { dispatchId },
          mailServer,
          told('report/delivered', { recipient: report.recipient }),
          report,
        )
        continue
      }
      const reply = parseReply(report.diagnostic || report.status)
      const kept = {
        dispatchId,
        recipient: report.recipient,
        outcome,
        reply: report.diagnostic || report.status,
        now: clock.now(),
      }
      const known =
        (await keepRecipientOutcome(kept)) ||
        (await keepUnclearRecipient({ ...kept, source: told('reached/report') }))
      if (known === 0) {
        await note(
          { dispatchId },
          mailServer,
          dispatch.cause === 'unclear'
            ? told('report/unclear', { recipient: report.recipient, action: report.action })
            : told('report/stranger', {
                recipient: report.recipient,
                action: report.action,
                reply: report.diagnostic,
              }),
        )
        continue
      }
      isAboutOurs = true
      if (outcome === 'bounced')
        failed = { report, cause: causeOf({ ...reply, enhanced: report.status || reply.enhanced }, true) }
      await note(
        { dispatchId },
        mailServer,
        outcome === 'bounced'
          ? told('report/bounced', {
              recipient: report.recipient,
              reply: report.diagnostic || report.status,
            })
          : told('report/delivered', { recipient: report.recipient }),
        report,
      )
    }
    if (failed)
      await moveDispatches(
        'bounce',
        [
          {
            id: dispatchId,
            set: { cause: failed.cause, reply: failed.report.diagnostic || failed.report.status },
          },
        ],
        { who: theHouse, what: () => told(`remedy/${failed!.cause}`) },
      )
    else if (isAboutOurs && !isSettled(dispatch)) await deliveredWhenAll(dispatchId)
    publish('line')
    return true
  })
}

/**
 * Keeps an answer that is no report: an absence says that it was delivered; who is there no more, and who called it
 * unwanted, make it stuck, where its remedy stands. An answer of somebody whom we did not write to is noted only.
 */
async function keepAnswer(dispatchId: number, answer: AnswerMail): Promise<boolean> {
  const kind = answerKind(answer)
  const said = toldAnswer(kind, answer)
  const who = answer.complaint?.about || answer.from
  return inTransaction(async () => {
    const dispatch = await lockState(dispatchId)
    if (!dispatch) return true
    if (dispatch.state === 'handing over') return false
    await note({ dispatchId }, mailServer, said)
    const outcome = kind === 'left' || kind === 'complaint' ? 'bounced' : 'delivered'
    const known =
      kind === 'other' || (kind === 'away' && isSettled(dispatch))
        ? 0
        : await keepRecipientOutcome({
            dispatchId,
            recipient: who,
            outcome,
            reply: said.words,
            now: clock.now(),
          })
    if (known > 0) await moveByAnswer(dispatchId, kind, said.words)
    publish('line')
    return true
  })
}

/** That it lies in the mailbox helps nobody once that has said that nobody reads it, or called it unwanted. */
const isSettled = ({ state, cause }: { state: DispatchState; cause: StuckCause | null }) =>
  state === 'stuck' && (cause === 'left' || cause === 'unwanted')

async function moveByAnswer(dispatchId: number, kind: AnswerKind, reply: string): Promise<void> {
  if (kind === 'away') return deliveredWhenAll(dispatchId)
  const cause: StuckCause = kind === 'left' ? 'left' : 'unwanted'
  await moveDispatches('bounce', [{ id: dispatchId, set: { cause, reply } }], {
    who: theHouse,
    what: () => told(`remedy/${cause}`),
  })
}

async function deliveredWhenAll(dispatchId: number): Promise<void> {
  const open = await recipientsNotDelivered(dispatchId)
  if (open?.open === 0) await moveDispatches('deliver', [{ id: dispatchId, set: { how: 'delivery report' } }])
}

/**
 * Counts as arrived, worded "presumed", what has been on the way without a bounce for the company's limit.
 * Answers how many.
 */
export async function presumeArrived(presumeSeconds: number): Promise<number> {
  return inTransaction(async () => {
    const silent = await lockSilent(new Date(clock.now().getTime() - presumeSeconds * 1000))
    const arrived = await moveDispatches(
      'deliver',
      silent.map(({ id }) => ({ id, set: { how: 'presumed: no bounce' } })),
      {
        who: theHouse,
        what: () => told('report/presumed', { seconds: presumeSeconds }),
      },
    )
    return arrived.length
  })
}
