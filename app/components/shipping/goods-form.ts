import type { Address } from '../../../core/documents/facts'
import type { ParcelFacts } from '../../../core/shipping/parcels'

/* What the forms of shipments and returns share. */

/** An address to write in; an empty one where there is none yet. */
export const addressOf = (address: Address | null | undefined): Address =>
  structuredClone(address ?? { name: '', lines: [], country: '' })

/** The address as it is kept: without lines that were left empty. */
export const tidy = (address: Address): Address => ({ ...address, lines: address.lines.filter(Boolean) })

/** The parcels of goods to pack otherwise. */
export const parcelsOf = (goods: { parcels: readonly ParcelFacts[] } | undefined): ParcelFacts[] =>
  structuredClone((goods?.parcels ?? []).map(({ box, weight, contents }) => ({ box, weight, contents })))
