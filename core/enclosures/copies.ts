import type { DocumentKind } from '../documents/kinds'
import { documentKinds } from '../documents/kinds'
import type { Language } from '../money/format'
import type { StatementFacts } from '../receivables/statement'

/** How copies of what a statement lists go along with it: not at all, in one ZIP, or each as a file of its own. */
export type Copies = 'none' | 'zip' | 'singly'
export const copiesWays: readonly Copies[] = ['none', 'zip', 'singly']

/** A document of which a copy goes along. */
export interface CopiedDocument {
  documentId: number
  number: string
}

/** A stored PDF. */
export interface StoredCopy extends CopiedDocument {
  /** Its file's name. */
  name: string
  sha256: string
  /** Bytes. */
  size: number
}

/** A file of copies, as it goes along in an email. */
export interface CopyFile {
  name: string
  mediaType: string
  /** Bytes; a ZIP's as it will be, which is a little more than what is in it. */
  size: number
  /** The stored PDFs in it; one where it is none. */
  of: StoredCopy[]
  isZip: boolean
}

const isDocument = (kind: string): kind is DocumentKind => (documentKinds as readonly string[]).includes(kind)

/** The documents that statements list, each once and in their order: what the archive has to hold. */
export function documentsOn(statements: readonly StatementFacts[]): CopiedDocument[] {
  const listed = statements
    .flatMap(({ period, entries, open }) => (period.form === 'activity' ? entries : open))
    .flatMap(({ kind, documentId, number }) =>
      isDocument(kind) && documentId ? [{ documentId, number }] : [],
    )
  return [...new Map(listed.map((one) => [one.documentId, one])).values()]
}

const zipName: Record<Language, string> = { en: 'Documents', de: 'Belege', fr: 'Pieces' }

/** What a ZIP takes beyond its files: a local header, an entry of its directory and two names each, and its end. */
const zipSize = (files: readonly StoredCopy[]) =>
  files.reduce((sum, { name, size }) => sum + size + 30 + 46 + 2 * new TextEncoder().encode(name).length, 22)

/**
 * The files in which copies go along. Stored PDFs that share a name are told apart by their number's place.
 * @param stored those of the listed documents that have a stored PDF, in their order
 * @param most so large a ZIP may be, in bytes: more go into further ones
 */
export function copyFiles(
  stored: readonly StoredCopy[],
  way: Copies,
  language: Language,
  most = Infinity,
): CopyFile[] {
  if (stored.length === 0 || way === 'none') return []
  if (way === 'singly')
    return stored.map((one) => ({
      name: one.name,
      mediaType: 'application/pdf',
      size: one.size,
      of: [one],
      isZip: false,
    }))
  const zips = zipsOf(namedApart(stored), most)
  return zips.map((of, place) => ({
    name: `${zipName[language]}${zips.length > 1 ? `-${place + 1}` : ''}.zip`,
    mediaType: 'application/zip',
    size: zipSize(of),
    of,
    isZip: true,
  }))
}

/** As few as take them in their order; one that is too large alone has its own. */
function zipsOf(files: readonly StoredCopy[], most: number): StoredCopy[][] {
  const zips: StoredCopy[][] = []
  for (const file of files) {
    const last = zips.at(-1)
    if (last && zipSize([...last, file]) <= most) last.push(file)
    else zips.push([file])
  }
  return zips
}

function namedApart(stored: readonly StoredCopy[]): StoredCopy[] {
  const seen = new Map<string, number>()
  return stored.map((one) => {
    const times = (seen.get(one.name) ?? 0) + 1
    seen.set(one.name, times)
    return times === 1 ? one : { ...one, name: one.name.replace(/(\.[^.]*)?$/, ` (${times})$1`) }
  })
}
