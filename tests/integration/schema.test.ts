import { readFileSync } from 'node:fs'
import { DataTypes } from 'sequelize'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { closeDatabase, database, rows, run } from '../../server/db/connection'
import { models } from '../../server/db/models'
import { freshDatabase } from './house'

/* The models, schema.sql and what the migrations make are one and the same. */
interface Column {
  table: string
  column: string
  type: string
  nullable: boolean
  generated: boolean
  fallback: string | null
}

const columnsHere = (): Promise<Column[]> =>
  rows<Column>(
    `select c.table_name "table", c.column_name "column", c.udt_name "type", c.is_nullable = 'YES' nullable,
      c.is_identity = 'YES' generated, c.column_default fallback
    from information_schema.columns c
    join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.table_name <> 'migration'
    order by 1, c.ordinal_position`,
  )
/** Everything else that a table has: keys, checks, indexes, triggers, and the views. */
const rulesHere = async (): Promise<string[]> =>
  (
    await rows<{ rule: string }>(
      `select conrelid::regclass || ' ' || pg_get_constraintdef(oid) rule
      from pg_constraint
      where connamespace = 'public'::regnamespace
      union all select indexdef from pg_indexes where schemaname = 'public'
      union all
      select pg_get_triggerdef(t.oid)
      from pg_trigger t
      join pg_class c on c.oid = t.tgrelid
      where not t.tgisinternal and c.relnamespace = 'public'::regnamespace
      union all select viewname || definition from pg_views where schemaname = 'public'
      order by 1`,
    )
  ).map(({ rule }) => rule)

const types: Record<string, string> = {
  int4: 'INTEGER',
  int8: 'BIGINT',
  text: 'TEXT',
  varchar: 'STRING',
  bool: 'BOOLEAN',
  jsonb: 'JSONB',
  date: 'DATEONLY',
  timestamptz: 'DATE',
  uuid: 'UUID',
  bytea: 'BLOB',
  numeric: 'DECIMAL',
  _text: 'ARRAY',
}

beforeAll(async () => {
  process.env.CLOTHESPIN_DATABASE_URL = await freshDatabase()
  database()
})
afterAll(closeDatabase)

test('every column is in its model as it is in the database, and every model is a table', async () => {
  const inModels = models.flatMap((model) =>
    Object.values(model.getAttributes()).map((attribute) => ({
      table: model.getTableName() as string,
      column: attribute.field!,
      type: (attribute.type as InstanceType<typeof DataTypes.ABSTRACT>).key,
      nullable: attribute.allowNull !== false && !attribute.primaryKey,
      fallback: 'defaultValue' in attribute,
    })),
  )
  const inDatabase = (await columnsHere()).map(({ table, column, type, nullable, fallback }) => ({
    table,
    column,
    type: types[type] ?? type,
    nullable,
    fallback: fallback !== null,
  }))
  const said = (all: typeof inModels) => all.map((one) => JSON.stringify(one)).sort()
  expect(said(inModels)).toEqual(said(inDatabase))
})

test('schema.sql makes the very same house as all migrations', async () => {
  const migrated = [await columnsHere(), await rulesHere()]
  await run('drop schema public cascade')
  await run('create schema public')
  await run(readFileSync('server/db/schema.sql', 'utf8'))
  const fresh = [await columnsHere(), (await rulesHere()).filter((rule) => !/\bmigration\b/.test(rule))]
  expect(fresh).toEqual([
    migrated[0],
    (migrated[1] as string[]).filter((rule) => !/\bmigration\b/.test(rule)),
  ])
})
