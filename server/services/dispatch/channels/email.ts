import { formOf } from '../../../../core/documents/editable'
import type { HandOver } from '../../../../core/dispatch/outcome'
import {
  bouncesAfter,
  provokedAddress,
  provokedBy,
  provokedResult,
  type Provocation,
} from '../../../../core/dispatch/provoked'
import { deliveryOf } from '../../../../core/dispatch/delivery'
import type { Recipient } from '../../../../core/preferences/recipients'
import {
  carried,
  fitText,
  hasFile,
  linksLacking,
  type CarriageRule,
  type Carried,
} from '../../../../core/enclosures/carriage'
import { tooLarge } from '../../../../core/enclosures/mail-size'
import { inParts, largestPart, type EmailPart } from '../../../../core/enclosures/parts'
import { Refusal } from '../../../../core/errors'
import { joined, told, toldRefusal, type Told } from '../../../../core/said/told'
import { clock } from '../../../clock'
import { logTrouble } from '../../../log'
import { addJob } from '../../../queue/add'
import { newMessageId, returnPath, senderOf } from '../../../outside/mail/return-path'
import type { MailServer } from '../../../outside/mail/connection'
import { handOver } from '../../../outside/mail/smtp'
import { filesOfDispatches, withBytes, type FileWithBytes } from '../../enclosures/going'
import { editableFile } from '../../enclosures/editable'
import { keepFile } from '../../../outside/filestore/store'
import { offerMark } from '../../links/offers'
import { openMark } from '../../links/opens'
import { updatesMark } from '../../links/updates-page'
import { linksFor, linksToCome } from '../../links/links'
import { company } from '../../house/house'
import { mailServer } from '../../house/mail-accounts'
import { composeMessage, type Letter, type Message } from '../compose'
import { lookNow } from '../email-look'
import type { Attempt, WorkerChannel } from './channel'
import { keepSent, type FileOfEmail } from './email-kept'
import {
  enclosedDocuments,
  emailsToSend,
  overtakenReminders,
  type EmailToSend,
  type Enclosed,
} from './email-queries'

/*
 * The way by email: who gets it is looked up at this moment, the message is composed and handed to the mail
 * server, with its Message-ID fixed before the first try.
 * Called by send.ts with what it has claimed.
 * Refuses: a customer who wants no email; sending to somebody who already has it.
 */

/** An email with the server it is handed to; without one, the server that was named at the start. */
type Outgoing = EmailToSend & {
  server: MailServer | undefined
  /** The house lets customers have texts to be edited. */
  editable: boolean
  /** Files that go along beside the documents. */
  enclosures: FileWithBytes[]
  /** Documents of which a copy should go along, and whose PDF is not there. */
  missing: string[]
  /** Items of a reminder on which something was booked since. */
  overtaken: string[]
  rule: CarriageRule
}

