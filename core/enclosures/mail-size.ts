import { told, type Told } from '../said/told'

/** A mail server counts these; a megabyte is a million bytes. */
export const megabyte = 1_000_000

/** So large one file may be, in bytes. */
export const mostFileBytes = 10 * megabyte

/** What subject, both forms of the text and the parts' headings take at most. */
const wordsOfEmail = 60_000

/** What the PDF of a document takes as a rule, where it is not drawn yet. */
export const documentAsARule = 150_000

/**
 * The size of an email as it travels: base64 in lines of 76 letters and a line end makes 78 of every 57 bytes
 * (RFC 2045, section 6.8). @param files their bytes
 */
export const mailSize = (files: readonly number[]): number =>
  files.reduce((sum, bytes) => sum + Math.ceil(bytes / 57) * 78, wordsOfEmail)

/** So many bytes of a single file fit into an email of at most so many MB, the other way round. */
export const roomIn = (most: number): number =>
  Math.max(0, Math.floor((most * megabyte - wordsOfEmail) / 78) * 57)

/** "3.4 MB", "120 kB" */
export const sizeWords = (bytes: number): string =>
  bytes < megabyte
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / megabyte).toFixed(1).replace(/\.0$/, '')} MB`

/** Why an email is too large for its mail account; null where it is not. @param most MB */
export const tooLarge = (size: number, most: number): Told | null =>
  size <= most * megabyte ? null : told('carriage/too-large', { size: sizeWords(size), most })
