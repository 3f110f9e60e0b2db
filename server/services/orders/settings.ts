import { inTransaction } from '../../db/connection'
import { applyStoppingStatuses } from '../dispatch/stopped'
import { lookForSecondIn } from '../documents/second-look'
import { lookAtSizes } from '../enclosures/sizes'
import { changeHouse, type HouseSettings } from '../house/settings'
import { theHouse } from '../people/principal'

/**
 * Changes the house's settings; where that changes which statuses stop an order, what is prepared or waiting follows
 * at once, and so does what is too large, or no more. Called from the Company page. @throws Refusal of `changeHouse`
 */
export async function changeSettings(
  change: Partial<HouseSettings>,
  was?: Partial<HouseSettings>,
): Promise<void> {
  await inTransaction(async () => {
    await changeHouse(change, was)
    if (change.secondLook) await lookForSecondIn(null)
    if (change.tooLarge !== undefined || change.publicAddress !== undefined) await lookAtSizes()
    if (change.heldStatuses || change.withdrawnStatuses) await applyStoppingStatuses(theHouse)
  })
}
