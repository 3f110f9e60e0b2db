/** Words of frame. */
export const frame = {
  place: 'Place',
  setting: 'Setting',
  report: 'Report',
  act: 'Act',
  keySpace: 'Space',
  keyEnter: 'Enter',
  keyEscape: 'Escape',
  anywhere: 'Anywhere',
  // frame/ChangedMeanwhile.vue
  somebodySavedThisWhileYou: 'Somebody saved this while you were writing.',
  savedNow: 'Saved now',
  yours: 'Yours',
  whatTheyChangedDoesNot: 'What they changed does not touch what stands here.',
  takeWhatIsSaved: 'Take what is saved',
  keepMine: 'Keep mine',

  // frame/ChoosePassword.vue
  yourPasswordIsSavedSign: 'Your password is saved. Sign in with it and the code from your phone.',
  youAreInvited: 'You are invited',
  chooseANewPassword: 'Choose a new password',
  saveAndSignIn: 'Save and sign in',

  // frame/Finder.vue
  lightMode: 'Light mode',
  darkMode: 'Dark mode',
  changesTheColours: 'changes the colours',
  keys: 'Keys',
  find: 'Find',
  aNumberACustomerAn: 'A number, a customer, an amount, a place, or what to do',
  found: 'Found',
  nothingFoundNumbersCustomersOrder:
    'Nothing found. Numbers, customers, order numbers and amounts are looked through.',

  // frame/FootLine.vue
  undo: 'Undo',
  whatHappenedCount: 'What happened {count}',
  whatHappenedNewestFirst: 'What happened, newest first',
  helpF1: 'Help {f1}',

  // frame/Frame.vue
  toTheContent: 'To the content',
  places: 'Places',
  numberCustomerAddress: 'Number, customer, address',
  ctrlK: 'Ctrl K',
  noWordFromTheServer: 'No word from the server just now: what is shown may be old. Trying again.',

  // frame/Help.vue
  help: 'Help',
  tasks: 'Tasks',
  allTasks: 'All tasks',
  onThisScreen: 'On this screen',
  goThere: 'Go there',

  // frame/HelpKeys.vue
  inAList: 'In a list',
  upDown: 'Up, Down',
  goFromRowToRow: 'go from row to row',
  picksTheRow: 'picks the row',
  shiftUpDown: 'Shift + Up, Down',
  picksARange: 'picks a range',
  ctrlA: 'Ctrl + A',
  picksAllThatAreLoaded: 'picks all that are loaded',
  leftRight: 'Left, Right',
  switchBetweenDocumentEmailAnd: 'switch between Document, Email and History',
  opensIt: 'opens it',
  onANarrowScreenShows: 'on a narrow screen: shows the document, and the list again',
  showsTheDocumentFullScreen: 'shows the document full screen; plus and minus zoom',
  givesUpThePicksThen: 'gives up the picks, then leaves the row',
  onTheLine: 'On the Line',
  leftRightOnTheCloths: 'Left, Right on the cloths',
  goFromStageToStage: 'go from stage to stage',
  ctrlEnter: 'Ctrl + Enter',
  isTheFilledButtonOf: 'is the filled button of the screen; it asks before something leaves',
  ctrlK2: 'Ctrl + K',
  findsOrdersDocumentsAndCustomers:
    'finds orders, documents and customers, goes to places, and opens help by what you want to do',
  showsThisHelp: 'shows this help',

  // frame/LeaveDialog.vue
  leaveWithoutSaving: 'Leave without saving?',
  yourChangesToWhatAre: 'Your changes to {what} are not saved yet.',
  keepEditing: 'Keep editing',

  // frame/OwnMenu.vue
  asTheComputer: 'As the computer',
  initialsUserSignedInAs: '{initials}: {user}, signed in as {role}',
  changeYourPassword: 'Change your password…',
  secondFactor: 'Second factor…',
  whereYouAreSignedIn: 'Where you are signed in…',
  helpAndKeys: 'Help and keys',

  // frame/RealNotice.vue
  aRehearsalIsOnBut: 'A rehearsal is on, but {what} for real.',

  // frame/RunStrip.vue
  takenBackNoneOfChosen: 'Taken back: none of {chosen} was issued, no number was used',
  stoppedIssuedOfChosenIssued: 'Stopped: {issued} of {chosen} issued',
  rehearsedRehearsed: '{rehearsed} rehearsed',
  allChosenIssued: 'All {chosen} issued',
  issuedOfChosenIssued: '{issued} of {chosen} issued',
  documentsRunInRun2: '{documents} {run} in {run2}',
  nothingIsNumberedYet: 'Nothing is numbered yet.',
  sendingRunOfChosen: 'Sending {run} of {chosen}',
  itGoesOnWhenYou: 'It goes on when you leave this page.',
  andProblemsMoreInThe: 'and {problems} more in the report',
  openTheReport: 'Open the report',

  // frame/SignIn.vue
  enterYourEmailAddressFirst: 'Enter your email address first.',
  backToSignIn: 'Back to sign in',
  everyDocumentThatIsDue: 'Every document that is due goes out once.',
  codeFromYourPhone: 'Code from your phone',
  sixDigitsOrOneOf: 'Six digits, or one of your recovery codes.',
  ifSomebodyWorksHereWith:
    'If somebody works here with this address, an email with a code is on its way. It is good for a day.',
  signIn: 'Sign in',
  forgotYourPassword: 'Forgot your password?',
  iHaveACode: 'I have a code',

  // frame/StateBand.vue
  everythingIsPaused: 'Everything is paused',
  everythingIsByPausedBySincePausedAt:
    '{everythingIs} by {pausedBy} since {pausedAt}. {pauseReason} Nothing is issued or sent.',
  lookAndConfirm: 'Look and confirm…',
  letItGoOn: 'Let it go on',
  rehearsal: 'Rehearsal.',
  nothingLeavesTheHouseEverything:
    'Nothing leaves the house: everything goes to {rehearsalAddress} instead, marked.',
  endTheRehearsal: 'End the rehearsal…',
  isThisTheDatabaseThat: 'Is this the database that shall speak?',
  yesTheseAreTheLast: 'Yes, these are the last numbers',
  itWasCopiedOrRestored:
    'It was copied or restored. If a newer one has issued numbers after these, they would come twice. Compare with the last documents that left the house:',
  waitingToGoWhenSending:
    'Waiting to go when sending goes on: {emails} and {documents} that {found} by itself. It stays paused until you let it go on.',
  endTheRehearsal2: 'End the rehearsal?',
  endTheRehearsal3: 'End the rehearsal',
  fromNowOnDocumentsGo:
    'From now on documents go to your customers. What was rehearsed does not go by itself: documents wait in To check, emails are held under Waiting until somebody lets them go.',
  document: 'Document',
} as const
