/** Words of dispatches. */
export const dispatches = {
  // emails.vue
  documentsOfAnyKind: 'documents of any kind',
  theFirst: 'the first',
  filtersToFilters2: '{filters} to {filters2}',
  ofAnyDay: 'of any day',
  fromDateField: 'from {dateField}',
  toDateField: 'to {dateField}',
  withKindStateDays: 'with {kind}, {state}, {days}',
  wordsInIt: 'Words in it',
  copy: 'copy',
  toPrint: 'to print',
  noEmailOfThatKind: 'No email of that kind',
  everyEmailIsListedHere:
    'Every email is listed here with its exact words and files, as soon as its document is issued.',
  noEmailSelected: 'No email selected',
  chooseOneToReadIt: 'Choose one to read it as it was sent.',

  // figures.vue
  figures: 'Figures',
  ofTheLastDays: 'of the last {days}',
  allEmails: 'All emails',
  nothingSent: 'Nothing was sent in these days',
  nothingSentWords: 'What became of emails and letters is counted here from the first one on.',
  soManyLeft: '{emails} and {letters} left.',
  howFast:
    'Half of the emails were with the mail server {middle} after their document was issued, nine of ten after {nine}.',
  noTime: 'no time yet',
  aLetterCosts: 'A letter costs {postage}; what went by email saved {saved}.',
  notSaidYet: 'what is not said yet',
  soMuch: 'nothing yet',
  postage: 'Postage of a letter',
  postageIsSet: 'The postage is set.',
  sentByDay: 'What was sent on each day, by how it stands now',
  sentThatDay: 'Sent',
  onTheWay: 'On the way',
  waiting: 'Waiting',
  stuck: 'Stuck',
  domain: 'Domain',
  writtenTo: 'Recipients',
  cameBack: 'Came back',
  ofAll: 'Of all',
} as const
