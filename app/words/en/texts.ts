/** Words of texts. */
export const texts = {
  // texts/StandingTextDialog.vue
  text: 'Text',
  everyBrand: 'every brand',
  nameIsSavedForEvery: '“{name}” is saved, for every document from the next one on.',
  textIsDeletedIssuedDocuments: '“{text}” is deleted. Issued documents keep it.',
  addStandingText: 'Add standing text',
  addText: 'Add text',
  termsOfSale: 'Terms of sale',
  itsHeadingWhereItHas: 'Its heading where it has a page of its own.',
  printed: 'Printed',
  fromByDocumentDate: 'From, by document date',
  allDocuments: 'all documents',
  theseDocuments: 'these documents',
  onForm: 'On {form}',
  textInWords: 'Text in {words}',
  inWords: 'In {words}',
  deleteThisText: 'Delete this text',

  // texts/StandingTexts.vue
  anotherBrand: 'another brand',
  ofBrandOf: 'of {brandOf}',
  forAudienceWords: 'for {audienceWords}',
  untilUntil: 'until {until}',
  termsAFooterARemark:
    ' Terms, a footer, a remark: written once, printed on every document that they are for. ',
  noStandingTextsYet: 'No standing texts yet',
  addYourTermsOfSale: 'Add your terms of sale, or a footer for pro formas. ',

  // texts/words.ts
  belowTheDocument: 'below the document',
  inTheFootOfEvery: 'in the foot of every page',
  onAPageOfIts: 'on a page of its own',
  allCustomers: 'all customers',
  businessCustomersWithAVAT: 'business customers (with a VAT number)',
  privateCustomersWithoutAVAT: 'private customers (without a VAT number)',
  place: 'Place',
} as const
