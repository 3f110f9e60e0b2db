import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import { dayInZone, dayWords } from '../../../core/documents/days'
import { kindFacts } from '../../../core/documents/kinds'
import { badInput, Refusal } from '../../../core/errors'
import { isAddress, type ContactFacts } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJob } from '../../queue/add'
import { fillLetter } from '../dispatch/compose'
import { openToRemind } from '../receivables/remind-of-invoice'
import { checkPictures } from '../pictures/pictures'
import { newDispatch } from '../dispatch/create'
import { noPdf } from '../dispatch/no-pdf'
import { isUnpainted } from '../dispatch/queries'
import { filesOfCopies } from '../enclosures/going'
import { addedToAny, tooLargeAmong } from '../enclosures/once'
import { company, emailTextsInForce } from '../house/house'
import { emailTextFor, type TextQuestion } from '../house/text-for'
import { variantInUse, variantsHaving } from '../house/variants'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { copyLetter, copyOnItsWay, documentToCopy, lockDocument, whoHasIt } from './copy-queries'
import { preview, type EmailView } from './email-view'
import { checkAddresses, checkSender, letterOf, wordsOf, type EmailWords } from './own-email'

/*
 * A document once more: the very PDF that was stored, with a text of its own, to one address.
 * Called from every place that shows an issued document.
 * Refuses what was voided, what has no PDF, an address that has it already unless somebody says "again", and the same
 * copy twice at one instant.
 */

/** A copy as it would go. */
export interface CopyToWrite {
  /** The document that a file is added to for this once. */
  preparedId: number
  words: EmailWords
  email: EmailView
  /** The customer's people, to choose from. */
  contacts: ContactFacts[]
  /** Variants that have an email text for it. */
  texts: { id: number; name: string }[]
}

/** Whose email text a copy goes with: a variant, 0 for the brand's own; nothing as its customer has it. */
type TextChosen = number | null

/** Whom the greeting names is known once somebody has said to whom it goes. */
const openInCopies = ['greeting', 'contact'] as const

/** What a document is sent once more for: because somebody asked for it, or because it is not paid. */
export type CopyPurpose = Exclude<EmailPurpose, 'first'>

/** What the email says is still open; null where it reminds of nothing. */
const unpaidOf = async (documentId: number, purpose: CopyPurpose, again: boolean) =>
  purpose === 'reminder' ? openToRemind(documentId, again) : null

/** @throws Refusal "no-such-document", and those of `openToRemind` */
export async function copyToWrite(
  documentId: number,
  purpose: CopyPurpose,
  who: Principal,
  chosen: TextChosen = null,
): Promise<CopyToWrite> {
  const row = await rowOf(documentId, purpose, await unpaidOf(documentId, purpose, true), who, chosen)
  const letter = letterOf(row)!
  const files = (await filesOfCopies([documentId], who.name)).get(documentId)
  return {
    preparedId: row.id,
    words: await wordsOf(letter, row, null, openInCopies),
    email: await preview(letter, files),
    contacts: row.contacts,
    texts: await variantsHaving(await emailTextsInForce(row.kind, [purpose]), row.brandId),
  }
}

/** @throws Refusal "no-such-variant" */
async function textOf(purpose: CopyPurpose, of: TextQuestion, chosen: TextChosen): Promise<number> {
  await variantInUse(chosen || null, 'text')
  return emailTextFor(purpose, chosen === null ? of : { ...of, variantId: chosen || null })
}

async function rowOf(
  documentId: number,
  purpose: CopyPurpose,
  unpaid: string | null,
  who: Principal,
  chosen: TextChosen,
) {
  const document = await documentToCopy(documentId)
  const textId = document && (await textOf(purpose, document, chosen))
  const row = textId && (await copyLetter(documentId, textId, unpaid, who.name))
  if (!row) throw new Refusal('no-such-document', { status: 404 })
  return row
}

/** Who already has a document by email: asked before a copy goes to the same person. */
export const alreadySent = (documentId: number): Promise<{ address: string; at: Date; outcome: string }[]> =>
  whoHasIt(documentId)

export interface CopyWanted {
  address: string
  purpose?: CopyPurpose
  /** Somebody read that this person has it already, or that it was reminded of a short while ago. */
  again?: boolean
  /** What was written for it; nothing for what the house says with a copy. */
  own?: OwnEmail | null
  text?: TextChosen
}

/**
 * Sends the stored PDF once more, to one address, marked as a copy in the history.
 * @throws Refusal "sent-before" when that person already has it and nobody said "again", "bad-address",
 * "no-such-document", "void", "goes-already", "no-such-variant", "no-such-enclosure", "too-large-email", and those of
 * `settle` and `openToRemind`
 */
export async function sendCopy(
  documentId: number,
  { address, purpose = 'again', again = false, own = null, text = null }: CopyWanted,
  who: Principal,
): Promise<number> {
  const to = address.trim()
  if (!isAddress(to)) throw badInput('bad-address', 'address', { address: to })
  checkAddresses(own)
  return inTransaction(async () => {
    // one at a time: the same copy asked for twice at one instant goes once
    await lockDocument(documentId)
    const document = await documentToCopy(documentId)
    if (!document) throw new Refusal('no-such-document', { status: 404 })
    if (document.voided) throw new Refusal('void', { values: { document: document.number } })
    if (document.takenOver && !document.painted) throw noPdf()
    const unpaid = await unpaidOf(documentId, purpose, again)
    // who is reminded has it already
    const sent = unpaid === null ? await alreadySent(documentId) : []
    const before = sent.find((one) => one.address === to.toLowerCase())
    if (before && !again)
      throw new Refusal('sent-before', {
        values: {
          document: document.number,
          to,
          day: dayWords(dayInZone(before.at, (await company()).timeZone)),
        },
        about: { field: 'again' },
      })
    const waiting = await copyOnItsWay(documentId, to)
    if (waiting) throw new Refusal('goes-already', { values: { to } })
    if (own) await checkWords(await rowOf(documentId, purpose, unpaid, who, text), own)
    // locked, so that painting either sees the copy or has stored the PDF before
    const painted = !(await isUnpainted(documentId))
    const id = await newDispatch({
      ...document,
      emailTextId: await textOf(purpose, document, text),
      channel: 'email',
      documentId,
      role: kindFacts[document.kind].to,
      sendTo: to,
      toAddresses: [to],
      ownEmail: own,
      unpaid,
      copyTo: [],
      isCopy: true,
      ready: painted,
      notBefore: clock.now(),
      who,
    })
    const words = await tooLargeAmong(id)
    if (words) throw badInput('too-large-email', 'files', { words })
    if (painted) await addJob('send-dispatches', { dispatchIds: [id] })
    publish('line')
    return id
  })
}

/** What somebody wrote must fill, and what was added must be there. */
async function checkWords(row: Awaited<ReturnType<typeof rowOf>>, own: OwnEmail): Promise<void> {
  fillLetter({ ...letterOf(row)!, note: own })
  await checkPictures(own.text)
  await checkSender(own, row.brandId)
  if (!(await addedToAny([row.id], own.added))) throw badInput('no-such-enclosure', 'files')
}
