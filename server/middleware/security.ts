import { defineEventHandler, setResponseHeaders } from 'h3'

/** Nothing is loaded from elsewhere, nothing may frame us; email previews are framed by us, without scripts. */
export default defineEventHandler((event) => {
  setResponseHeaders(event, {
    'content-security-policy':
      "default-src 'self'; script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; worker-src 'self' blob:; frame-src 'self' about:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'",
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
  })
})
