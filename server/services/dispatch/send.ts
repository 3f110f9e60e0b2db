import { randomUUID } from 'node:crypto'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import { causeOf, isTemporary, type Reply } from '../../../core/dispatch/reply'
import {
  next,
  pauseAfter,
  stuckWords,
  type DispatchEvent,
  type DispatchState,
  type StuckCause,
} from '../../../core/dispatch/states'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import {
  type ContactFacts,
  type ContactRole,
  type Recipient,
  type Preferences,
} from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { Refusal } from '../../../core/errors'
import { log, logTrouble, troubleWords } from '../../log'
import { returnPath } from '../../outside/mail/return-path'
import { handOver, type HandOver } from '../../outside/mail/smtp'
import { addJob, addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { stopOfDispatch } from './stopped'
import { note, noteAll } from '../history/history'
import { takeOut } from './create'
import { composeMessage, type Letter, type Message } from './compose'
import { deliveryOf } from '../../../core/dispatch/delivery'

/*
 * Sending one email: claim → recipients accepted → "handing over" written down → content → result.
 * Called by send-dispatches. A lost claim ends it without a trace.
 * Dies before handing over: the claim lapses and it is tried again. Dies after: it is unclear, and a person decides.
 * Refuses: a customer who wants no email; sending to somebody who already has it.
 */

interface Claimed {
  id: number
  messageId: string
  attempts: number
  emailTextId: number
  toRole: ContactRole
  toAddresses: string[] | null
  copyTo: string[]
  customerName: string
  kind: DocumentKind
  documentId: number
  documents: number
  subject: string
  text: string
  brandName: string
  senderName: string
  senderAddress: string
  replyTo: string
  colours: Letter['brand']['colours']
  emailLook: EmailLook
  preferences: Preferences
  contacts: ContactFacts[]
  paper: Paper
  fileName: string
  bytes: Buffer
  reached: string[]
  rehearsal: string | null
}

interface Enclosed {
  paper: Paper
  name: string
  bytes: Buffer
}

/** Further documents that were gathered in the same email. */
async function gathered(claimed: Claimed): Promise<Enclosed[]> {
  if (claimed.documents < 2) return []
  return rows<Enclosed>(
    `select d.paper, f.file_name "name", file.bytes
    from dispatch_document dd
    join document d on d.id = dd.document_id
    join document_file f on f.document_id = d.id
    join file on file.sha256 = f.sha256
    where dd.dispatch_id = $1 and d.id <> $2
    order by d.id`,
    [claimed.id, claimed.documentId],
  )
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
    const back = await rows<{ id: number }>(
      `update dispatch
      set state = $3, claim_token = null, claimed_by = null, lease_until = null, attempts = attempts - 1
      where id = any($1::int[]) and claim_token = $2 and state = 'claimed'
      returning id`,
      [ids, token, next('claimed', 'lapse')!],
    )
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
    const back = await run(
      `update dispatch
      set state = $3, claim_token = null, claimed_by = null, lease_until = null, attempts = attempts - 1,
        held = $4, next_try_at = $5
      where id = $1 and claim_token = $2 and state = 'claimed'`,
      [
        claimed.id,
        token,
        next('claimed', 'lapse')!,
        result.result === 'accepted',
        new Date(clock.now().getTime() + (result.result === 'accepted' ? 0 : 20_000)),
      ],
    )
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
    const due = await rows<{ id: number; despite: boolean }>(
      `select id, despite from dispatch
      where id = any($1::int[]) and state = 'waiting' and channel = 'email' and ready and not held
        and gather_key is null and next_try_at <= $2
        and not exists (select from company where paused_at is not null)
      order by id
      for update`,
      [ids, clock.now()],
    )
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
  const voided = await rows<{ dispatchId: number; documentId: number }>(
    `select dd.dispatch_id "dispatchId", v.document_id "documentId"
    from document_void v
    join dispatch_document dd on dd.document_id = v.document_id
    where dd.dispatch_id = any($1::int[])`,
    [ids],
  )
  for (const { dispatchId, documentId } of voided) await takeOut(dispatchId, documentId, 'Clothespin')
  const left = await rows<{ id: number; stopped: string | null; despite: boolean }>(
    `select s.id, s.despite, ${stopOfDispatch('s')} stopped
    from dispatch s
    where s.id = any($1::int[]) and s.state = 'waiting'
    order by s.id`,
    [ids],
  )
  const stopped = left.filter((one) => one.stopped !== null && !one.despite)
  if (stopped.length > 0) {
    await run(`update dispatch set held = true, held_for = 'order' where id = any($1::int[])`, [
      stopped.map(({ id }) => id),
    ])
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
  return rows<Claimed>(
    `with
      mine as (
        update dispatch
        set state = 'claimed', claim_token = $2, claimed_by = $3, lease_until = $4, attempts = attempts + 1
        where id = any($1::int[]) and state = 'waiting'
        returning *
      )
    select m.id, m.message_id "messageId", m.attempts, m.email_text_id "emailTextId", m.to_role "toRole",
      m.to_addresses "toAddresses", m.copy_to "copyTo", m.customer_name "customerName", d.kind,
      d.id "documentId", dd.documents, n.subject, n.text, b.name "brandName", b.sender_name "senderName",
      b.sender_address "senderAddress", b.reply_to "replyTo",
      (select rehearsal_address from company where rehearsal_since is not null) rehearsal,
      s.design -> 'colours' colours, b.email_look \"emailLook\", c.preferences, d.paper, f.file_name "fileName",
      file.bytes,
      coalesce(
        (
          select jsonb_agg(jsonb_build_object('name', k.name, 'email', k.email, 'role', k.role) order by k.id)
          from contact k
          where k.customer_id = c.id
        ),
        '[]'
      ) contacts,
      coalesce(
        (
          select jsonb_agg(lower(r.address))
          from dispatch_recipient r
          where r.dispatch_id = m.id and r.outcome in ('accepted', 'delivered')
        ),
        '[]'
      ) reached
    from mine m
    join lateral (
      select min(document_id) id, count(*)::int documents from dispatch_document where dispatch_id = m.id
    ) dd
      on true
    join document d on d.id = dd.id
    join document_file f on f.document_id = d.id
    join file on file.sha256 = f.sha256
    join email_text n on n.id = m.email_text_id
    join brand b on b.id = m.brand_id
    join customer c on c.id = m.customer_id
    join design s on s.id = d.design_id
    order by m.id`,
    [ids, token, workerId, new Date(now.getTime() + config.leaseSeconds * 1000)],
  )
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
  const still = await run(
    `update dispatch
    set state = 'handing over', lease_until = $3
    where id = $1 and claim_token = $2 and state = 'claimed'`,
    [id, token, new Date(clock.now().getTime() + (config.leaseSeconds + config.finalAnswerSeconds) * 1000)],
  )
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
    const current = await one<{ state: DispatchState; attempts: number }>(
      'select state, attempts from dispatch where id = $1 and claim_token = $2 for update',
      [id, token],
    )
    const state = current && next(current.state, event)
    if (!state) {
      log.warn({ dispatch: id, event, state: current?.state }, 'a result came too late and was left out')
      return
    }
    const now = clock.now()
    const pause = settled.away ? Math.min(20, 3 * 2 ** Math.min(3, current.attempts)) : (settled.pause ?? 0)
    const nextTry = new Date(now.getTime() + pause * 1000)
    await run(
      `update dispatch
      set state = $2::text, claim_token = null, claimed_by = null, lease_until = null, stuck_cause = $3,
        last_reply = $4, next_try_at = $5, noticed = false, away = $10,
        since = case when $2::text = 'waiting' then since else $6::timestamptz end,
        handed_over_at = case when $7::boolean then $6::timestamptz else handed_over_at end,
        attempts = attempts - $8::int, send_to = coalesce($9::text, send_to)
      where id = $1`,
      [
        id,
        state,
        settled.cause ?? null,
        settled.reply?.text ?? null,
        nextTry,
        now,
        event === 'accept',
        settled.away ? 1 : 0,
        settled.sendTo
          ? settled.sendTo[0]! + (settled.sendTo.length > 1 ? ` +${settled.sendTo.length - 1}` : '')
          : null,
        settled.away ?? false,
      ],
    )
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
  await run(
    `insert into dispatch_recipient (dispatch_id, address, name, placed, source, outcome, reply, at)
    select $1, lower(o.address), o.name, o."as", o.source, o.outcome, o.reply, $3
    from jsonb_to_recordset($2::jsonb) as o (
      address text, name text, "as" text, source text, outcome text, reply text
    )
    on conflict (dispatch_id, address) do update
    set outcome = excluded.outcome, reply = excluded.reply, at = excluded.at`,
    [id, json(outcomes), clock.now()],
  )
}

/** What was sent, as it was sent; the PDF itself is in the file store under its hash. */
async function keepCopy(
  claimed: Claimed,
  recipients: Recipient[],
  letter: Letter,
  message: Message,
  others: readonly Enclosed[],
): Promise<void> {
  await run(
    `insert into mail_copy (
      dispatch_id, message_id, sender, reply_to, recipients, subject, text, html, files, sent_at
    )
    values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $10)
    on conflict (dispatch_id) do update
    set recipients = excluded.recipients, sent_at = excluded.sent_at`,
    [
      claimed.id,
      claimed.messageId,
      `${letter.brand.senderName} <${letter.brand.senderAddress}>`,
      letter.brand.replyTo,
      recipients.map((one) => one.address).join(', '),
      message.filled.subject,
      message.filled.text,
      message.filled.html,
      json([
        { name: claimed.fileName, size: claimed.bytes.length },
        ...others.map((other) => ({ name: other.name, size: other.bytes.length })),
      ]),
      clock.now(),
    ],
  )
}
