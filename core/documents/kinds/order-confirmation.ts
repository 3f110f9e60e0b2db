import { kind } from './kind'

/** What was agreed, told to who ordered; each change of the order has one of its own. */
export const orderConfirmation = kind('order confirmation', {
  one: 'an order confirmation',
  many: 'order confirmations',
  short: 'Confirmation',
  heading: { en: 'Order confirmation', de: 'Auftragsbestätigung', fr: 'Confirmation de commande' },
  sources: ['order'],
  content: 'goods',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: true,
  replacesEarlier: true,
  to: 'buying',
})
