import { Refusal } from '../../../core/errors'
import { sum } from '../../../core/money/decimal'
import {
  chosenService,
  offersFor,
  type ChosenService,
  type HouseService,
  type Offer,
} from '../../../core/shipping/carriers'
import { company } from '../house/house'
import { houseServices } from './carriers-queries'
import { parcelsToLabel, shipmentToLabel, type ParcelToLabel, type ShipmentToLabel } from './labels-queries'

/*
 * By which service a shipment goes and what it costs. Called by its screen before anything is bought, and by labels
 * once it is locked: the same question, so that what is seen is what is bought.
 */

/** What services would cost for a shipment as it is packed, and which it goes by. */
export interface ShipmentOffers {
  offers: Offer[]
  /** Null where no service takes it. */
  chosen: ChosenService | null
}

/** The parcels that need a label are asked about; all of them where each has one. */
export async function offersOf(shipmentId: number): Promise<ShipmentOffers> {
  const shipment = await shipmentToLabel(shipmentId)
  if (!shipment) throw new Refusal('no-such-shipment', { status: 404 })
  const services = await houseServices()
  const parcels = await parcelsToLabel(shipmentId)
  const open = parcels.filter(({ hasLabel }) => !hasLabel)
  return chooseService(shipment, services, open.length > 0 ? open : parcels, shipment.service)
}

/** @param named what stands at the shipment, or what a person or a routine wants instead */
export async function chooseService(
  { delivery, customer, total }: ShipmentToLabel,
  services: readonly HouseService[],
  parcels: readonly ParcelToLabel[],
  named: string,
): Promise<ShipmentOffers> {
  const offers = offersFor(services, delivery.country, parcels)
  const weights = parcels.map(({ weight }) => weight)
  const { serviceRules } = await company()
  const weight = weights.includes(null) ? null : sum(weights as string[]).toString()
  const one = { country: delivery.country, customer, weight, total }
  return { offers, chosen: chosenService(named, serviceRules, one, services, offers) ?? null }
}
