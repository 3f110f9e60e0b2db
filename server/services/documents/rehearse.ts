import type { Day } from '../../../core/documents/days'
import { issuePaper, type PaperSource } from '../../../core/documents/issue'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { carried, fitText, hasFile } from '../../../core/enclosures/carriage'
import { fileNamePart } from '../../../core/numbering/series'
import { recipientsFor, type ContactRole, type Recipient } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Rehearsal } from '../../db/models'
import { Refusal } from '../../../core/errors'
import { isTemporary } from '../../../core/dispatch/reply'
import { log } from '../../log'
import { addJob } from '../../queue/add'
import { newMessageId, senderOf } from '../../outside/mail/return-path'
import { handOver } from '../../outside/mail/smtp'
import { renderPaper } from '../../render/pool'
import { composeMessage, type Letter } from '../dispatch/compose'
import { notOursToDraw } from '../dispatch/no-pdf'
import { editableFile } from '../enclosures/editable'
import { filesOfPrepared, withBytes } from '../enclosures/going'
import { company } from '../house/house'
import { mailServer } from '../house/mail-accounts'
import { emailTextFor } from '../house/text-for'
import { linksToCome } from '../links/links'
import { dayInZone } from '../../../core/documents/days'
import { asWritten, told, type Told } from '../../../core/said/told'
import { sentencesOf } from '../../../core/designs/pages'
import { note, noteAll } from '../history/history'
import { samplePaper, type EmailOnScreen } from './sample'
import {
  nextRehearsalNumber,
  contactsOfCustomer,
  preparedToRehearse,
  documentToRehearse,
  unsentRehearsals,
  markRehearsed,
  markRehearsalGivenUp,
} from './rehearse-queries'
import type { Principal } from '../people/principal'

/*
 * Rehearsal of papers that are not issued: a watermarked copy under a number of its own goes to the rehearsal
 * address, the real one stays due.
 * Called by issuing while a rehearsal is on, and by "send one to me" for a paper, a document (as it is) and a
 * brand's sample. Outside Register, open items and once.
 * Dies half-way: the row is unsent and the sweeper calls again; a rehearsal that comes twice does no harm.
 */

export interface Rehearsable {
  id: number
  customerName: string
  brandId: number
  sourceId: number
  kind: DocumentKind
  source: PaperSource
  designId: number
  emailTextId: number
  customerId: number
  role: ContactRole
  copyTo: string[]
}

/**
 * Makes rehearsal papers in the caller's transaction, and the jobs that mail them. @returns their numbers,
 * paper by paper
 */
export async function rehearse(
  papers: readonly Rehearsable[],
  sentTo: string,
  date: Day,
  who: Principal,
): Promise<string[]> {
  const numbers: string[] = []
  const ids: number[] = []
  for (const paper of papers) {
    const number = await nextNumber()
    const content: Paper = { ...issuePaper(paper.source, date, number), rehearsal: true }
    ids.push(
      await keep({
        ...paper,
        number,
        preparedId: paper.id,
        documentId: null,
        content,
        wouldGoTo: await recipientsOf(paper),
        sentTo,
        who,
      }),
    )
    numbers.push(number)
  }
  if (ids.length > 0) await addJob('send-rehearsals', { rehearsalIds: ids })
  await noteAll(
    papers.map((paper, index) => ({
      sourceId: paper.sourceId,
      preparedId: paper.id,
      actor: who.name,
      ...told('prepared/rehearsed', { number: numbers[index]!, address: sentTo }),
    })),
  )
  return numbers
}

async function nextNumber(): Promise<string> {
  const { next } = (await nextRehearsalNumber())!
  return `REHEARSAL-${next.padStart(5, '0')}`
}

interface Kept {
  number: string
  preparedId: number | null
  documentId: number | null
  brandId: number
  customerName: string
  content: Paper
  designId: number
  emailTextId: number
  wouldGoTo: Recipient[]
  sentTo: string
  who: Principal
  /** The email as it stood on the screen, where it was not kept yet. */
  email?: EmailOnScreen
}

async function keep(kept: Kept): Promise<number> {
  const { id } = await Rehearsal.create({
    number: kept.number,
    preparedId: kept.preparedId,
    documentId: kept.documentId,
    brandId: kept.brandId,
    customerName: kept.customerName,
    content: kept.content,
    designId: kept.designId,
    emailTextId: kept.emailTextId,
    wouldGoTo: kept.wouldGoTo,
    sentTo: kept.sentTo,
    madeAt: clock.now(),
    madeBy: kept.who.name,
    email: kept.email ?? null,
  })
  return id
}

async function recipientsOf(paper: Rehearsable): Promise<Recipient[]> {
  const customer = await contactsOfCustomer(paper.customerId, paper.sourceId, paper.kind)
  return recipientsFor({
    contacts: customer!.contacts,
    role: paper.role,
    copyTo: paper.copyTo,
    preference: customer!.preferences[paper.kind],
  })
}

/**
 * One prepared paper, as it will be, to whoever asks; nothing else happens to it. @throws Refusal
 * "no-such-paper", "no-paper"
 */
