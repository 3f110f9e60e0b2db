import { createHash } from 'node:crypto'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { insertFiles, fileBytes } from './queries'

/**
 * Keeps bytes under their SHA-256 in PostgreSQL. The same bytes are kept once. Lists never select bytes.
 * A directory or object storage can stand behind the same calls.
 * @returns their SHA-256, in the order given
 */
export async function keepFiles(files: readonly Uint8Array[], mediaType: string): Promise<string[]> {
  const sums = files.map((bytes) => createHash('sha256').update(bytes).digest('hex'))
  await insertFiles({ sums, bytes: files.map((bytes) => Buffer.from(bytes)), mediaType, now: clock.now() })
  return sums
}

/** The same for one. */
export const keepFile = async (bytes: Uint8Array, mediaType: string): Promise<string> =>
  (await keepFiles([bytes], mediaType))[0]!

/** @throws Refusal "no-such-file" */
export async function readFileBytes(sha256: string): Promise<Uint8Array> {
  const row = await fileBytes(sha256)
  if (!row) throw new Refusal('no-such-file', { status: 404 })
  return row.bytes
}
