import type { CarriedFile, CarriageRule } from './carriage'
import { mailSize, megabyte } from './mail-size'

/** One email of several over which the files of one were spread, because its mail account takes no larger one. */
export interface EmailPart {
  /** From 1. */
  place: number
  of: number
  /** What goes in it, by the content; size in bytes. */
  files: { name: string; sha256: string; size: number }[]
}

const travels = (files: readonly CarriedFile[], pictures: number) =>
  mailSize([pictures, ...files.map(({ size }) => size)])

/**
 * The files of one email as they are spread over as many as are needed where the house wants that: each in the first
 * that has room for it, so the documents, which come first, are in the first. A file that fits in none has one of its
 * own, which is too large.
 */
export function inParts<File extends CarriedFile>(
  files: readonly File[],
  { tooLarge, most, pictures = 0 }: Pick<CarriageRule, 'tooLarge' | 'most' | 'pictures'>,
): File[][] {
  const fits = (some: readonly File[]) => travels(some, pictures) <= most * megabyte
  if (tooLarge !== 'split' || fits(files)) return [[...files]]
  const parts: File[][] = []
  for (const file of files) {
    const roomy = parts.find((part) => fits([...part, file]))
    if (roomy) roomy.push(file)
    else parts.push([file])
  }
  return parts
}

/** The size of the largest of them as it travels, in bytes. */
export const largestPart = <File extends CarriedFile>(
  files: readonly File[],
  rule: Pick<CarriageRule, 'tooLarge' | 'most' | 'pictures'>,
): number => Math.max(...inParts(files, rule).map((part) => travels(part, rule.pictures ?? 0)))
