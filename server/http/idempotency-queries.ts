import { json, one, run } from '../db/connection'

/* The statements of idempotency.ts. */

/** Takes the key; 0 when it is taken already. */
export const beginCall = (given: { caller: string; key: string; callHash: string; now: Date }) =>
  run(
    `insert into api_call (caller, key, call_hash, started_at)
    values ($caller, $key, $callHash, $now)
    on conflict do nothing`,
    given,
  )

/** Gives a key back that has no answer. */
export const forgetCall = (caller: string, key: string) =>
  run('delete from api_call where caller = $caller and key = $key and status is null', { caller, key })

export const answerCall = (given: { caller: string; key: string; status: number; answer: unknown }) =>
  run('update api_call set status = $status, answer = $answer::jsonb where caller = $caller and key = $key', {
    ...given,
    answer: json(given.answer),
  })

export const knownCall = (caller: string, key: string) =>
  one<{ callHash: string; status: number | null; answer: unknown }>(
    'select call_hash "callHash", status, answer from api_call where caller = $caller and key = $key',
    { caller, key },
  )
