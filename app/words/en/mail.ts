/** Words of mail. */
export const mail = {
  // mail/MailAccounts.vue
  everyBrandWithoutItsOwn: 'every brand without its own',
  noBrandYet: 'no brand yet',
  theMailAccountRemovingIs: 'The mail account “{removing}” is gone.',
  addMailAccount: 'Add mail account',
  emailsAreHandedToThese: 'Emails are handed to these servers.',
  asUserName: ', as {userName}',
  delete: 'Delete…',
  noMailAccountYet: 'No mail account yet',
  emailsWaitUntilThereIs: 'Emails wait until there is one. Add the account that sends for your addresses. ',
  deleteTheMailAccountRemoving: 'Delete the mail account “{removing}”?',
  delete2: 'Delete',
  itsPasswordIsDeletedToo:
    'Its password is deleted too. Brands that use it send through the first account that is left; without one their emails wait.',

  // mail/MailDialog.vue
  theMailAccountIsSaved: 'The mail account is saved.',
  addAMailAccount: 'Add a mail account',
  itTakesAtMostSo: 'It takes at most so many emails; empty is no limit. What is more waits its turn.',
  inAMinute: 'In a minute',
  inAnHour: 'In an hour',
  largestEmail: 'Largest email, MB',
  largestEmailHelp: 'With everything enclosed. Your provider says it; 20 is usual.',
  inADay: 'In a day',
  brandsThatSendThroughIt: 'Brands that send through it',

  // mail/MailFields.vue
  tlsFromTheStart: 'TLS from the start',
  noneOnlyOnThisComputer: 'none, only on this computer',
  server: 'Server',
  mailHouseExample: 'mail.house.example',
  yourMailProviderCallsIt: 'Your mail provider calls it the outgoing or SMTP server.',
  encryption: 'Encryption',
  port: 'Port',
  user: 'User',
  oftenTheEmailAddressItself: 'Often the email address itself.',
  staysAsItIs: 'stays as it is',
  itIsKeptEncryptedAnd: 'It is kept encrypted and never shown.',
  tryIt: 'Try it',
  connectsSignsInAndSends: 'Connects, signs in, and sends one email to you. Nothing is saved by it.',

  // mail/MailTried.vue
  connected: 'Connected',
  signedIn: 'Signed in',
  tookAnEmail: 'Took an email',
  noConnection: 'No connection',
  signInRefused: 'Sign-in refused',
  emailRefused: 'Email refused',
  allGoodAnEmailIs: 'All good. An email is on its way to you; look whether it arrives.',

  // mail/SenderDialog.vue
  theBrands: "the brand's",
  routineRoutineId: 'routine {routineId}',
  ofWhichEmails: 'Of which emails',
  nameWhoeverSendsIt: 'Name whoever sends it',
  addressForAnswers: 'Address for answers',
  mailAccount: 'Mail account',
  allKinds: 'all {kinds}',
  routineId: 'routine {id}',
  whatNameMakes: 'what “{name}” makes',
  theSenderIsSavedFor: 'The sender is saved, for every email that has not left yet.',
  theseEmailsComeFromSenderName: 'These emails come from {senderName} again.',
  aSender: 'A sender',
  addASender: 'Add a sender',
  addSender: 'Add sender',
  whatTheCustomersMailProgram: "What the customer's mail program shows; empty is the brand's.",
  theMailAccountHasTo: 'The mail account has to be allowed to send for it.',
  nameWhoeverSendsItBefore: 'Name whoever sends it, before this name',
  byTheEmailAddressUnder:
    'By the email address under Settings, People. Where nobody there has that name: {replyTo}',
  sentThroughTheMailAccount: 'Sent through the mail account',
  deleteAsTheBrandAgain: 'Delete: as the brand again',

  // mail/SendersList.vue
  allKinds2: 'All {kinds}',
  whatRoutineNameMakes: 'What “{routineName}” makes',
  brandWritesAsSenderNameSenderAddress:
    '{brand} writes as {senderName} <{senderAddress}>; answers go to {replyTo}. Listed here is only what comes from somebody else. ',
  fromFromWords: 'from {fromWords}',
  throughMailAccountName: '; through {mailAccountName}',
  answersGoToSenderSender2: 'answers go to {sender}{sender2}',
  everythingComesFromTheBrand: 'Everything comes from the brand',
  addASenderWhereInvoices:
    "Add a sender where invoices, for example, should come from accounts{'@'}, or answers should reach the salesperson. ",

  // mail/mail-form.ts
  mainAccount: 'Main account',
} as const
