import { kindFacts, type DocumentKind } from '../documents/kinds'
import { told, type Told } from '../said/told'
import { mailSize, megabyte } from './mail-size'

/**
 * How the files of an email travel: in it, behind a link that stands in it, or the documents both ways. "body": a short
 * document's lines and sums stand in the email's text, and there is no file of it.
 */
export type Carriage = 'attached' | 'link' | 'both' | 'body'
export const carriages: readonly Carriage[] = ['attached', 'link', 'both', 'body']

/** Whether documents of a kind go as a file; an update is told by its email alone, and its PDF is kept to prove it. */
export const hasFile = (kind: DocumentKind): boolean => !kindFacts[kind].isUpdate

/** How documents of a kind can travel: what is booked needs its file; an update has none. */
export const carriagesOf = (kind: DocumentKind): Carriage[] =>
  hasFile(kind) ? carriages.filter((one) => one !== 'body' || kindFacts[kind].books === null) : []

/** More lines than these do not stand in an email's text. */
export const mostLinesInText = 40

/** Whether documents can stand in the text of their email. */
export const fitText = (papers: readonly { kind: DocumentKind; lines: readonly unknown[] }[]): boolean =>
  papers.every(({ kind }) => carriagesOf(kind).includes('body')) &&
  papers.reduce((sum, { lines }) => sum + lines.length, 0) <= mostLinesInText

/**
 * What becomes of an email that is larger than its mail account takes: it stops, files of it go behind links,
 * or they go in several emails.
 */
export type TooLargeRule = 'stop' | 'link' | 'split'
export const tooLargeRules: readonly TooLargeRule[] = ['stop', 'link', 'split']

/** What decides how the files of one email travel. */
export interface CarriageRule {
  /** What the customer wants for this kind of document. */
  wish: Carriage
  /** Whether links lead anywhere: the house has said under which address it is reached. */
  links: boolean
  tooLarge: TooLargeRule
  /** The largest email that its mail account takes, in MB. */
  most: number
  /** Bytes of the pictures in its text, which travel in it whatever becomes of its files. */
  pictures?: number
  /** Whether its documents can stand in its text. */
  fitsText?: boolean
}

export interface CarriedFile {
  /** Bytes. */
  size: number
  /** A document of ours, not something that goes along with it. */
  isDocument: boolean
  /** It may be had so often only, which no attached file could hold to. */
  onlyLinked?: boolean
}

export interface Carried<File> {
  attached: File[]
  linked: File[]
  /** Documents whose content stands in the text. */
  inText: File[]
}

/**
 * The one answer to which files of an email are in it and which behind a link. Without an address that links could
 * begin with everything is attached but what goes as a link only, which `linksLacking` tells; what should stand in the
 * text and does not fit there is attached as well. Where
 * the house says so, files of an email that would be too large become links, enclosures before documents, the largest
 * first, until the rest fits.
 */
export function carried<File extends CarriedFile>(all: readonly File[], rule: CarriageRule): Carried<File> {
  const { wish, links, tooLarge, most, pictures = 0, fitsText = false } = rule
  const inText = wish === 'body' && fitsText ? all.filter((file) => file.isDocument) : []
  const files = all.filter((file) => !inText.includes(file))
  if (!links) return { attached: files.filter((file) => !file.onlyLinked), linked: [], inText }
  if (wish === 'link') return { attached: [], linked: files, inText }
  const out = new Set(files.filter((file) => file.onlyLinked))
  const left = () => files.filter((file) => !out.has(file))
  const fits = () => mailSize([pictures, ...left().map(({ size }) => size)]) <= most * megabyte
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
    inText,
  }
}

/** Why an email cannot go whose file goes as a link, where links lead nowhere; null where it can. */
export function linksLacking(
  files: readonly { name: string; onlyLinked?: boolean }[],
  { links }: Pick<CarriageRule, 'links'>,
): Told | null {
  const lost = links ? undefined : files.find((file) => file.onlyLinked)
  return lost ? told('carriage/links-lacking', { file: lost.name }) : null
}
