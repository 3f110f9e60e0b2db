import { kind } from './kind'

/** How an order stands, told by an email alone. It is in the register, so that it can be proved. */
export const orderUpdate = kind('order update', {
  one: 'an order update',
  many: 'order updates',
  short: 'Update',
  heading: { en: 'Your order', de: 'Ihr Auftrag', fr: 'Votre commande' },
  sources: ['order'],
  content: 'goods',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  // that it is held or withdrawn is told as well
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'buying',
  isUpdate: true,
})
