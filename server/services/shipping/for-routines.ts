import { Refusal } from '../../../core/errors'
import type { EventFacts } from '../../../core/routines/routine'
import type { RoutineSentence, Trust } from '../../../core/routines/sentence'
import { allLeft } from '../../../core/shipping/quantities'
import { counted, joined, told, toldRefusal, type Told } from '../../../core/said/told'
import type { Addressing } from '../documents/paper-context'
import { inTheNameOf } from '../people/principal'
import { askLabels } from './labels'
import { makeShipment } from './pack'
import { standingOfOrders } from './parts'
import { shipmentsOfOrder } from './queries'
import { tellOfShipment } from './tell-routines'

/*
 * What shipping does at the word of a routine, in the transaction in which it looks at an event: packs what is left of
 * an order that reached a status, and has labels bought. Refusals are what came of it, never an error.
 */

interface Said {
  outcome: string
  reason: Told
}

interface Asking {
  id: number
  name: string
  version: number
  sentence: RoutineSentence
}

/**
 * Packs what is left of an order as it would be proposed, and shows the routine every shipment of it: those that a
 * person packed before, too. What the routine makes of them it makes once.
 */
export async function packFor(orderId: number, routine: Asking, { from, to }: EventFacts): Promise<Said> {
  const who = inTheNameOf(routine.name)
  const left = allLeft((await standingOfOrders([orderId])).get(orderId)!)
  try {
    if (left.length > 0)
      await makeShipment(
        orderId,
        { lines: left, ...(routine.sentence.service ? { service: routine.sentence.service } : {}) },
        who,
      )
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { outcome: 'not wanted', reason: toldRefusal(error) }
  }
  const packed = (await shipmentsOfOrder(orderId)).filter(({ state }) => state === 'packed')
  for (const { id } of packed)
    await tellOfShipment(id, 'shipment', who, {
      onlyRoutine: routine.id,
      facts: { from, to, byStatus: true },
    })
  if (packed.length === 0) return { outcome: 'not wanted', reason: told('looked/nothing-to-ship') }
  const shipments = joined(
    packed.map(({ label }) => label),
    'list/comma',
  )
  return {
    outcome: 'packed',
    reason: told(left.length > 0 ? 'looked/packed' : 'looked/packed-before', { shipments }),
  }
}

/**
 * Has the labels of a shipment bought. A routine that only lists what is due buys nothing; after a check the labels are
 * bought and their document waits in To check.
 */
export async function labelFor(
  shipmentId: number,
  routine: Asking & { trust: Trust; addressing: Addressing },
): Promise<Said> {
  const { id, version, name, sentence, trust, addressing } = routine
  if (trust === 'by hand') return { outcome: 'due', reason: told('looked/labels-by-hand') }
  try {
    const { asked, refused, otherwise } = await askLabels(
      shipmentId,
      {
        ...(sentence.service ? { service: sentence.service } : {}),
        goesOn: {
          routine: { id, version },
          role: addressing.role,
          copyTo: [...addressing.copyTo],
          trust,
          delayMinutes: sentence.delayMinutes,
          hours: sentence.hours ?? null,
        },
      },
      inTheNameOf(name),
    )
    if (otherwise !== null)
      return { outcome: 'not wanted', reason: told('looked/otherwise', { service: otherwise }) }
    const parts = [
      ...(asked > 0 ? [told('looked/labels-asked', { labels: counted(asked, 'label') })] : []),
      ...refused.map(({ parcel, failure }) =>
        told('looked/no-label', { parcel, why: told(`failure/${failure}`) }),
      ),
    ]
    return { outcome: asked > 0 ? 'prepared' : 'refused', reason: joined(parts, 'list/sentences') }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return {
      outcome: error.code === 'no-parcel-to-label' ? 'already' : 'not wanted',
      reason: toldRefusal(error),
    }
  }
}
