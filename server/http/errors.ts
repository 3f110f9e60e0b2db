import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { logTrouble } from '../log'

/**
 * What is said where no route answered: paths that do not exist, methods a path does not take, and faults
 * outside of any route.
 */
const sentences: Record<number, { code: string; title: string }> = {
  404: { code: 'no-such-path', title: 'There is nothing at this address.' },
  405: { code: 'no-such-method', title: 'This address does not take that method.' },
}

/** Nitro's last word on an error: problem+json (RFC 9457) for the API, a plain line for the rest. */
export default async function answerError(error: H3Error, event: H3Event): Promise<void> {
  const status = error.statusCode || 500
  const known = sentences[status]
  const trouble =
    status >= 500 ? logTrouble(error.cause ?? error, { path: event.path }, 'a request failed') : ''
  const title =
    known?.title ??
    (trouble
      ? 'That did not work because of a fault in Clothespin, and nothing was changed. Tell your IT ' +
        `person this number: ${trouble}.`
      : 'That cannot be answered.')
  const code = known?.code ?? (trouble ? 'trouble' : 'refused')
  setResponseStatus(event, status)
  setResponseHeader(event, 'cache-control', 'no-store')
  if (!event.path.startsWith('/api/')) {
    await send(event, title, 'text/plain; charset=utf-8')
    return
  }
  const body = { type: `urn:clothespin:${code}`, status, code, title, about: {} }
  await send(event, JSON.stringify(body), 'application/problem+json')
}
