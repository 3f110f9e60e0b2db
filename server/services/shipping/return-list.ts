import type { ReturnState } from '../../../core/shipping/returns'

/** Which returns a list shows: expected, overdue, back and not credited, or all of a state. */
export const returnLists = ['expected', 'late', 'uncredited', 'back', 'withdrawn', 'all'] as const
export type ReturnList = (typeof returnLists)[number]

/** How the list of returns is narrowed and sorted. */
export interface ReturnFilter {
  what: ReturnList
  /** In the numbers of returns and orders, customers' names, and tracking numbers. */
  search?: string
  brand?: string
  /** The first day on which they were agreed. */
  from?: string
  sort: ReturnSort
  descending: boolean
  after?: string
  limit: number
}

export type ReturnSort = 'day' | 'label' | 'customer' | 'until'

export interface ReturnRow {
  id: number
  label: string
  state: ReturnState
  day: string
  until: string
  backOn: string | null
  orderId: number
  orderNumber: string
  customerName: string
  brand: string
  /** Of all its lines together: what is expected, or what came. */
  quantity: string
  /** Why, each once. */
  reasons: string
  /** How far its parcel is; null where nobody can say. */
  way: string | null
  /** Its credit notes, drafts as "draft". */
  credits: string[]
}
