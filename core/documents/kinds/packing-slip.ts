import { kind } from './kind'

/** What is in the box, for who packs it and who opens it. Without prices. */
export const packingSlip = kind('packing slip', {
  one: 'a packing slip',
  many: 'packing slips',
  short: 'Packing slip',
  heading: { en: 'Packing slip', de: 'Packzettel', fr: 'Bordereau de colisage' },
  sources: ['shipment'],
  content: 'shipment',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: true,
  replacesEarlier: false,
  to: 'goods-in',
})
