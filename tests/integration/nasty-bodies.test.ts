import { expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { concrete, sample, useContract, type Schema } from './contract'
import { useHouse } from './house'

/* Bad input to every field of every route. */
useHouse({ jobs: false })
const api = useContract()

/** Every place gets these … */
const always: unknown[] = [null, {}, '\u0000']
/** … a field that no other body has these as well … */
const nastiest: unknown[] = ['', 'x'.repeat(20_000)]
/** … and each the next few of these, so that every field of a route meets some and every route all. */
const nasty: unknown[] = [
  -1,
  0,
  2 ** 40,
  1.5,
  ' ',
  '🐝\u202E\uD800',
  "'; drop table document; --",
  '{{ 7*7 }}',
  '<script>',
  [],
  [[]],
  [null],
  true,
  'NaN',
  '2026-13-45',
  '9999999999999999999999',
  ['x', 'x'],
]

/** Every path to a value in a body, and setting it. */
function* places(value: unknown, at: (string | number)[] = []): Generator<(string | number)[]> {
  if (at.length > 0) yield at
  if (Array.isArray(value)) for (const [index, own] of value.entries()) yield* places(own, [...at, index])
  else if (value && typeof value === 'object')
    for (const [name, own] of Object.entries(value)) yield* places(own, [...at, name])
}
function changed(body: unknown, at: (string | number)[], value: unknown): unknown {
  const copy = structuredClone(body) as Record<string | number, unknown>
  let holder = copy
  for (const step of at.slice(0, -1)) holder = holder[step] as typeof holder
  holder[at.at(-1)!] = value
  return copy
}

/** A body with every property there is, also those that may be left out. */
function full(schema: Schema): unknown {
  const type = Array.isArray(schema.type) ? schema.type.find((one) => one !== 'null') : schema.type
  if (type === 'object' && !schema.enum)
    return Object.fromEntries(Object.entries(schema.properties ?? {}).map(([name, own]) => [name, full(own)]))
  if (type === 'array')
    return schema.items ? [full(Array.isArray(schema.items) ? schema.items[0]! : schema.items)] : []
  return sample(schema)
}

/**
 * Notes every row that is written, changed or removed, in the transaction that does it; not what every call
 * counts.
 */
async function watchWrites(): Promise<void> {
  await run(`
    create table write_seen (at timestamptz not null default now());
    create function see_write() returns trigger language plpgsql as $fn$
    begin
      insert into write_seen default values;
      return null;
    end $fn$`)
  const tables = await rows<{ name: string }>(
    `select quote_ident(tablename) name from pg_tables
    where schemaname = 'public' and tablename not in ('api_call', 'rate_limit', 'write_seen')`,
  )
  for (const { name } of tables)
    await run(`
      create trigger see_write after insert or delete on ${name} for each row execute function see_write();
      create trigger see_change after update on ${name} for each row
        when (old.* is distinct from new.*) execute function see_write()`)
}
const writes = async () => (await one<{ count: number }>('select count(*)::int count from write_seen'))!.count

/** Of a subject whose things are made and changed with one body, the first route that takes it. */
function eachBody() {
  const seen = new Set<string>()
  return api.writing().filter(({ path, operation }) => {
    const [, , subject] = path.split('/')
    const body = `${subject} ${JSON.stringify(operation.requestBody!.content['application/json']!.schema)}`
    return !seen.has(body) && seen.add(body)
  })
}

/** Whether a field of this name and kind was met for the first time; bodies share the checks of what they share. */
const known = new Set<string>()
function met(at: readonly (string | number)[], base: unknown): boolean {
  const value = at.reduce<unknown>((holder, step) => (holder as Record<string | number, unknown>)[step], base)
  const name = at.filter((step) => typeof step === 'string').at(-1)
  const field = `${name} ${Array.isArray(value) ? 'list' : typeof value}`
  return !known.has(field) && !!known.add(field)
}

test('bad input to every field of every body is refused or taken, never 5xx; refused, it changes nothing', async () => {
  const wrong: string[] = []
  await watchWrites()
  let seen = await writes()
  let turn = 0
  for (const { method, path, operation } of eachBody()) {
    const base = full(operation.requestBody!.content['application/json']!.schema)
    for (const at of places(base)) {
      const before = seen
      let refusedOnly = true
      const isNew = met(at, base)
      const few = isNew ? 4 : 2
      const values = [...always, ...(isNew ? nastiest : []), ...nasty.slice(turn, turn + few)]
      turn = turn + few < nasty.length ? turn + few : 0
      const answers = await Promise.all(
        values.map((value) => api.call(method, concrete(path), changed(base, at, value))),
      )
      for (const [index, { status, body }] of answers.entries()) {
        const value = values[index]
        if (status >= 500)
          wrong.push(
            `${status} ${method} ${path} ${at.join('.')} = ${JSON.stringify(value)?.slice(0, 60)}: ` +
              `${body.title ?? ''}`,
          )
        if (status === 400 && body.code === 'bad-input' && !body.about?.field)
          wrong.push(`${method} ${path} ${at.join('.')}: no field is named`)
        refusedOnly &&= status >= 400
      }
      seen = await writes()
      if (refusedOnly && seen !== before)
        wrong.push(`${method} ${path} ${at.join('.')}: refused, and yet something changed`)
    }
  }
  expect(wrong).toEqual([])
}, 300_000)
