import type Joi from 'joi'
import {
  createError,
  defineEventHandler,
  getCookie,
  getHeader,
  getQuery,
  getRouterParams,
  readBody,
  readRawBody,
  setResponseHeader,
  setResponseStatus,
  useSession,
  type EventHandler,
  type H3Event,
} from 'h3'
import { badInput, Refusal } from '../../core/errors'
import { config } from '../config'
import { once } from './idempotency'
import { askedHost, callerAddress } from './caller'
import { toldInput } from './input-words'
import { refuseToken } from './own-session'
import { problemOf, troubleOf } from './problem'
import { countCall } from './rate'
import { refuseForeign, refuseLimited, type Named, type Principal } from '../services/people/principal'
import { isProved, sessionHours, sessionUser } from '../services/people/sign-in'
import { tokenUser } from '../services/people/tokens'
import { logTrouble } from '../log'

export type Role = 'reader' | 'clerk' | 'supervisor'

export interface User extends Principal {
  id: number
  email: string
  role: Role
  session: string
  /** When they last showed who they are; null for a token. */
  provedAt: Date | null
}

const rank: Record<Role | 'anyone', number> = { anyone: 0, reader: 1, clerk: 2, supervisor: 3 }

export interface RouteSpec {
  /** The least role that may call it; "anyone" needs no session. */
  role: Role | 'anyone'
  /**
   * "own": what it shows is narrowed to the person's brands, and what it names is looked at; "none": nothing in it
   * is of a brand; "all": it is about the whole house, and who is limited to brands may not.
   */
  brands: 'own' | 'none' | 'all'
  params?: Joi.ObjectSchema
  query?: Joi.ObjectSchema
  body?: Joi.ObjectSchema
  /**
   * It could let others in: who has not shown who they are for a quarter of an hour is asked for the password, and
   * no token may.
   */
  proved?: boolean
  /** It does not count towards anybody's limit of calls. */
  uncounted?: boolean
  /** The body is a file: its bytes are given as they are. */
  takesFile?: boolean
  /** Most bytes of a body; a megabyte where nothing is said. */
  bodyLimit?: number
}

export interface RouteContext<P, Q, B> {
  event: H3Event
  user: User
  params: P
  query: Q
  body: B
  /** Of a route that takes a file. */ bytes: Uint8Array
}

interface SessionData {
  session?: string
}

/** Whether the person's browser speaks TLS, as far as the proxy in front says. */
export const isSecure = (event: H3Event) => getHeader(event, 'x-forwarded-proto') === 'https'

const cookieName = 'clothespin'

export const sessionOf = (event: H3Event) =>
  useSession<SessionData>(event, {
    password: config.secret,
    name: cookieName,
    maxAge: sessionHours * 3600,
    cookie: {
      httpOnly: true,
      sameSite: 'lax',
      path: '/',
      secure: isSecure(event),
    },
  })

async function signedIn(event: H3Event): Promise<User | undefined> {
  const bearer = /^Bearer (\S{20,200})$/.exec(getHeader(event, 'authorization') ?? '')?.[1]
  if (bearer) return tokenUser(bearer)
  // to ask makes a session: who has none is given none, least of all somebody outside the house
  if (!getCookie(event, cookieName)) return undefined
  const { data } = await sessionOf(event)
  if (!data.session) return undefined
  const found = await sessionUser(data.session)
  return found && { ...found, session: data.session }
}

/**
 * Every route is made with this: session or token and role, rate, same origin for writes, size, Joi, then one
 * service call → JSON.
 * Refusals are answered as application/problem+json (RFC 9457); anything else that throws is a 500 without details.
 */
export function route<P = object, Q = object, B = object>(
  spec: RouteSpec & {
    /** What of brands the call names by ids. */
    of?: (given: { params: P; query: Q; body: B }) => Named
  },
  handle: (context: RouteContext<P, Q, B>) => unknown,
): EventHandler & { spec: RouteSpec } {
  const handler = defineEventHandler(async (event) => {
    try {
      if (event.method !== 'GET') sameOrigin(event)
      const user = await signedIn(event)
      if (!spec.uncounted) await withinRate(event, user)
      if (spec.role !== 'anyone') {
        if (!user) throw new Refusal('not-signed-in', { status: 401 })
        checkRole(user, spec.role)
        if (spec.proved) checkProved(user)
      }
      const params = check<P>(spec.params, getRouterParams(event))
      const query = check<Q>(spec.query, getQuery(event))
      const bytes = spec.takesFile ? await fileOf(event, spec.bodyLimit!) : new Uint8Array()
      const body =
        event.method === 'GET' || event.method === 'DELETE' || spec.takesFile
          ? ({} as B)
          : check<B>(spec.body, await bodyOf(event, spec.bodyLimit ?? 1_000_000))
      if (user && spec.brands === 'all') refuseLimited(user)
      if (user && spec.of) await refuseForeign(user, spec.of({ params, query, body }))
      const key = getHeader(event, 'idempotency-key')
      if (event.method === 'GET' || key === undefined || !user)
        return await handle({ event, user: user!, params, query, body, bytes })
      if (!/^[\w-]{8,100}$/.test(key)) throw badInput('bad-key', 'Idempotency-Key')
      const { status, answer } = await once(
        user.session.startsWith('token ') ? user.session : `staff ${user.id}`,
        key,
        [event.method, event.path, body],
        async () => ({ status: 200, answer: await handle({ event, user, params, query, body, bytes }) }),
      )
      setResponseStatus(event, status)
      return answer
    } catch (error) {
      return problem(event, error)
    }
  })
  return Object.assign(handler, { spec })
}

