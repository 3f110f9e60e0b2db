import { kind } from './kind'

/** What was supplied and is owed: of an order, of a part of one, or written without one. */
export const invoice = kind('invoice', {
  one: 'an invoice',
  many: 'invoices',
  short: 'Invoice',
  heading: { en: 'Invoice', de: 'Rechnung', fr: 'Facture' },
  sources: ['order', 'draft'],
  content: 'goods',
  books: 'debit',
  needsSupply: true,
  asksForPayment: true,
  waitsWithOrder: true,
  replacesEarlier: false,
  to: 'billing',
})
