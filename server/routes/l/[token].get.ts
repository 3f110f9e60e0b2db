import { getRequestHeader, sendRedirect, setResponseHeaders, setResponseStatus } from 'h3'
import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { followOffer } from '../../services/links/offers'
import { linkHtml } from '../../services/links/page'

/** The offer of an email, counted: it leads only to where that email said. */
export default route<{ token: string }>(
  { role: 'anyone', brands: 'none', params: Joi.object({ token: text(40).required() }) },
  async ({ event, params }) => {
    const href = await followOffer(params.token, getRequestHeader(event, 'user-agent') ?? '')
    setResponseHeaders(event, { 'cache-control': 'no-store', 'referrer-policy': 'no-referrer' })
    if (href) return sendRedirect(event, href, 302)
    setResponseStatus(event, 404)
    setResponseHeaders(event, { 'content-type': 'text/html; charset=utf-8' })
    return linkHtml(undefined)
  },
)
