import { markThese } from '../outbox/stale'
import { stoppedByFiles } from './going'
import { emailsWith } from './queries'

/**
 * After something that decides how the files of emails go has changed: prepared documents that cannot go with them, or
 * perhaps can again, are built anew, which writes or takes away the problem in To check. In the caller's transaction.
 */
export async function lookAtSizes(
  of: {
    customerId?: number | null
    sourceId?: number | null
    preparedId?: number | null
    item?: string
  } = {},
): Promise<void> {
  const emails = await emailsWith(of)
  const stoppedNow = await stoppedByFiles(
    emails.map(({ id }) => id),
    '',
  )
  await markThese(emails.filter(({ id, stopped }) => stopped || stoppedNow.has(id)).map(({ id }) => id))
}
