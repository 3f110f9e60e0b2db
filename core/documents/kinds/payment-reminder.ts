import { kind } from './kind'

/** That something is past due, in one of the levels that the house defines. */
export const paymentReminder = kind('payment reminder', {
  one: 'a payment reminder',
  many: 'payment reminders',
  short: 'Reminder',
  heading: { en: 'Payment reminder', de: 'Zahlungserinnerung', fr: 'Rappel de règlement' },
  sources: ['account'],
  content: 'account',
  books: null,
  needsSupply: false,
  asksForPayment: false,
  waitsWithOrder: false,
  replacesEarlier: false,
  to: 'billing',
})
