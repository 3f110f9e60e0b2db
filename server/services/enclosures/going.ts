import { carried, type Carried, type CarriageRule } from '../../../core/enclosures/carriage'
import { goingAlong, type GoingAlong } from '../../../core/enclosures/enclosures'
import { documentAsARule, mailSize, tooLarge } from '../../../core/enclosures/mail-size'
import { dayInZone } from '../../../core/documents/days'
import { clock } from '../../clock'
import { company } from '../house/house'
import {
  anyEnclosure,
  bytesOf,
  emailsOfCopies,
  emailsOfDispatches,
  emailsOfPrepared,
  enclosuresThatMay,
  type EmailAsked,
} from './queries'

/*
 * Which files go along in an email: found at the moment it is asked, like its recipients. What shows an email, the
 * check before a Send, the Send itself and what sends ask here.
 */

/** What goes along in one email. */
export interface EmailFiles {
  /** With those that somebody left out. */
  enclosures: GoingAlong[]
  /** The largest email that its mail account takes, in MB. */
  most: number
  /** What decides which files are in it, and which behind a link. */
  rule: CarriageRule
}

/**
 * What goes along with prepared documents, by their ids; those that do not go by email are left out.
 * @param person who would have it sent
 */
export async function filesOfPrepared(
  ids: readonly number[],
  person: string,
): Promise<Map<number, EmailFiles>> {
  return filesOf(await emailsOfPrepared(ids, person))
}

/** What goes along in emails that are not sent yet, by their ids. */
export const filesOfDispatches = async (ids: readonly number[]): Promise<Map<number, EmailFiles>> =>
  filesOf(await emailsOfDispatches(ids))

/** What goes along with a copy of a document, by the documents' ids. @param person who would have it sent */
export const filesOfCopies = async (
  documentIds: readonly number[],
  person: string,
): Promise<Map<number, EmailFiles>> => filesOf(await emailsOfCopies(documentIds, person))

async function filesOf(asked: readonly EmailAsked[]): Promise<Map<number, EmailFiles>> {
  if (asked.length === 0) return new Map()
  const { timeZone, publicAddress, tooLarge: large } = await company()
  const day = dayInZone(clock.now(), timeZone)
  const kept = await enclosuresThatMay({
    customers: [...new Set(asked.map((one) => one.customerId))],
    sources: [...new Set(asked.flatMap((one) => one.documents.map(({ sourceId }) => sourceId)))],
    added: asked.flatMap((one) => [...(one.own?.added ?? [])]),
  })
  return new Map(
    asked.map(({ id, most, wish, ...one }) => [
      id,
      {
        most,
        rule: { wish, links: publicAddress !== '', tooLarge: large, most },
        enclosures: goingAlong(kept, { ...one, day }),
      },
    ]),
  )
}

/** Those that are not left out. */
export const going = (files: EmailFiles | undefined): GoingAlong[] =>
  files?.enclosures.filter((one) => !one.leftOut) ?? []

/** A file of an email; of an enclosure its id. */
export interface FileGoing {
  size: number
  isDocument: boolean
  enclosureId: number | null
}

/** Which files are in an email, and which behind a link, with documents that may not be drawn yet. */
export const carriedOf = (
  files: EmailFiles,
  documents: readonly number[] = [documentAsARule],
  fitsText = false,
): Carried<FileGoing> =>
  carried(
    [
      ...documents.map((size): FileGoing => ({ size, isDocument: true, enclosureId: null })),
      ...going(files).map(({ id, size }): FileGoing => ({ size, isDocument: false, enclosureId: id })),
    ],
    { ...files.rule, fitsText },
  )

/** An email's size as it travels, with one document that may not be drawn yet. @param documents their bytes */
export const sizeOf = (files: EmailFiles, documents?: readonly number[]): number =>
  mailSize(carriedOf(files, documents).attached.map(({ size }) => size))

/** Why prepared documents cannot go: their email would be larger than its mail account takes. By id, in words. */
export async function oversized(ids: readonly number[], person: string): Promise<Map<number, string>> {
  if (ids.length === 0 || !(await anyEnclosure())) return new Map()
  const found = new Map<number, string>()
  for (const [id, files] of await filesOfPrepared(ids, person)) {
    const words = tooLarge(sizeOf(files), files.most)
    if (words) found.set(id, words)
  }
  return found
}

/** Files with their bytes, each content read once however many emails it goes along in. */
export async function withBytes(
  files: ReadonlyMap<number, EmailFiles>,
): Promise<Map<number, { name: string; mediaType: string; sha256: string; bytes: Buffer }[]>> {
  const sums = new Set([...files.values()].flatMap((one) => going(one).map(({ sha256 }) => sha256)))
  const bytes = new Map((await bytesOf([...sums])).map((one) => [one.sha256, one.bytes]))
  return new Map(
    [...files].map(([id, one]) => [
      id,
      going(one).map(({ name, mediaType, sha256 }) => ({
        name,
        mediaType,
        sha256,
        bytes: bytes.get(sha256)!,
      })),
    ]),
  )
}
