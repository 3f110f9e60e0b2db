// Prints what the house measures, one line a measure; with --check it fails where a rule of the house is broken.
import { execSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'

const listed = (...patterns) =>
  execSync(`git ls-files ${patterns.map((one) => `'${one}'`).join(' ')}`, { encoding: 'utf8' })
    .split('\n')
    .filter(Boolean)
const read = (file) => readFileSync(file, 'utf8')
const lines = (file) => read(file).split('\n')
const count = (files, pattern) =>
  files.reduce((sum, file) => sum + (read(file).match(pattern)?.length ?? 0), 0)
const withAny = (files, pattern) => files.filter((file) => pattern.test(read(file)))

const code = listed('*.ts', '*.vue', '*.mjs', '*.css', '*.sql')
const tests = code.filter((file) => /^tests\/|\.test\.ts$|^core\/testing\//.test(file))
const services = listed('server/services/**/*.ts')
const server = listed('server/**/*.ts')
const widest = 120
/** An address or another long word is no reason to fold a line, nor is a sentence in a table of words. */
const isWide = (line, file) =>
  line.length > widest && !/\S{70,}/.test(line) && !/^(app\/words\/en|core\/refusals|core\/said)\//.test(file)
const wide = code.flatMap((file) =>
  lines(file).flatMap((line, index) => (isWide(line, file) ? [`${file}:${index + 1}`] : [])),
)
const long = code.filter((file) => !tests.includes(file) && !/\.sql$/.test(file) && lines(file).length > 301)

const sql = /['"`]\s*(select|insert into|update|delete from|with\s+\w+ as)\s/gi
const strays = withAny(server, new RegExp(sql.source, 'i')).filter(
  (file) => !/queries\.ts$|\.test\.ts$|server\/(db|queue|services\/live)\//.test(file),
)

/** Which subjects of services use which others. */
function arrows() {
  const found = new Map()
  for (const file of services.filter((one) => !one.endsWith('.test.ts'))) {
    const from = file.split('/')[2]
    for (const [, path] of read(file).matchAll(/^(?:import|export)[^;]*? from '(\.[^']+)'/gms)) {
      const to = normalize(join(dirname(file), path)).split('/')
      if (to[1] !== 'services' || to.length < 4 || to[2] === from) continue
      found.set(from, new Set([...(found.get(from) ?? []), to[2]]))
    }
  }
  return found
}
/** Subjects that reach themselves again over others. */
function inCircles() {
  const all = arrows()
  const reaches = (from, to, seen = new Set()) =>
    [...(all.get(from) ?? [])].some(
      (next) => next === to || (!seen.has(next) && reaches(next, to, seen.add(next))),
    )
  return [...all.keys()].filter((subject) => reaches(subject, subject)).sort()
}

/** A state of these is written by what moves them, and nowhere else. */
const living =
  /update (dispatch|prepared_document|draft|import|bank_entry|bank_file)\b(?:(?!where)[^`])*?\bstate\s*=/
const writers = withAny(server, living).filter((file) => !/(^|\/)move(-queries)?\.ts$/.test(file))

/**
 * A sentence that a person may read stands in core/said or core/refusals, by its key. What printed papers say, what
 * programs and logs read, and the words of test data stand where they are.
 */
const elsewhere =
  /\.test\.ts$|^core\/(said|refusals|testing|proof)\/|(-words|\/words|\/units|\/treatment|\/provoked|emailtexts\/fields|register\/proof)\.ts$|^server\/(db|queue|outside|plugins|config|log)/
const sentence = /(['`])(?=[A-Z“])[^'`\n<>]{3,}? [a-z][^'`\n<>]*? [^'`\n<>]*?[.!?]\1/g
const unkept = listed('core/**/*.ts', 'server/**/*.ts').filter((file) => !elsewhere.test(file))
const written = unkept.flatMap((file) =>
  lines(file).flatMap((line, index) =>
    /^\s*(\/\/|\*|\/\*)|throw new (Range|Type)?Error|log\.(warn|error|info)/.test(line)
      ? []
      : [...line.matchAll(sentence)].map(([found]) => `${file}:${index + 1}: ${found}`),
  ),
)

const app = listed('app/**/*.ts', 'app/**/*.vue', 'app/*.vue')
const components = listed('app/components/**/*.vue')
const fromServer = withAny(app, /from '[./]*server\//)
const fetching = withAny(components, /\bapi\.\w+\(|\bfetch\(|\bsendFile\(/)
/** Sizes of type come from the theme's four. */
const ownSizes = withAny(listed('app/**/*.vue', 'app/*.vue', 'app/**/*.css'), /font-size: [\d.]+(px|r?em)/)
const circles = inCircles()
const total = code.reduce((sum, file) => sum + lines(file).length, 0)
const tested = tests.reduce((sum, file) => sum + lines(file).length, 0)
const measures = [
  ['lines of code', `${total} in ${code.length} files, ${Math.round((100 * tested) / total)} % tests`],
  [`lines over ${widest} letters`, wide.length],
  ['files over 300 lines', long.length],
  ['tables with a model', listed('server/db/models/*.ts').length - 1],
  ['sentences outside core/said and core/refusals', written.length],
  [
    'SQL outside queries.ts, db/, queue/, live/',
    `${count(strays, sql)} statements in ${strays.length} files`,
  ],
  ['writers of states beside those that move', writers.length],
  ['subjects of services in circles', `${circles.length}: ${circles.join(', ')}`],
  [
    'components that fetch',
    `${withAny(components, /\bapi\.\w+\(|\bfetch\(|\bsendFile\(/).length} of ${components.length}`,
  ],
  ['app files that import from server/', fromServer.length],
  ['app files with a size of type of their own', ownSizes.length],
  [
    'as unknown as, as never, tests aside',
    count(
      code.filter((file) => !tests.includes(file)),
      /\bas unknown as\b|\bas never\b/g,
    ),
  ],
]
for (const [what, value] of measures) console.log(`${String(what).padEnd(44)} ${value}`)

if (process.argv.includes('--check')) {
  const broken = [
    ...wide.map((place) => `${place}: wider than ${widest} letters`),
    ...circles.map((subject) => `server/services/${subject}: reaches itself over other subjects`),
    ...strays.map((file) => `${file}: SQL outside queries.ts, db/, queue/ and live/`),
    ...writers.map((file) => `${file}: writes a state that only its move() may write`),
    ...fetching.map((file) => `${file}: a component that fetches; name the call in app/calls/`),
    ...fromServer.map((file) => `${file}: the interface imports from server/`),
    ...written.map((place) => `${place}: a sentence outside core/said and core/refusals`),
    ...ownSizes.map((file) => `${file}: a size of type that is none of the theme's four`),
  ]
  for (const one of broken) console.error(one)
  process.exitCode = broken.length ? 1 : 0
}
