import { isSafeLink } from '../../../core/emailtexts/nodes'
import type { EmailBanner } from '../../../core/emailtexts/pictures'
import { openedBy } from '../../../core/links/opened-by'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { theHouse } from '../people/principal'
import { countFollowed, keepOffer, offerRow } from './offers-queries'
import { offerOfToken, offerToken } from './token'

/*
 * Whether somebody followed the offer of an email, where its banner says that this is counted. The address in the email
 * leads here and on to where the offer is, as it was when the email left; who followed it is not kept.
 */

/** Where the banner of an email that leaves leads; '' where it is not counted, or links lead nowhere. */
export async function offerMark(dispatchId: number, banner: EmailBanner | null | undefined): Promise<string> {
  if (!banner?.counted || !isSafeLink(banner.href)) return ''
  const { publicAddress } = await company()
  if (!publicAddress) return ''
  const { id } = (await keepOffer(dispatchId, banner.href))!
  return `${publicAddress}/l/${offerToken(id)}`
}

/**
 * Where an offer leads, counted. @param agent who follows it
 * @returns undefined for an address that was not made here
 */
export async function followOffer(token: string, agent: string): Promise<string | undefined> {
  const id = offerOfToken(token)
  if (id === undefined) return undefined
  return inTransaction(async () => {
    const offer = await offerRow(id)
    if (!offer) return undefined
    const { dispatchId, href, handedOverAt } = offer
    const byMachine = openedBy({ agent, at: clock.now(), handedOverAt }) === 'machine'
    const counted = (await countFollowed({ id, byMachine, now: clock.now() }))!
    if (!byMachine && counted.followed === 1) {
      await noteAll([{ dispatchId, actor: theHouse.name, ...told('link/offer', { url: href }) }])
      publish('register')
    }
    return href
  })
}
