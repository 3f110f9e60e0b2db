/** Words of register. */
export const register = {
  // numbers.vue
  kindsOfBrandOne: '{kinds} of {brand}{one}',
  allTime: 'all time',
  dated: 'Dated',
  numberRegister: 'Number register',
  series: 'Series',
  period: 'Period',
  ofSeriesInPeriod: 'of {series} in {period}',
  to: 'to',
  noGap: 'no gap',
  noDouble: 'no double',
  notUsedOneReasonBy: 'Not used: {one} ({reason}, {by}). ',
  missingList: ' Missing: {list}.',
  allowedAlthoughDayWasNumbered: 'Allowed although {day} was numbered before',
  earlier: 'earlier',
  noNumberYet: 'No number yet',
  everyNumberThatIsUsed: 'Every number that is used is listed here, also of what is void.',
  noDocumentInHand: 'No document in hand',
  chooseANumberToSee: 'Choose a number to see its document.',

  // reconciliation.vue
  numbered: 'Numbered',
  pdfMade: 'PDF made',
  sentOrPrinted: 'Sent or printed',
  notYet: 'Not yet',
  dailyReconciliation: 'Daily reconciliation',
  of: 'of',
  theDayBefore: 'The day before',
  theDayAfter: 'The day after',
  nothingWasIssuedOnDay: 'Nothing was issued on {day}.',
  allThatWasIssuedOn: 'All that was issued on {day} arrived, and every posting is open, paid or credited.',
  andMore: ' and more',
  documentsReconciliationOfDayReconciliation2:
    '{documents}{reconciliation} of {day} {reconciliation2} not delivered yet; each is listed below with the reason.',
  fromTo: 'From, to',
  postings: 'Postings',
  openNow: 'Open now',
  voided: 'Voided',
  differences: 'Differences',
  noDifferenceInHand: 'No difference in hand',
  aDocumentThatDidNot: 'A document that did not arrive yet is seen here, with its remedy.',

  // register.vue
  voidedVoided: 'Voided: {voided}.',
  creditedInToCheckCredited: 'Credited, in To check: {credited}.',
  numberCustomerAmount: 'Number, customer, amount',
  void: 'void',
  noDocumentOfThatKind: 'No document of that kind',
  invoicesThatStandAlthoughTheir:
    'Invoices that stand although their order was withdrawn hang here, to be voided or credited.',
  numbersCustomersOrderNumbersReferences:
    'Numbers, customers, order numbers, references and exact amounts are looked through.',
  everyDocumentThatIsIssued:
    'Every document that is issued is listed here for good, with its number and its PDF.',
  open: 'open',
  drawnAnewOnThePresent:
    'Drawn anew on the present stationery, each page marked as a copy; what was sent stays as it is',
  makeCountAgain: 'Make {count} again',
  settlePicks: 'Settle {picks}…',
  reconciliation: 'Reconciliation',
  newInvoice: 'New invoice…',
  chooseARowToSee: 'Choose a row to see its PDF, its email and its history.',
  settleInvoicesOfWithdrawnOrders: 'Settle {invoices} of withdrawn orders?',
  settleCount: 'Settle {count}',
  whatWasNeverHandedOver:
    'What was never handed over is voided and keeps its number; this cannot be taken back. For the others a credit note over all that is left is prepared and waits in To check.',

  // register/RegisterFilters.vue
  stillOpen: 'still open',
  takenOverFromTheEarlier: 'taken over from the earlier program',
  ofWithdrawnOrders: 'of withdrawn orders',
  datedBeforeAnEarlierNumber: 'dated before an earlier number',
  kindOfBrandStateOf: '{kind} of {brand}, {state}, of {time}',
  documents: 'documents',
  creditedWord: 'credited',
  partCredited: 'part credited',
  isNot: 'is',
  areNot: 'are',
} as const
