import { setResponseHeaders } from 'h3'
import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { documentBytes } from '../../../services/register/register'

/** The very bytes that were sent. */
export default route<{ id: number }, { save: boolean }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    query: Joi.object({ save: Joi.boolean().default(false) }),
  },
  async ({ event, params, query }) => {
    const { bytes, fileName, sha256 } = await documentBytes(params.id)
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'cache-control': 'private, max-age=86400, immutable',
      etag: `"${sha256}"`,
      'content-disposition':
        `${query.save ? 'attachment' : 'inline'}; ` + `filename*=UTF-8''${encodeURIComponent(fileName)}`,
    })
    return Buffer.from(bytes)
  },
)
