/** Words of runs. */
export const runs = {
  // runs/[id].vue
  emailsOnTheWayAgain: '{emails} on the way again.',
  pluralInThePrintQueue: '{plural} in the print queue.',
  sendId: 'Send {id}',
  byStartedByStartedAt: 'by {startedBy}, {startedAt}',
  tookLasted: ' · took {lasted}',
  stoppedByStoppedBy: ' · stopped by {stoppedBy}',
  takenBackByTakenBackBy: ' · taken back by {takenBackBy}',
  noSuchSend: 'No such Send',
  whatBecameOfThePlural: 'What became of the {plural}',
  printJobs: 'Print jobs',
  issuedSpan: 'Issued{span}',
  stuckCount: 'Stuck: {count}',
  printCountInstead: 'Print {count} instead',
  sendCountAgain: 'Send {count} again',
  print: 'Print',
  notIssued: 'Not issued',
  notIssuedCount: 'Not issued: {count}',
  inToCheck: 'in To check',
  issuedSince: 'issued since',
  inToSend: 'in To send',
  notWantedAnyMore: 'not wanted any more',

  // runs/index.vue
  chosen: 'Chosen',
  left: 'Left',
  eachSendWithItsReport: 'Each Send with its report, newest first',
  noSendYet: 'No Send yet',
  eachTimeDocumentsAreSent: 'Each time documents are sent from To check, its report appears here.',
  openToCheck: 'Open To check',
} as const
