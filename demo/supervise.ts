import { spawn } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ensureDatabase, freePort, startCluster, stopCluster, type Cluster } from '../run/cluster'
import { answers, fail, keepRunning, onEnd, portIsFree } from '../run/processes'
import { demoStaff } from './house'

/*
 * What bin/demo ends in: starts PostgreSQL, loads the demo house once, and keeps stand-ins, web and worker
 * running until Ctrl-C. A second start finds everything as it was; --fresh begins anew.
 */
const home =
  process.env.CLOTHESPIN_DATA ??
  (process.getuid?.() === 0
    ? join('/var/lib/clothespin', createHash('sha256').update(process.cwd()).digest('hex').slice(0, 12))
    : resolve('.data'))
const webPort = Number(process.env.PORT ?? 4310)

interface Kept {
  password: string
  secret: string
  postgresPort: number
  smtpPort: number
  mailboxPort: number
  returnPort: number
  carrierPort: number
  loaded: boolean
}

const keptFile = join(home, 'demo.json')
const keep = (kept: Kept) => writeFileSync(keptFile, JSON.stringify(kept, null, 1), { mode: 0o600 })

async function readKept(): Promise<Kept> {
  if (existsSync(keptFile)) {
    const kept = JSON.parse(readFileSync(keptFile, 'utf8')) as Kept
    for (const name of ['smtpPort', 'mailboxPort', 'returnPort'] as const)
      if (!(await portIsFree(kept[name]))) kept[name] = await freePort()
    // the carrier's address is written down in the house: its port stays
    kept.carrierPort ??= await freePort()
    return kept
  }
  return {
    password: randomBytes(18).toString('hex'),
    secret: randomBytes(32).toString('hex'),
    loaded: false,
    postgresPort: await freePort(),
    smtpPort: await freePort(),
    mailboxPort: await freePort(),
    returnPort: await freePort(),
    carrierPort: await freePort(),
  }
}

if (!(await portIsFree(webPort)))
  fail(
    `Port ${webPort} is used by another program. Stop that, or start with another port: PORT=${webPort + 1} bin/demo`,
  )

const clusterOf = (kept: Kept): Cluster => ({
  folder: home,
  port: kept.postgresPort,
  password: kept.password,
  durable: true,
})
if (process.argv.includes('--fresh') && existsSync(keptFile)) {
  stopCluster(clusterOf(JSON.parse(readFileSync(keptFile, 'utf8')) as Kept), 'immediate')
  rmSync(home, { recursive: true, force: true })
}
mkdirSync(home, { recursive: true })
const kept = await readKept()
keep(kept)

const cluster = clusterOf(kept)
const say = (words: string) => console.log(`  ${words}`)
say('Starting PostgreSQL …')
await startCluster(cluster).catch((error: Error) => fail(error.message))
const mailboxes = join(home, 'mailboxes')
if (!kept.loaded) {
  rmSync(mailboxes, { recursive: true, force: true })
  rmSync(join(home, 'carrier'), { recursive: true, force: true })
}
const environment: NodeJS.ProcessEnv = {
  ...process.env,
  CLOTHESPIN_DATABASE_URL: await ensureDatabase(cluster, 'clothespin', { anew: !kept.loaded }),
  CLOTHESPIN_SECRET: kept.secret,
  CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${kept.smtpPort}`,
  CLOTHESPIN_SMTP_VERIFY: 'no',
  CLOTHESPIN_RETURN_PORT: String(kept.returnPort),
  CLOTHESPIN_INSTALLATION_FILE: join(home, 'installation-id'),
  CLOTHESPIN_MAILBOXES_URL: `http://127.0.0.1:${kept.mailboxPort}`,
  STANDIN_MAIL_FOLDER: mailboxes,
  STANDIN_SMTP_PORT: String(kept.smtpPort),
  STANDIN_WEB_PORT: String(kept.mailboxPort),
  STANDIN_REPORT_PORT: String(kept.returnPort),
  STANDIN_CARRIER_FOLDER: join(home, 'carrier'),
  STANDIN_CARRIER_PORT: String(kept.carrierPort),
  STANDIN_CARRIER_KEY: 'meadow-parcels',
  HOST: '127.0.0.1',
  NITRO_HOST: '127.0.0.1',
  PORT: String(webPort),
  NITRO_PORT: String(webPort),
  NODE_ENV: 'production',
  CLOTHESPIN_LOG: process.env.CLOTHESPIN_LOG ?? 'warn',
}

// For bin/backup and bin/restore.
writeFileSync('.build/demo.url', environment.CLOTHESPIN_DATABASE_URL!, { mode: 0o600 })

if (!kept.loaded) {
  say('Loading the demo house: ninety days of orders, lived through by the application itself …')
  const status = await new Promise<number | null>((done) => {
    const loader = spawn(process.execPath, ['.build/js/load.mjs'], {
      env: { ...environment, CLOTHESPIN_PROCESS: 'loader' },
      stdio: ['ignore', 'inherit', 'inherit'],
    })
    loader.once('exit', done)
    process.once('SIGINT', () => loader.kill('SIGKILL'))
  })
  if (status !== 0) {
    stopCluster(cluster)
    fail('The demo data could not be loaded; the reason stands above. Start again with bin/demo --fresh.')
  }
  kept.loaded = true
  keep(kept)
}

const running = keepRunning(
  [
    { name: 'mail stand-in', file: '.build/js/mail-standin.mjs' },
    { name: 'carrier stand-in', file: '.build/js/carrier-standin.mjs' },
    { name: 'worker', file: '.build/js/worker.mjs' },
    { name: 'web', file: '.output/server/index.mjs' },
  ],
  environment,
)
async function stop(): Promise<void> {
  await running.stop()
  stopCluster(cluster)
}
onEnd(stop)
if (!(await answers(webPort))) {
  await stop()
  fail('The web server did not answer within a minute; its messages stand above.')
}

console.log(`
  Clothespin is ready:   http://127.0.0.1:${webPort}
  The mailboxes:         http://127.0.0.1:${kept.mailboxPort}   (a stand-in; no mail leaves this computer)
  The carrier:           http://127.0.0.1:${kept.carrierPort}   (a stand-in; nothing is really carried)

  Sign in as
${demoStaff()
  .map((person) => `    ${person.role.padEnd(11)} ${person.email.padEnd(28)} ${person.password}`)
  .join('\n')}

  Ctrl-C stops everything; the next bin/demo finds it as it was.
`)
process.send?.('ready')
