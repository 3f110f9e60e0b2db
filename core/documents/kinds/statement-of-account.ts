import { kind } from './kind'

/** What a customer owes, or what was booked from one day to another. */
export const statementOfAccount = kind('statement of account', {
  one: 'a statement of account',
  many: 'statements of account',
  short: 'Statement',
  heading: { en: 'Statement of account', de: 'Kontoauszug', fr: 'Relevé de compte' },
  sources: ['account'],
  content: 'account',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'billing',
})
