import { mailSize, megabyte } from './mail-size'

/** How the files of an email travel: in it, behind a link that stands in it, or the documents both ways. */
export type Carriage = 'attached' | 'link' | 'both'
export const carriages: readonly Carriage[] = ['attached', 'link', 'both']

/** What decides how the files of one email travel. */
export interface CarriageRule {
  /** What the customer wants for this kind of document. */
  wish: Carriage
  /** Whether links lead anywhere: the house has said under which address it is reached. */
  links: boolean
  /** What becomes of an email that is larger than its mail account takes. */
  tooLarge: 'stop' | 'link'
  /** The largest email that its mail account takes, in MB. */
  most: number
}

export interface CarriedFile {
  /** Bytes. */
  size: number
  /** A document of ours, not something that goes along with it. */
  isDocument: boolean
}

export interface Carried<File> {
  attached: File[]
  linked: File[]
}

/**
 * The one answer to which files of an email are in it and which behind a link. Without an address that links could
 * begin with everything is attached. Where the house says so, files of an email that would be too large become
 * links, enclosures before documents, the largest first, until the rest fits.
 */
export function carried<File extends CarriedFile>(
  files: readonly File[],
  { wish, links, tooLarge, most }: CarriageRule,
): Carried<File> {
  if (!links) return { attached: [...files], linked: [] }
  if (wish === 'link') return { attached: [], linked: [...files] }
  const out = new Set<File>()
  const left = () => files.filter((file) => !out.has(file))
  const fits = () => mailSize(left().map(({ size }) => size)) <= most * megabyte
  if (tooLarge === 'link') {
    const first = [...files].sort((a, b) => Number(a.isDocument) - Number(b.isDocument) || b.size - a.size)
    for (const file of first) {
      if (fits()) break
      out.add(file)
    }
  }
  return {
    attached: left(),
    linked: files.filter((file) => out.has(file) || (wish === 'both' && file.isDocument)),
  }
}
