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
} as const
