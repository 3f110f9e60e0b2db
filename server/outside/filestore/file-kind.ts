import { fileTypeFromBuffer } from 'file-type'
import { fileKinds, plainKinds, type FileKind } from '../../../core/enclosures/file-kinds'

/**
 * What a file is, by its bytes and not by its name; undefined for what may not go along: programs, scripts, archives,
 * office files with macros, and whatever is not known.
 */
export async function fileKindOf(bytes: Uint8Array, name: string): Promise<FileKind | undefined> {
  const found = await fileTypeFromBuffer(bytes)
  if (found) return fileKinds.find((one) => one.mediaType === found.mime)
  const plain = plainKinds.find((one) => name.toLowerCase().endsWith(`.${one.ending}`))
  return plain && isPlainText(bytes) ? plain : undefined
}

function isPlainText(bytes: Uint8Array): boolean {
  if (bytes.includes(0)) return false
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return true
  } catch {
    return false
  }
}
