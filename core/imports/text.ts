import { Refusal } from '../errors'

export type Encoding = 'UTF-8' | 'UTF-16LE' | 'UTF-16BE' | 'Windows-1252'

/**
 * The text of a file of unknown encoding: by its byte order mark, else UTF-8 where it is valid, else Windows-1252.
 * @throws Refusal "not-text" for what holds bytes that no text has
 */
export function decodeText(bytes: Uint8Array): { text: string, encoding: Encoding } {
  const head = bytes.subarray(0, 3)
  if (head[0] === 0xff && head[1] === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16LE' }
  if (head[0] === 0xfe && head[1] === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16BE' }
  if (bytes.subarray(0, 8000).includes(0)) throw new Refusal('not-text', 'This file is not text: it may be a spreadsheet or a picture. Save it as CSV, or as the bank gives it, and try again.', { status: 400 })
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' }
  }
}
