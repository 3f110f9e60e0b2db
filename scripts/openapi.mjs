// Writes public/api/openapi.json (OpenAPI 3.1): what routes take from their own Joi schemas, what they answer
// from the types of their handlers,
// so that it cannot say anything else than what is checked.
import { build } from 'esbuild'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import parse from 'joi-to-json'
import openapiTS, { astToString } from 'openapi-typescript'
import { answersOf } from './answers.mjs'

const folder = 'server/api'
const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
  .filter((file) => /(?<!\.check)\.ts$/.test(file))
  .sort()
const entry =
  files.map((file, index) => `import r${index} from '../${folder}/${file}'`).join('\n') +
  `\nexport const routes = [${files.map((_, index) => `r${index}`).join(', ')}]\n`
mkdirSync('.build', { recursive: true })
writeFileSync('.build/routes.ts', entry)
await build({
  entryPoints: ['.build/routes.ts'],
  outfile: '.build/routes.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  logLevel: 'error',
})
const { routes } = await import(pathToFileURL('.build/routes.mjs').href)

const plainOf = (schema) => parse(schema, 'open-api-3.1', {}, { includeSchemaDialect: false })

/** What stands under names that nobody knows before is lost on the way from Joi; it is put back here. */
function withPatterns(schema, json) {
  const { keys = [], patterns = [], items = [] } = schema?.$_terms ?? {}
  if (patterns?.length) json.additionalProperties = plainOf(patterns[0].rule)
  for (const one of keys ?? []) {
    const own = json.properties?.[one.key]
    if (own) withPatterns(one.schema, own)
  }
  if (json.items && items?.[0]) withPatterns(items[0], json.items)
  return json
}
const schemaOf = (schema) => withPatterns(schema, plainOf(schema))
const problem = {
  description: 'Refused, with a stable code, a plain sentence and the field it is about (RFC 9457)',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
}
const { answers, schemas } = answersOf(files.map((file) => `${folder}/${file}`))
const paths = {}
files.forEach((file, index) => {
  const { spec } = routes[index]
  const answer = answers.get(`${folder}/${file}`)
  const method = /\.(get|post|put|patch|delete)\.ts$/.exec(file)?.[1] ?? 'get'
  const path = `/api/${file
    .replace(/(\.(get|post|put|patch|delete))?\.ts$/, '')
    .replace(/(^|\/)index$/, '')
    .replace(/\[(\w+)\]/g, '{$1}')}`.replace(/\/$/, '')
  const about = /\/\*\* (.*?) \*\/\nexport default/s.exec(readFileSync(`${folder}/${file}`, 'utf8'))?.[1]
  const inQuery = spec.query ? schemaOf(spec.query) : { properties: {}, required: [] }
  const inPath = spec.params ? schemaOf(spec.params) : { properties: {} }
  const parameters = [
    ...Object.entries(inPath.properties ?? {}).map(([name, schema]) => ({
      name,
      in: 'path',
      required: true,
      schema,
    })),
    ...Object.entries(inQuery.properties ?? {}).map(([name, schema]) => ({
      name,
      in: 'query',
      required: (inQuery.required ?? []).includes(name),
      schema,
    })),
    ...(method === 'get' || spec.role === 'anyone'
      ? []
      : [
          {
            name: 'Idempotency-Key',
            in: 'header',
            required: false,
            schema: { type: 'string', pattern: '^[\\w-]{8,100}$' },
            description: 'The same key again gets the first answer; nothing is done twice',
          },
        ]),
  ]
  ;(paths[path] ??= {})[method] = {
    operationId: `${method} ${path}`.replace(/[^a-z]+/gi, '-').replace(/-$/, ''),
    summary: about ?? `${method.toUpperCase()} ${path}`,
    tags: [path.split('/')[2] ?? 'house'],
    description: spec.role === 'anyone' ? 'Needs no sign-in.' : `For a ${spec.role} or more.`,
    ...(parameters.length ? { parameters } : {}),
    ...(spec.takesFile
      ? {
          requestBody: {
            required: true,
            content: {
              'application/octet-stream': {
                schema: { type: 'string', format: 'binary', maxLength: spec.bodyLimit },
              },
            },
          },
        }
      : {}),
    ...(spec.body
      ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(spec.body) } } } }
      : {}),
    responses: {
      200: {
        description: answer ? 'Done' : 'Done; a file or a stream, not JSON',
        ...(answer ? { content: { 'application/json': { schema: answer } } } : {}),
      },
      400: problem,
      401: problem,
      403: problem,
      404: problem,
      409: problem,
      429: problem,
    },
    ...(spec.role === 'anyone' ? { security: [] } : {}),
  }
})

const document = {
  openapi: '3.1.0',
  info: {
    title: 'Clothespin',
    version: JSON.parse(readFileSync('package.json', 'utf8')).version,
    description:
      'Everything the screens do, for other programs. Sign in with a token: Authorization: Bearer …',
  },
  servers: [{ url: '/' }],
  security: [{ token: [] }, { session: [] }],
  paths,
  components: {
    securitySchemes: {
      token: { type: 'http', scheme: 'bearer' },
      session: { type: 'apiKey', in: 'cookie', name: 'clothespin' },
    },
    schemas: {
      ...schemas,
      Problem: {
        type: 'object',
        required: ['type', 'status', 'code', 'says', 'values', 'title', 'about'],
        properties: {
          type: { type: 'string' },
          status: { type: 'integer' },
          code: { type: 'string' },
          says: { type: 'string' },
          values: { $ref: '#/components/schemas/Values' },
          title: { type: 'string' },
          about: { type: 'object', properties: { field: { type: 'string' }, record: { type: 'object' } } },
        },
      },
    },
  },
}
mkdirSync('public/api', { recursive: true })
writeFileSync('public/api/openapi.json', JSON.stringify(document, null, 1))

// the same as types, for the interface
const types = astToString(await openapiTS(document, { defaultNonNullable: false }))
const names = Object.keys(schemas).map((name) => `export type ${name} = components['schemas']['${name}']`)
writeFileSync(
  'app/contract.d.ts',
  `// Made by scripts/openapi.mjs from what the routes take and answer.\n${types}\n${names.join('\n')}\n`,
)
for (const rest of ['.build/routes.ts', '.build/routes.mjs']) rmSync(rest)
process.exit(0)