export const emailChannel: WorkerChannel<Outgoing> = {
  async load(ids) {
    const emails = await emailsToSend(ids)
    const servers = new Map<number | null, MailServer | undefined>()
    for (const { mailAccountId } of emails)
      if (!servers.has(mailAccountId)) servers.set(mailAccountId, await mailServer(mailAccountId))
    const files = await filesOfDispatches(ids)
    const enclosures = await withBytes(files)
    const overtaken = new Map((await overtakenReminders(ids)).map((one) => [one.id, one.numbers]))
    const { editableFiles } = await company()
    return emails.map((email) => ({
      ...email,
      editable: editableFiles,
      server: servers.get(email.mailAccountId),
      enclosures: enclosures.get(email.id) ?? [],
      missing: files.get(email.id)?.missing ?? [],
      overtaken: overtaken.get(email.id) ?? [],
      rule: files.get(email.id)?.rule ?? everythingAttached,
    }))
  },

  async handOver(email, beforeContent) {
    const recipients = whom(email)
    if ('stuck' in recipients) return { stuck: recipients.stuck, why: null }
    const held = whyHeld(email)
    if (held) return { stuck: 'not written', why: held }
    const others = await gathered(email)
    const files = carriedIn(email, others)
    const lost = lostOf(email, files)
    if (lost) return { stuck: 'not written', why: lost }
    const parts = inParts(files.attached, email.rule)
    const large = tooLarge(largestPart(files.attached, email.rule), email.rule.most)
    const unlinked = linksLacking(email.enclosures, email.rule)
    if (unlinked) return { stuck: 'not written', why: unlinked }
    if (parts.length > 1 && !large && !email.part) return { split: parts.map(filesOfPart) }
    if (large) return { stuck: 'too large', why: large }
    // what was made for it can be shown afterwards
    for (const file of [...files.attached, ...files.linked])
      if (file.isMade && (file.isDocument || files.linked.includes(file)))
        await keepFile(file.bytes, file.mediaType)
    const letter: Letter = {
      ...letterOf(email, recipients.list, others),
      links: await linksFor(email.id, files.linked),
      inText: files.inText.length > 0,
    }
    let message: Message
    try {
      message = await composeMessage(letter, files.attached, {
        messageId: email.messageId,
        date: clock.now(),
        mark: await openMark(email.id),
        offer: await offerMark(email.id, (await lookNow(email.emailLook)).banner),
        unsubscribe: [email, ...others].some(({ paper }) => hasFile(paper.kind))
          ? ''
          : await updatesMark(email.id),
      })
    } catch (error) {
      return { stuck: 'not written', why: whyNotWritten(error, email.id) }
    }
    const addresses = recipients.list.map((one) => one.address)
    const provoked = provokedBy(addresses)
    const result = provoked
      ? await provoke(provoked, addresses, email.id, beforeContent)
      : await handOver(
          { from: returnPath(email.id, email.senderAddress), to: addresses, id: String(email.id) },
          message.bytes,
          beforeContent,
          email.server,
        )
    return {
      result,
      sentTo: addresses[0]! + (addresses.length > 1 ? ` +${addresses.length - 1}` : ''),
      sentToAll: addresses.join(', '),
      keep: () => keepSent(email, recipients.list, letter, message, result, files),
    }
  },

  async rehearse(email, address) {
    const recipients = whom(email)
    const others = await gathered(email)
    const files = carriedIn(email, others)
    const parts = inParts(files.attached, email.rule)
    const letter: Letter = {
      ...letterOf(email, 'list' in recipients ? recipients.list : [], others),
      // of several the first is seen
      ...(parts.length > 1 ? { part: { place: 1, of: parts.length, files: [] } } : {}),
      inText: files.inText.length > 0,
      links: await linksToCome(files.linked),
      insteadTo: address,
    }
    const message = await composeMessage(letter, parts[0]!, {
      messageId: newMessageId(email.senderAddress),
      date: clock.now(),
    })
    const result = await handOver(
      { from: senderOf('rehearsal', email.senderAddress), to: [address], id: `rehearsal of ${email.id}` },
      message.bytes,
      async () => {},
      email.server,
    )
    return result.result === 'accepted'
  },
}

/** An email with which somebody provokes a failure: no mail server hears of it, and nobody has it. */
async function provoke(
  what: Provocation,
  addresses: readonly string[],
  dispatchId: number,
  beforeContent: () => Promise<void>,
): Promise<HandOver> {
  if (what === 'bounced') {
    await beforeContent()
    const runAt = new Date(clock.now().getTime() + bouncesAfter * 1000)
    await addJob('provoke-bounce', { dispatchId, address: provokedAddress(what) }, { runAt })
  }
  return provokedResult(what, addresses)
}

/** Looked up at this moment, never earlier. Somebody who already has it is not written to again. */
function whom(email: EmailToSend): { list: Recipient[] } | Extract<Attempt, { stuck: unknown }> {
  const { channels, recipients, printedInstead } = deliveryOf({
    contacts: email.contacts,
    role: email.toRole,
    preference: email.preferences[email.kind],
    copyTo: email.copyTo,
    toAddresses: email.toAddresses,
    alsoTo: email.ownEmail,
  })
  if (!channels.includes('email') && !printedInstead) return { stuck: 'no email wanted', why: null }
  const list = recipients.filter((one) => !email.reached.includes(one.address.toLowerCase()))
  return list.length === 0 ? { stuck: 'no address', why: null } : { list }
}

