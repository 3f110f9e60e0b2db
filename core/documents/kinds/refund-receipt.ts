import { kind } from './kind'

/** That money was given back. */
export const refundReceipt = kind('refund receipt', {
  one: 'a refund receipt',
  many: 'refund receipts',
  short: 'Refund',
  heading: { en: 'Refund receipt', de: 'Erstattungsbestätigung', fr: 'Reçu de remboursement' },
  sources: ['payment'],
  content: 'money',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'billing',
})