async function withinRate(event: H3Event, user: User | undefined): Promise<void> {
  const seconds = !user
    ? await countCall('nobody', callerAddress(event))
    : user.session.startsWith('token ')
      ? await countCall('token', user.session)
      : await countCall('staff', String(user.id))
  if (seconds === 0) return
  setResponseHeader(event, 'retry-after', seconds)
  throw new Refusal('too-many-calls', { values: { seconds }, status: 429 })
}

/** @throws Refusal "not-allowed" to a token, "password-needed" */
function checkProved(user: User): void {
  refuseToken(user)
  if (!isProved(user)) throw new Refusal('password-needed', { status: 403 })
}

/**
 * For what depends on more than the route: a kind of record that only a supervisor may bring in. @throws
 * Refusal "not-allowed"
 */
export function checkRole(user: Pick<User, 'role'>, least: Role): void {
  if (rank[user.role] < rank[least])
    throw new Refusal('not-allowed/role', { values: { least, role: user.role }, status: 403 })
}

async function fileOf(event: H3Event, limit: number): Promise<Uint8Array> {
  checkLength(event, limit)
  return (await readRawBody(event, false)) ?? new Uint8Array()
}

/** Before anything of it is read. */
function checkLength(event: H3Event, limit: number): void {
  const length = getHeader(event, 'content-length')
  if (length === undefined && getHeader(event, 'transfer-encoding') !== undefined)
    throw new Refusal('no-length', { status: 411 })
  if (Number(length ?? 0) > limit)
    throw new Refusal('too-large', { values: { most: Math.round(limit / 1000) }, status: 413 })
}

async function bodyOf(event: H3Event, limit: number): Promise<unknown> {
  checkLength(event, limit)
  try {
    return (await readBody(event)) ?? {}
  } catch {
    throw new Refusal('bad-json', { status: 400 })
  }
}

function check<T>(schema: Joi.ObjectSchema | undefined, value: unknown): T {
  if (!schema) return value as T
  const { error, value: checked } = schema.validate(value, {
    convert: true,
    stripUnknown: true,
  })
  if (error) {
    const detail = error.details[0]!
    throw badInput(
      'bad-input',
      detail.path.join('.') || String((detail.context?.peers as string[] | undefined)?.[0] ?? ''),
      { words: toldInput(detail) },
    )
  }
  return checked as T
}

/**
 * A page of another origin may not write here; nor may one that hides its origin (Fetch standard, section
 * 3.1: "null").
 */
function sameOrigin(event: H3Event): void {
  const origin = getHeader(event, 'origin')
  if (origin === undefined || hostOf(origin) === askedHost(event)) return
  throw new Refusal('other-origin', { status: 403 })
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}

/**
 * A value that PostgreSQL cannot take (SQLSTATE class 22, data exception): it came from outside, and nothing
 * was changed.
 */
function outOfRange(error: unknown): Refusal | undefined {
  const code = (error as { original?: { code?: string } } | null)?.original?.code ?? ''
  return code.startsWith('22') ? new Refusal('bad-value', { status: 400 }) : undefined
}

/** The interface asks by it for refusals as answers, whose status stands in the body alone. */
const quietHeader = 'clothespin-refusals'

function problem(event: H3Event, error: unknown): unknown {
  if (error && typeof error === 'object' && 'statusCode' in error && !(error instanceof Refusal))
    throw createError(error as { statusCode: number })
  const refusal = error instanceof Refusal ? error : outOfRange(error)
  const said = refusal ?? troubleOf(logTrouble(error, { path: event.path }, 'a request failed'))
  // a browser writes every other answer than 2xx into its console, also those that a screen expects
  const quiet = said.status < 500 && getHeader(event, quietHeader) === 'in the body'
  setResponseStatus(event, quiet ? 200 : said.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return problemOf(said)
}
