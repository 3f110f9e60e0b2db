/** Words of begin. */
export const begin = {
  // begin/BeginBrand.vue
  howYouTrade: 'How you trade',
  underThisNameYourDocuments: 'Under this name your documents go out. More brands can follow in Settings.',
  saveAndGoOn: 'Save and go on',

  // begin/BeginCompany.vue
  yourCompany: 'Your company',
  theRestFollowsFromThe: 'The rest follows from the country. Look it over and change what does not fit.',
  companyName: 'Company name',
  asItIsRegistered: 'As it is registered.',
  yourBooksAreKeptIn: 'Your books are kept in it.',
  languageOfYourDocuments: 'Language of your documents',
  timeZone: 'Time zone',
  businessYearBeginsIn: 'Business year begins in',
  vatRatesInPercent: 'VAT rates in percent',
  theUsualOneFirstFor:
    'The usual one first, for example 23, 13.5, 9. Exempt and other kinds are added in Settings, Tax.',

  // begin/BeginMail.vue
  email: 'Email',
  theAccountThroughWhichYour:
    'The account through which your documents are sent. Without one they wait until it is there.',
  saveAndFinish: 'Save and finish',
  later: 'Later',

  // begin/BeginNumbers.vue
  ifAnotherProgramNumberedYour:
    'If another program numbered your documents until now, go on with its next number. Else change nothing.',
  nextNumber: 'Next number',
  itWillRead: 'It will read',
  kindBeginsWith: '{kind}, begins with',
  kindNextNumber: '{kind}, next number',
  yearIsTheYearOf:
    "{'{'}year{'}'} is the year of the document. Numbers begin again each year; Settings, Numbers, changes that.",

  // begin/BeginPerson.vue
  welcome: 'Welcome',
  nobodyWorksHereYetYou:
    'Nobody works here yet. You become the first supervisor and can invite the others later.',
  begin: 'Begin',
  binServePrintedItWhen:
    'bin/serve printed it when it started. It is good for one day; starting again prints a new one.',
  yourName: 'Your name',
  yourEmailAddress: 'Your email address',
  youSignInWithIt: 'You sign in with it.',

  // begin/BrandDialog.vue
  nameIsAddedWithDesigns: '{name} is added, with designs, email texts and numbers of its own.',
  copyCopyOf: 'Copy {copyOf}',
  addABrand: 'Add a brand',
  addBrand: 'Add brand',
  logoColoursDesignsAndEmail:
    'Logo, colours, designs and email texts are those of {copyOf}, to be changed on their own. Its numbers begin anew.',

  // begin/BrandFields.vue
  headings: 'Headings',
  accent: 'Accent',
  paleBackground: 'Pale background',
  brandName: 'Brand name',
  shortCode: 'Short code',
  oneToSixLettersNumbers: 'One to six letters; numbers can carry it.',
  leaveItEmptyIfYou: 'Leave it empty if you have none.',
  customersPayToThisAccount: 'Customers pay to this account.',
  emailsComeFrom: 'Emails come from',
  customersSeeItAndAnswer: 'Customers see it, and answer to it.',
  yourLogo: 'Your logo',
  pricesIncludeVATAsIn: 'Prices include VAT, as in a shop',

  // begin/FirstVisit.vue
  you: 'You',
  saved: ' · saved',
  youCanStopAfterEach: 'You can stop after each step. What is saved is here when you come back.',
  theSetUpIsNot: 'The set-up is not finished',
  aSupervisorHasToFinish: 'A supervisor has to finish it. Come back then.',

  // begin/brand-form.ts
  brandCopy: '{brand} copy',
} as const
