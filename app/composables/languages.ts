import { t } from '../words'
/** The languages of documents as a person chooses them. */
export const languageWords = {
  en: t('common.english'),
  de: t('common.german'),
  fr: t('common.french'),
} as const
export const languageChoices = [
  { value: 'en', words: t('common.english') },
  { value: 'de', words: t('common.german') },
  { value: 'fr', words: t('common.french') },
] as const
