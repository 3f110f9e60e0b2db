/** What a packing slip may say of the buyer and the order besides the goods. */
export const slipDetails = ['reference', 'customer', 'tax number', 'service', 'contact', 'billed to'] as const
export type SlipDetail = (typeof slipDetails)[number]

/** What the house's packing slips show: on the box anybody reads it. */
export interface SlipShows {
  details: SlipDetail[]
  /** What the goods cost. */
  prices: boolean
}

export const usualSlip: SlipShows = {
  details: ['reference', 'customer', 'service', 'billed to'],
  prices: false,
}
