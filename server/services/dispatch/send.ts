import { randomUUID } from 'node:crypto'
import { causeOf, isTemporary, type Reply } from '../../../core/dispatch/reply'
import {
  next,
  pauseAfter,
  stuckWords,
  type DispatchEvent,
  type StuckCause,
} from '../../../core/dispatch/states'
import { type Recipient } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction } from '../../db/connection'
import { Refusal } from '../../../core/errors'
import { log, logTrouble, troubleWords } from '../../log'
import { returnPath } from '../../outside/mail/return-path'
import { handOver, type HandOver } from '../../outside/mail/smtp'
import { addJob, addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { note, noteAll } from '../history/history'
import { takeOut } from './create'
import { composeMessage, type Letter, type Message } from './compose'
import { deliveryOf } from '../../../core/dispatch/delivery'
import {
  type Claimed,
  type Enclosed,
  enclosedDocuments,
  letGoClaims,
  endRehearsed,
  lockDue,
  voidedAmong,
  claimable,
  holdForOrder,
  claimDispatches,
  beginHandingOver,
  lockClaimed,
  writeResult,
  keepRecipientOutcomes,
  keepMailCopy,
} from './send-queries'

/*
 * Sending one email: claim → recipients accepted → "handing over" written down → content → result.
 * Called by send-dispatches. A lost claim ends it without a trace.
 * Dies before handing over: the claim lapses and it is tried again. Dies after: it is unclear, and a person decides.
 * Refuses: a customer who wants no email; sending to somebody who already has it.
 */

/** Further documents that were gathered in the same email. */
async function gathered(claimed: Claimed): Promise<Enclosed[]> {
  if (claimed.documents < 2) return []
  return enclosedDocuments(claimed.id, claimed.documentId)
}

/** So long a worker keeps what it has claimed and not begun to send. */
const holdMilliseconds = 5000

/**
 * Sends those of the dispatches that are due: claimed together, then one after another on one connection. Where
 * the mail server takes its time, the rest is let go again, so that it can still be held or taken back.
 */
export async function sendDispatches(ids: readonly number[], workerId: string): Promise<void> {
  const token = randomUUID()
  const claimed = await claim(ids, token, workerId)
  const began = performance.now()
  let place = 0
  while (place < claimed.length && (place === 0 || performance.now() - began < holdMilliseconds))
    await sendOne(claimed[place++]!, token)
  const rest = claimed.slice(place).map(({ id }) => id)
  if (rest.length > 0) await letGo(rest, token)
}

/** Takes a claim back that nothing was done with. */
async function letGo(ids: readonly number[], token: string): Promise<void> {
  await inTransaction(async () => {
    const back = await letGoClaims({ ids, token, state: next('claimed', 'lapse')! })
    await addJobs(
      'send-dispatches',
      back.map(({ id }) => id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
  })
}

async function sendOne(claimed: Claimed, token: string): Promise<void> {
  const { id } = claimed
  if (claimed.rehearsal) return divert(claimed, token, claimed.rehearsal)
  const recipients = whom(claimed)
  if ('stuck' in recipients) return settle(id, token, 'refuse', { cause: recipients.stuck, reply: null })

  const others = await gathered(claimed)
  const letter = letterOf(claimed, recipients.list, others)
  let message: Message
  try {
    message = await composeMessage(letter, [{ name: claimed.fileName, bytes: claimed.bytes }, ...others], {
      messageId: claimed.messageId,
      date: clock.now(),
    })
  } catch (error) {
    return settle(id, token, 'refuse', {
      cause: 'not written',
      reply: { code: 0, enhanced: null, text: whyNotWritten(error, id) },
    })
  }
  let result: HandOver
  try {
    result = await handOver(
      { from: returnPath(id), to: recipients.list.map((one) => one.address), id: String(id) },
      message.bytes,
      () => markHandingOver(id, token),
    )
  } catch (error) {
    log.warn({ dispatch: id, error: String(error) }, 'a claim was lost before handing over')
    return
  }
  await keepResult(claimed, token, recipients.list, letter, message, result, others)
}

/** Only a refusal is a reason; anything else is a fault of ours, logged under an id that the person reads. */
function whyNotWritten(error: unknown, dispatch: number): string {
  if (error instanceof Refusal) return error.message
  return troubleWords(
    'It could not be sent',
    logTrouble(error, { dispatch }, 'an email could not be written'),
  )
}

const letterOf = (claimed: Claimed, recipients: Recipient[], others: readonly Enclosed[]): Letter => ({
  others: others.map((other) => other.paper),
  note: { subject: claimed.subject, text: claimed.text },
  paper: claimed.paper,
  customerName: claimed.customerName,
  recipients,
  brand: {
    name: claimed.brandName,
    colours: claimed.colours,
    emailLook: claimed.emailLook,
    senderName: claimed.senderName,
    senderAddress: claimed.senderAddress,
    replyTo: claimed.replyTo,
  },
})

/**
 * A rehearsal: the document goes, as it is, to the rehearsal address; it stays unsent, and is held so that it
 * never goes by surprise.
 */
async function divert(claimed: Claimed, token: string, address: string): Promise<void> {
  const recipients = whom(claimed)
  const others = await gathered(claimed)
  const letter: Letter = {
    ...letterOf(claimed, 'list' in recipients ? recipients.list : [], others),
    insteadTo: address,
  }
  const message = await composeMessage(
    letter,
    [{ name: claimed.fileName, bytes: claimed.bytes }, ...others],
    { messageId: `<${randomUUID()}@${config.returnDomain}>`, date: clock.now() },
  )
  const result = await handOver(
    { from: `rehearsal@${config.returnDomain}`, to: [address], id: `rehearsal of ${claimed.id}` },
    message.bytes,
    async () => {},
  )
  await inTransaction(async () => {
    const back = await endRehearsed({
      id: claimed.id,
      token,
      state: next('claimed', 'lapse')!,
      held: result.result === 'accepted',
      nextTry: new Date(clock.now().getTime() + (result.result === 'accepted' ? 0 : 20_000)),
    })
    if (back > 0 && result.result === 'accepted')
      await note(
        { dispatchId: claimed.id },
        'Clothespin',
        `Rehearsed to ${address}. It is held, and still to be sent.`,
      )
    publish('line')
  })
}

/**
 * Wins those of the dispatches for this worker that are due, that no other has, and of which something may leave.
 */
async function claim(ids: readonly number[], token: string, workerId: string): Promise<Claimed[]> {
  return inTransaction(async () => {
    const due = await lockDue(ids, clock.now())
    const leaving = await mayLeave(due)
    return leaving.length === 0 ? [] : take(leaving, token, workerId)
  })
}

/**
 * The last look, with the dispatches locked: a document that was voided meanwhile is taken out, and nothing goes
 * whose order is held or withdrawn unless somebody has read that and let it go.
 * @returns those of which something is left that may go
 */
async function mayLeave(due: readonly { id: number; despite: boolean }[]): Promise<number[]> {
  if (due.length === 0) return []
  const ids = due.map(({ id }) => id)
  const voided = await voidedAmong(ids)
  for (const { dispatchId, documentId } of voided) await takeOut(dispatchId, documentId, 'Clothespin')
  const left = await claimable(ids)
  const stopped = left.filter((one) => one.stopped !== null && !one.despite)
  if (stopped.length > 0) {
    await holdForOrder(stopped.map(({ id }) => id))
    await noteAll(
      stopped.map((one) => ({
        dispatchId: one.id,
        actor: 'Clothespin',
        words: `Taken out of Waiting: its order is ${one.stopped}.`,
      })),
    )
    publish('line')
  }
  return left.filter((one) => one.stopped === null || one.despite).map(({ id }) => id)
}

async function take(ids: readonly number[], token: string, workerId: string): Promise<Claimed[]> {
  const now = clock.now()
  return claimDispatches({
    ids,
    token,
    workerId,
    leaseUntil: new Date(now.getTime() + config.leaseSeconds * 1000),
  })
}

/** Looked up at this moment, never earlier. Somebody who already has it is not written to again. */
function whom(claimed: Claimed): { list: Recipient[] } | { stuck: StuckCause } {
  const { email, recipients } = deliveryOf({
    contacts: claimed.contacts,
    role: claimed.toRole,
    preference: claimed.preferences[claimed.kind],
    copyTo: claimed.copyTo,
    toAddresses: claimed.toAddresses,
  })
  if (!email) return { stuck: 'no email wanted' }
  const list = recipients.filter((one) => !claimed.reached.includes(one.address.toLowerCase()))
  return list.length === 0 ? { stuck: 'no address' } : { list }
}

/** Committed before the first byte of content can leave. @throws when the claim is no longer ours */
async function markHandingOver(id: number, token: string): Promise<void> {
  const still = await beginHandingOver({
    id,
    token,
    leaseUntil: new Date(clock.now().getTime() + (config.leaseSeconds + config.finalAnswerSeconds) * 1000),
  })
  if (still !== 1) throw new Error('another worker has the claim')
}

async function keepResult(
  claimed: Claimed,
  token: string,
  recipients: Recipient[],
  letter: Letter,
  message: Message,
  result: HandOver,
  others: readonly Enclosed[],
): Promise<void> {
  await inTransaction(async () => {
    switch (result.result) {
      case 'away':
        return settle(claimed.id, token, 'defer', { reply: result.reply, away: true })
      case 'unclear':
        return settle(claimed.id, token, 'lose', { cause: 'unclear', reply: result.reply })
      case 'refused': {
        const permanent = !isTemporary(result.reply)
        const givenUp = !permanent && pauseAfter(claimed.attempts) === undefined
        await keepOutcomes(
          claimed.id,
          recipients,
          new Map(result.refused.map((one) => [one.address, one.reply])),
          result.reply,
          'refused',
        )
        if (permanent || givenUp)
          return settle(claimed.id, token, 'refuse', {
            cause: givenUp ? 'given up' : causeOf(result.reply, false),
            reply: result.reply,
          })
        return settle(claimed.id, token, 'defer', {
          reply: result.reply,
          pause: pauseAfter(claimed.attempts),
        })
      }
      case 'accepted': {
        const refused = new Map(result.refused.map((one) => [one.address, one.reply]))
        await keepOutcomes(claimed.id, recipients, refused, result.reply, 'accepted')
        await keepCopy(claimed, recipients, letter, message, others)
        const lost = [...refused.values()]
        const permanent = lost.find((reply) => !isTemporary(reply))
        if (permanent)
          return settle(claimed.id, token, 'refuse', { cause: causeOf(permanent, false), reply: permanent })
        if (lost[0])
          return settle(claimed.id, token, 'defer', {
            reply: lost[0],
            pause: pauseAfter(claimed.attempts) ?? 60,
          })
        return settle(claimed.id, token, 'accept', {
          reply: result.reply,
          sendTo: recipients.map((one) => one.address),
        })
      }
    }
  })
}

interface Settled {
  cause?: StuckCause
  reply: Reply | null
  pause?: number
  away?: boolean
  sendTo?: string[]
}

/** Writes the result, but only where the claim is still ours and the transition table allows it. */
async function settle(id: number, token: string, event: DispatchEvent, settled: Settled): Promise<void> {
  await inTransaction(async () => {
    const current = await lockClaimed(id, token)
    const state = current && next(current.state, event)
    if (!state) {
      log.warn({ dispatch: id, event, state: current?.state }, 'a result came too late and was left out')
      return
    }
    const now = clock.now()
    const pause = settled.away ? Math.min(20, 3 * 2 ** Math.min(3, current.attempts)) : (settled.pause ?? 0)
    const nextTry = new Date(now.getTime() + pause * 1000)
    await writeResult({
      id,
      state,
      cause: settled.cause ?? null,
      reply: settled.reply?.text ?? null,
      nextTry,
      now,
      accepted: event === 'accept',
      uncounted: settled.away ? 1 : 0,
      sendTo: settled.sendTo
        ? settled.sendTo[0]! + (settled.sendTo.length > 1 ? ` +${settled.sendTo.length - 1}` : '')
        : null,
      away: settled.away ?? false,
    })
    if (event === 'defer') await addJob('send-dispatches', { dispatchIds: [id] }, { runAt: nextTry })
    await note({ dispatchId: id }, 'Clothespin', settledWords(event, settled, pause), settled.reply)
    publish('line')
  })
}

function settledWords(event: DispatchEvent, settled: Settled, pause: number): string {
  const said = !settled.reply?.text
    ? ''
    : settled.cause === 'not written'
      ? ` ${settled.reply.text}`
      : ` The mail server said: ${settled.reply.text}`
  switch (event) {
    case 'accept':
      return `Handed to the mail server for ${settled.sendTo!.join(', ')}.${said}`
    case 'defer':
      return settled.away
        ? `The mail server is away: trying again in ${pause} s. (${settled.reply?.text ?? ''})`
        : `Put off by the mail server: trying again in ${pause} s.${said}`
    case 'lose':
      return `${stuckWords.unclear.remedy} (${settled.reply?.text ?? ''})`
    default:
      return `${settled.cause ? stuckWords[settled.cause].remedy : 'Refused.'}${said}`
  }
}

async function keepOutcomes(
  id: number,
  recipients: Recipient[],
  refused: Map<string, Reply>,
  reply: Reply,
  otherwise: 'accepted' | 'refused',
): Promise<void> {
  const outcomes = recipients.map((recipient) => {
    const own = refused.get(recipient.address.toLowerCase())
    return {
      ...recipient,
      outcome: own || otherwise === 'refused' ? 'refused' : 'accepted',
      reply: (own ?? reply).text,
    }
  })
  await keepRecipientOutcomes({ id, outcomes, now: clock.now() })
}

/** What was sent, as it was sent; the PDF itself is in the file store under its hash. */
async function keepCopy(
  claimed: Claimed,
  recipients: Recipient[],
  letter: Letter,
  message: Message,
  others: readonly Enclosed[],
): Promise<void> {
  await keepMailCopy({
    dispatchId: claimed.id,
    messageId: claimed.messageId,
    sender: `${letter.brand.senderName} <${letter.brand.senderAddress}>`,
    replyTo: letter.brand.replyTo,
    recipients: recipients.map((one) => one.address).join(', '),
    subject: message.filled.subject,
    text: message.filled.text,
    html: message.filled.html,
    files: [
      { name: claimed.fileName, size: claimed.bytes.length },
      ...others.map((other) => ({ name: other.name, size: other.bytes.length })),
    ],
    now: clock.now(),
  })
}
