import { runMigrations } from 'graphile-worker'
import pg from 'pg'
import { Umzug } from 'umzug'
import { config } from '../config'
import { house } from './migrations/001-house'
import { papers } from './migrations/002-papers'
import { sending } from './migrations/003-sending'
import { kinds } from './migrations/004-kinds'
import { control } from './migrations/005-control'
import { installation } from './migrations/006-installation'
import { brandsGrown } from './migrations/007-brands'
import { posting } from './migrations/008-posting'
import { seriesGrown } from './migrations/009-series'
import { api } from './migrations/010-api'
import { payments } from './migrations/011-payments'
import { bank } from './migrations/012-bank'
import { imports } from './migrations/013-imports'
import { paidAtOnce } from './migrations/014-paid-at-once'
import { accepted } from './migrations/015-accepted'
import { bankMovements } from './migrations/016-bank-movements'
import { saidAndDone } from './migrations/017-said-and-done'
import { countries } from './migrations/018-countries'

const migrations = [
  { name: '001-house', sql: house },
  { name: '002-papers', sql: papers },
  { name: '003-sending', sql: sending },
  { name: '004-kinds', sql: kinds },
  { name: '005-control', sql: control },
  { name: '006-installation', sql: installation },
  { name: '007-brands', sql: brandsGrown },
  { name: '008-posting', sql: posting },
  { name: '009-series', sql: seriesGrown },
  { name: '010-api', sql: api },
  { name: '011-payments', sql: payments },
  { name: '012-bank', sql: bank },
  { name: '013-imports', sql: imports },
  { name: '014-paid-at-once', sql: paidAtOnce },
  { name: '015-accepted', sql: accepted },
  { name: '016-bank-movements', sql: bankMovements },
  { name: '017-said-and-done', sql: saidAndDone },
  { name: '018-countries', sql: countries },
]

/** Held while migrating, so that web and workers that start together do it once. */
const migrationLock = 7_205_118

/**
 * Brings the database to this build's schema: ours and the queue's, each migration in its own transaction,
 * under one advisory lock.
 */
export async function migrate(): Promise<void> {
  const client = new pg.Client({ connectionString: config.databaseUrl })
  await client.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [migrationLock])
    await client.query(
      'create table if not exists migration (name text primary key, done_at timestamptz not null default now())',
    )
    const umzug = new Umzug({
      migrations: migrations.map(({ name, sql }) => ({
        name,
        up: async () => {
          await client.query('begin')
          try {
            await client.query(sql)
            await client.query('insert into migration (name) values ($1)', [name])
            await client.query('commit')
          } catch (error) {
            await client.query('rollback')
            throw error
          }
        },
      })),
      storage: {
        executed: async () =>
          (await client.query<{ name: string }>('select name from migration order by name')).rows.map(
            (row) => row.name,
          ),
        logMigration: async () => {},
        unlogMigration: async () => {},
      },
      logger: undefined,
    })
    await umzug.up()
    await runMigrations({ connectionString: config.databaseUrl })
  } finally {
    await client.end()
  }
}
