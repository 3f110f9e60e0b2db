import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { Refusal } from '../../core/errors'
import { logTrouble } from '../log'
import { problemOf, troubleOf } from './problem'

/** What is said where no route answered: paths that do not exist, and methods a path does not take. */
const says = { 404: 'no-such-path', 405: 'no-such-method' } as const

/** Nitro's last word on an error: problem+json (RFC 9457) for the API, a plain line for the rest. */
export default async function answerError(error: H3Error, event: H3Event): Promise<void> {
  const status = error.statusCode || 500
  const refusal =
    status >= 500
      ? troubleOf(logTrouble(error.cause ?? error, { path: event.path }, 'a request failed'))
      : new Refusal(says[status as 404] ?? 'refused', { status })
  setResponseStatus(event, status)
  setResponseHeader(event, 'cache-control', 'no-store')
  if (!event.path.startsWith('/api/')) {
    await send(event, refusal.message, 'text/plain; charset=utf-8')
    return
  }
  await send(event, JSON.stringify(problemOf(refusal)), 'application/problem+json')
}
