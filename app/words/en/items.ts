/** Words of items. */
export const items = {
  // items.vue
  numberName: 'Number, name',
  noItemOfThatName: 'No item of that name',
  clearTheSearchToSee: 'Clear the search to see all.',
  noItemsYet: 'No items yet',
  whatYouSellAppearsHere: 'What you sell appears here. Orders can also be written without items.',

  // items/ItemCodes.vue
  customersOwnNumbers: 'Customers’ own numbers',
  theirNumber: 'their number',
  numberAtCustomerName: 'Number at {customerName}',
  takeTheNumberAtCustomerName: 'Take the number at {customerName} away',
  addACustomersNumber: 'Add a customer’s number',

  // items/ItemDialog.vue
  itemNumber: 'Item number',
  names: 'Names',
  unit: 'Unit',
  unitInOtherLanguages: 'Unit in other languages',
  weight: 'Weight',
  size: 'Size',
  commodityCode: 'Commodity code',
  countryOfOrigin: 'Country of origin',
  category: 'Category',
  whatABuyerChooses: 'What a buyer chooses',
  otherPrices: 'Other prices',
  customersNumbers: 'Customers’ numbers',
  codeIsSaved: '{code} is saved.',
  codeIsAdded: '{code} is added.',
  itemCode: 'Item {code}',
  addItem: 'Add item',
  itStandsOnDocumentsFor: 'It stands on documents, for example HB-10.',
  nameInWords: 'Name in {words}',
  priceInCurrency: 'Price in {currency}',
  forExamplePcsKgH: 'For example pcs, kg, h.',
  choicesOtherPricesCustomersNumbers: '+ choices, other prices, customers’ numbers, GTIN, weight, customs',
  storeAndCustoms: 'Store and customs',
  gtin: 'GTIN',
  n81213Or14: '8, 12, 13 or 14 digits, as under the bar code.',
  weightInKg: 'Weight in kg',
  n604030Cm: '60 × 40 × 30 cm',
  placeInTheStore: 'Place in the store',
  unitInWords: 'Unit in {words}',

  picture: 'Picture',
  aPicture: 'a picture',
  filesOnceItIsAdded: 'Files that go along with it are added once the item is there.',

  // items/ItemPicture.vue
  choosePicture: 'Choose a picture…',
  anotherPicture: 'Another picture…',
  noPicture: 'take it away',
  pictureIsFor: 'PNG or JPEG; it is shown in Items and at the bench.',

  // items/ItemOptions.vue
  inOtherLanguages: '+ in other languages',
  choiceInLanguage: 'In {language}',
  valuesInLanguage: 'Values in {language}, in the same order',
  choiceIndexName: 'Choice {index}, name',
  naturalGreenBlue: 'natural, green, blue',
  choiceIndexValuesWithCommas: 'Choice {index}, values with commas between',
  takeTheChoiceOptionAway: 'Take the choice {option} away',
  choice: '+ choice',

  // items/ItemPrices.vue
  emptyEveryCustomer: 'Empty: every customer.',
  takePriceIndexAway: 'Take price {index} away',
  price: '+ price',
} as const
