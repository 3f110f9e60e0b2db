import { setResponseHeaders, type H3Event } from 'h3'

/**
 * A file that somebody brought, to be saved and never shown in our own pages: whatever it holds, it is not run here
 * (RFC 6266, RFC 8187 for names beyond ASCII).
 */
export function download(event: H3Event, file: { name: string; mediaType: string; bytes: Buffer }): Buffer {
  setResponseHeaders(event, {
    'content-type': file.mediaType,
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name).replaceAll("'", '%27')}`,
    'x-content-type-options': 'nosniff',
    'content-security-policy': "sandbox; default-src 'none'",
    'cache-control': 'private, no-store',
  })
  return file.bytes
}

/** A picture for our own pages; one that changes gets another address, so that it may be kept. */
export function pictureAnswer(event: H3Event, picture: { mediaType: string; bytes: Buffer }): Buffer {
  setResponseHeaders(event, {
    'content-type': picture.mediaType,
    'x-content-type-options': 'nosniff',
    'content-security-policy': "sandbox; default-src 'none'",
    'cache-control': 'private, max-age=31536000, immutable',
  })
  return picture.bytes
}
