/** Words of own fields. */
export const ownFields = {
  // own-fields/OwnFieldDialog.vue
  whatIsWrittenInIt: 'What is written in it',
  wordsToChooseFrom: 'Words to choose from',
  printedOnDocuments: 'Printed on documents',
  calledOnDocuments: 'Called on documents',
  orderLines: 'order lines',
  theFieldNameOfSubjects: 'The field {name} of {subjects} is saved.',
  theFieldFieldIsDeleted: 'The field {field} is deleted.',
  addAFieldOfSubjects: 'Add a field of {subjects}',
  addField: 'Add field',
  itStaysRoutinesFilesAnd: 'It stays: routines, files and other programs call it by it.',
  wordsToChooseFromOne: 'Words to choose from, one a line',
  printItOnDocumentsWhere: 'Print it on documents where it is filled',
  calledOnWordsDocuments: 'Called on {words} documents',
  deleteThisField: 'Delete this field',

  // own-fields/OwnFieldList.vue
  forExampleDeliveryWindowRoutines:
    'For example “Delivery window”. Routines can ask for them, searches find them.',
  orderLines2: 'Order lines',
  forExampleEngravingWrittenAt: 'For example “Engraving”: written at each line.',
  forExampleWoodWrittenOnce: 'For example “Wood”: written once, printed at every line of the item.',
  forExampleHives: 'For example “Hives”.',
  forWhatYourHouseNeeds: 'For what your house needs and Clothespin does not know.',
  oneOfField: 'one of {field}',
  printedOnDocuments2: 'printed on documents',
  notPrinted: 'not printed',

  // own-fields/words.ts
  oneOfSomeWords: 'one of some words',
  yesOrNo: 'yes or no',
  ofOrders: 'Orders',
} as const
