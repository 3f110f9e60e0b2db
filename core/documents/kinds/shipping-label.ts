import { kind } from './kind'

/** What stands on a parcel, as the carrier has it: made once its labels are bought. */
export const shippingLabel = kind('shipping label', {
  one: 'a shipping label',
  many: 'shipping labels',
  short: 'Shipping label',
  heading: { en: 'Shipping label', de: 'Versandetikett', fr: 'Étiquette d’expédition' },
  sources: ['shipment'],
  content: 'shipment',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: true,
  replacesEarlier: false,
  to: 'goods-in',
})
