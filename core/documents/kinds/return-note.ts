import { kind } from './kind'

/** What goes back to the house and why, with the labels for it: for who sends it. */
export const returnNote = kind('return note', {
  one: 'a return note',
  many: 'return notes',
  short: 'Return note',
  heading: { en: 'Return note', de: 'Rücksendeschein', fr: 'Bon de retour' },
  sources: ['return'],
  content: 'shipment',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'buying',
})
