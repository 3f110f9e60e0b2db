import { told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Customer } from '../../db/models'
import { noteAll } from '../history/history'
import { updatesPage, type UpdatesPage } from '../links/updates-page'
import { inTheNameOf } from '../people/principal'
import { changeCustomer } from './customers'

/*
 * A customer asked for no more order updates, by the link or the button that their mail program has for it. Called from
 * outside the house. Their delivery says "not at all" for order updates from then on; the history of that email says
 * why. A second time does nothing.
 */

const kind = 'order update'

/** @returns undefined for an address that was not made here */
export async function noMoreUpdates(token: string): Promise<UpdatesPage | undefined> {
  return inTransaction(async () => {
    const found = await updatesPage(token)
    if (!found || found.stopped) return found
    const customer = (await Customer.findByPk(found.customerId, { lock: true }))!
    const { version, preferences } = customer
    const wish = { ...preferences[kind], channel: 'nothing' as const }
    const actor = customer.name
    await changeCustomer(
      customer.id,
      { version, preferences: { ...preferences, [kind]: wish } },
      inTheNameOf(actor),
    )
    await noteAll([{ dispatchId: found.dispatchId, actor, ...told('link/no-more-updates') }])
    return { ...found, stopped: true }
  })
}
