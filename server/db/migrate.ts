import { readFileSync } from 'node:fs'
import { runMigrations } from 'graphile-worker'
import pg from 'pg'
import { Umzug } from 'umzug'
import { config } from '../config'

/**
 * In order. No house lives on this schema yet, so a change is made in schema.sql itself. With the first release
 * the base gets a copy of its own that never changes, and each later one changes schema.sql as well.
 */
const migrations = [{ name: '001-base', sql: () => readFileSync(config.schemaFile, 'utf8') }]

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
    const unknown = done.rows.filter((row) => !migrations.some((one) => one.name === row.name))
    if (unknown.length > 0)
      throw new Error(
        `This database was made by another version of Clothespin (${unknown.at(-1)!.name}), which this one ` +
          'does not know. Nothing was changed. Start that version, or begin a new house: bin/demo --fresh.',
      )
    const umzug = new Umzug({
      migrations: migrations.map(({ name, sql }) => ({
        name,
        up: async () => {
          await client.query('begin')
          try {
            await client.query(sql())
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
