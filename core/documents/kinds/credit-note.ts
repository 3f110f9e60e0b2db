import { kind } from './kind'

/** What of an invoice is owed no more. */
export const creditNote = kind('credit note', {
  one: 'a credit note',
  many: 'credit notes',
  short: 'Credit note',
  heading: { en: 'Credit note', de: 'Rechnungskorrektur', fr: 'Avoir' },
  sources: ['draft'],
  content: 'goods',
  books: 'credit',
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'billing',
})
