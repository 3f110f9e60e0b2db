import { deliveryOf } from '../../../core/dispatch/delivery'
import type { EmailText } from '../../../core/emailtexts/email-text'
import { wordsOfBody } from '../../../core/emailtexts/nodes'
import { textToEdit, type OwnEmail } from '../../../core/emailtexts/own-email'
import type { FieldName, MergeFields } from '../../../core/emailtexts/fields'
import { carriagesOf, type Carriage } from '../../../core/enclosures/carriage'
import { badInput, Refusal } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'
import { joined, told, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { factsOf, fillLetter, type Letter } from '../dispatch/compose'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { senderChoices, type SenderChoice } from '../house/senders'
import { checkPictures } from '../pictures/pictures'
import { lookForSecond } from '../documents/second-look'
import { keepOwnEnclosures } from '../enclosures/once'
import { keepOwnEmail, preparedRow, type PaperRow } from './queries'

/*
 * What the email of one document says: as the house says it, or as somebody wrote it for this once.
 * Called from To check. Refuses what could not leave: an address that is none, a field that this document does not
 * have, words for a document that somebody changed meanwhile.
 */

export interface EmailWords extends OwnEmail {
  /** What it says unless somebody writes it anew. */
  supplied: EmailText
  /** Somebody wrote it for this once. */
  own: boolean
  /** The values of its fields as they are now. */
  values: MergeFields
  /** Whom it can come from, the brand first, and how files of its kind can travel. */
  senders: SenderChoice[]
  carriages: Carriage[]
}

/** The email that will carry a document; null where none will. */
export function letterOf(row: PaperRow): Letter | null {
  if (!row.content || row.channel === 'paper' || row.channel === 'nothing') return null
  const { recipients } = deliveryOf({
    ...row,
    alsoTo: row.ownEmail,
    preference: row.preferences[row.kind],
  })
  return {
    note: row.ownEmail ?? { subject: row.subject, text: row.text },
    paper: row.content,
    customerName: row.customerName,
    unpaid: row.unpaid,
    part: row.part,
    account: row,
    brand: {
      name: row.brandName,
      colours: row.colours,
      emailLook: row.emailLook,
      senderName: row.senderName,
      senderAddress: row.senderAddress,
      replyTo: row.replyTo,
    },
    recipients,
  }
}

/** What is written in an email, as the house supplies it and as it is. @param alsoOpen as of `textToEdit` */
export async function wordsOf(
  letter: Letter,
  note: EmailText & { brandId: number },
  own: OwnEmail | null,
  alsoOpen: readonly FieldName[] = [],
): Promise<EmailWords> {
  const supplied = suppliedText(letter, { subject: note.subject, text: note.text }, alsoOpen)
  return {
    ...supplied,
    cc: [],
    bcc: [],
    leftOut: [],
    added: [],
    ...own,
    supplied,
    own: own !== null,
    values: factsOf(letter).values,
    senders: await senderChoices(note.brandId),
    carriages: carriagesOf(letter.paper.kind),
  }
}

/** The house's text with this document's words in it; as it is where they do not fill it. */
function suppliedText(letter: Letter, note: EmailText, alsoOpen: readonly FieldName[]): EmailText {
  try {
    return textToEdit(note, factsOf(letter).values, alsoOpen)
  } catch (error) {
    if (error instanceof Refusal) return note
    throw error
  }
}

/** @throws Refusal "bad-address" */
export function checkAddresses(own: OwnEmail | null): void {
  if (!own) return
  const written = { cc: own.cc, bcc: own.bcc, replyTo: own.replyTo ? [own.replyTo] : [] }
  for (const [field, addresses] of Object.entries(written)) {
    const wrong = addresses.find((address) => !isAddress(address))
    if (wrong !== undefined) throw badInput('bad-address', field, { address: wrong })
  }
}

/** @throws Refusal "no-such-sender" for one of another brand, or of none any more */
export async function checkSender({ senderId = null }: OwnEmail, brandId: number): Promise<void> {
  if (senderId !== null && !(await senderChoices(brandId)).some(({ id }) => id === senderId))
    throw badInput('no-such-sender', 'senderId')
}

/** What the history says of an email that was written for once, or is the house's again. */
export function toldWritten(own: OwnEmail | null): Told {
  if (!own) return told('email/usual')
  const { senderId, replyTo, attach } = own
  const parts = [
    told('email/own', { subject: wordsOfBody(own.subject) }),
    ...(typeof senderId === 'number' ? [told('email/own-sender')] : []),
    ...(replyTo ? [told('email/own-answers', { address: replyTo })] : []),
    ...(attach ? [told('email/own-files', { how: told(`carriage/${attach}`) })] : []),
  ]
  return joined(parts, 'list/sentences')
}

/**
 * Keeps what a person writes for this one email, or null for what the house says; its history says so.
 * @param revision as it was looked at
 * @throws Refusal "no-such-paper", "changed-again", "bad-address", "no-email", "no-such-enclosure", "too-large-email",
 * and those of `settle`
 */
export async function writeOwnEmail(
  id: number,
  revision: number,
  own: OwnEmail | null,
  who: Principal,
): Promise<void> {
  checkAddresses(own)
  await inTransaction(async () => {
    const row = await preparedRow(id, who.name)
    if (!row) throw new Refusal('no-such-paper', { status: 404 })
    const letter = letterOf(row)
    if (!letter) throw new Refusal('no-email')
    if (own) {
      fillLetter({ ...letter, note: own })
      await checkPictures(own.text)
      await checkSender(own, row.brandId)
    }
    const kept = await keepOwnEmail({ id, revision, own })
    if (!kept) throw new Refusal('changed-again')
    await keepOwnEnclosures(id, own, who)
    await lookForSecond([id])
    await noteAll([
      {
        ...kept,
        preparedId: id,
        actor: who.name,
        ...toldWritten(own),
      },
    ])
    publish('line', [id])
  })
}
