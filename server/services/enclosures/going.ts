import { createHash } from 'node:crypto'
import { zipSync } from 'fflate'
import {
  carried,
  hasFile,
  linksLacking,
  type Carried,
  type CarriageRule,
} from '../../../core/enclosures/carriage'
import {
  copyFiles,
  documentsOn,
  type CopiedDocument,
  type CopyFile,
  type StoredCopy,
} from '../../../core/enclosures/copies'
import { goingAlong, type GoingAlong } from '../../../core/enclosures/enclosures'
import { documentAsARule, mailSize, roomIn, tooLarge } from '../../../core/enclosures/mail-size'
import { inParts, largestPart } from '../../../core/enclosures/parts'
import { dayInZone } from '../../../core/documents/days'
import { formOf, type FileForm } from '../../../core/documents/editable'
import type { Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { company } from '../house/house'
import {
  anyLists,
  anyEnclosure,
  documentsWithCopies,
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
export interface EmailFiles extends CopiesGoing {
  /** With those that somebody left out. */
  enclosures: GoingAlong[]
  /** The largest email that its mail account takes, in MB. */
  most: number
  /** What decides which files are in it, and which behind a link. */
  rule: CarriageRule
  /** Its documents are told by the email alone. */
  tellsAlone: boolean
  /** The form in which its documents go. */
  form: FileForm
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
  const { timeZone, publicAddress, tooLarge: large, editableFiles } = await company()
  const day = dayInZone(clock.now(), timeZone)
  const kept = await enclosuresThatMay({
    customers: [...new Set(asked.map((one) => one.customerId))],
    sources: [...new Set(asked.flatMap((one) => one.documents.map(({ sourceId }) => sourceId)))],
    items: [...new Set(asked.flatMap((one) => one.documents.flatMap(({ items }) => [...items])))],
    added: asked.flatMap((one) => [...(one.own?.added ?? [])]),
  })
  const copies = await copiesFor(asked, large === 'split')
  return new Map(
    asked.map(({ id, most, wish, form, pictures, copies: _, statements: __, ...one }) => [
      id,
      {
        most,
        ...(copies.get(id) ?? noCopies),
        rule: { wish, links: publicAddress !== '', tooLarge: large, most, pictures },
        enclosures: goingAlong(kept, { ...one, day }),
        form: formOf(one.documents[0]!.kind, form ?? undefined, editableFiles),
        tellsAlone: one.documents.every(({ kind }) => !hasFile(kind)),
      },
    ]),
  )
}

/** The copies that go along in each email. @param split where one takes too much they go in several */
async function copiesFor(asked: readonly EmailAsked[], split: boolean): Promise<Map<number, CopiesGoing>> {
  const wanted = asked.flatMap(({ id, copies, statements, documents, most }) =>
    copies && copies !== 'none' && statements
      ? [{ id, copies, of: documentsOn(statements), language: documents[0]!.language, most }]
      : [],
  )
  if (wanted.length === 0) return new Map()
  const ids = wanted.flatMap((one) => one.of.map(({ documentId }) => documentId))
  const found = new Map((await documentsWithCopies(ids)).map((one) => [one.documentId, one]))
  return new Map(
    wanted.map(({ id, copies, of, language, most }) => {
      const documents = of.flatMap(({ documentId }) => found.get(documentId) ?? [])
      const without = documents.filter((one) => one.stored === null)
      const stored = documents.flatMap((one) => one.stored ?? [])
      return [
        id,
        {
          copies: copyFiles(stored, copies, language, split ? roomIn(most) : Infinity),
          sentEarlier: without.filter((one) => !one.isOurs).map((one) => one.number),
          missing: without.filter((one) => one.isOurs).map((one) => one.number),
        },
      ]
    }),
  )
}

/** Copies of what the statements of an email list. */
interface CopiesGoing {
  copies: CopyFile[]
  /** Documents of the program before, of which there is no PDF. */
  sentEarlier: string[]
  /** Our own whose PDF cannot be had: the email does not leave without them. */
  missing: string[]
}
const noCopies: CopiesGoing = { copies: [], sentEarlier: [], missing: [] }

/** Those that are not left out. */
export const going = (files: EmailFiles | undefined): GoingAlong[] =>
  files?.enclosures.filter((one) => !one.leftOut) ?? []

/** An attached file can be had any number of times, for ever. */
const isOnlyLinked = ({ mostDownloads, goodDays }: Pick<GoingAlong, 'mostDownloads' | 'goodDays'>): boolean =>
  mostDownloads !== null || goodDays !== null

/** A file of an email, and what tells it from its others. */
export interface FileGoing {
  size: number
  isDocument: boolean
  onlyLinked?: boolean
  key: `enclosure ${number}` | `copy ${number}` | 'document'
}

/** Which files are in an email, and which behind a link, with documents that may not be drawn yet. */
export const carriedOf = (
  files: EmailFiles,
  documents: readonly number[] = [documentAsARule],
  fitsText = false,
): Carried<FileGoing> =>
  carried(
    [
      ...(files.tellsAlone ? [] : documents).map((size): FileGoing => ({
        size,
        isDocument: true,
        key: 'document',
      })),
      ...going(files).map((file): FileGoing => ({
        size: file.size,
        isDocument: false,
        onlyLinked: isOnlyLinked(file),
        key: `enclosure ${file.id}`,
      })),
      ...files.copies.map(({ size }, place): FileGoing => ({
        size,
        isDocument: false,
        key: `copy ${place}`,
      })),
    ],
    { ...files.rule, fitsText },
  )

/** An email's size as it travels, with one document that may not be drawn yet. @param documents their bytes */
export const sizeOf = (files: EmailFiles, documents?: readonly number[]): number =>
  mailSize([files.rule.pictures ?? 0, ...carriedOf(files, documents).attached.map(({ size }) => size)])

/** How many emails it takes, where the house has too large ones split. @param documents their bytes */
export const emailsFor = (files: EmailFiles, documents?: readonly number[]): number =>
  inParts(carriedOf(files, documents).attached, files.rule).length

/** Why an email cannot go with its files: too large for its mail account, or links that lead nowhere. */
export const whyNotWithFiles = (files: EmailFiles): Told | null =>
  linksLacking(
    going(files).map((file) => ({ name: file.name, onlyLinked: isOnlyLinked(file) })),
    files.rule,
  ) ?? tooLarge(largestPart(carriedOf(files).attached, files.rule), files.most)

/** Why prepared documents cannot go with the files that should go along. By id. */
export async function stoppedByFiles(ids: readonly number[], person: string): Promise<Map<number, Told>> {
  if (ids.length === 0 || !((await anyEnclosure()) ?? (await anyLists(ids)))) return new Map()
  const found = new Map<number, Told>()
  for (const [id, files] of await filesOfPrepared(ids, person)) {
    const why = whyNotWithFiles(files)
    if (why) found.set(id, why)
  }
  return found
}

/** Files with their bytes, each content read once however many emails it goes along in. */
export async function withBytes(
  files: ReadonlyMap<number, EmailFiles>,
): Promise<Map<number, FileWithBytes[]>> {
  const sums = new Set(
    [...files.values()].flatMap((one) => [
      ...going(one).map(({ sha256 }) => sha256),
      ...one.copies.flatMap(({ of }) => of.map(({ sha256 }) => sha256)),
    ]),
  )
  const bytes = new Map((await bytesOf([...sums])).map((one) => [one.sha256, one.bytes]))
  return new Map(
    [...files].map(([id, one]) => [
      id,
      [
        ...going(one).map((file) => ({
          name: file.name,
          mediaType: file.mediaType,
          sha256: file.sha256,
          bytes: bytes.get(file.sha256)!,
          ...(isOnlyLinked(file)
            ? { onlyLinked: true, mostDownloads: file.mostDownloads, goodDays: file.goodDays }
            : {}),
          ofItem: file.source === 'item',
        })),
        ...one.copies.map((file) => copyWithBytes(file, bytes)),
      ],
    ]),
  )
}

export interface FileWithBytes {
  name: string
  mediaType: string
  sha256: string
  bytes: Buffer
  /** Of a file of copies: the documents in it. */
  of?: CopiedDocument[]
  /** It is made for this email, and kept nowhere by its SHA-256. */
  isMade?: boolean
  /** It goes as a link, which is good so often and so many days. */
  onlyLinked?: boolean
  mostDownloads?: number | null
  goodDays?: number | null
  /** It goes along with an item that is sold. */
  ofItem?: boolean
}

/** A ZIP holds the stored PDFs as they are: the same documents give the same bytes (APPNOTE 6.3.10, stored). */
function copyWithBytes(file: CopyFile, bytes: ReadonlyMap<string, Buffer>): FileWithBytes {
  const { name, mediaType, isZip } = file
  const of = file.of.map(({ documentId, number }) => ({ documentId, number }))
  if (!isZip) {
    const [{ sha256 }] = file.of as [StoredCopy]
    return { name, mediaType, of, sha256, bytes: bytes.get(sha256)! }
  }
  const packed = zipSync(Object.fromEntries(file.of.map((one) => [one.name, bytes.get(one.sha256)!])), {
    level: 0,
    mtime: new Date('2000-01-01T12:00:00'),
  })
  const whole = Buffer.from(packed.buffer, packed.byteOffset, packed.byteLength)
  return {
    name,
    mediaType,
    of,
    isMade: true,
    bytes: whole,
    sha256: createHash('sha256').update(whole).digest('hex'),
  }
}
