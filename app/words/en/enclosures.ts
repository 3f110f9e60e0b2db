/** Words of files that go along with documents. */
export const enclosures = {
  // enclosures/EnclosureList.vue
  intro:
    'Files that go along with documents by email: terms of sale, a price list, an offer. Each goes by itself to whom it is for, for as long as you say.',
  addFile: 'Add file',
  none: 'No standing files yet',
  noneHelp:
    'Add your terms of sale once; they go along with every document that they are for. A file for one order is added at that order.',
  notGoing: 'not in use',

  // enclosures/HungFiles.vue
  files: 'Files',
  noFilesOfOrder: 'A drawing or specification that is added here goes along with this order’s documents.',
  noFilesOfCustomer: 'A file that is added here goes along with what this customer gets.',
  noFilesOfItem:
    'A manual, a data sheet or what is sold itself, as a file: it goes along with the invoice that bills this item.',
  withWhat: 'with {what}',
  staysHere: 'stays here',

  // enclosures/EnclosureDialog.vue
  addFor: 'Add a file that goes along',
  chooseFile: 'Choose a file…',
  chooseAnother: 'Take another file…',
  kindsTaken: 'PDF, picture, text document, spreadsheet, CSV; at most 10 MB',
  nameReceiverSees: 'Name that the receiver sees',
  goesAlong: 'It goes along by email',
  mostDownloads: 'Downloads for each receiver',
  mostDownloadsHint: 'With a limit it goes as a link, never attached.',
  anyNumber: 'any number',
  goodDays: 'Days that its link is good',
  asOtherLinks: 'as other links',
  goesAlongOff: 'It is kept here and does not leave.',
  group: 'Customer group',
  everyGroup: 'customers of every group',
  anyLanguage: 'any language',
  documentsIn: 'Documents in',
  with: 'With',
  untilEnd: 'Until, the day included',
  takeAway: 'Take this file away',
  takenAway: '“{name}” goes along no more. Emails that have left keep it.',
  saved: '“{name}” is saved, for every email from the next one on.',
  takeAwayTitle: 'Take “{name}” away?',
  takeAwayHelp: 'It goes along with nothing from now on. What has left keeps it, and shows it in its Email.',

  // enclosures/where.ts
  allDocuments: 'all documents',
  ofBrand: 'of {brand}',
  toGroup: 'to {group}',
  inLanguage: 'in {language}',
  fromDay: 'from {day}',
  untilDay: 'until {day}',
  whyOnce: 'added this time',
  whyOrder: 'from the order',
  whyCustomer: 'from the customer',
  whyItem: 'from an item',
  asALink: 'as a link',
  whyGroup: 'for this customer’s group',
  whyBrand: 'for this brand',
  whyKind: 'for this kind of document',
  whyHouse: 'for every document',

  // enclosures/EmailFiles.vue
  enclosedThisTime: 'Enclosed',
  addForOnce: 'Add a file for this once…',
  sum: 'About {size} of at most {most}',
  goesInSeveral: 'About {size}: they go in several emails of at most {most}',
  tooMuch: 'About {size}, and the mail account takes at most {most}. Leave one out.',
  removeWord: 'Remove',
  remove: 'Remove {name}',
  leftOut: 'left out this time',
} as const
