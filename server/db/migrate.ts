import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { runMigrations } from 'graphile-worker'
import pg from 'pg'
import { Umzug } from 'umzug'
import { config } from '../config'
import { afterMigration } from './after-migration'

/**
 * The files of the folder, in the order of their names. A file that a house was made with never changes; what changes
 * comes as the next one, and in schema.sql as well.
 */
const migrations = () =>
  readdirSync(config.migrationFolder)
    .filter((file) => file.endsWith('.sql'))
    .sort()
    .map((file) => ({
      name: file.replace(/\.sql$/, ''),
      sql: () => readFileSync(join(config.migrationFolder, file), 'utf8'),
    }))

/** What this version would still do to the database, and whether there is anything in it. Writes nothing. */
export async function pendingMigrations(): Promise<{ begun: boolean; names: string[] }> {
  const client = new pg.Client({ connectionString: config.databaseUrl })
  await client.connect()
  try {
    const { rows } = await client.query<{ there: boolean }>(
      `select to_regclass('migration') is not null there`,
    )
    const done = rows[0]!.there
      ? (await client.query<{ name: string }>('select name from migration')).rows.map((row) => row.name)
      : []
    const names = migrations()
      .map(({ name }) => name)
      .filter((name) => !done.includes(name))
    return { begun: done.length > 0, names }
  } finally {
    await client.end()
  }
}

/** Held while migrating, so that web and workers that start together do it once. */
const migrationLock = 7_205_118

/**
 * Brings the database to this build's schema: ours and the queue's, each migration in its own transaction,
 * under one advisory lock.
 * @throws Error when the database was made by a version that this one does not know; nothing is changed
 */
export async function migrate(): Promise<void> {
  const client = new pg.Client({ connectionString: config.databaseUrl })
  await client.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [migrationLock])
    await client.query(
      'create table if not exists migration (name text primary key, done_at timestamptz not null default now())',
    )
    const done = await client.query<{ name: string }>('select name from migration order by name')
    const unknown = done.rows.filter((row) => !migrations().some((one) => one.name === row.name))
    if (unknown.length > 0)
      throw new Error(
        `This database was made by another version of Clothespin (${unknown.at(-1)!.name}), which this one ` +
          'does not know. Nothing was changed. Start that version again; a demo begins anew with bin/demo --fresh.',
      )
    const umzug = new Umzug({
      migrations: migrations().map(({ name, sql }) => ({
        name,
        up: async () => {
          await client.query('begin')
          try {
            await client.query(sql())
            await afterMigration[name]?.(client)
            await client.query('insert into migration (name) values ($1)', [name])
            await client.query('commit')
          } catch (error) {
            await client.query('rollback')
            throw error
          }
        },
      })),
      storage: {
        executed: async () => done.rows.map((row) => row.name),
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
