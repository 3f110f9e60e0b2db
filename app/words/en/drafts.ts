/** Words of drafts. */
export const drafts = {
  // drafts/CreditDialog.vue
  allThatIsLeftOffer: 'all that is left, {offer}',
  someOfItsLines: 'some of its lines',
  anAmount: 'an amount',
  theCreditNoteAndThe:
    'The credit note and the new invoice wait in To check. Correct the new one, then send both.',
  theCreditNoteWaitsIn: 'The credit note waits in To check.',
  creditOffer: 'Credit {offer}',
  writeTheCreditNote: 'Write the credit note',
  takeBackWhat: 'Take back {what}.',
  left: 'left',
  credit: 'credit',
  lineIndexQuantityToCredit: 'Line {index}, quantity to credit',
  creditsAmountNetAmount2VAT: 'Credits {amount}: net {amount2}, VAT {amount3}',
  amountWithTaxAtMost: 'Amount with tax, at most {amount}',
  whyItIsPrintedOn: 'Why; it is printed on the credit note',
  andIssueItAnewCorrected: 'and issue it anew, corrected',
  creditedBeforeOffer: 'Credited before: {offer}',

  // drafts/DraftForm.vue
  allThatIsLeft: 'all that is left',
  issuedAsDocumentNothingOf:
    'Issued as {document}. Nothing of it is changed any more; what is wrong is credited.',
  takesThePlaceOfReplaces: 'Takes the place of {replaces}.',
  takesBackAskWordsOfCredits: 'Takes back {askWords} of {credits}.',
  whyItIsPrinted: 'Why; it is printed',
  pricesAre: 'Prices are',
  in: 'in',
  deposit: 'deposit',
  itIsADepositThe: ' It is a {deposit}: the final invoice deducts it.',
  dateOfSupplySuppliedOn: 'Date of supply {suppliedOn}',
  documentDateDate: 'Document date {date}',
  dateOfIssue: 'date of issue',
  theDateIsMeantEven: 'The date is meant, even if a later one is numbered already',
  savedTotal: 'Saved total',
  netAmountVATAmount2Total: ' net {amount}, VAT {amount2}, total {amount3}',
  totalPart: 'Total {part}',

  // drafts/DraftSend.vue
  toBePaidLater: 'to be paid later',
  paidAtOnceByValue: 'paid at once, by {value}',
  postOnlyTheKind: '{postOnly} the {kind}?',
  issueIt: 'Issue it',
  waitsInToSendUntil: 'waits in To send until a routine or a person sends it',
  goesToCustomerName: 'goes to {customerName}',
  itDrawsItsNumberNow: 'It draws its number now, is booked, and {postOnly}, {amount}.',
  itIs: 'It is',

  // drafts/NewInvoice.vue
  writeAnInvoice: 'Write an invoice',
  toWhichCustomer: 'To which customer',
  aBrand: 'a brand',
  itIsOfBrand: 'It is of {brand}.',

  // drafts/[id].vue
  theDraft: 'the draft',
  theDraftIsSavedIts: 'The draft is saved. Its document is rebuilt.',
  noSuchDraft: 'No such draft',
  toTheRegister: 'To the Register',
  draftKind: 'Draft {kind}',
  kindADraft: '{kind}, a draft',
  issued: 'issued',
  thrownAway: 'thrown away',
  inDraft: 'in {draft}',
  sendIt: 'Send it…',
  theDraftsDocument: "The draft's document",
  writeALineAndSave: 'Write a line and save: it appears here as it will be.',
} as const
