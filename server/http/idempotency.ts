import { createHash } from 'node:crypto'
import { Refusal } from '../../core/errors'
import { clock } from '../clock'
import { json } from '../db/connection'
import { beginCall, forgetCall, knownCall, answerCall } from './idempotency-queries'

/*
 * The same call twice is one call. A call with the header Idempotency-Key is written down before it is worked
 * on; the same key again, also at the
 * same instant, waits for that answer and gets it. Dies half-way: the key stays without an answer and is
 * refused, so that nothing is made twice in silence.
 */

/** How long a second call waits for the answer of the first, in milliseconds. */
const longestWait = 20_000

export interface Answer {
  status: number
  answer: unknown
}

/**
 * Works on a call once. A refused call leaves no trace: it changed nothing and may be tried again with the same key.
 * @param callHash of method, path and body: a key is for one call only
 * @throws Refusal "key-used-otherwise", "call-unclear"
 */
export async function once(
  caller: string,
  key: string,
  call: unknown,
  work: () => Promise<Answer>,
): Promise<Answer> {
  const callHash = createHash('sha256').update(json(call)).digest('hex')
  const mine = await beginCall({ caller, key, callHash, now: clock.now() })
  if (mine === 0) return answerOf(caller, key, callHash, work, call)
  let made: Answer
  try {
    made = await work()
  } catch (error) {
    // only a refusal says that nothing was done; after anything else the key stays taken and the call is unclear
    if (error instanceof Refusal) await forgetCall(caller, key)
    throw error
  }
  await answerCall({ caller, key, status: made.status, answer: made.answer ?? null })
  return made
}

async function answerOf(
  caller: string,
  key: string,
  callHash: string,
  work: () => Promise<Answer>,
  call: unknown,
): Promise<Answer> {
  for (let waited = 0; waited <= longestWait; waited += 50) {
    const known = await knownCall(caller, key)
    if (!known) return once(caller, key, call, work) // the first was refused
    if (known.callHash !== callHash)
      throw new Refusal('key-used-otherwise', { status: 422, about: { field: 'Idempotency-Key' } })
    if (known.status !== null) return { status: known.status, answer: known.answer }
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  throw new Refusal('call-unclear', { about: { field: 'Idempotency-Key' } })
}
