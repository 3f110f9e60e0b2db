import pino from 'pino'

/** Logs are JSON lines; document and dispatch ids are fields. Secrets and message bodies are never logged. */
export const log = pino({
  level: process.env.CLOTHESPIN_LOG ?? 'info',
  base: { process: process.env.CLOTHESPIN_PROCESS ?? 'web' },
})

/** What went wrong, in one text: database errors carry their words apart from their stack. */
export function reasonOf(error: unknown): string {
  return error instanceof Error
    ? [error.message, error.stack?.split('\n').slice(1, 8).join('\n')].join('\n')
    : String(error)
}
