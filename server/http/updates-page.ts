import { setResponseHeaders, setResponseStatus } from 'h3'
import { updatesHtml } from '../services/links/page'
import type { UpdatesPage } from '../services/links/updates-page'
import { Joi, text } from './checks'
import { publicPage } from './public-page'
import { route } from './route'

/** A route for people outside the house who want no more order updates: a page without scripts. */
export const updatesPageRoute = (look: (token: string) => Promise<UpdatesPage | undefined>) =>
  route<{ token: string }>(
    {
      role: 'anyone',
      brands: 'none',
      params: Joi.object({ token: text(40).required() }),
      // what a mail program sends along says nothing more, in whatever form it comes (RFC 8058, section 3.1)
      bodyLimit: 2000,
    },
    async ({ event, params }) => {
      const found = await look(params.token)
      setResponseStatus(event, found ? 200 : 404)
      setResponseHeaders(event, publicPage)
      return updatesHtml(found)
    },
  )
