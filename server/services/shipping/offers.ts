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
import {
  consignmentToLabel,
  parcelsToLabel,
  type ConsignmentToLabel,
  type ParcelToLabel,
} from './labels-queries'

/*
 * By which service goods go, out or back, and what it costs. Called by their screens before anything is bought, and by
 * labels once they are locked: the same question, so that what is seen is what is bought.
 */

/** What services would cost for goods as they are packed, and which they go by. */
export interface ShipmentOffers {
  offers: Offer[]
  /** Null where no service takes it. */
  chosen: ChosenService | null
}

/** The parcels that need a label are asked about; all of them where each has one. */
export async function offersOf(sourceId: number): Promise<ShipmentOffers> {
  const goods = await consignmentToLabel(sourceId)
  if (!goods) throw new Refusal('no-such-shipment', { status: 404 })
  const services = await houseServices()
  const parcels = await parcelsToLabel(sourceId)
  const open = parcels.filter(({ hasLabel }) => !hasLabel)
  return chooseService(goods, services, open.length > 0 ? open : parcels, goods.service)
}

/** Those by which goods go out, or those by which they come back. */
export const servicesFor = (
  { isReturn }: Pick<ConsignmentToLabel, 'isReturn'>,
  services: readonly HouseService[],
): HouseService[] => services.filter((service) => (service.isReturn ?? false) === isReturn)

/**
 * The rules of the house are about goods that go out.
 * @param named what stands at the goods, or what a person or a routine wants instead
 */
export async function chooseService(
  { country, customer, total, isReturn }: ConsignmentToLabel,
  all: readonly HouseService[],
  parcels: readonly ParcelToLabel[],
  named: string,
): Promise<ShipmentOffers> {
  const services = servicesFor({ isReturn }, all)
  const offers = offersFor(services, country, parcels)
  const weights = parcels.map(({ weight }) => weight)
  const { serviceRules } = await company()
  const weight = weights.includes(null) ? null : sum(weights as string[]).toString()
  const one = { country, customer, weight, total }
  const rules = isReturn ? [] : serviceRules
  return { offers, chosen: chosenService(named, rules, one, services, offers) ?? null }
}
