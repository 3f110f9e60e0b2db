import { t } from '../words'
import { useProving } from '../stores/proving'
import { useSession } from '../stores/session'
import { useToasts } from '../stores/toasts'
import { refusalWords, type Problem } from '../words/refusals'
import type { paths } from '../contract'

/** A refusal of the server, as RFC 9457 has it. */
export class ApiRefusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly about: { field?: string },
  ) {
    super(message)
  }
}

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete'

/** The addresses that take a method, as the contract has them. */
type PathOf<M extends Method> = {
  [P in keyof paths]: paths[P][M] extends object ? P : never
}[keyof paths]

type Operation<P extends keyof paths, M extends Method> = NonNullable<paths[P][M]>
type ParametersOf<P extends keyof paths, M extends Method, In extends 'path' | 'query'> =
  Operation<P, M> extends { parameters: { [K in In]?: infer Given } } ? NonNullable<Given> : never

/** What is sent is not changed by sending it. */
type Fixed<T> = T extends readonly (infer One)[]
  ? readonly Fixed<One>[]
  : T extends object
    ? { readonly [Name in keyof T]: Fixed<T[Name]> }
    : T

/** What an address answers, takes in its body and in its query. */
export type AnswerOf<P extends keyof paths, M extends Method> =
  Operation<P, M> extends { responses: { 200: { content: { 'application/json': infer Answer } } } }
    ? Answer
    : unknown
export type BodyOf<P extends keyof paths, M extends Method> =
  Operation<P, M> extends { requestBody?: { content: { 'application/json': infer Body } } }
    ? Fixed<Body>
    : never
/** What stands in an address bar is text, and what is empty is not asked: the server checks it. */
export type QueryOf<P extends keyof paths, M extends Method> = {
  [Name in keyof ParametersOf<P, M, 'query'>]:
    ParametersOf<P, M, 'query'>[Name] | string | readonly string[] | null
}

interface CallOptions {
  path?: object
  query?: object
  body?: unknown
  signal?: AbortSignal
}
type Part<Name extends string, Given> = [Given] extends [never]
  ? { [K in Name]?: never }
  : object extends Given
    ? { [K in Name]?: Given }
    : { [K in Name]: Given }
type OptionsOf<P extends keyof paths, M extends Method> = Part<'path', ParametersOf<P, M, 'path'>> &
  Part<'query', QueryOf<P, M>> &
  Part<'body', BodyOf<P, M>> & { signal?: AbortSignal }
type Given<P extends keyof paths, M extends Method> =
  object extends OptionsOf<P, M> ? [options?: OptionsOf<P, M>] : [options: OptionsOf<P, M>]

const typed =
  <M extends Method>(method: M) =>
  <P extends PathOf<M>>(path: P, ...[options]: Given<P, M>) =>
    call(method, path, options as CallOptions | undefined) as Promise<AnswerOf<P, M>>

/**
 * Calls our own server, typed by the contract; a refusal is thrown with its plain sentence.
 * @throws ApiRefusal
 */
export const api = {
  get: typed('get'),
  post: typed('post'),
  put: typed('put'),
  patch: typed('patch'),
  delete: typed('delete'),
}

/** The address with its names filled in: {id} becomes the id. */
export const filledPath = (path: string, given: object = {}): string =>
  path.replace(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(String(given[name as keyof typeof given])),
  )

/** One call; refused for want of a password, it is asked for and the call made once more. */
async function call(method: Method, path: string, options: CallOptions = {}): Promise<unknown> {
  try {
    return await callOnce(method, path, options)
  } catch (error) {
    const wanted = error instanceof ApiRefusal && error.code === 'password-needed'
    if (!wanted || !(await useProving().ask())) throw error
    return callOnce(method, path, options)
  }
}

async function callOnce(method: Method, path: string, options: CallOptions): Promise<unknown> {
  const url = new URL(filledPath(path, options.path), location.origin)
  for (const [name, value] of Object.entries(options.query ?? {})) {
    for (const one of Array.isArray(value) ? value : [value])
      if (one !== undefined && one !== null && one !== '') url.searchParams.append(name, String(one))
  }
  let response: Response
  try {
    response = await fetch(url, {
      method: method.toUpperCase(),
      signal: options.signal,
      headers: { ...quietly, ...(options.body === undefined ? {} : { 'content-type': 'application/json' }) },
      body: options.body === undefined ? undefined : JSON.stringify(options.body),
    })
  } catch (error) {
    if ((error as Error).name === 'AbortError') throw error
    throw new ApiRefusal('away', t('common.clothespinDoesNotAnswerIs'), 0, {})
  }
  if (isRefusal(response)) throw await refusalOf(response)
  return response.json()
}

/** What is refused comes as an answer: a screen that expects it leaves no red line in the browser's console. */
const quietly = { 'clothespin-refusals': 'in the body' }

const isRefusal = (response: Response): boolean =>
  !response.ok || response.headers.get('content-type') === 'application/problem+json'

/** What the server refused, as a sentence (RFC 9457). Who is not signed in any more signs in again. */
async function refusalOf(response: Response): Promise<ApiRefusal> {
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>
  if (problem.code === 'not-signed-in') useSession().user = null
  return new ApiRefusal(
    problem.code ?? 'trouble',
    refusalWords({
      says: '',
      values: {},
      title: t('common.thatDidNotWorkAnd'),
      ...problem,
    }),
    problem.status ?? response.status,
    problem.about ?? {},
  )
}

/** A file of our own server, as it is. @throws ApiRefusal */
export async function fetchBytes(url: string): Promise<Uint8Array> {
  const response = await fetch(url, { headers: quietly })
  if (isRefusal(response)) throw await refusalOf(response)
  return new Uint8Array(await response.arrayBuffer())
}

/** The bytes that a route answers to what is sent. @throws ApiRefusal */
export async function postForBytes(url: string, body: unknown): Promise<Uint8Array> {
  const response = await fetch(url, {
    method: 'POST',
    headers: { ...quietly, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (isRefusal(response)) throw await refusalOf(response)
  return new Uint8Array(await response.arrayBuffer())
}

/** Runs an act and says its refusal in a toast. Answers whether it went well. */
export async function attempt(act: () => Promise<void>): Promise<boolean> {
  try {
    await act()
    return true
  } catch (error) {
    useToasts().say((error as Error).message, { wrong: true })
    return false
  }
}

/** Sends a file as it is; its name goes along. */
export async function sendFile<T>(path: string, file: File, query: Record<string, string> = {}): Promise<T> {
  const url = new URL(path, location.origin)
  for (const [name, value] of Object.entries({ name: file.name.slice(0, 160), ...query }))
    url.searchParams.set(name, value)
  let response: Response
  try {
    response = await fetch(url, {
      method: 'POST',
      headers: { ...quietly, 'content-type': 'application/octet-stream' },
      body: file,
    })
  } catch {
    throw new ApiRefusal('away', t('common.fileCouldNotBeSent', { file: file.name }), 0, {})
  }
  if (isRefusal(response)) throw await refusalOf(response)
  return (await response.json()) as T
}

/** Where a list is to be had as CSV, as it is filtered now. */
export function csvHref(path: string, filters: Record<string, string | string[] | undefined>): string {
  const query = new URLSearchParams(
    Object.entries(filters).flatMap(([name, value]) =>
      [value ?? '']
        .flat()
        .filter(Boolean)
        .map((one): [string, string] => [name, one]),
    ),
  )
  return `${path}?${query}`
}
