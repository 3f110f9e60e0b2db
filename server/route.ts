import type Joi from 'joi'
import { createError, defineEventHandler, getHeader, getQuery, getRouterParams, readBody, setResponseHeader, setResponseStatus, useSession, type EventHandler, type H3Event } from 'h3'
import { Refusal } from '../core/errors'
import { config } from './config'
import { one } from './db/connection'
import { log, reasonOf } from './log'

export type Role = 'reader' | 'clerk' | 'supervisor'
export interface User { id: number, name: string, email: string, role: Role, session: string }

const rank: Record<Role | 'anyone', number> = { anyone: 0, reader: 1, clerk: 2, supervisor: 3 }

interface RouteSpec {
  /** The least role that may call it; "anyone" needs no session. */
  role: Role | 'anyone'
  params?: Joi.ObjectSchema
  query?: Joi.ObjectSchema
  body?: Joi.ObjectSchema
}

export interface RouteContext<P, Q, B> { event: H3Event, user: User, params: P, query: Q, body: B }

interface SessionData { userId?: number, session?: string }

export const sessionOf = (event: H3Event) => useSession<SessionData>(event, {
  password: config.secret, name: 'clothespin', maxAge: 12 * 3600,
  cookie: { httpOnly: true, sameSite: 'lax', path: '/', secure: getHeader(event, 'x-forwarded-proto') === 'https' },
})

async function signedIn(event: H3Event): Promise<User | undefined> {
  const { data } = await sessionOf(event)
  if (!data.userId || !data.session) return undefined
  const row = await one<Omit<User, 'session'>>('select id, name, email, role from staff where id = $1', [data.userId])
  return row && { ...row, session: data.session }
}

/**
 * Every route is made with this: session and role, same origin for writes, Joi, then one service call → JSON.
 * Refusals are answered as application/problem+json (RFC 9457); anything else that throws is a 500 without details.
 */
export function route<P = object, Q = object, B = object>(spec: RouteSpec, handle: (context: RouteContext<P, Q, B>) => unknown): EventHandler {
  return defineEventHandler(async (event) => {
    try {
      if (event.method !== 'GET') sameOrigin(event)
      const user = await signedIn(event)
      if (spec.role !== 'anyone') {
        if (!user) throw new Refusal('not-signed-in', 'Sign in first.', { status: 401 })
        if (rank[user.role] < rank[spec.role]) throw new Refusal('not-allowed', `Only a ${spec.role} may do this. You are signed in as a ${user.role}.`, { status: 403 })
      }
      const params = check<P>(spec.params, getRouterParams(event))
      const query = check<Q>(spec.query, getQuery(event))
      const body = event.method === 'GET' || event.method === 'DELETE' ? ({} as B) : check<B>(spec.body, await bodyOf(event))
      return await handle({ event, user: user!, params, query, body })
    } catch (error) {
      return problem(event, error)
    }
  })
}

async function bodyOf(event: H3Event): Promise<unknown> {
  try {
    return (await readBody(event)) ?? {}
  } catch {
    throw new Refusal('bad-json', 'The request could not be read.', { status: 400 })
  }
}

function check<T>(schema: Joi.ObjectSchema | undefined, value: unknown): T {
  if (!schema) return value as T
  const { error, value: checked } = schema.validate(value, { convert: true, stripUnknown: true, errors: { wrap: { label: '“' } } })
  if (error) {
    const detail = error.details[0]!
    throw new Refusal('bad-input', `${detail.message.charAt(0).toUpperCase()}${detail.message.slice(1)}.`, { status: 400, about: { field: detail.path.join('.') } })
  }
  return checked as T
}

function sameOrigin(event: H3Event): void {
  const origin = getHeader(event, 'origin')
  if (origin && new URL(origin).host !== (getHeader(event, 'x-forwarded-host') ?? getHeader(event, 'host'))) {
    throw new Refusal('other-origin', 'This request came from another page.', { status: 403 })
  }
}

function problem(event: H3Event, error: unknown): unknown {
  if (error && typeof error === 'object' && 'statusCode' in error && !(error instanceof Refusal)) throw createError(error as never)
  const refusal = error instanceof Refusal ? error : undefined
  if (!refusal) log.error({ path: event.path, error: reasonOf(error) }, 'a request failed')
  const status = refusal?.status ?? 500
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return {
    type: `urn:clothespin:${refusal?.code ?? 'trouble'}`, status, code: refusal?.code ?? 'trouble',
    title: refusal?.message ?? 'That did not work, and nothing was changed. The reason is in the log of the web process.', about: refusal?.about ?? {},
  }
}
