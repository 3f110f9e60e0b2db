import { getRequestHeader, setResponseHeaders } from 'h3'
import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { countOpened, dot } from '../../services/links/opens'

/** The dot at the end of an email: the same whatever its address, so that it tells a stranger nothing. */
export default route<{ token: string }>(
  { role: 'anyone', brands: 'none', params: Joi.object({ token: text(40).required() }) },
  async ({ event, params }) => {
    await countOpened(params.token, getRequestHeader(event, 'user-agent') ?? '')
    setResponseHeaders(event, { 'content-type': 'image/gif', 'cache-control': 'no-store' })
    return dot
  },
)
