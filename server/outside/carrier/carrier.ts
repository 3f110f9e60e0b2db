import type { CarrierService } from '../../../core/shipping/carriers'
import type { LabelFailure } from '../../../core/shipping/labels'
import type { Size } from '../../../core/shipping/parcels'
import type { ParcelWay } from '../../../core/shipping/tracking'

/** One label as it is asked for at a carrier. */
export interface Booking {
  /** Ours, written down before the call: by it a label is found again after a broken line. */
  key: string
  service: string
  /** As printed: the name first. */
  to: string[]
  /** Who sends it, where the house does not: of goods that come back. */
  from: string[]
  /** Of the customer's end of the way, ISO 3166-1 alpha-2. */
  country: string
  /** Kilograms. */
  weight: string
  size: Size | null
  parcel: number
  of: number
  order: string
  isReturn: boolean
  /** Where the carrier may tell how far the parcel is; '' for nowhere. */
  tell: string
}

/** A label as the carrier has it. */
export interface Booked {
  tracking: string
  trackingUrl: string
  barcode: string
  price: string
  currency: string
  /** Its own label as a PDF, whatever it gave; null where ours is printed. */
  label: Uint8Array | null
}

/** Why something did not come about at a carrier. */
export class CarrierFailure extends Error {
  /**
   * @param certain nothing came of it, for sure; else the carrier may have done it
   * @param message the carrier's own words, or what happened on the way
   */
  constructor(
    readonly failure: LabelFailure,
    readonly certain: boolean,
    message: string,
  ) {
    super(message)
    this.name = 'CarrierFailure'
  }
}

/** A carrier, whoever it is. Each call may throw a CarrierFailure. */
export interface Carrier {
  services(): Promise<CarrierService[]>
  book(booking: Booking): Promise<Booked>
  /** What was bought under a key; null where the carrier knows of none. */
  find(key: string): Promise<Booked | null>
  /** @returns false where it is used already and not taken back */
  cancel(tracking: string): Promise<boolean>
  /** How far parcels are, as far as it knows of them. */
  track(tracking: readonly string[]): Promise<{ tracking: string; way: ParcelWay }[]>
}
