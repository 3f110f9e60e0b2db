import type { OwnEmail } from '../../../core/emailtexts/own-email'
import { json, one, run } from '../../db/connection'

/* The statements of waiting-email.ts. */

/** An email, and whether it can still be written: nobody is handing it over, and nothing of it has left. */
export const lockWaitingEmail = (dispatchId: number, lock: boolean) =>
  one<{ revision: number; open: boolean }>(
    `select email_revision revision, state in ('waiting', 'stuck') "open"
    from dispatch
    where id = $dispatchId and channel = 'email'
    ${lock ? 'for update' : ''}`,
    { dispatchId },
  )

export const keepWaitingEmail = (given: { dispatchId: number; own: OwnEmail | null }) =>
  run(
    `update dispatch
    set own_email = $own::jsonb, email_revision = email_revision + 1
    where id = $dispatchId`,
    { ...given, own: given.own && json(given.own) },
  )