/** Why an email does not leave now, though it could be written; null where it does. */
function whyHeld({ missing, overtaken }: Outgoing): Told | null {
  if (missing.length > 0) return told('written/no-copy', { documents: joined(missing, 'list/comma') })
  if (overtaken.length > 0) return told('written/overtaken', { documents: joined(overtaken, 'list/comma') })
  return null
}

/** Further documents that were gathered in the same email. */
async function gathered(email: EmailToSend): Promise<Enclosed[]> {
  return email.documents < 2 ? [] : enclosedDocuments(email.id, email.documentId)
}

const everythingAttached: CarriageRule = { wish: 'attached', links: false, tooLarge: 'stop', most: Infinity }

/** The documents, then what goes along with them. */
const filesIn = (email: Outgoing, others: readonly Enclosed[]): FileOfEmail[] => [
  ...[{ ...email, name: email.fileName }, ...others]
    .filter(({ paper }) => hasFile(paper.kind))
    .map((one) => documentFile(one, email)),
  ...email.enclosures.map((file) => ({
    ...file,
    documentId: null,
    size: file.bytes.length,
    isDocument: false,
  })),
]

/** A document's PDF, or its text to be edited where its customer wants that and the house allows it. */
function documentFile(one: Enclosed, { preferences, editable, colours }: Outgoing): FileOfEmail {
  const { paper, name, sha256, bytes, documentId } = one
  const form = formOf(paper.kind, preferences[paper.kind]?.form, editable)
  const file =
    form === 'odt'
      ? editableFile(paper, name, colours)
      : { name, sha256, bytes, mediaType: 'application/pdf' }
  return { ...file, documentId, size: file.bytes.length, isDocument: true }
}

const carriedIn = (email: Outgoing, others: readonly Enclosed[]): Carried<FileOfEmail> => {
  const files = carried(filesIn(email, others), {
    ...email.rule,
    // what was split is not behind a link, whatever the house wants by now
    ...(email.part ? { tooLarge: 'stop' as const } : {}),
    fitsText: fitText([email.paper, ...others.map(({ paper }) => paper)]),
  })
  if (!email.part) return files
  const own = new Set(email.part.files.map(({ sha256 }) => sha256))
  const attached = files.attached.filter(({ sha256 }) => own.has(sha256))
  // links stand in the first alone
  return email.part.place === 1 ? { ...files, attached } : { attached, linked: [], inText: [] }
}

const filesOfPart = (files: readonly FileOfEmail[]): EmailPart['files'] =>
  files.map(({ name, sha256, size }) => ({ name, sha256, size }))

/** Why one of several emails cannot go: a file is not what it was when it was spread over them; null where all are. */
function lostOf({ part }: Outgoing, { attached }: Carried<FileOfEmail>): Told | null {
  const there = new Set(attached.map(({ sha256 }) => sha256))
  const lost = part?.files.filter(({ sha256 }) => !there.has(sha256)) ?? []
  return lost.length === 0
    ? null
    : told('written/file-lost', {
        files: joined(
          lost.map(({ name }) => name),
          'list/comma',
        ),
      })
}

/** Only a refusal is a reason; anything else is a fault of ours, logged under an id that the person reads. */
function whyNotWritten(error: unknown, dispatch: number): Told {
  if (error instanceof Refusal) return toldRefusal(error)
  const id = logTrouble(error, { dispatch }, 'an email could not be written')
  return told('trouble/not-sent', { id })
}

const letterOf = (email: EmailToSend, recipients: Recipient[], others: readonly Enclosed[]): Letter => ({
  others: others.map((other) => other.paper),
  note: { subject: email.subject, text: email.text },
  paper: email.paper,
  unpaid: email.unpaid,
  account: email,
  part: email.part,
  customerName: email.customerName,
  recipients,
  brand: {
    name: email.brandName,
    colours: email.colours,
    emailLook: email.emailLook,
    senderName: email.senderName,
    senderAddress: email.senderAddress,
    replyTo: email.replyTo,
  },
})
