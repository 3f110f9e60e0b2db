import type { LabelView } from './labels'

/**
 * Which labels a list shows: those that could not be bought or that nobody is sure of; those that were bought for what
 * does not go; those whose parcels are late; or all.
 */
export const labelLists = ['problem', 'unused', 'late', 'all'] as const
export type LabelList = (typeof labelLists)[number]

/** How the list of labels is narrowed and sorted. */
export interface LabelFilter {
  what: LabelList
  /** In numbers of shipments, returns and parcels, customers' names and services. */
  search?: string
  brand?: string
  /** The first and the last day on which they were asked for. */
  from?: string
  to?: string
  after?: string
  limit: number
}

export interface LabelRow extends Omit<
  LabelView,
  'parcelId' | 'serviceSource' | 'tries' | 'documentId' | 'documentNumber'
> {
  sourceId: number
  /** What the shipment or the return is called. */
  shipment: string
  orderId: number
  orderNumber: string
  customerName: string
  brand: string
}
