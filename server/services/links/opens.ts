import { openedBy } from '../../../core/links/opened-by'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { theHouse } from '../people/principal'
import { countOpen, handedOver } from './queries'
import { emailOfToken, openToken } from './token'

/*
 * Whether an email was opened, where the house counts it: a picture of one dot in it is fetched when its pictures are
 * shown. It says that somebody saw it, never that nobody did. Who fetched it is not kept.
 */

/** What stands at the end of an email that leaves; '' where the house does not count, or says no address. */
export async function openMark(dispatchId: number): Promise<string> {
  const { countOpens, publicAddress } = await company()
  if (!countOpens || !publicAddress) return ''
  return `<img src="${publicAddress}/o/${openToken(dispatchId)}" alt="" width="1" height="1">`
}

/** Counts that an email was opened; an address that was not made here counts for none. @param agent who says so */
export async function countOpened(token: string, agent: string): Promise<void> {
  const dispatchId = emailOfToken(token)
  if (dispatchId === undefined || !(await company()).countOpens) return
  await inTransaction(async () => {
    const email = await handedOver(dispatchId)
    if (!email) return
    const by = openedBy({ agent, at: clock.now(), handedOverAt: email.handedOverAt })
    const counted = await countOpen({ dispatchId, byMachine: by === 'machine', now: clock.now() })
    if (by === 'machine' || counted!.opened > 1) return
    await noteAll([{ dispatchId, actor: theHouse.name, ...told('link/email-opened') }])
    publish('register')
  })
}

/** A picture of one clear dot (GIF89a). */
export const dot = Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64')
