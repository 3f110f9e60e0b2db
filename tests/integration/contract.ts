import { afterAll, beforeAll } from 'vitest'
import { demoStaff } from '../../demo/house'
import { startWeb } from '../web'

/* The API as other programs see it: called over HTTP by a supervisor, with what its description says of each route. */

export interface Schema {
  type?: string | string[]
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema | Schema[]
  enum?: unknown[]
  const?: unknown
  anyOf?: Schema[]
  oneOf?: Schema[]
  allOf?: Schema[]
  else?: Schema
  minimum?: number
  minItems?: number
  pattern?: string
  minLength?: number
  format?: string
}
export interface Operation {
  operationId: string
  security?: object[]
  parameters?: { name: string; in: string; required: boolean; schema: Schema }[]
  requestBody?: { content: { 'application/json'?: { schema: Schema } } }
  responses: Record<string, { content?: { 'application/json': { schema: Schema } } }>
}
export interface Document {
  openapi: string
  components: object
  paths: Record<string, Record<string, Operation>>
}

export interface Answer {
  status: number
  body: { code?: string; title?: string; about?: { field?: string }; [name: string]: unknown }
}

export interface Described {
  method: string
  path: string
  operation: Operation
}

export interface Contract {
  base: string
  /** The session of a supervisor. */
  cookie: string
  document: Document
  call: (method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Answer>
  /** Every route but those that never end, or end the session. */
  operations: () => Described[]
  /** Those that take JSON; a file's bytes are tested where files are read. */
  writing: () => Described[]
}

/** A web server of its own, asked as its description says. */
export function useContract(): Contract {
  const contract = {} as Contract
  let web: Awaited<ReturnType<typeof startWeb>>

  const call: Contract['call'] = async (method, path, body, headers = { cookie: contract.cookie }) => {
    const abort = new AbortController()
    const response = await fetch(web.base + path, {
      method: method.toUpperCase(),
      signal: abort.signal,
      headers: { ...headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    })
    const { status } = response
    const isJson = /json/.test(response.headers.get('content-type') ?? '')
    const answer = isJson ? ((await response.json()) as Answer['body']) : {}
    if (!isJson) abort.abort()
    return { status, body: answer }
  }
  const operations = () =>
    Object.entries(contract.document.paths)
      .flatMap(([path, methods]) =>
        Object.entries(methods).map(([method, operation]) => ({ method, path, operation })),
      )
      .filter((one) => one.path !== '/api/live' && one.path !== '/api/session')

  beforeAll(async () => {
    process.env.CLOTHESPIN_RATE_FACTOR = '1000'
    web = await startWeb()
    const person = demoStaff().find((one) => one.role === 'supervisor')!
    const signedIn = await fetch(`${web.base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: person.email, password: person.password }),
    })
    Object.assign(contract, {
      base: web.base,
      cookie: signedIn.headers.get('set-cookie')!.split(';')[0]!,
      document: (await (await fetch(`${web.base}/api/openapi.json`)).json()) as Document,
      call,
      operations,
      writing: () => operations().filter((one) => one.operation.requestBody?.content['application/json']),
    })
  })
  afterAll(() => web?.stop())
  return contract
}

export const concrete = (path: string) => path.replace(/\{\w+\}/g, '999999')

/** A value that a schema allows; the shortest one. */
export function sample(schema: Schema): unknown {
  if (schema.const !== undefined) return schema.const
  if (schema.enum) return schema.enum.find((value) => value !== null && value !== '') ?? schema.enum[0]
  const choice = schema.anyOf ?? schema.oneOf ?? schema.else?.oneOf ?? schema.allOf?.[0]?.else?.oneOf
  const type = Array.isArray(schema.type) ? schema.type.find((one) => one !== 'null')! : schema.type
  if (choice && type !== 'object') return sample(choice[0]!)
  const required = [...(schema.required ?? []), ...(choice?.[0]?.required ?? [])]
  if (type === 'object')
    return Object.fromEntries(
      Object.entries(schema.properties ?? {})
        .filter(([name]) => required.includes(name))
        // countries are those of ISO 3166-1, which no pattern says
        .map(([name, own]) => [name, name === 'country' ? 'Ireland' : sample(own)]),
    )
  if (type === 'array')
    return schema.minItems ? [sample(Array.isArray(schema.items) ? schema.items[0]! : schema.items!)] : []
  if (type === 'integer' || type === 'number') return Math.max(1, schema.minimum ?? 1)
  if (type === 'boolean') return true
  if (type === undefined) return {}
  const { pattern } = schema
  if (schema.format === 'uuid') return '6b1f0c0e-9a55-4c9e-8f4e-3a1d6d1a2b3c'
  if (schema.format === 'date-time') return '2026-12-01T08:00:00.000Z'
  if (!pattern) return 'text'.padEnd(schema.minLength ?? 0, '-')
  for (const value of ['2026-11-20', 'EUR', '12.50', '5', '#8a5a00', '08:00', 'abc', 'A'.repeat(32)])
    if (new RegExp(pattern).test(value)) return value
  return 'text'
}
