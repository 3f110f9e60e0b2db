import { setResponseHeaders } from 'h3'
import { Joi, sha256 } from '../../http/checks'
import { route } from '../../http/route'
import { readPicture } from '../../services/pictures/pictures'

/** A picture that emails carry, as it was kept. */
export default route<{ sha256: string }>(
  {
    role: 'reader',
    brands: 'none',
    params: Joi.object({ sha256: sha256.required() }),
  },
  async ({ event, params }) => {
    const { mediaType, bytes } = await readPicture(params.sha256)
    setResponseHeaders(event, {
      'content-type': mediaType,
      'x-content-type-options': 'nosniff',
      'cache-control': 'private, max-age=31536000, immutable',
    })
    return bytes
  },
)
