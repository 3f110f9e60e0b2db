import { createError } from 'h3'
import { contentPolicy, inlineScriptHashes } from '../http/content-policy'

/** The page's own inline scripts are allowed by their hashes, and nothing says what it was made with. */
export default defineNitroPlugin((nitro) => {
  // a path of the API that comes this far exists, but not for this method
  nitro.hooks.hook('render:before', ({ event }) => {
    if (event.path.startsWith('/api/')) throw createError({ statusCode: 405 })
  })
  nitro.hooks.hook('render:response', (response) => {
    const headers = (response.headers ??= {})
    for (const name of Object.keys(headers)) if (name.toLowerCase() === 'x-powered-by') delete headers[name]
    if (typeof response.body === 'string')
      headers['content-security-policy'] = contentPolicy(inlineScriptHashes(response.body))
  })
})
