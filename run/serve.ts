import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { closeDatabase } from '../server/db/connection'
import { migrate, pendingMigrations } from '../server/db/migrate'
import { firstVisitCode } from '../server/services/set-up/begin'
import { resetCodeHere } from '../server/services/people/new-password'
import { backUp } from './backup'
import { ensureDatabase, startCluster, stopCluster, type Cluster } from './cluster'
import { writeUnits } from './install'
import { answers, fail, keepRunning, onEnd, portIsFree } from './processes'
import { readSettings } from './settings'

/*
 * What bin/serve ends in: runs a house on one machine until it is stopped. Starts its own PostgreSQL unless a
 * database is named, backs up and migrates, keeps web and worker running, and prints the code of the first visit.
 *   --install [folder]  writes systemd units and an example for the proxy, and ends
 *   --reset <address>   prints a code with which this person chooses a new password, and ends
 */
const home = resolve(
  process.env.CLOTHESPIN_HOME ??
    (process.getuid?.() === 0
      ? join(
          '/var/lib/clothespin',
          `house-${createHash('sha256').update(process.cwd()).digest('hex').slice(0, 8)}`,
        )
      : '.house'),
)
const settingsFile = join(home, 'settings.env')
const argument = (name: string): string | undefined => {
  const at = process.argv.indexOf(name)
  return at < 0 ? undefined : (process.argv[at + 1] ?? '')
}
const say = (words: string) => console.log(`  ${words}`)

const strange = process.argv.slice(2).find((one) => one.startsWith('-') && !/^--(install|reset)$/.test(one))
if (strange)
  fail(
    `bin/serve does not know ${strange}. Alone it runs the house until Ctrl-C; --install [folder] writes ` +
      'systemd units; --reset <address> gives somebody a code for a new password.',
  )

mkdirSync(home, { recursive: true })
const settings = await readSettings(settingsFile)
const port = Number(settings.PORT)
const address = `http://${settings.HOST || '127.0.0.1'}:${port}`

const units = argument('--install')
if (units !== undefined) {
  for (const file of writeUnits(units || 'systemd', { home, port })) say(`Written: ${file}`)
  process.exit(0)
}
const reset = argument('--reset')
if (reset === undefined && !(await portIsFree(port)))
  fail(`Port ${port} is used by another program. Stop that, or change PORT in ${settingsFile}.`)

const cluster: Cluster | undefined = settings.CLOTHESPIN_DATABASE_URL
  ? undefined
  : {
      folder: home,
      port: Number(settings.POSTGRES_PORT),
      password: settings.POSTGRES_PASSWORD ?? '',
      durable: true,
    }
let databaseUrl = settings.CLOTHESPIN_DATABASE_URL ?? ''
let isOurs = false
if (cluster) {
  say('Starting PostgreSQL …')
  isOurs = await startCluster(cluster).catch((error: Error) => fail(error.message))
  databaseUrl = await ensureDatabase(cluster, 'clothespin')
}
/** Leaves the cluster as it was found: a code for somebody locked out disturbs no house that runs. */
const stopOwnCluster = () => {
  if (cluster && (isOurs || reset === undefined)) stopCluster(cluster)
}

const environment: NodeJS.ProcessEnv = {
  ...process.env,
  ...settings,
  CLOTHESPIN_DATABASE_URL: databaseUrl,
  CLOTHESPIN_INSTALLATION_FILE: join(home, 'installation-id'),
  NITRO_HOST: settings.HOST,
  NITRO_PORT: settings.PORT,
  NODE_ENV: 'production',
  CLOTHESPIN_LOG: process.env.CLOTHESPIN_LOG ?? 'warn',
}
Object.assign(process.env, environment)

// for bin/backup and bin/restore
for (const file of [join(home, 'database.url'), '.build/house.url'])
  writeFileSync(file, databaseUrl, { mode: 0o600 })

let code: string | undefined
try {
  if (reset !== undefined) {
    const mine = await resetCodeHere(reset)
    await closeDatabase()
    stopOwnCluster()
    if (!mine)
      fail(`Nobody works here with the address “${reset}”. Say: bin/serve --reset name@house.example`)
    console.log(
      `\n  A new password for ${reset} is chosen at ${address}/?password=${mine}   (good for one day, once)\n`,
    )
    process.exit(0)
  }
  const pending = await pendingMigrations()
  if (pending.begun && pending.names.length > 0)
    say(`Backing up before the upgrade: ${backUp(databaseUrl, join(home, 'backups'))}`)
  await migrate()
  code = await firstVisitCode()
  await closeDatabase()
} catch (error) {
  stopOwnCluster()
  fail((error as Error).message)
}

const kept = keepRunning(
  [
    { name: 'worker', file: '.build/js/worker.mjs' },
    { name: 'web', file: '.output/server/index.mjs' },
  ],
  environment,
)
async function stop(): Promise<void> {
  await kept.stop()
  stopOwnCluster()
}
onEnd(stop)
if (!(await answers(port))) {
  await stop()
  fail('The web server did not answer within a minute; its messages stand above.')
}
const firstVisit = `
  First visit:           ${address}/?code=${code}
  The code, by hand:     ${code}   (good for one day)
`
console.log(`
  Clothespin is ready:   ${address}
  Its files:             ${home}
${code ? firstVisit : ''}
  Ctrl-C stops it; the next bin/serve finds it as it was.
`)
process.send?.('ready')
