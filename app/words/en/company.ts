/** Words of company. */
export const company = {
  // company/ReminderSettings.vue
  paymentReminders: 'Payment reminders',
  remindedAgainAfter:
    'An invoice is reminded of again after {days} at the earliest, and nobody for less than {least} in all.',
  daysBetween: 'Days between two reminders',
  leastReminded: 'Least that is reminded of',
  levels: 'Levels',
  levelFromDays: '{name}: from {days} after the due date, “{heading}”',
  addALevel: '+ level',
  remindersAreSet: 'Payment reminders are set. What is prepared from now on follows it.',

  // company/ReminderLevelDialog.vue
  aLevelOfReminding: 'A level of reminding',
  whatTheDeskCallsIt: 'What the desk calls it',
  daysAfterTheDueDate: 'Days after the due date',
  daysOverNothing: 'Write a number of days, 1 to 365',
  isNotWritten: 'Not written yet',
  headingInLanguage: 'Heading, {language}',
  wordsInLanguage: 'What it says, {language}',
  levelHelp: 'The words stand on the document, and in its email where the text says “words of the reminder”.',
  takeThisLevelAway: 'Take this level away',

  // company.vue
  aSampleIsOnIts: 'A sample is on its way to {to}, with its email.',
  theBrandsDocument: "The brand's document",
  asItWouldGoWith: 'as it would go with the sample',
  asItIsNowVersion: 'as it is now · version {version}',
  aDocumentOfBrand: 'A document of {brand}',

  // company/ApiTokens.vue
  theTokenIsRevokedNothing: 'The token is revoked. Nothing gets in with it any more.',
  readEverything: 'read everything',
  doWhatAClerkMay: 'do what a clerk may',
  otherPrograms: 'Other programs',
  openapiJson: 'openapi.json',
  theyCallTheAPIWith:
    'They call the API with a token, each with its own. What they can call stands in {openapiJson}.',
  whichProgram: 'Which program',
  scope: 'Scope',
  mayScope: 'may {scope}',
  makeAToken: 'Make a token',
  copyItNowItIs: 'Copy it now; it is not shown again:',
  usedUsedOn: 'used {usedOn}',
  neverUsed: 'never used',
  scopesByMadeByOne: '{scopes} · by {madeBy} · {one}',
  revoked: 'revoked',
  endedEndsOn: 'ended {endsOn}',
  endsEndsOn: 'ends {endsOn}',
  untilEndsOn: 'until {endsOn}',
  revoke: 'revoke',
  revokeTheTokenOfRevoking: 'Revoke the token of {revoking}?',
  revoke2: 'Revoke',
  thatProgramCanNoLonger: 'That program can no longer read or do anything here.',

  // company/BrandEnd.vue
  retired: 'retired',

  // company/ClosedPeriods.vue
  closedUpToUntil: 'Closed up to {until}.',
  allPeriodsAreOpen: 'All periods are open.',
  closedUpToClosedUntil: 'closed up to {closedUntil}',
  allOpen: 'all open',
  accountingPeriodsAreFoundNothing:
    'Accounting periods are {found}. Nothing is dated, issued, voided or credited into a closed one.',
  closeUpToAndWith: 'Close up to and with {until}',
  openAgain: 'Open again…',
  close: 'Close…',
  draftsThatWantADate: 'Drafts that want a date in a closed period',
  whatWasClosedAndOpened: 'What was closed and opened',
  closedUpToClosedUntil2: 'Closed up to {closedUntil}',
  allOpened: 'All opened',
  byByAtOne: 'by {by}, {at}{one}',
  nothingYet: 'Nothing yet.',
  theBeginning: 'the beginning',
  openThePeriodsAfterUntil: 'Open the periods after {until} again?',
  closeEverythingUpToUntil: 'Close everything up to {until}?',
  fromThenOnNoDocument:
    'From then on no document can bear a date up to that day. Only a supervisor can open it again, with a reason.',
  whyKeptWithTheDate: 'Why (kept with the date)',
  aRemarkIfYouLike: 'A remark, if you like',

  // company/ExchangeRates.vue
  ratesAddedChangedChangedSame: '{rates} added, {changed} changed, {same} as they were.',
  exchangeRates: 'Exchange rates',
  aDocumentInForeignCurrency:
    'A document in foreign currency says its VAT in {currency} too, at the newest rate up to its date.',
  for1Currency: 'For 1 {currency}',
  source: 'Source',
  dayDay: 'Day {day}',
  rate: 'Rate',
  add: 'Add',
  readManyFromAFile: 'Read many from a file',
  saveThemAsCSV: 'Save them as CSV',

  // company/HouseSettings.vue
  n20Seconds: '20 seconds',
  anHour: 'an hour',
  aDay: 'a day',
  twoDays: 'two days',
  threeDays: 'three days',
  settingsSeconds: '{settings} seconds',
  itsDocumentsLikeAnyOther: 'its documents like any other',
  noDocumentsFromRoutines: 'no documents from routines',
  theDayOfIssue: 'the day of issue',
  theDayOfTheEvent: 'the day of the event',
  documentDatesAreSet: 'Document dates are set.',
  atOnce: 'at once',
  afterMinutes: 'after {minutes}',
  rehearsal: 'Rehearsal',
  rehearsalAddress: 'Rehearsal address',
  noAddressYet: 'no address yet',
  theRehearsalAddressIsSet: 'The rehearsal address is set.',
  addressTakenField: 'Address {takenField}',
  inARehearsalEverythingGoes:
    'In a rehearsal everything goes to {rehearsalAddress} instead of to customers. Documents are watermarked and numbered apart; the real ones stay due.',
  beginARehearsal: 'Begin a rehearsal…',
  onSinceRehearsalSince: 'on since {rehearsalSince}',
  pause: 'Pause',
  somethingLooksWrongStopEverything:
    'Something looks wrong? Stop everything first: nothing more is issued or sent until a supervisor lets it go on.',
  pauseEverything: 'Pause everything…',
  pausedSincePausedAt: 'paused since {pausedAt}',
  sendingAndDates: 'Sending and dates',
  undoTime: 'Undo time',
  afterUndoMinutesMinutes: 'after {undoMinutes} minutes',
  theUndoTimeIsSet: 'The undo time is set.',
  aSendBeginsToIssue:
    'A Send begins to issue {undoTime}; until then nothing is numbered and the whole run can be taken back.',
  whoIsTold: 'Who is told',
  inTheMorning:
    'On working days {who} reads at {time} how things stand: what went, what waits, and what the day brings.',
  whoReadsTheMorning: 'Who reads in the morning how things stand',
  nobody: 'nobody',
  mailTo: 'mail to',
  theMorningEmailIsSet: 'The morning email is set, from the next working day on.',
  noMorningEmail: 'Nobody gets a morning email any more.',
  failureNoticesAreSet: 'Failure notices are set.',
  mailToTakenField: 'Mail to {takenField}',
  whenSomethingGetsStuckWhoIs:
    'When something gets stuck, {whoIs} is told by mail, one mail for all that got stuck since the last.',
  limit: 'Limit',
  theLimitIsSet: 'The limit is set.',
  anEmailThatDidNot: 'An email that did not come back within {limit} counts as arrived, worded “presumed”.',
  zeroTotals: 'Zero totals',
  zeroTotalsAreSet: 'Zero totals are set.',
  anOrderThatComesTo: 'An order that comes to nothing gets {zeroTotals}.',
  documentsHaveTheDateOf: 'Documents have the date of issue',
  but: ', but ',
  smallDifference: 'Small difference',
  smallDifferencesAreSet: 'Small differences are set.',
  upToTakenField: 'Up to {takenField}',
  whenAPaymentFallsShort: 'When a payment falls short by up to {smallDifference}, the rest is waived.',
  publicAddress: 'Public address',
  httpsClothespinHouseExample: 'https://clothespin.house.example',
  thePublicAddressIsSet: 'The public address is set.',
  linksInEmailsBeginWith: 'Links in emails begin with {publicAddress}, where people reach Clothespin.',
  links: 'Links in emails',
  linksAreGoodFor: 'A file behind a link is there for {days} after its email was sent.',
  linkDays: 'How long links are good',
  linkDaysAreSet: 'How long links are good is set.',
  whatIsTooLarge: 'Where an email would be larger than its mail account takes, {what}.',
  tooLarge: 'Emails that are too large',
  tooLargeStops: 'it waits until a file is left out',
  tooLargeLinks: 'its largest files go behind links',
  whetherEmailsAreOpened: 'That an email was opened {counted}.',
  opens: 'Opened emails',
  isCounted: 'is counted',
  isNotCounted: 'is not counted',
  opensHelp:
    'Counting puts a picture of one dot into each email, and needs the public address. Ask your customers before, where the law wants it. Many mail programs show no pictures, and some fetch them all by themselves.',
  opensAreSet: 'Whether opened emails are counted is set.',
  tooLargeIsSet: 'What becomes of emails that are too large is set.',
  pauseEverything2: 'Pause everything?',
  whyForTheOthersTo: 'Why, for the others to read',
  thePricesAreWrong: 'the prices are wrong',
  beginARehearsal2: 'Begin a rehearsal?',
  rehearse: 'Rehearse',
  untilItIsEndedNothing:
    'Until it is ended, nothing reaches a customer: every document and email goes to {settings}. A band on every screen says so.',

  // company/KindsList.vue
  off: 'off',
  viewAreSwitchedOn: '{view} are switched {on}.',
  waitingWaiting: '{waiting} waiting',
  whatIsSwitchedOffIs: 'What is switched off is not made, by hand or by routines, and not offered on orders.',
  switchOff: 'Switch off…',
  switchOn: 'Switch on',
  switchAskedOff: 'Switch {asked} off?',
  switchOff2: 'Switch off',
  fromNowOnNoneIs: 'From now on none is made, by hand or by a routine.',
  itStaysAndMay: 'it stays and may',
  theyStayAndMay: 'they stay and may',
  waitingOfThemAskedWaiting:
    '{waiting} of them {asked} waiting in To send or To check: {asked2} still be sent.',
  thisRoutineMakes: 'This routine makes',
  theseRoutinesMake: 'These routines make',
  askedNothingAnyMore: '{asked} nothing any more:',

  // company/OrderLists.vue
  theStatuses: 'the statuses',
  theStatusesAreSaved: 'The statuses are saved.',
  orderStatuses: 'Order statuses',
  inTheOrderInWhich:
    'In the order in which they usually follow. Which of them hold or withdraw an order’s documents is said in General.',
  status: 'status',
  whichMayFollowWhich: 'Which may follow which',
  anOrderIsRefusedAnother:
    'An order is refused another status, with the ones it may go to. Undo always works.',

  // company/SetUpGuide.vue
  beforeDocumentsCanGoOut: 'Before documents can go out',
  readyToSend: 'Ready to send',
  andStepMore: 'and {step} more',
  fix: 'Fix',

  // company/SettingsNav.vue
  taxNumber: 'tax number',
  bankAccount: 'bank account',
  numberSeries: 'number series',
  emailText: 'email text',
  findASetting: 'Find a setting',
  noSettingIsCalledSo: 'No setting is called so.',
  brands: 'Brands',
  lacksOne: 'lacks {one}',
  brand: '+ brand',
  aChangeAppliesToDocuments:
    'A change applies to documents from now on. Issued ones keep what they were printed with; prepared ones are rebuilt and marked.',
  onlyASupervisorChangesThese: 'Only a supervisor changes these.',

  // company/StatusSteps.vue
  afterStatus: 'After {status}',

  // company/StoppingSettings.vue
  listedInTheRegisterFor: 'listed in the Register, for a person to settle',
  voidedWhereThatIsAllowed: 'voided where that is allowed, else credited by a note in To check',
  held: 'Held',
  inNoStatusYet: 'in no status yet',
  nothingOfAnOrderLeaves:
    'Nothing of an order leaves while it is {held} or withdrawn: its documents are marked, in no Send, and taken out of Waiting.',
  withdrawn: 'Withdrawn',
  nothingYet2: 'nothing yet',
  withdrawnRule: 'Withdrawn rule',
  thoseThatStand: 'Those that stand',
  anOrderIsWithdrawnWhen:
    'An order is withdrawn when it becomes {withdrawn}. Its invoice is then {withdrawnRule}; it is never deleted. {thoseThat}',

  // company/WordsList.vue
  thereIsAWhatAdded: 'There is a {what} “{added}” already.',
  moveNameUp: 'Move {name} up',
  moveNameDown: 'Move {name} down',
  takeNameAway: 'Take {name} away',
  newWhat: 'New {what}',
  addWhat: 'Add {what}',

  // company/SecondPerson.vue
  secondPerson: 'A second person',
  secondPersonHelp:
    'What is ticked waits in To check until a second person sends it. Who asks for one cannot send it.',
  secondPersonSet: 'What a second person sends is set.',
  documentsOver: 'Documents over',
  firstEmailToAnAddress: 'The first email to an address of a customer',
  changedBankAccounts: 'Changed bank accounts of a brand, until another supervisor confirms them',
  manyInOneSend: 'More documents in one Send than',
} as const
