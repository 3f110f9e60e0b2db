import { AsyncLocalStorage } from 'node:async_hooks'
import pg from 'pg'
import { QueryTypes, Sequelize, type Transaction } from 'sequelize'
import { config } from '../config'
import { startModels } from './models'

/**
 * The one connection to PostgreSQL, and the one way to write.
 * Inside `inTransaction` every query, by model or by SQL, runs in that transaction without being handed it;
 * a hook fails any query there that would run outside.
 */
const scope = new AsyncLocalStorage<Map<string, unknown>>()

Sequelize.useCLS({
  bind: <F>(fn: F) => fn,
  get: (key: string) => (key === 'transaction' ? currentTransaction() : scope.getStore()?.get(key)),
  set: (key: string, value: unknown) => scope.getStore()?.set(key, value),
  run: (callback: (context: unknown) => unknown) =>
    scope.run(new Map(scope.getStore()), () => callback(undefined)),
} as never) // its types know the cls-hooked package, of which it uses these four

let instance: Sequelize | undefined

export function database(): Sequelize {
  if (!instance) {
    instance = new Sequelize(config.databaseUrl, {
      dialect: 'postgres',
      dialectModule: pg,
      logging: false,
      pool: { max: Number(process.env.CLOTHESPIN_POOL ?? 12), idle: 30_000, acquire: 30_000 },
      define: { underscored: true, timestamps: false },
      dialectOptions: {
        application_name: `clothespin ${process.env.CLOTHESPIN_PROCESS ?? 'web'}`,
        // short statements: compiling one, or starting helpers for it, would take longer than running it
        options: '-c jit=off -c parallel_setup_cost=10000',
      },
    })
    startModels(instance)
    // a hook of Sequelize 6 that is missing in its types
    instance.addHook(
      'beforeQuery' as never,
      ((options: { transaction?: Transaction | null }) => {
        const current = currentTransaction()
        if (current && options.transaction !== current)
          throw new Error('a query inside inTransaction would run outside it')
      }) as never,
    )
  }
  return instance
}

/** Whether this process has its connection: what only tells others does not open it anew while the process ends. */
export const isOpen = (): boolean => instance !== undefined

export async function closeDatabase(): Promise<void> {
  const closing = instance
  instance = undefined
  await closing?.close()
}

function currentTransaction(): Transaction | undefined {
  const transaction = scope.getStore()?.get('transaction') as Transaction | undefined
  return transaction && !(transaction as Transaction & { finished?: string }).finished
    ? transaction
    : undefined
}

/** Runs `work` in one transaction; joins the current one if there is any. */
export async function inTransaction<T>(work: () => Promise<T>): Promise<T> {
  if (currentTransaction()) return work()
  return database().transaction(work)
}

/** Carries what was found out of a transaction that is taken back. */
class TakenBack extends Error {
  constructor(readonly found: unknown) {
    super('taken back')
  }
}

/**
 * Runs `work` in a transaction of its own and takes back all that it wrote: what an act would do is found by doing
 * it, so that the question and the act cannot differ.
 */
export async function takenBack<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await database().transaction(async () => {
      throw new TakenBack(await work())
    })
  } catch (error) {
    if (error instanceof TakenBack) return error.found as T
    throw error
  }
}

/** Calls `act` once the current transaction is committed; at once outside of one. */
export function afterCommit(act: () => void): void {
  const transaction = currentTransaction()
  if (transaction) transaction.afterCommit(act)
  else act()
}

/**
 * Runs `work` behind a savepoint of the current transaction: what it did is undone when it throws, the rest
 * stays.
 */
export async function behindSavepoint<T>(work: () => Promise<T>): Promise<T> {
  if (!currentTransaction()) throw new Error('a savepoint needs a transaction')
  await run('SAVEPOINT one')
  try {
    const result = await work()
    await run('RELEASE SAVEPOINT one')
    return result
  } catch (error) {
    await run('ROLLBACK TO SAVEPOINT one')
    throw error
  }
}

/** Values for $1 … by their place, or for $name by their name. */
type Bind = readonly unknown[] | Readonly<Record<string, unknown>>

const given = (bind: Bind) => (Array.isArray(bind) ? [...(bind as unknown[])] : { ...bind })

/** Rows of a statement with parameters; also for INSERT, UPDATE and DELETE with RETURNING. */
export async function rows<T extends object>(sql: string, bind: Bind = []): Promise<T[]> {
  return database().query<T>(sql, { bind: given(bind), type: QueryTypes.SELECT })
}

/** The first row, or undefined. */
export async function one<T extends object>(sql: string, bind: Bind = []): Promise<T | undefined> {
  return (await rows<T>(sql, bind))[0]
}

/** Runs a statement; answers how many rows it touched (the type is only how Sequelize is asked for that count). */
export async function run(sql: string, bind: Bind = []): Promise<number> {
  return database().query(sql, {
    bind: Array.isArray(bind) && bind.length === 0 ? undefined : given(bind),
    type: QueryTypes.BULKDELETE, // its answer is a count, its type is none
  }) as unknown as Promise<number>
}

/** A value for a jsonb parameter. */
export const json = (value: unknown): string => JSON.stringify(value)
