import { randomBytes } from 'node:crypto'
import pino from 'pino'

/** Logs are JSON lines; document and dispatch ids are fields. Secrets and message bodies are never logged. */
export const log = pino({
  level: process.env.CLOTHESPIN_LOG ?? 'info',
  base: { process: process.env.CLOTHESPIN_PROCESS ?? 'web' },
})

/** Logs what nobody foresaw, under an id that the person is told, so that both speak of the same. @returns the id */
export function logTrouble(error: unknown, at: Record<string, unknown>, words: string): string {
  const id = randomBytes(4).toString('hex')
  log.error({ ...at, trouble: id, error: reasonOf(error) }, words)
  return id
}

/** What went wrong, in one text: database errors carry their words apart from their stack. */
export function reasonOf(error: unknown): string {
  return error instanceof Error
    ? [error.message, error.stack?.split('\n').slice(1, 8).join('\n')].join('\n')
    : String(error)
}
