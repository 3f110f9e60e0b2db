import { kind } from './kind'

/** That money came in, and what it settled. */
export const paymentReceipt = kind('payment receipt', {
  one: 'a payment receipt',
  many: 'payment receipts',
  short: 'Receipt',
  heading: { en: 'Payment receipt', de: 'Zahlungsbestätigung', fr: 'Reçu de paiement' },
  sources: ['payment'],
  content: 'money',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'billing',
})
