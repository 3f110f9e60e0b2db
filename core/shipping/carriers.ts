import { Decimal, sum, type DecimalText } from '../money/decimal'
import { told, type Told } from '../said/told'
import type { Size } from './parcels'

/** A service as its carrier describes it. */
export interface CarrierService {
  /** The carrier's own code. */
  code: string
  name: string
  /** ISO 3166-1 alpha-2; empty for every country. */
  countries: string[]
  /** Of one parcel, in kilograms. */
  mostWeight: DecimalText
  /** The longest side and the longest side with the girth, in millimetres. */
  mostLength: number
  mostGirth: number
  /** Of one parcel, from the lightest: each up to so many kilograms. */
  prices: { upTo: DecimalText; price: DecimalText }[]
  /** ISO 4217. */
  currency: string
  /** Goods come back by it, from these countries; it costs only once it is used. */
  isReturn?: boolean
}

/** A service with the carrier that has it. */
export interface HouseService extends CarrierService {
  carrierId: number
  carrier: string
}

/** A parcel as a carrier is asked to take it. Kilograms and millimetres; null where nobody said. */
export interface ParcelToCarry {
  weight: DecimalText | null
  size: Size | null
}

/** Why a service does not take a shipment. */
export const misfits = ['country', 'weight', 'size', 'price', 'not weighed'] as const
export type Misfit = (typeof misfits)[number]

/** What a service would cost for parcels, or why it does not take them. */
export interface Offer {
  carrierId: number
  carrier: string
  code: string
  name: string
  currency: string
  /** Of all parcels together; null where it does not take them. */
  price: DecimalText | null
  misfit: Misfit | null
  /** Of those that take them it costs least. */
  isCheapest: boolean
}

/** What a service asks for a parcel; null above its heaviest price. */
export function priceOf({ prices }: CarrierService, weight: DecimalText): DecimalText | null {
  return prices.find(({ upTo }) => new Decimal(weight).lte(upTo))?.price ?? null
}

/** The longest side, and with it twice the two others: what a parcel measures around. Millimetres. */
function measured({ length, width, height }: Size): { longest: number; girth: number } {
  const [longest, ...others] = [length, width, height].sort((a, b) => b - a) as [number, number, number]
  return { longest, girth: longest + 2 * others[0]! + 2 * others[1]! }
}

/** Why a service does not take a parcel to a country; null where it does. */
export function misfitOf(service: CarrierService, country: string, parcel: ParcelToCarry): Misfit | null {
  if (service.countries.length > 0 && !service.countries.includes(country)) return 'country'
  if (parcel.weight === null) return 'not weighed'
  if (new Decimal(parcel.weight).gt(service.mostWeight)) return 'weight'
  if (parcel.size) {
    const { longest, girth } = measured(parcel.size)
    if (longest > service.mostLength || girth > service.mostGirth) return 'size'
  }
  return priceOf(service, parcel.weight) === null ? 'price' : null
}

/** Why none of some services takes a parcel: what they all say, or that none fits. */
export function misfitOfAll(
  services: readonly CarrierService[],
  country: string,
  parcel: ParcelToCarry,
): Misfit | 'no service' {
  const misfits = new Set(services.map((service) => misfitOf(service, country, parcel)))
  const [only] = misfits
  return misfits.size === 1 && only ? only : 'no service'
}

/** What each service would cost, the cheapest first, then those that do not take them. */
export function offersFor(
  services: readonly HouseService[],
  country: string,
  parcels: readonly ParcelToCarry[],
): Offer[] {
  const offers = services.map((service) => {
    const misfit = parcels.map((parcel) => misfitOf(service, country, parcel)).find(Boolean) ?? null
    const { carrierId, carrier, code, name, currency } = service
    const price = misfit ? null : sum(parcels.map(({ weight }) => priceOf(service, weight!)!)).toString()
    return { carrierId, carrier, code, name, currency, price, misfit, isCheapest: false }
  })
  const taking = offers
    .filter(({ price }) => price !== null)
    .sort((a, b) => new Decimal(a.price!).cmp(b.price!) || a.name.localeCompare(b.name))
  return [
    ...taking.map((offer, place) => ({ ...offer, isCheapest: place === 0 })),
    ...offers.filter(({ price }) => price === null),
  ]
}

/** A rule by which a service is chosen; what is left empty holds for all. */
export interface ServiceRule {
  service: string
  /** ISO 3166-1 alpha-2. */
  countries: string[]
  /** Customers by their number. */
  customers: string[]
  /** Kilograms of all parcels together; '' for no bound. */
  overWeight: DecimalText | ''
  /** Of the order, whatever its currency; '' for no bound. */
  overTotal: DecimalText | ''
}

/** What rules are asked about. */
export interface ToShip {
  country: string
  customer: string
  /** Kilograms of all parcels together; null where one was not weighed. */
  weight: DecimalText | null
  total: DecimalText
}

/** The service that a shipment goes by, with where that was said. */
export type ChosenService =
  | { carrierId: number; carrier: string; code: string; name: string; source: Told }
  /** It goes by something that is none of the carrier's: no label is made. */
  | { carrierId: null; name: string; source: Told }

const isOver = (value: DecimalText | null, bound: DecimalText | '') =>
  bound === '' || (value !== null && new Decimal(value).gt(bound))

const applies = (rule: ServiceRule, one: ToShip): boolean =>
  (rule.countries.length === 0 || rule.countries.includes(one.country)) &&
  (rule.customers.length === 0 || rule.customers.includes(one.customer)) &&
  isOver(one.weight, rule.overWeight) &&
  isOver(one.total, rule.overTotal)

/**
 * The service of a shipment: the one that stands at it, else of the first rule that applies, else the cheapest that
 * takes it. A name at the shipment that the carrier does not have is another way to ship.
 * @param named what stands at the shipment, '' for nothing; a name or a code
 * @returns undefined where nothing takes it
 */
export function chosenService(
  named: string,
  rules: readonly ServiceRule[],
  one: ToShip,
  services: readonly HouseService[],
  offers: readonly Offer[],
): ChosenService | undefined {
  const calledSo = (name: string) =>
    services.find(({ carrier, name: own, code }) =>
      [own, code, `${carrier}, ${own}`].some((one) => isSame(one, name)),
    )
  if (named.trim()) {
    const found = calledSo(named)
    return found
      ? { ...of(found), source: told('chosen/shipment') }
      : { carrierId: null, name: named.trim(), source: told('chosen/shipment') }
  }
  const place = rules.findIndex((rule) => applies(rule, one))
  if (place >= 0) {
    const found = calledSo(rules[place]!.service)
    if (found) return { ...of(found), source: told('chosen/rule', { n: place + 1 }) }
  }
  const cheapest = offers.find(({ isCheapest }) => isCheapest)
  return cheapest && { ...of(cheapest), source: told('chosen/cheapest') }
}

const of = ({ carrierId, carrier, code, name }: HouseService | Offer) => ({ carrierId, carrier, code, name })

const isSame = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase()
