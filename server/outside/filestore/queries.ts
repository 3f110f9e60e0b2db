import { run, one } from '../../db/connection'

/* The statements of filestore that have no file of their own. */

export const insertFiles = (given: {
  sums: readonly string[]
  bytes: readonly unknown[]
  mediaType: string
  now: Date
}) =>
  run(
    `insert into file (sha256, media_type, size, bytes, kept_at)
    select f.sha256, $mediaType, octet_length(f.bytes), f.bytes, $now
    from unnest($sums::text[], $bytes::bytea[]) as f (sha256, bytes)
    on conflict do nothing`,
    given,
  )

export const fileBytes = (sha256: string) =>
  one<{ bytes: Buffer }>('select bytes from file where sha256 = $sha256', { sha256 })
