/**
 * How far a parcel is: its label is bought, the carrier has it, it is under way, it is there, it waits somewhere for a
 * person, or it comes back.
 */
export const parcelWays = ['announced', 'accepted', 'under way', 'held', 'delivered', 'sent back'] as const
export type ParcelWay = (typeof parcelWays)[number]

/** Nothing more happens to it. */
export const lastWays: readonly ParcelWay[] = ['delivered', 'sent back']

/** Days after which a parcel that is not there yet is late. */
export const lateAfterDays = 5
