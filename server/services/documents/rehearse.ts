import type { Day } from '../../../core/documents/days'
import { issuePaper, type PaperSource } from '../../../core/documents/issue'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { fileNamePart } from '../../../core/numbering/series'
import { recipientsFor, type ContactFacts, type ContactRole, type Recipient, type Wishes } from '../../../core/wishes/recipients'
import { randomUUID } from 'node:crypto'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { Refusal } from '../../../core/errors'
import { log } from '../../log'
import { addJob } from '../../queue/add'
import { handOver } from '../../outside/mail/smtp'
import { renderPaper } from '../../render/pool'
import { composeMessage, type Letter } from '../dispatch/compose'
import { company } from '../house/house'
import { dayInZone } from '../../../core/documents/days'
import { noteAll } from '../trail/trail'

/*
 * Rehearsal of papers that are not issued: a watermarked copy under a number of its own goes to the rehearsal address, the real one stays due.
 * Called by issuing while a rehearsal is on, and by "send one to me". Outside Register, open items and once.
 * Dies half-way: the row is unsent and the sweeper calls again; a rehearsal that comes twice does no harm.
 */

export interface Rehearsable { id: number, orderId: number, kind: DocumentKind, source: PaperSource, stationeryId: number, coverNoteId: number, customerId: number, role: ContactRole, copyTo: string[] }

/** Makes rehearsal papers in the caller's transaction, and the jobs that mail them. @returns their numbers, paper by paper */
export async function rehearse(papers: readonly Rehearsable[], sentTo: string, date: Day, actor: string): Promise<string[]> {
  const numbers: string[] = []
  const ids: number[] = []
  for (const paper of papers) {
    const { next } = (await one<{ next: string }>(`select nextval('rehearsal_number')::text next`))!
    const number = `REHEARSAL-${next.padStart(5, '0')}`
    const content: Paper = { ...issuePaper(paper.source, date, number), rehearsal: true }
    const row = await one<{ id: number }>(`insert into rehearsal_paper (number, paper_id, content, stationery_id, cover_note_id, would_go_to, sent_to, made_at, made_by)
      values ($1, $2, $3::jsonb, $4, $5, $6::jsonb, $7, $8, $9) returning id`,
    [number, paper.id, json(content), paper.stationeryId, paper.coverNoteId, json(await recipientsOf(paper)), sentTo, clock.now(), actor])
    numbers.push(number)
    ids.push(row!.id)
  }
  if (ids.length > 0) await addJob('send-rehearsals', { rehearsalIds: ids })
  await noteAll(papers.map((paper, index) => ({ orderId: paper.orderId, paperId: paper.id, actor, words: `Rehearsed as ${numbers[index]} to ${sentTo}. The real one stays due.` })))
  return numbers
}

async function recipientsOf(paper: Rehearsable): Promise<Recipient[]> {
  const customer = await one<{ wishes: Wishes, contacts: ContactFacts[] }>(`select wishes, coalesce((select jsonb_agg(jsonb_build_object('name', k.name, 'email', k.email, 'role', k.role) order by k.id) from contact k where k.customer_id = c.id), '[]') contacts
    from customer c where id = $1`, [paper.customerId])
  return recipientsFor({ contacts: customer!.contacts, role: paper.role, copyTo: paper.copyTo, wish: customer!.wishes[paper.kind] })
}

/** One prepared paper, as it will be, to whoever asks; nothing else happens to it. @throws Refusal "no-such-paper", "no-paper" */
export async function sendOneToMe(paperId: number, user: { name: string, email: string }): Promise<string> {
  return inTransaction(async () => {
    const paper = await one<Rehearsable & { problem: string | null }>(`select id, order_id "orderId", kind, source, stationery_id "stationeryId", cover_note_id "coverNoteId", customer_id "customerId", to_role role, copy_to "copyTo", problem
      from paper where id = $1 and state in ('prepared', 'due', 'put back')`, [paperId])
    if (!paper) throw new Refusal('no-such-paper', 'That paper is not waiting any more.', { status: 404 })
    if (paper.problem) throw new Refusal('no-paper', paper.problem)
    const [number] = await rehearse([paper], user.email, dayInZone(clock.now(), (await company()).timeZone), user.name)
    return number!
  })
}

interface Unsent {
  id: number, number: string, content: Paper, wouldGoTo: Recipient[], sentTo: string, stationeryId: number, subject: string, text: string, customerName: string, colour: string
  design: Parameters<typeof renderPaper>[1], brandName: string, senderName: string, senderAddress: string, replyTo: string
}

/** Mails those that are not sent yet. */
export async function sendRehearsals(rehearsalIds: readonly number[]): Promise<void> {
  const unsent = await rows<Unsent>(`select r.id, r.number, r.content, r.would_go_to "wouldGoTo", r.sent_to "sentTo", s.design, s.design -> 'colours' ->> 'brand' colour, n.subject, n.text, p.customer_name "customerName",
      b.name "brandName", b.sender_name "senderName", b.sender_address "senderAddress", b.reply_to "replyTo"
    from rehearsal_paper r join paper p on p.id = r.paper_id join stationery s on s.id = r.stationery_id join cover_note n on n.id = r.cover_note_id join brand b on b.id = p.brand_id
    where r.id = any($1::int[]) and r.sent_at is null order by r.id`, [rehearsalIds])
  for (const one of unsent) {
    const { bytes } = await renderPaper(one.content, one.design, clock.now())
    if (!bytes) continue
    const letter: Letter = {
      note: { subject: one.subject, text: one.text }, paper: one.content, customerName: one.customerName, recipients: one.wouldGoTo, insteadTo: one.sentTo,
      brand: { name: one.brandName, colour: one.colour, senderName: one.senderName, senderAddress: one.senderAddress, replyTo: one.replyTo },
    }
    const message = await composeMessage(letter, [{ name: `${fileNamePart(one.number)}.pdf`, bytes }], { messageId: `<${randomUUID()}@${config.returnDomain}>`, date: clock.now() })
    const result = await handOver({ from: `rehearsal@${config.returnDomain}`, to: [one.sentTo], id: `rehearsal ${one.id}` }, message.bytes, async () => {})
    if (result.result === 'accepted') await run('update rehearsal_paper set sent_at = $2, last_reply = $3 where id = $1', [one.id, clock.now(), result.reply.text])
    else log.warn({ rehearsal: one.id, result: result.result }, 'a rehearsal could not be mailed yet')
  }
}
