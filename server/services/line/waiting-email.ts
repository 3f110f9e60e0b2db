import type { EmailText } from '../../../core/emailtexts/email-text'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { fillLetter, type Letter } from '../dispatch/compose'
import { checkPictures } from '../pictures/pictures'
import { addedToAny, tooLargeAmong } from '../enclosures/once'
import { note } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { checkAddresses, checkSender, letterOf, wordsOf, toldWritten, type EmailWords } from './own-email'
import { letterToCome, mailCopyOf } from './queries'
import { keepWaitingEmail, lockWaitingEmail } from './waiting-email-queries'

/*
 * What an email says that has not left: one that waits, is held or is stuck. Its documents are issued, so every field
 * has its value.
 * Called from Waiting, Stuck and the Register; when it goes is decided elsewhere.
 * Refuses what could not leave, an email that is leaving or has left, and words for one that somebody wrote meanwhile.
 */

/** An email that has not left, as a person can write it anew. */
export interface WaitingEmail {
  dispatchId: number
  revision: number
  /** The document that a file is added to for this once. */
  preparedId: number
  words: EmailWords
}

interface ToCome {
  letter: Letter
  supplied: EmailText & { brandId: number }
  own: OwnEmail | null
  preparedIds: number[]
}

/** An email with the documents that are in it; undefined where it is none. */
async function emailToCome(dispatchId: number): Promise<ToCome | undefined> {
  const [row, ...others] = await letterToCome(dispatchId)
  const letter = row && letterOf(row)
  if (!letter) return undefined
  return {
    letter: { ...letter, others: others.map((other) => other.content) },
    supplied: { subject: row.subject, text: row.text, brandId: row.brandId },
    own: row.ownEmail,
    preparedIds: [row, ...others].map((one) => one.id),
  }
}

/** Null where it is no email, or one that is leaving or has left. */
export async function waitingEmail(dispatchId: number): Promise<WaitingEmail | null> {
  const found = await lockWaitingEmail(dispatchId, false)
  if (!found?.open) return null
  const email = await emailToCome(dispatchId)
  if (!email) return null
  return {
    dispatchId,
    revision: found.revision,
    preparedId: email.preparedIds[0]!,
    words: await wordsOf(email.letter, email.supplied, email.own),
  }
}

/**
 * Keeps what a person writes for an email that has not left, or null for what the house says; its history says so.
 * @param revision as it was looked at
 * @throws Refusal "no-such-email", "left-already", "changed-again", "bad-address", "no-such-enclosure",
 * "too-large-email", and those of `settle`
 */
export async function writeWaitingEmail(
  dispatchId: number,
  revision: number,
  own: OwnEmail | null,
  who: Principal,
): Promise<void> {
  checkAddresses(own)
  await inTransaction(async () => {
    const found = await lockWaitingEmail(dispatchId, true)
    if (!found) throw new Refusal('no-such-email', { status: 404 })
    if (!found.open) throw new Refusal('left-already')
    if (found.revision !== revision) throw new Refusal('changed-again')
    const email = (await emailToCome(dispatchId))!
    if (own) {
      fillLetter({ ...email.letter, note: own })
      await checkPictures(own.text)
      await checkSender(own, email.supplied.brandId)
      if (!(await addedToAny(email.preparedIds, own.added))) throw badInput('no-such-enclosure', 'files')
    }
    // what has left with other words stays in its history, as it was
    const sentBefore = await mailCopyOf(dispatchId)
    await keepWaitingEmail({ dispatchId, own })
    const words = own && (await tooLargeAmong(dispatchId))
    if (words) throw badInput('too-large-email', 'files', { words })
    await note({ dispatchId }, who.name, toldWritten(own), sentBefore ? { sentBefore } : undefined)
    publish('line')
  })
}
