/** Words of line. */
export const line = {
  // index.vue
  searchThisStage: 'Search this stage',
  papersStage: 'Papers: {stage}',
  noDocumentSelected: 'No document selected',
  selectOneItsPDFAppears: 'Select one: its PDF appears here, with its email and its history.',

  // line/DespiteDialog.vue
  prepare: 'Prepare',
  letGo: 'Let go',
  wordsTheKindAlthoughThe: '{words} the {kind} although the order is {stopped}?',
  wordsItAllTheSame: '{words} it all the same',
  andWasTakenOutOf: ' and was taken out of Waiting',
  orderOrderNumberOfCustomerNameIs:
    'Order {orderNumber} of {customerName} is {stopped}, so its {kind} over {amount} is kept out of every Send{act}. Setting the order to another status brings it back as it was.',

  // line/LineActions.vue
  emailsByEmail: '{emails} by email',
  printsOnPaper: '{prints} on paper',
  whyNotSent: 'Why not sent…',
  sendCountWays: 'Send {count}{ways}',
  sendNamedWays: 'Send {named}{ways}',
  sendAllAllSendable: 'Send all {allSendable}…',
  althoughStopped: 'Although {stopped}…',
  returnToToSend: 'Return to To send',
  notWanted: 'Not wanted',
  prepareChosen: 'Prepare {chosen}',
  sendNamed: 'Send {named}',
  letCountGo: 'Let {count} go',
  holdCount: 'Hold {count}',
  atATime: 'At a time…',
  giveUp: 'Give up…',
  openThePrintQueue: 'Open the print queue',
  printInstead: 'Print instead',
  itArrived: 'It arrived',
  countArrived: '{count} arrived',
  sendNamedAgain: 'Send {named} again',
  whenShallEmailsGo: 'When shall {emails} go?',
  setTheTime: 'Set the time',
  onDayAtTimeZoneWords: 'On {day} at {time}{zoneWords}',
  markDocumentsAsPosted: 'Mark {documents} as posted?',
  didDocumentsArrive: 'Did {documents} arrive?',
  youLookedInTheMailbox: 'You looked in the mailbox or asked. It will not be sent again.',
  giveUpOnPlural: 'Give up on {plural}?',
  giveUp2: 'Give up',
  documentStays: 'document stays',
  documentsStay: 'documents stay',
  nothingMoreIsSentThe: 'Nothing more is sent. The {count} issued and {count2} listed in To send.',
  sentByTheCustomersPortal: "sent by the customer's portal",

  // line/LineEmpty.vue
  nothingIsDue: 'Nothing is due',
  whatARoutineListsFor:
    'What a routine lists for you to make by hand, and what you returned, is listed here until you have it prepared or say that it is not wanted.',
  nothingToLookAt: 'Nothing to look at',
  whenARoutineWithThe:
    'When a routine with the trust “after a check” prepares a document, it is listed here, as it will be, until you send it.',
  nothingWaits: 'Nothing waits',
  issuedDocumentsAreListedHere:
    'Issued documents are listed here until their email goes or their print is posted: usually for a second.',
  allHaveAnswered: 'All have answered',
  whatTheMailServerHas:
    'What the mail server has taken is listed here until word comes back, or silence counts as arrived.',
  nothingArrivedTodayYet: 'Nothing arrived today yet',
  todaysDocumentsComeHereWhen:
    'Today’s documents come here when their delivery is reported, or presumed when no bounce came. Older ones are in the Register.',
  nothingIsStuck: 'Nothing is stuck',
  whatDidNotGoOr: 'What did not go, or came back, is listed here with the reason and the remedy.',
  nothingOfThatKind: 'Nothing of that kind',
  noDocumentOfThisStage: 'No document of this stage matches the sentence above. Widen it to see the others.',

  // line/LineListRow.vue
  atNextTryAt: 'at {nextTryAt}',
  orderStopped: 'order {stopped}',
  changed: 'changed',
  couldNotGo: 'could not go',
  notComplete: 'not complete',
  secondPerson: 'second person',
  askedBy: 'asked: {name}',
  rehearsedOnly:
    'Rehearsed only: {documents}, since the house, a routine or a text is being tried. What is rehearsed stays due, and no customer hears of it.',
  asSecond: 'Of these, you are the second person for {documents}: send them only if you have looked at them.',
  askSecondFor: 'Ask for a second person for {documents}',
  secondIsAskedFor: 'A second person is asked for {documents}.',
  cannotBeIssued: 'cannot be issued',
  returned: 'returned',
  held: 'held',
  putOff: 'put off',

  // line/LineRemedy.vue
  daysDaysOld: '{days} days old',
  numberGoesToAddressThis: '{number} goes to {address}, this once.',
  correctedAtWhereEmailsSent: 'Corrected at {where}; {emails} sent again.',
  correctTheAddress: 'Correct the address…',
  addAContact: 'Add a contact…',
  contacts: 'Contacts…',
  toSomeoneElse: 'To someone else…',
  sendNumberToSomeoneElse: 'Send {number} to someone else, this once',
  theCustomersContactsStayAs: "The customer's contacts stay as they are.",
  correctTheAddressEverywhere: 'Correct the address everywhere',
  correctItAndSendSize: 'Correct it and send {size} again',
  correctItAndSendNothing: 'Correct it and send nothing',
  atEveryCustomerThatHas:
    'At every customer that has {badAddress}, as a contact or for copies, and in copies that were asked for with it.',
  aCopy: ', a copy',

  // line/LineRope.vue
  waiting: 'Waiting',
  onTheWay: 'On the way',
  nothingIsDue2: 'nothing is due',
  nothingToLookAt2: 'nothing to look at',
  sinceAt: 'since {at}',
  oldestSinceAt: 'oldest since {at}',
  nothingWaits2: 'nothing waits',
  goingNow: 'going now',
  nextGoAtAt: 'next go at {at}',
  allHaveAnswered2: 'all have answered',
  handedOverNoWordYet: 'handed over, no word yet',
  nothingIsStuck2: 'nothing is stuck',
  stagesOfTheLine: 'Stages of the Line',

  // line/LineSentence.vue
  anyKind: 'any kind',
  ofKindOfBrandOf: 'of {kind}, of {brand}, of {amountPicker}',

  // line/SendDialog.vue
  toNobodyToNobodyAsThe: '{toNobody} to nobody, as the customer wants',
  noneOfTheseCanBe: 'None of these can be sent',
  andWaitsInToSend: ', and waits in To send.',
  togetherAmountEachGetsIts:
    'Together {amount}. Each gets its number, in order of date and order number{postOnly}',
  leftOutCountWords: 'Left out: {count} · {words}',
  noOrder: 'no order',
  andCountMore: 'and {count} more',
  issueThoseWithoutAnAddress:
    'Issue those without an address too: they are Stuck until somebody can be written to',

  // line/useLineActs.ts
  documentsReturnedToToSend: '{documents} returned to To send. No number was used.',
  countPreparedInToCheck: '{count} prepared, in To check.',
  documentsTakenOffToSend: '{documents} taken off To send.',
  goes: 'goes',
  go: 'go',
  emailsIdsAgain: '{emails} {ids} again.',
  toGoAt: 'to go {at}',
  inThePrintQueue: 'in the print queue',
  markedAsArrived: 'marked as arrived',
  markedAsPosted: 'marked as posted',

  // print-queue.vue
  pages: 'Pages',
  since: 'Since',
  oneCopy: 'one copy',
  valueCopies: '{value} copies',
  documentsMarkedAsPosted: '{documents} marked as posted.',
  inPostingOrderCustomerBy: 'in posting order: customer by customer, each by number',
  papersToPrint: 'Papers to print',
  nothingToPrint: 'Nothing to print',
  notPrinted: 'not printed',
  asksForTooMuch:
    'Something was booked since on {numbers}, so this reminder would ask for too much. Void it in the Register.',
  papersOfCustomersWhoWant:
    'Papers of customers who want paper lie here once they are issued, and stuck emails that you send here instead.',
  markCountAsPosted: 'Mark {count} as posted',
  printCountPages: 'Print {count}: {pages}',
  whatWillBePrinted: 'What will be printed',
  onePDF: 'One PDF',
  theMergedPDFAppearsHere: 'The merged PDF appears here.',
  youPrintedAndPostedChosen:
    'You printed and posted {chosen}. They count as arrived, on paper, and the history keeps your name.',
  printedIt: 'it',
  printedThem: 'them',
} as const
