import { createHmac, timingSafeEqual } from 'node:crypto'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { lastWays, parcelWays, type ParcelWay } from '../../../core/shipping/tracking'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { log } from '../../log'
import { noteAll } from '../history/history'
import { gate } from '../house/queries'
import { endLinksOfDocument } from '../links/links'
import { publish } from '../live/publish'
import { inTheNameOf, theHouse } from '../people/principal'
import { carrierToAsk, newsKeyOf } from './carriers'
import { tellOfDelivered, tellOfShipment } from './tell-routines'
import {
  askWayAgain,
  documentsUsedUp,
  followedLabels,
  keepWays,
  lockOrdersOf,
  type Moved,
} from './tracking-queries'

/*
 * How far parcels are: asked of carriers by follow-parcels, and told by them at a signed call. Dies half-way: what was
 * not written is asked again. Refuses a call that is not signed with the carrier's key, or is old.
 */

/** Between two times of asking about a parcel. */
export const askWaySeconds = 3600
/** A parcel that was never delivered is asked about no longer than this. */
const mostDays = 45

/** Asks carriers how far the parcels of these labels are. */
export async function followParcels(labelIds: readonly number[]): Promise<void> {
  if ((await gate()).paused) return
  const now = clock.now()
  const followed = await followedLabels(labelIds, now)
  for (const [carrierId, labels] of groupBy(followed, (one) => one.carrierId)) {
    const isOld = ({ madeAt }: { madeAt: Date }) => now.getTime() - madeAt.getTime() > mostDays * 86_400_000
    await askWayAgain(
      labels.filter((one) => !isOld(one)).map(({ id }) => id),
      new Date(now.getTime() + askWaySeconds * 1000),
    )
    await askWayAgain(
      labels.filter(isOld).map(({ id }) => id),
      null,
    )
    try {
      const carrier = await carrierToAsk(carrierId)
      await keepNews(carrierId, await carrier.track(labels.map(({ tracking }) => tracking)))
    } catch (error) {
      log.warn({ carrier: carrierId, error: String(error) }, 'a carrier did not say how far parcels are')
    }
  }
}

/** A carrier tells how far a parcel is. */
export interface CarrierNews {
  moment: string
  signature: string
  body: Uint8Array
}

/** A call is good for so long, so that it is not played again later. */
const freshMilliseconds = 10 * 60_000

/**
 * Takes what a carrier tells, signed with HMAC-SHA256 (RFC 2104) over its moment and body.
 * @throws Refusal "carrier-not-known" where the signature does not fit or is old, whatever the reason
 */
export async function takeNews(carrierId: number, { moment, signature, body }: CarrierNews): Promise<void> {
  const key = await newsKeyOf(carrierId)
  const age = Math.abs(clock.now().getTime() - Date.parse(moment))
  const own = createHmac('sha256', key ?? '')
    .update(`${moment}.`)
    .update(body)
    .digest()
  const given = Buffer.from(signature, 'hex')
  const fits = given.length === own.length && timingSafeEqual(given, own)
  if (!key || !fits || !(age <= freshMilliseconds)) throw new Refusal('carrier-not-known', { status: 401 })
  const news = newsIn(body)
  if (news) await keepNews(carrierId, [news])
}

function newsIn(body: Uint8Array): { tracking: string; way: ParcelWay } | undefined {
  try {
    const { number, way } = JSON.parse(Buffer.from(body).toString('utf8')) as Record<string, unknown>
    const known = parcelWays.find((one) => one === way)
    return typeof number === 'string' && known ? { tracking: number, way: known } : undefined
  } catch {
    return undefined
  }
}

async function keepNews(
  carrierId: number,
  ways: readonly { tracking: string; way: ParcelWay }[],
): Promise<void> {
  if (ways.length === 0) return
  await inTransaction(async () => {
    // the orders first, as everybody does who ships: of two parcels that arrive at one instant the later sees the other
    await lockOrdersOf(
      carrierId,
      ways.map(({ tracking }) => tracking),
    )
    const moved = await keepWays(carrierId, ways, clock.now(), lastWays)
    await noteAll(
      moved.map(({ sourceId, parcel, tracking, way }) => ({
        sourceId,
        actor: inTheNameOf('The carrier').name,
        ...told('goods/parcel-way', { parcel, tracking, way: told(`way/${way}`) }),
      })),
    )
    await endUsedLinks(moved)
    await tellOfMoved(moved)
    publish(
      'order',
      moved.map(({ orderId }) => orderId),
    )
  })
}

/** Routines are told of parcels that are held, and of shipments and orders that are delivered. */
async function tellOfMoved(moved: readonly Moved[]): Promise<void> {
  const who = inTheNameOf('The carrier')
  const out = moved.filter(({ isReturn }) => !isReturn)
  const of = (way: ParcelWay) => [
    ...new Set(out.filter((one) => one.way === way).map(({ sourceId }) => sourceId)),
  ]
  for (const id of of('held')) await tellOfShipment(id, 'parcel held', who)
  await tellOfDelivered(of('delivered'), who)
}

/**
 * Links to labels end once each label of their document is used or given back: nobody is to send a parcel with one. In
 * the caller's transaction.
 */
export async function endUsedLinks(labels: readonly { documentId: number | null }[]): Promise<void> {
  const documents = [...new Set(labels.flatMap(({ documentId }) => documentId ?? []))]
  for (const { id } of await documentsUsedUp(documents))
    await endLinksOfDocument(id, (name) => told('goods/links-used', { name }), theHouse)
}
