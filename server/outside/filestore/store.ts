import { createHash } from 'node:crypto'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { one, run } from '../../db/connection'

/**
 * Keeps bytes under their SHA-256 in PostgreSQL. The same bytes are kept once. Lists never select bytes.
 * A directory or object storage can stand behind the same two calls.
 */
export async function keepFile(bytes: Uint8Array, mediaType: string): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  await run(
    `insert into file (sha256, media_type, size, bytes, kept_at)
    values ($1, $2, $3, $4, $5)
    on conflict do nothing`,
    [sha256, mediaType, bytes.byteLength, Buffer.from(bytes), clock.now()],
  )
  return sha256
}

/** @throws Refusal "no-such-file" */
export async function readFileBytes(sha256: string): Promise<Uint8Array> {
  const row = await one<{ bytes: Buffer }>('select bytes from file where sha256 = $1', [sha256])
  if (!row) throw new Refusal('no-such-file', 'That file is not in store.', { status: 404 })
  return row.bytes
}
