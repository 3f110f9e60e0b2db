import { kind } from './kind'

/** What was delivered, to be signed by who takes it in. */
export const deliveryNote = kind('delivery note', {
  one: 'a delivery note',
  many: 'delivery notes',
  short: 'Delivery note',
  heading: { en: 'Delivery note', de: 'Lieferschein', fr: 'Bon de livraison' },
  sources: ['shipment'],
  content: 'shipment',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: true,
  replacesEarlier: false,
  to: 'goods-in',
})
