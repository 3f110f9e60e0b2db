import { setResponseHeaders, setResponseStatus } from 'h3'
import type { LinkPage } from '../services/links/links'
import { linkHtml } from '../services/links/page'
import { Joi, text } from './checks'
import { download } from './download'
import { publicPage } from './public-page'
import { route } from './route'

type Found = LinkPage | { file: Parameters<typeof download>[1] } | undefined

/** A route for people outside the house: a page without scripts, or the file itself. */
export const linkPageRoute = (look: (asked: { token: string; code: string }) => Promise<Found>) =>
  route<{ token: string }, object, { code?: string }>(
    {
      role: 'anyone',
      brands: 'none',
      params: Joi.object({ token: text(40).required() }),
      body: Joi.object({ code: text(60).allow('') }),
      bodyLimit: 2000,
    },
    async ({ event, params, body }) => {
      const found = await look({ token: params.token, code: body.code ?? '' })
      if (found && 'file' in found) return download(event, found.file)
      setResponseStatus(event, !found ? 404 : found.state === 'good' ? 200 : 410)
      setResponseHeaders(event, publicPage)
      return linkHtml(found)
    },
  )
