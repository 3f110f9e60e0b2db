import { hasAccountStrip } from '../../../core/designs/supplied'
import type { Day } from '../../../core/documents/days'
import { listsAccount } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import { openItemsOfAccounts } from '../dispatch/compose-queries'
import type { PaperContext } from './paper-context'

/*
 * What is open on customers' accounts, for documents whose design lists it. Called where documents are made, whatever
 * they are of: one statement for all of them, none where no design asks for it. It is as of the day on which a document
 * is made, and says so; what is paid later does not change what was looked at.
 */

/** The same with what is open on their accounts. */
export async function withAccounts(
  contexts: ReadonlyMap<number, PaperContext>,
  today: Day,
): Promise<ReadonlyMap<number, PaperContext>> {
  const asking = [...contexts.values()].filter(
    ({ design, source }) => listsAccount(source.kind) && hasAccountStrip(design.design),
  )
  if (asking.length === 0) return contexts
  const found = await openItemsOfAccounts(asking.map(accountOf))
  const open = groupBy(found, keyOf)
  return new Map(
    [...contexts].map(([id, context]) => {
      if (!asking.includes(context)) return [id, context]
      const account = { day: today, open: open.get(keyOf(accountOf(context))) ?? [] }
      return [id, { ...context, source: { ...context.source, account } }]
    }),
  )
}

const accountOf = ({ customerId, brandId, source }: PaperContext) => ({
  customerId,
  brandId,
  currency: source.payment?.currency ?? source.order.currency,
})

const keyOf = (account: { customerId: number; brandId: number; currency: string }) =>
  `${account.customerId} ${account.brandId} ${account.currency}`
