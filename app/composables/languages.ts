/** The languages of documents as a person chooses them. */
export const languageWords = { en: 'English', de: 'German', fr: 'French' } as const
export const languageChoices = [
  { value: 'en', words: 'English' },
  { value: 'de', words: 'German' },
  { value: 'fr', words: 'French' },
] as const
