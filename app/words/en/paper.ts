/** Words of paper. */
export const paper = {
  // paper/DocumentPane.vue
  anewAs: 'Anew as',
  insteadOf: 'Instead of',
  numberIsVoidItsNumber: '{number} is void. Its number stays in the register.',
  voidSinceAtByBy: 'void since {at}, by {by}: {reason}',
  sentByTheProgramBefore: 'sent by the program before',
  arrivedSinceOne: 'arrived {since} · {one}',
  onTheWaySinceSince: 'on the way since {since}',
  stuckOne: 'stuck: {one}',
  waitsForThePrinter: 'waits for the printer',
  onItsWayToTo: 'On its way to {to}, as it is. The customer hears nothing of it.',
  takenOverWithoutAPDF: 'Taken over without a PDF',
  itWasSentByThe: 'It was sent by the program before. Its PDF can be brought:',
  openItemsOfTheEarlier: 'open items of the earlier program',
  thePDFIsBeingMade: 'The PDF is being made',
  itWillBeHereIn: 'It will be here in a moment.',
  dueDueDate: 'due {dueDate}',
  account: 'account',
  marked: 'Marked',
  promisedForPromisedOn: 'promised for {promisedOn}',
  takenBack: 'Taken back',
  takeWaiverBack: 'take back',
  isOwedAgain: '{amount} of {number} is owed again.',
  withTaxInDiscountTax: ', with {taxInDiscount} tax',
  saveThePDF: 'Save the PDF',
  saveTheProof: 'Save the proof',
  proofHelp: 'One PDF with the document, to whom it went and when, and what the mail servers said',
  openToPrint: 'Open to print',
  sendACopy: 'Send a copy…',
  remindOfIt: 'Remind…',
  remindHelp: 'Sends the invoice once more, with what is still open of it',
  remindOfDocument: 'Remind of {document}',
  sendTheReminder: 'Send the reminder',
  remindsWithItsPDF:
    'The stored PDF goes once more, with what is still open: {open}. When something is booked on it before the email leaves, it does not go. It counts for no level.',
  aReminderGoes: 'A reminder of {document} goes to {address}.',
  credit: 'Credit…',
  void: 'Void…',
  voidNumber: 'Void {number}?',
  voidIt: 'Void it',
  itsNumberStaysInThe:
    'Its number stays in the register, marked as void; nothing of it is owed, and nothing goes. This cannot be taken back.',

  // paper/EmailDialog.vue
  theEmailThisTime: 'The email, this time',
  theEmailIsWritten: 'This email says what you wrote, this once.',
  theEmailIsSuppliedAgain: 'This email says what the house says again.',
  youBeganThisBefore: 'You began this before and have not used it.',
  writtenOtherwiseMeanwhile:
    'You began this before; since then it was written otherwise, which this would replace.',
  beginAnew: 'begin anew',
  furtherCopies: 'Further copies to (CC)',
  hiddenCopies: 'Hidden copies to (BCC)',
  asUsual: 'as usual',
  answersTo: 'Answers go to',
  itsFiles: 'Its files',
  asThisCustomerHasThem: 'as this customer has them',
  asTheHouseSays: 'as the house says it again',

  // paper/EmailLeaf.vue
  opened: 'Opened',
  followedByPrograms: 'by programs {times}',
  offer: 'Offer followed',
  offerNotFollowed: 'not yet',
  firstOpened: 'first {at}, {times} in all',
  fetchedByPrograms: 'its pictures fetched by programs {times}',
  asALink: 'as a link',
  inTheText: 'in the text, no file',
  attachedAndLinked: 'attached and as a link',
  takenByTheMailServer: 'taken by the mail server',
  cameBack: 'came back',
  noEmail: 'No email',
  thisCustomerGetsPapersBy: 'This customer gets papers by post.',
  thereIsNoEmailFor: 'There is no email for this paper.',
  replyTo: 'Reply to',
  nobodyTheCustomerHasNo: 'nobody: the customer has no billing contact',
  enclosed: 'Enclosed',
  goesInSeveral: 'in {count} emails, because the mail account takes at most {most} in one',
  copiesOf: '{documents}, as they were sent',
  sentEarlier: 'without {numbers}: sent from the program before',
  sent: 'Sent',
  theEmailsText: "The email's text",

  // paper/HistoryLeaf.vue
  openTheMailboxOfAddress: 'Open the mailbox of {address}',
  nothingYet: 'Nothing yet',
  whatHappensToThisPaper: 'What happens to this paper will stand here.',

  // paper/LeafTabs.vue
  leaves: 'Leaves',

  // paper/PdfLarge.vue
  smaller: 'Smaller',
  larger: 'Larger',

  // paper/PdfView.vue
  fullScreenF: 'Full screen (F)',
  showTheDocumentFullScreen: 'Show the document full screen',

  // paper/PreparedPane.vue
  ownWords: 'own words',
  change: 'change',
  draft: 'Draft',
  asItWillBePages: 'as it will be{pages}',
  sentGoesToToWatermarked: '{sent} goes to {to}, watermarked. The paper itself stays as it is.',
  giveTheAddress: 'Give the address…',
  openTheSourceKind: 'Open the {sourceKind}',
  changedSinceYouLooked: 'Changed since you looked',
  iHaveSeenIt: 'I have seen it',
  andViewMore: 'and {view} more',
  forOrderOrderNumber: ' for order {orderNumber}',
  nobodyYet: 'nobody yet',
  addAKindFactsContact: 'add a {kindFacts} contact',
  goes: 'Goes',
  onPaperByPost: 'on paper, by post',
  nowhereTheCustomerWantsNo: 'nowhere: the customer wants no {kinds}',
  openTheDraft: 'open the draft',
  emailItToMe: 'email it to me',

  // paper/RecipientsDialog.vue
  whomDoesItGoTo: 'Whom does it go to?',
  useItThisTime: 'Use it this time',
  thisTimeTo: 'This time, to',
  severalAddressesACommaBetween:
    'Several addresses: a comma between them. The customer’s contacts stay as they are.',
  toTheCustomersContactsAgain: 'to the customer’s contacts again',
  forThisCustomerFromNow: 'for this customer from now on…',

  // paper/SecondLook.vue
  askSecond: 'Ask for a second person',
  askNobody: 'take it back',
  secondIsAsked: 'It waits here until somebody else sends it.',
  nobodyIsAsked: 'Nobody is asked any more.',
  youAsked: 'You asked for one at {at}: somebody else has to send it.',
  askedYou: '{name} asked for one at {at}. Look at it, and send it if it is right.',

  // paper/FileLinks.vue
  links: 'Links',
  linkNotOpened: 'not opened yet',
  linkOpenedOnce: 'opened {at}',
  linkOpened: 'opened {opened} times, last {at}',
  linkOpenedOf: 'opened {opened} of {mostOpened} times',
  linkUsedUp: 'used up: opened {opened} of {mostOpened} times',
  linkEnded: 'ended {at} by {by}',
  linkGoodUntil: 'good until {day}',
  lengthenLink: 'keep it open longer',
  endLink: 'end it…',
  endThisLink: 'End this link?',
  endTheLink: 'End the link',
  endThisLinkMeans:
    'Whoever has the email finds nothing behind the link any more. To give the file again, send the email once more: it gets a new link.',

  // paper/SendCopy.vue
  aCopyOfDocumentGoes: 'A copy of {document} goes to {address}.',
  sendACopyOfDocument: 'Send a copy of {document}',
  sendItAgain: 'Send it again',
  sendTheCopy: 'Send the copy',
  writeWords: 'write it yourself…',
  theVeryPDFThatWas:
    'The very PDF that was issued, with the same number. The history will say that it was a copy.',
} as const
