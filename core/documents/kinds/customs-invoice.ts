import { kind } from './kind'

/** What goods that cross a border are worth, for customs. Nothing is booked by it, and it says so. */
export const customsInvoice = kind('customs invoice', {
  one: 'a customs invoice',
  many: 'customs invoices',
  short: 'Customs invoice',
  heading: { en: 'Customs invoice', de: 'Zollrechnung', fr: 'Facture en douane' },
  sources: ['shipment'],
  content: 'shipment',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: true,
  replacesEarlier: false,
  to: 'goods-in',
})
