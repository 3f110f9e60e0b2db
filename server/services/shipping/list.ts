import type { ShipmentState } from '../../../core/shipping/states'

/** How the list of shipments is narrowed and sorted. */
export interface ShipmentFilter {
  /** In the numbers of shipments and orders, customers' names and services. */
  search?: string
  state?: ShipmentState
  brand?: string
  /** Those of which a parcel has no label yet. */
  labels?: 'missing'
  /** The first day. */
  from?: string
  sort: ShipmentSort
  descending: boolean
  after?: string
  limit: number
}

export type ShipmentSort = 'day' | 'label' | 'customer' | 'service'
