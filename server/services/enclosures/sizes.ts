import { markThese } from '../outbox/stale'
import { oversized } from './going'
import { emailsWith } from './queries'

/**
 * After something that enters the size of emails has changed: prepared documents that are too large now, or perhaps no
 * more, are built anew, which writes or takes away the problem in To check. In the caller's transaction.
 */
export async function lookAtSizes(
  of: { customerId?: number | null; sourceId?: number | null; preparedId?: number | null } = {},
): Promise<void> {
  const emails = await emailsWith(of)
  const large = await oversized(
    emails.map(({ id }) => id),
    '',
  )
  await markThese(emails.filter(({ id, stopped }) => stopped || large.has(id)).map(({ id }) => id))
}
