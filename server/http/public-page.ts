/** The headers of a page for people outside the house: no scripts, nothing from elsewhere, kept nowhere. */
export const publicPage = {
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy':
    "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
  'referrer-policy': 'same-origin',
  'cache-control': 'no-store',
}
