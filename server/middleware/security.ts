import { defineEventHandler, setResponseHeaders } from 'h3'
import { contentPolicy } from '../http/content-policy'

/** Nothing is loaded from elsewhere, nothing may frame us, and answers with data are kept by nobody on the way. */
export default defineEventHandler((event) => {
  setResponseHeaders(event, {
    'content-security-policy': contentPolicy([]),
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    ...(event.path.startsWith('/api/') ? { 'cache-control': 'no-store' } : {}),
  })
})