export async function sendOneToMe(preparedId: number, user: Principal & { email: string }): Promise<string> {
  return inTransaction(async () => {
    const paper = await preparedToRehearse(preparedId)
    if (!paper) throw new Refusal('no-such-paper', { status: 404 })
    if (paper.problem) throw new Refusal('no-paper', { values: { words: paper.problem } })
    const [number] = await rehearse(
      [paper],
      user.email,
      dayInZone(clock.now(), (await company()).timeZone),
      user,
    )
    return number!
  })
}

/** A document as it is, to whoever asks; nothing else happens to it. @throws Refusal "no-such-document", "not-ours" */
export async function sendDocumentToMe(
  documentId: number,
  user: Principal & { email: string },
): Promise<void> {
  await inTransaction(async () => {
    const found = await documentToRehearse(documentId)
    if (!found) throw new Refusal('no-such-document', { status: 404 })
    const { issuedNumber, takenOver, ...document } = found
    if (takenOver) throw notOursToDraw(issuedNumber)
    const id = await keep({
      ...document,
      emailTextId: await emailTextFor('first', document),
      number: await nextNumber(),
      preparedId: null,
      documentId,
      content: document.paper,
      wouldGoTo: [],
      sentTo: user.email,
      who: user,
    })
    await addJob('send-rehearsals', { rehearsalIds: [id] })
    await note({ documentId }, user.name, told('prepared/look-over', { address: user.email }))
  })
}

/** The brand's sample with its email, to whoever asks. @throws Refusal "no-sample" */
export async function sendSampleToMe(
  brandId: number,
  kind: DocumentKind,
  user: Principal & { email: string },
  onScreen?: EmailOnScreen,
  variantId = 0,
): Promise<void> {
  const { paper, context } = await samplePaper(brandId, kind, { language: onScreen?.language, variantId })
  await inTransaction(async () => {
    const number = await nextNumber()
    const content: Paper = { ...issuePaper(context.source, paper.date, number), rehearsal: true }
    const id = await keep({
      number,
      preparedId: null,
      documentId: null,
      brandId,
      customerName: context.customerName,
      content,
      designId: context.design.id,
      emailTextId: context.emailTextId,
      email: onScreen,
      wouldGoTo: context.recipients,
      sentTo: user.email,
      who: user,
    })
    await addJob('send-rehearsals', { rehearsalIds: [id] })
  })
}

/** Mails those that are not sent yet. */
export async function sendRehearsals(rehearsalIds: readonly number[]): Promise<void> {
  const unsent = await unsentRehearsals(rehearsalIds)
  const going = await filesOfPrepared(
    unsent.flatMap((one) => one.preparedId ?? []),
    '',
  )
  const enclosures = await withBytes(going)
  for (const one of unsent) {
    const drawn = one.stored
      ? { bytes: one.stored, problems: [] }
      : await renderPaper(one.content, one.design, clock.now())
    const { bytes } = drawn
    if (!bytes) {
      await giveUp(one.id, sentencesOf(drawn.problems))
      continue
    }
    const letter: Letter = {
      note: { subject: one.subject, text: one.text },
      paper: one.content,
      customerName: one.customerName,
      ...(one.customerId ? { account: { customerId: one.customerId, brandId: one.brandId } } : {}),
      recipients: one.wouldGoTo,
      insteadTo: one.sentTo,
      brand: {
        name: one.brandName,
        colours: one.colours,
        emailLook: one.emailLook,
        senderName: one.senderName,
        senderAddress: one.senderAddress,
        replyTo: one.replyTo,
      },
    }
    const name = one.fileName ?? `${fileNamePart(one.number)}.pdf`
    const document =
      going.get(one.preparedId ?? 0)?.form === 'odt'
        ? editableFile(one.content, name, one.colours)
        : { name, bytes, mediaType: 'application/pdf' }
    const files = [
      ...(hasFile(one.content.kind) ? [document] : []),
      ...(enclosures.get(one.preparedId ?? 0) ?? []),
    ].map((file) => ({ ...file, size: file.bytes.byteLength, isDocument: file === document }))
    const rule = going.get(one.preparedId ?? 0)?.rule
    const { attached, linked, inText } = rule
      ? carried(files, { ...rule, fitsText: fitText([one.content]) })
      : { attached: files, linked: [], inText: [] }
    letter.inText = inText.length > 0
    letter.links = await linksToCome(linked)
    const message = await composeMessage(letter, attached, {
      messageId: newMessageId(one.senderAddress),
      date: clock.now(),
    })
    const result = await handOver(
      { from: senderOf('rehearsal', one.senderAddress), to: [one.sentTo], id: `rehearsal ${one.id}` },
      message.bytes,
      async () => {},
      await mailServer(one.mailAccountId),
    )
    if (result.result === 'accepted')
      await markRehearsed({ id: one.id, now: clock.now(), reply: result.reply.text })
    else if (result.result === 'refused' && !isTemporary(result.reply))
      await giveUp(one.id, asWritten(result.reply.text))
    else log.warn({ rehearsal: one.id, result: result.result }, 'a rehearsal could not be mailed yet')
  }
}

/** A rehearsal that can never be mailed gets no further jobs; the history says why. */
async function giveUp(id: number, reason: Told): Promise<void> {
  await inTransaction(async () => {
    const given = await markRehearsalGivenUp(id, reason.words)
    if (!given) return
    await note(
      { preparedId: given.preparedId ?? undefined, documentId: given.documentId ?? undefined },
      'Clothespin',
      told('prepared/not-rehearsed', { reason }),
    )
  })
}
